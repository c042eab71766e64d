package carezza.desktop.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import carezza.codec.SafeFile;
import carezza.problem.Problem;
import carezza.session.Journal;

/**
 * Where Carezza keeps what is its own: the list of recent projects and the journal. The folder is
 * {@code .carezza} in the user's home, or the system property {@code carezza.home}.
 */
public final class Home {

  private static final int MOST_RECENT = 8;

  private final Path folder;

  public Home() {
    this(usual());
  }

  Home(Path folder) {
    this.folder = folder;
  }

  private static Path usual() {
    String set = System.getProperty("carezza.home");
    return set == null ? Path.of(System.getProperty("user.home"), ".carezza") : Path.of(set);
  }

  /** Projects opened or saved last, newest first; those that are gone are left out. */
  public List<Path> recent() {
    try {
      return Files.readAllLines(folder.resolve("recent.txt")).stream()
          .filter(line -> !line.isBlank())
          .map(Path::of)
          .filter(Files::isRegularFile)
          .toList();
    } catch (IOException e) {
      return List.of();
    }
  }

  /** Puts a project at the head of the recent ones; a list that cannot be kept is no reason to stop. */
  public void remember(Path project) {
    List<String> lines = new ArrayList<>();
    lines.add(project.toAbsolutePath().toString());
    recent().stream()
        .map(p -> p.toAbsolutePath().toString())
        .filter(p -> !lines.contains(p))
        .limit(MOST_RECENT - 1L)
        .forEach(lines::add);
    try {
      Files.createDirectories(folder);
      byte[] text = String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
      SafeFile.write(folder.resolve("recent.txt"), out -> out.write(text));
    } catch (IOException | Problem e) {
      System.getLogger(Home.class.getName())
          .log(System.Logger.Level.WARNING, "Recent projects not kept", e);
    }
  }

  /** Where unsaved work is kept while it is under way. */
  public Journal journal() {
    return new Journal(folder.resolve("unsaved"));
  }
}
