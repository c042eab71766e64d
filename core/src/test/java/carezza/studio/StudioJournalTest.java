package carezza.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.problem.Problem;
import carezza.record.Activity;
import carezza.record.Delivered;
import carezza.record.FindingEnd;
import carezza.record.LayerChange;
import carezza.record.Phase;
import carezza.record.PracticeResult;
import carezza.record.Span;
import carezza.record.WorkRecord;

public class StudioJournalTest {

  private static final Instant START = Instant.parse("2026-11-02T10:00:00Z");
  private static final Activity HEALING = new Activity(Phase.MEND, "one", "heal", "heal");

  private Path folder;

  @BeforeMethod
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("journal");
  }

  private static JournalEntry picture(String id) {
    return new JournalEntry(
        "The Ferry Pilot", "pilot.jpg", "portrait", WorkRecord.of(id).estimated(7.5));
  }

  private static Span span(int after) {
    return new Span(
        START.plusSeconds(after), Duration.ofMillis(1500), Duration.ofMillis(250), HEALING);
  }

  private static List<JournalEntry> all(StudioJournal journal) throws Problem {
    return journal.between(Instant.EPOCH, Instant.parse("2100-01-01T00:00:00Z"));
  }

  @Test
  public void whatIsWrittenIsReadAsItWas() throws Problem {
    LayerChange change =
        new LayerChange(
            START, LayerChange.What.ADDED, "one", "heal", "Spots", Map.of("amount", 1.0));
    FindingEnd end =
        new FindingEnd(
            START, "teeth", FindingKind.TEETH, Finding.State.TREATED, null, 22.0, null, 0.5);
    Delivered file =
        new Delivered(
            START.plusSeconds(9),
            "pilot.jpg",
            2048,
            1365,
            List.of(new Delivered.Read("teethYellow", "teeth", "b*", 22.0, 12.0, null, 14.0)),
            List.of(change));
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.keep(picture("a"));
      journal.add("a", span(0));
      journal.add("a", change);
      journal.add("a", end);
      journal.add("a", file);
    }

    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(journal.setAside()).isEmpty();
      JournalEntry read = all(journal).getFirst();
      WorkRecord expected = picture("a").work().plus(span(0)).plus(change).plus(end).plus(file);
      assertThat(read.work()).isEqualTo(expected);
      assertThat(read.title()).isEqualTo("The Ferry Pilot");
    }
  }

  @Test
  public void nobodyElseMayLookIntoIt() throws Exception {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.keep(picture("a"));
      try (var files = Files.list(folder)) {
        assertThat(files)
            .isNotEmpty()
            .allMatch(f -> PosixFilePermissions.toString(rights(f)).equals("rw-------"));
      }
    }
  }

  private static Set<PosixFilePermission> rights(Path file) {
    try {
      return Files.getPosixFilePermissions(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  public void onlyPicturesWorkedOnThenAreShown() throws Problem {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      for (String id : List.of("a", "b", "c")) {
        journal.keep(picture(id));
      }
      journal.add("a", span(0));
      journal.add("b", span(100));
      journal.add("b", span(4000));

      assertThat(journal.between(START, START.plusSeconds(1000)))
          .extracting(JournalEntry::id)
          .containsExactly("b", "a");
      assertThat(journal.between(START.plusSeconds(1000), START.plusSeconds(9000)))
          .singleElement()
          .satisfies(e -> assertThat(e.work().spans()).containsExactly(span(4000)));
    }
  }

  @Test
  public void aSpanThatGrewReplacesItself() throws Problem {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.keep(picture("a"));
      journal.add("a", span(0));
      journal.add("a", new Span(START, Duration.ofSeconds(20), Duration.ZERO, HEALING));
      journal.add("a", span(0));

      WorkRecord read = all(journal).getFirst().work();
      assertThat(read.spans()).hasSize(1);
      assertThat(read.active()).isEqualTo(Duration.ofSeconds(20));
    }
  }

  @Test
  public void whatIsKnownOfAPictureIsBroughtUpToDate() throws Problem {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.keep(picture("a"));
      journal.add("a", span(0));
      journal.showAsShot("a", new byte[] {1, 2});
      journal.keep(new JournalEntry("The Pilot", "pilot.jpg", "beauty", WorkRecord.of("a")));
      journal.showFinished("a", new byte[] {9});

      JournalEntry read = all(journal).getFirst();
      assertThat(read.title()).isEqualTo("The Pilot");
      assertThat(read.job()).isEqualTo("beauty");
      assertThat(journal.pictures("a").asShot()).containsExactly(1, 2);
      assertThat(journal.pictures("a").finished()).containsExactly(9);
      assertThat(journal.pictures("b").finished()).isNull();
      assertThat(read.work().active()).isEqualTo(Duration.ofMillis(1500));
    }
  }

  @Test
  public void twoWindowsWriteAtOnce() throws Exception {
    int each = 60;
    try (ExecutorService windows = Executors.newFixedThreadPool(2)) {
      List<Callable<Void>> works =
          IntStream.range(0, 2).mapToObj(window -> work(window, each)).toList();
      for (Future<Void> done : windows.invokeAll(works)) {
        done.get();
      }
    }

    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(all(journal)).hasSize(2).allMatch(e -> e.work().spans().size() == each);
    }
  }

  @Test
  public void severalWindowsBeginTheJournalAtOnce() throws Exception {
    int windows = 4;
    CyclicBarrier together = new CyclicBarrier(windows);
    try (ExecutorService hands = Executors.newFixedThreadPool(windows)) {
      for (int round = 0; round < 25; round++) {
        Path fresh = folder.resolve("studio" + round);
        Callable<Boolean> begin =
            () -> {
              together.await();
              try (StudioJournal journal = StudioJournal.open(fresh)) {
                return journal.setAside().isEmpty();
              }
            };
        for (Future<Boolean> whole : hands.invokeAll(Collections.nCopies(windows, begin))) {
          assertThat(whole.get()).isTrue();
        }
      }
    }
  }

  private Callable<Void> work(int window, int spans) {
    return () -> {
      try (StudioJournal journal = StudioJournal.open(folder)) {
        String id = "picture" + window;
        journal.keep(picture(id));
        for (int i = 0; i < spans; i++) {
          journal.add(id, span(10 * i));
        }
      }
      return null;
    };
  }

  @Test
  public void whatIsNoDatabaseIsSetAsideAndKept() throws Exception {
    byte[] text = "This is somebody's shopping list. ".repeat(200).getBytes();
    Files.write(folder.resolve(StudioJournal.NAME), text);

    try (StudioJournal journal = StudioJournal.open(folder)) {
      Problem said = journal.setAside().orElseThrow();
      assertThat(said.kind()).isEqualTo(Problem.Kind.JOURNAL_BROKEN);
      journal.keep(picture("a"));
      journal.add("a", span(0));
      assertThat(all(journal)).hasSize(1);
      assertThat(Files.readAllBytes(aside())).isEqualTo(text);
      assertThat(said.getMessage()).contains(aside().getFileName().toString());
    }
  }

  @Test
  public void aDatabaseCutShortIsSetAside() throws Exception {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.keep(picture("a"));
      for (int i = 0; i < 500; i++) {
        journal.add("a", span(10 * i));
      }
    }
    Path file = folder.resolve(StudioJournal.NAME);
    byte[] whole = Files.readAllBytes(file);
    Files.write(file, Arrays.copyOf(whole, whole.length / 2));

    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(journal.setAside().orElseThrow().kind()).isEqualTo(Problem.Kind.JOURNAL_BROKEN);
      assertThat(all(journal)).isEmpty();
    }
  }

  @Test
  public void whatWasPractisedIsReadAsItWas() throws Problem {
    PracticeResult exercise =
        new PracticeResult(
            START, PracticeResult.Kind.EXERCISE, "HEAL", 7, 0.75, null, Duration.ofSeconds(90));
    PracticeResult eye =
        new PracticeResult(
            START.plusSeconds(60),
            PracticeResult.Kind.EYE,
            "TEXTURE",
            8,
            0.12,
            1.3,
            Duration.ofSeconds(200));
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.add(eye);
      journal.add(exercise);
    }

    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(journal.practised(START, START.plusSeconds(61))).containsExactly(exercise, eye);
      assertThat(journal.practised(START, START.plusSeconds(60))).containsExactly(exercise);
    }
  }

  @Test
  public void aJournalOfTheFirstVersionGoesOn() throws Exception {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.keep(picture("a"));
      journal.add("a", span(0));
    }
    sql("DROP TABLE practice");
    sql("PRAGMA user_version = 1");

    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(journal.setAside()).isEmpty();
      assertThat(all(journal)).hasSize(1);
      assertThat(journal.practised(Instant.EPOCH, START)).isEmpty();
    }
  }

  @Test
  public void aNewerJournalIsSetAsideAndKept() throws Exception {
    try (StudioJournal journal = StudioJournal.open(folder)) {
      journal.keep(picture("a"));
    }
    sql("PRAGMA user_version = " + (Schema.VERSION + 1));

    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(journal.setAside().orElseThrow().kind()).isEqualTo(Problem.Kind.JOURNAL_NEWER);
      assertThat(aside()).exists();
    }
    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(journal.setAside()).isEmpty();
    }
  }

  @Test
  public void anotherProgramsDatabaseIsNotWrittenTo() throws Exception {
    sql("CREATE TABLE recipes (name TEXT)");

    try (StudioJournal journal = StudioJournal.open(folder)) {
      assertThat(journal.setAside().orElseThrow().kind()).isEqualTo(Problem.Kind.JOURNAL_BROKEN);
    }
    try (Connection theirs = DriverManager.getConnection("jdbc:sqlite:" + aside());
        Statement ask = theirs.createStatement();
        var names = ask.executeQuery("SELECT group_concat(name) FROM sqlite_master")) {
      assertThat(names.getString(1)).isEqualTo("recipes");
    }
  }

  private void sql(String statement) throws Exception {
    Path file = folder.resolve(StudioJournal.NAME);
    try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
        Statement run = database.createStatement()) {
      run.execute(statement);
    }
  }

  private Path aside() throws IOException {
    try (var files = Files.list(folder)) {
      return files
          .filter(f -> f.getFileName().toString().matches("journal-.*\\.sqlite"))
          .findFirst()
          .orElseThrow();
    }
  }
}
