package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Random;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.model.DodgeBurnLayer;
import carezza.model.LayerKind;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.project.ProjectFile;
import carezza.project.Retouch;
import carezza.testing.Pictures;

public class JournalTest {

  private static final int KILLS = 50;

  private Path folder;
  private Path photo;

  @BeforeClass
  public void prepare() throws Exception {
    folder = Files.createTempDirectory("carezza-journal-test");
    photo = folder.resolve("sitter.png");
    PictureWriter.write(
        Pictures.skin(new Area(0, 0, 60, 40), 1),
        photo,
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

  @Test
  public void whatWasKeptIsFoundAgainAsItWas() throws Exception {
    Journal journal = new Journal(folder.resolve("kept"));
    Retouch retouch = ProjectFile.start(photo);
    Retouch worked =
        retouch.with(
            retouch.project().withStack(LayerStack.of(LayerKind.CURVE.fresh())),
            folder.resolve("x.carezza"));
    journal.keep(worked);
    Retouch found = new Journal(folder.resolve("kept")).leftBehind().orElseThrow();
    assertThat(found.project()).isEqualTo(worked.project());
    assertThat(found.path()).isEqualTo(worked.path());
    assertThat(found.file()).isEqualTo(worked.file());
  }

  @Test
  public void aClearedJournalHoldsNothing() throws Exception {
    Journal journal = new Journal(folder.resolve("cleared"));
    journal.keep(ProjectFile.start(photo));
    journal.clear();
    assertThat(journal.holdsWork()).isFalse();
    assertThat(journal.leftBehind()).isEmpty();
    assertThat(folder.resolve("cleared")).isEmptyDirectory();
  }

  @Test
  public void keepingAgainWritesTheRecipeOnly() throws Exception {
    Path own = folder.resolve("again");
    Journal journal = new Journal(own);
    Retouch retouch = ProjectFile.start(photo);
    journal.keep(retouch);
    Path picture;
    try (var files = Files.list(own)) {
      picture = files.filter(p -> p.toString().contains("photograph-")).findFirst().orElseThrow();
    }
    var written = Files.getLastModifiedTime(picture);
    Thread.sleep(20);
    journal.keep(retouch);
    assertThat(Files.getLastModifiedTime(picture)).isEqualTo(written);
  }

  /**
   * Kills a program at random moments between and during edits, keeps and saves. What it had said to have
   * kept is there each time, and neither file is ever broken.
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
      Retouch found = new Journal(own).leftBehind().orElseThrow();
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

  private static int strokes(Retouch retouch) {
    DodgeBurnLayer layer = (DodgeBurnLayer) retouch.project().stack().layers().getFirst();
    return ((Mask.Strokes) layer.dodgeMask()).strokes().size();
  }
}
