package carezza.practice;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.colour.Pigments;
import carezza.filter.GaussianBlur;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.practice.Sitter.Part;

/** What an eye is tested on: which of two crops has more of it. */
public enum Quality {
  /** Pores lost: share of the band finer than fw/110. */
  TEXTURE(0.7, 0.02, 1, null),
  /** Form lost: share of the light at fw/18. */
  FORM(0.7, 0.02, 1, null),
  /** Redness: density of haemoglobin laid on. */
  REDNESS(0.12, 0.002, 0.4, null),
  /** Hue of skin turned towards yellow, in degrees. */
  HUE(14, 0.3, 40, null),
  /** Teeth yellower, in b*. */
  TEETH(9, 0.2, 25, Part.TEETH),
  /** Whites of the eyes yellower, in b*. */
  EYES(10, 0.3, 30, Part.SCLERA),
  /** Halo of sharpening: gain of detail finer than fw/250. */
  HALO(2.2, 0.05, 6, null);

  private final double start;
  private final double least;
  private final double most;
  private final @Nullable Part part;

  Quality(double start, double least, double most, @Nullable Part part) {
    this.start = start;
    this.least = least;
    this.most = most;
    this.part = part;
  }

  /** A new staircase of it. */
  public Staircase staircase() {
    return new Staircase(start, least, most);
  }

  /** The part that it is about; null for skin. */
  @Nullable Part part() {
    return part;
  }

  /** People whose pictures show it. */
  List<Sitter> sitters() {
    return List.of(Sitter.values()).stream().filter(s -> part == null || s.shows(part)).toList();
  }

  /**
   * A crop with more of it.
   *
   * @param crop working space
   * @param place coverage of what is changed
   * @param fw width of the face in pixels
   */
  Picture laidOn(Picture crop, Plane place, double fw, double strength) {
    float s = (float) strength;
    if (this == REDNESS) {
      return Pigments.remove(crop, Plane.of(crop.area()), SkinPainter.scaled(place, -strength));
    }
    Picture lab = Lab.of(crop);
    float[] l = lab.first().values();
    float[] a = lab.second().values();
    float[] b = lab.third().values();
    float[] m = place.values();
    switch (this) {
      case TEXTURE -> {
        float[] low = GaussianBlur.blur(lab.first(), fw / 110).values();
        for (int i = 0; i < l.length; i++) {
          l[i] += m[i] * s * (low[i] - l[i]);
        }
      }
      case FORM -> {
        Plane low = GaussianBlur.blur(lab.first(), fw / 18);
        float mean = mean(low, place);
        for (int i = 0; i < l.length; i++) {
          l[i] += m[i] * s * (mean - low.values()[i]);
        }
      }
      case HUE -> {
        double turn = Math.toRadians(strength);
        float cos = (float) Math.cos(turn);
        float sin = (float) Math.sin(turn);
        for (int i = 0; i < l.length; i++) {
          float ta = a[i] * cos - b[i] * sin;
          float tb = a[i] * sin + b[i] * cos;
          a[i] += m[i] * (ta - a[i]);
          b[i] += m[i] * (tb - b[i]);
        }
      }
      case HALO -> {
        float[] low = GaussianBlur.blur(lab.first(), fw / 250).values();
        for (int i = 0; i < l.length; i++) {
          l[i] += s * (l[i] - low[i]);
        }
      }
      default -> {
        for (int i = 0; i < b.length; i++) {
          b[i] += m[i] * s;
        }
      }
    }
    return Lab.toWorking(lab);
  }

  private static float mean(Plane values, Plane weights) {
    double sum = 0;
    double weight = 1e-9;
    for (int i = 0; i < values.values().length; i++) {
      sum += weights.values()[i] * values.values()[i];
      weight += weights.values()[i];
    }
    return (float) (sum / weight);
  }
}
