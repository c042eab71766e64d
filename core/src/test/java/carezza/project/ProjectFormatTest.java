package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata.Carried;
import carezza.model.ColourBalanceLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.LevelsLayer;
import carezza.model.LockedLayer;
import carezza.model.MonochromeLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.Point;
import carezza.model.Stroke;
import carezza.model.Tint;
import carezza.problem.Problem;
import carezza.recipe.Delivery;
import carezza.session.Session;
import carezza.testing.Pictures;

/** Fields, kinds and versions of projects that this program does not know, or no longer writes. */
public class ProjectFormatTest extends ProjectFiles {
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
  public void theExampleInTheDocumentationIsUnderstood() throws Exception {
    String page = Files.readString(Path.of("../docs/format.md"));
    int start = page.indexOf("```json", page.indexOf("### A stack file")) + 7;
    byte[] example =
        page.substring(start, page.indexOf("```", start)).getBytes(StandardCharsets.UTF_8);
    LayerStack stack = ProjectFile.readStack(example, "format.md").stack();
    assertThat(stack.layers()).extracting(LayerType::of).containsExactly(LayerType.values());
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
}
