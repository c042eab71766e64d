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
 * file that was recorded with the same archives stays.
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
      record(file, archives);
    }
  }

  /**
   * Whether the file is missing, or was recorded with other archives than these. The runtime does
   * not look: from a file of other archives it would take their classes.
   */
  static boolean isStale(Path file, List<Path> archives) throws IOException {
    Path note = note(file);
    return !Files.exists(file)
        || !Files.exists(note)
        || !Files.readString(note).equals(described(archives));
  }

  /** What the file was recorded with, beside it. */
  private static Path note(Path file) {
    return file.resolveSibling(file.getFileName() + ".archives");
  }

  static void describe(Path file, List<Path> archives) throws IOException {
    Files.writeString(note(file), described(archives));
  }

  private static String described(List<Path> archives) throws IOException {
    StringBuilder text = new StringBuilder();
    for (Path archive : archives) {
      text.append(archive)
          .append(' ')
          .append(Files.size(archive))
          .append(' ')
          .append(Files.getLastModifiedTime(archive).toMillis())
          .append('\n');
    }
    return text.toString();
  }

  /**
   * Without the file a start is slower and nothing else, so a failure is said and stops no build.
   */
  private static void record(Path file, List<Path> archives)
      throws IOException, InterruptedException {
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
      Files.deleteIfExists(file);
      System.out.println("The start could not be rehearsed, so it will be slower; see " + log);
    } else {
      describe(file, archives);
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
