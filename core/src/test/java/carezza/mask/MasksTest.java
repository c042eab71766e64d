package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Line2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.model.Mask;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Nothing;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.Stroke;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

public class MasksTest {

  private static final PictureSize SIZE = new PictureSize(256, 192);
  private static final EvaluationContext FULL = new EvaluationContext(SIZE, 0, Regions.none());
  private static final Picture GREY = Pictures.grey(SIZE.area(), 0.5);

  private static Plane render(Mask mask) {
    return Masks.render(mask, SIZE.area(), FULL, GREY);
  }

  @Test
  public void aHardDabCoversTheAreaOfItsCircle() {
    Plane plane = render(new Nothing().painted(Stroke.dab(100, 90, 30, 0)));
    double sum = 0;
    for (float v : plane.values()) {
      sum += v;
    }
    assertThat(sum).isCloseTo(Math.PI * 900, within(0.01 * Math.PI * 900));
  }

  @Test
  public void aSoftDabIsFullInTheMiddleAndGoneAtItsRadius() {
    Plane plane = render(new Nothing().painted(Stroke.dab(100.5, 90.5, 30, 0.5)));
    assertThat((double) plane.at(100, 90)).isCloseTo(1, within(1e-4));
    assertThat((double) plane.at(114, 90)).isCloseTo(1, within(1e-3));
    assertThat((double) plane.at(130, 90)).isCloseTo(0, within(1e-3));
    assertThat((double) plane.at(122, 90)).isBetween(0.3, 0.7);
  }

  @Test
  public void strokesBuildUpOnOneAnotherButNotOnThemselves() {
    List<Point> thereAndBack = List.of(new Point(20, 50), new Point(200, 50), new Point(20, 50));
    Stroke weak = Stroke.path(thereAndBack, 10, 0, 0.3, false);
    assertThat((double) render(new Nothing().painted(weak)).at(100, 50))
        .isCloseTo(0.3, within(1e-4));
    assertThat((double) render(new Nothing().painted(weak).painted(weak)).at(100, 50))
        .isCloseTo(0.51, within(1e-4));
  }

  @Test
  public void liftingTakesCoverageAway() {
    Stroke lift = new Stroke(new float[] {100, 50, 1, 0}, 10, 0, 1, true);
    assertThat((double) render(new Everything().painted(lift)).at(100, 50))
        .isCloseTo(0, within(1e-5));
    assertThat((double) render(new Everything().painted(lift)).at(150, 50))
        .isCloseTo(1, within(1e-5));
  }

  @Test
  public void pressureScalesTheCoverage() {
    Stroke stroke = new Stroke(new float[] {20, 50, 0, 0, 220, 50, 1, 1}, 10, 0, 1, false);
    Plane plane = render(new Nothing().painted(stroke));
    assertThat((double) plane.at(120, 50)).isCloseTo(0.5, within(0.01));
  }

  @DataProvider
  public Object[][] shapes() {
    Stroke stroke =
        Stroke.path(List.of(new Point(30, 40), new Point(180, 120)), 22, 0.6, 0.8, false);
    return new Object[][] {
      {new Nothing().painted(stroke)},
      {new Mask.Ellipse(128, 96, 80, 50, 20, 0.4)},
      {new Mask.Gradient(new Point(20, 20), new Point(200, 150))},
      {new Mask.Polygon(List.of(new Point(30, 30), new Point(220, 60), new Point(120, 170)), 5)},
      {new Mask.Feather(new Mask.Ellipse(128, 96, 60, 60, 0, 0.1), 6)},
      {new Mask.Invert(new Mask.Ellipse(128, 96, 60, 60, 0, 0.5))}
    };
  }

  @Test(dataProvider = "shapes")
  public void aCoarseMaskIsTheFineOneReduced(Mask mask) {
    EvaluationContext half = new EvaluationContext(SIZE, 1, Regions.none());
    Plane coarse = Masks.render(mask, half.whole(), half, Pictures.grey(half.whole(), 0.5));
    Plane reduced = Resampling.half(render(mask));
    double sum = 0;
    for (int i = 0; i < coarse.values().length; i++) {
      sum += Math.abs(coarse.values()[i] - reduced.values()[i]);
    }
    assertThat(sum / coarse.values().length).isLessThan(0.003);
    assertThat(Pictures.largest(coarse, reduced)).isLessThan(0.12);
  }

  @Test(dataProvider = "shapes")
  public void aPartOfAMaskIsThatPartOfTheWhole(Mask mask) {
    Area part = new Area(60, 50, 70, 61);
    Plane cut = Masks.render(mask, part, FULL, GREY);
    assertThat(Pictures.largest(cut, render(mask).crop(part))).isLessThan(1e-3);
  }

  @Test(dataProvider = "shapes")
  public void coverageStaysBetweenNothingAndAll(Mask mask) {
    for (float v : render(mask).values()) {
      assertThat(v).isBetween(-1e-6f, 1 + 1e-5f);
    }
  }

  @Test
  public void combinationsFollowTheirFormulas() {
    Mask a = new Mask.Opacity(new Everything(), 0.6);
    Mask b = new Mask.Opacity(new Everything(), 0.5);
    assertThat((double) render(new Mask.And(a, b)).at(0, 0)).isCloseTo(0.3, within(1e-6));
    assertThat((double) render(new Mask.Or(a, b)).at(0, 0)).isCloseTo(0.8, within(1e-6));
    assertThat((double) render(new Mask.Minus(a, b)).at(0, 0)).isCloseTo(0.3, within(1e-6));
    assertThat((double) render(new Mask.Invert(a)).at(0, 0)).isCloseTo(0.4, within(1e-6));
  }

  @Test
  public void aRangeTakesInWhatItsTrapezoidSays() {
    Picture ramp =
        new Picture(
            Pictures.plane(SIZE.area(), (x, y) -> x / 255.0),
            Pictures.plane(SIZE.area(), (x, y) -> x / 255.0),
            Pictures.plane(SIZE.area(), (x, y) -> x / 255.0));
    Plane plane =
        Masks.render(
            new Mask.Range(Mask.Quantity.LIGHTNESS, 30, 40, 60, 70), SIZE.area(), FULL, ramp);
    Plane l = Lab.lightness(ramp);
    for (int x = 0; x < 256; x++) {
      double lightness = l.at(x, 0);
      if (lightness < 30 || lightness > 70) {
        assertThat(plane.at(x, 0)).isEqualTo(0);
      } else if (lightness > 40 && lightness < 60) {
        assertThat((double) plane.at(x, 0)).isCloseTo(1, within(1e-6));
      }
    }
  }

  @Test
  public void aHueRangeMayPassTheZeroAngle() {
    Picture red = Pictures.colour(SIZE.area(), 0.6, 0.3, 0.36);
    double hue = Lab.ofWorking(0.6, 0.3, 0.36).hue();
    assertThat(hue).isBetween(0.0, 40.0);
    Mask range = new Mask.Range(Mask.Quantity.HUE, 320, 340, 400, 420);
    assertThat((double) Masks.render(range, SIZE.area(), FULL, red).at(3, 3))
        .isCloseTo(1, within(1e-6));
  }

  @Test
  public void strokesFarFromAnAreaDoNotMatterThere() {
    Mask mask = new Nothing().painted(Stroke.dab(20, 20, 8, 0)).painted(Stroke.dab(200, 150, 8, 0));
    Mask near = Masks.within(mask, new Area(0, 0, 64, 64));
    assertThat(near).isEqualTo(new Nothing().painted(Stroke.dab(20, 20, 8, 0)));
    assertThat(Masks.within(mask, new Area(100, 40, 20, 20))).isEqualTo(new Nothing());
  }

  @Test
  public void refiningPullsAMaskToTheEdgeOfThePicture() {
    Plane edge = Pictures.plane(SIZE.area(), (x, y) -> x < 128 ? 0.2 : 0.8);
    Picture picture = new Picture(edge, edge, edge);
    Mask rough = new Mask.Gradient(new Point(116, 96), new Point(132, 96));
    Plane refined = Masks.render(new Mask.Refine(rough, 8), SIZE.area(), FULL, picture);
    double inside = refined.at(131, 96);
    double outside = refined.at(124, 96);
    assertThat(inside - outside).isGreaterThan(0.5);
  }

  /** Wide soft strokes are put together on a coarse grid; one by one they must give the same. */
  @Test
  public void softStrokesTogetherAreTheSameAsOneByOne() {
    Random random = new Random(3);
    List<Stroke> strokes = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      Point at = new Point(random.nextInt(256), random.nextInt(192));
      strokes.add(
          Stroke.path(List.of(at, at.plus(40, 15), at.plus(60, -10)), 70, 1, 0.3, i % 5 == 4));
    }
    Plane together = render(new Mask.Strokes(new Nothing(), strokes));
    for (int y = 0; y < 192; y += 3) {
      for (int x = 0; x < 256; x += 3) {
        double m = 0;
        for (Stroke s : strokes) {
          double c = 0.3 * falloff(s, x + 0.5, y + 0.5);
          m = s.erase() ? m * (1 - c) : 1 - (1 - m) * (1 - c);
        }
        assertThat((double) together.at(x, y)).isCloseTo(m, within(0.006));
      }
    }
  }

  private static double falloff(Stroke s, double x, double y) {
    double nearest = Double.MAX_VALUE;
    for (int i = 0; i + 1 < s.size(); i++) {
      nearest = Math.min(nearest, Line2D.ptSegDist(s.x(i), s.y(i), s.x(i + 1), s.y(i + 1), x, y));
    }
    double t = Math.max(0, (s.radius() - nearest) / s.radius());
    return t * t * (3 - 2 * t);
  }

  /** Strokes with one pressure and with pressures that differ by nothing take different ways. */
  @Test
  public void thePressureOfTheTrackScalesItsCoverage() {
    float[] even = {40, 60, 0.5f, 0, 150, 60, 0.5f, 1};
    float[] rising = {40, 60, 0.5f, 0, 150, 60, 0.5001f, 1};
    Plane a = render(new Nothing().painted(new Stroke(even, 12, 0.5, 1, false)));
    Plane b = render(new Nothing().painted(new Stroke(rising, 12, 0.5, 1, false)));
    assertThat(Pictures.largest(a, b)).isLessThan(0.002);
    assertThat((double) a.at(90, 60)).isCloseTo(0.5, within(1e-3));
  }

  /** As a view follows a hand: what was there is remembered, each new stroke is laid on it. */
  @Test
  public void strokesOnRememberedCoverageAreTheSameAsAllAnew() {
    PictureSize size = new PictureSize(120, 90);
    Area whole = size.area();
    Picture input = Picture.of(whole);
    EvaluationContext forgetful = new EvaluationContext(size, 0, Regions.none());
    EvaluationContext context =
        new EvaluationContext(size, 0, Regions.none()).with(new MaskCache(whole.pixels()));
    Mask mask = new Mask.Ellipse(60, 45, 30, 20, 0, 0.5);
    Masks.render(mask.painted(Stroke.dab(20, 20, 9, 0)), whole, context, input);
    mask = mask.painted(Stroke.dab(20, 20, 9, 0));
    for (int i = 0; i < 60; i++) {
      mask = mask.painted(Stroke.dab(10 + 1.7 * i, 45 + 20 * Math.sin(i), 6, i % 2 * 0.5));
      Area touched = new Area(5, 5, 100, 80);
      Plane known = Masks.render(mask, i % 7 == 0 ? whole : touched, context, input);
      Plane anew = Masks.render(mask, known.area(), forgetful, input);
      for (int k = 0; k < anew.values().length; k++) {
        assertThat(known.values()[k]).isCloseTo(anew.values()[k], within(2e-3f));
      }
    }
  }

  /** A dark spot is darker than around it by what was made of it; a lip-like step is no blotch. */
  @Test
  public void unevenPlacesAreCoveredInProportionAndFeaturesAreNot() {
    PictureSize size = new PictureSize(200, 100);
    EvaluationContext context = new EvaluationContext(size, 0, Regions.none());
    Plane l =
        Pictures.plane(
            size.area(),
            (x, y) ->
                60
                    - 2 * Math.exp(-(Math.pow(x - 50, 2) + Math.pow(y - 50, 2)) / 32)
                    - (Math.hypot(x - 150, y - 50) < 9 ? 25 : 0));
    Picture input = Lab.toWorking(new Picture(l, Plane.of(size.area()), Plane.of(size.area())));
    Plane darker =
        Masks.render(
            new Mask.LocalDeviation(true, 1, 20, 10, 4, null), size.area(), context, input);
    Plane lighter =
        Masks.render(
            new Mask.LocalDeviation(false, 1, 20, 10, 4, null), size.area(), context, input);
    assertThat(darker.at(50, 50)).isBetween(0.15f, 0.2f);
    assertThat(darker.at(150, 50)).isZero();
    assertThat(lighter.at(50, 50)).isZero();
  }

  /** Even skin beside dark hair is neither light nor dark when it is compared with skin alone. */
  @Test
  public void hairBesideSkinMakesNoBlotchOfIt() {
    Picture photo = Portrait.S02.picture("photo.jpg");
    PictureSize size = new PictureSize(photo.area().width(), photo.area().height());
    EvaluationContext context = new EvaluationContext(size, 2, Portrait.S02.found());
    Area all = context.whole();
    Plane skin = context.regions().coverage(SemanticRegion.FACE_SKIN, all, 2);
    Plane l = Pictures.plane(all, (x, y) -> skin.at((int) x, (int) y) > 0 ? 60 : 15);
    Picture input = Lab.toWorking(new Picture(l, Plane.of(all), Plane.of(all)));
    assertThat(lightOnSkin(SemanticRegion.FACE_SKIN, skin, context, input)).isLessThan(0.001);
    assertThat(lightOnSkin(null, skin, context, input)).isGreaterThan(0.3);
  }

  private static double lightOnSkin(
      SemanticRegion within, Plane skin, EvaluationContext context, Picture input) {
    Mask lighter = new Mask.LocalDeviation(false, 4, 40, 10, 100, within);
    Plane covered = Masks.render(lighter, context.whole(), context, input).times(skin);
    return Pictures.largest(covered, Plane.of(covered.area()));
  }
}
