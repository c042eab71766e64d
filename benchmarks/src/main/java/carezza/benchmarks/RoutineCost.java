package carezza.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;

import carezza.codec.PictureReader;
import carezza.image.Cancellation;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.project.RecipeFile;
import carezza.project.RoutineFile;
import carezza.recipe.NamePattern.Words;
import carezza.recipe.Recipe;
import carezza.routine.Routine;
import carezza.session.Session;

/**
 * What it costs that a routine measures: each photograph from its file to a delivered one with
 * values measured anew, and again with the values it came to held fast, areas found in both.
 */
final class RoutineCost {

  private static final int ROUNDS = 3;

  private final Recipe recipe = RecipeFile.shipped(RecipeFile.SHIPPED.getFirst());
  private final Routine routine;
  private int files;

  private RoutineCost(Routine routine) {
    this.routine = routine;
  }

  static void run(String routine, List<Path> photographs) throws Problem, IOException {
    RoutineCost here = new RoutineCost(RoutineFile.shipped(routine));
    Path out = Files.createTempDirectory("carezza-routine");
    for (int round = 1; round <= ROUNDS; round++) {
      double measuring = 0;
      double fixed = 0;
      for (Path photograph : photographs) {
        long start = System.nanoTime();
        Project came = here.measured(photograph, out);
        long middle = System.nanoTime();
        here.fixed(photograph, came, out);
        measuring += (middle - start) / 1e9;
        fixed += (System.nanoTime() - middle) / 1e9;
      }
      System.out.printf(
          "round %d: %d photographs measured anew %.1f s, fixed %.1f s: %.2f%n",
          round, photographs.size(), measuring, fixed, measuring / fixed);
    }
  }

  private Project measured(Path photograph, Path out) throws Problem {
    Document document = ProjectFile.openOrStart(photograph);
    Session session = new Session(document.photograph());
    Project came =
        session
            .routines()
            .applied(document.project(), routine, 0, p -> {}, Cancellation.NONE)
            .project();
    deliver(session, came, photograph, out);
    return came;
  }

  private void fixed(Path photograph, Project values, Path out) throws Problem {
    Document document = ProjectFile.openOrStart(photograph);
    Session session = new Session(document.photograph());
    Project project =
        session
            .faces()
            .withFace(
                document.project().withBrief(values.brief()).withStack(values.stack()),
                Cancellation.NONE);
    deliver(session, project, photograph, out);
  }

  private void deliver(Session session, Project project, Path photograph, Path out) throws Problem {
    Words words =
        new Words(
            project.title(), ++files, LocalDate.now(), PictureReader.name(photograph) + files);
    session.exports().deliver(project, recipe, out, words, true, file -> false, Cancellation.NONE);
  }
}
