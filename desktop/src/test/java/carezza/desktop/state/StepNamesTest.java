package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.function.UnaryOperator;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.Stroke;

/** What a step is called in the list of steps. */
public class StepNamesTest {

  private Project before;

  @BeforeMethod
  public void open() {
    before = Documents.with(LayerType.EXPOSURE, LayerType.HEAL, LayerType.DODGE_BURN).project();
  }

  private static Patch repair(double x) {
    return new Patch(Stroke.dab(x, 20, 5, 0.3), new Source(9, 0));
  }

  private static UnaryOperator<LayerStack> edit(String id, UnaryOperator<Layer> change) {
    return stack -> stack.edit(id, change);
  }

  @DataProvider
  public Object[][] steps() {
    Mask stroke = new Mask.Nothing().painted(Stroke.dab(20, 20, 5, 0.3));
    return new Object[][] {
      {edit("a", l -> new ExposureLayer(l.attributes(), 0.5, 0)), "Exposure: Exposure"},
      {edit("a", l -> new ExposureLayer(l.attributes(), 0, 0.2)), "Exposure: Recover lights"},
      {edit("a", l -> l.with(l.attributes().withMask(stroke))), "Exposure: where it acts"},
      {edit("a", l -> l.with(l.attributes().named("Glow"))), "Named Glow"},
      {edit("b", l -> ((HealLayer) l).plus(repair(10))), "Heal: a repair"},
      {edit("b", l -> ((HealLayer) l).plus(repair(10)).plus(repair(30))), "Heal: 2 repairs"},
      {
        edit("c", l -> ((DodgeBurnLayer) l).withMasks(stroke, new Mask.Nothing())),
        "Dodge and burn: light"
      },
      {
        edit("c", l -> ((DodgeBurnLayer) l).withMasks(new Mask.Nothing(), stroke)),
        "Dodge and burn: shade"
      },
      {(UnaryOperator<LayerStack>) s -> s.grouped("a", "Group"), "Added Group"},
      {(UnaryOperator<LayerStack>) s -> s.without("b"), "Removed Heal"}
    };
  }

  @Test(dataProvider = "steps")
  public void aStepIsNamedByWhatItDid(UnaryOperator<LayerStack> step, String name) {
    Project after = before.withStack(step.apply(before.stack()));
    assertThat(StepNames.of(before, after)).isEqualTo(name);
  }

  @Test
  public void repairsThatAreTakenOutAreCounted() {
    Project two =
        before.edit("b", l -> ((HealLayer) l).withPatches(List.of(repair(10), repair(30))));
    assertThat(StepNames.of(two, before)).isEqualTo("Heal: 2 repairs taken out");
    Project one = two.edit("b", l -> ((HealLayer) l).withPatches(List.of(repair(10))));
    assertThat(StepNames.of(two, one)).isEqualTo("Heal: a repair taken out");
  }
}
