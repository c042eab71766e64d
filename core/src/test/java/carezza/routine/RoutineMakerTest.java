package carezza.routine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;

import org.testng.annotations.Test;

import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.PhotoReference;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stroke;
import carezza.routine.RoutineMaker.LeftOut;
import carezza.routine.RoutineMaker.Made;
import carezza.routine.RoutineMaker.Reason;

public class RoutineMakerTest {

  private static final Stroke STROKE = Stroke.dab(50, 50, 10, 1);

  private static Project project(Layer... layers) {
    return Project.begun("x", new PhotoReference("x.png", "0".repeat(64), true, 100, 100))
        .withStack(LayerStack.of(layers));
  }

  private static Layer layer(LayerType type, String id, Mask mask) {
    Layer fresh = type.fresh();
    return fresh.with(fresh.attributes().withId(id).named(id).withMask(mask));
  }

  private static Made made(Layer... layers) {
    Project project = project(layers);
    return RoutineMaker.of(project, "r", RoutineMaker.all(project.stack()));
  }

  /** Repairs are found anew, painted light is found anew, and both forget where they were. */
  @Test
  public void whatIsMeasuredForgetsItsPlaces() {
    HealLayer heal =
        ((HealLayer) layer(LayerType.HEAL, "spots", new Mask.Everything()))
            .withPatches(List.of(Patch.spot(10, 10, 5)));
    DodgeBurnLayer light =
        ((DodgeBurnLayer) layer(LayerType.DODGE_BURN, "light", new Mask.Everything()))
            .withMasks(new Mask.Nothing().painted(STROKE), new Mask.Nothing());
    Made made = made(heal, light);
    assertThat(made.leftOut()).isEmpty();
    List<Layer> layers = made.routine().stack().layers();
    assertThat(((HealLayer) layers.get(0)).patches()).isEmpty();
    assertThat(((DodgeBurnLayer) layers.get(1)).dodgeMask()).isEqualTo(new Mask.Nothing());
    assertThat(made.routine().rules(layers.get(0).attributes().id()))
        .containsExactly(Rule.BLEMISHES);
  }

  /** Repairs along paths were of hairs, so hairs are looked for. */
  @Test
  public void whatFollowsPathsIsMeasuredByHairs() {
    Stroke path = Stroke.path(List.of(new Point(1, 1), new Point(40, 30)), 3, 0.4, 1, false);
    HealLayer heal =
        ((HealLayer) layer(LayerType.HEAL, "hairs", new Mask.Everything()))
            .withPatches(List.of(new Patch(path, null)));
    Made made = made(heal);
    assertThat(made.routine().measured().values()).containsExactly(Set.of(Rule.STRAY_HAIRS));
  }

  @Test
  public void whatIsFixedToAPlaceIsLeftOutAndSaid() {
    HealLayer heal =
        ((HealLayer) layer(LayerType.HEAL, "spots", new Mask.Everything()))
            .withPatches(List.of(Patch.spot(10, 10, 5)));
    Project project =
        project(
            heal,
            layer(LayerType.NEUTRAL_POINTS, "greys", new Mask.Everything()),
            layer(LayerType.CURVE, "left", new Mask.Nothing().painted(STROKE)),
            layer(
                LayerType.SATURATION,
                "half",
                new Mask.RegionMask(SemanticRegion.SKIN).painted(STROKE)),
            layer(
                LayerType.TEETH,
                "hers",
                new Mask.RegionMask(SemanticRegion.TEETH, new Point(5, 5))),
            layer(LayerType.VIGNETTE, "off", new Mask.Everything())
                .with(
                    layer(LayerType.VIGNETTE, "off", new Mask.Everything())
                        .attributes()
                        .switched(false)));
    Made made = RoutineMaker.of(project, "r", Map.of());
    assertThat(made.leftOut())
        .containsExactlyInAnyOrder(
            new LeftOut("spots", Reason.PLACED),
            new LeftOut("greys", Reason.PLACED),
            new LeftOut("left", Reason.PLACED),
            new LeftOut("hers", Reason.PLACED),
            new LeftOut("half", Reason.PARTS_PLACED),
            new LeftOut("off", Reason.OFF));
    assertThat(made.routine().stack().layers())
        .singleElement()
        .satisfies(
            l ->
                assertThat(l.attributes().mask())
                    .isEqualTo(new Mask.RegionMask(SemanticRegion.SKIN)));
  }

  /** Ids are new, so that a routine never replaces what it was made of; links and groups follow. */
  @Test
  public void linksAndGroupsFollowTheNewIds() {
    Layer group = layer(LayerType.GROUP, "group", new Mask.Everything());
    Layer curve = layer(LayerType.CURVE, "curve", new Mask.RegionMask(SemanticRegion.LIPS));
    Layer linked = layer(LayerType.SATURATION, "linked", new Mask.LinkedMask("curve"));
    Layer member = curve.with(curve.attributes().inGroup("group"));
    LayerStack stack = made(member, linked, group).routine().stack();
    String curveId = named(stack, "curve").attributes().id();
    assertThat(curveId).isNotEqualTo("curve");
    assertThat(named(stack, "linked").attributes().mask()).isEqualTo(new Mask.LinkedMask(curveId));
    assertThat(named(stack, "curve").attributes().group())
        .isEqualTo(named(stack, "group").attributes().id());
  }

  @Test
  public void aGroupOfNothingIsNotTaken() {
    Layer group = layer(LayerType.GROUP, "group", new Mask.Everything());
    Layer placed = layer(LayerType.CURVE, "placed", new Mask.Nothing().painted(STROKE));
    Made made = made(placed.with(placed.attributes().inGroup("group")), group);
    assertThat(made.routine().stack().layers()).noneMatch(GroupLayer.class::isInstance);
  }

  @Test
  public void aRuleNeedsALayerOfItsKind() {
    Layer curve = layer(LayerType.CURVE, "curve", new Mask.Everything());
    assertThatThrownBy(
            () ->
                new Routine(
                    "r",
                    "",
                    "portrait",
                    LayerStack.of(curve),
                    Map.of("curve", Set.of(Rule.BANDS)),
                    0.5,
                    false))
        .hasMessageContaining("BANDS cannot be measured for layer 'curve'");
  }

  private static Layer named(LayerStack stack, String name) {
    return stack.layers().stream()
        .filter(l -> l.attributes().name().equals(name))
        .findFirst()
        .orElseThrow();
  }
}
