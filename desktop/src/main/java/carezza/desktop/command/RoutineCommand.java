package carezza.desktop.command;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

import carezza.batch.RoutineBatch;
import carezza.file.Originals;
import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.BatchFile;
import carezza.project.Document;
import carezza.project.RecipeFile;
import carezza.project.RoutineFile;
import carezza.recipe.Preflight;
import carezza.recipe.Recipe;
import carezza.routine.BatchEntry;
import carezza.routine.Routine;
import carezza.session.Session;

@Command(
    name = "routine",
    description =
        "Puts a routine on many photographs and delivers each; values are measured on every one.")
final class RoutineCommand implements Callable<Integer> {

  @Parameters(
      index = "0",
      paramLabel = "ROUTINE",
      description = "A .carezza-routine file, or one that ships: ${COMPLETION-CANDIDATES}.",
      completionCandidates = Shipped.class)
  private String routine;

  @Parameters(
      index = "1..*",
      arity = "1..*",
      paramLabel = "PHOTO|P.carezza",
      description = "Photographs, or projects begun on them; their order numbers them.")
  private List<Path> photographs;

  @Option(
      names = "--out",
      required = true,
      paramLabel = "DIR",
      description = "Folder of all files.")
  private Path out;

  @Option(
      names = "--recipe",
      defaultValue = "web-and-print",
      paramLabel = "NAME",
      description =
          "A .carezza-recipe file, or one that ships: web-and-print, theatre-cards, for-the-press"
              + " (default ${DEFAULT-VALUE}).")
  private String recipe;

  @Option(
      names = "--jobs",
      defaultValue = "1",
      paramLabel = "N",
      description = "Photographs at work at once, 1 to 64; each takes memory (default 1).")
  private int jobs;

  @Option(
      names = "--report",
      paramLabel = "FILE.json|-",
      description = "What became of each photograph; - for standard output.")
  private String report;

  @Option(
      names = "--shard",
      paramLabel = "I/N",
      defaultValue = "1/1",
      description = "The I-th of N parts of the batch, for several processes or machines.")
  private String shard;

  @Option(names = "--resume", description = "Goes on where an earlier run was stopped.")
  private boolean resume;

  @Option(names = "--projects", description = "Writes a project beside the files of each.")
  private boolean projects;

  @Option(
      names = "--reference",
      paramLabel = "PHOTO|P.carezza",
      description = "Picture that the others are exposed like.")
  private Path reference;

  @Mixin private Writing writing;

  @Spec private CommandSpec spec;

  /** Names of the routines that ship. */
  static final class Shipped implements Iterable<String> {
    @Override
    public Iterator<String> iterator() {
      return RoutineFile.SHIPPED.iterator();
    }
  }

  @Override
  public Integer call() throws Problem {
    Routine wanted =
        RoutineFile.SHIPPED.contains(routine)
            ? RoutineFile.shipped(routine)
            : RoutineFile.read(input(routine));
    Recipe files =
        RecipeFile.SHIPPED.contains(recipe)
            ? RecipeFile.shipped(recipe)
            : RecipeFile.read(input(recipe));
    if (jobs < 1 || jobs > 64) {
      throw new Problem(Kind.VALUE_OUT_OF_RANGE, "--jobs", jobs, "1 to 64");
    }
    if (report != null) {
      writing.check(report);
    }
    int[] part = part();
    RoutineBatch batch =
        new RoutineBatch(
            wanted,
            files,
            new RoutineBatch.Settings(
                out,
                jobs,
                part[0] - 1,
                part[1],
                resume,
                writing.replaces(),
                projects,
                reference == null ? 0 : light()));
    HeapUse.forWork();
    PrintWriter said = spec.commandLine().getErr();
    List<BatchEntry> entries = batch.run(photographs, e -> say(e, said), Cancellation.NONE);
    if (report != null) {
      writing.text(report, BatchFile.text(wanted.name(), entries));
    }
    return entries.stream().anyMatch(BatchEntry::failed) ? 1 : 0;
  }

  private static Path input(String file) {
    Path path = Path.of(file);
    Originals.protect(path);
    return path;
  }

  private int[] part() {
    String[] parts = shard.split("/", -1);
    try {
      int i = Integer.parseInt(parts[0]);
      int n = parts.length == 2 ? Integer.parseInt(parts[1]) : 0;
      if (1 <= i && i <= n && n <= 100_000) {
        return new int[] {i, n};
      }
    } catch (NumberFormatException e) {
      // Said below.
    }
    throw new ParameterException(
        spec.commandLine(), "--shard is to be I/N with I from 1 to N, not '" + shard + "'");
  }

  private double light() throws Problem {
    Document document = Inputs.retouch(reference);
    Session session = new Session(document.photograph());
    return session
        .readings()
        .figures(session.faces().withFace(document.project(), Cancellation.NONE), Cancellation.NONE)
        .stops();
  }

  /** What is to be known of a picture, in a few words. */
  private static String remarks(Preflight preflight) {
    List<String> said = new ArrayList<>();
    if (!preflight.outside().isEmpty()) {
      said.add(
          "outside its band: "
              + String.join(", ", preflight.outside().stream().map(g -> g.id()).toList()));
    }
    for (Preflight.Remark remark : preflight.remarks()) {
      said.add(
          switch (remark.check()) {
            case OUTSIDE_SPACE ->
                "%s: %.1f %% outside its colour space"
                    .formatted(remark.output(), 100 * remark.value());
            case CLIPPED -> "%s: %.1f %% clipped".formatted(remark.output(), 100 * remark.value());
            case INK -> "%s: %.0f %% of ink".formatted(remark.output(), remark.value());
            case WHITE_BORDER ->
                "%s: %.0f %% of the border is white"
                    .formatted(remark.output(), 100 * remark.value());
            case PROMISES -> "%.0f promises not kept".formatted(remark.value());
            case MISSING_OVERLAYS ->
                "%.0f pictures to lay over it missing".formatted(remark.value());
          });
    }
    return said.isEmpty() ? "" : ", " + String.join("; ", said);
  }

  private static synchronized void say(BatchEntry entry, PrintWriter said) {
    said.println(
        switch (entry.state()) {
          case FAILED -> "%d %s: %s".formatted(entry.number(), entry.photograph(), entry.problem());
          case EARLIER -> "%d %s: done earlier".formatted(entry.number(), entry.photograph());
          case DONE ->
              "%d %s: done in %.1f s%s"
                  .formatted(
                      entry.number(),
                      entry.photograph(),
                      entry.seconds(),
                      remarks(entry.preflight()));
        });
    said.flush();
  }
}
