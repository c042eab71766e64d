package carezza.image;

import java.util.Arrays;
import java.util.Objects;

/**
 * One channel over an area: {@code values} holds its pixels row by row. The array is shared, not
 * copied; whoever made the plane may write to it until it is handed on.
 */
public record Plane(Area area, float[] values) {

  public Plane {
    Objects.requireNonNull(area);
    if (values.length != area.pixels()) {
      throw new IllegalArgumentException(
          "Plane of " + area.pixels() + " pixels with " + values.length + " values");
    }
  }

  public static Plane of(Area area) {
    return new Plane(area, new float[area.pixels()]);
  }

  public static Plane filled(Area area, float value) {
    Plane plane = of(area);
    Arrays.fill(plane.values, value);
    return plane;
  }

  public int width() {
    return area.width();
  }

  public int height() {
    return area.height();
  }

  /** Index of the pixel at absolute {@code x}, {@code y}, which must lie inside the area. */
  public int index(int x, int y) {
    return (y - area.y()) * area.width() + (x - area.x());
  }

  public float at(int x, int y) {
    return values[index(x, y)];
  }

  /** Value at the nearest pixel of the area: outside, the border value is repeated. */
  public float atNearest(int x, int y) {
    return at(
        Math.clamp(x, area.x(), area.right() - 1), Math.clamp(y, area.y(), area.bottom() - 1));
  }

  /** Bilinear value at real coordinates, pixel centres at +0.5; borders are repeated. */
  public float sample(double x, double y) {
    return Bilinear.at(area, x, y).of(this);
  }

  /** The pixels inside {@code part}, which must lie inside the area; itself if it is the same. */
  public Plane crop(Area part) {
    if (part.equals(area)) {
      return this;
    }
    if (!area.contains(part)) {
      throw new IllegalArgumentException(part + " is not inside " + area);
    }
    Plane out = of(part);
    out.copyFrom(this);
    return out;
  }

  /** Overwrites the pixels shared with {@code other} by its values. */
  public void copyFrom(Plane other) {
    Area shared = area.intersect(other.area);
    for (int y = shared.y(); y < shared.bottom(); y++) {
      System.arraycopy(
          other.values, other.index(shared.x(), y), values, index(shared.x(), y), shared.width());
    }
  }

  /** The smallest area that holds every pixel above 0. */
  public Area covered() {
    int left = area.right();
    int right = area.x() - 1;
    int top = area.bottom();
    int bottom = area.y() - 1;
    for (int y = area.y(); y < area.bottom(); y++) {
      int row = index(area.x(), y);
      int first = 0;
      while (first < area.width() && !(values[row + first] > 0)) {
        first++;
      }
      if (first < area.width()) {
        int last = area.width() - 1;
        while (!(values[row + last] > 0)) {
          last--;
        }
        left = Math.min(left, area.x() + first);
        right = Math.max(right, area.x() + last);
        top = Math.min(top, y);
        bottom = y;
      }
    }
    return right < left ? Area.EMPTY : new Area(left, top, right - left + 1, bottom - top + 1);
  }

  public Plane copy() {
    return new Plane(area, values.clone());
  }

  /** Product with a plane over the same area, pixel by pixel. */
  public Plane times(Plane other) {
    if (!area.equals(other.area)) {
      throw new IllegalArgumentException(other.area + " times " + area);
    }
    Plane out = of(area);
    for (int i = 0; i < values.length; i++) {
      out.values[i] = values[i] * other.values[i];
    }
    return out;
  }

  /** Difference from a plane over the same area, pixel by pixel. */
  public Plane minus(Plane other) {
    if (!area.equals(other.area)) {
      throw new IllegalArgumentException(other.area + " taken from " + area);
    }
    Plane out = of(area);
    for (int i = 0; i < values.length; i++) {
      out.values[i] = values[i] - other.values[i];
    }
    return out;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Plane p && area.equals(p.area) && Arrays.equals(values, p.values);
  }

  @Override
  public int hashCode() {
    return 31 * area.hashCode() + Arrays.hashCode(values);
  }

  @Override
  public String toString() {
    return "Plane[" + area + "]";
  }
}
