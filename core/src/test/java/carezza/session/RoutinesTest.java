package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Set;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.ExposureLayer;
import carezza.model.HealLayer;
import carezza.model.KeptMark;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.TeethLayer;
import carezza.model.WhiteBalanceLayer;
import carezza.project.RoutineFile;
import carezza.routine.Routine;
import carezza.routine.RoutineMaker;
import carezza.routine.Rule;
import carezza.testing.AtWork;
import carezza.testing.Portrait;
import carezza.testing.Thorough;

@Test(groups = "elsewhere")
public class RoutinesTest {

  private static final Routine HEAD_SHOT = RoutineFile.shipped("clean-head-shot");

  private static Routines.Outcome applied(AtWork bench, Project project, Routine routine) {
    return bench.session().routines().applied(project, routine, 0, p -> {}, Cancellation.NONE);
  }

  private static Routine only(Layer layer, Rule rule) {
    return new Routine(
        "one",
        "",
        "portrait",
        LayerStack.of(layer),
        Map.of(layer.attributes().id(), Set.of(rule)),
        0.5,
        false);
  }

  @DataProvider
  public Object[][] portraits() {
    Portrait[] some = Thorough.of(Portrait.values());
    Object[][] rows = new Object[some.length][];
    for (int i = 0; i < rows.length; i++) {
      rows[i] = new Object[] {some[i]};
    }
    return rows;
  }

  /** Each picture gets values of its own, and what ends outside its band is named. */
  @Test(dataProvider = "portraits")
  public void aHeadShotIsCleanedByWhatIsMeasured(Portrait portrait) {
    AtWork bench = AtWork.on(portrait);
    Routines.Outcome outcome = applied(bench, bench.plain(), HEAD_SHOT);
    Project done = outcome.project();
    assertThat(done.stack().layers()).hasSizeGreaterThanOrEqualTo(10);
    assertThat(done.brief().job()).isEqualTo("headshot");
    HealLayer spots = (HealLayer) done.stack().find("chs-spots").orElseThrow();
    assertThat(spots.patches()).isNotEmpty().noneMatch(HealLayer.Patch::open);
    for (Point mole : portrait.moles()) {
      assertThat(spots.patches())
          .noneMatch(p -> p.area().centre().distance(mole) < p.area().radius());
    }
    assertThat(outcome.outside())
        .allMatch(g -> g.verdict() == Gauge.Verdict.ABOVE || g.verdict() == Gauge.Verdict.BELOW)
        .hasSizeLessThanOrEqualTo(4);
    assertThat(outcome.idle()).isEmpty();
  }

  /** Laid on again it replaces itself, and comes to the same. */
  @Test
  public void aRoutineLaidOnTwiceIsThereOnce() {
    AtWork bench = AtWork.on(Portrait.S04);
    Routine light = only(LayerType.EXPOSURE.fresh(), Rule.LIGHT);
    Project once = applied(bench, bench.plain(), light).project();
    Project twice = applied(bench, once, light).project();
    assertThat(twice.stack()).isEqualTo(once.stack());
  }

  @DataProvider
  public Object[][] exposures() {
    return new Object[][] {{Portrait.S04, -0.5}, {Portrait.S02, 0.4}};
  }

  /** Exposed like the reference, by what has nothing to do with the colour of skin. */
  @Test(dataProvider = "exposures")
  public void aPictureComesToTheLightOfTheReference(Portrait portrait, double stops) {
    AtWork bench = AtWork.on(portrait);
    Project lit =
        bench
            .session()
            .routines()
            .applied(
                bench.plain(),
                only(LayerType.EXPOSURE.fresh(), Rule.LIGHT),
                stops,
                p -> {},
                Cancellation.NONE)
            .project();
    assertThat(bench.session().readings().figures(lit, Cancellation.NONE).stops())
        .isCloseTo(stops, within(0.1));
  }

  /** A cast that was laid on is found and most of it taken back; none is made up. */
  @Test
  public void aCastIsMeasuredAnew() {
    AtWork bench = AtWork.on(Portrait.S06);
    Layer plain = LayerType.WHITE_BALANCE.fresh();
    Layer cast = new WhiteBalanceLayer(LayerType.WHITE_BALANCE.fresh().attributes(), 5000, 0);
    Routine neutral = only(plain, Rule.NEUTRAL);
    assertThat(kelvin(applied(bench, bench.plain(), neutral).project(), plain)).isEqualTo(6504);
    assertThat(kelvin(applied(bench, bench.with(cast), neutral).project(), plain))
        .isBetween(8000.0, 11000.0);
  }

  private static double kelvin(Project project, Layer layer) {
    return ((WhiteBalanceLayer) project.stack().find(layer.attributes().id()).orElseThrow())
        .temperature();
  }

  /** Marks that were kept by hand are kept by a routine too. */
  @Test
  public void keptMarksAreNotRepaired() {
    AtWork bench = AtWork.on(Portrait.S04);
    Layer heal = LayerType.HEAL.fresh();
    Routine mend = only(heal, Rule.BLEMISHES);
    HealLayer all = heal(applied(bench, bench.plain(), mend).project(), heal);
    assertThat(all.patches()).isNotEmpty();
    double x = all.patches().getFirst().area().bounds().x() + 4;
    double y = all.patches().getFirst().area().bounds().y() + 4;
    HealLayer fewer =
        heal(applied(bench, bench.plain().keeping(new KeptMark(x, y, 30)), mend).project(), heal);
    assertThat(fewer.patches()).hasSizeLessThan(all.patches().size());
  }

  private static HealLayer heal(Project project, Layer layer) {
    return (HealLayer) project.stack().find(layer.attributes().id()).orElseThrow();
  }

  /** What was made of a finished picture fits another one. */
  @Test
  public void aRoutineMadeOfAPictureIsMeasuredOnAnother() {
    AtWork from = AtWork.on(Portrait.S04);
    Project finished = from.with(LayerType.TEETH.fresh(), LayerType.EXPOSURE.fresh());
    Routine made = RoutineMaker.of(finished, "made", RoutineMaker.all(finished.stack())).routine();
    AtWork to = AtWork.on(Portrait.S05);
    Project done = applied(to, to.plain(), made).project();
    assertThat(done.stack().layers()).hasSize(2);
    assertThat(done.stack().layers().get(0)).isInstanceOf(ExposureLayer.class);
    assertThat(done.stack().layers().get(1)).isInstanceOf(TeethLayer.class);
    assertThat(to.session().readings().gauges(done, Cancellation.NONE))
        .filteredOn(g -> g.id().equals("teethYellow"))
        .allMatch(g -> g.verdict() == Gauge.Verdict.INSIDE);
  }
}
