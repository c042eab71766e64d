package carezza.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.Test;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.kernel.ChangedArea;
import carezza.kernel.LayerType;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;
import carezza.model.ShapeLayer.Hand;
import carezza.model.ShapeLayer.Nudge;
import carezza.model.Stroke;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

public class ShapeTest {

  private static final PictureSize SIZE = new PictureSize(640, 480);

  private static ShapeLayer layer(Nudge... nudges) {
    return ((ShapeLayer) LayerType.SHAPE.fresh()).withNudges(List.of(nudges));
  }

  private static ShapeLayer forced(Nudge... nudges) {
    return new ShapeLayer(
        LayerType.SHAPE.fresh().attributes(), 1, 1, 0, List.of(nudges), null, true, null);
  }

  private static ShapeLayer shaped(double width, double height, double lean) {
    return new ShapeLayer(
        LayerType.SHAPE.fresh().attributes(), width, height, lean, null, null, false, null);
  }

  private static Nudge nudge(Hand hand, double radius, double strength, Point... path) {
    return new Nudge(hand, Stroke.path(List.of(path), radius, 0.5, strength, false));
  }

  private static Deformation of(ShapeLayer layer) {
    return Deformation.of(layer, SIZE, (x, y) -> 1, 1, null);
  }

  private static EvaluationContext site(int level) {
    return new EvaluationContext(SIZE, level, Regions.none());
  }

  @Test
  public void whatIsUnderTheHandGoesAlong() {
    Deformation pushed =
        of(layer(nudge(Hand.PUSH, 120, 1, new Point(300, 240), new Point(320, 240))));
    Point from = pushed.source(new Point(320, 240));
    assertThat(from.x()).isCloseTo(300, within(0.2));
    assertThat(from.y()).isCloseTo(240, within(0.05));
    Point away = pushed.source(new Point(320, 400));
    assertThat(away).isEqualTo(new Point(320, 400));
  }

  @Test
  public void growingAndShrinkingMoveAwayFromTheMiddleAndTowardsIt() {
    Deformation grown = of(layer(nudge(Hand.GROW, 100, 1, new Point(320, 240))));
    Deformation shrunk = of(layer(nudge(Hand.SHRINK, 100, 1, new Point(320, 240))));
    assertThat(grown.source(new Point(350, 240)).x()).isBetween(348.0, 349.8);
    assertThat(shrunk.source(new Point(350, 240)).x()).isBetween(350.2, 352.0);
    assertThat(grown.source(new Point(320, 240)).x()).isCloseTo(320, within(1e-6));
  }

  /** The picture is put back to less than can be seen, as what is moved twice is sampled once. */
  @Test
  public void aStrokeAndItsOppositeRestoreThePicture() {
    Picture photo = Portrait.S04.picture("photo.jpg");
    PictureSize size = new PictureSize(photo.area().width(), photo.area().height());
    List<Point> way = new ArrayList<>();
    for (int i = 0; i <= 12; i++) {
      way.add(new Point(700 + 3 * i, 1200 + i * i / 3.0));
    }
    Nudge there = nudge(Hand.PUSH, 160, 0.8, way.toArray(Point[]::new));
    Nudge back = nudge(Hand.PUSH, 160, 0.8, way.reversed().toArray(Point[]::new));
    Area part = new Area(500, 1000, 500, 420);
    EvaluationContext site = new EvaluationContext(size, 0, Regions.none());
    Warp once = new Warp(Deformations.of(forced(there), site), 1, size);
    Warp both = new Warp(Deformations.of(forced(there, back), site), 1, size);

    Picture moved = once.picture(photo.crop(once.needed(part)), part);
    Picture restored = both.picture(photo.crop(both.needed(part)), part);

    double[] away = Pictures.deltaE(moved, photo.crop(part));
    double[] left = Pictures.deltaE(restored, photo.crop(part));
    assertThat(Pictures.quantile(away, 0.9)).isGreaterThan(1);
    assertThat(left[left.length - 1]).isLessThan(0.3);
  }

  @Test
  public void smoothingTakesBack() {
    Nudge push = nudge(Hand.PUSH, 80, 1, new Point(300, 240), new Point(312, 240));
    Nudge smooth = nudge(Hand.SMOOTH, 150, 0.5, new Point(312, 240));
    double pushed = 312 - of(layer(push)).source(new Point(312, 240)).x();
    double left = 312 - of(layer(push, smooth)).source(new Point(312, 240)).x();
    assertThat(left).isCloseTo(pushed / 2, within(0.1));
  }

  @Test
  public void whatIsSeenIsFoundAgain() {
    ShapeLayer layer =
        new ShapeLayer(
            LayerType.SHAPE.fresh().attributes(),
            1.03,
            0.98,
            2,
            List.of(
                nudge(Hand.PUSH, 90, 1, new Point(250, 200), new Point(270, 215)),
                nudge(Hand.SHRINK, 60, 1, new Point(400, 300), new Point(402, 300))),
            null,
            true,
            null);
    Deformation deformation = of(layer);
    for (double x = 20; x < 640; x += 60) {
      for (double y = 20; y < 480; y += 60) {
        Point seen = deformation.shown(new Point(x, y));
        Point source = deformation.source(seen);
        assertThat(source.x()).isCloseTo(x, within(0.05));
        assertThat(source.y()).isCloseTo(y, within(0.05));
      }
    }
  }

  @Test
  public void theWholeIsStretchedAndLeansAboutItsMiddle() {
    Deformation wide = of(shaped(1.05, 1, 0));
    assertThat(wide.source(new Point(320 + 105, 100)).x()).isCloseTo(420, within(1e-9));
    assertThat(wide.source(new Point(320, 240))).isEqualTo(new Point(320, 240));
    Deformation leaning = of(shaped(1, 1, 5));
    double shift = 200 * Math.tan(Math.toRadians(5));
    assertThat(leaning.shown(new Point(320, 40)).x()).isCloseTo(320 + shift, within(1e-6));
    assertThat(leaning.shown(new Point(320, 440)).x()).isCloseTo(320 - shift, within(1e-6));
  }

  @Test
  public void noPlaceIsStretchedPastTheLimitUnlessForced() {
    List<Point> way = new ArrayList<>();
    for (int i = 0; i <= 30; i++) {
      way.add(new Point(300 + 2 * i, 240));
    }
    Nudge hard = nudge(Hand.PUSH, 60, 1, way.toArray(Point[]::new));
    Deformation free = Deformation.of(layer(hard), SIZE, (x, y) -> 1, Double.MAX_VALUE, null);
    Deformation held = Deformation.of(layer(hard), SIZE, (x, y) -> 1, 0.15, null);
    assertThat(free.strain()).isGreaterThan(0.4);
    assertThat(free.isHeld()).isFalse();
    assertThat(held.strain()).isBetween(0.12, 0.15);
    assertThat(held.isHeld()).isTrue();
  }

  @Test
  public void aMaskAndHeldPlacesSayWhatTheHandMoves() {
    Mask left =
        new Mask.Polygon(
            List.of(new Point(0, 0), new Point(320, 0), new Point(320, 480), new Point(0, 480)), 0);
    ShapeLayer layer = layer(nudge(Hand.PUSH, 150, 1, new Point(310, 240), new Point(310, 250)));
    ShapeLayer masked = layer.with(layer.attributes().withMask(left));
    Deformation deformation = Deformations.of(masked, site(0));
    assertThat(deformation.source(new Point(325, 250)).y()).isCloseTo(250, within(0.1));
    assertThat(deformation.source(new Point(260, 250)).y()).isLessThan(248);

    Regions regions = Portrait.S04.found();
    Point pupil = Portrait.S04.faces().leftPupil();
    PictureSize size = new PictureSize(1600, 2000);
    EvaluationContext face = new EvaluationContext(size, 0, regions);
    Nudge over = nudge(Hand.PUSH, 120, 1, pupil, new Point(pupil.x(), pupil.y() + 8));
    double free =
        Deformations.of(layer(over), face).source(new Point(pupil.x(), pupil.y() + 8)).y();
    double kept =
        Deformations.of(layer(over).withHeld(List.of(SemanticRegion.IRIS)), face)
            .source(new Point(pupil.x(), pupil.y() + 8))
            .y();
    assertThat(free).isCloseTo(pupil.y(), within(0.5));
    assertThat(kept).isGreaterThan(free + 4);
  }

  /**
   * A place has no colour: what looks at the picture is left out, and the rest of the mask holds.
   */
  @Test
  public void aRangeInTheMaskLeavesTheRestOfItAsItIs() {
    Mask left =
        new Mask.Polygon(
            List.of(new Point(0, 0), new Point(320, 0), new Point(320, 480), new Point(0, 480)), 0);
    Mask both = new Mask.And(left, new Mask.Range(Mask.Quantity.LIGHTNESS, 10, 20, 60, 70));
    ShapeLayer layer = layer(nudge(Hand.PUSH, 150, 1, new Point(310, 240), new Point(310, 250)));
    Deformation plain = Deformations.of(layer.with(layer.attributes().withMask(left)), site(0));
    Deformation ranged = Deformations.of(layer.with(layer.attributes().withMask(both)), site(0));
    for (double x = 200; x < 420; x += 10) {
      assertThat(ranged.source(new Point(x, 250))).isEqualTo(plain.source(new Point(x, 250)));
    }
    assertThat(ranged.source(new Point(325, 250)).y()).isCloseTo(250, within(0.1));
  }

  @Test
  public void aStrokeThatGrowsComesOutAsOneDrawnAtOnce() {
    Nudge first = nudge(Hand.PUSH, 70, 1, new Point(200, 200), new Point(210, 205));
    Point[] way = {new Point(300, 240), new Point(306, 240), new Point(311, 243)};
    Deformation known = null;
    for (int n = 1; n <= way.length; n++) {
      Nudge growing = nudge(Hand.PUSH, 80, 1, List.of(way).subList(0, n).toArray(Point[]::new));
      known = Deformation.of(layer(first, growing), SIZE, (x, y) -> 1, 1, known);
    }
    Deformation once = of(layer(first, nudge(Hand.PUSH, 80, 1, way)));
    for (double x = 150; x < 400; x += 12) {
      assertThat(known.source(new Point(x, 230))).isEqualTo(once.source(new Point(x, 230)));
    }
  }

  /** Whatever was asked for before, what comes out is that of the strokes alone. */
  @Test
  public void whatWasKnownBeforeMakesNoDifference() {
    Nudge one = nudge(Hand.PUSH, 70, 1, new Point(200, 200), new Point(210, 205));
    Nudge two = nudge(Hand.GROW, 90, 1, new Point(260, 220), new Point(264, 220));
    Nudge three = nudge(Hand.SMOOTH, 120, 0.4, new Point(230, 210), new Point(236, 210));
    List<List<Nudge>> course =
        List.of(
            List.of(one),
            List.of(one, two),
            List.of(one, two),
            List.of(one, two, three),
            List.of(one, two),
            List.of(one),
            List.of(one, three),
            List.of(),
            List.of(two, three, one));
    Deformation known = null;
    for (List<Nudge> nudges : course) {
      ShapeLayer layer = layer(nudges.toArray(Nudge[]::new));
      known = Deformation.of(layer, SIZE, (x, y) -> 1, 1, known);
      Deformation fresh = of(layer);
      for (double x = 150; x < 350; x += 9) {
        assertThat(known.source(new Point(x, 212))).isEqualTo(fresh.source(new Point(x, 212)));
      }
    }
  }

  /** A view that follows a hand renders anew only where the hand was. */
  @Test
  public void onlyWhereTheHandWasIsAnythingElse() {
    Nudge one = nudge(Hand.PUSH, 70, 1, new Point(200, 200), new Point(210, 205));
    Nudge two = nudge(Hand.PUSH, 50, 1, new Point(400, 300), new Point(404, 300));
    Nudge grown =
        nudge(Hand.PUSH, 50, 1, new Point(400, 300), new Point(404, 300), new Point(409, 302));
    ShapeLayer was = layer(one, two);
    ShapeLayer is = was.withNudges(List.of(one, grown));
    Area said = ChangedArea.between(was, is).orElseThrow();
    assertThat(said.contains(new Area(390, 290, 20, 20))).isTrue();
    assertThat(said.intersect(new Area(100, 100, 200, 150)).isEmpty()).isTrue();
    Deformation before = of(was);
    Deformation after = of(is);
    for (int x = 4; x < 640; x += 8) {
      for (int y = 4; y < 480; y += 8) {
        if (!said.contains(x, y)) {
          assertThat(after.source(new Point(x, y))).isEqualTo(before.source(new Point(x, y)));
        }
      }
    }
  }

  private static Picture smooth() {
    return new Picture(
        Pictures.plane(SIZE.area(), (x, y) -> 0.5 + 0.3 * Math.sin(x / 17) * Math.cos(y / 23)),
        Pictures.plane(SIZE.area(), (x, y) -> 0.5 + 0.3 * Math.cos(x / 29)),
        Pictures.plane(SIZE.area(), (x, y) -> 0.4 + 0.2 * Math.sin(y / 19)));
  }

  @Test
  public void partsComeOutAsTheWholeAndACoarseLevelAsTheReducedOne() {
    ShapeLayer layer =
        new ShapeLayer(
            LayerType.SHAPE.fresh().attributes(),
            0.97,
            1.02,
            1,
            List.of(nudge(Hand.PUSH, 110, 1, new Point(330, 220), new Point(350, 230))),
            null,
            false,
            null);
    Picture input = smooth();
    Warp fine = new Warp(Deformations.of(layer, site(0)), 1, SIZE);
    Picture whole = fine.picture(input, SIZE.area());
    Area tile = new Area(256, 128, 128, 128);
    Area corner = new Area(0, 400, 90, 80);
    for (Area part : List.of(tile, corner)) {
      Area needed = fine.needed(part);
      assertThat(needed).isNotEqualTo(SIZE.area());
      Picture own = fine.picture(input.crop(needed), part);
      assertThat(Pictures.largest(own.first(), whole.first().crop(part))).isZero();
    }
    Warp coarse = new Warp(Deformations.of(layer, site(1)), 0.5, SIZE.atLevel(1));
    Picture half = input.map(Resampling::half);
    Plane direct = coarse.picture(half, half.area()).first();
    Plane reduced = Resampling.half(whole.first());
    assertThat(Pictures.largest(direct, reduced)).isLessThan(0.01);
  }

  @Test
  public void aChangeBelowIsSeenWhereItIsSaid() {
    ShapeLayer layer = layer(nudge(Hand.PUSH, 110, 1, new Point(330, 220), new Point(352, 236)));
    Warp warp = new Warp(Deformations.of(layer, site(0)), 1, SIZE);
    Picture input = smooth();
    Picture changed = input.copy();
    Area spot = new Area(320, 210, 20, 20);
    for (int y = spot.y(); y < spot.bottom(); y++) {
      for (int x = spot.x(); x < spot.right(); x++) {
        changed.first().values()[changed.first().index(x, y)] = 0;
      }
    }
    Plane before = warp.picture(input, SIZE.area()).first();
    Plane after = warp.picture(changed, SIZE.area()).first();
    Area said = warp.changedBy(spot);
    for (int y = 0; y < 480; y++) {
      for (int x = 0; x < 640; x++) {
        if (!said.contains(new Area(x, y, 1, 1))) {
          assertThat(after.at(x, y)).isEqualTo(before.at(x, y));
        }
      }
    }
    assertThat(said.pixels()).isLessThan(SIZE.area().pixels() / 4);
  }
}
