package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * Moves what is seen: the lens's distortion taken back, the whole picture's width, height and lean,
 * and places pushed, grown, shrunk or smoothed back by hand. It lies over all other layers, so that
 * their masks and repairs, and all that is known of the face, follow it.
 *
 * @param width of the picture, as a share of what it was
 * @param height of the picture, as a share of what it was
 * @param lean how far uprights lean to the right
 * @param nudges by hand, in their order
 * @param held areas that stay where they are under the hand
 * @param force past the job's limit on how far a place may be stretched
 * @param lens what is taken back of the lens's own distortion, before the hand and the stretch
 */
public record ShapeLayer(
    LayerAttributes attributes,
    @Parameter(least = 0.95, most = 1.05, usual = 1, step = 0.001) double width,
    @Parameter(least = 0.95, most = 1.05, usual = 1, step = 0.001) double height,
    @Parameter(unit = Unit.DEGREES, least = -5, most = 5, step = 0.1) double lean,
    List<Nudge> nudges,
    List<SemanticRegion> held,
    boolean force,
    Lens lens)
    implements Layer {

  /** What a hand does to a place. */
  public enum Hand {
    /** Takes it along. */
    PUSH,
    /** Away from the brush's middle. */
    GROW,
    /** Towards the brush's middle. */
    SHRINK,
    /** Back to where it came from. */
    SMOOTH
  }

  /**
   * One stroke of a hand.
   *
   * @param stroke path, radius, and strength with pressure; its softness does not count
   */
  public record Nudge(Hand hand, Stroke stroke) {
    public Nudge {
      Require.present("hand", hand);
      Require.present("stroke", stroke);
    }
  }

  /** Most strokes of one layer. */
  private static final int MOST = 2000;

  public ShapeLayer {
    Require.present("attributes", attributes);
    Parameters.of(ShapeLayer.class).check(width, height, lean);
    nudges = nudges == null ? List.of() : List.copyOf(nudges);
    held = held == null ? List.of() : List.copyOf(held);
    lens = lens == null ? Lens.NONE : lens;
    Require.most("a layer of shape", nudges.size(), MOST);
    attributes = attributes.withStage(Stage.FINISH).inGroup(null);
  }

  /** With a stroke more. */
  public ShapeLayer plus(Nudge nudge) {
    List<Nudge> more = new ArrayList<>(nudges);
    more.add(nudge);
    return withNudges(more);
  }

  public ShapeLayer withNudges(List<Nudge> newNudges) {
    return new ShapeLayer(attributes, width, height, lean, newNudges, held, force, lens);
  }

  public ShapeLayer withHeld(List<SemanticRegion> newHeld) {
    return new ShapeLayer(attributes, width, height, lean, nudges, newHeld, force, lens);
  }

  public ShapeLayer withLens(Lens newLens) {
    return new ShapeLayer(attributes, width, height, lean, nudges, held, force, newLens);
  }

  /** Whether the whole stays as it is but for the hand. */
  public boolean keepsTheWhole() {
    return width == 1 && height == 1 && lean == 0 && lens.keepsPlaces() && lens.keepsLight();
  }

  @Override
  public ShapeLayer with(LayerAttributes newAttributes) {
    return new ShapeLayer(newAttributes, width, height, lean, nudges, held, force, lens);
  }
}
