package carezza.kernel;

import carezza.image.Area;
import carezza.mask.EvaluationContext;
import carezza.model.Layer;

/**
 * What a kind of layer does: what it measures on its input, what of it matters where, and its
 * pixels. One file a kind, in this order. Safe for many threads.
 *
 * @param <L> the kind
 * @param <M> what {@link #effect} is given: what the kind measures, where it does
 */
interface LayerKernel<L extends Layer, M extends Measurements> {

  /** Whether {@link #measure} looks at the picture at all. */
  default boolean measures(L layer) {
    return false;
  }

  /** Measures what the layer needs to know of its input; asked where it {@link #measures}. */
  default Measurements measure(L layer, Probe probe) {
    return new Measurements.None();
  }

  /**
   * The layer with all at a fixed value that {@link #measure} does not look at.
   *
   * @param full the layer at full amount
   */
  default L measured(L full) {
    return full;
  }

  /** The layer with what was left open filled in from its readings. */
  default L resolve(L layer, Measurements read) {
    return layer;
  }

  /** The layer without what cannot matter inside an area of the photograph. */
  default L within(L layer, Area photographArea) {
    return layer;
  }

  /** Whether the layer leaves every pixel as it is wherever it acts. */
  default boolean idle(L layer) {
    return false;
  }

  /**
   * Whether the effect is laid over the input by the layer's amount and mask; otherwise it takes
   * both into account by itself.
   */
  default boolean blends(L layer) {
    return true;
  }

  /**
   * The layer's effect at a level.
   *
   * @param layer as {@link #resolve} left it
   */
  Effect effect(L layer, M read, EvaluationContext context);
}
