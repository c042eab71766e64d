package carezza.desktop.action;

/** Where an action is at hand. */
public enum Scope {
  /** Everywhere. */
  APPLICATION,
  /** Where a document is open. */
  DOCUMENT,
  /** Where the picture is worked on: on the bench and in the plan. */
  WORK,
  /** On the bench. */
  BENCH,
  /** Where a repair layer is in hand, on the bench. */
  REPAIRS
}
