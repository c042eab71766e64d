package carezza.desktop.tool;

import java.util.ArrayList;
import java.util.List;

import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.Layer;
import carezza.model.Mask;
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

  static FrequencySeparationLayer with(FrequencySeparationLayer layer, LowBandArea area) {
    List<LowBandArea> areas = new ArrayList<>(layer.areas());
    areas.add(area);
    return layer.withAreas(areas);
  }
}
