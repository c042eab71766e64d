package carezza.desktop.app;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Window;

/**
 * Starts the demo once, offscreen, so that the Java runtime keeps the classes it needed as loaded
 * and linked in a file that shortens every later start from the same archives. Run by the build; a
 * file that is newer than the archives stays.
 */
public final class Rehearsal {

  private Rehearsal() {}

  /**
   * @param arguments the file; none to perform what is recorded
   */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    if (arguments.length == 0) {
      perform();
      System.exit(0);
    }
    Path file = Path.of(arguments[0]);
    List<Path> archives =
        Stream.of(System.getProperty("java.class.path").split(File.pathSeparator))
            .map(Path::of)
            .toList();
    if (isStale(file, archives)) {
      record(file);
    }
  }

  /** Whether the file is missing, or an archive was made after it. */
  static boolean isStale(Path file, List<Path> archives) throws IOException {
    if (!Files.exists(file)) {
      return true;
    }
    for (Path archive : archives) {
      if (Files.getLastModifiedTime(archive).compareTo(Files.getLastModifiedTime(file)) > 0) {
        return true;
      }
    }
    return false;
  }

  /**
   * Without the file a start is slower and nothing else, so a failure is said and stops no build.
   */
  private static void record(Path file) throws IOException, InterruptedException {
    Path log = file.resolveSibling(file.getFileName() + ".log");
    Path home = Files.createTempDirectory("carezza-rehearsal");
    List<String> command = new ArrayList<>();
    command.add(ProcessHandle.current().info().command().orElse("java"));
    command.addAll(
        List.of(
            "-Xmx4g",
            "--enable-native-access=ALL-UNNAMED",
            "--sun-misc-unsafe-memory-access=allow",
            "-XX:AOTCacheOutput=" + file,
            "-Dcarezza.home=" + home,
            "-cp",
            System.getProperty("java.class.path"),
            Rehearsal.class.getName()));
    Files.deleteIfExists(file);
    int code =
        new ProcessBuilder(command)
            .redirectErrorStream(true)
            .redirectOutput(log.toFile())
            .start()
            .waitFor();
    Shots.remove(home);
    if (code != 0 || !Files.exists(file)) {
      System.out.println("The start could not be rehearsed, so it will be slower; see " + log);
    }
  }

  private static void perform() throws InterruptedException {
    Display.useOffscreen();
    Thread.ofPlatform().daemon().start(() -> Application.launch(CarezzaApp.class, "demo"));
    while (!toolkitRuns()) {
      Thread.sleep(20);
    }
    ToolkitThread.await(() -> Window.getWindows().stream().anyMatch(Rehearsal::isAtWork));
  }

  private static boolean toolkitRuns() {
    try {
      Platform.runLater(() -> {});
      return true;
    } catch (IllegalStateException notYet) {
      return false;
    }
  }

  private static boolean isAtWork(Window window) {
    return window.getScene() != null
        && window.getScene().getRoot() instanceof Shell view
        && view.picture().isExact()
        && !view.state().measurements().gaugesProperty().get().isEmpty();
  }
}
