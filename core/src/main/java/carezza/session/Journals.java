package carezza.session;

import java.io.IOException;
import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

import org.jspecify.annotations.Nullable;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.project.ProjectFile.Glance;

/**
 * All unsaved work on this machine: one {@link Journal} for each document and run, each in a folder
 * of its own. What a run left behind stays until it is taken up or thrown away by hand, or has not
 * been asked for in {@link #KEPT}.
 */
public final class Journals {

  /** How long work waits. */
  public static final Duration KEPT = Duration.ofDays(30);

  private final Path folder;
  private final InstantSource clock;

  public Journals(Path folder) {
    this(folder, InstantSource.system());
  }

  Journals(Path folder, InstantSource clock) {
    this.folder = folder;
    this.clock = clock;
  }

  /**
   * A journal for a document that is opened now; nothing is written before there is work to keep.
   */
  public Journal begin() {
    return new Journal(folder.resolve(UUID.randomUUID().toString()));
  }

  /**
   * Work that an earlier run did not save.
   *
   * @param title of the project
   * @param time when it was kept last
   * @param steps taken since it was saved
   * @param preview a small JPEG
   */
  public record LeftBehind(Path folder, String title, Instant time, int steps, byte[] preview) {}

  /**
   * What runs that are no more have left, the newest first; broken ones are passed over and stay.
   */
  public List<LeftBehind> leftBehind() {
    List<LeftBehind> found = new ArrayList<>();
    for (Path each : folders()) {
      Path recipe = each.resolve(Journal.RECIPE);
      try {
        if (isAbandoned(each)) {
          if (Files.isRegularFile(recipe)) {
            Glance glance = ProjectFile.glance(recipe);
            found.add(
                new LeftBehind(
                    each,
                    glance.title(),
                    Files.getLastModifiedTime(recipe).toInstant(),
                    number(glance.unknown().get(Journal.STEPS)),
                    glance.preview()));
          } else {
            Journal.remove(each);
          }
        }
      } catch (Problem | IOException e) {
        System.getLogger(Journals.class.getName())
            .log(System.Logger.Level.WARNING, "Unsaved work not read: " + each, e);
      }
    }
    found.sort(Comparator.comparing(LeftBehind::time).reversed());
    return found;
  }

  /**
   * Throws away what has waited too long.
   *
   * @return titles of what is gone
   */
  public List<String> expire() {
    List<String> gone = new ArrayList<>();
    for (LeftBehind work : leftBehind()) {
      if (work.time().isBefore(clock.instant().minus(KEPT))) {
        try {
          discard(work);
          gone.add(work.title());
        } catch (Problem e) {
          System.getLogger(Journals.class.getName())
              .log(System.Logger.Level.WARNING, "Unsaved work not removed", e);
        }
      }
    }
    return gone;
  }

  /** Throws work away for good. */
  public void discard(LeftBehind work) throws Problem {
    Journal.remove(work.folder());
  }

  /**
   * Work taken up again, as if it had just been done and not saved.
   *
   * @param journal goes on keeping it, in the same place
   */
  public record TakenUp(Document document, Journal journal, int steps) {}

  /**
   * @throws Problem if it cannot be read, or another run has just taken it up
   */
  public TakenUp takeUp(LeftBehind work) throws Problem {
    Journal journal = new Journal(work.folder());
    if (!journal.take()) {
      throw new Problem(Kind.WORK_TAKEN, work.title());
    }
    try {
      return new TakenUp(read(work.folder().resolve(Journal.RECIPE)), journal, work.steps());
    } catch (Problem e) {
      journal.close();
      throw e;
    }
  }

  private static Document read(Path recipe) throws Problem {
    Document kept = ProjectFile.open(recipe);
    Map<String, Object> unknown = new HashMap<>(kept.project().unknown());
    String name = URLDecoder.decode(words(unknown.remove(Journal.NAME)), StandardCharsets.UTF_8);
    String path = words(unknown.remove(Journal.PATH));
    String source = words(unknown.remove(Journal.SOURCE));
    String origin = words(unknown.remove(Journal.ORIGIN));
    unknown.remove(Journal.STEPS);
    Path linked = source.isEmpty() ? null : Path.of(URI.create(source));
    // A linked photograph that is gone meanwhile is embedded, as the journal has it.
    Document found =
        linked != null && Files.isRegularFile(linked)
            ? kept.linkedTo(linked)
            : kept.linkedTo(null).named(name);
    // Files made from it belong beside the photograph, not into the journal's folder.
    return found
        .with(
            found.project().withUnknown(unknown), path.isEmpty() ? null : Path.of(URI.create(path)))
        .readFrom(origin.isEmpty() ? null : Path.of(URI.create(origin)));
  }

  /** Whether no run is at work there. */
  private static boolean isAbandoned(Path folder) throws Problem {
    Journal probe = new Journal(folder);
    if (!probe.take()) {
      return false;
    }
    probe.release();
    return true;
  }

  private List<Path> folders() {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (var folders = Files.list(folder)) {
      return folders.filter(Files::isDirectory).toList();
    } catch (IOException e) {
      return List.of();
    }
  }

  /**
   * A field as read from a file is a node of JSON; what stands in it needs no escapes but quotes.
   */
  private static String words(@Nullable Object field) {
    return field == null ? "" : field.toString().replace("\"", "");
  }

  private static int number(@Nullable Object field) {
    try {
      return Integer.parseInt(words(field));
    } catch (NumberFormatException e) {
      return 0;
    }
  }
}
