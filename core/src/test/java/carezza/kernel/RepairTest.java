package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.face.FaceAnalysis;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.model.FaceMap;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.Stroke;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.testing.Portrait;

/** Repairs of every way on pictures whose right result is known. */
public class RepairTest {

  private static final Area WHOLE = new Area(0, 0, 200, 160);

  private interface Value {
    double at(int x, int y);
  }

  private static Picture picture(Value value) {
    Picture picture = Picture.of(WHOLE);
    for (int c = 0; c < 3; c++) {
      for (int y = 0; y < WHOLE.height(); y++) {
        for (int x = 0; x < WHOLE.width(); x++) {
          picture.plane(c).values()[picture.plane(c).index(x, y)] = (float) value.at(x, y);
        }
      }
    }
    return picture;
  }

  private static Picture noise() {
    Random random = new Random(7);
    double[] v = random.doubles((long) WHOLE.pixels(), 0.2, 0.8).toArray();
    return picture((x, y) -> v[y * WHOLE.width() + x]);
  }

  private static Picture repaired(Picture photo, Patch... patches) {
    return repaired(photo, Regions.none(), patches);
  }

  private static Picture repaired(Picture photo, Regions regions, Patch... patches) {
    HealLayer layer = ((HealLayer) LayerType.HEAL.fresh()).withPatches(List.of(patches));
    return new Renderer(new Pyramid(photo), new TileCache(1 << 28))
        .renderOnce(new RenderInput(LayerStack.of(layer), regions), 0, Cancellation.NONE);
  }

  private static Stroke hard(double x, double y, double radius) {
    return Stroke.dab(x, y, radius, 0);
  }

  @DataProvider
  public Object[][] turns() {
    return new Object[][] {
      {0, false}, {90, false}, {180, false}, {270, false}, {0, true}, {90, true}, {180, true}
    };
  }

  /** The centre of the patch lies between pixels, so that quarter turns take whole ones. */
  @Test(dataProvider = "turns")
  public void aCloneIsItsSourceTurnedAndMirroredPixelByPixel(int angle, boolean mirrored) {
    Picture photo = noise();
    Source source = new Source(80, 4, angle, 1, mirrored);
    Picture result =
        repaired(photo, new Patch(hard(60, 80, 12), List.of(source), RepairMethod.CLONE, 1));
    double a = Math.toRadians(angle);
    for (int y = 74; y < 86; y++) {
      for (int x = 54; x < 66; x++) {
        double dx = (x + 0.5 - 60) * (mirrored ? -1 : 1);
        double dy = y + 0.5 - 80;
        int sx = (int) Math.floor(140 + dx * Math.cos(a) - dy * Math.sin(a));
        int sy = (int) Math.floor(84 + dx * Math.sin(a) + dy * Math.cos(a));
        assertThat(result.first().at(x, y)).isCloseTo(photo.first().at(sx, sy), offset(1e-6f));
      }
    }
  }

  /** Cubics reproduce straight slopes. */
  @Test
  public void aTurnedAndScaledSlopeStaysASlope() {
    Picture photo = picture((x, y) -> 0.2 + 0.002 * x + 0.001 * y);
    Source source = new Source(60, 0, 30, 1.5, false);
    Picture result =
        repaired(photo, new Patch(hard(60, 80, 12), List.of(source), RepairMethod.CLONE, 1));
    double a = Math.toRadians(30);
    double dx = 1.5 * (63.5 - 60);
    double dy = 1.5 * (76.5 - 80);
    double sx = 120 + dx * Math.cos(a) - dy * Math.sin(a) - 0.5;
    double sy = 80 + dx * Math.sin(a) + dy * Math.cos(a) - 0.5;
    assertThat((double) result.first().at(63, 76))
        .isCloseTo(0.2 + 0.002 * sx + 0.001 * sy, offset(1e-5));
  }

  @Test
  public void theAmountMixesTheRepairWithWhatWasThere() {
    Picture photo = noise();
    Stroke area = hard(60, 80, 12);
    List<Source> source = List.of(new Source(60, 0));
    Picture whole = repaired(photo, new Patch(area, source, RepairMethod.HEAL, 1));
    Picture part = repaired(photo, new Patch(area, source, RepairMethod.HEAL, 0.4));
    for (int x = 52; x < 68; x++) {
      double was = photo.first().at(x, 80);
      assertThat((double) part.first().at(x, 80))
          .isCloseTo(was + 0.4 * (whole.first().at(x, 80) - was), offset(1e-5));
    }
  }

  @Test
  public void aMatchedCloneHasTheMeanOfItsSurroundings() {
    Picture photo = picture((x, y) -> x < 100 ? 0.3 : 0.6);
    Picture result =
        repaired(
            photo, new Patch(hard(50, 80, 12), List.of(new Source(100, 0)), RepairMethod.MATCH, 1));
    assertThat((double) result.first().at(50, 80)).isCloseTo(0.3, offset(1e-4));
  }

  /** A dark spot on a slope of light, healed from another place on the slope: the slope, whole. */
  @Test
  public void aHealAcrossAGradientContinuesIt() {
    Value slope = (x, y) -> 0.3 + 0.002 * x;
    Picture photo = picture((x, y) -> slope.at(x, y) - (Math.hypot(x - 80, y - 80) < 8 ? 0.2 : 0));
    Picture result = repaired(photo, new Patch(hard(80, 80, 11), new Source(0, 40)));
    for (int x = 70; x <= 90; x++) {
      assertThat((double) result.first().at(x, 80)).isCloseTo(slope.at(x, 80), offset(2e-3));
    }
  }

  /** A crease across fine noise loses its depth and keeps the noise. */
  @Test
  public void aReductionTakesTheToneAndLeavesTheTexture() {
    Random random = new Random(3);
    double[] grain = random.doubles((long) WHOLE.pixels(), -0.02, 0.02).toArray();
    Picture photo =
        picture(
            (x, y) ->
                0.5 + grain[y * WHOLE.width() + x] - 0.1 * Math.exp(-Math.pow((y - 80) / 4.0, 2)));
    Stroke crease =
        Stroke.path(List.of(new Point(40, 80.5), new Point(160, 80.5)), 14, 0.2, 1, false);
    Picture result = repaired(photo, new Patch(crease, List.of(), RepairMethod.REDUCE, 1));
    Plane was = GaussianBlur.blur(photo.first(), 2);
    Plane is = GaussianBlur.blur(result.first(), 2);
    double depth = 0;
    double left = 0;
    double texture = 0;
    double kept = 0;
    for (int x = 60; x < 140; x++) {
      depth += 0.5 - was.at(x, 80);
      left += Math.abs(0.5 - is.at(x, 80));
      // Along the crease nothing changes but the noise.
      texture += Math.pow(photo.first().at(x, 80) - photo.first().at(x + 1, 80), 2);
      kept += Math.pow(result.first().at(x, 80) - result.first().at(x + 1, 80), 2);
    }
    assertThat(left / depth).isLessThan(0.35);
    assertThat(kept / texture).isBetween(0.8, 1.2);
  }

  @Test
  public void anOutlineIsTransplantedWithASoftEdge() {
    Picture photo = picture((x, y) -> x < 100 ? 0.3 : 0.6);
    Mask.Polygon area =
        new Mask.Polygon(
            List.of(new Point(30, 60), new Point(60, 60), new Point(60, 100), new Point(30, 100)),
            2);
    Picture result =
        repaired(photo, new Patch(area, List.of(new Source(100, 0)), RepairMethod.CLONE, 1));
    assertThat(result.first().at(45, 80)).isCloseTo(0.6f, offset(1e-6f));
    assertThat(result.first().at(60, 80)).isBetween(0.4f, 0.5f);
    assertThat(result.first().at(75, 80)).isEqualTo(0.3f);
  }

  @Test
  public void whatHasNoSourceInThePictureIsLeft() {
    Picture photo = noise();
    Picture result =
        repaired(
            photo, new Patch(hard(20, 80, 12), List.of(new Source(-20, 0)), RepairMethod.CLONE, 1));
    assertThat(result.first().at(15, 80)).isEqualTo(photo.first().at(15, 80));
    assertThat(result.first().at(25, 80)).isEqualTo(photo.first().at(5, 80));
  }

  /**
   * A spot that overlaps the lower lip's edge: the lip stays, and nothing of it runs into the skin.
   */
  @Test
  public void aSpotAtTheLipLineLeavesTheLipAndDoesNotTakeItsColour() {
    Picture photo = Portrait.S06.picture("photo.jpg");
    FaceMap face = FaceAnalysis.shared().faces(photo, 0).getFirst();
    Regions regions = Regions.find(photo, face, FaceAnalysis.shared().subject(photo));
    Plane lips = regions.coverage(SemanticRegion.LIPS, photo.area(), 0);
    Plane skin = regions.coverage(SemanticRegion.SKIN, photo.area(), 0);
    int x = (int) face.mouthCentre().x();
    int y = (int) face.mouthCentre().y();
    while (lips.at(x, y) < 0.5f || lips.at(x, y + 8) > 0.1f || skin.at(x, y + 40) < 0.9f) {
      y++;
    }
    Patch patch = new Patch(Stroke.dab(x, y + 12, 16, 0.35), new Source(0, 60));
    Picture result = repaired(photo, regions, patch);
    double redder = 0;
    int n = 0;
    for (int py = y - 6; py < y + 28; py++) {
      for (int px = x - 16; px < x + 16; px++) {
        if (lips.at(px, py) > 0.95f) {
          assertThat(result.first().at(px, py)).isCloseTo(photo.first().at(px, py), offset(0.02f));
        } else if (lips.at(px, py) < 0.02f && Math.hypot(px - x, py - y - 12) < 9) {
          redder +=
              result.first().at(px, py)
                  - result.second().at(px, py)
                  - photo.first().at(px, py)
                  + photo.second().at(px, py);
          n++;
        }
      }
    }
    assertThat(n).isGreaterThan(40);
    assertThat(redder / n).isLessThan(0.01);
  }

  @Test
  public void neighboursDoNotTakeTheSamePlace() {
    Picture photo = Portrait.S06.picture("photo.jpg");
    Renderer renderer = new Renderer(new Pyramid(photo), new TileCache(1 << 28));
    HealLayer layer =
        ((HealLayer) LayerType.HEAL.fresh())
            .withPatches(List.of(Patch.spot(600, 900, 14), Patch.spot(640, 905, 14)));
    HealLayer found =
        (HealLayer)
            renderer.resolved(
                new RenderInput(LayerStack.of(layer), Regions.none()),
                layer.attributes().id(),
                Cancellation.NONE);
    Source one = found.patches().get(0).sources().getFirst();
    Source other = found.patches().get(1).sources().getFirst();
    assertThat(Math.hypot(600 + one.dx() - 640 - other.dx(), 900 + one.dy() - 905 - other.dy()))
        .isGreaterThan(14);
  }
}
