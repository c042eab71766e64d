package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.MonotoneCurve.Point;
import carezza.colour.Transfer;
import carezza.colour.WhiteBalance;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.CurveLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.DodgeBurnLayer.Method;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.FrequencySeparationLayer.Split;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.SkinToneEveningLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.Stroke;
import carezza.model.TeethLayer;
import carezza.model.WhiteBalanceLayer;
import carezza.testing.Pictures;

/** Kernels against their formulas and invariants. */
public class KernelTest {

  private static final PictureSize SIZE = new PictureSize(200, 160);
  private static final Area ALL = SIZE.area();
  private static final EvaluationContext SITE = new EvaluationContext(SIZE, 0, Regions.none());

  private static Picture render(Layer layer, Picture input) {
    Probe probe = new Probe(SITE, input, (area, level) -> input.crop(area));
    Measurements measurements = Kernels.measure(layer, probe);
    return Kernels.effect(Kernels.resolve(layer, measurements), measurements, SITE)
        .render(input, ALL);
  }

  private static Mask.Strokes dab(double x, double y, double r) {
    return (Mask.Strokes) new Mask.Nothing().painted(Stroke.dab(x, y, r, 0));
  }

  // --- settle

  @Test
  public void oneStopDoublesTheLight() {
    Picture out =
        render(
            new ExposureLayer(LayerType.EXPOSURE.fresh().attributes(), 1, 0),
            Pictures.colour(ALL, 0.3, 0.4, 0.2));
    assertThat((double) Transfer.toLinear(out.first().at(5, 5)))
        .isCloseTo(2 * Transfer.toLinear(0.3f), within(1e-5));
    assertThat((double) Transfer.toLinear(out.third().at(5, 5)))
        .isCloseTo(2 * Transfer.toLinear(0.2f), within(1e-5));
  }

  @Test
  public void recoveryBringsLightsUnderWhiteInTheirOrderAndHue() {
    Plane ramp = Pictures.plane(ALL, (x, y) -> 0.5 + x * 0.003);
    Picture input = new Picture(ramp, ramp.copy(), ramp.copy());
    Picture out = render(new ExposureLayer(LayerType.EXPOSURE.fresh().attributes(), 0.8, 1), input);
    float last = 0;
    for (int x = 0; x < 200; x++) {
      float v = out.first().at(x, 3);
      assertThat(v).isLessThan(1.0001f).isGreaterThanOrEqualTo(last);
      assertThat((double) out.second().at(x, 3)).isCloseTo(v, within(1e-4));
      last = v;
    }
  }

  @Test
  public void balancingForTheCastOfAGreyMakesItGrey() {
    Picture cast = Pictures.colour(ALL, 0.6, 0.5, 0.35);
    var light = WhiteBalance.fromNeutral(0.6, 0.5, 0.35);
    Picture out =
        render(
            new WhiteBalanceLayer(
                LayerType.WHITE_BALANCE.fresh().attributes(), light.kelvin(), light.tint()),
            cast);
    Lab lab = Lab.ofWorking(out.first().at(0, 0), out.second().at(0, 0), out.third().at(0, 0));
    assertThat(lab.chroma()).isLessThan(0.3);
  }

  // --- smooth

  private static FrequencySeparationLayer separation(
      double radius, double gain, double evening, List<LowBandArea> areas) {
    FrequencySeparationLayer fresh =
        (FrequencySeparationLayer) LayerType.FREQUENCY_SEPARATION.fresh();
    return fresh
        .with(fresh.attributes().withMask(new Mask.Everything()))
        .withRadius(radius)
        .withTextureGain(gain)
        .withEvening(evening)
        .withAreas(areas);
  }

  /** Texture doubled beside a step: what the split takes for texture overshoots there. */
  @Test
  public void aSplitThatKeepsEdgesMakesLessThanHalfTheHalo() {
    Picture input = Pictures.grey(ALL, 0);
    for (int c = 0; c < 3; c++) {
      input.plane(c).copyFrom(Pictures.plane(ALL, (x, y) -> x < 100 ? 0.3 : 0.7));
    }
    double[] overshoot = new double[2];
    for (Split split : Split.values()) {
      Picture out = render(separation(6, 2, 0, List.of()).withSplit(split), input);
      overshoot[split.ordinal()] = out.first().at(103, 60) - 0.7;
    }
    assertThat(overshoot[Split.GAUSSIAN.ordinal()]).isGreaterThan(0.05);
    assertThat(overshoot[Split.EDGES.ordinal()])
        .isLessThan(0.5 * overshoot[Split.GAUSSIAN.ordinal()]);
  }

  @Test
  public void aSplitThatKeepsEdgesStillPartsPoresFromTone() {
    Picture input = Pictures.skin(ALL, 3);
    FrequencySeparationLayer smooth = separation(6, 0, 0, List.of()).withSplit(Split.EDGES);
    double before = Pictures.largest(input.first(), Plane.filled(ALL, input.first().at(50, 50)));
    double after =
        Pictures.largest(
            render(smooth, input).first().crop(ALL.grow(-20)),
            Plane.filled(ALL.grow(-20), render(smooth, input).first().at(50, 50)));
    assertThat(after).isLessThan(0.6 * before);
  }

  /** Three waves, one for each band: only the middle one is taken. */
  @Test
  public void theMiddleBandHasAGainOfItsOwn() {
    double pores = 3;
    double blotches = SITE.faceWidth() / 6;
    Picture input = Pictures.grey(ALL, 0);
    for (int c = 0; c < 3; c++) {
      input
          .plane(c)
          .copyFrom(
              Pictures.plane(
                  ALL,
                  (x, y) ->
                      0.5
                          + 0.02 * Math.sin(2 * Math.PI * x / pores)
                          + 0.02 * Math.sin(2 * Math.PI * y / blotches)));
    }
    Picture out = render(separation(1.2, 1, 0, List.of()).withBlotchGain(0), input);
    assertThat(amplitude(out.first(), blotches, false))
        .isLessThan(0.35 * amplitude(input.first(), blotches, false));
    assertThat(amplitude(out.first(), pores, true))
        .isGreaterThan(0.8 * amplitude(input.first(), pores, true));
  }

  /** Of a wave across or down, by its Fourier coefficient away from the border. */
  private static double amplitude(Plane plane, double wave, boolean across) {
    double re = 0;
    double im = 0;
    int n = 0;
    for (int y = 20; y < plane.area().height() - 20; y++) {
      for (int x = 20; x < plane.area().width() - 20; x++) {
        double phase = 2 * Math.PI * (across ? x : y) / wave;
        re += plane.at(x, y) * Math.cos(phase);
        im += plane.at(x, y) * Math.sin(phase);
        n++;
      }
    }
    return 2 * Math.hypot(re, im) / n;
  }

  @Test
  public void separatedAndAddedAgainThePictureIsTheSame() {
    Picture input = Pictures.skin(ALL, 3);
    for (double radius : new double[] {0.8, 3, 9, 30}) {
      assertThat(Pictures.largest(render(separation(radius, 1, 0, List.of()), input), input))
          .as("radius " + radius)
          .isLessThan(1e-6);
    }
  }

  @Test
  public void withoutTextureOnlyTheLowBandIsLeft() {
    Picture input = Pictures.skin(ALL, 3);
    Picture out = render(separation(4, 0, 0, List.of()), input);
    Plane low = GaussianBlur.blur(input.first(), 4);
    assertThat(Pictures.largest(out.first(), low)).isLessThan(1e-6);
  }

  @Test
  public void eveningAnOutlineLeavesTheRestAlone() {
    Picture input = Pictures.skin(ALL, 8);
    LowBandArea area = new LowBandArea(dab(100, 80, 25), 12, 1);
    Picture out = render(separation(2, 1, 0, List.of(area)), input);
    for (int y = 0; y < 160; y++) {
      for (int x = 0; x < 200; x++) {
        double away = Math.hypot(x + 0.5 - 100, y + 0.5 - 80);
        if (away > 27) {
          assertThat((double) out.first().at(x, y)).isCloseTo(input.first().at(x, y), within(1e-6));
        }
      }
    }
    Area inner = new Area(90, 70, 20, 20);
    assertThat(Pictures.largest(out.crop(inner), input.crop(inner))).isGreaterThan(0.001);
  }

  @Test
  public void eveningDoesNotTakeColourFromBeyondItsMask() {
    Plane edge = Pictures.plane(ALL, (x, y) -> x < 100 ? 0.5 : 0.52);
    Picture input = new Picture(edge, Plane.filled(ALL, 0.5f), Plane.filled(ALL, 0.5f));
    Mask leftSide =
        new Mask.Polygon(
            List.of(
                new carezza.model.Point(20, 20),
                new carezza.model.Point(100, 20),
                new carezza.model.Point(100, 140),
                new carezza.model.Point(20, 140)),
            0);
    Picture out = render(separation(0.3, 1, 0, List.of(new LowBandArea(leftSide, 15, 1))), input);
    for (int x = 22; x < 97; x++) {
      assertThat((double) out.first().at(x, 80)).isCloseTo(0.5, within(6e-4));
    }
  }

  @Test
  public void eveningKeepsAConstantConstant() {
    Picture input = Pictures.colour(ALL, 0.7, 0.55, 0.45);
    assertThat(Pictures.largest(render(separation(3, 1, 1, List.of()), input), input))
        .isLessThan(1e-4);
  }

  // --- sculpt

  @Test
  public void dodgingLightensAndBurningDarkensOnlyUnderTheirMasks() {
    Picture input = Pictures.colour(ALL, 0.5, 0.45, 0.4);
    DodgeBurnLayer layer = sculpt(Method.CURVES).withMasks(dab(50, 80, 20), dab(150, 80, 20));
    Picture out = render(layer, input);
    assertThat(out.first().at(50, 80)).isGreaterThan(0.55f);
    assertThat(out.first().at(150, 80)).isLessThan(0.45f);
    assertThat(out.first().at(100, 20)).isEqualTo(input.first().at(100, 20));
  }

  @Test
  public void colourThatIsKeptKeepsTheRatioOfTheChannels() {
    Picture input = Pictures.colour(ALL, 0.6, 0.45, 0.3);
    DodgeBurnLayer layer =
        sculpt(Method.CURVES)
            .withStrengths(0.15, 0)
            .withMasks(new Mask.Everything(), new Mask.Nothing())
            .withKeepColour(1);
    Picture out = render(layer, input);
    double before = Transfer.toLinear(0.6f) / Transfer.toLinear(0.3f);
    double after =
        Transfer.toLinear(out.first().at(9, 9)) / Transfer.toLinear(out.third().at(9, 9));
    assertThat(after).isCloseTo(before, within(1e-3));
  }

  @Test
  public void colourLetGoFollowsTheCurveOfEachChannel() {
    Picture input = Pictures.colour(ALL, 0.5, 0.45, 0.3);
    DodgeBurnLayer layer =
        sculpt(Method.CURVES)
            .withStrengths(0.15, 0)
            .withMasks(new Mask.Everything(), new Mask.Nothing())
            .withKeepColour(0);
    assertThat((double) render(layer, input).first().at(9, 9)).isCloseTo(0.65, within(1e-4));
  }

  private static DodgeBurnLayer sculpt(Method method) {
    return ((DodgeBurnLayer) LayerType.DODGE_BURN.fresh()).withMethod(method);
  }

  @DataProvider
  public Object[][] methods() {
    return Arrays.stream(Method.values()).map(m -> new Object[] {m}).toArray(Object[][]::new);
  }

  /** Strengths mean the same whatever the method, up to what it can do. */
  @Test(dataProvider = "methods")
  public void middleGreyRisesAndFallsByTheStrengths(Method method) {
    Picture input = Pictures.colour(ALL, 0.5, 0.5, 0.5);
    DodgeBurnLayer layer =
        sculpt(method).withTones(null, null).withStrengths(0.15, 0.4).withKeepColour(0);
    DodgeBurnLayer light = layer.withMasks(new Mask.Everything(), new Mask.Nothing());
    DodgeBurnLayer shade = layer.withMasks(new Mask.Nothing(), new Mask.Everything());
    assertThat((double) render(light, input).first().at(9, 9)).isCloseTo(0.65, within(1e-4));
    assertThat((double) render(shade, input).first().at(9, 9))
        .isCloseTo(0.5 - Math.min(0.4, method.mostFall()), within(1e-4));
  }

  /** Half the coverage on a sheet is the sheet half as far from its neutral grey. */
  @Test(dataProvider = "methods")
  public void halfTheCoverageDoesHalfTheChange(Method method) {
    Picture input = Pictures.colour(ALL, 0.3, 0.3, 0.3);
    DodgeBurnLayer layer =
        sculpt(method)
            .withTones(null, null)
            .withMasks(new Mask.Everything(), new Mask.Nothing())
            .withKeepColour(0);
    double full = render(layer, input).first().at(9, 9) - 0.3;
    DodgeBurnLayer half =
        layer.withMasks(new Mask.Opacity(new Mask.Everything(), 0.5), new Mask.Nothing());
    assertThat(render(half, input).first().at(9, 9) - 0.3).isCloseTo(full / 2, within(1e-4));
  }

  @Test
  public void theRangePairLightensLightsAndDarkensDarksOnly() {
    Mask all = new Mask.Everything();
    Mask none = new Mask.Nothing();
    Picture light = Pictures.grey(ALL, 0.75);
    Picture dark = Pictures.grey(ALL, 0.25);
    DodgeBurnLayer lights = sculpt(Method.RANGES).withMasks(all, none);
    DodgeBurnLayer shades = sculpt(Method.RANGES).withMasks(none, all);
    assertThat(render(lights, light).first().at(9, 9)).isGreaterThan(0.78f);
    assertThat(render(lights, dark).first().at(9, 9)).isCloseTo(0.25f, within(1e-5f));
    assertThat(render(shades, dark).first().at(9, 9)).isLessThan(0.22f);
    assertThat(render(shades, light).first().at(9, 9)).isCloseTo(0.75f, within(1e-5f));
  }

  // --- even

  @Test
  public void colourMovesTowardsThePickedToneByItsStrengths() {
    Picture input = Pictures.colour(ALL, 0.7, 0.55, 0.45);
    Lab was = Lab.ofWorking(0.7, 0.55, 0.45);
    Target target = new Target(was.l(), was.chroma(), was.hue() + 8);
    SkinToneEveningLayer layer =
        new SkinToneEveningLayer(
            LayerType.SKIN_TONE_EVENING.fresh().attributes().withMask(new Mask.Everything()),
            0,
            0,
            target,
            1,
            1,
            0,
            null,
            false);
    Picture out = render(layer, input);
    Lab is = Lab.ofWorking(out.first().at(50, 50), out.second().at(50, 50), out.third().at(50, 50));
    assertThat(is.hue() - was.hue()).isBetween(6.5, 8.1);
    assertThat(is.l()).isCloseTo(was.l(), within(0.05));
  }

  @Test
  public void lightnessMovesAsAWhole() {
    Picture input = Pictures.skin(ALL, 5);
    SkinToneEveningLayer layer =
        new SkinToneEveningLayer(
            LayerType.SKIN_TONE_EVENING.fresh().attributes().withMask(new Mask.Everything()),
            0,
            0,
            new Target(75, 20, 50),
            0,
            0,
            0.5,
            null,
            false);
    Plane before = Lab.lightness(input);
    Plane after = Lab.lightness(render(layer, input));
    double first = after.at(3, 3) - before.at(3, 3);
    assertThat((double) (after.at(150, 90) - before.at(150, 90))).isCloseTo(first, within(0.05));
  }

  // --- grade and finish

  @Test
  public void aStraightCurveChangesNothing() {
    Picture input = Pictures.skin(ALL, 6);
    assertThat(Pictures.largest(render(LayerType.CURVE.fresh(), input), input)).isLessThan(1e-5);
  }

  @Test
  public void aLuminanceCurveMovesAGreyToItsValue() {
    CurveLayer layer =
        new CurveLayer(
            LayerType.CURVE.fresh().attributes(),
            List.of(new Point(0, 0), new Point(0.5, 0.6), new Point(1, 1)),
            null,
            null,
            null,
            0);
    assertThat((double) render(layer, Pictures.grey(ALL, 0.5)).second().at(1, 1))
        .isCloseTo(0.6, within(1e-4));
  }

  // --- brighten

  private static Picture teeth() {
    Lab tooth = new Lab(70, 4, 20);
    double[] rgb = tooth.toWorking();
    return Pictures.colour(ALL, rgb[0], rgb[1], rgb[2]);
  }

  private static Lab whitened(double target, double lift) {
    TeethLayer layer =
        new TeethLayer(
            LayerType.TEETH.fresh().attributes().withMask(new Mask.Everything()),
            target,
            lift,
            false);
    Picture out = render(layer, teeth());
    return Lab.ofWorking(out.first().at(1, 1), out.second().at(1, 1), out.third().at(1, 1));
  }

  @Test
  public void teethComeToTheirTarget() {
    assertThat(whitened(8, 0).b()).isCloseTo(8, within(0.05));
    assertThat(whitened(8, 5).l()).isCloseTo(75, within(0.05));
  }

  @Test
  public void aQuarterOfTheOwnYellowAlwaysStays() {
    assertThat(whitened(1, 0).b()).isCloseTo(5, within(0.05));
  }

  @Test
  public void theLiftStopsAtEightUnlessForced() {
    assertThat(whitened(8, 15).l()).isCloseTo(78, within(0.05));
  }

  @Test
  public void teethThatAreWhiterThanTheTargetStayAsTheyAre() {
    assertThat(whitened(20, 0).b()).isCloseTo(20, within(0.05));
  }
}
