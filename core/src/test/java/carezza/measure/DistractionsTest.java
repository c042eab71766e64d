package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.testing.Pictures;

/** What draws the eye, on pictures with one such place. */
public class DistractionsTest {

  private static final Area AREA = new Area(0, 0, 600, 600);

  /** No face: half the short edge stands for its width. */
  private static final EvaluationContext SITE =
      new EvaluationContext(new PictureSize(600, 600), 0, Regions.none());

  private static List<Distraction> found(double l, double a) {
    Plane spot = Pictures.plane(AREA, (x, y) -> Math.hypot(x - 480, y - 120) < 25 ? 1 : 0);
    Plane lightness = Pictures.plane(AREA, (x, y) -> 40 + (l - 40) * spot.at((int) x, (int) y));
    Plane red = Pictures.plane(AREA, (x, y) -> a * spot.at((int) x, (int) y));
    return Distractions.of(new Picture(lightness, red, Plane.of(AREA)), SITE);
  }

  @Test
  public void aBrightPlaceIsFoundWhereItIs() {
    Distraction place =
        found(85, 0).stream()
            .filter(d -> d.kind() == Distraction.Kind.BRIGHT)
            .findFirst()
            .orElseThrow();
    assertThat(place.place().x()).isCloseTo(480, within(4.0));
    assertThat(place.place().y()).isCloseTo(120, within(4.0));
    assertThat(place.radius()).isBetween(18.0, 32.0);
  }

  @Test
  public void aColourfulPlaceIsFoundByItsColour() {
    assertThat(found(40, 45))
        .extracting(Distraction::kind)
        .containsExactly(Distraction.Kind.COLOURFUL);
  }

  @Test
  public void anEvenPictureHasNone() {
    assertThat(found(40, 0)).isEmpty();
  }
}
