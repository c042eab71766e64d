package carezza.kernel;

import carezza.colour.Lab;
import carezza.colour.MonotoneCurve;
import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.model.ColourBalanceLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.DesaturateLayer;
import carezza.model.GradientMapLayer;
import carezza.model.HueBandsLayer.Family;
import carezza.model.HueShiftLayer;
import carezza.model.MonochromeLayer;
import carezza.model.SaturationLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.Tint;

/** Effects of colour on each pixel by itself: balance, maps, mono, saturation, hues. */
final class ColourKernels {

  /** Middle of skin's hues and how far they reach, in degrees of CIE LCh(ab). */
  private static final double SKIN_HUE = 52;

  private static final double SKIN_WIDTH = 42;

  /** L* between which darks pass into middles, and middles into lights. */
  private static final float DARK = 15;

  private static final float NOT_DARK = 55;
  private static final float NOT_LIGHT = 45;
  private static final float LIGHT = 85;

  private ColourKernels() {}

  // --- one range of hues, saturation

  static Effect hueShift(HueShiftLayer layer) {
    LookupTable weight = Hues.about(layer.hue(), layer.width());
    return LabPixels.effect(
        (l, a, b, i) -> {
          float w = weight.at(Hues.of(a[i], b[i]));
          if (w > 0) {
            float own = w * Hues.coloured(a[i], b[i]);
            HueBandsKernel.turned(
                a, b, i, own * (float) layer.turn(), 1 + w * (float) layer.chroma());
            l[i] += own * (float) layer.lightness();
          }
        });
  }

  static Effect saturation(SaturationLayer layer) {
    LookupTable skin = Hues.about(SKIN_HUE, SKIN_WIDTH);
    return LabPixels.effect(
        (l, a, b, i) -> {
          double spared = layer.skin() * skin.at(Hues.of(a[i], b[i]));
          float factor = (float) (1 + layer.saturation() * (1 - spared));
          a[i] *= factor;
          b[i] *= factor;
        });
  }

  // --- a colour of their own

  /** a* and b* of the tone in proportion to the lightness, so that darks are not laid over with colour. */
  static Effect touch(ColourPaintLayer layer) {
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

  static Effect gradientMap(GradientMapLayer layer) {
    LookupTable[] lab = {along(layer, Lab::l), along(layer, Lab::a), along(layer, Lab::b)};
    return LabPixels.effect(
        (l, a, b, i) -> {
          float at = Math.clamp(l[i] / 100, 0f, 1f);
          l[i] = lab[0].at(at);
          a[i] = lab[1].at(at);
          b[i] = lab[2].at(at);
        });
  }

  private static LookupTable along(
      GradientMapLayer layer, java.util.function.ToDoubleFunction<Lab> coordinate) {
    return new LookupTable(at -> coordinate.applyAsDouble(layer.at(at)), 0, 1, 512);
  }

  // --- towards grey

  static Effect mute(DesaturateLayer layer) {
    MonochromeMix mix = new MonochromeMix(layer.mix());
    float share = (float) layer.share();
    float away = share * (float) (1 - layer.hold());
    return Effect.perPixel(
        own -> {
          float[] grey = mix.lightness(own).values();
          return LabPixels.changed(
              own,
              (l, a, b, i) -> {
                l[i] += away * (grey[i] - l[i]);
                a[i] *= 1 - share;
                b[i] *= 1 - share;
              });
        });
  }

  static Effect mono(MonochromeLayer layer) {
    LookupTable families = Hues.joined((Family f) -> layer.families().get(f.ordinal()));
    LookupTable[] tone = tones(layer.darks(), Tint.NONE, layer.lights());
    return LabPixels.effect(
        (l, a, b, i) -> {
          float light = l[i] + Hues.coloured(a[i], b[i]) * families.at(Hues.of(a[i], b[i]));
          l[i] = Math.clamp(light, 0f, Math.max(100f, l[i]));
          a[i] = tone[0].at(l[i]);
          b[i] = tone[1].at(l[i]);
        });
  }

  // --- balance

  /** Tints of darks, middles and lights as a*, b* over L*; none at black and at white. */
  private static LookupTable[] tones(Tint darks, Tint middles, Tint lights) {
    LookupTable[] out = new LookupTable[2];
    for (int c = 0; c < 2; c++) {
      int coordinate = c;
      out[c] =
          new LookupTable(
              v -> {
                float l = (float) v;
                double dark = 1 - LabPixels.rise(l, DARK, NOT_DARK);
                double light = LabPixels.rise(l, NOT_LIGHT, LIGHT);
                double middle = Math.max(0, 1 - dark - light);
                double ends = LabPixels.rise(l, 0, 8) * (1 - LabPixels.rise(l, 96, 100));
                return ends
                    * (dark * part(darks, coordinate)
                        + middle * part(middles, coordinate)
                        + light * part(lights, coordinate));
              },
              0,
              100,
              8);
    }
    return out;
  }

  private static double part(Tint tint, int coordinate) {
    double hue = Math.toRadians(tint.hue());
    return tint.strength() * (coordinate == 0 ? Math.cos(hue) : Math.sin(hue));
  }

  /**
   * What the tint makes of a grey of the pixel's luminance, as factors of the three linear channels, is
   * done to the pixel; its luminance is then held by its share.
   */
  static Effect balance(ColourBalanceLayer layer) {
    LookupTable[] tint = tones(layer.darks(), layer.middles(), layer.lights());
    LookupTable[] factors = new LookupTable[3];
    for (int c = 0; c < 3; c++) {
      int channel = c;
      factors[c] =
          new LookupTable(
              v -> {
                double l = Math.clamp(v, 1, 100);
                double[] grey = new Lab(l, 0, 0).toWorking();
                double[] tinted =
                    new Lab(l, tint[0].at((float) l), tint[1].at((float) l)).toWorking();
                return Math.max(0, Transfer.toLinear((float) tinted[channel]))
                    / Transfer.toLinear((float) grey[channel]);
              },
              0,
              100,
              8);
    }
    float hold = (float) layer.hold();
    return Effect.perPixel(own -> balanced(own, factors, hold));
  }

  private static Picture balanced(Picture own, LookupTable[] factors, float hold) {
    Picture light = Transfer.toLinear(own);
    float[] lightness = Lab.lightness(own).values();
    float[] r = light.first().values();
    float[] g = light.second().values();
    float[] b = light.third().values();
    int w = own.area().width();
    ParallelRows.each(
        w,
        own.area().height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            float l = lightness[i];
            float before = WorkingSpace.luminance(r[i], g[i], b[i]);
            r[i] *= factors[0].at(l);
            g[i] *= factors[1].at(l);
            b[i] *= factors[2].at(l);
            float after = WorkingSpace.luminance(r[i], g[i], b[i]);
            if (after > 1e-6f) {
              float k = 1 + hold * (before / after - 1);
              r[i] *= k;
              g[i] *= k;
              b[i] *= k;
            }
          }
        });
    return Transfer.encodeInPlace(light);
  }

  /** A curve from black raised to {@code matte}, that meets the straight line with its slope. */
  static MonotoneCurve toe(double matte) {
    return new MonotoneCurve(
        java.util.List.of(
            new MonotoneCurve.Point(0, matte),
            new MonotoneCurve.Point(1.2 * matte, 1.55 * matte),
            new MonotoneCurve.Point(
                Math.min(0.9, 3 * matte + 0.02), Math.min(0.9, 3 * matte + 0.02) + 0.02 * matte),
            new MonotoneCurve.Point(1, 1)));
  }
}
