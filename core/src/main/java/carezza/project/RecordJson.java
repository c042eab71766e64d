package carezza.project;

import tools.jackson.core.JacksonException;
import tools.jackson.databind.node.ObjectNode;

import carezza.record.WorkRecord;

/** The record of work as JSON, as docs/format.md describes it; times as ISO 8601 has them. */
public final class RecordJson {

  /** Version of the format that this program writes, and the newest it reads. */
  static final int VERSION = 1;

  private RecordJson() {}

  static byte[] text(WorkRecord record) {
    ObjectNode node = ModelJson.mapper().createObjectNode();
    node.put("version", VERSION);
    node.setAll((ObjectNode) ModelJson.mapper().valueToTree(record));
    return ModelJson.text(node);
  }

  /**
   * @throws IllegalArgumentException if it is none, or one of a newer version
   */
  static WorkRecord read(byte[] json) {
    ObjectNode node = ModelJson.parse(json);
    int version = node.path("version").asInt(0);
    if (version < 1 || version > VERSION) {
      throw new IllegalArgumentException("its record of work is of version " + version);
    }
    return one(node.toString(), WorkRecord.class);
  }

  /** Records of work and what holds them, indented. */
  public static byte[] text(Object records) {
    return ModelJson.text(ModelJson.mapper().valueToTree(records));
  }

  /** One entry of a record on a line of its own. */
  public static String line(Object entry) {
    return ModelJson.mapper().writeValueAsString(entry);
  }

  /**
   * An entry that {@link #line} wrote.
   *
   * @throws IllegalArgumentException if it is none of this kind
   */
  public static <T> T one(String line, Class<T> kind) {
    try {
      return ModelJson.mapper().readValue(line, kind);
    } catch (JacksonException | NullPointerException e) {
      throw new IllegalArgumentException("its record of work is not whole", e);
    }
  }
}
