package carezza.record;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import carezza.filter.RobustStatistics;
import carezza.kernel.LayerType;
import carezza.plan.Finding;
import carezza.plan.FindingKind;

/**
 * How long a retoucher takes for a kind of finding, as a factor of the job's table: m = (k · table
 * + n · median) / (k + n) with k = 5, median that of the n pictures in the journal.
 */
public final class Pace {

  /** As the tables have it. */
  public static final Pace TABLE = new Pace(Map.of());

  /** How many pictures the table counts for. */
  private static final double TABLE_COUNTS = 5;

  private final Map<FindingKind, List<Double>> ratios;

  private Pace(Map<FindingKind, List<Double>> ratios) {
    this.ratios = ratios;
  }

  /**
   * From what was done: the time with layers that treat a kind, in pictures where it ended treated.
   * Where a layer treats several kinds, its time is parted as the table parts it.
   */
  public static Pace of(List<WorkRecord> records) {
    Map<FindingKind, List<Double>> ratios = new EnumMap<>(FindingKind.class);
    for (WorkRecord record : records) {
      Map<FindingKind, Double> planned = treated(record);
      Map<FindingKind, Double> took = new EnumMap<>(FindingKind.class);
      byLayerKind(record)
          .forEach((layer, time) -> part(layer, WorkRecord.minutes(time), planned, took));
      took.forEach(
          (kind, minutes) ->
              ratios
                  .computeIfAbsent(kind, k -> new ArrayList<>())
                  .add(minutes / planned.getOrDefault(kind, Double.NaN)));
    }
    return new Pace(ratios);
  }

  /** Minutes in the table of what ended treated and stayed so, by kind. */
  private static Map<FindingKind, Double> treated(WorkRecord record) {
    Map<String, FindingEnd> last = new HashMap<>();
    Map<String, Double> most = new HashMap<>();
    for (FindingEnd end : record.findings()) {
      last.put(end.key(), end);
      most.merge(end.key(), end.minutes(), Math::max);
    }
    Map<FindingKind, Double> minutes = new EnumMap<>(FindingKind.class);
    for (FindingEnd end : last.values()) {
      double table = most.getOrDefault(end.key(), 0.0);
      if (end.state() == Finding.State.TREATED && table > 0) {
        minutes.merge(end.kind(), table, Double::sum);
      }
    }
    return minutes;
  }

  private static Map<String, Duration> byLayerKind(WorkRecord record) {
    Map<String, Duration> times = new HashMap<>();
    for (Span span : record.spans()) {
      if (span.activity().kind() != null) {
        times.merge(span.activity().kind(), span.active(), Duration::plus);
      }
    }
    return times;
  }

  private static void part(
      String layer,
      double minutes,
      Map<FindingKind, Double> planned,
      Map<FindingKind, Double> took) {
    List<FindingKind> kinds =
        planned.keySet().stream()
            .filter(k -> LayerType.of(layer).filter(l -> k.isTreatedBy(l.record())).isPresent())
            .toList();
    double sum = kinds.stream().mapToDouble(k -> planned.getOrDefault(k, 0.0)).sum();
    kinds.forEach(k -> took.merge(k, minutes * planned.getOrDefault(k, 0.0) / sum, Double::sum));
  }

  /** Pictures that it is known from. */
  public int pictures(FindingKind kind) {
    return ratios.getOrDefault(kind, List.of()).size();
  }

  /** Kinds that something is known of. */
  public List<FindingKind> kinds() {
    return Arrays.stream(FindingKind.values()).filter(ratios::containsKey).toList();
  }

  /** What the minutes of the table are multiplied with. */
  public double factor(FindingKind kind) {
    int n = pictures(kind);
    return n == 0 ? 1 : (TABLE_COUNTS + n * quantile(kind, 0.5)) / (TABLE_COUNTS + n);
  }

  /**
   * A quantile of what was taken, as a factor of the table.
   *
   * @param share 0 … 1
   */
  public double quantile(FindingKind kind, double share) {
    return RobustStatistics.interpolated(ratios.getOrDefault(kind, List.of()), share);
  }
}
