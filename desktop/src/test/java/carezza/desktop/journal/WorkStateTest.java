package carezza.desktop.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.state.AppState;
import carezza.desktop.state.Documents;
import carezza.desktop.task.TaskRunner;
import carezza.file.AtomicFile;
import carezza.image.PictureSize;
import carezza.kernel.LayerType;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.record.Activity;
import carezza.record.LayerChange;
import carezza.record.LayerChange.What;
import carezza.record.Phase;
import carezza.record.WorkClock.Moment;
import carezza.record.WorkRecord;
import carezza.studio.JournalEntry;
import carezza.studio.StudioJournal;

/** Work on a small grey picture by a clock that is told the time. */
public class WorkStateTest {

  private final List<String> said = new ArrayList<>();

  private Path folder;
  private Instant now;
  private AppState state;
  private WorkState work;

  @BeforeMethod
  public void begin() throws IOException {
    said.clear();
    folder = Files.createTempDirectory("journal");
    now = Instant.parse("2026-11-02T10:00:00Z");
    state = AppState.with(TaskRunner.inPlace());
    work = workOn(state);
    state.document().open(Documents.with());
    work.viewIs("bench", true);
  }

  @AfterMethod
  public void end() {
    work.close();
    state.close();
  }

  private WorkState workOn(AppState window) {
    JournalKeeper keeper = new JournalKeeper(folder, said::add, window.tasks());
    return new WorkState(
        window,
        keeper,
        () -> new Moment(Duration.between(Instant.EPOCH, now).toNanos(), now),
        ZoneId.of("UTC"));
  }

  private void after(double seconds) {
    now = now.plusMillis(Math.round(seconds * 1000));
  }

  private void workFor(int seconds) {
    work.input();
    for (int i = 0; i < seconds; i++) {
      after(1);
      work.input();
    }
  }

  private WorkRecord record() {
    return state.document().current().work();
  }

  private List<JournalEntry> journal() throws Exception {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      return journal.between(Instant.EPOCH, now.plusSeconds(1));
    }
  }

  @Test
  public void timeIsCountedForTheStageAndLayerInHand() throws Exception {
    workFor(10);
    state.selection().add(LayerType.TEETH);
    workFor(20);

    assertThat(record().byPhase().get(Phase.LOOK)).isEqualTo(Duration.ofSeconds(10));
    assertThat(record().byPhase().get(Phase.BRIGHTEN)).isEqualTo(Duration.ofSeconds(20));
    Activity last = record().spans().getLast().activity();
    assertThat(last.kind()).isEqualTo("teeth");
    assertThat(last.layer()).isEqualTo(state.selection().selected());
    assertThat(journal()).singleElement().extracting(JournalEntry::work).isEqualTo(record());
  }

  @Test
  public void otherViewsCountForWhatTheyAre() {
    workFor(5);
    work.viewIs("plan", true);
    workFor(6);
    work.viewIs("deliver", true);
    workFor(7);
    work.viewIs("journal", false);
    workFor(100);

    assertThat(record().byPhase().get(Phase.LOOK)).isEqualTo(Duration.ofSeconds(11));
    assertThat(record().byPhase().get(Phase.DELIVER)).isEqualTo(Duration.ofSeconds(7));
    assertThat(record().active()).isEqualTo(Duration.ofSeconds(18));
  }

  @Test
  public void aWindowThatIsLeftCountsNothing() {
    workFor(5);
    work.rest();
    after(50);
    workFor(5);

    assertThat(record().active()).isEqualTo(Duration.ofSeconds(10));
  }

  @Test
  public void waitsForWorkAndForThePictureAreCountedApart() {
    workFor(2);
    var job = state.status().begin("Drafting", null);
    state.view().awaitedProperty().set(true);
    after(5);
    job.end();
    after(4);
    state.view().awaitedProperty().set(false);
    after(1);
    work.input();
    state.view().awaitedProperty().set(true);
    after(1);
    state.view().awaitedProperty().set(false);
    work.input();

    assertThat(record().waiting()).isEqualTo(Duration.ofSeconds(9));
    assertThat(record().active()).isEqualTo(Duration.ofSeconds(4));
  }

  @Test
  public void layersThatComeChangeAndGoAreWrittenDown() throws Exception {
    workFor(2);
    state.selection().add(LayerType.EXPOSURE);
    workFor(2);
    state.selection().edit(null, l -> l.with(l.attributes().withAmount(0.5)));
    work.rest();
    assertThat(record().changes()).hasSize(2);
    workFor(2);
    state.selection().remove();
    work.rest();

    assertThat(record().changes())
        .extracting(LayerChange::what)
        .containsExactly(What.ADDED, What.CHANGED, What.REMOVED);
    assertThat(record().changes()).allMatch(c -> c.kind().equals("exposure"));
    assertThat(record().changes().get(1).values()).containsEntry("amount", 0.5);
    assertThat(journal().getFirst().work().changes()).isEqualTo(record().changes());
  }

  /** Work is kept twice a second while a value is dragged; that is one change. */
  @Test
  public void aLongDragIsOneChange() {
    state.selection().add(LayerType.EXPOSURE);
    workFor(1);
    work.rest();
    work.input();
    for (int i = 1; i <= 40; i++) {
      double amount = i / 80.0;
      state.selection().edit("amount", l -> l.with(l.attributes().withAmount(amount)));
      after(0.5);
      work.input();
      assertThat(record().active()).isPositive();
    }
    work.rest();

    assertThat(record().changes())
        .extracting(LayerChange::what)
        .containsExactly(What.ADDED, What.CHANGED);
    assertThat(record().changes().getLast().values()).containsEntry("amount", 0.5);
    assertThat(record().active()).isEqualTo(Duration.ofSeconds(21));
  }

  @Test
  public void aFindingsEndIsWrittenDownWithItsReadings() {
    state.document().beSeen(state.document().session());
    Finding exposure =
        state.plan().planProperty().get().findings().stream()
            .filter(f -> f.kind() == FindingKind.EXPOSURE)
            .findFirst()
            .orElseThrow();
    workFor(3);
    assertThat(record().findings()).isEmpty();
    state.plan().accept(List.of(exposure));
    state.document().undo();
    state.plan().leave(exposure, "low key");

    assertThat(record().findings())
        .filteredOn(f -> f.kind() == FindingKind.EXPOSURE)
        .extracting(f -> f.state())
        .containsExactly(Finding.State.TREATED, Finding.State.OPEN, Finding.State.LEFT);
    assertThat(record().findings().getFirst().before())
        .isCloseTo(exposure.asShot().value(), within(1e-9));
  }

  @Test
  public void whatThePlanHadIsTheEstimateUntilItIsAgreedOnAnew() {
    state.document().beSeen(state.document().session());
    double planned =
        state.plan().planProperty().get().minutes(state.plan().planProperty().get().proposed());
    assertThat(planned).isPositive();
    assertThat(record().estimate()).isEqualTo(planned);

    state.plan().draft();
    assertThat(record().estimate()).isEqualTo(planned);
    state.plan().spend(0.1);
    assertThat(record().estimate()).isNotNegative();
  }

  @Test
  public void aDeliveryIsWrittenDownWithLayersAndGauges() throws Exception {
    state.document().beSeen(state.document().session());
    state.selection().add(LayerType.EXPOSURE);
    workFor(4);
    work.delivered(Path.of("out", "grey.jpg"), new PictureSize(60, 40), state.document().settled());

    assertThat(record().deliveries()).hasSize(1);
    assertThat(record().deliveries().getFirst().file()).isEqualTo("grey.jpg");
    assertThat(record().deliveries().getFirst().layers()).hasSize(1);
    assertThat(journal().getFirst().work().deliveries()).isEqualTo(record().deliveries());
  }

  @Test
  public void theRecordTravelsInTheProject() throws Exception {
    workFor(30);
    Path file = folder.resolve("grey.carezza");
    ProjectFile.save(state.document().current(), AtomicFile.of(file, false), new byte[0]);

    Document opened = ProjectFile.open(file);
    assertThat(opened.work()).isEqualTo(record());
    state.document().open(opened);
    workFor(5);
    assertThat(record().active()).isEqualTo(Duration.ofSeconds(35));
  }

  @Test
  public void aDocumentThatIsLeftKeepsItsTimeAndAnotherStartsWithItsOwn() {
    workFor(10);
    after(20);
    var aside = state.document().work();
    state.document().open(Documents.with(LayerType.CURVE));
    workFor(3);

    assertThat(aside.document().work().active()).isEqualTo(Duration.ofSeconds(30));
    assertThat(record().active()).isEqualTo(Duration.ofSeconds(3));
    state.document().open(aside);
    assertThat(record().active()).isEqualTo(Duration.ofSeconds(30));
  }

  @Test
  public void aKillLosesTheLastSpanAtMost() throws Exception {
    workFor(200);

    // Nothing is closed and nothing is asked for: what is in the database is all there is.
    assertThat(journal().getFirst().work().active()).isGreaterThan(Duration.ofSeconds(130));
  }

  @Test
  public void twoWindowsWriteIntoOneJournal() throws Exception {
    AppState other = AppState.with(TaskRunner.inPlace());
    WorkState second = workOn(other);
    other.document().open(Documents.with(LayerType.CURVE));
    second.viewIs("bench", true);
    workFor(10);
    second.input();
    after(5);
    second.rest();
    work.rest();
    second.close();

    // Both are of one photograph, so both are one picture.
    assertThat(journal())
        .singleElement()
        .satisfies(e -> assertThat(e.work().active()).isEqualTo(Duration.ofSeconds(20)));
    other.close();
  }

  @Test
  public void aJournalThatCannotBeUsedIsSaidOnceAndWorkGoesOn() throws Exception {
    Files.writeString(folder.resolve("file"), "");
    AppState other = AppState.with(TaskRunner.inPlace());
    JournalKeeper keeper = new JournalKeeper(folder.resolve("file"), said::add, other.tasks());
    WorkState second = new WorkState(other, keeper, () -> new Moment(0, now), ZoneId.of("UTC"));
    other.document().open(Documents.with());

    assertThat(said).singleElement().asString().contains("file");
    second.viewIs("bench", true);
    second.input();
    second.rest();
    assertThat(said).hasSize(1);
    assertThat(other.document().current().work().id()).isNotBlank();
    other.close();
  }

  @Test
  public void aJournalThatWasSetAsideIsSaid() throws Exception {
    Path broken = Files.createTempDirectory("broken");
    Files.writeString(broken.resolve(StudioJournal.NAME), "no database, but long enough text. ");
    AppState other = AppState.with(TaskRunner.inPlace());
    JournalKeeper keeper = new JournalKeeper(broken, said::add, other.tasks());
    keeper.write(journal -> {});

    assertThat(said).singleElement().asString().contains(StudioJournal.NAME);
    keeper.close();
    other.close();
  }
}
