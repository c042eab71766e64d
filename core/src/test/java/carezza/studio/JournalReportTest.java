package carezza.studio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;

import org.testng.annotations.Test;

import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.record.Activity;
import carezza.record.Delivered;
import carezza.record.FindingEnd;
import carezza.record.LayerChange;
import carezza.record.Phase;
import carezza.record.Span;
import carezza.record.WorkRecord;

/** Three made-up pictures, their numbers by hand. */
public class JournalReportTest {

  private static final ZoneId ZONE = ZoneId.of("UTC");

  /** A Monday. */
  private static final Instant MONDAY = Instant.parse("2026-11-02T10:00:00Z");

  private static final Instant END = MONDAY.plus(Duration.ofDays(60));

  private static WorkRecord worked(WorkRecord record, int day, Phase phase, double minutes) {
    Instant start = MONDAY.plus(Duration.ofDays(day)).plus(record.active());
    return record.plus(
        new Span(
            start,
            Duration.ofMillis(Math.round(minutes * 60_000)),
            Duration.ofSeconds(6),
            new Activity(phase, null, null, "hand")));
  }

  private static WorkRecord delivered(WorkRecord record, int day) {
    Instant at = MONDAY.plus(Duration.ofDays(day)).plusSeconds(7200);
    return record.plus(new Delivered(at, "out.jpg", 10, 10, List.of(), List.of()));
  }

  private static JournalEntry pilot() {
    WorkRecord record = WorkRecord.of("pilot").estimated(10);
    record = worked(record, 0, Phase.MEND, 6);
    record = worked(record, 8, Phase.EVEN, 6);
    return new JournalEntry("The Ferry Pilot", "pilot.jpg", "portrait", delivered(record, 8));
  }

  private static JournalEntry cellist() {
    WorkRecord record = worked(WorkRecord.of("cellist").estimated(10), 1, Phase.MEND, 8);
    record =
        record
            .plus(change("one", "curve"))
            .plus(back("sclera", "one"))
            .plus(back("sclera", "one"))
            .plus(back("match.neck_skin", null));
    return new JournalEntry("The Cellist", "cellist.jpg", "beauty", delivered(record, 1));
  }

  private static JournalEntry milliner() {
    WorkRecord record = worked(WorkRecord.of("milliner").estimated(1), 2, Phase.LOOK, 30);
    return new JournalEntry("=The Milliner, \"early\"", "m.jpg", "portrait", record);
  }

  private static LayerChange change(String layer, String kind) {
    return new LayerChange(MONDAY, LayerChange.What.ADDED, layer, kind, "", Map.of());
  }

  private static FindingEnd back(String key, String layer) {
    FindingKind kind = key.startsWith("match") ? FindingKind.MATCH : FindingKind.SCLERA;
    return new FindingEnd(
        MONDAY.plusSeconds(60), key, kind, Finding.State.BACK, layer, 1.0, 2.0, 0.5);
  }

  private static JournalReport report() {
    return new JournalReport(List.of(pilot(), cellist(), milliner()), MONDAY, END, ZONE);
  }

  @Test
  public void timesAreComparedOnlyWhereAFileWasWritten() {
    JournalReport report = report();

    assertThat(report.pictures()).isEqualTo(3);
    assertThat(report.delivered()).isEqualTo(2);
    assertThat(report.minutesEach()).containsExactly(8.0, 12.0);
    assertThat(report.minutes(0.5)).isCloseTo(10, within(1e-9));
    // 1.2 and 0.8
    assertThat(report.ratio(0.5)).isCloseTo(1, within(1e-9));
    assertThat(report.ratio(0.25)).isCloseTo(0.9, within(1e-9));
    assertThat(report.share(Phase.MEND)).isCloseTo(14.0 / 50, within(1e-9));
    assertThat(report.waiting()).isEqualTo(Duration.ofSeconds(24));
  }

  @Test
  public void aRowAPictureTheNewestFirst() {
    List<JournalRow> rows = report().rows(Grouping.PICTURE);

    assertThat(rows).extracting(JournalRow::key).containsExactly("pilot", "milliner", "cellist");
    assertThat(rows.getFirst().byPhase())
        .isEqualTo(Map.of(Phase.MEND, Duration.ofMinutes(6), Phase.EVEN, Duration.ofMinutes(6)));
    assertThat(rows.getFirst().ratio()).isCloseTo(1.2, within(1e-9));
    assertThat(rows.get(1).ratio()).isNaN();
  }

  @Test
  public void aRowAJobAndAWeek() {
    assertThat(report().rows(Grouping.JOB))
        .extracting(JournalRow::key, JournalRow::pictures)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple("portrait", 2),
            org.assertj.core.groups.Tuple.tuple("beauty", 1));
    List<JournalRow> weeks = report().rows(Grouping.WEEK);
    assertThat(weeks).extracting(JournalRow::key).containsExactly("2026-W46", "2026-W45");
    assertThat(weeks.getLast().active()).isEqualTo(Duration.ofMinutes(44));
    assertThat(weeks.getLast().pictures()).isEqualTo(3);
  }

  @Test
  public void aStretchShowsItsOwnTimeAndComparesTheWhole() {
    JournalReport week =
        new JournalReport(List.of(pilot(), cellist()), MONDAY.plus(Duration.ofDays(7)), END, ZONE);

    JournalRow row = week.rows(Grouping.PICTURE).getFirst();
    assertThat(week.pictures()).isEqualTo(1);
    assertThat(row.active()).isEqualTo(Duration.ofMinutes(6));
    assertThat(row.ratio()).isCloseTo(1.2, within(1e-9));
  }

  @Test
  public void whatCameBackIsCountedWithWhatBroughtIt() {
    assertThat(report().comebacks())
        .containsExactly(
            new JournalReport.Comeback(FindingKind.SCLERA, "curve", 2),
            new JournalReport.Comeback(FindingKind.MATCH, "", 1));
  }

  @Test
  public void nothingIsSaidOfNothing() {
    JournalReport none = new JournalReport(List.of(pilot()), END, END, ZONE);

    assertThat(none.pictures()).isZero();
    assertThat(none.ratio(0.5)).isNaN();
    assertThat(none.minutes(0.5)).isNaN();
    assertThat(none.rows(Grouping.WEEK)).isEmpty();
  }

  @Test
  public void wordsAreLookedForInTitleFileAndJob() {
    assertThat(JournalReport.matches(cellist(), " CELL")).isTrue();
    assertThat(JournalReport.matches(cellist(), "beauty")).isTrue();
    assertThat(JournalReport.matches(cellist(), "")).isTrue();
    assertThat(JournalReport.matches(cellist(), "pilot")).isFalse();
  }

  @Test
  public void aLineOfTheTableIsADayOfAPicture() {
    String[] lines =
        new String(JournalFile.csv(List.of(pilot(), milliner()), ZONE), StandardCharsets.UTF_8)
            .split("\r\n");

    assertThat(lines).hasSize(4);
    assertThat(lines[0]).startsWith("date,title,photograph,job,estimate_min,active_min");
    assertThat(lines[1])
        .startsWith("2026-11-02,The Ferry Pilot,pilot.jpg,portrait,10.00,6.00,0.10");
    assertThat(lines[2]).endsWith(",0,0,0,1");
    // Quotes are doubled, and no table takes the name for a formula.
    assertThat(lines[3]).contains(",\"'=The Milliner, \"\"early\"\"\",");
  }

  @Test
  public void jsonHasAllThereIs() {
    String json = new String(JournalFile.json(List.of(pilot())), StandardCharsets.UTF_8);

    assertThat(json)
        .contains("\"title\" : \"The Ferry Pilot\"")
        .contains("\"start\" : \"2026-11-02T10:00:00Z\"")
        .contains("\"active\" : \"PT6M\"")
        .contains("\"phase\" : \"mend\"");
  }
}
