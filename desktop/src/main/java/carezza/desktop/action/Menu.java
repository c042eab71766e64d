package carezza.desktop.action;

/** Where an action stands in the menu bar. */
public enum Menu {
  PICTURE,
  STEPS,
  STACK,
  ADD,
  BRUSH,
  MEND,
  SEE,
  HELP
}
