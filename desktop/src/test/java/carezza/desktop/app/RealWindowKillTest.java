package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;

import org.testng.SkipException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.DodgeBurnLayer;
import carezza.model.LayerKind;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Journals;
import carezza.session.Journals.LeftBehind;

/**
 * The real application in a real window, driven by keys and pointer from outside and killed at random moments of painting,
 * saving and delivering. Needs an X server for nobody (Xvfb), a window manager and xdotool; without them it is skipped.
 */
@Test(groups = "real-window")
public class RealWindowKillTest {

  private static final int KILLS = Integer.getInteger("carezza.kills", 25);

  /** What may be lost of the work, and what the window may need to take in a stroke. */
  private static final double MOST_LOST_SECONDS = 2;

  private static final int START_SECONDS = 60;
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;

  private Path folder;
  private Process server;
  private Process manager;
  private String display;
  private Path project;
  private Path home;

  @BeforeClass
  public void startDisplay() throws Exception {
    for (String program : new String[] {"Xvfb", "openbox", "xdotool"}) {
      require(program);
    }
    folder = Files.createTempDirectory("carezza-real-window");
    Path number = folder.resolve("display");
    server =
        new ProcessBuilder(
                "sh", "-c", "exec Xvfb -displayfd 3 -screen 0 %dx%dx24 -nolisten tcp 3>%s".formatted(WIDTH, HEIGHT, number))
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    for (int i = 0; i < 100 && (!Files.exists(number) || Files.size(number) < 2); i++) {
      Thread.sleep(100);
    }
    display = ":" + Files.readString(number).strip();
    manager = started(List.of("openbox"), ProcessBuilder.Redirect.DISCARD);
    home = folder.resolve("home");
    project = folder.resolve("sitter.carezza");
  }

  private static void require(String program) {
    for (String place : System.getenv().getOrDefault("PATH", "").split(":")) {
      if (Files.isExecutable(Path.of(place, program))) {
        return;
      }
    }
    throw new SkipException(program + " is not installed, so there is no real window.");
  }

  @AfterClass(alwaysRun = true)
  public void stopDisplay() throws Exception {
    for (Process process : new Process[] {manager, server}) {
      if (process != null) {
        process.destroy();
        process.waitFor(10, TimeUnit.SECONDS);
      }
    }
    if (folder != null) {
      try (var files = Files.walk(folder)) {
        for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
          Files.delete(p);
        }
      }
    }
  }

  private Process started(List<String> command, ProcessBuilder.Redirect output)
      throws IOException {
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.environment().put("DISPLAY", display);
    return builder.redirectOutput(output).start();
  }

  private String does(String... words) throws Exception {
    List<String> command = new ArrayList<>(List.of("xdotool"));
    command.addAll(List.of(words));
    Path said = folder.resolve("xdotool.txt");
    Process process = started(command, ProcessBuilder.Redirect.to(said.toFile()));
    assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
    return Files.readString(said).strip();
  }

  private Process application() throws Exception {
    List<String> command =
        List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-Xmx1g",
            "-XX:TieredStopAtLevel=1",
            "--enable-native-access=ALL-UNNAMED",
            "--sun-misc-unsafe-memory-access=allow",
            "-Dprism.order=sw",
            "-Dcarezza.home=" + home,
            "-cp",
            System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
            "carezza.desktop.Main",
            "open",
            project.toString());
    Process process =
        started(command, ProcessBuilder.Redirect.to(folder.resolve("log.txt").toFile()));
    for (int i = 0; i < START_SECONDS * 10; i++) {
      assertThat(process.isAlive()).as(Files.readString(folder.resolve("log.txt"))).isTrue();
      if (!does("search", "--onlyvisible", "--name", "^sitter").isEmpty()) {
        // The view goes from the start to the bench with the title; a hand is slower than this.
        Thread.sleep(300);
        return process;
      }
      Thread.sleep(100);
    }
    throw new AssertionError("No window");
  }

  /** A grey picture with nobody in it and one layer of light to paint on: quick to open. */
  private void begin() throws Exception {
    Area area = new Area(0, 0, 600, 400);
    Picture grey = new Picture(Plane.filled(area, 0.5f), Plane.filled(area, 0.5f), Plane.filled(area, 0.5f));
    byte[] png =
        PictureWriter.encode(
            grey, new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB), "sitter.png");
    Document fresh = ProjectFile.start(png, "sitter.png");
    ProjectFile.save(
        fresh.with(
            fresh.project().withStack(LayerStack.of(LayerKind.DODGE_BURN.fresh())), null),
        AtomicFile.replacing(project),
        new byte[0]);
  }

  private static int strokes(Document document) {
    DodgeBurnLayer layer = (DodgeBurnLayer) document.project().stack().layers().getFirst();
    return count(layer.dodgeMask()) + count(layer.burnMask());
  }

  private static int count(Mask mask) {
    return mask instanceof Mask.Strokes s ? s.strokes().size() : 0;
  }

  private void paint(SplittableRandom random) throws Exception {
    // Left of the middle, above the course.
    int x = random.nextInt(250, 700);
    int y = random.nextInt(200, 420);
    does(
        "mousemove", x + "", y + "", "mousedown", "1", "mousemove", (x + 25) + "", (y + 12) + "",
        "mousemove", (x + 50) + "", (y + 30) + "", "mouseup", "1");
  }

  /** Takes light in hand and paints until the window says that there is something to save; how often it painted. */
  private int inHand(SplittableRandom random) throws Exception {
    for (int tries = 1; tries <= 10; tries++) {
      does("key", "4");
      paint(random);
      for (int i = 0; i < 20; i++) {
        if (!does("search", "--onlyvisible", "--name", "not saved").isEmpty()) {
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
      begin();
      Path delivered = folder.resolve("sitter retouched.png");
      Files.deleteIfExists(delivered);
      Process program = application();
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
          does("key", "ctrl+s");
        }
        if (kill % 5 == 4 && i == 0) {
          does("key", "ctrl+d");
          does("key", "ctrl+a");
          does("type", delivered.toString());
          does("key", "Return");
        }
      }
      // Any moment from now until well after the journal is due.
      Thread.sleep(random.nextInt(kill % 3 == 1 ? 400 : 3200));
      program.destroyForcibly().waitFor();
      long end = System.nanoTime();
      int due = (int) times.stream().filter(t -> (end - t) / 1e9 > MOST_LOST_SECONDS).count();
      int kept = kept();
      assertThat(kept).as("kill %d: painted %d, due %d", kill, times.size(), due).isBetween(due, times.size() + Math.max(0, before - 1));
      painted += kept;
      if (Files.exists(delivered)) {
        assertThat(PictureReader.decode(Files.readAllBytes(delivered), "x").size().width()).isEqualTo(600);
      }
    }
    // The kills hit real work, not a window that took nothing in.
    assertThat(painted).isGreaterThan(KILLS / 3);
  }

  /** Strokes that are there after a kill, in the project or in what was left behind; which is then thrown away. */
  private int kept() throws Problem {
    int saved = strokes(ProjectFile.open(project));
    Journals journals = new Journals(home.resolve("unsaved"));
    List<LeftBehind> left = journals.leftBehind();
    assertThat(left).hasSizeLessThanOrEqualTo(1);
    int most = saved;
    for (LeftBehind work : left) {
      try (var journal = journals.takeUp(work).journal()) {
        assertThat(journal).isNotNull();
        most = Math.max(most, strokes(ProjectFile.open(work.folder().resolve("unsaved.carezza"))));
      }
      journals.discard(work);
    }
    return most;
  }
}
