package carezza.set;

/**
 * What a client says to a file.
 *
 * @param file its name in the drop-box
 * @param photograph of the set that it was made of, or empty where that is not known
 * @param words the client's own, perhaps none
 */
public record Answer(String file, String photograph, Kind kind, String words) {

  /** How it stands. */
  public enum Kind {
    /** It lies there, and nobody has looked yet. */
    SENT,
    RECEIVED,
    APPROVED,
    /** Something is to be done otherwise. */
    CHANGE
  }
}
