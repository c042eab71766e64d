package carezza.kernel;

import java.util.List;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.GuidedFilter;
import carezza.filter.MaskedBlur;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.FrequencySeparationLayer.Split;
import carezza.model.Mask;
import carezza.model.Parameters;
import carezza.model.SemanticRegion;

/**
 * Frequency separation: low = G(x; σ), or the guided filter of that window, which stops at edges of
 * the lightness; high = x − low, so low + high is the input again. The low band is evened over the
 * layer's mask by edge-stopping smoothing inside it, of which only the middle band is kept: what is
 * wider than fw/18 is the form of the face and goes back in. Areas and strokes smooth the low band
 * on their own. The high band gets its gain. On request what lies between the split and the form is
 * a band of its own, with its own gain.
 */
final class FrequencySeparationKernel
    implements LayerKernel<FrequencySeparationLayer, Measurements> {

  /** Sigma of the evening, and of what counts as form, as shares of the face width. */
  private static final double EVENING = 1 / 30.0;

  private static final double FORM = 1 / 18.0;

  @Override
  public boolean measures(FrequencySeparationLayer layer) {
    return layer.radius() == null;
  }

  @Override
  public Measurements.Separation measure(FrequencySeparationLayer layer, Probe probe) {
    EvaluationContext context = probe.site();
    Plane skin =
        context.regions().coverage(SemanticRegion.FACE_SKIN, context.whole(), context.level());
    double advised =
        SeparationRadiusAdvisor.advise(probe.input(), skin, context.faceWidth()).advised();
    return new Measurements.Separation(advised / context.scale());
  }

  @Override
  public FrequencySeparationLayer measured(FrequencySeparationLayer full) {
    return new FrequencySeparationLayer(
        full.attributes(), full.radius(), full.split(), 1, 1, 0, full.edgeGuard(), List.of());
  }

  @Override
  public FrequencySeparationLayer resolve(FrequencySeparationLayer layer, Measurements read) {
    if (!(read instanceof Measurements.Separation advised)) {
      return layer;
    }
    // In a very small picture the best radius may be finer than any that a layer can have.
    var range = Parameters.of(FrequencySeparationLayer.class).get("radius");
    return layer.withRadius(Math.clamp(advised.advisedRadius(), range.least(), range.most()));
  }

  @Override
  public FrequencySeparationLayer within(FrequencySeparationLayer layer, Area photographArea) {
    return layer.withAreas(
        layer.areas().stream()
            .map(
                a ->
                    new LowBandArea(
                        Masks.within(
                            a.mask(), photographArea.grow(GaussianBlur.reach(a.sigma()) * 2)),
                        a.sigma(),
                        a.strength()))
            .filter(a -> !(a.mask() instanceof Mask.Nothing))
            .toList());
  }

  @Override
  public Effect effect(
      FrequencySeparationLayer layer, Measurements read, EvaluationContext context) {
    return new Separation(
        layer, context, LowBand.of(context, layer.chosenRadius() * context.scale()), null);
  }

  /**
   * The split at one level. The change of the low band is computed on its coarse level; with the
   * high band's gain g the result is x + change + (g − 1)(x − low).
   *
   * @param ready the change over the whole picture, or null to compute it for each part
   */
  private record Separation(
      FrequencySeparationLayer layer, EvaluationContext site, LowBand low, @Nullable Picture ready)
      implements Effect {

    private double sigma() {
      return layer.chosenRadius() * site.scale();
    }

    private boolean evens() {
      return layer.evening() > 0 || layer.blotchGain() != 1 || !layer.areas().isEmpty();
    }

    @Override
    public Area needed(Area out) {
      Area all = layer.textureGain() == 1 ? out : out.grow(splitReach(sigma()));
      return evens() && ready == null ? all.union(low.fine(readBy(low.coarse(out)))) : all;
    }

    /** Coarse pixels that the change of a coarse area is computed from. */
    private Area readBy(Area coarse) {
      EvaluationContext context = low.coarse();
      double fw = context.faceWidth();
      int reach = 0;
      if (layer.evening() > 0) {
        reach =
            GuidedFilter.reach(fw * EVENING)
                + GaussianBlur.reach(fw * FORM)
                + Masks.reach(layer.attributes().mask(), context.scale());
      }
      if (layer.blotchGain() != 1) {
        reach =
            Math.max(
                reach,
                GaussianBlur.reach(fw * FORM)
                    + Masks.reach(layer.attributes().mask(), context.scale()));
      }
      for (LowBandArea area : layer.areas()) {
        reach =
            Math.max(
                reach,
                GuidedFilter.reach(Math.max(0.5, area.sigma() * context.scale()))
                    + Masks.reach(area.mask(), context.scale()));
      }
      return coarse.grow(reach + splitReach(low.sigma(sigma()))).intersect(context.whole());
    }

    @Override
    public Effect over(Picture input, Area out) {
      return evens() ? new Separation(layer, site, low, change(input, low.coarse(out))) : this;
    }

    @Override
    public Picture render(Picture input, Area out) {
      Picture own = input.crop(out);
      Picture result = own == input ? own.copy() : own;
      if (layer.textureGain() != 1) {
        sharpen(input, result, (float) layer.textureGain() - 1);
      }
      if (evens()) {
        Picture change = ready == null ? change(input, low.coarse(out)) : ready;
        for (int c = 0; c < 3; c++) {
          Resampling.addExpanded(change.plane(c), low.levels(), result.plane(c));
        }
      }
      return result;
    }

    /** result += more × (x − low). */
    private void sharpen(Picture input, Picture result, float more) {
      Area wide = result.area().grow(splitReach(sigma())).intersect(input.area());
      UnaryOperator<Plane> split = split(input.crop(wide), sigma());
      for (int c = 0; c < 3; c++) {
        Plane band = split.apply(input.plane(c).crop(wide)).crop(result.area());
        float[] r = result.plane(c).values();
        for (int i = 0; i < r.length; i++) {
          r[i] += more * (r[i] - band.values()[i]);
        }
      }
    }

    /** What makes the low band of a plane of a picture. */
    private UnaryOperator<Plane> split(Picture picture, double sigma) {
      if (layer.split() == Split.GAUSSIAN || sigma <= 0) {
        return p -> GaussianBlur.blur(p, sigma);
      }
      Plane everywhere = Plane.filled(picture.area(), 1);
      return new GuidedFilter(Lab.lightness(picture), everywhere, sigma, square(layer.edgeGuard()))
          ::smooth;
    }

    private int splitReach(double sigma) {
      return layer.split() == Split.GAUSSIAN
          ? GaussianBlur.reach(sigma)
          : GuidedFilter.reach(Math.max(0.5, sigma));
    }

    /** What evening does to the low band over a coarse area. */
    private Picture change(Picture input, Area coarse) {
      EvaluationContext context = low.coarse();
      Picture reduced = low.reduced(input, readBy(coarse));
      Picture band = reduced.map(split(reduced, low.sigma(sigma())));
      Plane guide = Lab.lightness(band);
      Picture tone = band;
      if (layer.evening() > 0 || layer.blotchGain() != 1) {
        Plane mask = Masks.render(layer.attributes().mask(), band.area(), context, reduced);
        if (layer.blotchGain() != 1) {
          tone = regained(tone, mask, (float) layer.blotchGain(), context.faceWidth());
        }
        if (layer.evening() > 0) {
          tone = evened(tone, guide, mask, layer, context.faceWidth());
        }
      }
      for (LowBandArea area : layer.areas()) {
        tone = smoothed(tone, guide, area, layer.edgeGuard(), context, reduced);
      }
      Picture change = Picture.of(coarse);
      for (int c = 0; c < 3; c++) {
        change.plane(c).copyFrom(tone.plane(c));
        subtract(change.plane(c), band.plane(c));
      }
      return change;
    }
  }

  private static void subtract(Plane from, Plane other) {
    Area a = from.area();
    for (int y = a.y(); y < a.bottom(); y++) {
      int i = from.index(a.x(), y);
      int k = other.index(a.x(), y);
      for (int x = 0; x < a.width(); x++) {
        from.values()[i + x] -= other.values()[k + x];
      }
    }
  }

  /** Tone with its middle band, between the split and the form inside the mask, times a factor. */
  private static Picture regained(Picture low, Plane mask, float gain, double faceWidth) {
    MaskedBlur broad = new MaskedBlur(mask, faceWidth * FORM);
    return low.map(
        plane -> {
          Plane form = broad.blur(plane);
          for (int i = 0; i < form.values().length; i++) {
            float v = plane.values()[i];
            form.values()[i] = v + mask.values()[i] * (gain - 1) * (v - form.values()[i]);
          }
          return form;
        });
  }

  private static Picture evened(
      Picture low, Plane guide, Plane mask, FrequencySeparationLayer layer, double faceWidth) {
    GuidedFilter smoothing =
        new GuidedFilter(guide, mask, faceWidth * EVENING, square(layer.edgeGuard()));
    MaskedBlur broad = new MaskedBlur(mask, faceWidth * FORM);
    float strength = (float) layer.evening();
    return low.map(
        plane -> {
          Plane smooth = smoothing.smooth(plane);
          Plane lost = Plane.of(plane.area());
          for (int i = 0; i < lost.values().length; i++) {
            lost.values()[i] = plane.values()[i] - smooth.values()[i];
          }
          Plane form = broad.blur(lost);
          for (int i = 0; i < lost.values().length; i++) {
            float change = form.values()[i] - lost.values()[i];
            lost.values()[i] = plane.values()[i] + strength * mask.values()[i] * change;
          }
          return lost;
        });
  }

  private static Picture smoothed(
      Picture low,
      Plane guide,
      LowBandArea area,
      double edgeGuard,
      EvaluationContext context,
      Picture input) {
    double sigma = Math.max(0.5, area.sigma() * context.scale());
    Plane everywhere = Masks.render(area.mask(), input.area(), context, input);
    Area box = everywhere.covered().grow(GuidedFilter.reach(sigma)).intersect(input.area());
    if (box.isEmpty()) {
      return low;
    }
    Plane mask = everywhere.crop(box);
    GuidedFilter smoothing = new GuidedFilter(guide.crop(box), mask, sigma, square(edgeGuard));
    float strength = (float) area.strength();
    return low.map(
        plane -> {
          Plane own = plane.crop(box);
          Plane smooth = smoothing.smooth(own);
          for (int i = 0; i < smooth.values().length; i++) {
            float v = own.values()[i];
            smooth.values()[i] = v + strength * mask.values()[i] * (smooth.values()[i] - v);
          }
          Plane result = plane.copy();
          result.copyFrom(smooth);
          return result;
        });
  }

  private static double square(double v) {
    return v * v;
  }
}
