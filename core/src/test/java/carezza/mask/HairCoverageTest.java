package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Stroke;

public class HairCoverageTest {

  private static final Area ALL = new Area(0, 0, 200, 120);

  /** From left to right at a height; pressures at its ends. */
  private static Stroke line(double radius, float begin, float end, boolean lift) {
    return new Stroke(new float[] {20, 60, begin, 0, 180, 60, end, 1}, radius, 0.3, 1, lift);
  }

  private static double sum(Plane plane) {
    double sum = 0;
    for (float v : plane.values()) {
      sum += v;
    }
    return sum;
  }

  private static double across(Plane plane, int x) {
    double sum = 0;
    for (int y = plane.area().y(); y < plane.area().bottom(); y++) {
      sum += plane.at(x, y);
    }
    return sum;
  }

  @Test
  public void aLineIsAsWideAsItsPressureSays() {
    Plane plane = HairCoverage.of(List.of(line(6, 1, 0.25f, false)), ALL, 1);
    assertThat(plane.at(30, 60)).isEqualTo(1);
    assertThat(plane.at(30, 72)).isZero();
    assertThat(across(plane, 25) / across(plane, 165)).isBetween(2.2, 4.0);
  }

  /** A hair of half a pixel is seen as such: by its share of the pixels that it crosses. */
  @Test
  public void whatIsThinnerThanAPixelCoversByItsWidthAtEveryLevel() {
    Stroke hair = line(0.9, 1, 1, false);
    double full = sum(HairCoverage.of(List.of(hair), ALL, 1));
    Area half = new Area(0, 0, 100, 60);
    Area quarter = new Area(0, 0, 50, 30);
    assertThat(4 * sum(HairCoverage.of(List.of(hair), half, 0.5)))
        .isCloseTo(full, within(0.25 * full));
    assertThat(16 * sum(HairCoverage.of(List.of(hair), quarter, 0.25)))
        .isCloseTo(full, within(0.3 * full));
  }

  @Test
  public void aLineThatLiftsTakesWhatWasDrawn() {
    Plane plane = HairCoverage.of(List.of(line(4, 1, 1, false), line(8, 1, 1, true)), ALL, 1);
    assertThat(sum(plane)).isCloseTo(0, within(1e-3));
  }

  @Test
  public void partsComeOutAsTheWhole() {
    List<Stroke> lines = List.of(line(3, 0.2f, 1, false));
    Plane whole = HairCoverage.of(lines, ALL, 1);
    Area part = new Area(90, 55, 40, 20);
    assertThat(HairCoverage.of(lines, part, 1).values()).isEqualTo(whole.crop(part).values());
  }
}
