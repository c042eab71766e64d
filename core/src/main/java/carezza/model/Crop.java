package carezza.model;

import java.util.List;

import carezza.image.PictureSize;

/**
 * What of the picture is delivered: a rectangle that may be turned and may reach beyond the
 * photograph, where the backdrop goes on.
 *
 * @param x of its middle in photograph pixels
 * @param y of its middle
 * @param width in photograph pixels, before turning
 * @param height before turning
 * @param angle degrees that it is turned by, clockwise, −45 … 45; the picture comes out upright
 */
public record Crop(double x, double y, double width, double height, double angle) {

  public Crop {
    Require.range("x of the frame", x, -1e6, 1e6);
    Require.range("y of the frame", y, -1e6, 1e6);
    Require.range("width of the frame", width, 16, 1e6);
    Require.range("height of the frame", height, 16, 1e6);
    Require.range("angle of the frame", angle, -45, 45);
  }

  /** The whole photograph. */
  public static Crop of(PictureSize size) {
    return new Crop(size.width() / 2.0, size.height() / 2.0, size.width(), size.height(), 0);
  }

  /** A place inside the frame, from −1 … 1 on each side, on the photograph. */
  public Point at(double across, double down) {
    double t = Math.toRadians(angle);
    double dx = across * width / 2;
    double dy = down * height / 2;
    return new Point(
        x + dx * Math.cos(t) - dy * Math.sin(t), y + dx * Math.sin(t) + dy * Math.cos(t));
  }

  /** A place of the photograph in pixels from the frame's middle, along its sides. */
  public Point inside(Point place) {
    double t = Math.toRadians(angle);
    double dx = place.x() - x;
    double dy = place.y() - y;
    return new Point(dx * Math.cos(t) + dy * Math.sin(t), -dx * Math.sin(t) + dy * Math.cos(t));
  }

  /** Corners from the top left, clockwise. */
  public List<Point> corners() {
    return List.of(at(-1, -1), at(1, -1), at(1, 1), at(-1, 1));
  }

  public Crop moved(double toX, double toY) {
    return new Crop(toX, toY, width, height, angle);
  }

  public Crop turned(double degrees) {
    return new Crop(x, y, width, height, Math.clamp(degrees, -45, 45));
  }

  /** As large as fits into the frame about its middle, with sides of this ratio. */
  public Crop ofRatio(double widthOverHeight) {
    double w = Math.min(width, height * widthOverHeight);
    return new Crop(x, y, w, w / widthOverHeight, angle);
  }

  /** As large as this frame's shape can be about its middle without leaving the photograph. */
  public Crop within(PictureSize photograph) {
    double most = 1;
    for (Point c : corners()) {
      most = Math.min(most, room(x, c.x(), photograph.width()));
      most = Math.min(most, room(y, c.y(), photograph.height()));
    }
    return new Crop(x, y, Math.max(16, most * width), Math.max(16, most * height), angle);
  }

  /** Share of the way from the middle to a corner that lies inside 0 … length. */
  private static double room(double middle, double corner, double length) {
    double way = corner - middle;
    if (way > 0) {
      return Math.max(0, length - middle) / way;
    }
    return way < 0 ? Math.max(0, middle) / -way : 1;
  }

  /** Larger on every side by a share of its width and height. */
  public Crop grown(double share) {
    return new Crop(x, y, width * (1 + 2 * share), height * (1 + 2 * share), angle);
  }

  /** Size of what is delivered, in pixels of a level. */
  public PictureSize size(double scale) {
    return new PictureSize(
        Math.max(1, (int) Math.round(width * scale)),
        Math.max(1, (int) Math.round(height * scale)));
  }
}
