package carezza.job;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The bands and limits of a kind of job, read from a data file. Two are equal where their files say
 * the same.
 */
public final class JobLevel {

  private static final JobLevel PORTRAIT = read("portrait");

  private final JsonNode bands;

  private JobLevel(JsonNode bands) {
    this.bands = bands;
  }

  /** Portrait, ten to twenty minutes: all stages, moderate. */
  public static JobLevel portrait() {
    return PORTRAIT;
  }

  private static JobLevel read(String name) {
    try (InputStream in = JobLevel.class.getResourceAsStream("/carezza/job/" + name + ".json")) {
      return new JobLevel(JsonMapper.shared().readTree(in));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** All that it holds, as text: what depends on it is made anew where this differs. */
  public String content() {
    return bands.toString();
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof JobLevel job && job.bands.equals(bands);
  }

  @Override
  public int hashCode() {
    return bands.hashCode();
  }

  public String title() {
    return bands.get("job").asString();
  }

  /**
   * Strength of a part of tone evening that suits the job, 0 … 1.
   *
   * @param part {@code redness}, {@code pigment}, {@code hue} or {@code chroma}
   */
  public double evening(String part) {
    return limit("evening", part);
  }

  public double limit(String gauge, String name) {
    JsonNode value = bands.path(gauge).get(name);
    if (value == null) {
      throw new IllegalStateException("No " + name + " for " + gauge + " in " + title());
    }
    return value.asDouble();
  }

  /** Fixed ends. */
  public Band fixed(String gauge) {
    return new Band(limit(gauge, "low"), limit(gauge, "high"));
  }

  /** As far as a value may drift from what it was. */
  public Band around(String gauge, double before) {
    double drift = limit(gauge, "drift");
    return new Band(before - drift, before + drift);
  }

  /** Where a blotchiness should come down to: some of it is the person's own. */
  public Band fallen(String gauge, double before) {
    return new Band(
        before * (1 - limit(gauge, "mostFall")), before * (1 - limit(gauge, "leastFall")));
  }
}
