package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.codec.PictureReader;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.session.Journals;
import carezza.session.Journals.LeftBehind;

/**
 * The real application in a real window, driven by keys and pointer from outside and killed at
 * random moments of painting, saving and delivering. Needs an X server for nobody (Xvfb), a window
 * manager and xdotool; without them it is skipped.
 */
@Test(groups = {"real-window", "beside"})
public class RealWindowKillTest {

  private static final int KILLS = Thorough.ASKED ? 16 : 2;

  /** What may be lost of the work, counted from when the window has taken it in. */
  private static final double MOST_LOST_SECONDS = 2;

  /** How many times as long as the last stroke another may take to be taken in. */
  private static final double UNEVEN = 3;

  /** How long the window took to say that a stroke was there. */
  private double lag;

  private RealWindow window;

  @BeforeClass
  public void startDisplay() throws Exception {
    window = new RealWindow();
  }

  @AfterClass(alwaysRun = true)
  public void stopDisplay() throws Exception {
    if (window != null) {
      window.close();
    }
  }

  private void paint(SplittableRandom random) throws Exception {
    // Left of the middle, above the course.
    int x = random.nextInt(250, 700);
    int y = random.nextInt(200, 420);
    window.stroke(x, y);
  }

  /**
   * Takes light in hand and paints until the window says that there is something to save; how often
   * it painted.
   */
  private int inHand(SplittableRandom random) throws Exception {
    for (int tries = 1; tries <= 10; tries++) {
      window.key("4");
      paint(random);
      long painted = System.nanoTime();
      for (int i = 0; i < 20; i++) {
        if (window.isUnsaved()) {
          lag = (System.nanoTime() - painted) / 1e9;
          return tries;
        }
        Thread.sleep(50);
      }
    }
    throw new AssertionError("The window takes no stroke");
  }

  @Test
  public void atMostTwoSecondsAreLostHoweverTheProgramIsKilled() throws Exception {
    SplittableRandom random = new SplittableRandom(29);
    int painted = 0;
    for (int kill = 0; kill < KILLS; kill++) {
      window.makeProject();
      Path delivered = window.folder().resolve("sitter retouched.png");
      Files.deleteIfExists(delivered);
      Process program = window.open();
      List<Long> times = new ArrayList<>();
      int before = kill == 0 ? 0 : inHand(random);
      if (before > 0) {
        times.add(System.nanoTime());
      }
      // The first kills come right after opening, or right after the first stroke.
      int actions = kill < 3 ? 0 : random.nextInt(0, 6);
      for (int i = 0; i < actions; i++) {
        paint(random);
        times.add(System.nanoTime());
        if (kill % 3 == 1 && i == actions / 2) {
          window.key("ctrl+s");
        }
        if (kill % 5 == 4 && i == 0) {
          window.key("ctrl+d", "ctrl+a");
          window.does("type", delivered.toString());
          // Back on the bench while it is being written.
          window.key("Return", "ctrl+d");
        }
      }
      // Any moment from now until well after the journal is due.
      Thread.sleep(random.nextInt(kill % 3 == 1 ? 400 : 3200));
      program.destroyForcibly().waitFor();
      long end = System.nanoTime();
      double safe = MOST_LOST_SECONDS + UNEVEN * lag;
      int due = (int) times.stream().filter(t -> (end - t) / 1e9 > safe).count();
      int kept = kept();
      assertThat(kept)
          .as("kill %d: painted %d, due %d, lag %.2f s", kill, times.size(), due, lag)
          .isBetween(due, times.size() + Math.max(0, before - 1));
      painted += kept;
      if (Files.exists(delivered)) {
        assertThat(PictureReader.decode(Files.readAllBytes(delivered), "x").size().width())
            .isEqualTo(600);
      }
    }
    // The kills hit real work, not a window that took nothing in.
    assertThat(painted).isGreaterThan(KILLS / 3);
  }

  /**
   * Strokes that are there after a kill, in the project or in what was left behind; which is then
   * thrown away.
   */
  private int kept() throws Problem {
    int saved = RealWindow.strokes(ProjectFile.open(window.project()));
    Journals journals = new Journals(window.home().resolve("unsaved"));
    List<LeftBehind> left = journals.leftBehind();
    assertThat(left).hasSizeLessThanOrEqualTo(1);
    int most = saved;
    for (LeftBehind work : left) {
      try (var journal = journals.takeUp(work).journal()) {
        assertThat(journal).isNotNull();
        most =
            Math.max(
                most,
                RealWindow.strokes(ProjectFile.open(work.folder().resolve("unsaved.carezza"))));
      }
      journals.discard(work);
    }
    return most;
  }
}
