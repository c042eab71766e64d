package carezza.kernel;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.filter.GaussianBlur;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.SharpenLayer;

/**
 * Sharpening: L* + soft(Σ gain (L* − G(L*; radius))), soft(d) = h tanh(d/h) with the halo limit h.
 * Channels keep their ratio in linear light.
 */
final class SharpenKernel implements LayerKernel<SharpenLayer, Measurements> {

  private static final float BLACK = 1e-6f;

  /** L* above which it is a cube root of light (CIE 1976). */
  private static final float CUBE_FROM = 8;

  private static final LookupTable SOFT_LIMIT = new LookupTable(Math::tanh, -8, 8, 256);

  @Override
  public Effect effect(SharpenLayer layer, Measurements none, EvaluationContext context) {
    double widest = layer.bands().stream().mapToDouble(SharpenLayer.Band::radius).max().orElse(0);
    return Effect.reaching(
        GaussianBlur.reach(widest * context.scale()),
        (input, out) -> {
          Plane lightness = Lab.lightness(input);
          Plane detail = Plane.of(input.area());
          for (SharpenLayer.Band band : layer.bands()) {
            Plane low = GaussianBlur.blur(lightness, band.radius() * context.scale());
            float gain = (float) band.gain();
            for (int i = 0; i < low.values().length; i++) {
              detail.values()[i] += gain * (lightness.values()[i] - low.values()[i]);
            }
          }
          return add(
              input.crop(out), lightness.crop(out), detail.crop(out), (float) layer.haloLimit());
        });
  }

  private static Picture add(Picture own, Plane lightness, Plane detail, float limit) {
    Picture out = Picture.of(own.area());
    float perLimit = limit == 0 ? 0 : 1 / limit;
    int w = detail.width();
    ParallelRows.each(
        w,
        detail.height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            float change = limit * SOFT_LIMIT.at(detail.values()[i] * perLimit);
            float l = lightness.values()[i];
            float light = Luminance.light(l);
            float factor = light > BLACK ? Luminance.light(Math.max(0, l + change)) / light : 1;
            // Above L* 8 light is a cube, and the curve's root of a cube's ratio t is t to 5/4.
            float t = Math.max(0, (l + change + 16) / (l + 16));
            float root =
                l > CUBE_FROM && l + change > CUBE_FROM
                    ? t * (float) Math.sqrt((float) Math.sqrt(t))
                    : (float) Math.pow(factor, Transfer.ROOT);
            for (int c = 0; c < 3; c++) {
              out.plane(c).values()[i] = Transfer.times(own.plane(c).values()[i], factor, root);
            }
          }
        });
    return out;
  }
}
