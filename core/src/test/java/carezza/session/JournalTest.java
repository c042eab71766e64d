package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.Random;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Journals.LeftBehind;
import carezza.session.Journals.TakenUp;
import carezza.testing.Pictures;
import carezza.testing.Thorough;

@Test(groups = "elsewhere")
public class JournalTest {

  private static final int KILLS = Thorough.ASKED ? 50 : 6;

  private Path folder;
  private Path photo;

  @BeforeClass
  public void prepare() throws Exception {
    folder = Files.createTempDirectory("carezza-journal-test");
    photo = folder.resolve("sitter.png");
    PictureWriter.write(
        Pictures.skin(new Area(0, 0, 60, 40), 1),
        AtomicFile.replacing(photo),
        new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB));
  }

  @AfterClass
  public void tidy() throws Exception {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private Document worked() throws Problem {
    Document document = ProjectFile.start(photo);
    return document.with(
        document.project().withStack(LayerStack.of(LayerType.CURVE.fresh())),
        folder.resolve("x.carezza"));
  }

  @Test
  public void whatWasKeptIsFoundAgainAsItWas() throws Exception {
    Journals journals = new Journals(folder.resolve("kept"));
    Document worked = worked();
    Journal journal = journals.begin();
    journal.keep(worked, 3, new byte[] {7});
    journal.release();
    LeftBehind left = journals.leftBehind().getFirst();
    assertThat(left.title()).isEqualTo("sitter");
    assertThat(left.steps()).isEqualTo(3);
    assertThat(left.preview()).containsExactly(7);
    TakenUp found = journals.takeUp(left);
    assertThat(found.document().project()).isEqualTo(worked.project());
    assertThat(found.document().path()).isEqualTo(worked.path());
    assertThat(found.document().file()).isEqualTo(worked.file());
    assertThat(found.document().origin()).isEqualTo(worked.origin()).isNotNull();
    found.journal().close();
  }

  @Test
  public void workOfALivingRunIsNobodyElses() throws Exception {
    Journals journals = new Journals(folder.resolve("living"));
    try (Journal journal = journals.begin()) {
      journal.keep(worked(), 1, new byte[0]);
      assertThat(journals.leftBehind()).isEmpty();
      journal.clear();
    }
  }

  @Test
  public void workIsTakenUpOnlyOnce() throws Exception {
    Journals journals = new Journals(folder.resolve("once"));
    Journal journal = journals.begin();
    journal.keep(worked(), 1, new byte[0]);
    journal.release();
    LeftBehind left = journals.leftBehind().getFirst();
    try (Journal taken = journals.takeUp(left).journal()) {
      assertThatThrownBy(() -> journals.takeUp(left))
          .isInstanceOfSatisfying(
              Problem.class, p -> assertThat(p.kind()).isEqualTo(Problem.Kind.WORK_TAKEN));
      taken.clear();
    }
  }

  @Test
  public void eachDocumentHasAJournalOfItsOwn() throws Exception {
    Journals journals = new Journals(folder.resolve("each"));
    Journal one = journals.begin();
    one.keep(worked(), 1, new byte[0]);
    Journal other = journals.begin();
    other.keep(worked(), 2, new byte[0]);
    other.clear();
    other.close();
    one.release();
    assertThat(journals.leftBehind()).extracting(LeftBehind::steps).containsExactly(1);
  }

  @Test
  public void aClearedJournalLeavesNothing() throws Exception {
    Path own = folder.resolve("cleared");
    Journal journal = new Journals(own).begin();
    journal.keep(worked(), 1, new byte[0]);
    journal.clear();
    journal.close();
    assertThat(own).isEmptyDirectory();
  }

  @Test
  public void workStaysUntilItIsThrownAwayOrThirtyDaysOld() throws Exception {
    Path own = folder.resolve("old");
    Journal journal = new Journals(own).begin();
    journal.keep(worked(), 1, new byte[0]);
    journal.release();
    Instant now = Instant.now();
    assertThat(new Journals(own, () -> now.plus(Duration.ofDays(29))).expire()).isEmpty();
    assertThat(new Journals(own).leftBehind()).hasSize(1);
    assertThat(new Journals(own, () -> now.plus(Duration.ofDays(31))).expire())
        .containsExactly("sitter");
    assertThat(own).isEmptyDirectory();
  }

  @Test
  public void aJournalIsItsOwnersAlone() throws Exception {
    Path own = folder.resolve("private");
    Journal journal = new Journals(own).begin();
    journal.keep(worked(), 1, new byte[0]);
    try (var files = Files.walk(journal.folder())) {
      for (Path p : files.filter(p -> !p.endsWith("lock")).toList()) {
        assertThat(Files.getPosixFilePermissions(p))
            .doesNotContain(PosixFilePermission.GROUP_READ, PosixFilePermission.OTHERS_READ);
      }
    }
    journal.clear();
    journal.close();
  }

  @Test
  public void keepingAgainWritesTheRecipeOnly() throws Exception {
    Journal journal = new Journals(folder.resolve("again")).begin();
    journal.keep(worked(), 1, new byte[0]);
    Path picture;
    try (var files = Files.list(journal.folder())) {
      picture = files.filter(p -> p.toString().contains("photograph-")).findFirst().orElseThrow();
    }
    var written = Files.getLastModifiedTime(picture);
    Thread.sleep(20);
    journal.keep(worked(), 2, new byte[0]);
    assertThat(Files.getLastModifiedTime(picture)).isEqualTo(written);
    journal.clear();
    journal.close();
  }

  /**
   * Kills a program at random moments between and during edits, keeps and saves. What it had said
   * to have kept is there each time, and neither file is ever broken.
   */
  @Test
  public void nothingKeptIsLostHoweverOftenTheProgramIsKilled() throws Exception {
    Random random = new Random(11);
    for (int kill = 0; kill < KILLS; kill++) {
      Path own = folder.resolve("kill" + kill);
      Path project = folder.resolve("kill" + kill + ".carezza");
      Path output = Files.createFile(folder.resolve("kill" + kill + ".txt"));
      Process victim =
          new ProcessBuilder(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-XX:TieredStopAtLevel=1",
                  "-cp",
                  System.getProperty("java.class.path"),
                  JournalVictim.class.getName(),
                  own.toString(),
                  photo.toString(),
                  project.toString())
              .redirectErrorStream(true)
              .redirectOutput(output.toFile())
              .start();
      int enough = 1 + random.nextInt(12);
      while (said(output) < enough) {
        assertThat(victim.isAlive()).as(Files.readString(output)).isTrue();
        Thread.sleep(1);
      }
      Thread.sleep(random.nextInt(4), random.nextInt(999_999));
      victim.destroyForcibly().waitFor();
      int said = said(output);
      Journals journals = new Journals(own);
      Document found = journals.takeUp(journals.leftBehind().getFirst()).document();
      assertThat(strokes(found)).as("kill " + kill).isBetween(said, said + 1);
      if (Files.exists(project)) {
        assertThat(strokes(ProjectFile.open(project))).isGreaterThanOrEqualTo(said / 3 * 3 - 3);
      }
    }
  }

  /** The last number that stands on a whole line. */
  private static int said(Path output) throws IOException {
    String text = Files.readString(output);
    String whole = text.substring(0, text.lastIndexOf('\n') + 1);
    return whole.lines().filter(l -> !l.isBlank()).mapToInt(Integer::parseInt).max().orElse(0);
  }

  private static int strokes(Document document) {
    DodgeBurnLayer layer = (DodgeBurnLayer) document.project().stack().layers().getFirst();
    return ((Mask.Strokes) layer.dodgeMask()).strokes().size();
  }
}
