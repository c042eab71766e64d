package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.Test;
import tools.jackson.databind.node.ObjectNode;

import carezza.image.PictureSize;
import carezza.kernel.LayerType;
import carezza.model.Crop;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.PhotoReference;
import carezza.model.Project;
import carezza.model.Stroke;

public class VariantJsonTest {

  private static Layer painted(float x) {
    Stroke stroke = new Stroke(new float[] {x, 5, 1, 0}, 4, 0.5, 1, false);
    Layer curve = LayerType.CURVE.fresh();
    return curve.with(
        curve.attributes().withMask(new Mask.Strokes(new Mask.Nothing(), List.of(stroke))));
  }

  private static Project project() {
    return Project.begun("t", new PhotoReference("a.jpg", "0".repeat(64), true, 100, 80))
        .withStack(LayerStack.of(painted(1)))
        .doubled("Colour", "Mono")
        .withStack(LayerStack.of(painted(2), LayerType.MONOCHROME.fresh()))
        .withCrop(Crop.of(new PictureSize(100, 80)).ofRatio(1));
  }

  /** Strokes of all variants lie in one file. */
  @Test
  public void variantsComeBackWithTheirStrokes() {
    for (Project wanted : List.of(project(), project().atVariant(0))) {
      List<Stroke> strokes = new ArrayList<>();
      ObjectNode json = ModelJson.write(wanted, strokes);
      assertThat(strokes).hasSize(2);
      assertThat(json.path("version").asInt()).isEqualTo(3);
      assertThat(ModelJson.readProject(json, strokes)).isEqualTo(wanted);
    }
  }

  @Test
  public void aProjectWithoutVariantsIsWrittenAsBefore() {
    ObjectNode json = ModelJson.write(project().withoutVariant(0), null);
    assertThat(json.path("version").asInt()).isEqualTo(2);
    assertThat(json.has("variants")).isFalse();
  }

  @Test
  public void variantsThatCannotBeAreRefused() {
    ObjectNode json = ModelJson.write(project(), null);
    ((ObjectNode) json.get("variants")).put("name", "Colour");
    assertThatThrownBy(() -> ModelJson.readProject(json, List.of())).hasMessageContaining("Colour");
    ((ObjectNode) json.get("variants")).put("name", "x").put("place", 7);
    assertThatThrownBy(() -> ModelJson.readProject(json, List.of()))
        .hasMessageContaining("number 8 of 2");
  }
}
