package carezza.project;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.model.FaceMap;
import carezza.model.Frame;
import carezza.model.HealLayer.Patch;
import carezza.model.KeptMark;
import carezza.model.Layer;
import carezza.model.LayerKind;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

/**
 * The model as JSON, as docs/format.md describes it. A layer is one flat object with its {@code kind};
 * fields that are left out take the kind's defaults, fields this version does not know are kept.
 * Messages of {@link IllegalArgumentException} say what is wrong and where.
 */
final class ModelJson {

  /** Version of the format that this program writes, and the newest it reads. */
  static final int VERSION = 1;

  private static final List<String> PROJECT_FIELDS =
      List.of(
          "version",
          "title",
          "photograph",
          "faceMap",
          "otherFaces",
          "kept",
          "pins",
          "frame",
          "stack",
          "notes");

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  private interface Kinds {}

  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .addModule(
              new SimpleModule()
                  .addSerializer(Stroke.class, new StrokeJson.Writer())
                  .addDeserializer(Stroke.class, new StrokeJson.Reader())
                  .addSerializer(Patch.class, new PatchJson.Writer())
                  .addDeserializer(Patch.class, new PatchJson.Reader()))
          .addMixIn(Mask.class, Kinds.class)
          .registerSubtypes(maskKinds())
          .enable(EnumFeature.WRITE_ENUMS_TO_LOWERCASE)
          .enable(MapperFeature.ACCEPT_CASE_INSENSITIVE_ENUMS)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .disable(StreamReadFeature.INCLUDE_SOURCE_IN_LOCATION)
          .changeDefaultPropertyInclusion(v -> v.withValueInclusion(JsonInclude.Include.NON_NULL))
          .build();

  private ModelJson() {}

  private static NamedType[] maskKinds() {
    List<NamedType> kinds = new ArrayList<>();
    for (Class<?> kind : Mask.class.getPermittedSubclasses()) {
      String name = kind.getSimpleName();
      kinds.add(new NamedType(kind, Character.toLowerCase(name.charAt(0)) + name.substring(1)));
    }
    return kinds.toArray(NamedType[]::new);
  }

  /** Parses the text of a JSON object. */
  static ObjectNode parse(byte[] json) {
    try {
      if (MAPPER.readTree(json) instanceof ObjectNode object) {
        return object;
      }
      throw new IllegalArgumentException("it does not hold a JSON object");
    } catch (JacksonException e) {
      throw new IllegalArgumentException(wording(e), e);
    }
  }

  /** Indented text. */
  static byte[] text(JsonNode node) {
    return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(node);
  }

  // --- projects

  /**
   * @param strokes collects the strokes, which the JSON then refers to by their place; null to write
   *     them out in full
   */
  static ObjectNode write(Project project, List<Stroke> strokes) {
    ObjectNode node = MAPPER.createObjectNode();
    node.put("version", VERSION);
    node.put("title", project.title());
    node.set("photograph", MAPPER.valueToTree(project.photograph()));
    project.faceMap().ifPresent(f -> node.set("faceMap", MAPPER.valueToTree(f)));
    if (!project.others().isEmpty()) {
      node.set("otherFaces", MAPPER.valueToTree(project.others()));
    }
    if (!project.kept().isEmpty()) {
      node.set("kept", MAPPER.valueToTree(project.kept()));
    }
    if (!project.pins().isEmpty()) {
      node.set("pins", MAPPER.valueToTree(project.pins()));
    }
    if (project.frame() != null) {
      node.set("frame", MAPPER.valueToTree(project.frame()));
    }
    node.set("stack", write(project.stack(), strokes));
    node.put("notes", project.notes());
    keep(project.unknown(), node);
    return node;
  }

  /**
   * @param strokes those that {@code "ref"} points to
   */
  static Project readProject(ObjectNode node, List<Stroke> strokes) {
    Map<String, Object> unknown = new TreeMap<>();
    for (Map.Entry<String, JsonNode> field : node.properties()) {
      if (!PROJECT_FIELDS.contains(field.getKey())) {
        unknown.put(field.getKey(), field.getValue());
      }
    }
    return new Project(
        node.path("title").asString("Untitled"),
        read(node.get("photograph"), carezza.model.PhotoReference.class, "photograph", strokes),
        readFaceMap(node),
        readList(node, "otherFaces", FaceMap.class),
        readList(node, "kept", KeptMark.class),
        readList(node, "pins", Point.class),
        node.hasNonNull("frame") ? read(node.get("frame"), Frame.class, "frame", List.of()) : null,
        readStack(node, strokes),
        node.path("notes").asString(""),
        unknown);
  }

  /** The field {@code faceMap}, or null if there is none. */
  static FaceMap readFaceMap(ObjectNode node) {
    return node.hasNonNull("faceMap")
        ? read(node.get("faceMap"), FaceMap.class, "faceMap", List.of())
        : null;
  }

  private static <T> List<T> readList(ObjectNode node, String field, Class<T> type) {
    List<T> members = new ArrayList<>();
    for (JsonNode member : node.path(field)) {
      members.add(read(member, type, "%s[%d]".formatted(field, members.size()), List.of()));
    }
    return members;
  }

  // --- stacks

  private static ArrayNode write(LayerStack stack, List<Stroke> strokes) {
    ArrayNode array = MAPPER.createArrayNode();
    stack.layers().forEach(l -> array.add(write(l, strokes)));
    return array;
  }

  static ObjectNode write(Layer layer, List<Stroke> strokes) {
    ObjectNode flat = MAPPER.createObjectNode();
    flat.put("kind", LayerKind.of(layer).key());
    ObjectNode fields = tree(layer, strokes);
    ObjectNode head = (ObjectNode) fields.remove("head");
    head.remove("unknown");
    flat.setAll(head);
    flat.setAll(fields);
    keep(layer.head().unknown(), flat);
    return flat;
  }

  private static ObjectNode tree(Layer layer, List<Stroke> strokes) {
    byte[] json =
        MAPPER.writer().withAttribute(StrokeJson.COLLECTED, strokes).writeValueAsBytes(layer);
    return (ObjectNode) MAPPER.readTree(json);
  }

  private static void keep(Map<String, Object> unknown, ObjectNode node) {
    unknown.forEach((name, value) -> node.set(name, MAPPER.valueToTree(value)));
  }

  /** The field {@code stack} of an object. */
  static LayerStack readStack(ObjectNode node, List<Stroke> strokes) {
    JsonNode stack = node.path("stack");
    if (!stack.isArray()) {
      throw new IllegalArgumentException("it has no list named stack");
    }
    List<Layer> layers = new ArrayList<>();
    for (JsonNode layer : stack) {
      layers.add(readLayer(layer, "stack[" + layers.size() + "]", strokes));
    }
    return new LayerStack(layers);
  }

  private static Layer readLayer(JsonNode given, String place, List<Stroke> strokes) {
    String key = given.path("kind").asString("");
    LayerKind kind =
        java.util.Arrays.stream(LayerKind.values())
            .filter(k -> k.key().equals(key))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(place + " is of the unknown kind '" + key + "'"));
    ObjectNode fields = tree(kind.fresh(), null);
    ObjectNode head = (ObjectNode) fields.get("head");
    List<String> headFields = List.of("id", "name", "stage", "on", "amount", "mask", "blend");
    List<String> ownFields =
        java.util.Arrays.stream(kind.type().getRecordComponents())
            .map(java.lang.reflect.RecordComponent::getName)
            .filter(name -> !name.equals("head"))
            .toList();
    ObjectNode unknown = MAPPER.createObjectNode();
    for (Map.Entry<String, JsonNode> field : given.properties()) {
      String name = field.getKey();
      if (headFields.contains(name)) {
        head.set(name, field.getValue());
      } else if (ownFields.contains(name)) {
        fields.set(name, field.getValue());
      } else if (!name.equals("kind")) {
        unknown.set(name, field.getValue());
      }
    }
    if (!unknown.isEmpty()) {
      head.set("unknown", unknown);
    }
    return read(fields, kind.type(), place, strokes);
  }

  private static <T> T read(JsonNode node, Class<T> type, String place, List<Stroke> strokes) {
    if (node == null) {
      throw new IllegalArgumentException(place + " is missing");
    }
    try {
      return MAPPER.readerFor(type).withAttribute(StrokeJson.COLLECTED, strokes).readValue(node);
    } catch (JacksonException e) {
      throw new IllegalArgumentException(place + ": " + wording(e), e);
    }
  }

  /** What is wrong, without the reader's own internals. */
  private static String wording(JacksonException e) {
    Throwable cause = e.getCause();
    if (cause instanceof IllegalArgumentException) {
      return cause.getMessage();
    }
    String first = e.getOriginalMessage().lines().findFirst().orElse("it cannot be read");
    int internals = first.indexOf(" (class ");
    return internals > 0 ? first.substring(0, internals) : first;
  }
}
