package carezza.session;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.Promise;
import carezza.model.Stage;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;

/** Whether what was promised not to be touched was touched. Safe for many threads. */
public final class Promises {

  /** Mean ΔE00, or change of median L*, from which a change counts. */
  private static final double COUNTS = 1;

  /** Radius in pixels that a place is looked at with. */
  private static final double LOOKED_AT = 12;

  private final Session session;

  Promises(Session session) {
    this.session = session;
  }

  /**
   * A promise that a layer does not keep.
   *
   * @param layer that changes most there, by its id
   * @param change mean ΔE00 that it makes there, or change of median L* that all make
   */
  public record Broken(Promise promise, @Nullable String layer, double change) {}

  /**
   * Promises that are not kept by layers above the Settle stage: light and colour as settled are
   * the picture itself.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public List<Broken> broken(Project project, Cancellation cancellation) {
    List<Broken> broken = new ArrayList<>();
    for (Promise promise : project.brief().promises()) {
      broken.addAll(new Look(project, promise, cancellation).broken());
    }
    return broken;
  }

  /** One promise, looked at along the stack. */
  private final class Look {
    private final Promise promise;
    private final Cancellation cancellation;
    private final RenderInput scene;
    private final EvaluationContext context;
    private final Area area;
    private final Plane where;

    Look(Project project, Promise promise, Cancellation cancellation) {
      this.promise = promise;
      this.cancellation = cancellation;
      scene = session.measured(project);
      Renderer renderer = session.renderer();
      int level = Renderer.analysisLevel(renderer.site(scene, 0).faceWidth());
      Mask.Ellipse place = promise.place();
      if (place != null) {
        double radius = Math.min(place.radiusX(), place.radiusY());
        level = Math.min(level, Level.forZoom(Math.min(1, LOOKED_AT / radius)));
      }
      context = renderer.site(scene, level);
      Mask mask = promise.where();
      area = place == null ? context.whole() : around(place);
      where = Masks.render(mask, area, context);
    }

    private Area around(Mask.Ellipse place) {
      double r = Math.max(place.radiusX(), place.radiusY()) * context.scale() + 1;
      double x = place.x() * context.scale();
      double y = place.y() * context.scale();
      return Area.around(x - r, y - r, x + r, y + r).intersect(context.whole());
    }

    List<Broken> broken() {
      int settled = scene.stack().through(Stage.SETTLE);
      List<Layer> layers = scene.stack().layers();
      if (area.isEmpty() || where.covered().isEmpty() || layers.size() == settled) {
        return List.of();
      }
      List<Broken> found = new ArrayList<>();
      Picture before = lab(settled);
      double first = lightness(before);
      double most = 0;
      String culprit = null;
      for (int k = settled; k < layers.size(); k++) {
        cancellation.check();
        Picture after = lab(k + 1);
        String id = layers.get(k).attributes().id();
        if (promise.rule() == Promise.Rule.UNCHANGED) {
          double change = DeltaE2000.mean(before, after, where);
          if (change > COUNTS) {
            found.add(new Broken(promise, id, change));
          }
        } else {
          double step = sign() * (lightness(after) - lightness(before));
          culprit = culprit == null || step > most ? id : culprit;
          most = Math.max(most, step);
        }
        before = after;
      }
      double moved = sign() * (lightness(before) - first);
      if (promise.rule() != Promise.Rule.UNCHANGED && moved > COUNTS) {
        found.add(new Broken(promise, culprit, sign() * moved));
      }
      return found;
    }

    private double sign() {
      return promise.rule() == Promise.Rule.NOT_DARKER ? -1 : 1;
    }

    private Picture lab(int layers) {
      return Lab.of(
          session
              .renderer()
              .render(scene.through(layers), area, context.level(), Readiness.EXACT, cancellation));
    }

    private double lightness(Picture lab) {
      return RobustStatistics.median(lab.first(), where);
    }
  }
}
