package carezza.record;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

/**
 * Counts the time that is worked: what lies between two inputs, up to a minute; then it rests.
 * Waits for the program that last longer than two seconds are counted apart. Lengths come from a
 * clock that never jumps, so setting the machine's clock changes when a span began and not how long
 * it was. For one thread.
 */
public final class WorkClock {

  /** Most between two inputs that counts as work. */
  public static final Duration REST = Duration.ofSeconds(60);

  /** A wait up to this is part of the work. */
  public static final Duration SHORT_WAIT = Duration.ofSeconds(2);

  /** A span is ended at this length, so that whatever happens no more than it is lost. */
  static final Duration LONGEST = Duration.ofMinutes(1);

  private final ZoneId zone;

  /** The span under way; no activity while the clock rests. */
  private @Nullable Activity activity;

  private Instant start = Instant.EPOCH;
  private Duration active = Duration.ZERO;
  private Duration waiting = Duration.ZERO;

  /** Time of the last input, and what the span has of the time since. */
  private long last;

  private Gone taken = Gone.NOTHING;

  /** Long waits since the last input that are over, and when the one under way began. */
  private Duration waited = Duration.ZERO;

  private @Nullable Long waitsSince;

  /**
   * @param zone whose midnight parts one day's spans from the next's
   */
  public WorkClock(ZoneId zone) {
    this.zone = zone;
  }

  /**
   * A point in time.
   *
   * @param nanos of a clock that never jumps
   * @param wall what the machine's clock says
   */
  public record Moment(long nanos, Instant wall) {

    public static Moment now() {
      return new Moment(System.nanoTime(), Instant.now());
    }
  }

  /** What went by since the last input. */
  private record Gone(Duration worked, Duration waited) {
    private static final Gone NOTHING = new Gone(Duration.ZERO, Duration.ZERO);
  }

  /**
   * A hand moved.
   *
   * @param doing what it is about from now on
   * @return spans that ended with it
   */
  public List<Span> input(Moment now, Activity doing) {
    List<Span> ended = new ArrayList<>();
    Gone since = since(now);
    take(since);
    boolean rested = since.worked().compareTo(REST) >= 0;
    boolean isLong = active.plus(waiting).compareTo(LONGEST) >= 0;
    if (rested || isLong || !doing.equals(activity)) {
      end(ended);
      activity = doing;
      start = now.wall();
    }
    last = now.nanos();
    taken = Gone.NOTHING;
    waited = Duration.ZERO;
    return ended;
  }

  /** The program began something that has to be waited for. */
  public void waitBegins(Moment now) {
    waitsSince = now.nanos();
  }

  /** What had to be waited for is there. */
  public void waitEnds(Moment now) {
    waited = waitedUntil(now);
    waitsSince = null;
  }

  /** Ends the span under way without an input, as it is asked for; the work goes on. */
  public List<Span> roundOff(Moment now) {
    List<Span> ended = new ArrayList<>();
    Activity doing = activity;
    if (doing != null) {
      take(since(now));
      end(ended);
      activity = doing;
      start = now.wall();
    }
    return ended;
  }

  /** Ends the span under way; the clock rests until the next input. */
  public List<Span> stop(Moment now) {
    List<Span> ended = roundOff(now);
    activity = null;
    return ended;
  }

  private Duration waitedUntil(Moment now) {
    if (waitsSince == null) {
      return waited;
    }
    Duration wait = Duration.ofNanos(now.nanos() - Math.max(waitsSince, last));
    return wait.compareTo(SHORT_WAIT) > 0 ? waited.plus(wait) : waited;
  }

  private Gone since(Moment now) {
    if (activity == null) {
      return Gone.NOTHING;
    }
    Duration wait = waitedUntil(now);
    Duration worked = Duration.ofNanos(now.nanos() - last).minus(wait);
    return new Gone(worked.compareTo(REST) > 0 ? REST : worked, wait);
  }

  /** Adds to the span what it does not have yet. */
  private void take(Gone since) {
    active = active.plus(atLeastNothing(since.worked().minus(taken.worked())));
    waiting = waiting.plus(atLeastNothing(since.waited().minus(taken.waited())));
    taken = since;
  }

  private static Duration atLeastNothing(Duration time) {
    return time.isNegative() ? Duration.ZERO : time;
  }

  private void end(List<Span> ended) {
    if (activity != null && !active.plus(waiting).isZero()) {
      split(new Span(start, active, waiting, activity), ended);
    }
    activity = null;
    active = Duration.ZERO;
    waiting = Duration.ZERO;
  }

  /** A span over midnight is one on each day. */
  private void split(Span span, List<Span> into) {
    LocalDate day = LocalDate.ofInstant(span.start(), zone);
    Instant midnight = day.plusDays(1).atStartOfDay(zone).toInstant();
    if (!span.end().isAfter(midnight)) {
      into.add(span);
      return;
    }
    double before =
        (double) Duration.between(span.start(), midnight).toMillis()
            / span.active().plus(span.waiting()).toMillis();
    Duration worked = share(span.active(), before);
    Duration wait = share(span.waiting(), before);
    into.add(new Span(span.start(), worked, wait, span.activity()));
    into.add(
        new Span(
            midnight, span.active().minus(worked), span.waiting().minus(wait), span.activity()));
  }

  private static Duration share(Duration time, double share) {
    return Duration.ofMillis(Math.round(time.toMillis() * share));
  }
}
