package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;

public class StoredCoverageTest {

  private static final Area WHOLE = new Area(0, 0, 40, 30);

  private static Plane spot() {
    Plane plane = Plane.of(WHOLE);
    for (int y = 8; y < 14; y++) {
      for (int x = 20; x < 33; x++) {
        plane.values()[plane.index(x, y)] = (x * 7 + y * 13) % 101 / 100f;
      }
    }
    return plane;
  }

  @Test
  public void givesBackWhatItHolds() {
    Plane spot = spot();

    Plane back = StoredCoverage.of(spot).over(WHOLE);

    for (int i = 0; i < spot.values().length; i++) {
      assertThat(back.values()[i]).isCloseTo(spot.values()[i], within(1e-5f));
    }
  }

  @Test
  public void keepsNoughtAndOneExactly() {
    Plane plane = Plane.of(WHOLE);
    plane.values()[plane.index(3, 4)] = 1;

    Plane back = StoredCoverage.of(plane).over(WHOLE);

    assertThat(back.at(3, 4)).isEqualTo(1);
    assertThat(back.at(4, 4)).isZero();
  }

  @Test
  public void givesPartsThatLieAcrossBesideAndWithinWhatIsCovered() {
    Plane spot = spot();
    StoredCoverage stored = StoredCoverage.of(spot);
    for (Area part :
        new Area[] {
          new Area(15, 5, 10, 6),
          new Area(0, 0, 5, 5),
          new Area(24, 9, 3, 2),
          new Area(30, 12, 10, 18)
        }) {
      Plane back = stored.over(part);
      for (int y = part.y(); y < part.bottom(); y++) {
        for (int x = part.x(); x < part.right(); x++) {
          assertThat(back.at(x, y)).isCloseTo(spot.at(x, y), within(1e-5f));
        }
      }
    }
  }

  @Test
  public void aCoverageOfNothingIsNought() {
    assertThat(StoredCoverage.of(Plane.of(WHOLE)).over(WHOLE).values()).containsOnly(0);
  }

  @Test
  public void refusesPixelsThatItNeverHad() {
    assertThatThrownBy(() -> StoredCoverage.of(spot()).over(new Area(35, 0, 10, 5)))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
