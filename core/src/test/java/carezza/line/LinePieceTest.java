package carezza.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;

public class LinePieceTest {

  private static final Area AREA = new Area(40, 30, 90, 70);

  @DataProvider
  public Object[][] pieces() {
    return new Object[][] {{0.0, 1}, {0.4, 1}, {1.3, 3}, {Math.PI / 2, 1}, {2.8, 3}};
  }

  /** Found indices read what reading every sample anew reads, inside and at the border. */
  @Test(dataProvider = "pieces")
  public void meansAreThoseOfSamplesAlongThePiece(double angle, int stride) {
    Plane plane = noise();
    LinePiece piece = new LinePiece(Math.cos(angle), Math.sin(angle), 6, stride, AREA);
    for (int y = AREA.y(); y < AREA.bottom(); y += 3) {
      for (int x = AREA.x(); x < AREA.right(); x += 3) {
        double sum = 0;
        for (int k = -6; k <= 6; k++) {
          sum +=
              plane.sample(x + k * stride * Math.cos(angle), y + k * stride * Math.sin(angle)) / 13;
        }
        assertThat(piece.mean(plane, x, y)).isCloseTo(sum, within(1e-5));
      }
    }
  }

  private static Plane noise() {
    Random random = new Random(5);
    Plane plane = Plane.of(AREA);
    for (int i = 0; i < plane.values().length; i++) {
      plane.values()[i] = random.nextFloat();
    }
    return plane;
  }
}
