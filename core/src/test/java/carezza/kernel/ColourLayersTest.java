package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.CatchlightLayer;
import carezza.model.ChannelMix;
import carezza.model.ColourBalanceLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.GradientMapLayer;
import carezza.model.HueBandsLayer;
import carezza.model.HueBandsLayer.Family;
import carezza.model.HueBandsLayer.Trim;
import carezza.model.HueShiftLayer;
import carezza.model.IrisLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;
import carezza.model.LipsLayer;
import carezza.model.LocalContrastLayer;
import carezza.model.Mask;
import carezza.model.MonochromeLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.NeutralPointsLayer.Tone;
import carezza.model.Point;
import carezza.model.RecordValue;
import carezza.model.SkinDepthLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.Tint;
import carezza.testing.Pictures;

/** Layers of colour and range against their formulas and invariants. */
public class ColourLayersTest {

  private static final PictureSize SIZE = new PictureSize(240, 200);
  private static final Area ALL = SIZE.area();
  private static final EvaluationContext SITE = new EvaluationContext(SIZE, 0, Regions.none());
  private static final Mask LEFT =
      new Mask.Polygon(
          List.of(new Point(0, 0), new Point(120, 0), new Point(120, 200), new Point(0, 200)), 0);

  private static Picture render(Layer layer, Picture input) {
    Probe probe = new Probe(SITE, input, (area, level) -> input.crop(area));
    Measurements measurements = Kernels.measure(layer, probe);
    return Kernels.effect(Kernels.resolve(layer, measurements), measurements, SITE)
        .render(input, ALL);
  }

  private static Picture lab(Lab left, Lab right) {
    return Lab.toWorking(
        new Picture(
            Pictures.plane(ALL, (x, y) -> x < 120 ? left.l() : right.l()),
            Pictures.plane(ALL, (x, y) -> x < 120 ? left.a() : right.a()),
            Pictures.plane(ALL, (x, y) -> x < 120 ? left.b() : right.b())));
  }

  private static Picture lch(double l, double c, double h) {
    Lab colour = Lab.ofLch(l, c, h);
    return lab(colour, colour);
  }

  private static Lab at(Picture working, int x, int y) {
    return Lab.ofWorking(
        working.first().at(x, y), working.second().at(x, y), working.third().at(x, y));
  }

  private static Layer everywhere(Layer layer) {
    return layer.with(layer.attributes().withMask(new Mask.Everything()));
  }

  private static <L extends Layer> L fresh(LayerType kind, Class<L> type) {
    return type.cast(everywhere(kind.fresh()));
  }

  // --- settle

  @Test
  public void aPickedPlaceBecomesNeutralAtItsOwnLuminance() {
    Picture cast = Pictures.colour(ALL, 0.6, 0.5, 0.35);
    Layer layer =
        fresh(LayerType.NEUTRAL_POINTS, NeutralPointsLayer.class)
            .moved(Tone.MIDTONE, new Point(50, 50));
    Lab is = at(render(layer, cast), 150, 150);
    assertThat(is.chroma()).isLessThan(0.3);
    assertThat(is.l()).isCloseTo(at(cast, 0, 0).l(), within(0.3));
  }

  @Test
  public void threePointsOfDifferentCastsBecomeNeutralEach() {
    Lab[] casts = {new Lab(20, -4, 5), new Lab(55, 6, 9), new Lab(85, -5, -7)};
    Picture input =
        Lab.toWorking(
            new Picture(
                Pictures.plane(ALL, (x, y) -> casts[(int) x / 80].l()),
                Pictures.plane(ALL, (x, y) -> casts[(int) x / 80].a()),
                Pictures.plane(ALL, (x, y) -> casts[(int) x / 80].b())));
    NeutralPointsLayer layer =
        fresh(LayerType.NEUTRAL_POINTS, NeutralPointsLayer.class)
            .moved(Tone.SHADOW, new Point(40, 100))
            .moved(Tone.MIDTONE, new Point(120, 100))
            .moved(Tone.HIGHLIGHT, new Point(200, 100));
    Picture out = render(layer, input);
    for (int i = 0; i < 3; i++) {
      assertThat(at(out, 40 + 80 * i, 100).chroma()).as("point " + i).isLessThan(1);
    }
  }

  @Test
  public void blackAndWhiteEndsGoToTheEnds() {
    Plane ramp = Pictures.plane(ALL, (x, y) -> 0.1 + 0.7 * x / 240);
    LevelsLayer layer = new LevelsLayer(LayerType.LEVELS.fresh().attributes(), 0.1, 0.8, 0, 0);
    Picture out = render(layer, new Picture(ramp, ramp.copy(), ramp.copy()));
    assertThat((double) out.first().at(0, 10)).isCloseTo(0, within(3e-3));
    assertThat((double) out.first().at(239, 10)).isCloseTo(1, within(5e-3));
  }

  /**
   * Ripples inside a dark half gain as the half does: in linear light their contrast is the same.
   */
  @Test
  public void liftedDarksKeepTheirLocalContrast() {
    Plane plane =
        Pictures.plane(
            ALL, (x, y) -> x < 120 ? 0.16 + 0.02 * Math.sin(2 * Math.PI * x / 10) : 0.85);
    Picture input = new Picture(plane, plane.copy(), plane.copy());
    Picture out = render(new LevelsLayer(LayerType.LEVELS.fresh().attributes(), 0, 1, 1, 0), input);
    double was = linear(input, 42) / linear(input, 47);
    double is = linear(out, 42) / linear(out, 47);
    assertThat(is / was).isCloseTo(1, within(0.03));
    assertThat(linear(out, 45)).isGreaterThan(1.5 * linear(input, 45));
    assertThat(linear(out, 200)).isCloseTo(linear(input, 200), within(0.01));
  }

  private static double linear(Picture picture, int x) {
    return Transfer.toLinear(picture.first().at(x, 100));
  }

  @Test
  public void localContrastLeavesAnEvenPictureAndScalesRipples() {
    LocalContrastLayer layer =
        new LocalContrastLayer(LayerType.LOCAL_CONTRAST.fresh().attributes(), 0.5, 0);
    Picture even = Pictures.grey(ALL, 0.5);
    assertThat(Pictures.largest(render(layer, even), even)).isLessThan(2e-4);
    Picture ripples =
        Lab.toWorking(
            new Picture(
                Pictures.plane(ALL, (x, y) -> 50 + 2 * Math.sin(2 * Math.PI * x / 8)),
                Plane.of(ALL),
                Plane.of(ALL)));
    Picture out = render(layer, ripples);
    double was = at(ripples, 122, 100).l() - 50;
    assertThat((at(out, 122, 100).l() - 50) / was).isCloseTo(1.5, within(0.06));
  }

  /** Light laid over all, and taken away again where something dark shows how much there is. */
  @Test
  public void hazeIsLaidOnByItsFormula() {
    Picture grey = Pictures.grey(ALL, 0.5);
    Picture out =
        render(new LocalContrastLayer(LayerType.LOCAL_CONTRAST.fresh().attributes(), 0, -1), grey);
    double light = Transfer.toLinear(0.5f);
    assertThat(linear(out, 100)).isCloseTo(light * 0.65 + 0.35, within(1e-3));
  }

  /** A picture with black in it under a veil: its darkest places show how much, and it goes. */
  @Test
  public void hazeIsTakenAwayByWhatLiesOverTheDarkest() {
    Plane plane = Pictures.plane(ALL, (x, y) -> x < 40 ? 0 : 0.6);
    Picture clear = new Picture(plane, plane.copy(), plane.copy());
    LocalContrastLayer on =
        new LocalContrastLayer(LayerType.LOCAL_CONTRAST.fresh().attributes(), 0, -0.5);
    Picture hazy = render(on, clear);
    Picture again =
        render(new LocalContrastLayer(LayerType.LOCAL_CONTRAST.fresh().attributes(), 0, 1), hazy);
    assertThat(linear(hazy, 10)).isCloseTo(0.175, within(2e-3));
    assertThat(linear(again, 10)).isBetween(-0.06, 0.01);
    assertThat(linear(again, 150)).isCloseTo(linear(clear, 150), within(0.04));
  }

  // --- families and hues

  @Test
  public void theFamiliesShareEveryHueBetweenThem() {
    for (double hue = 0; hue < 360; hue += 0.7) {
      double sum = 0;
      for (Family family : Family.values()) {
        double w = Hues.weight(family, hue);
        assertThat(w).isBetween(0.0, 1.0);
        sum += w;
      }
      assertThat(sum).as("at " + hue).isCloseTo(1, within(1e-9));
    }
  }

  @Test
  public void aFamilyTurnsItsOwnHueAndLeavesTheOthers() {
    HueBandsLayer layer =
        fresh(LayerType.HUE_BANDS, HueBandsLayer.class).with(Family.ORANGE, new Trim(20, -0.5, 0));
    Lab orange = at(render(layer, lch(60, 40, 60)), 0, 0);
    assertThat(orange.hue()).isCloseTo(60 + 20 * 1600 / (1600 + 64.0), within(0.5));
    assertThat(orange.chroma()).isCloseTo(20, within(0.3));
    Picture blue = lch(40, 30, 265);
    assertThat(Pictures.largest(render(layer, blue), blue)).isLessThan(2e-4);
  }

  @Test
  public void aShiftOfHuesStaysInItsRange() {
    HueShiftLayer layer =
        new HueShiftLayer(LayerType.HUE_SHIFT.fresh().attributes(), 265, 30, -20, 0.2, 0);
    assertThat(at(render(layer, lch(40, 40, 265)), 0, 0).hue()).isLessThan(250);
    Picture skin = lch(60, 25, 55);
    assertThat(Pictures.largest(render(layer, skin), skin)).isLessThan(2e-4);
  }

  @Test
  public void greysHaveNoHueToBeChanged() {
    Picture grey = Pictures.grey(ALL, 0.4);
    HueBandsLayer layer = fresh(LayerType.HUE_BANDS, HueBandsLayer.class);
    for (Family family : Family.values()) {
      layer = layer.with(family, new Trim(30, 1, 20));
    }
    assertThat(Pictures.largest(render(layer, grey), grey)).isLessThan(3e-3);
  }

  @Test
  public void saturationSparesSkin() {
    Layer layer =
        RecordValue.with(
            RecordValue.with(LayerType.SATURATION.fresh(), "saturation", 0.5), "skin", 1.0);
    assertThat(at(render(layer, lch(60, 25, 52)), 0, 0).chroma()).isCloseTo(25, within(0.2));
    assertThat(at(render(layer, lch(50, 20, 265)), 0, 0).chroma()).isCloseTo(30, within(0.3));
  }

  // --- mono, maps, balance

  @Test
  public void aMonoMixIsGreyAndFollowsItsFamilies() {
    MonochromeLayer plain = fresh(LayerType.MONOCHROME, MonochromeLayer.class);
    Picture skin = lch(60, 30, 60);
    Lab grey = at(render(plain, skin), 0, 0);
    assertThat(grey.chroma()).isLessThan(0.2);
    assertThat(grey.l()).isCloseTo(60, within(0.2));
    Lab lifted = at(render(plain.with(Family.ORANGE, 20), skin), 0, 0);
    assertThat(lifted.l()).isCloseTo(60 + 20 * 900 / (900 + 64.0), within(0.4));
  }

  @Test
  public void toningTakesTwoTones() {
    Layer toned =
        RecordValue.with(
            RecordValue.with(LayerType.MONOCHROME.fresh(), "shadows", new Tint(265, 10)),
            "highlights",
            new Tint(85, 6));
    Lab dark = at(render(toned, Pictures.grey(ALL, 0.12)), 0, 0);
    Lab light = at(render(toned, Pictures.grey(ALL, 0.85)), 0, 0);
    assertThat(dark.hue()).isCloseTo(265, within(3.0));
    assertThat(light.hue()).isCloseTo(85, within(3.0));
    assertThat(new Tint(265, 10).complement()).isEqualTo(new Tint(85, 10));
  }

  @Test
  public void aGradientMapGivesEachStopItsColour() {
    GradientMapLayer layer = (GradientMapLayer) LayerType.GRADIENT_MAP.fresh();
    Target middle = layer.stops().get(1).colour();
    Lab is = at(render(layer, lch(50, 40, 200)), 0, 0);
    assertThat(is.l()).isCloseTo(middle.lightness(), within(0.3));
    assertThat(is.chroma()).isCloseTo(middle.chroma(), within(0.3));
    assertThat(is.hue()).isCloseTo(middle.hue(), within(1.5));
  }

  @Test
  public void heldBalanceTintsGreysAndKeepsTheirLuminance() {
    ColourBalanceLayer layer =
        new ColourBalanceLayer(
            LayerType.COLOUR_BALANCE.fresh().attributes(),
            new Tint(265, 12),
            Tint.NONE,
            Tint.NONE,
            1);
    Picture dark = Pictures.grey(ALL, 0.15);
    Picture out = render(layer, dark);
    Lab is = at(out, 0, 0);
    assertThat(is.l()).isCloseTo(at(dark, 0, 0).l(), within(0.1));
    assertThat(is.hue()).isCloseTo(265, within(6.0));
    assertThat(is.chroma()).isGreaterThan(6);
    Picture light = Pictures.grey(ALL, 0.9);
    assertThat(Pictures.largest(render(layer, light), light)).isLessThan(1e-3);
  }

  @Test
  public void mutedInFullIsGreyAtItsLightness() {
    Layer layer = RecordValue.with(LayerType.DESATURATE.fresh(), "share", 1.0);
    Lab is = at(render(layer, lch(55, 35, 50)), 0, 0);
    assertThat(is.chroma()).isLessThan(0.2);
    assertThat(is.l()).isCloseTo(55, within(0.2));
  }

  // --- skin

  @Test
  public void depthDarkensTheMedianByWhatIsSaidAndNoMoreThanTheLimit() {
    Picture skin = Pictures.skin(ALL, 5);
    SkinDepthLayer layer = fresh(LayerType.SKIN_DEPTH, SkinDepthLayer.class);
    double was = Pictures.quantile(sorted(Lab.lightness(skin)), 0.5);
    assertThat(median(layer, skin)).isCloseTo(was - 1.5, within(0.4));
    SkinDepthLayer much = RecordValue.with(layer, "darken", 12.0);
    assertThat(median(much, skin)).isCloseTo(was - 2, within(0.4));
    assertThat(median(RecordValue.with(much, "force", true), skin))
        .isCloseTo(was - 12, within(0.4));
  }

  private static double median(Layer layer, Picture input) {
    return Pictures.quantile(sorted(Lab.lightness(render(layer, input))), 0.5);
  }

  private static double[] sorted(Plane plane) {
    double[] out = new double[plane.values().length];
    for (int i = 0; i < out.length; i++) {
      out[i] = plane.values()[i];
    }
    Arrays.sort(out);
    return out;
  }

  @Test
  public void matchedSkinHasTheOthersColourAtItsOwnLightness() {
    Picture two = lab(new Lab(50, 10, 26), new Lab(65, 16, 18));
    SkinMatchLayer layer =
        new SkinMatchLayer(
            LayerType.SKIN_MATCH.fresh().attributes().withMask(LEFT), new Mask.Invert(LEFT), 1, 0);
    Lab is = at(render(layer, two), 40, 100);
    assertThat(is.l()).isCloseTo(50, within(0.3));
    assertThat(is.a()).isCloseTo(16 * 50 / 65.0, within(0.4));
    assertThat(is.b()).isCloseTo(18 * 50 / 65.0, within(0.4));
  }

  @Test
  public void aTouchOfColourKeepsTheLight() {
    ColourPaintLayer layer =
        new ColourPaintLayer(LayerType.COLOUR_PAINT.fresh().attributes(), new Target(65, 28, 50));
    Lab is = at(render(layer, lch(50, 12, 120)), 0, 0);
    assertThat(is.l()).isCloseTo(50, within(0.2));
    assertThat(is.hue()).isCloseTo(50, within(0.5));
    assertThat(is.chroma()).isCloseTo(28 * 50 / 65.0, within(0.4));
  }

  @Test
  public void skinIsNotMadeLighterThanTheLimitUnlessForced() {
    Picture skin = Pictures.skin(ALL, 5);
    double was = Pictures.quantile(sorted(Lab.lightness(skin)), 0.5);
    SkinToneEveningLayer fresh = fresh(LayerType.SKIN_TONE_EVENING, SkinToneEveningLayer.class);
    Layer lighter =
        RecordValue.with(fresh.withTarget(new Target(was + 15, 20, 50)), "lightness", 1.0);
    assertThat(median(lighter, skin)).isCloseTo(was + 2, within(0.7));
    assertThat(median(RecordValue.with(lighter, "force", true), skin))
        .isCloseTo(was + 15, within(0.7));
  }

  @Test
  public void evenedColoursAreThoseOfTheWedge() {
    Picture two = lab(Lab.ofLch(60, 20, 30), Lab.ofLch(60, 20, 110));
    SkinToneEveningLayer layer =
        RecordValue.with(
            fresh(LayerType.SKIN_TONE_EVENING, SkinToneEveningLayer.class)
                .withTarget(new Target(60, 20, 60))
                .withRange(new SkinToneEveningLayer.Wedge(30, 25, 5, 60)),
            "hue",
            1.0);
    Picture out = render(layer, two);
    assertThat(at(out, 20, 100).hue()).isGreaterThan(40);
    assertThat(at(out, 220, 100).hue()).isCloseTo(110, within(0.5));
  }

  // --- eyes and lips

  @Test
  public void lipsReachTheirTargetWithinTheLimit() {
    Picture lips = lch(50, 22, 25);
    LipsLayer layer = fresh(LayerType.LIPS, LipsLayer.class);
    assertThat(at(render(layer, lips), 0, 0).chroma()).isCloseTo(28, within(0.4));
    LipsLayer much = RecordValue.with(layer, "target", 60.0);
    assertThat(at(render(much, lips), 0, 0).chroma()).isCloseTo(34, within(0.5));
    assertThat(at(render(RecordValue.with(much, "force", true), lips), 0, 0).chroma())
        .isCloseTo(60, within(1.0));
  }

  @Test
  public void noCatchlightIsMadeWhereThereIsNone() {
    Picture plain = lch(35, 12, 70);
    CatchlightLayer layer = fresh(LayerType.CATCHLIGHT, CatchlightLayer.class);
    assertThat(Pictures.largest(render(layer, plain), plain)).isLessThan(2e-4);
    Picture lit =
        Lab.toWorking(
            new Picture(
                Pictures.plane(ALL, (x, y) -> Math.hypot(x - 50, y - 50) < 8 ? 80 : 35),
                Pictures.plane(ALL, (x, y) -> 3),
                Pictures.plane(ALL, (x, y) -> 6)));
    assertThat(at(render(layer, lit), 50, 50).l()).isCloseTo(80 + 0.4 * 20, within(0.5));
  }

  @Test
  public void theContrastOfAnIrisGainsByNoMoreThanTheLimit() {
    Picture ripples =
        Lab.toWorking(
            new Picture(
                Pictures.plane(ALL, (x, y) -> 40 + 2 * Math.sin(2 * Math.PI * x / 4)),
                Plane.of(ALL),
                Plane.of(ALL)));
    IrisLayer layer =
        new IrisLayer(everywhere(LayerType.IRIS.fresh()).attributes(), 1, 0, 0, false);
    Picture out = render(layer, ripples);
    double gain = (at(out, 121, 100).l() - 40) / (at(ripples, 121, 100).l() - 40);
    assertThat(gain).isBetween(1.3, 1.62);
  }

  // --- the curve's toe

  @DataProvider
  public Object[][] mattes() {
    return new Object[][] {{0.02}, {0.1}, {0.25}};
  }

  @Test(dataProvider = "mattes")
  public void matteLiftsBlackAndRisesToWhite(double matte) {
    Plane ramp = Pictures.plane(ALL, (x, y) -> Math.floor(x) / 239);
    Layer layer = RecordValue.with(LayerType.CURVE.fresh(), "matte", matte);
    Picture out = render(layer, new Picture(ramp, ramp.copy(), ramp.copy()));
    assertThat((double) out.first().at(0, 0)).isCloseTo(matte, within(1e-4));
    assertThat((double) out.first().at(239, 0)).isCloseTo(1, within(1e-4));
    for (int x = 1; x < 240; x++) {
      assertThat(out.first().at(x, 0)).isGreaterThanOrEqualTo(out.first().at(x - 1, 0));
    }
  }

  @Test
  public void aMixOfAGreyIsThatGrey() {
    Picture grey = Pictures.grey(ALL, 0.42);
    Plane mixed = new MonochromeMix(ChannelMix.DEEP).lightness(grey);
    assertThat((double) mixed.at(3, 3)).isCloseTo(at(grey, 3, 3).l(), within(0.05));
  }
}
