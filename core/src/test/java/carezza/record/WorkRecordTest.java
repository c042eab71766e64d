package carezza.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;

import org.testng.annotations.Test;

public class WorkRecordTest {

  private static final Instant START = Instant.parse("2026-11-02T10:00:00Z");
  private static final Activity HEALING = new Activity(Phase.MEND, "one", "heal", "heal");
  private static final Activity LOOKING = new Activity(Phase.LOOK, null, null, "hand");

  private static Span span(int after, int seconds, Activity doing) {
    return new Span(
        START.plusSeconds(after), Duration.ofSeconds(seconds), Duration.ofSeconds(1), doing);
  }

  @Test
  public void aSpanThatGoesOnGrows() {
    WorkRecord record = WorkRecord.of("a").plus(span(0, 9, HEALING)).plus(span(10, 4, HEALING));

    assertThat(record.spans()).hasSize(1);
    assertThat(record.active()).isEqualTo(Duration.ofSeconds(13));
    assertThat(record.waiting()).isEqualTo(Duration.ofSeconds(2));
  }

  @Test
  public void afterARestOrWithAnotherThingInHandASpanIsOneOfItsOwn() {
    WorkRecord record =
        WorkRecord.of("a")
            .plus(span(0, 9, HEALING))
            .plus(span(10, 4, LOOKING))
            .plus(span(300, 5, LOOKING));

    assertThat(record.spans()).hasSize(3);
    assertThat(record.byPhase())
        .isEqualTo(Map.of(Phase.MEND, Duration.ofSeconds(9), Phase.LOOK, Duration.ofSeconds(9)));
  }

  @Test
  public void aStretchOfTimeHasWhatBeganInIt() {
    WorkRecord record = WorkRecord.of("a").plus(span(0, 9, HEALING)).plus(span(300, 5, LOOKING));

    WorkRecord later = record.within(START.plusSeconds(300), START.plusSeconds(400));
    assertThat(later.active()).isEqualTo(Duration.ofSeconds(5));
    assertThat(record.within(START.plusSeconds(301), START.plusSeconds(400)).isEmpty()).isTrue();
  }

  @Test
  public void timeIsComparedWithTheEstimate() {
    WorkRecord record = WorkRecord.of("a").plus(span(0, 90, HEALING));

    assertThat(record.toEstimate()).isNaN();
    assertThat(record.estimated(3).toEstimate()).isEqualTo(0.5);
  }

  @Test
  public void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> WorkRecord.of(" ")).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> WorkRecord.of("a").estimated(Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Span(START, Duration.ofSeconds(-1), Duration.ZERO, HEALING))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
