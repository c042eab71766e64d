package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.node.ObjectNode;

import carezza.kernel.LayerType;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.KeptMark;
import carezza.model.Mask;
import carezza.model.PhotoReference;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

public class PatchJsonTest {

  private static final Stroke SCAR =
      Stroke.path(List.of(new Point(10, 10), new Point(90, 10)), 10, 0.3, 1, false);

  @DataProvider
  public Object[][] patches() {
    Source turned = new Source(40, -8, 90, 1.5, true);
    return new Object[][] {
      {Patch.spot(4, 5, 9)},
      {new Patch(SCAR, List.of(turned, new Source(0, 30)), RepairMethod.HEAL, 0.4)},
      {new Patch(SCAR, List.of(turned), RepairMethod.CLONE, 1)},
      {new Patch(SCAR, List.of(), RepairMethod.REDUCE, 0.6)},
      {
        new Patch(
            new Mask.Polygon(List.of(new Point(0, 0), new Point(9, 0), new Point(4, 8)), 1.5),
            List.of(turned),
            RepairMethod.MATCH,
            1)
      }
    };
  }

  @Test(dataProvider = "patches")
  public void aRepairComesBackAsItWas(Patch patch) {
    HealLayer layer = ((HealLayer) LayerType.HEAL.fresh()).withPatches(List.of(patch));
    ObjectNode node = ModelJson.parse("{\"stack\":[]}".getBytes(StandardCharsets.UTF_8));
    node.withArray("stack").add(LayerJson.write(layer, null));
    HealLayer read = (HealLayer) LayerJson.readStack(node, List.of()).layers().getFirst();
    assertThat(read.patches()).containsExactly(patch);
  }

  @DataProvider
  public Object[][] wrong() {
    String area = "{\"points\":[1,1,1,0],\"radius\":5}";
    return new Object[][] {
      {"{\"area\":" + area + ",\"way\":\"iron\"}", "iron"},
      {"{\"area\":" + area + ",\"amount\":2}", "amount"},
      {"{\"area\":" + area + ",\"source\":{\"dx\":1}}", "dy"},
      {"{\"where\":" + area + "}", "area"},
      {"{\"outline\":[{\"x\":1,\"y\":1}]}", "three points"},
      {"{}", "area"}
    };
  }

  @Test(dataProvider = "wrong")
  public void whatIsNoRepairIsSaid(String patch, String named) {
    String stack = "{\"stack\":[{\"kind\":\"heal\",\"patches\":[" + patch + "]}]}";
    ObjectNode node = ModelJson.parse(stack.getBytes(StandardCharsets.UTF_8));
    assertThatThrownBy(() -> LayerJson.readStack(node, List.of()))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("stack[0]")
        .hasMessageContaining(named);
  }

  @Test
  public void marksThatAreKeptAreRemembered() {
    Project project =
        Project.begun("t", new PhotoReference("a.jpg", "0".repeat(64), true, 100, 80))
            .keeping(new KeptMark(3, 4, 5));
    Project read = ModelJson.readProject(ModelJson.write(project, null), List.of());
    assertThat(read.kept()).containsExactly(new KeptMark(3, 4, 5));
    assertThat(read.kept().getFirst().holds(new Point(6, 8))).isTrue();
    assertThat(read.kept().getFirst().holds(new Point(9, 8))).isFalse();
  }
}
