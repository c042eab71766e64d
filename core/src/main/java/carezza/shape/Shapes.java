package carezza.shape;

import java.util.ArrayList;
import java.util.List;

import carezza.mask.EvaluationContext;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.model.ShapeLayer;

/**
 * All that the layers of shape of a stack do to places.
 *
 * @param fromBelow the lowest first; none where everything is where it was
 */
public record Shapes(List<Deformation> fromBelow) {

  public static final Shapes NONE = new Shapes(List.of());

  public Shapes {
    fromBelow = List.copyOf(fromBelow);
  }

  /**
   * @param stack as it acts
   * @param site where it is rendered, at any level
   */
  public static Shapes of(LayerStack stack, EvaluationContext site) {
    List<Deformation> found = new ArrayList<>();
    for (Layer layer : stack.layers()) {
      if (layer instanceof ShapeLayer shape && layer.acts()) {
        found.add(Deformations.of(shape, site));
      }
    }
    found.removeIf(Deformation::isNothing);
    return found.isEmpty() ? NONE : new Shapes(found);
  }

  public boolean isNothing() {
    return fromBelow.isEmpty();
  }

  /** The place of the photograph that is seen at a place of the picture. */
  public Point source(Point seen) {
    Point at = seen;
    for (Deformation deformation : fromBelow.reversed()) {
      at = deformation.source(at);
    }
    return at;
  }

  /** Where a place of the photograph is seen. */
  public Point shown(Point source) {
    Point at = source;
    for (Deformation deformation : fromBelow) {
      at = deformation.shown(at);
    }
    return at;
  }

  /** Where the hand of the highest one works, without its stretch and lean of the whole. */
  public Point unstretched(Point seen) {
    return fromBelow.isEmpty() ? seen : fromBelow.getLast().unstretched(seen);
  }

  /** The way back. */
  public Point stretched(Point place) {
    return fromBelow.isEmpty() ? place : fromBelow.getLast().stretched(place);
  }
}
