package carezza.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.Test;

import carezza.plan.Finding.State;
import carezza.plan.FindingKind;

/** The formula m = (k · table + n · median) / (k + n), k = 5, by hand. */
public class PaceTest {

  private static final Instant START = Instant.parse("2026-11-02T10:00:00Z");

  private static WorkRecord picture(int n) {
    return WorkRecord.of("picture" + n);
  }

  private static WorkRecord worked(WorkRecord record, String layer, double minutes) {
    Activity doing = new Activity(Phase.BRIGHTEN, "id", layer, "mask");
    Instant start = START.plus(record.active());
    return record.plus(
        new Span(start, Duration.ofMillis(Math.round(minutes * 60_000)), Duration.ZERO, doing));
  }

  private static WorkRecord ended(
      WorkRecord record, FindingKind kind, String key, State state, double minutes) {
    return record.plus(new FindingEnd(START, key, kind, state, null, 10.0, 4.0, minutes));
  }

  private static WorkRecord teeth(int n, double minutes) {
    return ended(
        worked(picture(n), "teeth", minutes), FindingKind.TEETH, "teeth", State.TREATED, 0.5);
  }

  @Test
  public void withoutAJournalTheTableHolds() {
    assertThat(Pace.of(List.of()).factor(FindingKind.TEETH)).isEqualTo(1);
    assertThat(Pace.TABLE.kinds()).isEmpty();
  }

  @Test
  public void onePictureMovesItASixth() {
    // (5 · 1 + 1 · 4) / 6
    assertThat(Pace.of(List.of(teeth(1, 2))).factor(FindingKind.TEETH))
        .isCloseTo(1.5, within(1e-9));
  }

  @Test
  public void manyPicturesComeCloseToTheirMedian() {
    List<WorkRecord> records = new ArrayList<>();
    for (int i = 0; i < 95; i++) {
      records.add(teeth(i, i < 40 ? 0.25 : i < 60 ? 1 : 30));
    }

    // Median of the ratios 0.5, 2 and 60 is 2: (5 + 95 · 2) / 100.
    Pace pace = Pace.of(records);
    assertThat(pace.factor(FindingKind.TEETH)).isCloseTo(1.95, within(1e-9));
    assertThat(pace.pictures(FindingKind.TEETH)).isEqualTo(95);
    assertThat(pace.quantile(FindingKind.TEETH, 0)).isEqualTo(0.5);
    assertThat(pace.quantile(FindingKind.TEETH, 1)).isEqualTo(60);
  }

  @Test
  public void aLayerThatTreatsTwoIsPartedAsTheTableDoes() {
    WorkRecord record = worked(picture(1), "toneEvening", 6);
    record = ended(record, FindingKind.REDNESS, "redness", State.TREATED, 2);
    record = ended(record, FindingKind.PIGMENT, "pigment", State.TREATED, 1);

    Pace pace = Pace.of(List.of(record));
    assertThat(pace.quantile(FindingKind.REDNESS, 0.5)).isCloseTo(2, within(1e-9));
    assertThat(pace.quantile(FindingKind.PIGMENT, 0.5)).isCloseTo(2, within(1e-9));
  }

  @Test
  public void whatCameBackOrWasLeftTeachesNothing() {
    WorkRecord back = ended(teeth(1, 2), FindingKind.TEETH, "teeth", State.BACK, 0.5);
    WorkRecord left =
        ended(worked(picture(2), "teeth", 3), FindingKind.TEETH, "teeth", State.LEFT, 0.5);

    assertThat(Pace.of(List.of(back, left)).kinds()).isEmpty();
  }

  @Test
  public void whatNobodySpentTimeOnTeachesNothing() {
    WorkRecord drafted =
        ended(worked(picture(1), "heal", 3), FindingKind.TEETH, "teeth", State.TREATED, 0.5);

    assertThat(Pace.of(List.of(drafted)).kinds()).isEmpty();
  }
}
