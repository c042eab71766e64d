package carezza.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Transfer;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

public class PyramidTest {

  private static Picture random(int width, int height) {
    Random random = new Random(7);
    Picture picture = Picture.of(new Area(0, 0, width, height));
    for (int c = 0; c < 3; c++) {
      float[] v = picture.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        // Working colours are not clamped.
        v[i] = random.nextFloat() * 1.3f - 0.1f;
      }
    }
    return picture;
  }

  @DataProvider
  public Object[][] sizes() {
    return new Object[][] {{8, 6}, {7, 5}, {1, 1}, {1, 9}, {33, 2}, {300, 200}};
  }

  @Test(dataProvider = "sizes")
  public void aLevelIsTheMeanOfLightOfTheOneBefore(int width, int height) {
    Picture full = random(width, height);
    Picture expected = Transfer.toEncoded(Transfer.toLinear(full).map(Resampling::half));

    Picture half = Pyramid.half(full);

    assertThat(half.area()).isEqualTo(expected.area());
    for (int c = 0; c < 3; c++) {
      assertThat(half.plane(c).values()).containsExactly(expected.plane(c).values(), within(2e-6f));
    }
  }

  @Test
  public void blackAndWhiteMeetAtHalfTheLight() {
    Picture checked = Picture.of(new Area(0, 0, 2, 2));
    for (int c = 0; c < 3; c++) {
      checked.plane(c).values()[0] = 1;
      checked.plane(c).values()[3] = 1;
    }

    Picture half = Pyramid.half(checked);

    assertThat(half.first().at(0, 0)).isCloseTo(Transfer.toEncoded(0.5f), within(1e-6f));
  }

  @Test
  public void levelsAreMadeOnceAndTheFirstIsThePhotograph() {
    Picture full = random(40, 30);
    Pyramid pyramid = new Pyramid(full);

    assertThat(pyramid.level(0)).isSameAs(full);
    assertThat(pyramid.level(3)).isSameAs(pyramid.level(3));
    assertThat(pyramid.level(3).area()).isEqualTo(new Area(0, 0, 5, 4));
    assertThat(pyramid.level(2).area()).isEqualTo(new Area(0, 0, 10, 8));
  }

  @Test
  public void thePhotographIsNotChanged() {
    Picture full = random(20, 20);
    Plane before = full.first().copy();

    Pyramid.half(full);

    assertThat(full.first().values()).isEqualTo(before.values());
  }
}
