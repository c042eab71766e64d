package carezza.project;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

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
import tools.jackson.databind.node.ObjectNode;

import carezza.model.Brief;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.HealLayer.Patch;
import carezza.model.KeptMark;
import carezza.model.Mask;
import carezza.model.OverlayPicture;
import carezza.model.PhotoReference;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;
import carezza.model.Variant;

/**
 * The model as JSON, as docs/format.md describes it; fields this version does not know are kept,
 * layers are {@link LayerJson}'s. Messages of {@link IllegalArgumentException} say what is wrong
 * and where.
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
  static final String WITHIN = "\0within";

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  private interface Kinds {}

  static NamedType[] maskKinds() {
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
    node.set("stack", LayerJson.write(project.stack(), strokes));
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
            LayerJson.readStack(node, strokes),
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

  // --- values

  /** Puts fields that are not known back where they stood. */
  static void keep(Map<String, Object> unknown, ObjectNode node) {
    unknown.forEach((name, value) -> node.set(name, MAPPER.valueToTree(value)));
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
