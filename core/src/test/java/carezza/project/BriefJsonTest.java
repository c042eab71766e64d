package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;

import org.testng.annotations.Test;
import tools.jackson.databind.node.ObjectNode;

import carezza.model.Brief;
import carezza.model.Mask;
import carezza.model.PhotoReference;
import carezza.model.Project;
import carezza.model.Promise;
import carezza.model.SemanticRegion;

public class BriefJsonTest {

  private static Project project(Brief brief) {
    return Project.begun("t", new PhotoReference("a.jpg", "0".repeat(64), true, 100, 80))
        .withBrief(brief);
  }

  private static Project again(Project project) {
    return ModelJson.readProject(ModelJson.write(project, null), List.of());
  }

  @Test
  public void aBriefTravelsWithItsProject() {
    Brief brief =
        Brief.USUAL
            .withJob("beauty", Map.of("textureKept.high", 120.0))
            .withLongEdge(2400)
            .withMinutes(45)
            .leaving("shine", "the client likes it")
            .promising(
                new Promise(
                    "keep the scar",
                    Promise.Rule.UNCHANGED,
                    null,
                    new Mask.Ellipse(10, 20, 5, 5, 0, 0)))
            .promising(
                new Promise(
                    "do not lighten", Promise.Rule.NOT_LIGHTER, SemanticRegion.FACE_SKIN, null));

    assertThat(again(project(brief)).brief()).isEqualTo(brief);
  }

  @Test
  public void whereNothingWasAgreedOnNothingIsWritten() {
    assertThat(ModelJson.write(project(null), null).has("brief")).isFalse();
    assertThat(again(project(null)).brief()).isEqualTo(Brief.USUAL);
  }

  @Test
  public void whatIsMissingIsTheUsual() {
    ObjectNode node = ModelJson.write(project(null), null);
    node.putObject("brief").put("job", "event");

    assertThat(ModelJson.readProject(node, List.of()).brief())
        .isEqualTo(Brief.USUAL.withJob("event", Map.of()));
  }

  @Test
  public void aPromiseOfNowhereIsRefusedByName() {
    ObjectNode node = ModelJson.write(project(null), null);
    node.putObject("brief")
        .putArray("promises")
        .addObject()
        .put("words", "keep it")
        .put("rule", "unchanged");

    assertThatThrownBy(() -> ModelJson.readProject(node, List.of()))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("brief");
  }

  @Test
  public void aFindingThatIsTakenUpAgainIsNotLeft() {
    Brief left = Brief.USUAL.leaving("shine", "agreed");

    assertThat(left.left()).containsEntry("shine", "agreed");
    assertThat(left.leaving("shine", null)).isEqualTo(Brief.USUAL);
  }
}
