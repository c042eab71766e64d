package carezza.job;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

import carezza.model.Brief;

/**
 * The bands, limits, scope and minutes of a kind of job, read from a data file and changed where
 * the brief says so. Two are equal where they say the same.
 */
public final class JobLevel {

  /** All that ship, from the quickest to the longest but for the last, which is another aim. */
  public static final List<String> IDS =
      List.of("event", "headshot", "portrait", "fashion", "beauty", "character");

  private static final Map<Object, JobLevel> KNOWN = new ConcurrentHashMap<>();

  private final String id;
  private final JsonNode content;
  private final String text;

  private JobLevel(String id, JsonNode content) {
    this.id = id;
    this.content = content;
    text = content.toString();
  }

  /** Portrait, ten to twenty minutes: all stages, moderate. */
  public static JobLevel portrait() {
    return of("portrait");
  }

  /** The one of this name; the portrait's where none of that name ships. */
  public static JobLevel of(String id) {
    String known = IDS.contains(id) ? id : "portrait";
    return KNOWN.computeIfAbsent(known, k -> read(known));
  }

  /**
   * The job that a brief names, with the numbers that it changes. Names that the job does not have
   * change nothing.
   */
  public static JobLevel of(Brief brief) {
    JobLevel shipped = of(brief.job());
    return brief.limits().isEmpty()
        ? shipped
        : KNOWN.computeIfAbsent(
            List.of(shipped.id, brief.limits()), k -> shipped.with(brief.limits()));
  }

  private static JobLevel read(String id) {
    try (InputStream in = JobLevel.class.getResourceAsStream("/carezza/job/" + id + ".json")) {
      return new JobLevel(id, JsonMapper.shared().readTree(in));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private JobLevel with(Map<String, Double> changes) {
    ObjectNode changed = (ObjectNode) content.deepCopy();
    changes.forEach(
        (name, value) -> {
          int dot = name.indexOf('.');
          if (dot > 0
              && changed.path(name.substring(0, dot)) instanceof ObjectNode group
              && group.path(name.substring(dot + 1)).isNumber()) {
            group.put(name.substring(dot + 1), value.doubleValue());
          }
        });
    return new JobLevel(id, changed);
  }

  /** Its name in files. */
  public String id() {
    return id;
  }

  /** What files that are written for people call it. */
  public String title() {
    return content.get("job").asString();
  }

  /** All that it holds, as text: what depends on it is made anew where this differs. */
  public String content() {
    return text;
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof JobLevel job && job.text.equals(text);
  }

  @Override
  public int hashCode() {
    return text.hashCode();
  }

  /** Its numbers by their names, such as {@code textureKept.low}, in the file's order. */
  public Map<String, Double> numbers() {
    Map<String, Double> numbers = new LinkedHashMap<>();
    for (Map.Entry<String, JsonNode> group : content.properties()) {
      for (Map.Entry<String, JsonNode> value : group.getValue().properties()) {
        numbers.put(group.getKey() + "." + value.getKey(), value.getValue().asDouble());
      }
    }
    return numbers;
  }

  /**
   * One of them.
   *
   * @param name as {@link #numbers} has it
   */
  public double number(String name) {
    int dot = name.indexOf('.');
    return limit(name.substring(0, dot), name.substring(dot + 1));
  }

  /** Whether it says anything of this; what it does not name, it neither judges nor looks for. */
  public boolean has(String group) {
    return content.has(group);
  }

  /**
   * Strength of a part of tone evening that suits the job, 0 … 1.
   *
   * @param part {@code redness}, {@code pigment}, {@code hue} or {@code chroma}
   */
  public double evening(String part) {
    return limit("evening", part);
  }

  public double limit(String group, String name) {
    JsonNode value = content.path(group).get(name);
    if (value == null) {
      throw new IllegalStateException("No " + name + " for " + group + " in " + id);
    }
    return value.asDouble();
  }

  /** As above, or another value where the job does not say. */
  public double limit(String group, String name, double otherwise) {
    return content.path(group).path(name).asDouble(otherwise);
  }

  /** Fixed ends. */
  public Band fixed(String gauge) {
    return new Band(limit(gauge, "low"), limit(gauge, "high"));
  }

  /** As far as a value may drift from what it was. */
  public Band around(String gauge, double before) {
    return new Band(before - limit(gauge, "fall"), before + limit(gauge, "rise"));
  }

  /**
   * Where a blotchiness should come down to: some of it is the person's own. None where it is not
   * judged.
   */
  public Optional<Band> fallen(String gauge, double before) {
    return has(gauge)
        ? Optional.of(
            new Band(
                before * (1 - limit(gauge, "mostFall")), before * (1 - limit(gauge, "leastFall"))))
        : Optional.empty();
  }

  /** Whether the skin's colour is judged where the picture has no colours. */
  public boolean judgesSkinInMono() {
    return limit("mono", "judgesSkin", 1) > 0;
  }
}
