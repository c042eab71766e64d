package carezza.session;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import carezza.codec.OutputCheck;
import carezza.codec.OutputColour;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.measure.Gauge;
import carezza.model.Project;
import carezza.overlay.OverlayPixels;
import carezza.recipe.Output;
import carezza.recipe.Preflight;
import carezza.recipe.Preflight.Check;
import carezza.recipe.Preflight.Remark;
import carezza.recipe.Recipe;

/** What is to be known before a picture leaves, read on a small one. Safe for many threads. */
public final class Preflights {

  /** Share of a picture that is worth a word. */
  private static final double SOME = 0.001;

  /**
   * Sum of inks in per cent that coated sheets take; more smears and dries slowly. The press's own
   * figure goes before it.
   */
  private static final double MOST_INK = 320;

  /** Encoded value from which a border cannot be told from a white page. */
  private static final float WHITE = 0.985f;

  /** Share of the border from which the picture's edge is lost. */
  private static final double LOST = 0.05;

  private final Session session;

  Preflights(Session session) {
    this.session = session;
  }

  /**
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Preflight of(Project project, Recipe recipe, Cancellation cancellation) {
    List<Gauge> outside =
        session.readings().gauges(project, cancellation).stream().filter(Gauge::isOutside).toList();
    List<Remark> remarks = new ArrayList<>();
    Map<OutputColour, OutputCheck> checked = new HashMap<>();
    for (Output output : recipe.outputs()) {
      cancellation.check();
      OutputColour colour = output.delivery().colour();
      OutputCheck check =
          checked.computeIfAbsent(colour, c -> session.exports().check(project, c, cancellation));
      add(remarks, Check.OUTSIDE_SPACE, output, check.outside(), SOME);
      add(remarks, Check.CLIPPED, output, check.clipped(), SOME);
      add(remarks, Check.INK, output, check.mostInk(), MOST_INK);
      Project framed = output.framed(project, session.size());
      double white = white(session.exports().small(framed, cancellation));
      add(remarks, Check.WHITE_BORDER, output, white, LOST);
    }
    long broken = session.promises().broken(project, cancellation).size();
    if (broken > 0) {
      remarks.add(new Remark(Check.PROMISES, "", broken));
    }
    int missing = OverlayPixels.missing(project.stack()).size();
    if (missing > 0) {
      remarks.add(new Remark(Check.MISSING_OVERLAYS, "", missing));
    }
    return new Preflight(outside, remarks);
  }

  private static void add(
      List<Remark> remarks, Check check, Output output, double value, double most) {
    if (value > most) {
      remarks.add(new Remark(check, output.name(), value));
    }
  }

  /** Share of a picture's outermost pixels that are white. */
  static double white(Picture working) {
    Area area = working.area();
    int all = 0;
    int white = 0;
    for (int y = area.y(); y < area.bottom(); y++) {
      boolean edge = y == area.y() || y == area.bottom() - 1;
      int step = edge || area.width() == 1 ? 1 : area.width() - 1;
      for (int x = area.x(); x < area.right(); x += step) {
        all++;
        white +=
            working.first().at(x, y) >= WHITE
                    && working.second().at(x, y) >= WHITE
                    && working.third().at(x, y) >= WHITE
                ? 1
                : 0;
      }
    }
    return (double) white / all;
  }
}
