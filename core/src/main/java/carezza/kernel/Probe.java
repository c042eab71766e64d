package carezza.kernel;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;

/**
 * What a layer measures on: its input on the analysis size, and on request at any level.
 *
 * @param site at the analysis level
 * @param input working-space pixels of the whole picture at that level; not to be modified
 * @param levels gives the layer's input elsewhere
 */
public record Probe(EvaluationContext site, Picture input, Levels levels) {

  /** The layer's input at all levels. */
  @FunctionalInterface
  public interface Levels {

    /**
     * @param area in pixels of the level, inside the picture
     * @return working-space pixels over the area; not to be modified
     */
    Picture over(Area area, int level);
  }
}
