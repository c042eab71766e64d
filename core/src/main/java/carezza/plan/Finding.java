package carezza.plan;

import org.jspecify.annotations.Nullable;

/**
 * Something that lies outside its band for the job, or did as shot.
 *
 * @param asShot its reading in the photograph
 * @param now its reading in the picture as it stands
 * @param state how the two stand to the band
 * @param undoneBy the layer that brought it back, or null
 * @param reason why it is left as it is, or null
 * @param severity excess times what of it is seen at the delivered size; of the photograph where it
 *     is treated
 * @param visible share of it that is seen at the delivered size, 0 … 1
 * @param minutes that treating it takes this retoucher; 0 where only pixels show it and the job
 *     does not look at them
 * @param table minutes that the job has for it
 */
public record Finding(
    Reading asShot,
    Reading now,
    State state,
    @Nullable String undoneBy,
    @Nullable String reason,
    double severity,
    double visible,
    double minutes,
    double table) {

  /** Derived from readings, but for what is left as it is. */
  public enum State {
    OPEN,
    TREATED,
    /** Was treated, and a later layer undid it. */
    BACK,
    LEFT
  }

  /** Share of it seen from which more than pixels show it. */
  public static final double SEEN = 0.25;

  public FindingKind kind() {
    return now.kind();
  }

  public String key() {
    return now.key();
  }

  /** Whether it still asks for something. */
  public boolean isOpen() {
    return state == State.OPEN || state == State.BACK;
  }

  /** Whether at the delivered size it is hardly to be seen. */
  public boolean onlyPixels() {
    return visible < SEEN;
  }
}
