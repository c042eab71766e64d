package carezza.project;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.kernel.LayerType;
import carezza.model.Brief;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.HealLayer.Patch;
import carezza.model.KeptMark;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.OverlayPicture;
import carezza.model.PhotoReference;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.model.Variant;

/**
 * The model as JSON, as docs/format.md describes it. A layer is one flat object with its {@code
 * kind}; fields that are left out take the kind's defaults, fields this version does not know are
 * kept. Messages of {@link IllegalArgumentException} say what is wrong and where.
 */
final class ModelJson {

  /** The newest version of the format that this program reads: that of variants. */
  static final int VERSION = 3;

  /** What a project without variants is written as. */
  private static final int WITHOUT_VARIANTS = 2;

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
          "variants",
          "brief",
          "notes");

  /** Sides of a photograph that canvas may reach. */
  private static final int MOST_CANVAS = 8;

  /** Name under which unknown fields within known ones are kept; no file can hold it. */
  private static final String WITHIN = "\0within";

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  private interface Kinds {}

  private static NamedType[] maskKinds() {
    List<NamedType> kinds = new ArrayList<>();
    for (Class<?> kind : Mask.class.getPermittedSubclasses()) {
      kinds.add(new NamedType(kind, FormatNames.of(kind)));
    }
    return kinds.toArray(NamedType[]::new);
  }

  private static final JsonMapper MAPPER =
      JsonMapper.builder()
          .addModule(
              new SimpleModule()
                  .addSerializer(Stroke.class, new StrokeJson.Writer())
                  .addDeserializer(Stroke.class, new StrokeJson.Reader())
                  .addSerializer(OverlayPicture.class, new OverlayJson.Writer())
                  .addDeserializer(OverlayPicture.class, new OverlayJson.Reader())
                  .addSerializer(Patch.class, new PatchJson.Writer())
                  .addDeserializer(Patch.class, new PatchJson.Reader()))
          .addMixIn(Mask.class, Kinds.class)
          .registerSubtypes(maskKinds())
          .enable(EnumFeature.WRITE_ENUMS_TO_LOWERCASE)
          .enable(MapperFeature.ACCEPT_CASE_INSENSITIVE_ENUMS)
          .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .disable(StreamReadFeature.INCLUDE_SOURCE_IN_LOCATION)
          .changeDefaultPropertyInclusion(v -> v.withValueInclusion(JsonInclude.Include.NON_NULL))
          .build();

  private ModelJson() {}

  static JsonMapper mapper() {
    return MAPPER;
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

  /** A number to so many digits behind the point; null stands for what cannot be said. */
  static void number(ObjectNode node, String name, double value, int digits) {
    if (Double.isFinite(value)) {
      double step = Math.pow(10, digits);
      node.put(name, Math.round(value * step) / step);
    } else {
      node.putNull(name);
    }
  }

  // --- projects

  /**
   * @param strokes collects the strokes, which the JSON then refers to by their place; null to
   *     write them out in full
   */
  static ObjectNode write(Project project, @Nullable List<Stroke> strokes) {
    ObjectNode node = MAPPER.createObjectNode();
    node.put("version", project.variants().isEmpty() ? WITHOUT_VARIANTS : VERSION);
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
    if (project.crop() != null) {
      node.set("frame", MAPPER.valueToTree(project.crop()));
    }
    node.set("stack", write(project.stack(), strokes));
    if (!project.variants().isEmpty()) {
      node.set("variants", VariantJson.write(project.variants(), strokes));
    }
    if (!project.brief().equals(Brief.USUAL)) {
      node.set("brief", MAPPER.valueToTree(project.brief()));
    }
    node.put("notes", project.notes());
    Map<String, Object> unknown = new TreeMap<>(project.unknown());
    Object within = unknown.remove(WITHIN);
    keep(unknown, node);
    if (within instanceof Unknowns unknowns) {
      unknowns.addTo(node, node);
    }
    return node;
  }

  /**
   * @param strokes those that {@code "ref"} points to
   */
  static Project readProject(ObjectNode node, List<Stroke> strokes) {
    Project project =
        new Project(
            node.path("title").asString("Untitled"),
            read(node.get("photograph"), PhotoReference.class, "photograph", strokes),
            readFaceMap(node),
            readList(node, "otherFaces", FaceMap.class),
            readList(node, "kept", KeptMark.class),
            readList(node, "pins", Point.class),
            node.hasNonNull("frame")
                ? read(node.get("frame"), Crop.class, "frame", List.of())
                : null,
            readStack(node, strokes),
            VariantJson.read(node, strokes),
            node.hasNonNull("brief")
                ? read(node.get("brief"), Brief.class, "brief", List.of())
                : Brief.USUAL,
            node.path("notes").asString(""),
            unknownFields(node));
    requireFitting(project);
    ObjectNode given = node.deepCopy();
    // Layers keep what is theirs by themselves.
    given.remove("stack");
    given.remove("variants");
    Unknowns within = Unknowns.of(given, write(project, null)).inParts();
    if (within.isEmpty()) {
      return project;
    }
    Map<String, Object> unknown = new TreeMap<>(project.unknown());
    unknown.put(WITHIN, within);
    return project.withUnknown(unknown);
  }

  /** A frame far larger than its photograph would be a picture that no memory holds. */
  private static void requireFitting(Project project) {
    double most =
        MOST_CANVAS * Math.max(project.photograph().width(), project.photograph().height());
    for (Variant variant : project.allVariants()) {
      Crop crop = variant.crop();
      if (crop != null && Math.max(crop.width(), crop.height()) > Math.max(most, 64)) {
        throw new IllegalArgumentException(
            "its frame is %.0f x %.0f pixels, more than %d times the photograph"
                .formatted(crop.width(), crop.height(), MOST_CANVAS));
      }
    }
  }

  /** Fields of a recipe that the format does not name. */
  static Map<String, Object> unknownFields(ObjectNode node) {
    Map<String, Object> unknown = new TreeMap<>();
    for (Map.Entry<String, JsonNode> field : node.properties()) {
      if (!PROJECT_FIELDS.contains(field.getKey())) {
        unknown.put(field.getKey(), field.getValue());
      }
    }
    return unknown;
  }

  /** The field {@code faceMap}, or null if there is none. */
  static @Nullable FaceMap readFaceMap(ObjectNode node) {
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

  static ArrayNode write(LayerStack stack, @Nullable List<Stroke> strokes) {
    ArrayNode array = MAPPER.createArrayNode();
    stack.layers().forEach(l -> array.add(write(l, strokes)));
    return array;
  }

  static ObjectNode write(Layer layer, @Nullable List<Stroke> strokes) {
    ObjectNode flat = understood(layer, strokes);
    Map<String, Object> unknown = new TreeMap<>(layer.attributes().unknown());
    Object within = unknown.remove(WITHIN);
    keep(unknown, flat);
    if (within instanceof Unknowns unknowns) {
      unknowns.addTo(flat, understood(layer, null));
    }
    return flat;
  }

  /** A layer without the fields that this version does not know. */
  private static ObjectNode understood(Layer layer, @Nullable List<Stroke> strokes) {
    ObjectNode flat = MAPPER.createObjectNode();
    if (layer instanceof LockedLayer locked) {
      keep(locked.content(), flat);
      return flat;
    }
    flat.put("kind", LayerType.of(layer).key());
    ObjectNode fields = tree(layer, strokes);
    ObjectNode attributes = (ObjectNode) fields.remove(ATTRIBUTES);
    attributes.remove("unknown");
    flat.setAll(attributes);
    flat.setAll(fields);
    return flat;
  }

  private static ObjectNode tree(Layer layer, @Nullable List<Stroke> strokes) {
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
    LayerStack read = new LayerStack(layers);
    read.requireBounded();
    return read;
  }

  /** The record component that lies flat in a layer's object. */
  private static final String ATTRIBUTES = "attributes";

  private static final List<String> ATTRIBUTE_FIELDS =
      List.of("id", "name", "stage", "on", "amount", "mask", "blend", "group");

  private static Layer readLayer(JsonNode given, String place, List<Stroke> strokes) {
    if (!(given instanceof ObjectNode)) {
      throw new IllegalArgumentException(place + " is no layer");
    }
    String key = given.path("kind").asString("");
    if (key.isEmpty()) {
      throw new IllegalArgumentException(place + " does not say its kind");
    }
    LayerType kind = LayerType.of(key).orElse(null);
    if (kind == null || hasForeignMask(given, 0)) {
      return locked((ObjectNode) given, key, place, strokes);
    }
    ObjectNode fields = tree(kind.fresh(), null);
    ObjectNode attributes = (ObjectNode) fields.get(ATTRIBUTES);
    List<String> ownFields =
        Arrays.stream(kind.record().getRecordComponents())
            .map(RecordComponent::getName)
            .filter(name -> !name.equals(ATTRIBUTES))
            .toList();
    ObjectNode unknown = MAPPER.createObjectNode();
    for (Map.Entry<String, JsonNode> field : given.properties()) {
      String name = FormatNames.today(key, field.getKey());
      if (ATTRIBUTE_FIELDS.contains(name)) {
        attributes.set(name, field.getValue());
      } else if (ownFields.contains(name)) {
        fields.set(name, field.getValue());
      } else if (!name.equals("kind")) {
        unknown.set(name, field.getValue());
      }
    }
    if (!unknown.isEmpty()) {
      attributes.set("unknown", unknown);
    }
    Layer layer = read(fields, kind.record(), place, strokes);
    Unknowns within = Unknowns.of(given, understood(layer, null)).inParts();
    if (within.isEmpty()) {
      return layer;
    }
    Map<String, Object> all = new TreeMap<>(layer.attributes().unknown());
    all.put(WITHIN, within);
    return layer.with(layer.attributes().withUnknown(all));
  }

  private static final Set<String> MASK_KINDS =
      Stream.of(maskKinds()).map(NamedType::getName).collect(Collectors.toSet());

  /** Whether anything within a layer names a kind that no mask has here. */
  private static boolean hasForeignMask(JsonNode node, int depth) {
    for (JsonNode child : node) {
      boolean foreign =
          child instanceof ObjectNode object
              && object.path("kind").isString()
              && !MASK_KINDS.contains(object.get("kind").asString());
      if (foreign || depth < DEEPEST && hasForeignMask(child, depth + 1)) {
        return true;
      }
    }
    return false;
  }

  /** Levels of JSON that are looked through; the parser allows no more. */
  private static final int DEEPEST = 600;

  /** As it came, with the strokes that it refers to written out, as their numbers change. */
  private static Layer locked(ObjectNode given, String kind, String place, List<Stroke> strokes) {
    ObjectNode whole = (ObjectNode) withStrokes(given, strokes, place);
    Map<String, Object> content = new LinkedHashMap<>();
    whole.properties().forEach(e -> content.put(e.getKey(), e.getValue()));
    String stage = given.path("stage").asString("");
    Stage column =
        Stream.of(Stage.values())
            .filter(s -> s.name().equalsIgnoreCase(stage))
            .findFirst()
            .orElse(Stage.FINISH);
    LayerAttributes fresh =
        LayerAttributes.of(given.path("name").asString(kind), column, new Mask.Nothing());
    return new LockedLayer(
        given.path("id").isString() ? fresh.withId(given.get("id").asString()) : fresh,
        kind,
        content);
  }

  private static JsonNode withStrokes(JsonNode node, List<Stroke> strokes, String place) {
    if (node instanceof ObjectNode object) {
      if (object.size() == 1 && object.path("ref").isInt()) {
        int ref = object.get("ref").asInt();
        if (ref < 0 || ref >= strokes.size()) {
          throw new IllegalArgumentException(
              "%s: stroke %d is not in the stroke file".formatted(place, ref));
        }
        return MAPPER.valueToTree(strokes.get(ref));
      }
      ObjectNode out = MAPPER.createObjectNode();
      object
          .properties()
          .forEach(e -> out.set(e.getKey(), withStrokes(e.getValue(), strokes, place)));
      return out;
    }
    if (node instanceof ArrayNode list) {
      ArrayNode out = MAPPER.createArrayNode();
      list.forEach(e -> out.add(withStrokes(e, strokes, place)));
      return out;
    }
    return node;
  }

  static <T> T read(JsonNode node, Class<T> type, String place, List<Stroke> strokes) {
    if (node == null) {
      throw new IllegalArgumentException(place + " is missing");
    }
    try {
      return MAPPER.readerFor(type).withAttribute(StrokeJson.COLLECTED, strokes).readValue(node);
    } catch (JacksonException e) {
      throw new IllegalArgumentException(place + ": " + wording(e), e);
    }
  }

  /** What is wrong and where, in the file's words and none of the reader's. */
  private static @Nullable String wording(JacksonException e) {
    if (e.getCause() instanceof IllegalArgumentException refused) {
      return refused.getMessage();
    }
    if (e instanceof StreamReadException) {
      return "it is no valid JSON near line %d, column %d"
          .formatted(e.getLocation().getLineNr(), e.getLocation().getColumnNr());
    }
    String path =
        e.getPath().stream()
            .map(r -> r.getPropertyName() == null ? "[" + r.getIndex() + "]" : r.getPropertyName())
            .collect(Collectors.joining("."));
    return path.isEmpty()
        ? "what stands there is not what belongs there"
        : "'%s' holds what does not belong there".formatted(path);
  }
}
