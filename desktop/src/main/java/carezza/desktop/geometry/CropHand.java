package carezza.desktop.geometry;

import carezza.image.PictureSize;
import carezza.model.Crop;
import carezza.model.Point;

/** A frame being dragged: by a corner, by a side, as a whole, or turned from outside. */
public final class CropHand {

  private final Crop from;
  private final Point pressed;
  private final int across;
  private final int down;
  private final boolean outside;
  private final double ratio;

  /**
   * @param grab how near a side counts as on it, in photograph pixels
   * @param ratio width over height that is kept, or 0
   */
  public CropHand(Crop from, Point pressed, double grab, double ratio) {
    this.from = from;
    this.pressed = pressed;
    this.ratio = ratio;
    Point in = from.inside(pressed);
    across = side(in.x(), from.width() / 2, grab);
    down = side(in.y(), from.height() / 2, grab);
    outside =
        Math.abs(in.x()) > from.width() / 2 + grab || Math.abs(in.y()) > from.height() / 2 + grab;
  }

  private static int side(double at, double half, double grab) {
    if (Math.abs(at - half) <= grab) {
      return 1;
    }
    return Math.abs(at + half) <= grab ? -1 : 0;
  }

  /** The frame with the hand somewhere else. */
  public Crop dragged(Point to) {
    if (outside) {
      double turn =
          Math.toDegrees(
              Math.atan2(to.y() - from.y(), to.x() - from.x())
                  - Math.atan2(pressed.y() - from.y(), pressed.x() - from.x()));
      return from.turned(from.angle() + Math.IEEEremainder(turn, 360));
    }
    if (across == 0 && down == 0) {
      return from.moved(from.x() + to.x() - pressed.x(), from.y() + to.y() - pressed.y());
    }
    Point in = from.inside(to);
    double fixedX = -across * from.width() / 2;
    double fixedY = -down * from.height() / 2;
    double width = across == 0 ? from.width() : Math.max(32, across * (in.x() - fixedX));
    double height = down == 0 ? from.height() : Math.max(32, down * (in.y() - fixedY));
    if (ratio > 0) {
      if (across == 0) {
        width = height * ratio;
      } else {
        height = width / ratio;
      }
    }
    double middleX = across == 0 ? 0 : fixedX + across * width / 2;
    double middleY = down == 0 ? 0 : fixedY + down * height / 2;
    Point middle = from.at(2 * middleX / from.width(), 2 * middleY / from.height());
    return new Crop(middle.x(), middle.y(), width, height, from.angle());
  }

  /** The frame turned so that a line comes out level, or upright, inside the photograph. */
  public static Crop levelled(Crop crop, Point one, Point other, PictureSize photograph) {
    double angle = Math.toDegrees(Math.atan2(other.y() - one.y(), other.x() - one.x()));
    double off = angle - 90 * Math.rint(angle / 90);
    return crop.turned(off).within(photograph);
  }
}
