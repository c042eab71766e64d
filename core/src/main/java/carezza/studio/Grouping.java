package carezza.studio;

/** What a row of the journal stands for. */
public enum Grouping {
  PICTURE,
  JOB,
  WEEK
}
