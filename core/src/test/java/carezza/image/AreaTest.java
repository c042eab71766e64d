package carezza.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.testng.annotations.Test;

public class AreaTest {

  @Test
  public void intersectionHoldsWhatBothHold() {
    assertThat(new Area(0, 0, 10, 10).intersect(new Area(5, 7, 10, 10)))
        .isEqualTo(new Area(5, 7, 5, 3));
  }

  @Test
  public void areasThatOnlyTouchDoNotIntersect() {
    assertThat(new Area(0, 0, 4, 4).intersects(new Area(4, 0, 4, 4))).isFalse();
  }

  @Test
  public void unionWithTheEmptyAreaChangesNothing() {
    Area a = new Area(-3, 2, 5, 6);
    assertThat(a.union(Area.EMPTY)).isEqualTo(a);
    assertThat(Area.EMPTY.union(a)).isEqualTo(a);
  }

  @Test
  public void aLevelAndBackCoversTheAreaItCameFrom() {
    for (int x = -7; x < 9; x++) {
      for (int w = 1; w < 9; w++) {
        Area a = new Area(x, x + 1, w, w + 2);
        assertThat(a.atLevel(2).toFullSize(2).contains(a)).as(a.toString()).isTrue();
      }
    }
  }

  @Test
  public void growingByNothingIsTheSame() {
    assertThat(new Area(1, 2, 3, 4).grow(0)).isEqualTo(new Area(1, 2, 3, 4));
  }

  @Test
  public void theLevelForAZoomNeverHasFewerPixelsThanTheView() {
    for (double zoom = 0.02; zoom <= 1; zoom *= 1.07) {
      int level = Level.forZoom(zoom);
      assertThat(Level.scale(level)).isGreaterThanOrEqualTo(zoom * (1 - 1e-6));
      assertThat(Level.scale(level)).isLessThan(2.001 * zoom);
    }
  }

  @Test
  public void sizesAtLevelsAreHalvesRoundedUp() {
    assertThat(new PictureSize(1601, 7).atLevel(1)).isEqualTo(new PictureSize(801, 4));
    assertThat(new PictureSize(1601, 7).atLevel(3)).isEqualTo(new PictureSize(201, 1));
  }

  @Test
  public void aPlaneAndItsValuesMustFit() {
    assertThatThrownBy(() -> new Plane(new Area(0, 0, 2, 2), new float[3]))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("4 pixels with 3 values");
  }

  @Test
  public void croppingKeepsPlaces() {
    Plane plane = Plane.of(new Area(10, 20, 8, 8));
    plane.values()[plane.index(13, 25)] = 7;
    assertThat(plane.crop(new Area(12, 24, 3, 3)).at(13, 25)).isEqualTo(7);
  }

  @Test
  public void samplingBetweenPixelCentresIsLinear() {
    Plane plane = new Plane(new Area(0, 0, 2, 1), new float[] {2, 4});
    assertThat(plane.sample(0.5, 0.5)).isEqualTo(2);
    assertThat(plane.sample(1.0, 0.5)).isEqualTo(3);
    assertThat(plane.sample(9, 0.5)).isEqualTo(4);
  }

  @Test
  public void theCoveredAreaHoldsEveryPixelAboveZero() {
    Plane plane = Plane.of(new Area(3, 3, 10, 10));
    assertThat(plane.covered()).isEqualTo(Area.EMPTY);
    plane.values()[plane.index(5, 9)] = 0.1f;
    plane.values()[plane.index(8, 4)] = 0.1f;
    assertThat(plane.covered()).isEqualTo(new Area(5, 4, 4, 6));
  }

  @Test
  public void bandsOfRowsCoverEachRowOnce() {
    int[] seen = new int[2000];
    ParallelRows.each(
        1000,
        seen.length,
        (from, to) -> {
          for (int y = from; y < to; y++) {
            seen[y]++;
          }
        });
    assertThat(seen).containsOnly(1);
  }
}
