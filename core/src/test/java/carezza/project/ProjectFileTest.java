package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata.Carried;
import carezza.model.ColourBalanceLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.LevelsLayer;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.MonochromeLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.model.Tint;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.recipe.Delivery;
import carezza.session.Session;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** Project files: what is saved is opened again, and what is broken is said in a sentence. */
public class ProjectFileTest {

  private static final byte[] PREVIEW = {1, 2, 3};

  private Path folder;
  private Document document;

  @BeforeClass
  public void start() throws Exception {
    folder = Files.createTempDirectory("carezza-project-test");
    Files.write(folder.resolve("sitter.jpg"), Portrait.S06.bytes("photo.jpg"));
    Document fresh = ProjectFile.start(folder.resolve("sitter.jpg"));
    document = fresh.with(worked(fresh.project()), null);
  }

  @AfterClass
  public void tidy() throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  /** One layer of every kind, with every kind of mask somewhere. */
  private static Project worked(Project fresh) {
    List<Layer> layers = new ArrayList<>();
    for (LayerType kind : LayerType.values()) {
      layers.add(kind.fresh());
    }
    LayerStack stack = new LayerStack(layers);
    Stroke stroke =
        Stroke.path(List.of(new Point(600, 700), new Point(700, 800)), 40, 0.8, 0.5, false);
    Mask painted = new Mask.RegionMask(SemanticRegion.FACE_SKIN).painted(stroke);
    Mask deep =
        new Mask.Or(
            new Mask.And(
                new Mask.Feather(new Mask.Ellipse(500, 500, 90, 60, 10, 0.4), 12),
                new Mask.Range(Mask.Quantity.LIGHTNESS, 10, 20, 60, 80)),
            new Mask.Minus(
                new Mask.Invert(new Mask.Gradient(new Point(0, 0), new Point(0, 900))),
                new Mask.Opacity(
                    new Mask.Refine(
                        new Mask.Polygon(
                            List.of(new Point(1, 1), new Point(90, 1), new Point(50, 80)), 3),
                        9),
                    0.5)));
    String sculpt = layers.get(LayerType.DODGE_BURN.ordinal()).attributes().id();
    String curve = layers.get(LayerType.CURVE.ordinal()).attributes().id();
    return fresh
        .withFaces(Portrait.S06.faces())
        .withStack(stack)
        .edit(sculpt, l -> ((DodgeBurnLayer) l).withMasks(painted, deep))
        .edit(curve, l -> l.with(l.attributes().withMask(deep).withAmount(0.4).named("Mood")));
  }

  private Path saved(String name) throws Problem {
    Path file = folder.resolve(name);
    ProjectFile.save(document, AtomicFile.replacing(file), PREVIEW);
    return file;
  }

  private static Map<String, byte[]> entries(Path file) throws IOException {
    Map<String, byte[]> entries = new TreeMap<>();
    try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(file))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        entries.put(e.getName(), zip.readAllBytes());
      }
    }
    return entries;
  }

  private Path packed(String name, Map<String, byte[]> entries) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (Map.Entry<String, byte[]> e : entries.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
      }
    }
    return Files.write(folder.resolve(name), bytes.toByteArray());
  }

  private Path withJson(String name, UnaryOperator<String> change) throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    String json = new String(entries.get("project.json"), StandardCharsets.UTF_8);
    entries.put("project.json", change.apply(json).getBytes(StandardCharsets.UTF_8));
    return packed(name, entries);
  }

  private static Problem problem(Path file) {
    return catchThrowableOfType(Problem.class, () -> ProjectFile.open(file));
  }

  // --- round trip

  @Test
  public void whatIsSavedIsOpenedAgainInEveryDetail() throws Problem {
    Document again = ProjectFile.open(saved("detail.carezza"));
    assertThat(again.project()).isEqualTo(document.project());
    assertThat(again.file()).isEqualTo(document.file());
  }

  @Test
  public void aReopenedProjectRendersTheSamePicture() throws Problem {
    Delivery small =
        new Delivery(0, 90, 8, 2, OutputColour.of(OutputProfile.SRGB), Carried.NOTHING, false);
    var before =
        new Session(document.photograph())
            .exports()
            .picture(document.project(), small, Cancellation.NONE);
    Document again = ProjectFile.open(saved("same.carezza"));
    var after =
        new Session(again.photograph())
            .exports()
            .picture(again.project(), small, Cancellation.NONE);
    assertThat(Pictures.largest(before, after)).isZero();
  }

  @Test
  public void theFileHoldsWhatTheFormatPromises() throws Exception {
    Map<String, byte[]> entries = entries(saved("promise.carezza"));
    assertThat(entries.keySet())
        .containsExactlyInAnyOrder(
            "project.json", "strokes.bin", "preview.jpg", "photograph/sitter.jpg");
    assertThat(entries.get("preview.jpg")).isEqualTo(PREVIEW);
  }

  @Test
  public void fieldsOfALaterWriterSurviveASave() throws Exception {
    Path file =
        withJson(
            "later.carezza",
            json ->
                json.replaceFirst("\\{", "{\"client\":{\"room\":7},")
                    .replace("\"kind\" : \"curve\"", "\"kind\" : \"curve\", \"wish\" : \"more\""));
    ProjectFile.save(
        ProjectFile.open(file), AtomicFile.replacing(folder.resolve("kept.carezza")), PREVIEW);
    String json =
        new String(
            entries(folder.resolve("kept.carezza")).get("project.json"), StandardCharsets.UTF_8);
    assertThat(json).contains("\"room\" : 7").contains("\"wish\" : \"more\"");
  }

  @Test
  public void aStackFileWithNothingButKindsTakesTheDefaults() throws Problem {
    byte[] json =
        "{\"stack\":[{\"kind\":\"teeth\"},{\"kind\":\"curve\",\"amount\":0.5}]}"
            .getBytes(StandardCharsets.UTF_8);
    LayerStack stack = ProjectFile.readStack(json, "stack.json").stack();
    assertThat(stack.size()).isEqualTo(2);
    Layer teeth =
        stack.layers().stream().filter(l -> LayerType.of(l) == LayerType.TEETH).findAny().get();
    assertThat(teeth.with(teeth.attributes().withId("x")))
        .isEqualTo(LayerType.TEETH.fresh().with(LayerType.TEETH.fresh().attributes().withId("x")));
  }

  @Test
  public void aWrittenStackFileIsReadBack() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.writeStack(document.project(), out);
    ProjectFile.StackFile again = ProjectFile.readStack(out.toByteArray(), "stack.json");
    assertThat(again.stack()).isEqualTo(document.project().stack());
    assertThat(again.faces()).isEqualTo(document.project().faces());
  }

  @Test
  public void theExampleInTheDocumentationIsUnderstood() throws Exception {
    String page = Files.readString(Path.of("../docs/format.md"));
    int start = page.indexOf("```json", page.indexOf("### A stack file")) + 7;
    byte[] example =
        page.substring(start, page.indexOf("```", start)).getBytes(StandardCharsets.UTF_8);
    LayerStack stack = ProjectFile.readStack(example, "format.md").stack();
    assertThat(stack.layers()).extracting(LayerType::of).containsExactly(LayerType.values());
  }

  @Test
  public void groupsAndWhatLayersChangedComeBack() throws Exception {
    LayerStack stack =
        LayerStack.of(
            LayerType.CURVE
                .fresh()
                .with(
                    LayerAttributes.of("one", Stage.GRADE, new Mask.Everything())
                        .withId("one")
                        .inGroup("g")),
            LayerType.CURVE
                .fresh()
                .with(
                    LayerAttributes.of("two", Stage.GRADE, new Mask.ChangeMask("one", 3))
                        .inGroup("g")),
            LayerType.GROUP
                .fresh()
                .with(
                    LayerAttributes.of("both", Stage.GRADE, new Mask.Everything())
                        .withId("g")
                        .withAmount(0.5)));
    Path file = folder.resolve("groups.carezza");
    ProjectFile.save(
        document.with(document.project().withStack(stack), null),
        AtomicFile.replacing(file),
        PREVIEW);
    assertThat(ProjectFile.open(file).project().stack()).isEqualTo(stack);
  }

  @Test
  public void fieldsAreReadUnderTheNamesThatTheyHadInTheFirstVersion() throws Problem {
    String old =
        """
        {"stack": [
          {"kind": "neutralise", "dark": {"x": 1, "y": 2}, "middle": {"x": 3, "y": 4}},
          {"kind": "range", "darks": 0.4, "lights": -0.3},
          {"kind": "balance", "darks": {"hue": 10, "strength": 1}, "middles": {"hue": 20, "strength": 2}},
          {"kind": "mono", "lights": {"hue": 30, "strength": 3}}]}
        """;
    LayerStack stack =
        ProjectFile.readStack(old.getBytes(StandardCharsets.UTF_8), "old.json").stack();
    NeutralPointsLayer points = (NeutralPointsLayer) stack.layers().get(0);
    assertThat(points.shadow()).isEqualTo(new Point(1, 2));
    assertThat(points.midtone()).isEqualTo(new Point(3, 4));
    LevelsLayer levels = (LevelsLayer) stack.layers().get(1);
    assertThat(levels.shadows()).isEqualTo(0.4);
    assertThat(levels.highlights()).isEqualTo(-0.3);
    ColourBalanceLayer balance = (ColourBalanceLayer) stack.layers().get(2);
    assertThat(balance.shadows()).isEqualTo(new Tint(10, 1));
    assertThat(balance.midtones()).isEqualTo(new Tint(20, 2));
    assertThat(((MonochromeLayer) stack.layers().get(3)).highlights()).isEqualTo(new Tint(30, 3));
  }

  @Test
  public void aProjectOfTheFirstVersionStillOpens() throws Exception {
    Path file = withJson("first.carezza", j -> j.replace("\"version\" : 2", "\"version\" : 1"));
    assertThat(ProjectFile.open(file).project().stack().size()).isPositive();
  }

  // --- what can be wrong

  @DataProvider
  public Object[][] lengths() {
    return new Object[][] {{0.0}, {0.1}, {0.5}, {0.999}};
  }

  @Test(dataProvider = "lengths")
  public void aProjectCutShortIsSaidToBeDamaged(double share) throws Exception {
    byte[] whole = Files.readAllBytes(saved("long.carezza"));
    Path cut = folder.resolve("cut.carezza");
    Files.write(cut, Arrays.copyOf(whole, (int) (share * whole.length * 0.99)));
    Problem problem = problem(cut);
    assertThat(problem.kind()).isEqualTo(Kind.PROJECT_DAMAGED);
    assertThat(problem.getMessage()).contains("cut.carezza").endsWith(".");
  }

  @Test
  public void aNewerProjectIsRefusedByName() throws Exception {
    Path file = withJson("newer.carezza", j -> j.replace("\"version\" : 2", "\"version\" : 99"));
    assertThat(problem(file).kind()).isEqualTo(Kind.PROJECT_NEWER);
    assertThat(problem(file).getMessage()).contains("newer.carezza").contains("99");
  }

  @Test
  public void aLayerWithoutAKindIsNamedWithItsPlace() throws Exception {
    Path file = withJson("kind.carezza", j -> j.replace("\"kind\" : \"curve\",", ""));
    assertThat(problem(file).getMessage()).contains("stack[").contains("kind");
  }

  private static ObjectNode json(Path file) throws IOException {
    return ModelJson.parse(entries(file).get("project.json"));
  }

  private Path savedAgain(Path file) throws Problem {
    Path again = folder.resolve("again.carezza");
    ProjectFile.save(ProjectFile.open(file), AtomicFile.replacing(again), PREVIEW);
    return again;
  }

  @Test
  public void unknownFieldsSurviveWhereverTheyStand() throws Exception {
    Path file =
        withJson(
            "everywhere.carezza",
            j ->
                j.replace("\"sha256\"", "\"camera\" : \"made up\", \"sha256\"")
                    .replace(
                        "\"leftPupil\" : {",
                        "\"glasses\" : true, \"leftPupil\" : {\"sure\" : 0.9, ")
                    .replace("\"kind\" : \"oval\"", "\"kind\" : \"oval\", \"corner\" : 4")
                    .replace(
                        "\"kind\" : \"range\",\n", "\"kind\" : \"range\", \"knee\" : [1, 2],\n")
                    .replaceFirst(
                        "\"title\"",
                        "\"frame\" : {\"x\":500,\"y\":500,\"width\":400,\"height\":300,\"angle\":0,\"bleed\":3}, \"title\""));
    String saved = json(savedAgain(file)).toString();
    assertThat(saved)
        .contains("\"camera\":\"made up\"")
        .contains("\"glasses\":true")
        .contains("\"sure\":0.9")
        .contains("\"corner\":4")
        .contains("\"knee\":[1,2]")
        .contains("\"bleed\":3");
    // And once more: nothing is doubled or lost on the way.
    assertThat(json(savedAgain(folder.resolve("again.carezza"))).toString()).isEqualTo(saved);
  }

  @Test
  public void aRepairKeepsWhatIsSaidOfItWhereverItMoves() throws Exception {
    String stack =
        "{\"stack\":[{\"kind\":\"heal\",\"patches\":["
            + "{\"area\":{\"points\":[1,1,1,0],\"radius\":5}},"
            + "{\"area\":{\"points\":[9,9,1,0],\"radius\":5},\"reason\":\"scar\"}]}]}";
    LayerStack read =
        LayerJson.readStack(ModelJson.parse(stack.getBytes(StandardCharsets.UTF_8)), List.of());
    HealLayer heal = (HealLayer) read.layers().getFirst();
    HealLayer turned = heal.withPatches(heal.patches().reversed());
    List<Stroke> strokes = new ArrayList<>();
    JsonNode patches = LayerJson.write(turned, strokes).get("patches");
    assertThat(patches.get(0).path("reason").asString("")).isEqualTo("scar");
    assertThat(patches.get(1).has("reason")).isFalse();
    assertThat(strokes).hasSize(2);
  }

  @Test
  public void aLayerOfAnUnknownKindIsLockedAndSavedAsItCame() throws Exception {
    Path file =
        withJson(
            "bent.carezza",
            j -> j.replace("\"kind\" : \"curve\"", "\"kind\" : \"bend\", \"force\" : {\"x\" : 3}"));
    Document opened = ProjectFile.open(file);
    LockedLayer locked =
        opened.project().stack().layers().stream()
            .filter(LockedLayer.class::isInstance)
            .map(LockedLayer.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(locked.kind()).isEqualTo("bend");
    assertThat(locked.attributes().name()).isEqualTo("Mood");
    assertThat(locked.acts()).isFalse();
    assertThat(locked.with(locked.attributes().withAmount(0.1))).isEqualTo(locked);
    JsonNode bent = layer(json(savedAgain(file)), "bend");
    assertThat(bent.toString()).contains("\"force\":{\"x\":3}").contains("\"amount\":0.4");
    // What it painted is still there, in full, as strokes have other numbers now.
    assertThat(bent.has("luminance")).isTrue();
  }

  private static JsonNode layer(ObjectNode project, String kind) {
    for (JsonNode layer : project.get("stack")) {
      if (layer.path("kind").asString("").equals(kind)) {
        return layer;
      }
    }
    throw new AssertionError("No layer of kind " + kind);
  }

  @Test
  public void aLayerWithAnUnknownMaskIsLocked() throws Exception {
    Path file =
        withJson("mask.carezza", j -> j.replace("\"kind\" : \"oval\"", "\"kind\" : \"star\""));
    Document opened = ProjectFile.open(file);
    assertThat(opened.project().stack().layers()).anyMatch(LockedLayer.class::isInstance);
    assertThat(json(savedAgain(file)).toString()).contains("\"kind\":\"star\"");
  }

  @Test
  public void aLockedLayerChangesNoPixel() throws Exception {
    byte[] stack =
        "{\"stack\":[{\"kind\":\"bend\",\"stage\":\"grade\"},{\"kind\":\"exposure\",\"stops\":0.3}]}"
            .getBytes(StandardCharsets.UTF_8);
    LayerStack with = ProjectFile.readStack(stack, "s.json").stack();
    LayerStack without = with.without(with.layers().getLast().attributes().id());
    Session session = new Session(document.photograph());
    Delivery small =
        new Delivery(0, 90, 8, 4, OutputColour.of(OutputProfile.SRGB), Carried.NOTHING, false);
    assertThat(with.layers().getLast()).isInstanceOf(LockedLayer.class);
    assertThat(
            Pictures.largest(
                session
                    .exports()
                    .picture(document.project().withStack(with), small, Cancellation.NONE),
                session
                    .exports()
                    .picture(document.project().withStack(without), small, Cancellation.NONE)))
        .isZero();
  }

  /** What a project does not hold is not unpacked, and a second photograph is none. */
  @Test
  public void aProjectThatSwellsIsRefused() throws Exception {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      zip.putNextEntry(new ZipEntry("junk.bin"));
      byte[] nothing = new byte[1 << 20];
      for (int i = 0; i < 300; i++) {
        zip.write(nothing);
      }
      zip.closeEntry();
      for (Map.Entry<String, byte[]> e : entries(saved("whole.carezza")).entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
      }
    }
    Path junk = Files.write(folder.resolve("junk.carezza"), bytes.toByteArray());
    assertThat(problem(junk).getMessage()).contains("junk.bin");
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("photograph/second.jpg", new byte[10]);
    assertThat(problem(packed("two.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  /**
   * The project was made of it in another run, perhaps on another day; its name is known to nobody
   * any more.
   */
  @Test
  public void thePhotographOfAProjectIsKeptWhereverItLies() throws Exception {
    Path file = saved("kept-inside.carezza");
    Path original = Files.write(folder.resolve("elsewhere.jpg"), document.file());
    ProjectFile.open(file);
    assertThatThrownBy(() -> AtomicFile.replacing(original).write(out -> out.write(1)))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.kind()).isEqualTo(Kind.FILE_IS_ORIGINAL));
    assertThat(Files.readAllBytes(original)).isEqualTo(document.file());
    Files.delete(original);
  }

  @Test
  public void aFrameFarBeyondThePhotographIsRefused() throws Exception {
    Path file =
        withJson(
            "frame.carezza",
            j ->
                j.replaceFirst(
                    "\"title\"",
                    "\"frame\" : {\"x\":500,\"y\":500,\"width\":500000,\"height\":500000,\"angle\":0}, \"title\""));
    assertThat(problem(file).getMessage()).contains("frame");
  }

  @Test
  public void aValueOutOfRangeIsNamedWithItsRange() throws Exception {
    Path file =
        withJson("range.carezza", j -> j.replace("\"keepColour\" : 0.5", "\"keepColour\" : 7"));
    assertThat(problem(file).getMessage()).contains("keepColour").contains("7");
  }

  @Test
  public void aPhotographThatWasExchangedInsideIsNoticed() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("photograph/sitter.jpg", Portrait.S06.bytes("clean.jpg"));
    assertThat(problem(packed("other.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void aProjectWithoutItsPhotographIsDamaged() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.remove("photograph/sitter.jpg");
    assertThat(problem(packed("empty.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void strokesCutShortAreNoticed() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    byte[] strokes = entries.get("strokes.bin");
    entries.put("strokes.bin", Arrays.copyOf(strokes, strokes.length - 3));
    assertThat(problem(packed("strokes.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void aPictureNamedLikeAProjectIsNone() throws Exception {
    Path file = folder.resolve("picture.carezza");
    Files.write(file, Portrait.S06.bytes("photo.jpg"));
    assertThat(problem(file).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void namesThatPointOutOfTheArchiveTouchNoFile() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("../../outside.txt", new byte[] {1});
    assertThat(ProjectFile.open(packed("slip.carezza", entries)).project())
        .isEqualTo(document.project());
    assertThat(folder.getParent().getParent().resolve("outside.txt")).doesNotExist();
  }

  @Test
  public void anEntryThatUnpacksWithoutEndIsRefused() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("project.json", new byte[ProjectFile.LARGEST_TEXT + 1]);
    assertThat(problem(packed("bomb.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void spotsThatAreNoNumbersAreSaidSo() throws Exception {
    Path file = folder.resolve("spots.json");
    Files.writeString(file, "{\"spots\":[{\"x\":1,\"y\":2}]}");
    Problem problem = catchThrowableOfType(Problem.class, () -> SpotsFile.read(file));
    assertThat(problem.kind()).isEqualTo(Kind.SPOTS_INVALID);
    assertThat(problem.getMessage()).contains("radius");
  }

  @Test
  public void theEmbeddedPhotographIsTheFileByteForByte() throws Exception {
    byte[] inside = entries(saved("bytes.carezza")).get("photograph/sitter.jpg");
    assertThat(inside).isEqualTo(Files.readAllBytes(folder.resolve("sitter.jpg")));
    assertThat(PictureReader.decode(inside, "sitter.jpg").size())
        .isEqualTo(document.photograph().size());
    assertThat(new ByteArrayInputStream(inside).read()).isEqualTo(0xff);
  }

  // --- linked photographs, and folders that do not take a file

  @Test
  public void aLinkedPhotographIsFoundFromWhereverTheProjectLies() throws Exception {
    Path photos = Files.createDirectories(folder.resolve("photos"));
    Path photo = photos.resolve("linked.jpg");
    Files.write(photo, document.file());
    Document linked = document.linkedTo(photo.toAbsolutePath().normalize());
    for (String place : new String[] {"one.carezza", "deep/er/two.carezza"}) {
      Path file = folder.resolve(place);
      Files.createDirectories(file.getParent());
      ProjectFile.save(linked, AtomicFile.replacing(file), new byte[0]);
      assertThat(Files.size(file)).isLessThan(document.file().length / 4);
      Document again = ProjectFile.open(file);
      assertThat(again.project()).isEqualTo(linked.project());
      assertThat(again.source()).isEqualTo(linked.source());
    }
    Files.write(photo, new byte[] {1, 2, 3});
    assertThatThrownBy(() -> ProjectFile.open(folder.resolve("one.carezza")))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("linked.jpg");
    Files.delete(photo);
    assertThatThrownBy(() -> ProjectFile.open(folder.resolve("one.carezza")))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("linked.jpg");
    Files.delete(folder.resolve("one.carezza"));
    Files.delete(folder.resolve("deep/er/two.carezza"));
    Files.delete(folder.resolve("deep/er"));
    Files.delete(folder.resolve("deep"));
    Files.delete(photos);
  }

  @Test
  public void aFullDiskLeavesTheOldFileAndSaysSo() throws Exception {
    Path file = saved("full.carezza");
    byte[] before = Files.readAllBytes(file);
    assertThatThrownBy(
            () ->
                AtomicFile.replacing(file)
                    .write(
                        out -> {
                          out.write(new byte[100_000]);
                          throw new IOException("No space left on device");
                        }))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("full.carezza")
        .hasMessageContaining("No space left on device");
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
    try (var files = Files.list(folder)) {
      assertThat(files.map(p -> p.getFileName().toString())).noneMatch(n -> n.endsWith("-part"));
    }
  }

  @Test
  public void aPlaceThatTakesNoFileIsNamed() throws Exception {
    Path blocked = Files.write(folder.resolve("no-folder"), new byte[1]).resolve("x.carezza");
    assertThatThrownBy(() -> ProjectFile.save(document, AtomicFile.replacing(blocked), new byte[0]))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("x.carezza")
        .hasMessageEndingWith(".");
    Files.delete(folder.resolve("no-folder"));
  }
}
