package carezza.project;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Fields of a file that this version read past, kept where they stood: in an object those without a
 * meaning here and those within its parts; in a list those of each member, which is found again by
 * its meaning, wherever it has moved.
 *
 * @param fields without a meaning here
 * @param parts those within fields that have one
 * @param members of a list, each with what it was understood as
 */
record Unknowns(Map<String, JsonNode> fields, Map<String, Unknowns> parts, List<Member> members) {

  record Member(JsonNode understood, Unknowns within) {}

  private static final Unknowns NONE = new Unknowns(Map.of(), Map.of(), List.of());

  boolean isEmpty() {
    return fields.isEmpty() && parts.isEmpty() && members.isEmpty();
  }

  /** Without the fields of this object itself, which others keep. */
  Unknowns inParts() {
    return new Unknowns(Map.of(), parts, members);
  }

  /**
   * What was given and not understood.
   *
   * @param understood what would be written of it, strokes in full
   */
  static Unknowns of(JsonNode given, JsonNode understood) {
    if (given instanceof ObjectNode all && understood instanceof ObjectNode known) {
      if (isStroke(known)) {
        return NONE;
      }
      Map<String, JsonNode> fields = new LinkedHashMap<>();
      Map<String, Unknowns> parts = new LinkedHashMap<>();
      for (Map.Entry<String, JsonNode> field : all.properties()) {
        JsonNode own = known.get(field.getKey());
        if (own == null) {
          fields.put(field.getKey(), field.getValue());
        } else {
          Unknowns within = of(field.getValue(), own);
          if (!within.isEmpty()) {
            parts.put(field.getKey(), within);
          }
        }
      }
      return new Unknowns(fields, parts, List.of());
    }
    if (given instanceof ArrayNode all
        && understood instanceof ArrayNode known
        && all.size() == known.size()) {
      List<Member> members = new ArrayList<>();
      for (int i = 0; i < all.size(); i++) {
        Unknowns within = of(all.get(i), known.get(i));
        if (!within.isEmpty()) {
          members.add(new Member(known.get(i), within));
        }
      }
      return new Unknowns(Map.of(), Map.of(), members);
    }
    return NONE;
  }

  /** Strokes are written in another way than they may be read. */
  private static boolean isStroke(ObjectNode node) {
    return node.has("points") && node.has("strength");
  }

  /**
   * Puts the fields back.
   *
   * @param into what is written
   * @param full the same with strokes in full, by which members are found
   */
  void addTo(JsonNode into, JsonNode full) {
    if (into instanceof ObjectNode object) {
      fields.forEach(
          (name, value) -> {
            if (!object.has(name)) {
              object.set(name, value);
            }
          });
      parts.forEach(
          (name, within) -> {
            // A part that became another kind of thing has lost what was said of the old.
            if (object.has(name) && full.has(name)) {
              within.addTo(object.get(name), full.get(name));
            }
          });
    } else if (into instanceof ArrayNode list) {
      for (Member member : members) {
        for (int i = 0; i < full.size(); i++) {
          if (full.get(i).equals(member.understood())) {
            member.within().addTo(list.get(i), full.get(i));
          }
        }
      }
    }
  }
}
