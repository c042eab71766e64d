package carezza.batch;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import java.util.function.Predicate;

import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.image.Cancellation;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.project.RoutineFile;
import carezza.recipe.NamePattern.Words;
import carezza.recipe.Preflight;
import carezza.recipe.Recipe;
import carezza.routine.BatchEntry;
import carezza.routine.BatchEntry.State;
import carezza.routine.Routine;
import carezza.session.Routines;
import carezza.session.Session;

/** A routine on many photographs, some at a time; one that fails does not stop the others. */
public final class RoutineBatch {

  private final Routine routine;
  private final Recipe recipe;
  private final Settings settings;
  private final Ledger ledger;
  private final MemoryTurns turns;

  /**
   * How a batch is run.
   *
   * @param out folder of all that is written
   * @param jobs photographs at work at once, which bounds the memory
   * @param shard the part of the batch that this run does, from 0
   * @param shards number of parts
   * @param resumes leaves out what an earlier run has done
   * @param replaces files that are there already
   * @param projects writes a project beside the files of each photograph
   * @param reference stops that pictures are to be exposed above what they ask for by themselves
   */
  public record Settings(
      Path out,
      int jobs,
      int shard,
      int shards,
      boolean resumes,
      boolean replaces,
      boolean projects,
      double reference) {

    public Settings {
      if (jobs < 1 || shards < 1 || shard < 0 || shard >= shards) {
        throw new IllegalArgumentException("Jobs " + jobs + ", shard " + shard + "/" + shards);
      }
    }
  }

  public RoutineBatch(Routine routine, Recipe recipe, Settings settings) {
    this.routine = routine;
    this.recipe = recipe;
    this.settings = settings;
    turns = new MemoryTurns(settings.jobs() > 1);
    String run =
        new String(RoutineFile.text(routine), StandardCharsets.UTF_8)
            + recipe
            + settings.reference()
            + settings.projects();
    ledger = new Ledger(settings.out(), run.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * Runs this part of the batch.
   *
   * @param photographs all of the batch, in the order that numbers them
   * @param listener told of each as it ends, from several threads
   * @return entries of this part, in that order
   * @throws CancellationException if cancelled; what was done stays
   */
  public List<BatchEntry> run(
      List<Path> photographs, Consumer<BatchEntry> listener, Cancellation cancellation) {
    List<BatchEntry> entries = new ArrayList<>();
    List<String> names = names(photographs);
    try (ExecutorService pool = Executors.newFixedThreadPool(settings.jobs())) {
      List<Future<BatchEntry>> running = new ArrayList<>();
      for (int i = 0; i < photographs.size(); i++) {
        if (i % settings.shards() == settings.shard()) {
          int number = i + 1;
          Path photograph = photographs.get(i);
          String name = names.get(i);
          running.add(
              pool.submit(
                  () -> {
                    BatchEntry entry = entry(number, photograph, name, cancellation);
                    listener.accept(entry);
                    return entry;
                  }));
        }
      }
      for (Future<BatchEntry> one : running) {
        entries.add(one.get());
      }
    } catch (ExecutionException e) {
      if (e.getCause() instanceof CancellationException cancelled) {
        throw cancelled;
      }
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("Interrupted while a batch ran", e);
    }
    return entries;
  }

  private BatchEntry entry(int number, Path photograph, String name, Cancellation cancellation) {
    cancellation.check();
    long start = System.nanoTime();
    try {
      return turns.run(again -> done(number, photograph, name, again, cancellation, start));
    } catch (Problem e) {
      return failed(number, photograph, e, start);
    } catch (CancellationException e) {
      throw e;
    } catch (OutOfMemoryError e) {
      return failed(
          number,
          photograph,
          new Problem(e, Kind.PICTURE_TOO_DEMANDING, PictureReader.name(photograph)),
          start);
    } catch (RuntimeException e) {
      System.getLogger("carezza.batch").log(System.Logger.Level.ERROR, photograph.toString(), e);
      return failed(number, photograph, new Problem(e, Kind.PROGRAM_FAULT), start);
    }
  }

  private BatchEntry done(
      int number,
      Path photograph,
      String name,
      boolean again,
      Cancellation cancellation,
      long start)
      throws Problem {
    String sha256 = Originals.sha256(PictureReader.bytes(photograph));
    if (settings.resumes()) {
      BatchEntry before = ledger.done(number, sha256).orElse(null);
      if (before != null) {
        return new BatchEntry(
            number,
            photograph.toString(),
            State.EARLIER,
            "",
            before.files(),
            before.preflight(),
            before.idle(),
            before.seconds());
      }
    }
    boolean goesOn = again || settings.resumes() && ledger.begun(number, sha256);
    Document document = ProjectFile.openOrStart(photograph);
    ledger.begin(number, sha256);
    Session session = new Session(document.photograph());
    Routines.Outcome outcome =
        session
            .routines()
            .applied(document.project(), routine, settings.reference(), p -> {}, cancellation);
    Project project = outcome.project();
    Predicate<Path> kept = file -> goesOn && Files.exists(file);
    String title = project.title().equals(stem(photograph)) ? name : project.title();
    Words words = new Words(title, number, LocalDate.now(), name);
    List<Path> files =
        new ArrayList<>(
            session
                .exports()
                .deliver(
                    project,
                    recipe,
                    settings.out(),
                    words,
                    settings.replaces(),
                    kept,
                    cancellation));
    if (settings.projects()) {
      Path file = settings.out().resolve(name + ProjectFile.ENDING);
      if (!kept.test(file)) {
        session
            .store()
            .save(
                document.with(project, null),
                AtomicFile.of(file, settings.replaces()),
                cancellation);
      }
      files.add(file);
    }
    BatchEntry entry =
        new BatchEntry(
            number,
            photograph.toString(),
            State.DONE,
            "",
            files.stream().map(f -> f.toAbsolutePath().toString()).toList(),
            session.preflights().of(project, recipe, cancellation),
            outcome.idle().stream().map(l -> l.attributes().name()).toList(),
            seconds(start));
    ledger.finish(sha256, entry);
    return entry;
  }

  private static BatchEntry failed(int number, Path photograph, Problem problem, long start) {
    return new BatchEntry(
        number,
        photograph.toString(),
        State.FAILED,
        problem.getMessage(),
        List.of(),
        Preflight.CLEAR,
        List.of(),
        seconds(start));
  }

  /**
   * What photographs are called in names of files: their own names, with their numbers where two
   * have the same. All shards come to the same.
   */
  private static List<String> names(List<Path> photographs) {
    Map<String, Integer> times = new HashMap<>();
    photographs.forEach(p -> times.merge(stem(p).toLowerCase(Locale.ROOT), 1, Integer::sum));
    List<String> names = new ArrayList<>();
    for (int i = 0; i < photographs.size(); i++) {
      String own = stem(photographs.get(i));
      boolean alone = times.getOrDefault(own.toLowerCase(Locale.ROOT), 1) == 1;
      names.add(alone ? own : "%s-%03d".formatted(own, i + 1));
    }
    return names;
  }

  private static String stem(Path photograph) {
    String name = PictureReader.name(photograph);
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  private static double seconds(long start) {
    return (System.nanoTime() - start) / 1e9;
  }
}
