package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;

import org.testng.SkipException;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.project.Document;
import carezza.project.ProjectFile;

/**
 * The real application in a real window, driven by keys and pointer from outside. Needs an X server
 * for nobody (Xvfb), a window manager (openbox) and xdotool; without them, or where not all tests
 * are asked for, whoever asks for it is skipped.
 */
final class RealWindow {

  private static final int START_SECONDS = 60;
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;
  private static final long PAUSE_MILLIS = 50;

  private final Path folder;
  private final Process server;
  private final Process manager;
  private final String display;
  private Process program;

  RealWindow() throws Exception {
    if (!Thorough.ASKED) {
      throw new SkipException("Real windows are opened where all tests are asked for.");
    }
    for (String name : new String[] {"Xvfb", "openbox", "xdotool"}) {
      require(name);
    }
    folder = Files.createTempDirectory("carezza-real-window");
    Path number = folder.resolve("display");
    server =
        new ProcessBuilder(
                "sh",
                "-c",
                "exec Xvfb -displayfd 3 -screen 0 %dx%dx24 -nolisten tcp 3>%s"
                    .formatted(WIDTH, HEIGHT, number))
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    for (int i = 0; i < 100 && (!Files.exists(number) || Files.size(number) < 2); i++) {
      Thread.sleep(100);
    }
    display = ":" + Files.readString(number).strip();
    manager = started(List.of("openbox"), ProcessBuilder.Redirect.DISCARD);
  }

  private static void require(String program) {
    for (String place : System.getenv().getOrDefault("PATH", "").split(":")) {
      if (Files.isExecutable(Path.of(place, program))) {
        return;
      }
    }
    throw new SkipException(program + " is not installed, so there is no real window.");
  }

  private Process started(List<String> command, ProcessBuilder.Redirect output) throws IOException {
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.environment().put("DISPLAY", display);
    return builder.redirectOutput(output).start();
  }

  /** For files of the test. */
  Path folder() {
    return folder;
  }

  /** The application's own folder. */
  Path home() {
    return folder.resolve("home");
  }

  Path project() {
    return folder.resolve("sitter.carezza");
  }

  /** A grey picture with nobody in it and one layer of light to paint on: quick to open. */
  void makeProject() throws Exception {
    Area area = new Area(0, 0, 600, 400);
    Picture grey =
        new Picture(Plane.filled(area, 0.5f), Plane.filled(area, 0.5f), Plane.filled(area, 0.5f));
    byte[] png =
        PictureWriter.encode(
            grey,
            new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
            "sitter.png");
    Document fresh = ProjectFile.start(png, "sitter.png");
    ProjectFile.save(
        fresh.with(fresh.project().withStack(LayerStack.of(LayerType.DODGE_BURN.fresh())), null),
        AtomicFile.replacing(project()),
        new byte[0]);
  }

  /** Strokes of light and shade in a document that began as {@link #makeProject} makes it. */
  static int strokes(Document document) {
    DodgeBurnLayer layer = (DodgeBurnLayer) document.project().stack().layers().getFirst();
    return count(layer.dodgeMask()) + count(layer.burnMask());
  }

  private static int count(Mask mask) {
    return mask instanceof Mask.Strokes s ? s.strokes().size() : 0;
  }

  /** Starts the application with the project, and waits for its window. */
  Process open() throws Exception {
    List<String> command =
        List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-Xmx1g",
            "-XX:TieredStopAtLevel=1",
            "--enable-native-access=ALL-UNNAMED",
            "--sun-misc-unsafe-memory-access=allow",
            "-Dprism.order=sw",
            "-Dcarezza.home=" + home(),
            "-cp",
            System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
            "carezza.desktop.Main",
            "open",
            project().toString());
    program = started(command, ProcessBuilder.Redirect.to(folder.resolve("log.txt").toFile()));
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(START_SECONDS);
    while (title().isEmpty() || !title().startsWith("sitter")) {
      assertThat(program.isAlive()).as(Files.readString(folder.resolve("log.txt"))).isTrue();
      assertThat(System.nanoTime()).as("time to start").isLessThan(end);
      Thread.sleep(PAUSE_MILLIS);
    }
    // The view goes from the start to the bench with the title; a hand is slower than this.
    Thread.sleep(300);
    // A window that came while the last was being killed may have been given no focus, and a key
    // that was held then is held still.
    does("search", "--onlyvisible", "--name", "Carezza", "windowactivate");
    does("keyup", "ctrl", "keyup", "shift", "keyup", "alt");
    return program;
  }

  /** What the window is called, or nothing. */
  String title() throws Exception {
    String windows = does("search", "--onlyvisible", "--name", "Carezza");
    return windows.isEmpty()
        ? ""
        : does("getwindowname", windows.lines().findFirst().orElseThrow());
  }

  boolean isUnsaved() throws Exception {
    return title().contains("not saved");
  }

  /** Waits until the window says that there is unsaved work, or that there is none. */
  void awaitUnsaved(boolean unsaved) throws Exception {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(START_SECONDS);
    while (isUnsaved() != unsaved) {
      assertThat(System.nanoTime()).as("time for the title: " + title()).isLessThan(end);
      Thread.sleep(PAUSE_MILLIS);
    }
  }

  /** Keys and pointer, as xdotool has them. */
  String does(String... words) throws Exception {
    List<String> command = new ArrayList<>(List.of("xdotool"));
    command.addAll(List.of(words));
    Path said = folder.resolve("xdotool.txt");
    Process process = started(command, ProcessBuilder.Redirect.to(said.toFile()));
    assertThat(process.waitFor(30, TimeUnit.SECONDS)).isTrue();
    return Files.readString(said).strip();
  }

  void key(String... keys) throws Exception {
    for (String key : keys) {
      does("key", key);
    }
  }

  /** A stroke from a place of the window to one a little right and below. */
  void stroke(int x, int y) throws Exception {
    does(
        "mousemove",
        x + "",
        y + "",
        "mousedown",
        "1",
        "mousemove",
        (x + 25) + "",
        (y + 12) + "",
        "mousemove",
        (x + 50) + "",
        (y + 30) + "",
        "mouseup",
        "1");
  }

  /** Ends the application, the window manager and the display. */
  void close() throws Exception {
    if (program != null) {
      program.destroyForcibly().waitFor();
    }
    for (Process process : new Process[] {manager, server}) {
      process.destroy();
      process.waitFor(10, TimeUnit.SECONDS);
    }
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }
}
