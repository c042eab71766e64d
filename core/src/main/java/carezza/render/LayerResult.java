package carezza.render;

import carezza.image.Picture;
import carezza.model.Layer;

/** Sees what one layer makes of a whole picture. */
@FunctionalInterface
public interface LayerResult<X extends Exception> {

  /**
   * @param before the layer's input; neither picture may be kept or modified
   */
  void see(Layer layer, Picture before, Picture after) throws X;
}
