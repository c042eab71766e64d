package carezza.kernel;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.colour.Pigments;
import carezza.filter.GaussianBlur;
import carezza.filter.MaskedBlur;
import carezza.filter.Resampling;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.SkinToneEveningLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.SkinToneEveningLayer.Wedge;

/**
 * Evens skin colour by pigment: of the low bands (fw/60, inside the mask) of haemoglobin and
 * melanin ({@link Pigments}), what lies above the 25th percentile is taken away by its strength, so
 * shading stays. The strength falls by itself where a map's blotches drown in its noise.
 *
 * <p>Towards a picked target, colour moves by the low band's distance from it: hue and chroma by
 * their strengths, the chroma aimed at scaled to what this skin has at that lightness, weight
 * falling off with the distance; lightness moves as a whole, so form stays.
 */
final class SkinToneEveningKernel
    implements LayerKernel<SkinToneEveningLayer, Measurements.SkinTone> {

  private static final double LOW = 1 / 60.0;
  private static final double WIDE = 1 / 8.0;

  /** What is finer than this counts as noise of a map. */
  private static final double FINE = LOW / 4;

  /**
   * Part of one pigment that may be read as the other: the directions of the two lie 18° apart, and
   * those of a camera and a light within some 3.5° of them; sin 3.5° over sin 18°.
   */
  private static final double CROSSED = 0.2;

  /** Share of the skin that holds no excess of redness: flushed faces have little that is calm. */
  private static final double CALM = 0.25;

  /**
   * Share of the skin that holds no excess of pigment: only patches are, and lighter skin is drift.
   */
  private static final double UNPATCHED = 0.6;

  /** Distance in L*a*b* at which the pull towards the target is down to a third. */
  private static final double FALL_OFF = 22;

  /** How far the sides of a range of colours fall off. */
  private static final float SOFT_DEGREES = 8;

  private static final float SOFT_CHROMA = 5;

  @Override
  public boolean measures(SkinToneEveningLayer layer) {
    return true;
  }

  @Override
  public Measurements.SkinTone measure(SkinToneEveningLayer layer, Probe probe) {
    EvaluationContext context = probe.site();
    double fw = context.faceWidth();
    Plane everywhere =
        Masks.render(layer.attributes().mask(), context.whole(), context, probe.input());
    int reach = GaussianBlur.reach(fw * FINE);
    Area box = everywhere.covered().grow(reach).intersect(context.whole());
    Plane mask = everywhere.crop(box);
    Picture input = probe.input().crop(box);
    Pigments.Maps maps = Pigments.of(input);
    Plane red = GaussianBlur.normalised(maps.haemoglobin(), mask, fw * LOW);
    Plane brown = GaussianBlur.normalised(maps.melanin(), mask, fw * LOW);
    double redSpread = spread(red, mask, fw);
    double brownSpread = spread(brown, mask, fw);
    Plane shade = GaussianBlur.normalised(maps.shade(), mask, fw * LOW);
    double perShade =
        Math.max(
            0,
            RobustStatistics.slope(
                RobustStatistics.values(shade, mask), RobustStatistics.values(red, mask)));
    Plane unexplained = less(red, shade, perShade);
    Picture lab = Lab.of(input);
    Plane chroma = chroma(lab);
    return new Measurements.SkinTone(
        perShade,
        orZero(RobustStatistics.quantile(RobustStatistics.values(unexplained, mask), CALM)),
        trust(maps.haemoglobin(), redSpread, brownSpread, mask, fw),
        orZero(RobustStatistics.quantile(RobustStatistics.values(brown, mask), UNPATCHED)),
        trust(maps.melanin(), brownSpread, redSpread, mask, fw),
        orZero(RobustStatistics.median(lab.first(), mask)),
        orZero(RobustStatistics.median(lab.second(), mask)),
        orZero(RobustStatistics.median(lab.third(), mask)),
        slope(lab.first(), chroma, mask));
  }

  /** A map less what of it another explains. */
  private static Plane less(Plane map, Plane other, double share) {
    Plane out = Plane.of(map.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = (float) (map.values()[i] - share * other.values()[i]);
    }
    return out;
  }

  private static double orZero(double v) {
    return Double.isNaN(v) ? 0 : v;
  }

  /** Spread of a low band's blotches. */
  private static double spread(Plane low, Plane mask, double fw) {
    return RobustStatistics.sigma(low.minus(GaussianBlur.normalised(low, mask, fw * WIDE)), mask);
  }

  /**
   * Wiener-like: s² / (s² + n² + c²), s the spread of the blotches, n what the fine noise of the
   * map leaves after the low band's blur, c what of the other pigment's spread may have crossed
   * over.
   */
  private static double trust(Plane map, double s, double other, Plane mask, double fw) {
    double fine = RobustStatistics.sigma(map.minus(GaussianBlur.blur(map, fw * FINE)), mask);
    // Skin and sensor noise are correlated over a few pixels: their spread falls with the blur's
    // width over that length, not over single pixels.
    double n = fine * CORRELATION / (LOW * fw);
    double c = CROSSED * other;
    return s * s / (s * s + n * n + c * c + 1e-12);
  }

  /** Length in pixels of the analysis size over which noise goes together. */
  private static final double CORRELATION = 1.5;

  private static Plane chroma(Picture lab) {
    Plane out = Plane.of(lab.area());
    for (int i = 0; i < out.values().length; i++) {
      float a = lab.second().values()[i];
      float b = lab.third().values()[i];
      out.values()[i] = (float) Math.sqrt(a * a + b * b);
    }
    return out;
  }

  /** Least-squares slope of chroma on lightness over the mask. */
  private static double slope(Plane lightness, Plane chroma, Plane mask) {
    double[] l = RobustStatistics.values(lightness, mask);
    double[] c = RobustStatistics.values(chroma, mask);
    double ml = 0;
    double mc = 0;
    for (int i = 0; i < l.length; i++) {
      ml += l[i] / l.length;
      mc += c[i] / l.length;
    }
    double sxy = 0;
    double sxx = 1e-9;
    for (int i = 0; i < l.length; i++) {
      sxy += (l[i] - ml) * (c[i] - mc);
      sxx += (l[i] - ml) * (l[i] - ml);
    }
    return sxy / sxx;
  }

  @Override
  public SkinToneEveningLayer measured(SkinToneEveningLayer full) {
    return new SkinToneEveningLayer(full.attributes(), 0, 0, null, 0, 0, 0, null, false);
  }

  @Override
  public Effect effect(
      SkinToneEveningLayer layer, Measurements.SkinTone tone, EvaluationContext context) {
    return new Evening(layer, tone, context, LowBand.of(context, context.faceWidth() * LOW), null);
  }

  /**
   * What is done to each pixel, over a coarse area: densities of pigment to take away, and shifts
   * of L*, a*, b*; null where nothing of the kind is asked for.
   */
  private record Excess(Plane melanin, Plane haemoglobin) {}

  private record Change(@Nullable Excess excess, @Nullable Picture shift) {}

  private record Evening(
      SkinToneEveningLayer layer,
      Measurements.SkinTone tone,
      EvaluationContext site,
      LowBand low,
      @Nullable Change ready)
      implements Effect {

    private double sigma() {
      return low.sigma(site.faceWidth() * LOW);
    }

    private Area readBy(Area coarse) {
      EvaluationContext there = low.coarse();
      int reach =
          GaussianBlur.reach(sigma()) + Masks.reach(layer.attributes().mask(), there.scale());
      return coarse.grow(reach).intersect(there.whole());
    }

    @Override
    public Area needed(Area out) {
      return ready == null ? out.union(low.fine(readBy(low.coarse(out)))) : out;
    }

    @Override
    public Effect over(Picture input, Area out) {
      return new Evening(layer, tone, site, low, change(input, low.coarse(out)));
    }

    @Override
    public Picture render(Picture input, Area out) {
      Change change = ready == null ? change(input, low.coarse(out)) : ready;
      Picture own = input.crop(out);
      Excess excess = change.excess();
      if (excess != null) {
        own = Pigments.remove(own, fine(excess.melanin(), out), fine(excess.haemoglobin(), out));
      }
      if (change.shift() != null) {
        Picture lab = Lab.of(own);
        for (int c = 0; c < 3; c++) {
          Resampling.addExpanded(change.shift().plane(c), low.levels(), lab.plane(c));
        }
        own = Lab.toWorking(lab);
      }
      return own;
    }

    private Plane fine(Plane coarse, Area out) {
      Plane plane = Plane.of(out);
      Resampling.addExpanded(coarse, low.levels(), plane);
      return plane;
    }

    private Change change(Picture input, Area coarse) {
      Picture own = low.reduced(input, readBy(coarse));
      Plane mask = Masks.render(layer.attributes().mask(), own.area(), low.coarse(), own);
      MaskedBlur blur = new MaskedBlur(mask, sigma());
      Plane inRange =
          layer.range() == null ? null : wedge(layer.range(), Lab.of(own).map(blur::blur));
      Excess excess = null;
      if (layer.redness() > 0 || layer.pigment() > 0) {
        Pigments.Maps maps = Pigments.of(own);
        Plane haemoglobin =
            excess(
                blur.blur(less(maps.haemoglobin(), maps.shade(), tone.haemoglobinPerShade())),
                tone.haemoglobinBase(),
                layer.redness() * tone.haemoglobinTrust());
        Plane melanin =
            excess(
                blur.blur(maps.melanin()),
                tone.melaninBase(),
                layer.pigment() * tone.melaninTrust());
        if (inRange != null) {
          haemoglobin = haemoglobin.times(inRange);
          melanin = melanin.times(inRange);
        }
        own = layer.target() == null ? own : Pigments.remove(own, melanin, haemoglobin);
        excess = new Excess(melanin.crop(coarse), haemoglobin.crop(coarse));
      }
      Picture shift = null;
      Target target = layer.target();
      if (target != null) {
        shift = shift(target, Lab.of(own).map(blur::blur));
        shift = (inRange == null ? shift : shift.map(p -> p.times(inRange))).crop(coarse);
      }
      return new Change(excess, shift);
    }

    /** 1 inside the wedge, falling softly beyond its sides. */
    private static Plane wedge(Wedge range, Picture band) {
      Plane out = Plane.of(band.area());
      for (int i = 0; i < out.values().length; i++) {
        float a = band.second().values()[i];
        float b = band.third().values()[i];
        double c = Math.hypot(a, b);
        double off = Lab.hueDistance(Hues.of(a, b), range.hue()) - range.width();
        double in = 1 - LabPixels.rise((float) off, 0, SOFT_DEGREES);
        in *= LabPixels.rise((float) (c - range.from()), -SOFT_CHROMA, 0);
        out.values()[i] =
            (float) in * (1 - LabPixels.rise((float) (c - range.to()), 0, SOFT_CHROMA));
      }
      return out;
    }

    /** How far each place of the low band, in L*a*b*, moves towards the target. */
    private Picture shift(Target target, Picture band) {
      Picture shift = Picture.of(band.area());
      double apart = layer.lightness() * (target.lightness() - tone.medianLightness());
      double most = site.job().limit("skin", "mostChange");
      float lift = (float) (layer.force() ? apart : Math.clamp(apart, -most, most));
      for (int i = 0; i < band.area().pixels(); i++) {
        double l = band.first().values()[i];
        Lab at = new Lab(l, band.second().values()[i], band.third().values()[i]);
        double wanted =
            Math.max(0, target.chroma() + tone.chromaSlope() * (l - tone.medianLightness()));
        double turn = ((target.hue() - at.hue() + 540) % 360) - 180;
        Lab aim = Lab.ofLch(l, wanted, target.hue());
        double distance = Math.hypot(aim.a() - at.a(), aim.b() - at.b());
        double weight = Math.exp(-distance * distance / (FALL_OFF * FALL_OFF));
        Lab moved =
            Lab.ofLch(
                l,
                at.chroma() + weight * layer.chroma() * (wanted - at.chroma()),
                at.hue() + weight * layer.hue() * turn);
        shift.first().values()[i] = lift;
        shift.second().values()[i] = (float) (moved.a() - at.a());
        shift.third().values()[i] = (float) (moved.b() - at.b());
      }
      return shift;
    }
  }

  private static Plane excess(Plane low, double base, double strength) {
    for (int i = 0; i < low.values().length; i++) {
      low.values()[i] = (float) (strength * Math.max(0, low.values()[i] - base));
    }
    return low;
  }
}
