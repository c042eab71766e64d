package carezza.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

import carezza.colour.Lab;
import carezza.colour.Pigments;
import carezza.colour.Transfer;
import carezza.filter.GaussianBlur;
import carezza.filter.MaskedBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Point;
import carezza.practice.Sitter.Part;

/**
 * Paints on a sitter's skin by the model that skin is measured by ({@link Pigments}): density is
 * added along the directions of haemoglobin and melanin, so that pores, light and shade stay. What
 * is painted stays inside what is seen on skin and off lips, eyes, brows and hair.
 */
final class SkinPainter {

  /** Coverage of skin from which a place is free to be painted on. */
  private static final float FREE = 0.98f;

  private static final int TRIES = 4000;

  private final Sitter sitter;
  private final Random random;
  private final double fw;
  private final Plane skin;
  private final Plane free;
  private final List<Spot> taken = new ArrayList<>();

  SkinPainter(Sitter sitter, long seed) {
    this.sitter = sitter;
    random = randomOf(seed);
    fw = sitter.faceWidth();
    skin = sitter.mask(Part.SKIN);
    Plane open = skin.copy();
    for (Part part :
        new Part[] {Part.LIPS, Part.TEETH, Part.SCLERA, Part.IRIS, Part.BROWS_LASHES, Part.HAIR}) {
      Plane other = sitter.mask(part);
      for (int i = 0; i < open.values().length; i++) {
        open.values()[i] *= 1 - other.values()[i];
      }
    }
    free = GaussianBlur.blur(open, fw / 200);
    for (Point mole : sitter.moles()) {
      taken.add(new Spot(mole.x(), mole.y(), fw / 90, 0, 0, 1, 0));
    }
  }

  /** Neighbouring seeds make other beginnings, too. */
  static Random randomOf(long seed) {
    return new Random(seed * 0x9E3779B97F4A7C15L ^ seed << 17);
  }

  Plane skin() {
    return skin;
  }

  double between(double low, double high) {
    return low + (high - low) * random.nextDouble();
  }

  // --- places

  /** Red spots as they come and go, darker on deep skin. */
  List<Spot> blemishes(int count) {
    List<Spot> spots = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double radius = fw * between(0.013, 0.024);
      double red = between(0.3, 0.5);
      double dark = sitter.isDeep() ? between(0.25, 0.4) : between(0.02, 0.1);
      place(radius, red, dark, 0).ifPresent(spots::add);
    }
    return spots;
  }

  /** Moles, which are the sitter's own. */
  List<Spot> moles(int count) {
    List<Spot> spots = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      place(fw * between(0.006, 0.010), 0, between(0.5, 0.9), 1).ifPresent(spots::add);
    }
    return spots;
  }

  private Optional<Spot> place(double radius, double red, double dark, double edge) {
    for (int i = 0; i < TRIES; i++) {
      double x = between(sitter.left(), sitter.right());
      double y = between(sitter.top(), sitter.bottom());
      if (isFree(x, y, 1.7 * radius)) {
        Spot spot = new Spot(x, y, radius, red, dark, edge, between(0, 2 * Math.PI));
        taken.add(spot);
        return Optional.of(spot);
      }
    }
    return Optional.empty();
  }

  private boolean isFree(double x, double y, double around) {
    for (int k = 0; k < 25; k++) {
      double r = k == 0 ? 0 : around * (k <= 8 ? 0.5 : 1);
      int px = (int) Math.round(x + r * Math.cos(k * Math.PI / 4));
      int py = (int) Math.round(y + r * Math.sin(k * Math.PI / 4));
      if (!inside(px, py) || free.at(px, py) < FREE) {
        return false;
      }
    }
    return taken.stream()
        .noneMatch(s -> Math.hypot(s.x() - x, s.y() - y) < 2 * (s.radius() + around));
  }

  private boolean inside(int x, int y) {
    Area a = free.area();
    return x >= a.x() && y >= a.y() && x < a.right() && y < a.bottom();
  }

  // --- painting

  /** The spots, one after the other, into a new picture. */
  static Picture with(Picture base, List<Spot> spots) {
    Picture out = base.copy();
    for (Spot spot : spots) {
      int reach = (int) Math.ceil(spot.reach());
      Area box =
          new Area((int) spot.x() - reach, (int) spot.y() - reach, 2 * reach + 1, 2 * reach + 1)
              .intersect(base.area());
      Plane melanin = Plane.of(box);
      Plane haemoglobin = Plane.of(box);
      for (int y = box.y(); y < box.bottom(); y++) {
        for (int x = box.x(); x < box.right(); x++) {
          double share = spot.share(x + 0.5, y + 0.5);
          melanin.values()[melanin.index(x, y)] = (float) (-spot.melanin() * share);
          haemoglobin.values()[haemoglobin.index(x, y)] = (float) (-spot.haemoglobin() * share);
        }
      }
      out.copyFrom(Pigments.remove(out.crop(box), melanin, haemoglobin));
    }
    return out;
  }

  /** Coverage of the spots: 1 in the middle of each. */
  static Plane coverage(Area area, List<Spot> spots) {
    Plane out = Plane.of(area);
    for (Spot spot : spots) {
      int reach = (int) Math.ceil(1.5 * spot.radius());
      Area box =
          new Area((int) spot.x() - reach, (int) spot.y() - reach, 2 * reach + 1, 2 * reach + 1)
              .intersect(area);
      for (int y = box.y(); y < box.bottom(); y++) {
        for (int x = box.x(); x < box.right(); x++) {
          double r = Math.hypot(x + 0.5 - spot.x(), y + 0.5 - spot.y()) / spot.radius();
          int i = out.index(x, y);
          out.values()[i] = Math.max(out.values()[i], (float) Math.clamp(2.5 - 2 * r, 0, 1));
        }
      }
    }
    return out;
  }

  /**
   * A field of soft patches on the skin, each less than 1 high, light ones beside dark ones.
   *
   * @param least smallest sigma of a patch in pixels, {@code most} the largest
   */
  Plane patches(int count, double least, double most, boolean onlyMore) {
    Plane out = Plane.of(skin.area());
    for (int n = 0; n < count; n++) {
      double x = between(sitter.left(), sitter.right());
      double y = between(sitter.top(), sitter.bottom());
      double sigma = between(least, most);
      double high = between(0.5, 1) * (onlyMore || random.nextBoolean() ? 1 : -1);
      int reach = (int) Math.ceil(3 * sigma);
      Area box =
          new Area((int) x - reach, (int) y - reach, 2 * reach + 1, 2 * reach + 1)
              .intersect(out.area());
      for (int py = box.y(); py < box.bottom(); py++) {
        for (int px = box.x(); px < box.right(); px++) {
          double r = ((px - x) * (px - x) + (py - y) * (py - y)) / (2 * sigma * sigma);
          out.values()[out.index(px, py)] += (float) (high * Math.exp(-r));
        }
      }
    }
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = Math.clamp(out.values()[i], -1, 1) * skin.values()[i];
    }
    return out;
  }

  /** The skin below the face, as a neck is. */
  Plane neck() {
    Plane out = skin.copy();
    double cx = (sitter.left() + sitter.right()) / 2;
    double cy = (sitter.top() + sitter.bottom()) / 2;
    double rx = (sitter.right() - sitter.left()) / 2;
    double ry = (sitter.bottom() - sitter.top()) / 2;
    for (int y = 0; y < out.height(); y++) {
      for (int x = 0; x < out.width(); x++) {
        double r = Math.hypot((x - cx) / rx, (y - cy) / ry);
        boolean below = y > cy + 0.5 * ry;
        double share = below ? Math.clamp((r - 0.97) / 0.06, 0, 1) : 0;
        out.values()[out.index(x, y)] *= (float) share;
      }
    }
    return out;
  }

  /** Pigment over a plane of shares. */
  static Picture tinted(Picture base, Plane share, double haemoglobin, double melanin) {
    return Pigments.remove(base, scaled(share, -melanin), scaled(share, -haemoglobin));
  }

  static Plane scaled(Plane plane, double factor) {
    Plane out = plane.copy();
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] *= (float) factor;
    }
    return out;
  }

  /**
   * Yellower by so much b*, where the place is.
   *
   * @param by in b*
   */
  static Picture yellowed(Picture base, Plane place, double by) {
    Area box = place.covered();
    if (box.isEmpty()) {
      return base;
    }
    Picture lab = Lab.of(base.crop(box));
    float[] b = lab.third().values();
    float[] share = place.crop(box).values();
    for (int i = 0; i < b.length; i++) {
      b[i] += (float) by * share[i];
    }
    Picture out = base.copy();
    out.copyFrom(Lab.toWorking(lab));
    return out;
  }

  static Plane size(Plane plane) {
    Plane out = plane.copy();
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = Math.abs(out.values()[i]);
    }
    return out;
  }

  static Plane inverted(Plane plane) {
    Plane out = plane.copy();
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = 1 - out.values()[i];
    }
    return out;
  }

  /**
   * Light taken away or laid on, alike in all channels.
   *
   * @param density of each pixel, below 0 for light
   */
  static Picture shaded(Picture base, Plane density) {
    return Transfer.encodeInPlace(
        Transfer.toLinear(base)
            .map(
                plane -> {
                  for (int i = 0; i < plane.values().length; i++) {
                    plane.values()[i] *= (float) Math.exp(-density.values()[i]);
                  }
                  return plane;
                }));
  }

  /**
   * Another backdrop behind the same person, in linear light: x + open (S − B), B the backdrop
   * about each place.
   *
   * @param wanted S by channel
   */
  static Picture behind(Picture base, Plane open, MaskedBlur about, float[] wanted) {
    Picture light = Transfer.toLinear(base);
    for (int c = 0; c < 3; c++) {
      float[] own = light.plane(c).values();
      float[] old = about.blur(light.plane(c)).values();
      for (int i = 0; i < own.length; i++) {
        own[i] = Math.max(0, own[i] + open.values()[i] * (wanted[c] - old[i]));
      }
    }
    return Transfer.encodeInPlace(light);
  }
}
