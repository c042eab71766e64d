package carezza.render;

import carezza.mask.Regions;
import carezza.model.LayerStack;

/**
 * What is rendered: a stack over the photograph with its regions.
 *
 * @param stack the layers to render as they act; cut it short for the picture below a layer
 */
public record Scene(LayerStack stack, Regions regions) {

  public Scene {
    stack = stack.acting();
  }

  public Scene through(int layers) {
    return new Scene(stack.lowest(layers), regions);
  }
}
