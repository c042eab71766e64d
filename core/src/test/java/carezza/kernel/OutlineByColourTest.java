package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/** Skin before a backdrop, with coverage that is unsure over thirty pixels around the outline. */
public class OutlineByColourTest {

  private static final Area AREA = new Area(5, 7, 80, 60);
  private static final int OUTLINE = 45;
  private static final double[] SKIN = {0.3, 0.13, 0.08};
  private static final double[] GREY = {0.07, 0.06, 0.05};

  private static Picture picture(double[] front, double[] back) {
    Picture light = Picture.of(AREA);
    for (int c = 0; c < 3; c++) {
      Plane p = light.plane(c);
      for (int y = AREA.y(); y < AREA.bottom(); y++) {
        for (int x = AREA.x(); x < AREA.right(); x++) {
          // Shade towards the rim, and a dark red spot at it.
          double shade = 1 - 0.01 * x;
          double spot = x < OUTLINE && Math.hypot(x - 38, y - 37) < 6 && c > 0 ? 0.7 : 1;
          p.values()[p.index(x, y)] = (float) (x < OUTLINE ? front[c] * shade * spot : back[c]);
        }
      }
    }
    return WorkingSpace.fromLinearSrgb(light);
  }

  /** Off by five pixels, and soft. */
  private static Plane unsure() {
    Plane behind = Plane.of(AREA);
    for (int y = AREA.y(); y < AREA.bottom(); y++) {
      for (int x = AREA.x(); x < AREA.right(); x++) {
        behind.values()[behind.index(x, y)] =
            (float) Math.clamp((x - (OUTLINE + 5) + 15) / 30.0, 0, 1);
      }
    }
    return behind;
  }

  @Test
  public void theOutlineIsWhereTheColoursPart() {
    Plane behind = unsure();
    OutlineByColour.sharpen(behind, picture(SKIN, GREY));
    for (int y : new int[] {12, 37, 60}) {
      assertThat(behind.at(OUTLINE - 3, y)).isLessThan(0.01f);
      assertThat(behind.at(OUTLINE + 2, y)).isGreaterThan(0.99f);
    }
  }

  @Test
  public void whereBothSidesAreAlikeItStaysUnsure() {
    Plane behind = unsure();
    double[] alike = {0.15, 0.066, 0.041};
    OutlineByColour.sharpen(behind, picture(SKIN, alike));
    assertThat(behind).isEqualTo(unsure());
  }

  @Test
  public void whereOneSideIsNotSeenItStaysUnsure() {
    Plane behind = Plane.filled(AREA, 0.4f);
    OutlineByColour.sharpen(behind, picture(SKIN, GREY));
    assertThat(behind).isEqualTo(Plane.filled(AREA, 0.4f));
  }
}
