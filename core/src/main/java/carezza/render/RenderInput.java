package carezza.render;

import carezza.job.JobLevel;
import carezza.mask.Regions;
import carezza.model.LayerStack;

/**
 * What is rendered: a stack over the photograph with its regions.
 *
 * @param stack the layers to render as they act; cut it short for the picture below a layer
 * @param job whose limits the layers keep
 */
public record RenderInput(LayerStack stack, Regions regions, JobLevel job) {

  public RenderInput {
    stack = stack.acting();
  }

  /** For the portrait job. */
  public RenderInput(LayerStack stack, Regions regions) {
    this(stack, regions, JobLevel.portrait());
  }

  /** Another stack over the same. */
  public RenderInput with(LayerStack other) {
    return new RenderInput(other, regions, job);
  }

  /** With everything where it was in the photograph, and where regions say it is. */
  public RenderInput unshaped() {
    LayerStack flat = stack.unshaped();
    return flat == stack ? this : with(flat);
  }

  /** Cut to what lies below a layer. */
  public RenderInput below(String layer) {
    return through(stack.indexOf(layer));
  }

  /** Cut to a layer and what lies below it. */
  public RenderInput upTo(String layer) {
    return through(stack.indexOf(layer) + 1);
  }

  /** Cut to so many of the lowest layers. */
  public RenderInput through(int layers) {
    return new RenderInput(stack.lowest(layers), regions, job);
  }
}
