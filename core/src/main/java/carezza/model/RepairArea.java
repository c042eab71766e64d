package carezza.model;

import carezza.image.Area;

/** Where a repair is made, in photograph coordinates: along a stroke, or inside an outline. */
public sealed interface RepairArea permits Stroke, Mask.Polygon {

  /** All photograph pixels that it can reach. */
  Area bounds();

  /** Half its width where it is narrow, in photograph pixels: the measure of all that joins it. */
  double radius();

  /** Its middle. */
  Point centre();

  /**
   * As wide as before times a factor, about its middle or along its path.
   *
   * @param factor above 0
   */
  RepairArea scaled(double factor);
}
