package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;

/** Painted skin with one place in the middle, whose looks are known. */
public class RednessCandidatesTest {

  private static final int SIZE = 240;
  private static final int MIDDLE = SIZE / 2;
  private static final double FACE_WIDTH = 800;

  /** Standard deviation of the painted place: what is found at the smallest radius of the five. */
  private static final double SPOT = 6;

  private static final Area AREA = new Area(0, 0, SIZE, SIZE);

  /**
   * Added density of red, green and blue light in the middle of a place, and its width across and
   * down.
   */
  private record Paint(double red, double green, double blue, double across, double down) {

    static Paint round(double red, double green, double blue) {
      return new Paint(red, green, blue, SPOT, SPOT);
    }

    double at(int x, int y) {
      double dx = (x - MIDDLE) / across;
      double dy = (y - MIDDLE) / down;
      return Math.exp(-0.5 * (dx * dx + dy * dy));
    }
  }

  private static SkinMaps maps(Paint paint, Plane skin) {
    Random random = new Random(7);
    Plane red = Plane.of(AREA);
    Plane green = Plane.of(AREA);
    Plane blue = Plane.of(AREA);
    Plane grain = Plane.of(AREA);
    for (int y = 0; y < SIZE; y++) {
      for (int x = 0; x < SIZE; x++) {
        int i = red.index(x, y);
        double noise = 0.02 * random.nextGaussian();
        red.values()[i] = (float) (0.8 + noise + paint.red() * paint.at(x, y));
        green.values()[i] =
            (float) (1.3 + noise + 0.02 * random.nextGaussian() + paint.green() * paint.at(x, y));
        blue.values()[i] = (float) (1.6 + noise + paint.blue() * paint.at(x, y));
        grain.values()[i] = (float) Math.abs(noise);
      }
    }
    Plane face = Plane.filled(AREA, 1);
    return new SkinMaps(green.minus(red), red, green, blue, grain, face, skin, FACE_WIDTH);
  }

  private static RednessCandidates.Place reddest(Paint paint) {
    List<RednessCandidates.Place> places =
        new RednessCandidates(maps(paint, Plane.filled(AREA, 1))).find(2.7);
    RednessCandidates.Place place = places.getFirst();
    assertThat(Math.hypot(place.x() - MIDDLE, place.y() - MIDDLE)).isLessThan(6);
    return place;
  }

  @Test
  public void aRoundSpotOfBloodIsRoundAndLikeBlood() {
    RednessCandidates.Place place = reddest(Paint.round(0.02, 0.3, 0.26));
    assertThat(place.traits().roundness()).isGreaterThan(0.8);
    assertThat(place.traits().unlikeBlood()).isLessThan(0.03);
    assertThat(place.brown()).isCloseTo(0.02 / 0.28, within(0.05));
    assertThat(place.blue()).isCloseTo(0.26 / 0.28, within(0.05));
    assertThat(place.traits().inside()).isCloseTo(1, within(1e-3));
    assertThat(place.traits().darkness()).isBetween(0.1, 0.35);
  }

  @Test
  public void aFoldIsALineAndAMoleIsBrown() {
    RednessCandidates.Place fold = reddest(new Paint(0.02, 0.3, 0.26, 5, 40));
    assertThat(fold.traits().roundness()).isLessThan(0.2);
    RednessCandidates.Place mole = reddest(Paint.round(0.35, 0.56, 0.75));
    assertThat(mole.brown()).isGreaterThan(1.4);
    assertThat(mole.traits().unlikeBlood()).isGreaterThan(0.5);
  }

  /**
   * The judge finds blood likelier than the same redness as a line, as pigment, in shade, or less
   * of it.
   */
  @Test
  public void whatLooksLikeBloodIsLikelier() {
    double blood = odds(Paint.round(0.02, 0.3, 0.26));
    assertThat(odds(new Paint(0.02, 0.3, 0.26, 5, 40))).isLessThan(blood);
    assertThat(odds(Paint.round(0.4, 0.68, 0.9))).isLessThan(blood);
    assertThat(odds(Paint.round(0.01, 0.15, 0.13))).isLessThan(blood);
    assertThat(blood).isGreaterThan(BlemishClassifier.limit(0.3));
  }

  private static double odds(Paint paint) {
    return BlemishClassifier.odds(reddest(paint).traits());
  }

  @Test
  public void outsideOfSureSkinNothingIsFoundAndAtItsRimLessIsInside() {
    Plane half = Plane.of(AREA);
    for (int y = 0; y < SIZE; y++) {
      for (int x = 0; x < SIZE; x++) {
        half.values()[half.index(x, y)] = x >= MIDDLE - 2 ? 1 : 0;
      }
    }
    RednessCandidates.Place rim =
        new RednessCandidates(maps(Paint.round(0.02, 0.3, 0.26), half)).find(2.7).getFirst();
    assertThat(rim.x()).isGreaterThanOrEqualTo(MIDDLE - 2);
    assertThat(rim.traits().inside()).isBetween(0.4, 0.7);
  }

  @Test
  public void whatIsReadAtAPixelIsWhatTheWholePlaneHasThere() {
    SkinMaps maps = maps(Paint.round(0.02, 0.3, 0.26), Plane.filled(AREA, 1));
    Plane rise = maps.rise(maps.redness(), 10);
    for (int at : new int[] {MIDDLE, MIDDLE + 9, MIDDLE - 14}) {
      assertThat(maps.rise(maps.redness(), at, MIDDLE, 10))
          .isCloseTo(rise.at(at, MIDDLE), within(4e-3));
    }
    assertThat(maps.share(MIDDLE, MIDDLE, 10)).isCloseTo(1, within(1e-9));
  }

  @Test
  public void twiceTheSensitivityTakesAnEighthOfTheOdds() {
    assertThat(BlemishClassifier.limit(1) - BlemishClassifier.limit(2))
        .isCloseTo(Math.log(8), within(1e-12));
    assertThat(BlemishClassifier.probability(0)).isEqualTo(0.5);
    assertThat(BlemishClassifier.probability(Math.log(3))).isCloseTo(0.75, within(1e-12));
  }
}
