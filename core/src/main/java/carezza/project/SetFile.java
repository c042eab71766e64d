package carezza.project;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.PictureReader;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.set.Member;
import carezza.set.Member.State;
import carezza.set.PictureSet;

/** The {@code .carezza-set} file: a set as JSON, as docs/format.md describes it. */
public final class SetFile {

  public static final String ENDING = ".carezza-set";

  private static final int VERSION = 1;

  private SetFile() {}

  public static PictureSet read(Path file) throws Problem {
    byte[] bytes = PictureReader.bytes(file);
    try {
      return read(bytes);
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.SET_INVALID, PictureReader.name(file), e.getMessage());
    }
  }

  /**
   * @throws IllegalArgumentException saying what is wrong and where
   */
  static PictureSet read(byte[] json) {
    ObjectNode node = ModelJson.parse(json);
    if (node.path("version").asInt(0) != VERSION) {
      throw new IllegalArgumentException("its version is not " + VERSION);
    }
    List<Member> members = new ArrayList<>();
    for (JsonNode member : node.path("members")) {
      members.add(member(member, "members[" + members.size() + "]"));
    }
    return new PictureSet(node.path("name").asString("Untitled"), text(node, "reference"), members);
  }

  private static Member member(JsonNode node, String place) {
    String photograph = text(node, "photograph");
    if (photograph == null || photograph.isBlank()) {
      throw new IllegalArgumentException(place + " names no photograph");
    }
    String given = node.path("state").asString("as_shot");
    State state = null;
    for (State each : State.values()) {
      state = each.name().equalsIgnoreCase(given) ? each : state;
    }
    if (state == null) {
      throw new IllegalArgumentException(place + ": no state is called '" + given + "'");
    }
    double minutes = node.path("minutes").asDouble(0);
    if (!(minutes >= 0 && minutes <= 100_000)) {
      throw new IllegalArgumentException(place + ": minutes are to be 0 to 100000");
    }
    return new Member(
        photograph,
        text(node, "project"),
        text(node, "sha256"),
        node.path("bytes").asLong(0),
        state,
        minutes,
        node.path("notes").asString(""));
  }

  private static @Nullable String text(JsonNode node, String field) {
    return node.hasNonNull(field) ? node.get(field).asString("") : null;
  }

  public static byte[] text(PictureSet set) {
    ObjectNode root = JsonMapper.shared().createObjectNode();
    root.put("version", VERSION);
    root.put("name", set.name());
    if (set.reference() != null) {
      root.put("reference", set.reference());
    }
    ArrayNode members = root.putArray("members");
    for (Member member : set.members()) {
      ObjectNode node = members.addObject();
      node.put("photograph", member.photograph());
      if (member.project() != null) {
        node.put("project", member.project());
      }
      if (member.sha256() != null) {
        node.put("sha256", member.sha256());
        node.put("bytes", member.bytes());
      }
      node.put("state", member.state().name().toLowerCase(Locale.ROOT));
      node.put("minutes", Math.round(member.minutes() * 10) / 10.0);
      if (!member.notes().isEmpty()) {
        node.put("notes", member.notes());
      }
    }
    return ModelJson.text(root);
  }
}
