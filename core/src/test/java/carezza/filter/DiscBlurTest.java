package carezza.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.testing.Pictures;

public class DiscBlurTest {

  private static final Area AREA = new Area(0, 0, 61, 61);

  @DataProvider
  public Object[] radii() {
    return new Double[] {1.0, 2.5, 7.0, 12.3};
  }

  /** A single light becomes a disc: even within, nothing beyond, no light lost. */
  @Test(dataProvider = "radii")
  public void aPointOfLightBecomesADisc(double radius) {
    Plane point = Plane.of(AREA);
    point.values()[point.index(30, 30)] = 1;
    Plane disc = DiscBlur.blur(point, radius);
    double sum = 0;
    for (float v : disc.values()) {
      sum += v;
    }
    assertThat(sum).isCloseTo(1, within(1e-5));
    for (int y = 0; y < 61; y++) {
      for (int x = 0; x < 61; x++) {
        double d = Math.hypot(x - 30, y - 30);
        if (d > radius + 1.5) {
          assertThat(disc.at(x, y)).isZero();
        } else if (d < radius - 1) {
          assertThat(disc.at(x, y)).isCloseTo(disc.at(30, 30), within(1e-7f));
        }
      }
    }
    assertThat(disc.at(30, 30)).isCloseTo((float) (1 / (Math.PI * radius * radius)), within(0.15f));
  }

  @Test
  public void whatIsEvenStaysSoAwayFromTheBorder() {
    Plane even = Plane.filled(AREA, 0.4f);
    assertThat(DiscBlur.blur(even, 6).at(30, 30)).isCloseTo(0.4f, within(1e-5f));
  }

  /** Two halves of a picture and the picture itself: sums add up. */
  @Test
  public void sumsAddUp() {
    Plane one = Pictures.noise(AREA, 0.3, 0.2, 4);
    Plane other = Pictures.noise(AREA, 0.6, 0.1, 5);
    Plane both = one.copy();
    for (int i = 0; i < both.values().length; i++) {
      both.values()[i] += other.values()[i];
    }
    Plane sum = DiscBlur.blur(both, 4.6);
    Plane first = DiscBlur.blur(one, 4.6);
    Plane second = DiscBlur.blur(other, 4.6);
    for (int i = 0; i < sum.values().length; i++) {
      assertThat(sum.values()[i]).isCloseTo(first.values()[i] + second.values()[i], within(1e-5f));
    }
  }
}
