package carezza.desktop.tool;

import java.util.ArrayList;
import java.util.List;

import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.PaintLayer;
import carezza.model.ShapeLayer;
import carezza.model.ShapeLayer.Hand;
import carezza.model.Stroke;

/** What strokes make of layers. */
final class Layings {

  private Layings() {}

  static Layer mask(Layer layer, Stroke stroke, boolean turned) {
    return layer.with(layer.attributes().withMask(layer.attributes().mask().painted(stroke)));
  }

  /** Light, or shade where it is turned. */
  static Layer light(Layer layer, Stroke stroke, boolean turned) {
    DodgeBurnLayer own = (DodgeBurnLayer) layer;
    return turned
        ? own.withMasks(own.dodgeMask(), own.burnMask().painted(stroke))
        : own.withMasks(own.dodgeMask().painted(stroke), own.burnMask());
  }

  static Layer shade(Layer layer, Stroke stroke, boolean turned) {
    return light(layer, stroke, !turned);
  }

  /** A place whose tone is evened along the stroke. */
  static Layer evened(Layer layer, Stroke stroke, boolean turned) {
    FrequencySeparationLayer own = (FrequencySeparationLayer) layer;
    // The strength of an evening is the area's own; the stroke only says where.
    Stroke full = new Stroke(stroke.packed(), stroke.radius(), stroke.softness(), 1, false);
    return with(
        own, new LowBandArea(new Mask.Nothing().painted(full), stroke.radius(), stroke.strength()));
  }

  /** A stroke of a hand that shapes, and what it is where it is turned. */
  static MaskBrush.Laying shaped(Hand hand, Hand other) {
    return (layer, stroke, turned) ->
        layer instanceof ShapeLayer own
            ? own.plus(new ShapeLayer.Nudge(turned ? other : hand, stroke))
            : layer;
  }

  /** Shares of a line's length over which it begins and ends, and how it narrows there. */
  private static final double BEGINNING = 0.12;

  private static final double END = 0.55;
  private static final double NARROWING = 0.7;
  private static final double POINTED = 0.08;

  /** A line as a hair is: thin where it begins, thinner towards its end. */
  static Layer painted(Layer layer, Stroke stroke, boolean turned) {
    return layer instanceof PaintLayer own ? own.plus(pointed(stroke)) : layer;
  }

  private static Stroke pointed(Stroke stroke) {
    double length = stroke.length();
    if (length == 0) {
      return stroke;
    }
    float[] points = stroke.packed();
    double way = 0;
    for (int i = 0; i < stroke.size(); i++) {
      if (i > 0) {
        way += Math.hypot(stroke.x(i) - stroke.x(i - 1), stroke.y(i) - stroke.y(i - 1));
      }
      double t = way / length;
      double width = Math.min(1, Math.min(t / BEGINNING, (1 - t) / END));
      points[4 * i + 2] *= (float) Math.max(POINTED, Math.pow(Math.max(0, width), NARROWING));
    }
    return new Stroke(
        points, stroke.radius(), stroke.softness(), stroke.strength(), stroke.erase());
  }

  static FrequencySeparationLayer with(FrequencySeparationLayer layer, LowBandArea area) {
    List<LowBandArea> areas = new ArrayList<>(layer.areas());
    areas.add(area);
    return layer.withAreas(areas);
  }
}
