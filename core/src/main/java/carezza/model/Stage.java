package carezza.model;

/** The eight stages of the work, in the order of the stack. */
public enum Stage {
  SETTLE,
  MEND,
  SMOOTH,
  SCULPT,
  EVEN,
  GRADE,
  BRIGHTEN,
  FINISH
}
