package carezza.render;

import carezza.image.Area;
import carezza.image.Picture;

/** The picture at any height of a stack. */
@FunctionalInterface
interface StackPictures {

  /**
   * @param count of the lowest layers that act
   * @param area in pixels of the level
   * @return working-space pixels over the area, not to be modified
   */
  Picture after(int count, Area area);
}
