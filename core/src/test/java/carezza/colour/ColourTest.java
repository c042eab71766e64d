package carezza.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.testing.Pictures;

public class ColourTest {

  private static final Area ONE = new Area(0, 0, 1, 1);

  private static Lab ofSrgb(double r, double g, double b) {
    Picture lab = Lab.of(WorkingSpace.fromSrgb(Pictures.colour(ONE, r, g, b)));
    return new Lab(lab.first().values()[0], lab.second().values()[0], lab.third().values()[0]);
  }

  /** Primaries of sRGB in D50 L*a*b*, as the Bradford-adapted sRGB profile gives them. */
  @DataProvider
  public Object[][] known() {
    return new Object[][] {
      {1, 1, 1, 100, 0, 0},
      {0, 0, 0, 0, 0, 0},
      {1, 0, 0, 54.29, 80.81, 69.89},
      {0, 1, 0, 87.82, -79.29, 80.99},
      {0, 0, 1, 29.57, 68.30, -112.03}
    };
  }

  @Test(dataProvider = "known")
  public void knownColoursHaveTheirLab(int r, int g, int b, double l, double a, double bb) {
    Lab lab = ofSrgb(r, g, b);
    assertThat(lab.l()).isCloseTo(l, within(0.03));
    assertThat(lab.a()).isCloseTo(a, within(0.1));
    assertThat(lab.b()).isCloseTo(bb, within(0.1));
  }

  /** Colours of all kinds, some beyond white, and red beyond the space down to a value. */
  private static Picture colours(Area area, double leastRed) {
    Random random = new Random(1);
    return new Picture(
        Pictures.plane(area, (x, y) -> random.nextDouble(leastRed, 1.3)),
        Pictures.plane(area, (x, y) -> random.nextDouble(-0.1, 1.2)),
        Pictures.plane(area, (x, y) -> random.nextDouble(0, 1)));
  }

  @Test
  public void labAndBackChangesNothing() {
    Picture p = colours(new Area(0, 0, 50, 50), -0.1);
    assertThat(Pictures.largest(p, Lab.toWorking(Lab.of(p)))).isLessThan(2e-4);
  }

  @Test
  public void srgbAndBackChangesNothing() {
    Area area = new Area(0, 0, 64, 64);
    Picture p =
        new Picture(
            Pictures.plane(area, (x, y) -> x / 63.0),
            Pictures.plane(area, (x, y) -> y / 63.0),
            Plane.filled(area, 0.4f));
    assertThat(Pictures.largest(p, WorkingSpace.toSrgb(WorkingSpace.fromSrgb(p)))).isLessThan(1e-5);
  }

  @Test
  public void theTransferCurveIsThatOfTheStandard() {
    assertThat((double) Transfer.toLinear(0.5f)).isCloseTo(0.21404114, within(1e-6));
    assertThat((double) Transfer.toLinear(0.04f)).isCloseTo(0.04 / 12.92, within(1e-7));
    for (float v = -0.2f; v < 1.5f; v += 0.003f) {
      assertThat((double) Transfer.toEncoded(Transfer.toLinear(v))).isCloseTo(v, within(1e-5));
    }
  }

  @Test
  public void rowsAndSingleNumbersAreOneCurve() {
    float[] encoded = new float[3000];
    for (int i = 0; i < encoded.length; i++) {
      encoded[i] = -0.5f + i / 1000f;
    }
    float[] light = new float[encoded.length];
    Transfer.toLinear(encoded, light, 0, light.length);
    float[] back = new float[encoded.length];
    Transfer.toEncoded(light, back, 0, back.length);
    for (int i = 0; i < encoded.length; i++) {
      double one = Transfer.toLinear(encoded[i]);
      assertThat((double) light[i]).isCloseTo(one, within(3e-7 + 1e-6 * Math.abs(one)));
      assertThat((double) back[i]).isCloseTo(encoded[i], within(2e-6));
    }
  }

  @Test
  public void picturesAndSingleColoursAreOneSpace() {
    Picture p = colours(new Area(3, 5, 40, 30), -0.3);
    Picture lab = Lab.of(p);
    Plane lightness = Lab.lightness(p);
    Picture working = Lab.toWorking(lab);
    for (int i = 0; i < p.first().values().length; i++) {
      Lab one = Lab.ofWorking(p.first().values()[i], p.second().values()[i], p.third().values()[i]);
      assertThat((double) lab.first().values()[i]).isCloseTo(one.l(), within(2e-4));
      assertThat((double) lab.second().values()[i]).isCloseTo(one.a(), within(1e-3));
      assertThat((double) lab.third().values()[i]).isCloseTo(one.b(), within(1e-3));
      assertThat((double) lightness.values()[i]).isCloseTo(one.l(), within(2e-4));
      double[] back = one.toWorking();
      for (int c = 0; c < 3; c++) {
        assertThat((double) working.plane(c).values()[i]).isCloseTo(back[c], within(2e-5));
      }
    }
  }

  @Test
  public void luminanceWeightsSumToOne() {
    assertThat((double) WorkingSpace.luminance(1, 1, 1)).isCloseTo(1, within(1e-6));
  }

  @Test
  public void daylightAndNoTintChangeNothing() {
    Matrix3 m = WhiteBalance.correction(new WhiteBalance.Light(6504, 0));
    double[] v = m.times(0.2, 0.5, 0.7);
    assertThat(v[0]).isCloseTo(0.2, within(1e-9));
    assertThat(v[1]).isCloseTo(0.5, within(1e-9));
    assertThat(v[2]).isCloseTo(0.7, within(1e-9));
  }

  @Test
  public void aPickedGreyBecomesGrey() {
    double[] cast = {0.55, 0.5, 0.38};
    WhiteBalance.Light light = WhiteBalance.fromNeutral(cast[0], cast[1], cast[2]);
    double[] v =
        WhiteBalance.correction(light)
            .times(Transfer.toLinear(0.55f), Transfer.toLinear(0.5f), Transfer.toLinear(0.38f));
    assertThat(v[0] / v[1]).isCloseTo(1, within(0.002));
    assertThat(v[2] / v[1]).isCloseTo(1, within(0.002));
    assertThat(light.kelvin()).isLessThan(6504);
  }

  @Test
  public void aWarmerLightIsCorrectedTowardsBlue() {
    double[] v = WhiteBalance.correction(new WhiteBalance.Light(3200, 0)).times(1, 1, 1);
    assertThat(v[2]).isGreaterThan(v[1]);
    assertThat(v[1]).isGreaterThan(v[0]);
  }

  @Test
  public void aGreenLightIsCorrectedTowardsMagenta() {
    double[] v = WhiteBalance.correction(new WhiteBalance.Light(6504, 20)).times(1, 1, 1);
    assertThat(v[1]).isLessThan(v[0]).isLessThan(v[2]);
  }

  @Test
  public void blackIsNoNeutralToBalanceBy() {
    assertThatThrownBy(() -> WhiteBalance.fromNeutral(0, 0.1, 0.1))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void aMonotoneCurveNeverFalls() {
    Random random = new Random(7);
    for (int round = 0; round < 200; round++) {
      double x1 = random.nextDouble(0.05, 0.45);
      double x2 = random.nextDouble(0.5, 0.95);
      double y1 = random.nextDouble(0, 0.6);
      double y2 = random.nextDouble(y1, 1);
      MonotoneCurve curve =
          new MonotoneCurve(
              List.of(
                  new MonotoneCurve.Point(0, 0),
                  new MonotoneCurve.Point(x1, y1),
                  new MonotoneCurve.Point(x2, y2),
                  new MonotoneCurve.Point(1, 1)));
      double last = -1;
      for (double v = 0; v <= 1; v += 0.002) {
        assertThat(curve.at(v)).isGreaterThanOrEqualTo(last - 1e-12);
        last = curve.at(v);
      }
      assertThat(curve.at(x1)).isCloseTo(y1, within(1e-12));
    }
  }

  @Test
  public void theCurvesTableAgreesWithTheCurve() {
    MonotoneCurve curve =
        new MonotoneCurve(
            List.of(
                new MonotoneCurve.Point(0, 0.05),
                new MonotoneCurve.Point(0.4, 0.6),
                new MonotoneCurve.Point(1, 0.97)));
    for (float v = -0.5f; v < 1.5f; v += 0.0007f) {
      assertThat((double) curve.table().at(v)).isCloseTo(curve.at(v), within(1e-5));
    }
  }

  @Test
  public void curvePointsMustRise() {
    assertThatThrownBy(
            () ->
                new MonotoneCurve(
                    List.of(new MonotoneCurve.Point(0, 0.5), new MonotoneCurve.Point(1, 0.4))))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void shadeLeavesThePigmentMapsAlone() {
    Picture light = Pictures.colour(ONE, 0.7, 0.55, 0.45);
    Picture dim =
        WorkingSpace.toLinearSrgb(light)
            .map(p -> new Plane(ONE, new float[] {p.values()[0] * 0.4f}));
    Pigments.Maps a = Pigments.of(light);
    Pigments.Maps b = Pigments.of(WorkingSpace.fromLinearSrgb(dim));
    assertThat((double) b.haemoglobin().values()[0])
        .isCloseTo(a.haemoglobin().values()[0], within(1e-3));
    assertThat((double) b.melanin().values()[0]).isCloseTo(a.melanin().values()[0], within(1e-3));
  }

  @Test
  public void pigmentTakenAwayIsGoneFromItsMapOnly() {
    Picture skin = Pictures.colour(ONE, 0.7, 0.55, 0.45);
    Picture less = Pigments.remove(skin, Plane.of(ONE), Plane.filled(ONE, 0.2f));
    Pigments.Maps before = Pigments.of(skin);
    Pigments.Maps after = Pigments.of(less);
    assertThat((double) after.haemoglobin().values()[0])
        .isCloseTo(before.haemoglobin().values()[0] - 0.2, within(2e-3));
    assertThat((double) after.melanin().values()[0])
        .isCloseTo(before.melanin().values()[0], within(2e-3));
  }

  @Test
  public void theSkinToneAngleFollowsItsDefinition() {
    assertThat(new Lab(70, 10, 20).ita()).isCloseTo(45, within(1e-9));
    assertThat(new Lab(50, 10, 20).ita()).isCloseTo(0, within(1e-9));
  }

  /**
   * Multiplying light without finding it agrees with finding it, multiplying, and encoding again.
   */
  @Test
  public void aFactorOnLightIsTheSameFoundOrNot() {
    for (float v = -0.05f; v < 1.4f; v += 0.0037f) {
      for (double factor : new double[] {0, 0.02, 0.6, 1, 1.8, 8}) {
        double light = v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
        double to = light * factor;
        double expected = to <= 0.0031308 ? to * 12.92 : 1.055 * Math.pow(to, 1 / 2.4) - 0.055;
        float root = (float) Math.pow(factor, Transfer.ROOT);
        if (v >= 0) {
          assertThat((double) Transfer.times(v, (float) factor, root))
              .isCloseTo(expected, within(1e-5));
        }
      }
    }
  }
}
