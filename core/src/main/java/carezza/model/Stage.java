package carezza.model;

import java.util.Locale;

/** The eight stages of the work, in the order of the stack. */
public enum Stage {
  SETTLE,
  MEND,
  SMOOTH,
  SCULPT,
  EVEN,
  GRADE,
  BRIGHTEN,
  FINISH;

  /** The stage's name as shown: Settle, Mend, … */
  public String title() {
    return name().charAt(0) + name().substring(1).toLowerCase(Locale.ROOT);
  }
}
