package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.MonotoneCurve.Point;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.measure.ContourGuides.Guide;
import carezza.model.CurveLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.KeptMark;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.testing.AtWork;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** Proposals of light and shade, and pushed layers, judged by the gauges on the portraits. */
@Test(groups = "elsewhere")
public class LightAdvisorTest {

  private static final DodgeBurnLayer FRESH = (DodgeBurnLayer) LayerType.DODGE_BURN.fresh();

  private static LightAdvisor advisor(AtWork bench, Layer... layers) {
    return bench
        .session()
        .advice()
        .light(bench.with(layers), FRESH.attributes().id(), Cancellation.NONE);
  }

  @DataProvider
  public Object[][] portraits() {
    return Arrays.stream(Portrait.values()).map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "portraits")
  public void evenedBlotchesFallByAQuarterWhileTextureAndFormStay(Portrait portrait) {
    AtWork bench = AtWork.on(portrait);
    DodgeBurnLayer evened = advisor(bench, FRESH).evened();
    Gauge blotch = bench.gauge("toneBlotch", evened);
    assertThat(blotch.after()).isLessThanOrEqualTo(0.75 * blotch.before());
    assertThat(bench.read("textureKept", evened)).isGreaterThanOrEqualTo(97);
    assertThat(bench.read("formKept", evened)).isBetween(0.97, 1.03);
  }

  /** A mark that is kept is no blotch: what is proposed leaves it as it is. */
  @Test
  public void keptMarksAreNotEvened() {
    AtWork bench = AtWork.on(Portrait.S04);
    Project kept = bench.with(FRESH).keeping(new KeptMark(700, 900, 30));
    DodgeBurnLayer evened =
        bench.session().advice().light(kept, FRESH.attributes().id(), Cancellation.NONE).evened();
    Area mark = new Area(690, 890, 20, 20);
    assertThat(change(bench, evened, mark)).isZero();
    assertThat(change(bench, advisor(bench, FRESH).evened(), mark)).isPositive();
  }

  /** Largest change of a channel that a layer makes in an area. */
  private static double change(AtWork bench, Layer layer, Area area) {
    Picture with = bench.finished(area, 0, layer);
    return Pictures.largest(with, bench.finished(area, 0));
  }

  @Test
  public void strokesThatWerePaintedStayOnTheProposal() {
    AtWork bench = AtWork.on(Portrait.S04);
    Mask painted = new Mask.Nothing().painted(Stroke.dab(700, 1000, 40, 1));
    DodgeBurnLayer before = FRESH.withMasks(painted, new Mask.Nothing());
    DodgeBurnLayer evened = advisor(bench, before).evened();
    assertThat(((Mask.Strokes) evened.dodgeMask()).strokes())
        .isEqualTo(((Mask.Strokes) painted).strokes());
  }

  /** A skin made flat on purpose is reported flat, and gets its form back. */
  @Test(dataProvider = "portraits")
  public void formThatWasTakenComesBack(Portrait portrait) {
    AtWork bench = AtWork.on(portrait);
    CurveLayer curve = (CurveLayer) LayerType.CURVE.fresh();
    CurveLayer flat =
        new CurveLayer(
            curve
                .attributes()
                .withStage(Stage.SMOOTH)
                .withMask(new Mask.RegionMask(SemanticRegion.SKIN)),
            List.of(new Point(0, 0.15), new Point(1, 0.9)),
            null,
            null,
            null,
            0);
    assertThat(bench.read("formKept", flat)).isLessThan(0.9);
    DodgeBurnLayer restored = advisor(bench, flat, FRESH).formRestored();
    assertThat(bench.read("formKept", flat, restored)).isCloseTo(1, within(0.03));
  }

  /** Oily places of the face come nearer to its middle tone, and keep their pores. */
  @Test
  public void tamedShineLiesNearerTheMiddleToneAndKeepsItsTexture() {
    AtWork bench = AtWork.on(Portrait.S02);
    DodgeBurnLayer tamed = advisor(bench, FRESH).shineTamed();
    assertThat(shine(bench, tamed)).isLessThan(0.88 * shine(bench, FRESH));
    assertThat(bench.read("textureKept", tamed)).isBetween(90.0, 110.0);
    assertThat(bench.read("formKept", tamed)).isGreaterThan(0.9);
  }

  /** How far the lightest hundredth of the face's skin lies above its median, L*. */
  private static double shine(AtWork bench, Layer layer) {
    Picture picture = bench.finished(2, layer);
    Plane skin =
        bench
            .session()
            .scene(bench.plain())
            .regions()
            .coverage(SemanticRegion.FACE_SKIN, picture.area(), 2);
    double[] tones = RobustStatistics.values(Lab.lightness(picture), skin);
    return RobustStatistics.quantile(tones, 0.99) - RobustStatistics.quantile(tones, 0.5);
  }

  /** Lit from one side, the shaded cheek gets no guide that would lift it. */
  @Test
  public void contourGuidesFollowTheLight() {
    AtWork bench = AtWork.on(Portrait.S04);
    var lit =
        bench
            .session()
            .advice()
            .contours(bench.with(FRESH), FRESH.attributes().id(), Cancellation.NONE);
    assertThat(lit).extracting(Guide::name).contains("forehead", "bridge of the nose");
    assertThat(lit).extracting(Guide::lift).contains(true, false);
    double middle =
        (bench.plain().faces().leftPupil().x() + bench.plain().faces().rightPupil().x()) / 2;
    DodgeBurnLayer halfDark =
        FRESH
            .withStrengths(0, 0.4)
            .withMasks(
                new Mask.Nothing(),
                new Mask.Gradient(
                    new carezza.model.Point(middle - 40, 900),
                    new carezza.model.Point(middle + 40, 900)));
    Layer above = LayerType.DODGE_BURN.fresh();
    var half =
        bench
            .session()
            .advice()
            .contours(bench.with(halfDark, above), above.attributes().id(), Cancellation.NONE);
    assertThat(half.stream().filter(Guide::lift).map(g -> g.outline().getFirst().x()))
        .allMatch(x -> x < middle + 260)
        .hasSizeLessThan((int) lit.stream().filter(Guide::lift).count());
  }

  // --- over-push

  private static AmountSweep push(AtWork bench, Layer layer) {
    return bench
        .session()
        .advice()
        .pushed(bench.with(layer), layer.attributes().id(), done -> {}, Cancellation.NONE);
  }

  @Test
  public void aTextureThatIsTakenAwayIsAdvisedUpToTheEndOfItsBand() {
    AtWork bench = AtWork.on(Portrait.S04);
    FrequencySeparationLayer plain =
        (FrequencySeparationLayer) LayerType.FREQUENCY_SEPARATION.fresh();
    FrequencySeparationLayer layer = plain.withRadius(15.0).withTextureGain(0.5).withEvening(0);
    AmountSweep push = push(bench, layer);
    OptionalDouble advised = push.advised();
    assertThat(advised).isPresent();
    assertThat(outside(bench, layer, 0, advised.getAsDouble())).doesNotContain("textureKept");
    assertThat(outside(bench, layer, 0, advised.getAsDouble() + 0.15)).isNotEmpty();
    assertThat(outside(bench, layer, 0, 2)).contains("textureKept");
  }

  /** Gauges that are in their bands at one amount and not at another. */
  private static List<String> outside(AtWork bench, Layer layer, double from, double to) {
    List<Gauge> was = bench.gauges(layer.with(layer.attributes().withAmount(from)));
    List<Gauge> is = bench.gauges(layer.with(layer.attributes().withAmount(to)));
    List<String> out = new ArrayList<>();
    for (int i = 0; i < is.size(); i++) {
      if (was.get(i).verdict() == Gauge.Verdict.INSIDE
          && is.get(i).verdict() != Gauge.Verdict.INSIDE) {
        out.add(is.get(i).id());
      }
    }
    return out;
  }

  @Test
  public void aLayerThatDoesNothingMovesNoGauge() {
    AtWork bench = AtWork.on(Portrait.S04);
    AmountSweep push = push(bench, FRESH);
    assertThat(push.moved()).isEmpty();
    assertThat(push.advised()).isEmpty();
  }
}
