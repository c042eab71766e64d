package carezza.recipe;

import java.util.List;

import carezza.measure.Gauge;

/**
 * What is to be known of a picture before its files leave; none of it stops them.
 *
 * @param outside gauges outside their bands
 * @param remarks in the recipe's order
 */
public record Preflight(List<Gauge> outside, List<Remark> remarks) {

  /** What was looked at. */
  public enum Check {
    /** Share of the pixels whose colour the file's space does not hold. */
    OUTSIDE_SPACE,
    /** Share of the pixels that are full in a channel, or bare paper. */
    CLIPPED,
    /** Largest sum of inks, in per cent, above what most papers take. */
    INK,
    /** Share of the file's border that is as white as the page it will lie on. */
    WHITE_BORDER,
    /** Promises that are not kept, counted. */
    PROMISES,
    /** Pictures to be laid over it that are not to be had, counted. */
    MISSING_OVERLAYS
  }

  /**
   * Something that was found.
   *
   * @param output name of the output, or empty for all
   * @param value share 0 … 1, per cent of ink, or a count
   */
  public record Remark(Check check, String output, double value) {}

  /** Nothing that is to be known. */
  public static final Preflight CLEAR = new Preflight(List.of(), List.of());

  public Preflight {
    outside = List.copyOf(outside);
    remarks = List.copyOf(remarks);
  }

  public boolean isClear() {
    return outside.isEmpty() && remarks.isEmpty();
  }
}
