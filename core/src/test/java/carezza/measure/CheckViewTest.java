package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.testing.Pictures;

/** Ways of seeing on pictures in which it is known what there is to see. */
public class CheckViewTest {

  private static final Area ALL = new Area(0, 0, 160, 120);
  private static final EvaluationContext SITE =
      new EvaluationContext(new PictureSize(160, 120), 0, Regions.none());

  private static Picture see(CheckView view, Picture before, Picture after) {
    return Lab.of(view.of(after, before, SITE));
  }

  private static Picture ofLightness(Plane l) {
    return Lab.toWorking(new Picture(l, Plane.of(ALL), Plane.of(ALL)));
  }

  @DataProvider
  public Object[][] maps() {
    return Arrays.stream(CheckView.values())
        .filter(v -> v.compares() || v.name().matches("REDNESS|PIGMENT|HIGH|BLOTCH"))
        .map(v -> new Object[] {v})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "maps")
  public void mapsAreGreyWhereThereIsNothingToSee(CheckView view) {
    Picture even = Pictures.colour(ALL, 0.6, 0.5, 0.45);
    Picture seen = see(view, even, even);
    for (float l : seen.first().values()) {
      assertThat(l).isCloseTo(50, within(0.3f));
    }
  }

  @Test
  public void changeIsFourTimesTheDifference() {
    Picture before = ofLightness(Plane.filled(ALL, 40));
    Picture after = ofLightness(Plane.filled(ALL, 43));
    assertThat(see(CheckView.CHANGE, before, after).first().at(80, 60)).isCloseTo(62, within(0.2f));
  }

  @Test
  public void lostFormIsDarkWhereShadeWasLifted() {
    Picture before = ofLightness(Pictures.plane(ALL, (x, y) -> x < 80 ? 30 : 60));
    Picture after = ofLightness(Plane.filled(ALL, 45));
    Plane seen = see(CheckView.FORM, before, after).first();
    assertThat(seen.at(20, 60)).isLessThan(20);
    assertThat(seen.at(140, 60)).isGreaterThan(80);
  }

  @Test
  public void colourIsThreeTimesAsStrongAtTheSameLightness() {
    Picture input = Pictures.colour(ALL, 0.5, 0.47, 0.45);
    Lab was = Lab.ofWorking(0.5, 0.47, 0.45);
    Picture seen = see(CheckView.COLOUR, input, input);
    assertThat((double) seen.first().at(9, 9)).isCloseTo(was.l(), within(0.1));
    assertThat((double) seen.second().at(9, 9)).isCloseTo(3 * was.a(), within(0.1));
  }

  @Test
  public void clippedPlacesAreWhiteAndBlack() {
    Picture input = Pictures.grey(ALL, 0.5);
    for (int c = 0; c < 3; c++) {
      input.plane(c).values()[0] = 1.02f;
      input.plane(c).values()[1] = -0.01f;
    }
    Plane seen = see(CheckView.CLIPPING, input, input).first();
    assertThat(seen.values()[0]).isGreaterThan(99);
    assertThat(seen.values()[1]).isLessThan(1);
    assertThat(seen.at(80, 60)).isBetween(30f, 70f);
  }

  /** A part of the picture looks as it does in the whole, once its surroundings are given. */
  @Test
  public void grainStaysOnThePicture() {
    Picture input = Pictures.grey(ALL, 0.5);
    Area part = new Area(40, 30, 60, 50);
    Plane whole = see(CheckView.GRAIN, input, input).first().crop(part);
    Plane own = Lab.lightness(CheckView.GRAIN.of(input.crop(part), null, SITE));
    assertThat(Pictures.largest(whole, own)).isLessThan(1e-3);
  }
}
