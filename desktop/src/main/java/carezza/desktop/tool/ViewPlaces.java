package carezza.desktop.tool;

import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.ToolKind.Places;
import carezza.model.Point;
import carezza.shape.Shapes;

/**
 * Between places on the screen and those that they mean.
 *
 * @param port what part of the picture the view shows
 * @param shapes what was done to its shape
 */
public record ViewPlaces(ViewPort port, Shapes shapes) {

  /** What a place of the view means. */
  public Point at(double viewX, double viewY, Places places) {
    Point seen = port.toPhoto(viewX, viewY);
    return switch (places) {
      case PICTURE -> seen;
      case HAND -> shapes.unstretched(seen);
      case PHOTOGRAPH -> shapes.source(seen);
    };
  }

  /** Where a place is seen in the picture. */
  public Point seen(Point place, Places places) {
    return switch (places) {
      case PICTURE -> place;
      case HAND -> shapes.stretched(place);
      case PHOTOGRAPH -> shapes.shown(place);
    };
  }
}
