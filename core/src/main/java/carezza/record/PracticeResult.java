package carezza.record;

import java.time.Duration;
import java.time.Instant;

import org.jspecify.annotations.Nullable;

/**
 * An exercise, or a test of the eye, that was finished.
 *
 * @param kind whether it was one or the other
 * @param subject the exercise, or the quality that the eye was tested on, as in files
 * @param seed makes the same one again
 * @param value points 0 … 1 of an exercise; the threshold of a test
 * @param spread factor that a threshold may be off to either side; null of an exercise
 * @param active time that was worked on it
 */
public record PracticeResult(
    Instant at,
    Kind kind,
    String subject,
    long seed,
    double value,
    @Nullable Double spread,
    Duration active) {

  /** What was finished. */
  public enum Kind {
    EXERCISE,
    EYE
  }
}
