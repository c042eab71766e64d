package carezza.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.image.Picture;
import carezza.job.Band;
import carezza.mask.EvaluationContext;
import carezza.measure.Distraction;
import carezza.measure.Distractions;
import carezza.measure.fault.BackdropReading;

/** What draws the eye away from the face, as shot, and how much of that is left. */
final class DistractionReadings {

  private static final double INFINITE = Double.POSITIVE_INFINITY;

  /** Places that draw the eye which are listed, each by itself. */
  private static final int MOST_DISTRACTIONS = 4;

  private final EvaluationContext context;
  private final Picture working;
  private final Picture lab;
  private final @Nullable Lab wanted;

  /**
   * @param wanted colour of the backdrop that is wanted, or null where none was chosen
   */
  DistractionReadings(
      EvaluationContext context, Picture working, Picture lab, @Nullable Lab wanted) {
    this.context = context;
    this.working = working;
    this.lab = lab;
    this.wanted = wanted;
  }

  /**
   * @param asShot readings of the settled picture, whose places are followed; empty for itself
   */
  List<Reading> of(List<Reading> asShot) {
    List<Reading> found = new ArrayList<>();
    List<Distraction> here = Distractions.of(lab, context);
    List<Reading> known =
        asShot.stream().filter(r -> r.kind() == FindingKind.DISTRACTIONS).toList();
    if (known.isEmpty() && asShot.isEmpty()) {
      BackdropReading backdrop = BackdropReading.of(context, working, lab, wanted);
      here.stream()
          .filter(d -> d.strength() > most(d))
          // A white backdrop is bright, and should be.
          .filter(d -> !backdrop.white() || d.kind() != Distraction.Kind.BRIGHT)
          .limit(MOST_DISTRACTIONS)
          .forEach(
              d ->
                  found.add(
                      new Reading(
                          FindingKind.DISTRACTIONS,
                          name(d),
                          d.strength(),
                          new Band(-INFINITE, most(d)),
                          d.place(),
                          d.radius(),
                          List.of())));
    }
    for (Reading was : known) {
      double left =
          here.stream()
              .filter(d -> was.part().startsWith(kind(d)))
              .filter(d -> was.place() != null && d.place().distance(was.place()) < was.radius())
              .mapToDouble(Distraction::strength)
              .max()
              .orElse(0);
      found.add(
          new Reading(
              was.kind(), was.part(), left, was.band(), was.place(), was.radius(), List.of()));
    }
    return found;
  }

  /** Edges of dress and hair are sharp everywhere, so a sharp place must stand out farther. */
  private double most(Distraction d) {
    String name = d.kind() == Distraction.Kind.SHARP ? "sharp" : "above";
    return context.job().limit(FindingKind.DISTRACTIONS.key(), name);
  }

  private static String kind(Distraction d) {
    return d.kind().name().toLowerCase(Locale.ROOT);
  }

  private static String name(Distraction d) {
    return "%s-%d-%d".formatted(kind(d), Math.round(d.place().x()), Math.round(d.place().y()));
  }
}
