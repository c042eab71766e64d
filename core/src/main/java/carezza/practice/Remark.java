package carezza.practice;

/** What there is to say about what was done, one sentence each. */
public enum Remark {
  UNTOUCHED,
  SPOTS_MISSED,
  TOO_MANY,
  MARKS_LOST,
  FAULT_LEFT,
  WORSE,
  TEXTURE_LOST,
  TEXTURE_ADDED,
  FORM_LOST,
  FORM_LIKE_BEFORE,
  FORM_TOO_STRONG,
  AGAINST_FORM,
  SPILLED,
  EDGE_HURT,
  TOO_NARROW,
  TOO_WIDE,
  STILL_YELLOW,
  TOO_WHITE,
  WELL_DONE
}
