package carezza.desktop.action;

/** Where an action is at hand. */
public enum Scope {
  /** Everywhere. */
  APPLICATION,
  /** Where a document is open. */
  DOCUMENT,
  /** On the bench. */
  BENCH,
  /** Where a repair layer is in hand, on the bench. */
  REPAIRS
}
