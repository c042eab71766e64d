package carezza.render;

import carezza.mask.Regions;
import carezza.model.LayerStack;

/**
 * What is rendered: a stack over the photograph with its regions.
 *
 * @param stack the layers to render as they act; cut it short for the picture below a layer
 */
public record RenderInput(LayerStack stack, Regions regions) {

  public RenderInput {
    stack = stack.acting();
  }

  public RenderInput through(int layers) {
    return new RenderInput(stack.lowest(layers), regions);
  }
}
