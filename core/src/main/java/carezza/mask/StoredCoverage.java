package carezza.mask;

import carezza.image.Area;
import carezza.image.ParallelRows;
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
    Area held = held(coverage);
    short[] values = new short[held.pixels()];
    ParallelRows.each(
        held.width(),
        held.height(),
        (from, to) -> {
          int i = from * held.width();
          for (int y = held.y() + from; y < held.y() + to; y++) {
            int row = coverage.index(held.x(), y);
            for (int x = 0; x < held.width(); x++) {
              float v = Math.clamp(coverage.values()[row + x], 0f, 1f);
              values[i++] = (short) (v * STEPS + 0.5f);
            }
          }
        });
    return new StoredCoverage(coverage.area(), held, values);
  }

  private static Area held(Plane coverage) {
    Area covered = coverage.covered();
    Area area = coverage.area();
    return covered.isEmpty() ? new Area(area.x(), area.y(), 0, 0) : covered;
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
