package carezza.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.ChangedArea;
import carezza.kernel.LayerType;
import carezza.mask.Regions;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Stroke;
import carezza.model.WhiteBalanceLayer;
import carezza.render.Renderer.Readiness;
import carezza.testing.Portrait;

public class IncrementalRendererTest {

  private static final Portrait PORTRAIT = Portrait.S06;
  private static final int LEVEL = 2;

  private Renderer renderer;
  private Regions regions;
  private Area whole;

  @BeforeClass
  public void open() {
    renderer = new Renderer(new Pyramid(PORTRAIT.picture("photo.jpg")), new TileCache(1L << 28));
    regions = Regions.find(renderer.photograph().level(0), PORTRAIT.faces());
    whole = renderer.size().atLevel(LEVEL).area();
  }

  /** Test classes live until the last of them has run; their pictures must not. */
  @AfterClass(alwaysRun = true)
  public void letGo() {
    regions = null;
    renderer = null;
  }

  private Picture exact(RenderInput scene) {
    return renderer.render(scene, whole, LEVEL, Readiness.EXACT, Cancellation.NONE);
  }

  private RenderInput scene(Layer... layers) {
    return new RenderInput(LayerStack.of(layers), regions);
  }

  private static DodgeBurnLayer painted(DodgeBurnLayer layer, List<Stroke> strokes) {
    return layer.withMasks(new Mask.Strokes(new Mask.Nothing(), strokes), new Mask.Nothing());
  }

  private static Stroke stroke(int points) {
    List<Point> path = new ArrayList<>();
    for (int i = 0; i < points; i++) {
      path.add(new Point(560 + 12 * i, 800 + 20 * Math.sin(i / 2.0)));
    }
    return Stroke.path(path, 60, 1, 0.5, false);
  }

  private static double largest(Picture a, Picture b) {
    double most = 0;
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < a.plane(c).values().length; i++) {
        most = Math.max(most, Math.abs(a.plane(c).values()[i] - b.plane(c).values()[i]));
      }
    }
    return most;
  }

  @Test
  public void aGrowingStrokeIsFollowedExactlyUnderLayersThatActOnSinglePixels() {
    DodgeBurnLayer sculpt = (DodgeBurnLayer) LayerType.DODGE_BURN.fresh();
    Layer above = LayerType.VIGNETTE.fresh();
    Layer exposure = LayerType.EXPOSURE.fresh();
    RenderInput start = scene(exposure, sculpt, above);
    IncrementalRenderer live =
        renderer.follow(start, sculpt.attributes().id(), whole, LEVEL, Cancellation.NONE);
    assertThat(largest(live.picture(), exact(start))).isLessThan(1e-6);
    for (int points = 1; points <= 20; points++) {
      RenderInput now = scene(exposure, painted(sculpt, List.of(stroke(points))), above);
      assertThat(live.follows(now)).isTrue();
      Picture before = live.picture().copy();
      Area changed = live.update(now);
      assertThat(changed.pixels()).isLessThan(whole.pixels() / 8);
      for (int c = 0; c < 3; c++) {
        before.plane(c).copyFrom(live.picture().plane(c).crop(changed));
      }
      assertThat(largest(before, live.picture())).isZero();
    }
    RenderInput last = scene(exposure, painted(sculpt, List.of(stroke(20))), above);
    // The path is straightened a little differently as it grows.
    assertThat(largest(live.picture(), exact(last))).isLessThan(2e-3);
    live.update(start);
    assertThat(largest(live.picture(), exact(start))).isLessThan(1e-6);
  }

  @DataProvider
  public Object[][] edits() {
    Layer tone = LayerType.SKIN_TONE_EVENING.fresh();
    Layer separation = LayerType.FREQUENCY_SEPARATION.fresh();
    Layer curve = LayerType.CURVE.fresh();
    Layer balance = LayerType.WHITE_BALANCE.fresh();
    HealLayer heal = ((HealLayer) LayerType.HEAL.fresh()).withPatches(PORTRAIT.spots());
    return new Object[][] {
      {tone, tone.with(tone.attributes().withAmount(0.5))},
      {separation, separation.with(separation.attributes().withAmount(0.4))},
      {curve, curve.with(curve.attributes().withAmount(1.5))},
      {heal, heal.withPatches(heal.patches().subList(0, heal.patches().size() - 1))},
      {balance, new WhiteBalanceLayer(balance.attributes(), 6300, 2)}
    };
  }

  @Test(dataProvider = "edits")
  public void anEditUnderWidelyReachingLayersComesCloseToTheExactPicture(Layer was, Layer is) {
    Layer separation = LayerType.FREQUENCY_SEPARATION.fresh();
    Layer heal = ((HealLayer) LayerType.HEAL.fresh()).withPatches(PORTRAIT.spots());
    Layer sharpen = LayerType.SHARPEN.fresh();
    IncrementalRenderer live =
        renderer.follow(
            scene(was, heal, separation, sharpen),
            was.attributes().id(),
            whole,
            LEVEL,
            Cancellation.NONE);
    RenderInput now = scene(is, heal, separation, sharpen);
    live.update(now);
    Picture lab = Lab.of(live.picture());
    Picture wanted = Lab.of(exact(now));
    double sum = 0;
    for (int i = 0; i < whole.pixels(); i++) {
      sum +=
          DeltaE2000.between(
              new Lab(lab.first().values()[i], lab.second().values()[i], lab.third().values()[i]),
              new Lab(
                  wanted.first().values()[i],
                  wanted.second().values()[i],
                  wanted.third().values()[i]));
    }
    assertThat(sum / whole.pixels()).isLessThan(0.3);
  }

  @Test
  public void anythingButTheEditedLayerIsNotFollowed() {
    Layer one = LayerType.CURVE.fresh();
    Layer other = LayerType.VIGNETTE.fresh();
    IncrementalRenderer live =
        renderer.follow(scene(one, other), one.attributes().id(), whole, LEVEL, Cancellation.NONE);
    assertThat(live.follows(scene(one.with(one.attributes().withAmount(0.3)), other))).isTrue();
    assertThat(live.follows(scene(one, other.with(other.attributes().withAmount(0.3))))).isFalse();
    assertThat(live.follows(scene(one))).isFalse();
    assertThat(live.follows(scene(one.with(one.attributes().switched(false)), other))).isFalse();
    assertThat(live.follows(new RenderInput(LayerStack.of(one, other), Regions.none()))).isFalse();
  }

  @Test
  public void theDifferenceOfLayersIsWhereTheirStrokesAndPatchesDiffer() {
    DodgeBurnLayer sculpt = (DodgeBurnLayer) LayerType.DODGE_BURN.fresh();
    Layer two = painted(sculpt, List.of(stroke(3), stroke(9)));
    Layer grown = painted(sculpt, List.of(stroke(3), stroke(10)));
    Area area = ChangedArea.between(two, grown).orElseThrow();
    assertThat(area.width()).isLessThan(140);
    assertThat(area.contains((int) stroke(10).x(9), (int) stroke(10).y(9))).isTrue();
    assertThat(ChangedArea.between(two, two)).contains(Area.EMPTY);
    assertThat(ChangedArea.between(two, two.with(two.attributes().withAmount(0.5)))).isEmpty();
    Layer masked = two.with(two.attributes().withMask(two.attributes().mask().painted(stroke(2))));
    assertThat(ChangedArea.between(two, masked).orElseThrow().contains(stroke(2).bounds()))
        .isTrue();
    HealLayer heal = ((HealLayer) LayerType.HEAL.fresh()).withPatches(PORTRAIT.spots());
    Area gone =
        ChangedArea.between(
                heal, heal.withPatches(heal.patches().subList(1, heal.patches().size())))
            .orElseThrow();
    assertThat(gone.contains(heal.patches().getFirst().area().bounds())).isTrue();
  }
}
