package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;

import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Transfer;
import carezza.colour.WhiteBalance;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.raw.LibRaw;
import carezza.testing.Dng;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** Raw photographs against the pictures that a made-up camera took. */
public class RawTest {

  private static final int[] RGGB = {0, 1, 1, 2};

  /** What a pixel of a full-frame sensor holds at base sensitivity. */
  private static final double ELECTRONS = 60_000;

  /** A good lens on this sensor, σ in pixels: renders are sharper than any. */
  private static final double LENS = 0.7;

  private static Picture through(Picture scene) {
    return Transfer.encodeInPlace(Transfer.toLinear(scene).map(p -> GaussianBlur.blur(p, LENS)));
  }

  private static Picture head(Portrait portrait) {
    Picture whole = portrait.picture("photo.jpg");
    Area middle =
        new Area(whole.area().width() / 2 - 600, whole.area().height() / 2 - 600, 1200, 1200);
    return whole.crop(middle).map(p -> new Plane(new Area(0, 0, 1200, 1200), p.values()));
  }

  @DataProvider
  public Object[][] portraits() {
    return new Object[][] {{Portrait.S02}, {Portrait.S03}, {Portrait.S05}, {Portrait.S06}};
  }

  @Test(dataProvider = "portraits")
  public void aPortraitComesBackFromItsMosaic(Portrait portrait) throws Exception {
    Picture seen = through(head(portrait));
    byte[] dng = new Dng(seen, RGGB, ELECTRONS, 1).bytes();
    Photograph photo = PictureReader.decode(dng, "made-up.dng");
    double[] difference = Pictures.deltaE(seen, photo.pixels());
    assertThat(Pictures.mean(difference)).isLessThanOrEqualTo(1.0);
    assertThat(Pictures.quantile(difference, 0.99)).isLessThanOrEqualTo(4.0);
    assertThat(photo.bits()).isEqualTo(14);
    assertThat(photo.remarks()).contains(Remark.FROM_SENSOR);
  }

  @Test
  public void pixelSharpPicturesComeBackTruerThanByTheOtherLibrary() throws Exception {
    LibRaw library = LibRaw.ofMachine().orElseThrow(() -> new SkipException("No LibRaw here"));
    Picture scene = head(Portrait.S06);
    byte[] dng = new Dng(scene, RGGB, ELECTRONS, 1).bytes();
    double ours =
        Pictures.mean(Pictures.deltaE(scene, PictureReader.decode(dng, "x.dng").pixels()));
    double theirs = Pictures.mean(Pictures.deltaE(scene, library.read(dng).pixels()));
    assertThat(ours).isLessThan(theirs);
  }

  @Test
  public void theMachinesLibraryGivesTheSameColoursAndLight() throws Exception {
    LibRaw library = LibRaw.ofMachine().orElseThrow(() -> new SkipException("No LibRaw here"));
    Picture scene = through(head(Portrait.S03));
    for (double exposure : new double[] {0.5, 1}) {
      byte[] dng = new Dng(scene, RGGB, 0, exposure).bytes();
      Picture ours = PictureReader.decode(dng, "x.dng").pixels();
      double[] difference = Pictures.deltaE(ours, library.read(dng).pixels());
      assertThat(Pictures.quantile(difference, 0.5)).isLessThan(0.3);
    }
  }

  /** Patches of 40 pixels, none brighter than asked. */
  private static Picture chart(double most) {
    Area area = new Area(0, 0, 240, 160);
    Plane[] p = new Plane[3];
    for (int c = 0; c < 3; c++) {
      int channel = c;
      p[c] =
          Pictures.plane(
              area,
              (x, y) -> {
                int patch = (int) (y / 40) * 6 + (int) (x / 40);
                return most
                    * (0.25 + 0.75 * ((patch * (5 + 2 * channel) + 3 * channel) % 24) / 23.0);
              });
    }
    return new Picture(p[0], p[1], p[2]);
  }

  @DataProvider
  public Object[][] phases() {
    return new Object[][] {
      {RGGB}, {new int[] {2, 1, 1, 0}}, {new int[] {1, 0, 2, 1}}, {new int[] {1, 2, 0, 1}}
    };
  }

  @Test(dataProvider = "phases")
  public void everyOrderOfFiltersGivesTheSameColours(int[] pattern) throws Exception {
    Picture chart = chart(0.8);
    Picture read = PictureReader.decode(new Dng(chart, pattern, 0, 1).bytes(), "x.dng").pixels();
    assertThat(Pictures.quantile(Pictures.deltaE(chart, read), 0.8)).isLessThan(0.1);
  }

  @Test
  public void packedAndPlainSamplesAreTheSame() throws Exception {
    Picture chart = chart(0.8);
    Dng dng = new Dng(chart, RGGB, ELECTRONS, 1);
    Picture packed = PictureReader.decode(dng.bytes(), "x.dng").pixels();
    Picture plain = PictureReader.decode(dng.plain().bytes(), "x.dng").pixels();
    assertThat(Pictures.largest(packed, plain)).isZero();
  }

  @Test
  public void aRawPhotographIsTurnedUpright() throws Exception {
    Picture chart = chart(0.8);
    Photograph turned =
        PictureReader.decode(new Dng(chart, RGGB, 0, 1).orientation(6).bytes(), "x.dng");
    assertThat(turned.size().width()).isEqualTo(160);
    // The left lower corner of the sensor is the upper left one of the picture.
    assertThat((double) turned.pixels().first().at(10, 10))
        .isCloseTo(chart.first().at(10, 150), within(0.01));
  }

  @Test
  public void greyStaysGreyAndFlatHasNoMazes() throws Exception {
    Picture grey = Pictures.grey(new Area(0, 0, 128, 128), 0.5);
    Photograph photo = PictureReader.decode(new Dng(grey, RGGB, ELECTRONS, 1).bytes(), "x.dng");
    Picture p = photo.pixels();
    // A maze would show as rows or columns that swing against their neighbours more than the noise
    // does.
    double along = 0;
    double across = 0;
    for (int y = 4; y < 124; y++) {
      for (int x = 4; x < 124; x++) {
        along += Math.abs(p.second().at(x, y) - p.second().at(x + 1, y));
        across += Math.abs(p.second().at(x, y) - p.second().at(x, y + 1));
      }
    }
    assertThat(along / across).isCloseTo(1, within(0.05));
    assertThat(Pictures.mean(Pictures.deltaE(grey, p))).isLessThan(1);
    assertThat(photo.sensor().kelvin()).isCloseTo(6504, within(30.0));
  }

  @Test
  public void lightBeyondOneChannelComesFromTheOthers() throws Exception {
    // Warm highlights of skin, a stop over what the sensor counts in red.
    Area area = new Area(0, 0, 160, 160);
    Picture skin =
        new Picture(
            Pictures.plane(
                area,
                (x, y) ->
                    0.55 + 0.4 * Math.exp(-((x - 80) * (x - 80) + (y - 80) * (y - 80)) / 900)),
            Pictures.plane(
                area,
                (x, y) ->
                    0.42 + 0.3 * Math.exp(-((x - 80) * (x - 80) + (y - 80) * (y - 80)) / 900)),
            Pictures.plane(
                area,
                (x, y) ->
                    0.36 + 0.26 * Math.exp(-((x - 80) * (x - 80) + (y - 80) * (y - 80)) / 900)));
    Photograph photo = PictureReader.decode(new Dng(skin, RGGB, 0, 2.4).bytes(), "x.dng");
    assertThat(photo.sensor().clippedShare()).isBetween(0.001, 0.2);
    Picture light = Transfer.toLinear(photo.pixels());
    Picture truth = Transfer.toLinear(skin);
    double found = light.first().at(80, 80) / light.second().at(80, 80);
    double wanted = truth.first().at(80, 80) / truth.second().at(80, 80);
    assertThat(found).isCloseTo(wanted, within(0.15 * wanted));
    assertThat(light.first().at(80, 80)).isGreaterThan(1.2f);
  }

  @Test
  public void aDngPackedInAnUnknownWayIsNotCalledDamaged() throws Exception {
    byte[] dng = new Dng(chart(0.8), RGGB, 0, 1).compression(52546).bytes();
    assertThatThrownBy(() -> PictureReader.decode(dng, "odd.dng"))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.kind()).isEqualTo(Kind.PICTURE_UNSUPPORTED))
        .hasMessageContaining("odd.dng");
  }

  @Test
  public void aDngThatIsCutShortIsDamaged() throws Exception {
    byte[] dng = new Dng(chart(0.8), RGGB, ELECTRONS, 1).bytes();
    byte[] cut = Arrays.copyOf(dng, dng.length * 2 / 3);
    assertThatThrownBy(() -> PictureReader.decode(cut, "cut.dng"))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.kind()).isEqualTo(Kind.PICTURE_DAMAGED));
  }

  @Test
  public void whiteBalanceOfARawPhotographWorksOnItsChannels() throws Exception {
    Photograph photo = PictureReader.decode(new Dng(chart(0.8), RGGB, 0, 1).bytes(), "x.dng");
    var light = new WhiteBalance.Light(4200, 4);
    double[] grey = WhiteBalance.correction(light).inverse().times(1, 1, 1);
    double[] balanced = WhiteBalance.correction(light, photo.sensor().toWorking()).times(grey);
    // A grey in that light becomes white on the sensor's channels, too; colours differ.
    assertThat(balanced[0]).isCloseTo(1, within(1e-9));
    assertThat(balanced[1]).isCloseTo(1, within(1e-9));
    assertThat(balanced[2]).isCloseTo(1, within(1e-9));
    double[] byEye = WhiteBalance.correction(light).times(0.9, 0.2, 0.1);
    double[] bySensor =
        WhiteBalance.correction(light, photo.sensor().toWorking()).times(0.9, 0.2, 0.1);
    assertThat(Math.abs(byEye[0] - bySensor[0])).isGreaterThan(1e-3);
  }
}
