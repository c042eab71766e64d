package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

import org.testng.annotations.Test;

import carezza.file.Originals;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.routine.Routine;
import carezza.testing.Portrait;

/** Pictures that are laid over others go with a stack wherever it goes by itself. */
public class OverlayContentsTest {

  private static final byte[] PICTURE =
      "not looked at until it is laid".getBytes(StandardCharsets.UTF_8);

  private static LayerStack stack(byte[] bytes) {
    OverlayLayer layer = (OverlayLayer) LayerType.OVERLAY.fresh();
    return LayerStack.of(
        layer.with(OverlayPicture.of("veil.png", Originals.sha256(PICTURE), "", bytes)));
  }

  private static byte[] written(LayerStack stack) throws Exception {
    Project project =
        ProjectFile.start(Portrait.S06.bytes("photo.jpg"), "sitter.jpg").project().withStack(stack);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.writeStack(project, out);
    return out.toByteArray();
  }

  private static byte[] contents(LayerStack stack) {
    return ((OverlayLayer) stack.layers().getFirst()).picture().bytes();
  }

  @Test
  public void aStackFileHoldsWhatIsKeptInside() throws Exception {
    byte[] json = written(stack(PICTURE));
    assertThat(contents(ProjectFile.readStack(json, "veil.json").stack())).isEqualTo(PICTURE);
  }

  @Test
  public void whatIsNotAtHandIsNotInvented() throws Exception {
    byte[] json = written(stack(null));
    assertThat(new String(json, StandardCharsets.UTF_8)).doesNotContain(OverlayContents.FIELD);
    assertThat(contents(ProjectFile.readStack(json, "veil.json").stack())).isNull();
  }

  @Test
  public void aRoutineHoldsItToo() {
    Routine routine = new Routine("Veil", "", "portrait", stack(PICTURE), Map.of(), 0.5, false);
    Routine read = RoutineFile.read(RoutineFile.text(routine));
    assertThat(contents(read.stack())).isEqualTo(PICTURE);
    assertThat(read.stack()).isEqualTo(routine.stack());
  }

  @Test
  public void anotherPictureThanIsNamedIsRefused() throws Exception {
    String json = new String(written(stack(PICTURE)), StandardCharsets.UTF_8);
    for (String wrong : List.of("bm90IGl0", "no base 64")) {
      String changed = json.replaceAll("(\"[0-9a-f]{64}\" : )\"[^\"]*\"", "$1\"" + wrong + "\"");
      assertThat(changed).contains(wrong);
      assertThatThrownBy(
              () -> ProjectFile.readStack(changed.getBytes(StandardCharsets.UTF_8), "veil.json"))
          .isInstanceOf(Problem.class)
          .hasMessageContaining(OverlayContents.FIELD)
          .hasMessageContaining("veil.json");
    }
  }
}
