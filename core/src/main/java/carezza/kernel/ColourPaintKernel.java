package carezza.kernel;

import carezza.colour.Lab;
import carezza.mask.EvaluationContext;
import carezza.model.ColourPaintLayer;
import carezza.model.SkinToneEveningLayer.Target;

/** A tone laid on with the shading kept. */
final class ColourPaintKernel implements LayerKernel<ColourPaintLayer, Measurements> {

  /**
   * a* and b* of the tone in proportion to the lightness, so that darks are not laid over with
   * colour.
   */
  @Override
  public Effect effect(ColourPaintLayer layer, Measurements none, EvaluationContext context) {
    Target tone = layer.tone();
    Lab colour = Lab.ofLch(tone.lightness(), tone.chroma(), tone.hue());
    double middle = Math.max(5, tone.lightness());
    return LabPixels.effect(
        (l, a, b, i) -> {
          double share = Math.clamp(l[i] / middle, 0, 100 / middle);
          // Towards white there is no room for as much colour.
          double room =
              l[i] > middle ? Math.max(0, (100 - l[i]) / (100 - Math.min(99, middle))) : share;
          a[i] = (float) (colour.a() * Math.min(1.2, room));
          b[i] = (float) (colour.b() * Math.min(1.2, room));
        });
  }
}
