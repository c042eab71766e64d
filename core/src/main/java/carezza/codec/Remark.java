package carezza.codec;

/** What is worth knowing of how a picture was read, though it could be read. */
public enum Remark {
  /** Parts of the file that are no part of the picture were damaged and passed over. */
  UNTIDY,
  /** Its colour profile could not be used; the usual one was. */
  PROFILE_UNUSABLE,
  /** Inks without a profile were taken for those of coated paper. */
  INKS_ASSUMED,
  /** What was transparent lies on white. */
  ON_WHITE,
  /** A camera's own light: colours come from its sensor. */
  FROM_SENSOR,
  /** Corrections of the lens that the file asks for are not applied. */
  LENS_UNCORRECTED
}
