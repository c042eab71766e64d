package carezza.project;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.job.Band;
import carezza.measure.Gauge;
import carezza.recipe.Preflight;
import carezza.recipe.Preflight.Check;
import carezza.recipe.Preflight.Remark;
import carezza.routine.BatchEntry;
import carezza.routine.BatchEntry.State;

/** What became of a batch, as JSON; docs/format.md describes it. */
public final class BatchFile {

  private static final int DIGITS = 4;

  private BatchFile() {}

  /**
   * @param routine its name
   */
  public static byte[] text(String routine, List<BatchEntry> entries) {
    ObjectNode root = JsonMapper.shared().createObjectNode();
    root.put("routine", routine);
    root.put("photographs", entries.size());
    root.put("failed", entries.stream().filter(BatchEntry::failed).count());
    root.put("seconds", tenths(entries.stream().mapToDouble(BatchEntry::seconds).sum()));
    ArrayNode list = root.putArray("entries");
    entries.forEach(e -> list.add(node(e)));
    return ModelJson.text(root);
  }

  /** One entry by itself. */
  public static byte[] text(BatchEntry entry) {
    return ModelJson.text(node(entry));
  }

  /**
   * @throws IllegalArgumentException if it is none
   */
  public static BatchEntry read(byte[] json) {
    ObjectNode node = ModelJson.parse(json);
    List<Gauge> outside = new ArrayList<>();
    for (JsonNode g : node.path("outside")) {
      Band band =
          new Band(
              number(g, "low", Double.NEGATIVE_INFINITY),
              number(g, "high", Double.POSITIVE_INFINITY));
      outside.add(
          new Gauge(
              g.path("gauge").asString(""),
              g.path("unit").asString(""),
              g.path("region").asString(""),
              number(g, "before", Double.NaN),
              number(g, "after", Double.NaN),
              band));
    }
    return new BatchEntry(
        node.path("number").asInt(),
        node.path("photograph").asString(""),
        State.valueOf(node.path("state").asString("failed").toUpperCase(Locale.ROOT)),
        node.path("problem").asString(""),
        strings(node.path("files")),
        new Preflight(outside, remarks(node.path("preflight"))),
        strings(node.path("idle")),
        node.path("seconds").asDouble());
  }

  private static List<Remark> remarks(JsonNode list) {
    List<Remark> remarks = new ArrayList<>();
    for (JsonNode node : list) {
      remarks.add(
          new Remark(
              Check.valueOf(node.path("check").asString("").toUpperCase(Locale.ROOT)),
              node.path("output").asString(""),
              node.path("value").asDouble()));
    }
    return remarks;
  }

  private static double number(JsonNode node, String name, double otherwise) {
    return node.hasNonNull(name) ? node.get(name).asDouble() : otherwise;
  }

  private static List<String> strings(JsonNode list) {
    List<String> strings = new ArrayList<>();
    list.forEach(n -> strings.add(n.asString("")));
    return strings;
  }

  private static ObjectNode node(BatchEntry entry) {
    ObjectNode node = JsonMapper.shared().createObjectNode();
    node.put("number", entry.number());
    node.put("photograph", entry.photograph());
    node.put("state", entry.state().name().toLowerCase(Locale.ROOT));
    if (entry.failed()) {
      node.put("problem", entry.problem());
    }
    ArrayNode files = node.putArray("files");
    entry.files().forEach(files::add);
    ArrayNode outside = node.putArray("outside");
    for (Gauge gauge : entry.preflight().outside()) {
      ObjectNode own = outside.addObject();
      own.put("gauge", gauge.id());
      own.put("unit", gauge.unit());
      own.put("region", gauge.where());
      ModelJson.number(own, "before", gauge.before(), DIGITS);
      ModelJson.number(own, "after", gauge.after(), DIGITS);
      ModelJson.number(own, "low", gauge.requiredBand().low(), DIGITS);
      ModelJson.number(own, "high", gauge.requiredBand().high(), DIGITS);
    }
    ArrayNode remarks = node.putArray("preflight");
    for (Remark remark : entry.preflight().remarks()) {
      ObjectNode own = remarks.addObject();
      own.put("check", remark.check().name().toLowerCase(Locale.ROOT));
      own.put("output", remark.output());
      ModelJson.number(own, "value", remark.value(), DIGITS);
    }
    ArrayNode idle = node.putArray("idle");
    entry.idle().forEach(idle::add);
    node.put("seconds", tenths(entry.seconds()));
    return node;
  }

  private static double tenths(double v) {
    return Math.round(v * 10) / 10.0;
  }
}
