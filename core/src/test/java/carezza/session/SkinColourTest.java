package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.colour.WhiteBalance;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.Layer;
import carezza.model.RecordValue;
import carezza.model.SemanticRegion;
import carezza.testing.AtWork;
import carezza.testing.Portrait;

/** Layers of colour at their defaults on every portrait, from the lightest skin to the deepest. */
public class SkinColourTest {

  private static final Layer EVENED = LayerType.SKIN_TONE_EVENING.fresh();
  private static final Layer DEEPENED = LayerType.SKIN_DEPTH.fresh();
  private static final Layer MATCHED = LayerType.SKIN_MATCH.fresh();
  private static final Layer TEETH = LayerType.TEETH.fresh();
  private static final Layer EYES = LayerType.SCLERA.fresh();
  private static final Layer RED_LIPS = RecordValue.with(LayerType.LIPS.fresh(), "target", 40.0);

  @DataProvider
  public Object[][] portraits() {
    return Arrays.stream(Portrait.values()).map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "portraits")
  public void evenedAndDeepenedSkinStaysThePersonsOwn(Portrait portrait) {
    AtWork bench = AtWork.on(portrait);
    for (String id : List.of("skinLightness", "skinHue")) {
      Gauge gauge = bench.gauge(id, EVENED, DEEPENED);
      assertThat(Math.abs(gauge.after() - gauge.before()))
          .as(id)
          .isLessThanOrEqualTo(id.equals("skinHue") ? 4 : 2.5);
    }
  }

  @Test(dataProvider = "portraits")
  public void teethAndEyesEndInsideTheirLimits(Portrait portrait) {
    AtWork bench = AtWork.on(portrait);
    for (String id :
        List.of(
            "teethYellow", "teethLightness", "scleraYellow", "scleraChroma", "scleraLightness")) {
      Gauge gauge = bench.gauge(id, TEETH, EYES);
      if (gauge.measured()) {
        assertThat(gauge.verdict()).as(id + " at " + gauge.after()).isEqualTo(Gauge.Verdict.INSIDE);
      }
    }
  }

  @DataProvider
  public Object[][] regionsBrightened() {
    return new Object[][] {
      {LayerType.TEETH, SemanticRegion.TEETH},
      {LayerType.SCLERA, SemanticRegion.SCLERA},
      {LayerType.IRIS, SemanticRegion.IRIS},
      {LayerType.CATCHLIGHT, SemanticRegion.IRIS},
      {LayerType.LIPS, SemanticRegion.LIPS}
    };
  }

  @Test(dataProvider = "regionsBrightened")
  public void nothingIsBrightenedOutsideItsRegion(LayerType kind, SemanticRegion region) {
    AtWork bench = AtWork.on(Portrait.S01);
    Layer layer = kind == LayerType.LIPS ? RED_LIPS : kind.fresh();
    Picture before = bench.finished(1);
    Picture after = bench.finished(1, layer);
    Plane where = bench.session().scene(bench.plain()).regions().coverage(region, before.area(), 1);
    double outside = 0;
    double inside = 0;
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < where.values().length; i++) {
        double d = Math.abs(after.plane(c).values()[i] - before.plane(c).values()[i]);
        if (where.values()[i] == 0) {
          outside = Math.max(outside, d);
        } else {
          inside = Math.max(inside, d);
        }
      }
    }
    assertThat(outside).isZero();
    assertThat(inside).isGreaterThan(0.01);
  }

  @DataProvider
  public Object[][] mismatched() {
    return new Object[][] {{Portrait.S01}, {Portrait.S03}, {Portrait.S05}};
  }

  @Test(dataProvider = "mismatched")
  public void matchBringsTheNeckToTheFace(Portrait portrait) {
    AtWork bench = AtWork.on(portrait);
    Gauge match = bench.gauge("neckMatch", MATCHED);
    assertThat(match.after()).isLessThanOrEqualTo(1.2).isLessThan(match.before());
  }

  /** Factors of linear light keep every step of lightness: none is turned round or made wider. */
  @Test
  public void matchMakesNoBands() {
    AtWork bench = AtWork.on(Portrait.S03);
    Plane before = Lab.lightness(bench.finished(1));
    Plane after = Lab.lightness(bench.finished(1, MATCHED));
    Plane neck =
        bench
            .session()
            .scene(bench.plain())
            .regions()
            .coverage(SemanticRegion.NECK_SKIN, before.area(), 1);
    int w = before.width();
    double most = 0;
    for (int i = w; i < before.values().length; i++) {
      if (neck.values()[i] > 0.99f && neck.values()[i - w] > 0.99f) {
        double was = before.values()[i] - before.values()[i - w];
        double is = after.values()[i] - after.values()[i - w];
        most = Math.max(most, Math.abs(is) - 1.1 * Math.abs(was));
      }
    }
    assertThat(most).isLessThan(0.5);
  }

  /** The cast that was put into a portrait's light, by one pick on its grey backdrop. */
  @Test
  public void aKnownCastIsGoneAfterOnePick() {
    double[] gain = {1.18, 1, 0.72};
    Picture photo = Portrait.S01.picture("photo.jpg");
    Area place = new Area(200, 300, 60, 60);
    Picture light = Transfer.toLinear(photo.crop(place));
    double[] mean = new double[3];
    for (int c = 0; c < 3; c++) {
      for (float v : light.plane(c).values()) {
        mean[c] += gain[c] * v / place.pixels();
      }
    }
    double[] encoded = new double[3];
    for (int c = 0; c < 3; c++) {
      encoded[c] = Transfer.toEncoded((float) mean[c]);
    }
    assertThat(Lab.ofWorking(encoded[0], encoded[1], encoded[2]).chroma()).isGreaterThan(10);
    WhiteBalance.Light found = WhiteBalance.fromNeutral(encoded[0], encoded[1], encoded[2]);
    double[] after = WhiteBalance.correction(found).times(mean[0], mean[1], mean[2]);
    Lab is =
        Lab.ofWorking(
            Transfer.toEncoded((float) after[0]),
            Transfer.toEncoded((float) after[1]),
            Transfer.toEncoded((float) after[2]));
    assertThat(is.chroma()).isLessThanOrEqualTo(3);
  }
}
