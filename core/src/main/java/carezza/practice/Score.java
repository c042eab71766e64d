package carezza.practice;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.image.Plane;

/**
 * What became of an exercise.
 *
 * @param points 0 … 1
 * @param readings what they were made of
 * @param remarks what to look for next time, the most important first
 * @param map where something was missed or overdone; null where the answer is a number
 */
public record Score(
    double points, List<Reading> readings, List<Remark> remarks, @Nullable Map map) {

  /** Halvings of a map. */
  public static final int MAP_LEVELS = 2;

  public Score {
    readings = List.copyOf(readings);
    remarks = List.copyOf(remarks);
  }

  /** What is read of a result. */
  public enum Measure {
    FOUND,
    RIGHT,
    MARKS_LOST,
    REMOVED,
    TEXTURE,
    FORM,
    ALONG_FORM,
    SPILL,
    EDGE,
    RADIUS,
    TEETH_YELLOW,
    SCLERA_YELLOW,
    WHITE,
    SECONDS_EACH
  }

  /**
   * A number and where it should lie.
   *
   * @param low end of its band; NaN where it has none
   */
  public record Reading(Measure measure, double value, double low, double high) {

    public boolean inside() {
      return !(value < low) && !(value > high);
    }
  }

  /**
   * Places at a quarter of the size, 0 … 1.
   *
   * @param missed the fault is still there
   * @param overdone farther from the truth than before
   * @param lost the sitter's own marks that are gone
   */
  public record Map(Plane missed, Plane overdone, Plane lost) {}
}
