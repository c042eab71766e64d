package carezza.record;

import java.time.Instant;
import java.util.List;

import org.jspecify.annotations.Nullable;

/**
 * A file was written.
 *
 * @param file its name, without its folder
 * @param gauges as read in what was written
 * @param layers as they were, from below
 */
public record Delivered(
    Instant at, String file, int width, int height, List<Read> gauges, List<LayerChange> layers) {

  public Delivered {
    gauges = List.copyOf(gauges);
    layers = List.copyOf(layers);
  }

  /**
   * A gauge.
   *
   * @param id of the gauge
   * @param where its region, as files say it
   * @param before as shot; null where there was nothing to read
   * @param low end of its band; null where it has none
   */
  public record Read(
      String id,
      String where,
      String unit,
      @Nullable Double before,
      @Nullable Double after,
      @Nullable Double low,
      @Nullable Double high) {}
}
