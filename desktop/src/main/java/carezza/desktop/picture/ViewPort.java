package carezza.desktop.picture;

import carezza.image.Area;
import carezza.image.Level;
import carezza.image.PictureSize;
import carezza.model.Point;

/**
 * What part of the photograph the view shows.
 *
 * @param x photograph x at the view's left edge
 * @param y photograph y at the view's top edge
 * @param zoom view pixels per photograph pixel
 * @param width of the view in its pixels
 * @param height of the view in its pixels
 */
public record ViewPort(double x, double y, double zoom, int width, int height) {

  private static final double SMALLEST = 0.02;
  private static final double LARGEST = 16;
  private static final double MARGIN = 12;

  /** The whole photograph, centred, with a little room around it. */
  public static ViewPort fit(PictureSize photo, int width, int height) {
    return fit(photo.area(), width, height);
  }

  /** All of a part of the photograph, or more than it, in the middle of the view. */
  public static ViewPort fit(Area part, int width, int height) {
    double zoom =
        Math.min(
            Math.max(1, width - 2 * MARGIN) / part.width(),
            Math.max(1, height - 2 * MARGIN) / part.height());
    return new ViewPort(
        part.x() + (part.width() - width / zoom) / 2,
        part.y() + (part.height() - height / zoom) / 2,
        zoom,
        width,
        height);
  }

  private static ViewPort centred(PictureSize photo, double zoom, int width, int height) {
    return new ViewPort(
        (photo.width() - width / zoom) / 2,
        (photo.height() - height / zoom) / 2,
        zoom,
        width,
        height);
  }

  public Point toPhoto(double viewX, double viewY) {
    return new Point(x + viewX / zoom, y + viewY / zoom);
  }

  public double viewX(double photoX) {
    return (photoX - x) * zoom;
  }

  public double viewY(double photoY) {
    return (photoY - y) * zoom;
  }

  /** Zoomed so that the photograph's place under a view point stays there. */
  public ViewPort zoomed(double newZoom, double viewX, double viewY) {
    double z = Math.clamp(newZoom, SMALLEST, LARGEST);
    Point at = toPhoto(viewX, viewY);
    return new ViewPort(at.x() - viewX / z, at.y() - viewY / z, z, width, height);
  }

  public ViewPort panned(double viewDx, double viewDy) {
    return new ViewPort(x - viewDx / zoom, y - viewDy / zoom, zoom, width, height);
  }

  /** Another size of the view about the same centre. */
  public ViewPort resized(int newWidth, int newHeight) {
    return new ViewPort(
        x + (width - newWidth) / (2 * zoom),
        y + (height - newHeight) / (2 * zoom),
        zoom,
        newWidth,
        newHeight);
  }

  /** The coarsest level that still has a pixel for each of the view's. */
  public int level() {
    return Level.forZoom(Math.min(1, zoom));
  }

  /** The area of a level that the view needs, with a pixel around for interpolation. */
  public Area area(PictureSize photo, int level) {
    double s = Level.scale(level);
    return Area.around(x * s, y * s, (x + width / zoom) * s, (y + height / zoom) * s)
        .grow(2)
        .intersect(photo.atLevel(level).area());
  }
}
