package carezza.kernel;

import carezza.model.Layer;

/** The kernel of a kind that works from the median colour of what its mask covers. */
interface MedianKernel<L extends Layer> extends LayerKernel<L, Measurements.Tone> {

  @Override
  default boolean measures(L layer) {
    return true;
  }

  @Override
  default Measurements.Tone measure(L layer, Probe probe) {
    return Whitening.under(layer.attributes().mask(), probe);
  }
}
