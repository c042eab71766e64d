package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * Replaces blemishes by skin from nearby that is made to join.
 *
 * @param patches repairs, each independent of the others
 * @param softness how far the membrane leans on the surroundings, as a share of a patch's radius,
 *     0.05 … 2: small follows the edge closely, large takes the broad tone
 * @param band what is replaced: everything, or only the texture above the local tone
 */
public record HealLayer(Head head, List<Patch> patches, double softness, Band band)
    implements Layer {

  /** What a heal replaces. */
  public enum Band {
    ALL,
    TEXTURE
  }

  /**
   * One repair.
   *
   * @param area what is replaced
   * @param source offset from each place to where its replacement is taken; null to have it chosen
   */
  public record Patch(Stroke area, Offset source) {
    public Patch {
      Require.present("area", area);
    }

    /** A round spot whose source is to be chosen. */
    public static Patch spot(double x, double y, double radius) {
      return new Patch(Stroke.dab(x, y, radius, SPOT_SOFTNESS), null);
    }
  }

  /** A shift in photograph pixels. */
  public record Offset(double dx, double dy) {}

  /** Softness of a spot's edge: wide enough to hide the join, hard enough to cover the core. */
  private static final double SPOT_SOFTNESS = 0.35;

  public HealLayer {
    Require.present("head", head);
    patches = patches == null ? List.of() : List.copyOf(patches);
    Require.range("softness", softness, 0.05, 2);
    Require.present("band", band);
  }

  public HealLayer withPatches(List<Patch> newPatches) {
    return new HealLayer(head, newPatches, softness, band);
  }

  /** With one repair more. */
  public HealLayer plus(Patch patch) {
    List<Patch> more = new ArrayList<>(patches);
    more.add(patch);
    return withPatches(more);
  }

  @Override
  public HealLayer with(Head newHead) {
    return new HealLayer(newHead, patches, softness, band);
  }
}
