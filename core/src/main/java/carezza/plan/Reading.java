package carezza.plan;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.job.Band;
import carezza.measure.Blemish;
import carezza.model.Point;

/**
 * One value that a finding rests on, as read in one picture.
 *
 * @param part which of several of its kind, such as {@code left} or {@code neck_skin}; empty for
 *     the only one
 * @param value in the kind's unit; NaN where there is nothing to read
 * @param band where it should lie
 * @param place its middle in photograph pixels, or null for the whole picture
 * @param radius about the place, in photograph pixels
 * @param spots each of what was counted; empty where nothing is counted
 */
public record Reading(
    FindingKind kind,
    String part,
    double value,
    Band band,
    @Nullable Point place,
    double radius,
    List<Blemish> spots) {

  public Reading {
    spots = List.copyOf(spots);
  }

  /** Names what was read, the same in every picture of a project. */
  public String key() {
    return part.isEmpty() ? kind.key() : kind.key() + "." + part;
  }

  public boolean isOut() {
    return value < band.low() || value > band.high();
  }

  /**
   * How far the value lies outside the band, in widths of the band, or, where one end is open, in
   * sizes of the other; what was counted counts by how sure each is.
   */
  public double excess() {
    if (!isOut()) {
      return 0;
    }
    if (!spots.isEmpty()) {
      return spots.stream().mapToDouble(Blemish::confidence).sum();
    }
    double off = value > band.high() ? value - band.high() : band.low() - value;
    double width = band.high() - band.low();
    if (Double.isInfinite(width)) {
      width = Math.abs(Double.isInfinite(band.high()) ? band.low() : band.high());
    }
    return off / Math.max(1e-3, width);
  }
}
