package carezza.mask;

import carezza.image.Area;
import carezza.image.Plane;

/**
 * A coverage that is kept for long: 16 bits a pixel, and only where it is not zero. What comes back
 * differs by less than a hundred-thousandth.
 */
final class StoredCoverage {

  private static final float STEPS = 65535;

  private final Area whole;
  private final Area held;
  private final short[] values;

  private StoredCoverage(Area whole, Area held, short[] values) {
    this.whole = whole;
    this.held = held;
    this.values = values;
  }

  /**
   * @param coverage values 0 … 1
   */
  static StoredCoverage of(Plane coverage) {
    Area held = covered(coverage);
    short[] values = new short[held.pixels()];
    int i = 0;
    for (int y = held.y(); y < held.bottom(); y++) {
      for (int x = held.x(); x < held.right(); x++) {
        values[i++] = (short) Math.round(Math.clamp(coverage.at(x, y), 0, 1) * STEPS);
      }
    }
    return new StoredCoverage(coverage.area(), held, values);
  }

  private static Area covered(Plane coverage) {
    Area area = coverage.area();
    int left = area.right();
    int right = area.x();
    int top = area.bottom();
    int bottom = area.y();
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        if (coverage.at(x, y) > 0) {
          left = Math.min(left, x);
          right = Math.max(right, x + 1);
          top = Math.min(top, y);
          bottom = y + 1;
        }
      }
    }
    return right <= left
        ? new Area(area.x(), area.y(), 0, 0)
        : new Area(left, top, right - left, bottom - top);
  }

  /** What it was made of, which it has values for. */
  Area area() {
    return whole;
  }

  /** Values over an area within {@link #area}. */
  Plane over(Area area) {
    if (!whole.contains(area)) {
      throw new IllegalArgumentException(area + " is not inside " + whole);
    }
    Plane out = Plane.of(area);
    int from = Math.max(area.x(), held.x());
    int to = Math.min(area.right(), held.right());
    for (int y = Math.max(area.y(), held.y());
        y < Math.min(area.bottom(), held.bottom()) && from < to;
        y++) {
      int at = (y - held.y()) * held.width() + from - held.x();
      int into = out.index(from, y);
      for (int x = from; x < to; x++) {
        out.values()[into++] = (values[at++] & 0xffff) / STEPS;
      }
    }
    return out;
  }
}
