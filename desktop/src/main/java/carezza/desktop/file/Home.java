package carezza.desktop.file;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import carezza.desktop.state.Settings;
import carezza.file.ApplicationFolder;
import carezza.file.AtomicFile;
import carezza.problem.Problem;
import carezza.session.Journals;

/**
 * Where Carezza keeps what is its own: recent projects, unsaved work, settings; see {@link
 * ApplicationFolder}.
 */
public final class Home {

  private static final int MOST_RECENT = 8;

  private final Path folder;

  public Home() {
    this(ApplicationFolder.path());
  }

  public Home(Path folder) {
    this.folder = folder;
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

  /**
   * Puts a project at the head of the recent ones; a list that cannot be kept is no reason to stop.
   */
  public void remember(Path project) {
    List<String> lines = new ArrayList<>();
    lines.add(project.toAbsolutePath().toString());
    recent().stream()
        .map(p -> p.toAbsolutePath().toString())
        .filter(p -> !lines.contains(p))
        .limit(MOST_RECENT - 1L)
        .forEach(lines::add);
    try {
      ApplicationFolder.makePrivate(folder);
      byte[] text = String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
      AtomicFile.replacing(folder.resolve("recent.txt")).write(out -> out.write(text));
    } catch (IOException | Problem e) {
      System.getLogger(Home.class.getName())
          .log(System.Logger.Level.WARNING, "Recent projects not kept", e);
    }
  }

  /** Unsaved work, of this run and of those before. */
  public Journals journals() {
    return new Journals(folder.resolve("unsaved"));
  }

  /** Where the studio's journal lies. */
  public Path folder() {
    return folder;
  }

  /** What the retoucher has set for all pictures. */
  public Settings settings() {
    return new Settings(folder.resolve("settings.properties"));
  }
}
