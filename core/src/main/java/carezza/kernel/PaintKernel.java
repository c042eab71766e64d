package carezza.kernel;

import java.util.List;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.HairCoverage;
import carezza.model.PaintLayer;
import carezza.model.Stroke;

/** Paint: L*, a* and b* with the layer's difference added by the coverage of its lines. */
final class PaintKernel implements LayerKernel<PaintLayer, Measurements> {

  @Override
  public PaintLayer within(PaintLayer layer, Area photographArea) {
    List<Stroke> near =
        layer.strokes().stream()
            .filter(s -> !s.bounds().grow(2).intersect(photographArea).isEmpty())
            .toList();
    return near.size() == layer.strokes().size() ? layer : layer.withStrokes(near);
  }

  @Override
  public boolean idle(PaintLayer layer) {
    return layer.strokes().isEmpty();
  }

  @Override
  public Effect effect(PaintLayer layer, Measurements none, EvaluationContext context) {
    return Effect.perPixel(
        own -> {
          Plane coverage = HairCoverage.of(layer.strokes(), own.area(), context.scale());
          Area painted = coverage.covered();
          return painted.isEmpty() ? own : painted(layer, own, coverage, painted);
        });
  }

  private static Picture painted(PaintLayer layer, Picture own, Plane coverage, Area painted) {
    float[] m = coverage.crop(painted).values();
    Picture changed =
        LabPixels.changed(
            own.crop(painted),
            (l, a, b, i) -> {
              l[i] = (float) Math.clamp(l[i] + m[i] * layer.lightness(), 0, 100);
              a[i] += (float) (m[i] * layer.redness());
              b[i] += (float) (m[i] * layer.yellowness());
            });
    Picture out = own.copy();
    out.copyFrom(changed);
    return out;
  }
}
