package carezza.record;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The clock is told the time, so a day takes no time here. */
public class WorkClockTest {

  private static final ZoneId ZONE = ZoneId.of("UTC");
  private static final Activity HEALING = new Activity(Phase.MEND, "one", "heal", "heal");
  private static final Activity LOOKING = new Activity(Phase.LOOK, null, null, "hand");

  private WorkClock clock;
  private Instant wall;
  private long nanos;
  private List<Span> spans;

  @BeforeMethod
  public void start() {
    clock = new WorkClock(ZONE);
    wall = Instant.parse("2026-11-02T10:00:00Z");
    nanos = -5_000_000_000L;
    spans = new ArrayList<>();
  }

  private WorkClock.Moment after(double seconds) {
    long more = Math.round(seconds * 1e9);
    nanos += more;
    wall = wall.plusNanos(more);
    return new WorkClock.Moment(nanos, wall);
  }

  private void input(double seconds, Activity doing) {
    spans.addAll(clock.input(after(seconds), doing));
  }

  private void stop(double seconds) {
    spans.addAll(clock.stop(after(seconds)));
  }

  private double active() {
    return spans.stream().mapToDouble(s -> s.active().toMillis() / 1000.0).sum();
  }

  private double waiting() {
    return spans.stream().mapToDouble(s -> s.waiting().toMillis() / 1000.0).sum();
  }

  @Test
  public void timeBetweenInputsIsWork() {
    input(0, HEALING);
    input(10, HEALING);
    input(15, HEALING);
    stop(5);

    assertThat(spans).hasSize(1);
    assertThat(spans.getFirst().start()).isEqualTo(Instant.parse("2026-11-02T10:00:00Z"));
    assertThat(active()).isEqualTo(30);
  }

  @Test
  public void aRestCountsAMinuteAndNoMore() {
    input(0, HEALING);
    input(3600, HEALING);
    stop(4);

    assertThat(spans).hasSize(2);
    assertThat(spans.getFirst().active()).isEqualTo(WorkClock.REST);
    assertThat(spans.getLast().start()).isEqualTo(Instant.parse("2026-11-02T11:00:00Z"));
    assertThat(active()).isEqualTo(64);
  }

  @Test
  public void aMinuteIsStillWork() {
    input(0, HEALING);
    input(59.9, HEALING);
    stop(0);

    assertThat(active()).isEqualTo(59.9);
  }

  @Test
  public void theFirstInputBeginsAndCountsNothingBefore() {
    stop(30);
    input(100, HEALING);
    stop(0);

    assertThat(spans).isEmpty();
  }

  @Test
  public void timeBelongsToWhatWasInHand() {
    input(0, LOOKING);
    input(12, HEALING);
    input(8, LOOKING);
    stop(0);

    assertThat(spans).extracting(Span::activity).containsExactly(LOOKING, HEALING);
    assertThat(spans)
        .extracting(Span::active)
        .containsExactly(Duration.ofSeconds(12), Duration.ofSeconds(8));
  }

  @Test
  public void aLongWaitIsCountedApart() {
    input(0, HEALING);
    clock.waitBegins(after(1));
    clock.waitEnds(after(9));
    input(2, HEALING);
    stop(0);

    assertThat(active()).isEqualTo(3);
    assertThat(waiting()).isEqualTo(9);
  }

  @Test
  public void aShortWaitIsWork() {
    input(0, HEALING);
    clock.waitBegins(after(1));
    clock.waitEnds(after(2));
    input(1, HEALING);
    stop(0);

    assertThat(active()).isEqualTo(4);
    assertThat(waiting()).isZero();
  }

  @Test
  public void whoWorksOnMeanwhileDoesNotWait() {
    input(0, HEALING);
    clock.waitBegins(after(0));
    for (int i = 0; i < 10; i++) {
      input(1, HEALING);
    }
    clock.waitEnds(after(0));
    stop(0);

    assertThat(active()).isEqualTo(10);
    assertThat(waiting()).isZero();
  }

  @Test
  public void aWaitLongerThanARestIsNoRest() {
    input(0, HEALING);
    clock.waitBegins(after(0));
    clock.waitEnds(after(300));
    input(5, HEALING);
    stop(0);

    assertThat(waiting()).isEqualTo(300);
    assertThat(active()).isEqualTo(5);
  }

  @Test
  public void askingForTheTimeTwiceCountsItOnce() {
    input(0, HEALING);
    spans.addAll(clock.roundOff(after(20)));
    spans.addAll(clock.roundOff(after(0)));
    spans.addAll(clock.roundOff(after(300)));
    input(5, HEALING);
    stop(0);

    assertThat(active()).isEqualTo(60);
  }

  @Test
  public void aSpanIsEndedByAndBy() {
    input(0, HEALING);
    for (int i = 0; i < 300; i++) {
      input(1, HEALING);
    }

    assertThat(spans).hasSizeGreaterThanOrEqualTo(4);
    assertThat(spans).allMatch(s -> s.active().compareTo(Duration.ofSeconds(61)) <= 0);
    stop(0);
    assertThat(active()).isEqualTo(300);
  }

  @Test
  public void midnightPartsTheDays() {
    wall = Instant.parse("2026-11-02T23:59:50Z");
    input(0, HEALING);
    input(30, LOOKING);
    stop(0);

    assertThat(spans)
        .extracting(Span::start)
        .containsExactly(
            Instant.parse("2026-11-02T23:59:50Z"), Instant.parse("2026-11-03T00:00:00Z"));
    assertThat(spans)
        .extracting(Span::active)
        .containsExactly(Duration.ofSeconds(10), Duration.ofSeconds(20));
  }

  @Test
  public void aClockThatIsSetBackTakesNothingAway() {
    input(0, HEALING);
    wall = wall.minus(Duration.ofHours(2));
    input(10, HEALING);
    input(10, HEALING);
    stop(0);

    assertThat(active()).isEqualTo(20);
  }

  @Test
  public void aClockThatIsSetForwardAddsNothing() {
    input(0, HEALING);
    wall = wall.plus(Duration.ofDays(40));
    input(10, HEALING);
    stop(0);

    assertThat(spans).hasSize(1);
    assertThat(active()).isEqualTo(10);
  }
}
