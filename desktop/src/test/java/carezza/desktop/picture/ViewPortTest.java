package carezza.desktop.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.PictureSize;
import carezza.model.Point;

/** What part of the photograph is seen. */
public class ViewPortTest {

  private static final PictureSize PHOTO = new PictureSize(1600, 2000);
  private static final ViewPort FIT = ViewPort.fit(PHOTO, 988, 547);

  @Test
  public void allOfItIsSeenInTheMiddle() {
    assertThat(FIT.viewY(0)).isCloseTo(12, within(1e-9));
    assertThat(FIT.viewY(2000)).isCloseTo(535, within(1e-9));
    assertThat(FIT.viewX(0)).isCloseTo(988 - FIT.viewX(1600), within(1e-9)).isGreaterThan(12);
  }

  @Test
  public void aWideViewIsFilledAcross() {
    ViewPort fit = ViewPort.fit(new PictureSize(4000, 1000), 500, 500);
    assertThat(fit.viewX(0)).isCloseTo(12, within(1e-9));
    assertThat(fit.viewY(0)).isCloseTo(500 - fit.viewY(1000), within(1e-9));
  }

  @DataProvider
  public Object[][] zooms() {
    return new Object[][] {{0.001, 0.02}, {0.5, 0.5}, {1, 1}, {7, 7}, {100, 16}};
  }

  @Test(dataProvider = "zooms")
  public void whatIsUnderThePointerStaysThere(double asked, double got) {
    Point before = FIT.toPhoto(300, 200);
    ViewPort zoomed = FIT.zoomed(asked, 300, 200);
    assertThat(zoomed.zoom()).isEqualTo(got);
    assertThat(zoomed.toPhoto(300, 200).distance(before)).isCloseTo(0, within(1e-9));
  }

  @Test
  public void pannedItFollowsTheHandAndResizedItKeepsItsMiddle() {
    ViewPort panned = FIT.zoomed(2, 0, 0).panned(30, -12);
    assertThat(panned.viewX(FIT.zoomed(2, 0, 0).toPhoto(100, 100).x()))
        .isCloseTo(130, within(1e-9));
    assertThat(panned.viewY(FIT.zoomed(2, 0, 0).toPhoto(100, 100).y())).isCloseTo(88, within(1e-9));
    ViewPort wider = FIT.resized(1200, 700);
    assertThat(wider.toPhoto(600, 350).distance(FIT.toPhoto(494, 273.5)))
        .isCloseTo(0, within(1e-9));
  }

  @Test
  public void placesGoThereAndBack() {
    Point at = FIT.toPhoto(123, 45);
    assertThat(FIT.viewX(at.x())).isCloseTo(123, within(1e-9));
    assertThat(FIT.viewY(at.y())).isCloseTo(45, within(1e-9));
  }

  @Test
  public void theLevelHasAPixelForEachOfTheView() {
    assertThat(FIT.zoomed(1, 0, 0).level()).isZero();
    assertThat(FIT.zoomed(4, 0, 0).level()).isZero();
    assertThat(FIT.zoomed(0.5, 0, 0).level()).isEqualTo(1);
    assertThat(FIT.zoomed(0.51, 0, 0).level()).isZero();
    assertThat(FIT.zoomed(0.2, 0, 0).level()).isEqualTo(2);
  }

  @Test
  public void noMoreIsAskedForThanThereIs() {
    assertThat(FIT.area(PHOTO, 1)).isEqualTo(new Area(0, 0, 800, 1000));
    Area part = new ViewPort(400, 600, 2, 100, 80).area(PHOTO, 0);
    assertThat(part).isEqualTo(new Area(398, 598, 54, 44));
    assertThat(new ViewPort(-500, -500, 1, 100, 100).area(PHOTO, 0).isEmpty()).isTrue();
  }
}
