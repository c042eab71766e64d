package carezza.plan;

import java.util.ArrayList;
import java.util.List;

/**
 * The findings of the largest severity together that fit into so many minutes: an exact 0/1
 * knapsack.
 */
public final class Knapsack {

  /** Minutes are counted in twentieths: three seconds. */
  private static final double STEPS = 20;

  private Knapsack() {}

  /**
   * @param findings any, in any order
   * @return of those that are open and cost time, the best set, in the order given
   */
  public static List<Finding> best(List<Finding> findings, double minutes) {
    List<Finding> open =
        findings.stream().filter(f -> f.isOpen() && f.minutes() > 0 && f.severity() > 0).toList();
    int room = (int) Math.floor(minutes * STEPS + 1e-6);
    double[][] best = new double[open.size() + 1][Math.max(0, room) + 1];
    for (int i = 1; i <= open.size(); i++) {
      int cost = cost(open.get(i - 1));
      for (int t = 0; t <= room; t++) {
        best[i][t] = best[i - 1][t];
        if (cost <= t) {
          best[i][t] = Math.max(best[i][t], best[i - 1][t - cost] + open.get(i - 1).severity());
        }
      }
    }
    List<Finding> taken = new ArrayList<>();
    int t = room;
    for (int i = open.size(); i > 0 && room >= 0; i--) {
      if (best[i][t] > best[i - 1][t]) {
        taken.addFirst(open.get(i - 1));
        t -= cost(open.get(i - 1));
      }
    }
    return taken;
  }

  private static int cost(Finding finding) {
    return (int) Math.ceil(finding.minutes() * STEPS - 1e-6);
  }
}
