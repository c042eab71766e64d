package carezza.kernel;

import java.util.ArrayList;
import java.util.List;

import carezza.filter.GaussianBlur;
import carezza.filter.Membrane;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Site;
import carezza.mask.StrokeCoverage;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Band;
import carezza.model.HealLayer.Offset;
import carezza.model.HealLayer.Patch;
import carezza.model.Stroke;

/**
 * Heal: the patch is filled from its source, and the membrane of the difference between surroundings
 * and source is added so that it joins (Pérez, Gangnet and Blake 2003). The difference is trusted in a
 * rim around the patch only, softly, so that single pores on the outline do not smear inwards, and
 * never inside another patch. All patches read the layer's input, so their order does not matter to
 * what they take.
 *
 * <p>For the texture band the source's detail is laid over the patch's own blurred tone instead.
 */
final class HealKernel {

  /** Coverage from which a pixel counts as part of a patch. */
  private static final float INSIDE = 0.02f;

  /** Width of the rim that the join leans on, as a share of the patch's radius; at least in pixels. */
  private static final double RIM = 0.4;

  private static final double NARROWEST_RIM = 2;

  /** Texture is what lies above this share of the patch's radius. */
  private static final double TEXTURE_SIGMA = 0.5;

  private HealKernel() {}

  static boolean measures(HealLayer layer) {
    return layer.patches().stream().anyMatch(p -> p.source() == null);
  }

  static Readings.HealSources measure(HealLayer layer, Probe probe) {
    return new Readings.HealSources(HealSourceFinder.sources(layer.patches(), probe));
  }

  /** Only the patches that touch the area; neighbours stay, as they limit each other's rims. */
  static HealLayer within(HealLayer layer, Area photographArea) {
    return layer.withPatches(
        layer.patches().stream()
            .filter(p -> surroundings(p.area()).intersects(photographArea))
            .toList());
  }

  /** Where a patch can matter: its own place and the rims of its neighbours. */
  static Area surroundings(Stroke stroke) {
    return stroke.bounds().grow((int) Math.ceil(3 * stroke.radius()) + 8);
  }

  /** With the sources that were found put into the patches that had none. */
  static HealLayer resolve(HealLayer layer, Readings.HealSources found) {
    List<Patch> patches = new ArrayList<>();
    for (int i = 0; i < layer.patches().size(); i++) {
      patches.add(new Patch(layer.patches().get(i).area(), found.offsets().get(i)));
    }
    return layer.withPatches(patches);
  }

  static Effect effect(HealLayer layer, Site site) {
    List<Placed> placed =
        layer.patches().stream()
            .filter(p -> p.source() != null)
            .map(p -> new Placed(p.area(), p.source(), site))
            .toList();
    return new Effect() {
      @Override
      public Area needed(Area out) {
        Area all = out;
        for (Placed p : placed) {
          if (p.own.intersects(out)) {
            all = all.union(p.work).union(p.source());
          }
        }
        return all;
      }

      @Override
      public Effect steady(Picture input, Area out) {
        Picture change = render(input, out);
        for (int c = 0; c < 3; c++) {
          float[] to = change.plane(c).values();
          float[] from = input.plane(c).crop(out).values();
          for (int i = 0; i < to.length; i++) {
            to[i] -= from[i];
          }
        }
        return Effect.perPixel(own -> sum(own, change.crop(own.area())));
      }

      @Override
      public Area changedBy(Area input) {
        Area all = input;
        for (Placed p : placed) {
          if (p.work.intersects(input) || p.source().intersects(input)) {
            all = all.union(p.own);
          }
        }
        return all;
      }

      @Override
      public Picture render(Picture input, Area out) {
        Picture result = Picture.of(out);
        result.copyFrom(input);
        // Fills read the input only and may be found side by side; they are laid on in their order.
        placed.stream()
            .filter(p -> p.own.intersects(out))
            .parallel()
            .map(p -> fill(p, placed, input, layer))
            .forEachOrdered(f -> f.layOn(result));
        return result;
      }
    };
  }

  private static Picture sum(Picture own, Picture change) {
    Picture out = own.copy();
    for (int c = 0; c < 3; c++) {
      float[] to = out.plane(c).values();
      float[] more = change.plane(c).values();
      for (int i = 0; i < to.length; i++) {
        to[i] += more[i];
      }
    }
    return out;
  }

  /** A patch at one level, cut to the picture together with its source. */
  private static final class Placed {
    final Stroke stroke;
    final Area own;
    final Area work;
    final int dx;
    final int dy;
    final double radius;

    Placed(Stroke stroke, Offset offset, Site site) {
      this.stroke = stroke;
      double scale = site.scale();
      dx = (int) Math.round(offset.dx() * scale);
      dy = (int) Math.round(offset.dy() * scale);
      radius = stroke.radius() * scale;
      own = StrokeCoverage.bounds(stroke, site.level()).intersect(site.whole());
      int rim = (int) Math.ceil(Math.max(NARROWEST_RIM, RIM * radius)) + 1;
      // What is read at the source must lie in the picture too.
      Area whole = site.whole();
      Area readable = new Area(whole.x() - dx, whole.y() - dy, whole.width(), whole.height());
      work = own.grow(rim).intersect(whole).intersect(readable);
    }

    Area source() {
      return new Area(work.x() + dx, work.y() + dy, work.width(), work.height());
    }
  }

  /** What a patch is filled with, and where. */
  private record Fill(Picture pixels, Plane coverage) {
    void layOn(Picture result) {
      for (int c = 0; c < 3; c++) {
        blend(result.plane(c), pixels.plane(c), coverage);
      }
    }
  }

  private static Fill fill(Placed p, List<Placed> all, Picture input, HealLayer layer) {
    Area work = p.work;
    if (work.isEmpty() || (p.dx == 0 && p.dy == 0)) {
      return new Fill(Picture.of(Area.EMPTY), Plane.of(Area.EMPTY));
    }
    double scale = p.radius / p.stroke.radius();
    Plane coverage = Plane.of(work);
    coverage.copyFrom(StrokeCoverage.of(p.stroke, work, scale));
    Plane trust = trust(p, all, coverage, scale, layer.softness());
    Picture source = shifted(input.crop(p.source()), work);
    Picture own = input.crop(work);
    Plane[] pixels = new Plane[3];
    for (int c = 0; c < 3; c++) {
      pixels[c] =
          layer.band() == Band.ALL
              ? joined(own.plane(c), source.plane(c), trust)
              : textured(own.plane(c), source.plane(c), Math.max(1, TEXTURE_SIGMA * p.radius));
    }
    return new Fill(new Picture(pixels[0], pixels[1], pixels[2]), coverage);
  }

  private static Picture shifted(Picture picture, Area to) {
    return picture.map(plane -> new Plane(to, plane.values()));
  }

  private static Plane joined(Plane own, Plane source, Plane trust) {
    Plane difference = Plane.of(own.area());
    for (int i = 0; i < difference.values().length; i++) {
      difference.values()[i] = own.values()[i] - source.values()[i];
    }
    Plane fill = Membrane.solve(difference, trust);
    for (int i = 0; i < fill.values().length; i++) {
      fill.values()[i] += source.values()[i];
    }
    return fill;
  }

  private static Plane textured(Plane own, Plane source, double sigma) {
    Plane tone = GaussianBlur.blur(own, sigma);
    Plane sourceTone = GaussianBlur.blur(source, sigma);
    Plane fill = Plane.of(own.area());
    for (int i = 0; i < fill.values().length; i++) {
      fill.values()[i] = tone.values()[i] + source.values()[i] - sourceTone.values()[i];
    }
    return fill;
  }

  /**
   * Trust in the difference: 0 inside this or any other patch, (softness x radius)^-2 in the rim, so
   * that the surface follows the rim's mean over a length of softness x radius.
   */
  private static Plane trust(
      Placed p, List<Placed> all, Plane coverage, double scale, double softness) {
    Area work = coverage.area();
    double length = Math.max(1, softness * p.radius);
    float k = (float) (1 / (length * length));
    Plane trust = Plane.of(work);
    for (int i = 0; i < trust.values().length; i++) {
      trust.values()[i] = coverage.values()[i] < INSIDE ? k : 0;
    }
    Plane ringOnly = trust.copy();
    for (Placed other : all) {
      if (other == p || !other.own.intersects(work)) {
        continue;
      }
      Plane theirs = StrokeCoverage.of(other.stroke, work, scale);
      Area a = theirs.area();
      for (int y = a.y(); y < a.bottom(); y++) {
        for (int x = a.x(); x < a.right(); x++) {
          if (theirs.at(x, y) >= INSIDE) {
            trust.values()[trust.index(x, y)] = 0;
          }
        }
      }
    }
    for (float v : trust.values()) {
      if (v > 0) {
        return trust;
      }
    }
    // Wholly among other patches: better a join to them than none.
    return ringOnly;
  }

  private static void blend(Plane result, Plane fill, Plane coverage) {
    Area shared = result.area().intersect(fill.area());
    for (int y = shared.y(); y < shared.bottom(); y++) {
      for (int x = shared.x(); x < shared.right(); x++) {
        float m = coverage.at(x, y);
        if (m > 0) {
          int i = result.index(x, y);
          result.values()[i] += m * (fill.at(x, y) - result.values()[i]);
        }
      }
    }
  }
}
