package carezza.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

import org.jspecify.annotations.Nullable;

/**
 * What was agreed on for a picture: the job, how large it is delivered, the time there is, what is
 * left as it is, and what must not be touched.
 *
 * @param job name of a job level, as in files
 * @param limits numbers of that job that are other than it has them, by their names in it
 * @param longEdge pixels of the delivered picture's longer side; 0 for all there are
 * @param minutes to spend; 0 for those of the job
 * @param left findings that are left as they are, by their keys, with the reason
 * @param promises what must not be touched
 */
public record Brief(
    String job,
    Map<String, Double> limits,
    int longEdge,
    double minutes,
    Map<String, String> left,
    List<Promise> promises) {

  /** Where nothing was agreed on. */
  public static final Brief USUAL = new Brief("portrait", Map.of(), 0, 0, Map.of(), List.of());

  public Brief {
    job = job == null ? "portrait" : job;
    limits = limits == null ? Map.of() : Map.copyOf(limits);
    left = left == null ? Map.of() : Map.copyOf(left);
    promises = promises == null ? List.of() : List.copyOf(promises);
    Require.range("longEdge", longEdge, 0, 100_000);
    Require.range("minutes", minutes, 0, 100_000);
    Require.most("the list of changed limits", limits.size(), 1000);
    Require.most("the list of findings left as they are", left.size(), 10_000);
    Require.most("the list of promises", promises.size(), 1000);
    limits.forEach((name, value) -> Require.range(name, value, -1e6, 1e6));
  }

  /** Another job, with its own limits or with changed ones. */
  public Brief withJob(String newJob, Map<String, Double> newLimits) {
    return new Brief(newJob, newLimits, longEdge, minutes, left, promises);
  }

  public Brief withLongEdge(int pixels) {
    return new Brief(job, limits, pixels, minutes, left, promises);
  }

  public Brief withMinutes(double budget) {
    return new Brief(job, limits, longEdge, budget, left, promises);
  }

  /**
   * @param reason null to take the finding up again
   */
  public Brief leaving(String finding, @Nullable String reason) {
    Map<String, String> other = new LinkedHashMap<>(left);
    if (reason == null) {
      other.remove(finding);
    } else {
      other.put(finding, reason);
    }
    return new Brief(job, limits, longEdge, minutes, other, promises);
  }

  public Brief promising(Promise promise) {
    List<Promise> more = new ArrayList<>(promises);
    more.add(promise);
    return new Brief(job, limits, longEdge, minutes, left, more);
  }

  public Brief without(Promise promise) {
    List<Promise> fewer = new ArrayList<>(promises);
    fewer.remove(promise);
    return new Brief(job, limits, longEdge, minutes, left, fewer);
  }
}
