package carezza.measure;

import carezza.colour.Lab;
import carezza.colour.Pigments;
import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.SemanticRegion;

/**
 * The picture seen in a way that shows one thing alone, to judge by; never part of the picture.
 * Maps are grey where there is nothing to see, lighter for more and darker for less. All sigmas are
 * shares of the face width.
 */
public enum CheckView {
  LIGHT(0),
  GRAIN(0),
  WAVE(0),
  COLOUR(0),
  HUE(0),
  REDNESS(1 / 8.0),
  PIGMENT(1 / 8.0),
  LOW(1 / 85.0),
  HIGH(1 / 85.0),
  BLOTCH(1 / 40.0),
  FORM(1 / 18.0),
  TEXTURE(1 / 15.0),
  CHANGE(0),
  CLIPPING(0),
  ATTENTION(1 / 30.0);

  private static final double RADIUS = 1 / 85.0;

  /** Periods of the wave over the scale of L*. */
  private static final double WAVE_PERIOD = 12;

  private static final double GRAIN_SPREAD = 22;

  private final double widest;

  CheckView(double widest) {
    this.widest = widest;
  }

  /** Whether it compares with the picture after Settle. */
  public boolean compares() {
    return this == FORM || this == TEXTURE || this == CHANGE;
  }

  /** Pixels of the level around a place that decide how it is seen. */
  public int reach(EvaluationContext context) {
    return widest == 0 ? 0 : GaussianBlur.reach(context.faceWidth() * widest);
  }

  /**
   * The picture seen this way.
   *
   * @param working at a level; not modified
   * @param before the same area after Settle; asked only where it {@link #compares}
   * @return working-space pixels of the same area
   */
  public Picture of(Picture working, Picture before, EvaluationContext context) {
    double fw = context.faceWidth();
    return switch (this) {
      case LIGHT -> grey(Lab.lightness(working));
      case GRAIN -> grey(grained(Lab.lightness(working)));
      case WAVE -> grey(each(Lab.lightness(working), CheckView::wave));
      case COLOUR -> recoloured(Lab.of(working), 3);
      case HUE -> hue(Lab.of(working));
      case REDNESS -> onSkin(Pigments.of(working).haemoglobin(), fw / 60, fw / 8, 160, context);
      case PIGMENT -> onSkin(Pigments.of(working).melanin(), fw / 60, fw / 8, 80, context);
      case LOW -> working.map(p -> GaussianBlur.blur(p, fw * RADIUS));
      case HIGH -> band(Lab.lightness(working), 0, fw * RADIUS, 3);
      case BLOTCH -> onSkin(Lab.lightness(working), fw / 110, fw / 40, 12, context);
      case FORM -> form(Lab.lightness(before), Lab.lightness(working), fw);
      case TEXTURE -> texture(Lab.lightness(before), Lab.lightness(working), fw);
      case CHANGE -> change(Lab.of(before), Lab.of(working));
      case CLIPPING -> clipping(working, context);
      case ATTENTION -> attention(Lab.of(working), fw);
    };
  }

  @FunctionalInterface
  private interface PixelRule {
    float of(float v);
  }

  private static Plane each(Plane plane, PixelRule rule) {
    Plane out = Plane.of(plane.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = rule.of(plane.values()[i]);
    }
    return out;
  }

  /** Neutral working-space pixels of an L*. */
  private static Picture grey(Plane lightness) {
    Area area = lightness.area();
    return Lab.toWorking(
        new Picture(
            each(lightness, v -> Math.max(0, Math.min(100, v))), Plane.of(area), Plane.of(area)));
  }

  private static float wave(float l) {
    return (float) (50 + 45 * Math.sin(2 * Math.PI * l / WAVE_PERIOD));
  }

  /** Grain that stays where it is on the picture. */
  private static Plane grained(Plane lightness) {
    Area area = lightness.area();
    Plane out = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        int i = out.index(x, y);
        long h = (x * 0x9E3779B97F4A7C15L) ^ (y * 0xC2B2AE3D27D4EB4FL);
        h = (h ^ (h >>> 29)) * 0xBF58476D1CE4E5B9L;
        h ^= h >>> 32;
        double grain = ((h & 0xFFFF) + (h >>> 16 & 0xFFFF)) / 65535.0 - 1;
        out.values()[i] = (float) (lightness.values()[i] + GRAIN_SPREAD * grain);
      }
    }
    return out;
  }

  private static Picture recoloured(Picture lab, float factor) {
    return Lab.toWorking(
        new Picture(
            lab.first(), each(lab.second(), v -> factor * v), each(lab.third(), v -> factor * v)));
  }

  /** At one lightness, as colourful as the place is up to a moderate chroma: greys have no hue. */
  private static Picture hue(Picture lab) {
    Plane l = each(lab.first(), v -> 62);
    Plane a = Plane.of(lab.area());
    Plane b = Plane.of(lab.area());
    for (int i = 0; i < a.values().length; i++) {
      float va = lab.second().values()[i];
      float vb = lab.third().values()[i];
      float chroma = (float) Math.sqrt(va * va + vb * vb);
      float gain = 40 / Math.max(8, chroma);
      a.values()[i] = va * gain;
      b.values()[i] = vb * gain;
    }
    return Lab.toWorking(new Picture(l, a, b));
  }

  private static Plane between(Plane plane, double fine, double coarse) {
    Plane low = fine == 0 ? plane.copy() : GaussianBlur.blur(plane, fine);
    Plane lower = GaussianBlur.blur(plane, coarse);
    for (int i = 0; i < low.values().length; i++) {
      low.values()[i] -= lower.values()[i];
    }
    return low;
  }

  private static Picture band(Plane plane, double fine, double coarse, float gain) {
    return grey(each(between(plane, fine, coarse), v -> 50 + gain * v));
  }

  /**
   * A band filtered inside the skin, as the gauges do it, and grey elsewhere; all over without a
   * face.
   */
  private static Picture onSkin(
      Plane plane, double fine, double coarse, float gain, EvaluationContext context) {
    Plane skin = context.regions().coverage(SemanticRegion.SKIN, plane.area(), context.level());
    if (skin.covered().isEmpty()) {
      return band(plane, fine, coarse, gain);
    }
    Plane low = GaussianBlur.normalised(plane, skin, fine);
    Plane lower = GaussianBlur.normalised(plane, skin, coarse);
    for (int i = 0; i < low.values().length; i++) {
      float seen = skin.values()[i] * (low.values()[i] - lower.values()[i]);
      low.values()[i] = skin.values()[i] > 0 ? 50 + gain * seen : 50;
    }
    return grey(low);
  }

  private static Picture form(Plane before, Plane after, double fw) {
    Plane lost = Plane.of(after.area());
    for (int i = 0; i < lost.values().length; i++) {
      lost.values()[i] = before.values()[i] - after.values()[i];
    }
    return grey(each(GaussianBlur.blur(lost, fw / 18), v -> 50 + 6 * v));
  }

  /** The logarithm of the ratio of local energies of the pore band, 25 L* for a factor of two. */
  private static Picture texture(Plane before, Plane after, double fw) {
    Plane was = energy(before, fw);
    Plane is = energy(after, fw);
    for (int i = 0; i < is.values().length; i++) {
      double ratio = (is.values()[i] + 0.02) / (was.values()[i] + 0.02);
      is.values()[i] = (float) (50 + 25 * Math.log(ratio) / Math.log(2));
    }
    return grey(is);
  }

  private static Plane energy(Plane lightness, double fw) {
    return GaussianBlur.blur(each(between(lightness, fw / 450, fw / 110), v -> v * v), fw / 30);
  }

  private static Picture change(Picture before, Picture after) {
    Picture out = Picture.of(after.area());
    for (int c = 0; c < 3; c++) {
      float[] was = before.plane(c).values();
      float[] is = after.plane(c).values();
      float[] to = out.plane(c).values();
      for (int i = 0; i < to.length; i++) {
        to[i] = (c == 0 ? 50 : 0) + 4 * (is[i] - was[i]);
      }
    }
    return Lab.toWorking(out);
  }

  private static Picture clipping(Picture working, EvaluationContext context) {
    Picture srgb = WorkingSpace.toSrgb(working);
    Plane l = each(Lab.lightness(working), v -> 35 + 0.3f * v);
    for (int i = 0; i < l.values().length; i++) {
      float most = Math.max(srgb.first().values()[i], srgb.second().values()[i]);
      most = Math.max(most, srgb.third().values()[i]);
      if (Clipping.white(most) || Clipping.full(context, working.area(), i)) {
        l.values()[i] = 100;
      } else if (Clipping.black(most)) {
        l.values()[i] = 0;
      }
    }
    return grey(l);
  }

  /**
   * Lightness, local contrast and chroma, each in the measure in which it stands out at a glance.
   */
  private static Picture attention(Picture lab, double fw) {
    Plane contrast =
        GaussianBlur.blur(each(between(lab.first(), 0, fw / 60), v -> Math.abs(v)), fw / 30);
    Plane light = GaussianBlur.blur(lab.first(), fw / 30);
    Plane a = GaussianBlur.blur(lab.second(), fw / 30);
    Plane b = GaussianBlur.blur(lab.third(), fw / 30);
    Plane out = Plane.of(lab.area());
    for (int i = 0; i < out.values().length; i++) {
      double chroma = Math.hypot(a.values()[i], b.values()[i]);
      out.values()[i] =
          (float) (0.45 * light.values()[i] + 5 * contrast.values()[i] + 0.5 * chroma - 8);
    }
    return grey(out);
  }
}
