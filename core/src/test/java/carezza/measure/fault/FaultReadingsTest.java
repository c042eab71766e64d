package carezza.measure.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.measure.EndPoints;
import carezza.measure.SkinGauges;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.render.Pyramid;
import carezza.testing.Portrait;

/** What the plan reads of light, cast, shine, eyes and backdrop. */
public class FaultReadingsTest {

  private EvaluationContext context;
  private Picture photo;
  private FaceMap face;

  @BeforeClass
  public void read() {
    face = Portrait.S01.faces();
    Picture full = Portrait.S01.picture("photo.jpg");
    Regions regions = Regions.find(new Pyramid(full).level(Regions.level(face)), face);
    context =
        new EvaluationContext(
            new PictureSize(full.area().width(), full.area().height()), 1, regions);
    photo = new Pyramid(full).level(1);
  }

  /** Light times a factor for each channel. */
  private Picture lit(double red, double green, double blue) {
    Picture light = Transfer.toLinear(photo);
    double[] factors = {red, green, blue};
    for (int c = 0; c < 3; c++) {
      float[] v = light.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        v[i] *= (float) factors[c];
      }
    }
    return Transfer.toEncoded(light);
  }

  private double stops(Picture picture) {
    Plane eyes =
        context.regions().coverage(SemanticRegion.SCLERA, context.whole(), context.level());
    return ExposureEstimate.stops(EndPoints.of(picture), SkinGauges.median(Lab.of(picture), eyes));
  }

  @Test
  public void aPictureOneStopDarkerAsksForOneStopMore() {
    assertThat(stops(lit(0.5, 0.5, 0.5)) - stops(photo)).isCloseTo(1, within(0.1));
  }

  @Test
  public void withoutEyesTheLightsAloneTell() {
    Lab nothing = new Lab(Double.NaN, Double.NaN, Double.NaN);

    assertThat(ExposureEstimate.stops(new EndPoints(0, 1), nothing)).isCloseTo(0, within(1e-6));
    double half = Transfer.toEncoded(0.5f);
    assertThat(ExposureEstimate.stops(new EndPoints(0, half), nothing)).isCloseTo(1, within(1e-3));
  }

  @Test
  public void aPortraitInNeutralLightHasNoCast() {
    assertThat(CastEstimate.of(context, photo).orElseThrow().chroma()).isLessThan(3);
  }

  @Test
  public void aYellowLightIsAYellowCast() {
    CastEstimate before = CastEstimate.of(context, photo).orElseThrow();
    CastEstimate after = CastEstimate.of(context, lit(1.02, 1.02, 0.75)).orElseThrow();

    assertThat(after.b() - before.b()).isGreaterThan(5);
    assertThat(after.chroma()).isGreaterThan(3);
  }

  @Test
  public void aBlueLightIsABlueCast() {
    CastEstimate after = CastEstimate.of(context, lit(0.9, 0.97, 1.25)).orElseThrow();

    assertThat(after.b()).isLessThan(-4);
  }

  @Test
  public void paleLightPatchesOnSkinAreShine() {
    Picture lab = Lab.of(photo);
    double before = ShinePatches.of(context, lab).share();
    // On the forehead, as wide as a tenth of the face.
    double x = face.oval().x() / 2;
    double y = (face.oval().y() - 0.45 * face.oval().radiusY()) / 2;
    double r = context.faceWidth() / 20;
    for (int py = (int) (y - r); py < y + r; py++) {
      for (int px = (int) (x - r); px < x + r; px++) {
        if (Math.hypot(px - x, py - y) < r) {
          int i = lab.first().index(px, py);
          lab.first().values()[i] = 92;
          lab.second().values()[i] = 2;
          lab.third().values()[i] = 3;
        }
      }
    }
    ShinePatches shine = ShinePatches.of(context, lab);

    assertThat(shine.share()).isGreaterThan(before + 0.5);
    assertThat(shine.place().x() / 2).isCloseTo(x, within(2 * r));
    assertThat(shine.place().y() / 2).isCloseTo(y, within(2 * r));
  }

  @Test
  public void anEvenlyLightPatchOfSkinColourIsNoShine() {
    Picture lab = Lab.of(photo);
    double before = ShinePatches.of(context, lab).share();
    for (int i = 0; i < lab.first().values().length; i++) {
      lab.first().values()[i] *= 1.05f;
    }

    assertThat(ShinePatches.of(context, lab).share()).isCloseTo(before, within(0.5));
  }

  @Test
  public void darkerPigmentUnderAnEyeIsFoundAndAShadowThereIsNot() {
    double before = UnderEye.of(context, face, true, photo).darker();
    double pigment = UnderEye.of(context, face, true, underEye(0.78, 0.68, 0.66)).darker();
    double shadow = UnderEye.of(context, face, true, underEye(0.7, 0.7, 0.7)).darker();

    assertThat(pigment).isLessThan(before - 4);
    assertThat(shadow).isCloseTo(before, within(1.5));
  }

  /** The light thrown back under the left eye, times a factor for each channel. */
  private Picture underEye(double red, double green, double blue) {
    Picture changed = lit(red, green, blue);
    Picture mixed = photo.map(Plane::copy);
    var place = UnderEye.treated(face, true);
    for (int c = 0; c < 3; c++) {
      for (int y = 0; y < mixed.area().height(); y++) {
        for (int x = 0; x < mixed.area().width(); x++) {
          double dx = (x * 2 - place.x()) / place.radiusX();
          double dy = (y * 2 - place.y()) / place.radiusY();
          if (dx * dx + dy * dy < 1) {
            int i = mixed.first().index(x, y);
            mixed.plane(c).values()[i] = changed.plane(c).values()[i];
          }
        }
      }
    }
    return mixed;
  }

  @Test
  public void withoutAFaceNothingIsReadOfIt() {
    Picture grey =
        new Picture(
            Plane.filled(new Area(0, 0, 80, 60), 0.5f),
            Plane.filled(new Area(0, 0, 80, 60), 0.5f),
            Plane.filled(new Area(0, 0, 80, 60), 0.5f));
    EvaluationContext nobody = new EvaluationContext(new PictureSize(80, 60), 0, Regions.none());

    assertThat(ShinePatches.of(nobody, Lab.of(grey)).share()).isNaN();
    assertThat(CastEstimate.of(nobody, grey)).isEmpty();
    assertThat(BackdropReading.of(nobody, grey, Lab.of(grey), null).across()).isNaN();
  }

  @Test
  public void aBackdropThatIsLighterOnOneSideIsAcrossThatMuch() {
    Picture lab = Lab.of(photo);
    double before = BackdropReading.of(context, photo, lab, null).across();
    int w = lab.area().width();
    for (int i = 0; i < lab.first().values().length; i++) {
      lab.first().values()[i] += 12f * (i % w) / w;
    }
    double after = BackdropReading.of(context, photo, lab, null).across();

    assertThat(Math.abs(after - before)).isGreaterThan(6);
  }

  @Test
  public void aBackdropThatIsPureWhiteIsWhollyPure() {
    Picture white = photo.map(Plane::copy);
    Plane backdrop =
        context.regions().coverage(SemanticRegion.BACKDROP, context.whole(), context.level());
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < backdrop.values().length; i++) {
        if (backdrop.values()[i] > 0.5f) {
          white.plane(c).values()[i] = 1;
        }
      }
    }
    BackdropReading reading = BackdropReading.of(context, white, Lab.of(white), null);

    assertThat(reading.white()).isTrue();
    assertThat(reading.pure()).isEqualTo(100);
  }

  @Test
  public void theRoomOverTheHeadIsAShareOfTheFrame() {
    double whole = Headroom.percent(context, null).orElseThrow();
    double height = 2.0 * context.whole().height();
    double width = 2.0 * context.whole().width();
    // Four hundredths more above, of a frame that is so much taller.
    Crop taller = new Crop(width / 2, height / 2 - 0.02 * height, width, 1.04 * height, 0);

    assertThat(whole).isBetween(3.0, 15.0);
    assertThat(Headroom.percent(context, taller).orElseThrow())
        .isCloseTo((whole + 4) / 1.04, within(0.3));
  }

  @Test
  public void whereNobodyIsThereIsNoHeadroom() {
    EvaluationContext nobody = new EvaluationContext(new PictureSize(80, 60), 0, Regions.none());

    assertThat(Headroom.percent(nobody, null)).isEmpty();
  }

  @Test
  public void anEyeBesideThePictureIsNotRead() {
    FaceMap away = face.withLeftPupil(new Point(-900, -900)).withRightPupil(new Point(-500, -900));

    assertThat(UnderEye.of(context, away, true, photo).darker()).isNaN();
  }
}
