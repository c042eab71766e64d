package carezza.kernel;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.filter.GaussianBlur;
import carezza.filter.Membrane;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.RepairCoverage;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Band;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.RepairArea;
import carezza.model.SemanticRegion;

/**
 * Heal: the patch is filled from its source, and the membrane of the difference between
 * surroundings and source is added so that it joins (Pérez, Gangnet and Blake 2003). The difference
 * is trusted in a rim around the patch only, softly, so that single pores on the outline do not
 * smear inwards, and never inside another patch. All patches read the layer's input, so their order
 * does not matter to what they take.
 *
 * <p>Skin is made anew from its {@link SkinTone} and the {@link SkinTexture} of its source, or its
 * own where that is whole. For the texture band the source's detail is laid over the patch's own
 * blurred tone instead. Clones are taken as they are, or with their mean moved; a reduced repair
 * keeps its own texture over the membrane of its surroundings' tone.
 */
final class HealKernel implements LayerKernel<HealLayer, Measurements> {

  /** Coverage from which a pixel counts as part of a patch. */
  private static final float INSIDE = 0.02f;

  /**
   * Width of the rim that the join leans on, as a share of the patch's radius; at least in pixels.
   */
  static final double RIM = 0.6;

  private static final double NARROWEST_RIM = 2;

  /** Texture is what lies above this share of the patch's radius. */
  private static final double TEXTURE_SIGMA = 0.5;

  /** What a reduced repair lowers is what lies below this share of its radius. */
  private static final double REDUCE_SIGMA = 0.15;

  /** Share of skin from which a patch is healed as skin. */
  static final double SKIN = 0.5;

  @Override
  public boolean measures(HealLayer layer) {
    return layer.patches().stream().anyMatch(Patch::open);
  }

  @Override
  public Measurements.HealSources measure(HealLayer layer, Probe probe) {
    return new Measurements.HealSources(HealSourceFinder.sources(layer, probe));
  }

  /** Only the patches that touch the area; neighbours stay, as they limit each other's rims. */
  @Override
  public HealLayer within(HealLayer layer, Area photographArea) {
    return layer.withPatches(
        layer.patches().stream()
            .filter(p -> surroundings(p.area()).intersects(photographArea))
            .toList());
  }

  @Override
  public boolean idle(HealLayer layer) {
    return layer.patches().isEmpty();
  }

  /** Where a patch can matter: its own place and the rims of its neighbours. */
  static Area surroundings(RepairArea area) {
    return area.bounds().grow((int) Math.ceil(3 * area.radius()) + 8);
  }

  /** With the sources that were found put into the patches that had none. */
  @Override
  public HealLayer resolve(HealLayer layer, Measurements read) {
    if (!(read instanceof Measurements.HealSources found)) {
      return layer;
    }
    List<Patch> patches = new ArrayList<>();
    for (int i = 0; i < layer.patches().size(); i++) {
      Patch patch = layer.patches().get(i);
      patches.add(patch.open() ? patch.withSources(found.sources().get(i)) : patch);
    }
    return layer.withPatches(patches);
  }

  @Override
  public Effect effect(HealLayer layer, Measurements read, EvaluationContext context) {
    List<Placed> placed = new ArrayList<>();
    for (Patch patch : layer.patches()) {
      for (Piece piece : patch.pieces()) {
        if (piece.source() != null || !patch.way().takes()) {
          placed.add(new Placed(piece, patch, context));
        }
      }
    }
    return new Effect() {
      @Override
      public Area needed(Area out) {
        Area all = out;
        for (Placed p : placed) {
          if (p.own.intersects(out)) {
            all = all.union(p.work).union(p.source);
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
          if (p.work.intersects(input) || p.source.intersects(input)) {
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
            .map(p -> fill(p, placed, input, layer, context))
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

  /** A piece at one level, cut to the picture. */
  private static final class Placed {
    final RepairArea area;
    final RepairMethod way;
    final float amount;
    final Area own;
    final Area work;

    /** What is read for it elsewhere, cut to the picture; empty if nothing is. */
    final Area source;

    final @Nullable Placement from;
    final double scale;
    final double radius;

    Placed(Piece piece, Patch patch, EvaluationContext context) {
      area = piece.area();
      way = patch.way();
      amount = (float) patch.amount();
      scale = context.scale();
      radius = area.radius() * scale;
      own = RepairCoverage.bounds(area, context.level()).intersect(context.whole());
      int rim = (int) Math.ceil(Math.max(NARROWEST_RIM, RIM * radius)) + 1;
      work = own.grow(rim).intersect(context.whole());
      from = piece.source() == null ? null : new Placement(area.centre(), piece.source(), scale);
      source =
          from == null || work.isEmpty() ? Area.EMPTY : from.read(work).intersect(context.whole());
    }

    /** Nothing would change, or there is nothing to take. */
    boolean idle() {
      return work.isEmpty()
          || way.takes() && (from == null || source.isEmpty() || way.clones() && from.still());
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

  private static Fill fill(
      Placed p, List<Placed> all, Picture input, HealLayer layer, EvaluationContext context) {
    Area work = p.work;
    if (p.idle()) {
      return new Fill(Picture.of(Area.EMPTY), Plane.of(Area.EMPTY));
    }
    Plane coverage = Plane.of(work);
    coverage.copyFrom(RepairCoverage.of(p.area, work, p.scale));
    Plane trust = trust(p, all, coverage, layer.softness());
    Picture own = input.crop(work);
    if (p.way != RepairMethod.CLONE) {
      ProtectedAreas.over(context, own, p.area.bounds())
          .ifPresent(f -> f.keepApart(coverage, trust));
    }
    Placement from = p.way.takes() ? p.from : null;
    Picture source = from == null ? own : from.taken(input.crop(p.source), work);
    Picture pixels =
        p.way == RepairMethod.HEAL && layer.band() == Band.ALL && skin(context, coverage) >= SKIN
            ? healedSkin(own, source, trust, coverage, p)
            : filled(own, source, trust, layer.band(), p);
    if (p.amount < 1) {
      for (int i = 0; i < coverage.values().length; i++) {
        coverage.values()[i] *= p.amount;
      }
    }
    if (from != null) {
      leaveWhatHasNoSource(coverage, p, from, input.area());
    }
    return new Fill(pixels, coverage);
  }

  /** Share of a patch that is skin. */
  private static double skin(EvaluationContext context, Plane coverage) {
    Plane skin = context.regions().coverage(SemanticRegion.SKIN, coverage.area(), context.level());
    double on = 0;
    double all = 1e-9;
    for (int i = 0; i < skin.values().length; i++) {
      on += coverage.values()[i] * skin.values()[i];
      all += coverage.values()[i];
    }
    return on / all;
  }

  private static Picture healedSkin(
      Picture own, Picture source, Plane trust, Plane coverage, Placed p) {
    SkinTone tone = new SkinTone(own, trust, coverage, p.radius);
    SkinTexture texture = new SkinTexture(own, trust, coverage, p.radius, p.scale);
    if (!texture.visible()) {
      return tone.picture();
    }
    return p.from == null || p.from.still()
        ? texture.layOwn(tone.picture())
        : texture.lay(source, tone.picture());
  }

  private static Picture filled(Picture own, Picture source, Plane trust, Band band, Placed p) {
    Plane[] pixels = new Plane[3];
    for (int c = 0; c < 3; c++) {
      Plane mine = own.plane(c);
      Plane theirs = source.plane(c);
      pixels[c] =
          switch (p.way) {
            case HEAL ->
                band == Band.ALL
                    ? joined(mine, theirs, trust)
                    : textured(mine, theirs, Math.max(1, TEXTURE_SIGMA * p.radius));
            case CLONE -> theirs;
            case MATCH -> shifted(theirs, meanDifference(mine, theirs, trust));
            case REDUCE -> reduced(mine, trust, Math.max(0.7, REDUCE_SIGMA * p.radius));
          };
    }
    return new Picture(pixels[0], pixels[1], pixels[2]);
  }

  /** Where a source reaches out of the picture there is nothing to take. */
  private static void leaveWhatHasNoSource(Plane coverage, Placed p, Placement from, Area picture) {
    if (picture.contains(from.read(p.work))) {
      return;
    }
    Area a = coverage.area();
    for (int y = a.y(); y < a.bottom(); y++) {
      for (int x = a.x(); x < a.right(); x++) {
        if (!p.source.contains(from.wholeX(x, y), from.wholeY(x, y))) {
          coverage.values()[coverage.index(x, y)] = 0;
        }
      }
    }
  }

  private static double meanDifference(Plane own, Plane source, Plane trust) {
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < trust.values().length; i++) {
      sum += trust.values()[i] * (own.values()[i] - source.values()[i]);
      weight += trust.values()[i];
    }
    return weight == 0 ? 0 : sum / weight;
  }

  private static Plane shifted(Plane plane, double by) {
    Plane out = plane.copy();
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] += (float) by;
    }
    return out;
  }

  /** Its tone made that of its surroundings, with its own texture. */
  private static Plane reduced(Plane own, Plane trust, double sigma) {
    Plane tone = GaussianBlur.blur(own, sigma);
    Plane calm = Membrane.solve(tone, trust);
    for (int i = 0; i < calm.values().length; i++) {
      calm.values()[i] += own.values()[i] - tone.values()[i];
    }
    return calm;
  }

  /** The source joined by the membrane of the difference. */
  private static Plane joined(Plane own, Plane source, Plane trust) {
    Plane fill = Membrane.solve(own.minus(source), trust);
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
   * Trust in the difference: 0 inside this or any other patch, (softness x radius)^-2 in the rim,
   * so that the surface follows the rim's mean over a length of softness x radius.
   */
  private static Plane trust(Placed p, List<Placed> all, Plane coverage, double softness) {
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
      Plane theirs = RepairCoverage.of(other.area, work, p.scale);
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
