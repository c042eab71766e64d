package carezza.desktop.state;

import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

import org.jspecify.annotations.Nullable;

/** The retoucher's own numbers of each job, kept among the settings. */
public final class JobSettings {

  private static final String PREFIX = "job.";

  private final @Nullable Settings settings;

  public JobSettings(@Nullable Settings settings) {
    this.settings = settings;
  }

  /** One that keeps nothing. */
  static JobSettings forgetful() {
    return new JobSettings(null);
  }

  /**
   * Numbers of a job that are other than it ships with, by their names; what cannot be read is left
   * out.
   */
  public Map<String, Double> get(String job) {
    Map<String, Double> numbers = new TreeMap<>();
    if (settings == null) {
      return numbers;
    }
    for (String pair : settings.get(PREFIX + job, "").split(";")) {
      int equals = pair.indexOf('=');
      if (equals > 0) {
        try {
          numbers.put(pair.substring(0, equals), Double.valueOf(pair.substring(equals + 1)));
        } catch (NumberFormatException e) {
          // Somebody wrote into the settings; the job's own number holds.
          numbers.remove(pair.substring(0, equals));
        }
      }
    }
    return numbers;
  }

  public void set(String job, Map<String, Double> numbers) {
    if (settings != null) {
      settings.set(
          PREFIX + job,
          numbers.entrySet().stream()
              .map(e -> e.getKey() + "=" + e.getValue())
              .collect(Collectors.joining(";")));
    }
  }
}
