package carezza.record;

import java.time.Duration;
import java.time.Instant;

/**
 * A stretch of one activity.
 *
 * @param start by the machine's clock
 * @param active time that was worked
 * @param waiting time that was waited for the program, long enough to be noticed
 */
public record Span(Instant start, Duration active, Duration waiting, Activity activity) {

  /** Spans that follow each other within this are one. */
  private static final Duration SEAM = Duration.ofMillis(1500);

  public Span {
    if (active.isNegative() || waiting.isNegative()) {
      throw new IllegalArgumentException("a span of work is shorter than nothing");
    }
  }

  public Instant end() {
    return start.plus(active).plus(waiting);
  }

  /** Whether another is the same stretch going on. */
  boolean goesOnWith(Span next) {
    Duration gap = Duration.between(end(), next.start).abs();
    return activity.equals(next.activity)
        && gap.compareTo(SEAM) <= 0
        && active.plus(waiting).compareTo(WorkClock.LONGEST) < 0;
  }

  Span with(Span next) {
    return new Span(start, active.plus(next.active), waiting.plus(next.waiting), activity);
  }
}
