package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.filter.DiscMorphology;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.model.Mask;
import carezza.model.Mask.And;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Gradient;
import carezza.model.Mask.Invert;
import carezza.model.Mask.Minus;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Or;
import carezza.model.Mask.Polygon;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;
import carezza.model.Point;
import carezza.model.Stroke;
import carezza.testing.Pictures;

/** What holds for every mask, whatever it is made of. */
public class MaskLawsTest {

  private static final PictureSize SIZE = new PictureSize(160, 120);
  private static final EvaluationContext SITE = new EvaluationContext(SIZE, 0, Regions.none());
  private static final Picture RAMP =
      new Picture(
          Pictures.plane(SIZE.area(), (x, y) -> x / 160),
          Pictures.plane(SIZE.area(), (x, y) -> 0.2 + y / 240),
          Pictures.plane(SIZE.area(), (x, y) -> 0.4));

  private static final Mask OVAL = new Ellipse(70, 60, 40, 25, 30, 0.4);
  private static final Mask GRADIENT = new Gradient(new Point(20, 20), new Point(130, 90));
  private static final Mask OUTLINE =
      new Polygon(List.of(new Point(30, 20), new Point(140, 40), new Point(60, 110)), 3);
  private static final Mask LIGHT = new Range(Quantity.LIGHTNESS, 30, 40, 70, 80);
  private static final Mask COLOURFUL = new Range(Quantity.CHROMA, 10, 20, 150, 150);
  private static final Mask PAINTED =
      new Nothing()
          .painted(Stroke.path(List.of(new Point(20, 30), new Point(120, 90)), 14, 0.5, 0.8, false))
          .painted(Stroke.dab(80, 60, 9, 0.3));

  private static Plane render(Mask mask) {
    return Masks.render(mask, SIZE.area(), SITE, RAMP);
  }

  private static void same(Mask one, Mask other) {
    assertThat(Pictures.largest(render(one), render(other))).isLessThan(2e-6);
  }

  @DataProvider
  public Object[][] masks() {
    return new Object[][] {
      {OVAL},
      {GRADIENT},
      {OUTLINE},
      {LIGHT},
      {COLOURFUL},
      {PAINTED},
      {new Feather(OVAL, 6)},
      {new Dilate(OUTLINE, 5)}
    };
  }

  @DataProvider
  public Object[][] pairs() {
    return new Object[][] {
      {OVAL, GRADIENT}, {OUTLINE, LIGHT}, {PAINTED, COLOURFUL}, {new Dilate(OVAL, -4), PAINTED}
    };
  }

  @Test(dataProvider = "masks")
  public void invertingTwiceChangesNothing(Mask a) {
    same(new Invert(new Invert(a)), a);
  }

  @Test(dataProvider = "masks")
  public void everythingAndNothingAreNeutral(Mask a) {
    same(new And(a, new Everything()), a);
    same(new Or(a, new Nothing()), a);
    same(new Minus(a, new Nothing()), a);
    same(new And(a, new Nothing()), new Nothing());
    same(new Or(a, new Everything()), new Everything());
    same(new Minus(a, new Everything()), new Nothing());
  }

  @Test(dataProvider = "pairs")
  public void deMorgansLawsHold(Mask a, Mask b) {
    same(new Invert(new And(a, b)), new Or(new Invert(a), new Invert(b)));
    same(new Invert(new Or(a, b)), new And(new Invert(a), new Invert(b)));
  }

  @Test(dataProvider = "pairs")
  public void orderDoesNotMatterForBothAndEither(Mask a, Mask b) {
    same(new And(a, b), new And(b, a));
    same(new Or(a, b), new Or(b, a));
    same(new Minus(a, b), new And(a, new Invert(b)));
  }

  @Test
  public void growingAnOvalGivesTheLargerOval() {
    Mask round = new Ellipse(80, 60, 20, 20, 0, 0);
    for (double by : new double[] {7, 12.5, -6}) {
      Plane grown = render(new Dilate(round, by));
      Plane larger = render(new Ellipse(80, 60, 20 + by, 20 + by, 0, 0));
      assertThat(Pictures.overlap(grown, larger)).as("by %s", by).isGreaterThan(0.96);
    }
  }

  @Test(dataProvider = "masks")
  public void growingTakesNothingAwayAndShrinkingAddsNothing(Mask a) {
    float[] was = render(a).values();
    float[] more = render(new Dilate(a, 6)).values();
    float[] less = render(new Dilate(a, -6)).values();
    for (int i = 0; i < was.length; i++) {
      assertThat(less[i]).isLessThanOrEqualTo(was[i] + 1e-6f);
      assertThat(more[i]).isGreaterThanOrEqualTo(was[i] - 1e-6f);
    }
  }

  @Test(dataProvider = "masks")
  public void shrinkingIsGrowingWhatIsLeftOut(Mask a) {
    same(new Dilate(a, -5), new Invert(new Dilate(new Invert(a), 5)));
  }

  @Test
  public void whatIsGrownIsTheLargestWithinTheDisc() {
    Plane noise = Pictures.noise(SIZE.area(), 0.5, 0.2, 4);
    Plane grown = DiscMorphology.of(noise, 6, SIZE.area());
    for (int[] at : new int[][] {{0, 0}, {80, 60}, {159, 119}, {3, 100}}) {
      float most = 0;
      for (int y = 0; y < 120; y++) {
        for (int x = 0; x < 160; x++) {
          if (Math.hypot(x - at[0], y - at[1]) <= 6.25) {
            most = Math.max(most, noise.at(x, y));
          }
        }
      }
      assertThat(grown.at(at[0], at[1])).isEqualTo(most);
    }
  }

  @Test
  public void aSwitchedOffPartCountsAsIfItWereNotThere() {
    Mask both = new Minus(OVAL, LIGHT);
    same(new Mask.Disabled(both).acting(), OVAL);
    same(new Minus(new Mask.Disabled(OVAL), LIGHT).acting(), new Minus(new Everything(), LIGHT));
    same(new Or(new Mask.Disabled(OVAL), LIGHT).acting(), LIGHT);
    same(new Mask.Disabled(PAINTED), new Everything());
  }
}
