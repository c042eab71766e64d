package carezza.kernel;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.filter.GaussianBlur;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.Mask;
import carezza.model.SharpenLayer;
import carezza.model.SharpenLayer.Band;

/**
 * Sharpening: L* + soft(Σ m gain (L* − G(L*; radius))) with the coverage m of each band's own mask,
 * soft(d) = h tanh(d/h) with the halo limit h. Channels keep their ratio in linear light.
 */
final class SharpenKernel implements LayerKernel<SharpenLayer, Measurements> {

  private static final float BLACK = 1e-6f;

  /** L* above which it is a cube root of light (CIE 1976). */
  private static final float CUBE_FROM = 8;

  private static final LookupTable SOFT_LIMIT = new LookupTable(Math::tanh, -8, 8, 256);

  @Override
  public SharpenLayer within(SharpenLayer layer, Area photographArea) {
    return layer.withBands(
        layer.bands().stream()
            .map(
                b ->
                    b.mask() == null
                        ? b
                        : new Band(b.radius(), b.gain(), Masks.within(b.mask(), photographArea)))
            .toList());
  }

  @Override
  public Effect effect(SharpenLayer layer, Measurements none, EvaluationContext context) {
    int reach = 0;
    for (Band band : layer.bands()) {
      reach = Math.max(reach, GaussianBlur.reach(band.radius() * context.scale()));
      if (band.mask() != null) {
        reach = Math.max(reach, Masks.reach(band.mask(), context.scale()));
      }
    }
    return Effect.reaching(
        reach,
        (input, out) -> {
          Plane lightness = Lab.lightness(input);
          Plane detail = Plane.of(out);
          for (Band band : layer.bands()) {
            if (band.gain() != 0 && !(band.mask() instanceof Mask.Nothing)) {
              raise(band, input, lightness, detail, context);
            }
          }
          return add(input.crop(out), lightness.crop(out), detail, (float) layer.haloLimit());
        });
  }

  /** detail += m gain (L* − G(L*; radius)). */
  private static void raise(
      Band band, Picture input, Plane lightness, Plane detail, EvaluationContext context) {
    Area out = detail.area();
    int reach = GaussianBlur.reach(band.radius() * context.scale());
    Plane wide = lightness.crop(out.grow(reach).intersect(lightness.area()));
    Plane own = lightness.crop(out);
    Plane low = GaussianBlur.blur(wide, band.radius() * context.scale()).crop(out);
    float gain = (float) band.gain();
    float[] sum = detail.values();
    if (band.mask() == null) {
      for (int i = 0; i < sum.length; i++) {
        sum[i] += gain * (own.values()[i] - low.values()[i]);
      }
    } else {
      Plane mask = Masks.render(band.mask(), input.area(), context, input).crop(out);
      for (int i = 0; i < sum.length; i++) {
        sum[i] += mask.values()[i] * gain * (own.values()[i] - low.values()[i]);
      }
    }
  }

  private static Picture add(Picture own, Plane lightness, Plane detail, float limit) {
    float perLimit = limit == 0 ? 0 : 1 / limit;
    return Luminance.times(
        own,
        (row, factors, roots) -> {
          for (int x = 0; x < roots.length; x++) {
            float change = limit * SOFT_LIMIT.at(detail.values()[row + x] * perLimit);
            float l = lightness.values()[row + x];
            float light = Luminance.light(l);
            factors[x] = light > BLACK ? Luminance.light(Math.max(0, l + change)) / light : 1;
            // Above L* 8 light is a cube, and the curve's root of a cube's ratio t is t to 5/4.
            float t = Math.max(0, (l + change + 16) / (l + 16));
            roots[x] =
                l > CUBE_FROM && l + change > CUBE_FROM
                    ? t * (float) Math.sqrt((float) Math.sqrt(t))
                    : (float) Math.pow(factors[x], Transfer.ROOT);
          }
        });
  }
}
