package carezza.model;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

/**
 * Replaces blemishes by skin from nearby that is made to join.
 *
 * @param patches repairs, each independent of the others
 * @param softness how far the membrane leans on the surroundings, as a share of a patch's radius,
 *     0.05 … 2: small follows the edge closely, large takes the broad tone
 * @param band what is replaced: everything, or only the texture above the local tone
 */
public record HealLayer(
    LayerAttributes attributes,
    List<Patch> patches,
    @Parameter(least = 0.05, most = 2, usual = 0.12) double softness,
    Band band)
    implements Layer {

  /** What a heal replaces. */
  public enum Band {
    ALL,
    TEXTURE
  }

  /** How a repair is made. */
  public enum RepairMethod {
    /** Skin from its source, made to join its surroundings. */
    HEAL,
    /** What is at the source, as it is. */
    CLONE,
    /** What is at the source, its tone moved to that of the surroundings. */
    MATCH,
    /** What is there, with less contrast; without a source. */
    REDUCE;

    /** Whether what is at the source is taken as it is. */
    public boolean clones() {
      return this == CLONE || this == MATCH;
    }

    /** Whether anything is taken from elsewhere. */
    public boolean takes() {
      return this != REDUCE;
    }
  }

  /**
   * Where a repair takes its skin from. A place p of the repair is filled from centre + shift +
   * turned, scaled and mirrored (p − centre), about the centre of the repair.
   *
   * @param dx shift in photograph pixels
   * @param dy shift in photograph pixels
   * @param angle in degrees, clockwise on the screen, −360 … 360
   * @param scale 0.1 … 10; 2 takes from an area twice as wide
   * @param mirrored left for right, before it is turned
   */
  public record Source(double dx, double dy, double angle, double scale, boolean mirrored) {

    /** The repair's own place: its texture stays, and its tone is made anew. */
    public static final Source OWN = new Source(0, 0);

    public Source {
      Require.range("dx", dx, -1e6, 1e6);
      Require.range("dy", dy, -1e6, 1e6);
      Require.range("angle", angle, -360, 360);
      Require.range("scale", scale, 0.1, 10);
    }

    /** Shifted only. */
    public Source(double dx, double dy) {
      this(dx, dy, 0, 1, false);
    }

    /** The same at another shift. */
    public Source at(double newDx, double newDy) {
      return new Source(newDx, newDy, angle, scale, mirrored);
    }
  }

  /**
   * One repair.
   *
   * @param area what is replaced
   * @param sources where each of its pieces takes its replacement; empty to have them chosen. One
   *     source for all of a long stroke makes it one piece
   * @param way how
   * @param amount 0 … 1: 1 as if nothing had been there
   */
  public record Patch(RepairArea area, List<Source> sources, RepairMethod way, double amount) {
    public Patch {
      Require.present("area", area);
      sources = sources == null ? List.of() : List.copyOf(sources);
      way = way == null ? RepairMethod.HEAL : way;
      Require.range("amount", amount, 0, 1);
      if (sources.size() > 1 && sources.size() != count(area, way)) {
        throw new IllegalArgumentException(
            "a repair of %d pieces has %d sources".formatted(count(area, way), sources.size()));
      }
    }

    /** A heal in full. */
    public Patch(RepairArea area, @Nullable Source source) {
      this(area, source == null ? List.of() : List.of(source), RepairMethod.HEAL, 1);
    }

    /** A round spot whose source is to be chosen. */
    public static Patch spot(double x, double y, double radius) {
      return new Patch(Stroke.dab(x, y, radius, SPOT_SOFTNESS), null);
    }

    /** Whether sources are still to be chosen. */
    public boolean open() {
      return way.takes() && sources.isEmpty();
    }

    /** Long strokes are healed in pieces, as no one place fits all along them. */
    private static int count(RepairArea area, RepairMethod way) {
      return way == RepairMethod.HEAL && area instanceof Stroke s
          ? Math.clamp((long) Math.ceil(s.length() / (PIECE * s.radius())), 1, MOST_PIECES)
          : 1;
    }

    /** The repair in pieces, each with its source, or null where that is to be chosen. */
    public List<Piece> pieces() {
      int count = sources.size() == 1 ? 1 : count(area, way);
      if (count == 1 || !(area instanceof Stroke s)) {
        return List.of(new Piece(area, sources.isEmpty() ? null : sources.getFirst()));
      }
      List<Stroke> parts = s.parts(count);
      List<Piece> pieces = new ArrayList<>();
      for (int i = 0; i < count; i++) {
        pieces.add(new Piece(parts.get(i), sources.isEmpty() ? null : sources.get(i)));
      }
      return pieces;
    }

    public Patch withSources(List<Source> newSources) {
      return new Patch(area, newSources, way, amount);
    }

    /**
     * Wider or narrower by a factor. What it takes from is looked for anew, unless it was said
     * where.
     *
     * @param factor above 0
     */
    public Patch scaled(double factor) {
      return new Patch(area.scaled(factor), way.clones() ? sources : List.of(), way, amount);
    }

    public Patch withAmount(double newAmount) {
      return new Patch(area, sources, way, newAmount);
    }

    /**
     * Made in another way; what takes nothing keeps no sources, and no place is a clone of itself.
     */
    public Patch withWay(RepairMethod newWay) {
      boolean fits =
          newWay == RepairMethod.HEAL
              || newWay.clones() && sources.size() <= 1 && !sources.contains(Source.OWN);
      return new Patch(area, fits ? sources : List.of(), newWay, amount);
    }

    /** Elsewhere, or of another size; sources stay where they are in relation to it. */
    public Patch withArea(RepairArea newArea) {
      boolean fits = sources.size() <= 1 || sources.size() == count(newArea, way);
      return new Patch(newArea, fits ? sources : List.of(), way, amount);
    }
  }

  /** A part of a repair that has a source of its own. */
  public record Piece(RepairArea area, @Nullable Source source) {

    /** Whether it is known to take its skin from another place. */
    public boolean takesFromElsewhere() {
      return source != null && !source.equals(Source.OWN);
    }
  }

  /** Length of a piece, in radii, and the most pieces of a stroke. */
  private static final double PIECE = 5;

  private static final int MOST_PIECES = 200;

  /** Softness of a spot's edge: wide enough to hide the join, hard enough to cover the core. */
  private static final double SPOT_SOFTNESS = 0.35;

  public HealLayer {
    Require.present("attributes", attributes);
    Parameters.of(HealLayer.class).check(softness);
    patches = patches == null ? List.of() : List.copyOf(patches);
    band = band == null ? Band.ALL : band;
  }

  public HealLayer withPatches(List<Patch> newPatches) {
    return new HealLayer(attributes, newPatches, softness, band);
  }

  /** With another repair in the place of one. */
  public HealLayer changed(int index, UnaryOperator<Patch> change) {
    List<Patch> changed = new ArrayList<>(patches);
    changed.set(index, change.apply(changed.get(index)));
    return withPatches(changed);
  }

  /** Without some repairs. */
  public HealLayer without(Collection<Integer> indices) {
    List<Patch> left = new ArrayList<>();
    for (int i = 0; i < patches.size(); i++) {
      if (!indices.contains(i)) {
        left.add(patches.get(i));
      }
    }
    return withPatches(left);
  }

  /** With one repair more. */
  public HealLayer plus(Patch patch) {
    List<Patch> more = new ArrayList<>(patches);
    more.add(patch);
    return withPatches(more);
  }

  @Override
  public HealLayer with(LayerAttributes newAttributes) {
    return new HealLayer(newAttributes, patches, softness, band);
  }
}
