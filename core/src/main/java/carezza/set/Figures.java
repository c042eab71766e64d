package carezza.set;

import org.jspecify.annotations.Nullable;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;

/**
 * What of a picture is compared across a set.
 *
 * @param skin median colour of the skin of the face, or null where there is none
 * @param stops that the picture is exposed above what its lights and eyes ask for
 * @param contrast L* between the darkest and the lightest twentieth of the picture
 * @param castA of the colour of what should be neutral, a*
 * @param castB of the colour of what should be neutral, b*
 * @param layers of the stack
 */
public record Figures(
    @Nullable Lab skin, double stops, double contrast, double castA, double castB, int layers) {

  /** Something that is compared. */
  public enum Axis {
    /** ΔE00 between the skins: people differ, so nobody is out of line by it. */
    SKIN("ΔE", 8),
    /** Difference of exposure. */
    EXPOSURE("stops", 0.5),
    /** Difference of contrast. */
    CONTRAST("L*", 15),
    /** ΔE*ab between the casts. */
    BALANCE("ΔE", 6);

    private final String unit;
    private final double limit;

    Axis(String unit, double limit) {
      this.unit = unit;
      this.limit = limit;
    }

    public String unit() {
      return unit;
    }

    /** Difference from which a picture is out of line. */
    public double limit() {
      return limit;
    }
  }

  /**
   * How far it is from a reference along an axis: signed where there is a direction; NaN where
   * there is nothing to compare.
   */
  public double off(Figures reference, Axis axis) {
    return switch (axis) {
      case SKIN ->
          skin == null || reference.skin == null
              ? Double.NaN
              : DeltaE2000.between(skin, reference.skin);
      case EXPOSURE -> stops - reference.stops;
      case CONTRAST -> contrast - reference.contrast;
      case BALANCE -> Math.hypot(castA - reference.castA, castB - reference.castB);
    };
  }

  /** Whether it is out of line along an axis. */
  public boolean isOut(Figures reference, Axis axis) {
    return axis != Axis.SKIN && Math.abs(off(reference, axis)) > axis.limit();
  }

  /** Most times that it is over a limit; at most 1 for what is in line. */
  public double worst(Figures reference) {
    double worst = 0;
    for (Axis axis : Axis.values()) {
      if (axis != Axis.SKIN) {
        worst = Math.max(worst, Math.abs(off(reference, axis)) / axis.limit());
      }
    }
    return worst;
  }
}
