package carezza.model;

import java.util.Locale;

/** Areas of the picture known by name from the face map and the picture's colours. */
public enum SemanticRegion {
  FACE_SKIN("skin of the face"),
  NECK_SKIN("skin of the neck"),
  EARS("skin of the ears"),
  SHOULDERS("skin of the shoulders"),
  HANDS("skin of the hands"),
  SKIN("skin"),
  LIPS("lips"),
  TEETH("teeth"),
  SCLERA("whites of the eyes"),
  LEFT_SCLERA("white of the left eye"),
  RIGHT_SCLERA("white of the right eye"),
  IRIS("irises"),
  BROWS_LASHES("brows and lashes"),
  HAIR("hair"),
  SUBJECT("subject"),
  BACKDROP("backdrop");

  private final String words;

  SemanticRegion(String words) {
    this.words = words;
  }

  /** The name in a sentence. */
  public String words() {
    return words;
  }

  /** The name on a button. */
  public String title() {
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }
}
