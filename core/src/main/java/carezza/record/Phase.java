package carezza.record;

import carezza.model.Stage;

/** Part of the work that time is counted for: the stages, and what lies before and after them. */
public enum Phase {
  /** Looking, planning, opening: nothing of the stack is in hand. */
  LOOK,
  SETTLE,
  MEND,
  SMOOTH,
  SCULPT,
  EVEN,
  GRADE,
  BRIGHTEN,
  FINISH,
  DELIVER;

  public static Phase of(Stage stage) {
    return switch (stage) {
      case SETTLE -> SETTLE;
      case MEND -> MEND;
      case SMOOTH -> SMOOTH;
      case SCULPT -> SCULPT;
      case EVEN -> EVEN;
      case GRADE -> GRADE;
      case BRIGHTEN -> BRIGHTEN;
      case FINISH -> FINISH;
    };
  }
}
