package carezza.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.MonotoneCurve;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.kernel.Measurements;
import carezza.mask.Regions;
import carezza.model.ColourBalanceLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.CurveLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Source;
import carezza.model.HueBandsLayer;
import carezza.model.HueShiftLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.LevelsLayer;
import carezza.model.LocalContrastLayer;
import carezza.model.Mask;
import carezza.model.MonochromeLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.OverlayLayer;
import carezza.model.PaintLayer;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;
import carezza.model.SharpenLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stroke;
import carezza.model.Tint;
import carezza.model.WhiteBalanceLayer;
import carezza.render.Renderer.Readiness;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

@Test(groups = "elsewhere")
public class RendererTest {

  private static final Portrait PORTRAIT = Portrait.S06;
  private Pyramid photograph;
  private Regions regions;

  @BeforeClass
  public void open() {
    photograph = new Pyramid(PORTRAIT.picture("photo.jpg"));
    regions = Regions.find(photograph.level(0), PORTRAIT.faces());
  }

  /** Test classes live until the last of them has run; their pictures must not. */
  @AfterClass(alwaysRun = true)
  public void letGo() {
    photograph = null;
    regions = null;
  }

  private Renderer renderer() {
    return new Renderer(photograph, new TileCache(1L << 29));
  }

  /** Views, gauges and plan ask at once: none of them measures what another is measuring. */
  @Test
  public void whatSeveralAskForAtOnceIsMeasuredOnce() throws Exception {
    RenderInput scene =
        new RenderInput(
            LayerStack.of(LayerType.EXPOSURE.fresh(), LayerType.NOISE_REDUCTION.fresh()), regions);
    String noise = scene.stack().layers().getLast().attributes().id();
    Renderer alone = new Renderer(photograph, new TileCache(0));
    Measurements read = alone.readings(scene, noise, Cancellation.NONE);
    Renderer asked = new Renderer(photograph, new TileCache(0));
    Callable<Measurements> ask = () -> asked.readings(scene, noise, Cancellation.NONE);
    try (ExecutorService several = Executors.newFixedThreadPool(4)) {
      for (Future<Measurements> each : several.invokeAll(Collections.nCopies(4, ask))) {
        assertThat(each.get()).isEqualTo(read);
      }
    }
    assertThat(alone.computedTiles()).isPositive();
    assertThat(asked.computedTiles()).isEqualTo(alone.computedTiles());
  }

  private Picture render(Renderer renderer, Area area, int level, Layer... layers) {
    return renderer.render(
        new RenderInput(LayerStack.of(layers), regions),
        area,
        level,
        Readiness.EXACT,
        Cancellation.NONE);
  }

  private static Layer painted(LayerType kind) {
    Mask face =
        new Mask.Nothing()
            .painted(
                Stroke.path(
                    List.of(new Point(600, 700), new Point(900, 1000)), 90, 0.8, 0.9, false));
    return switch (kind.fresh()) {
      case WhiteBalanceLayer l -> new WhiteBalanceLayer(l.attributes(), 5200, 6);
      case ExposureLayer l -> new ExposureLayer(l.attributes(), 0.4, 0.5);
      case HealLayer l -> l.withPatches(PORTRAIT.spots());
      case FrequencySeparationLayer l ->
          l.withRadius(9.0)
              .withTextureGain(0.8)
              .withEvening(0.7)
              .withBlotchGain(0.8)
              .withAreas(List.of(new FrequencySeparationLayer.LowBandArea(face, 20, 0.7)));
      case DodgeBurnLayer l -> l.withMasks(face, new Mask.Ellipse(700, 1300, 200, 120, 0, 0.8));
      case SkinToneEveningLayer l ->
          new SkinToneEveningLayer(
              l.attributes(),
              0.7,
              0.4,
              new SkinToneEveningLayer.Target(60, 30, 55),
              0.5,
              0.4,
              0.1,
              null,
              false);
      case CurveLayer l ->
          l.withLuminance(
              List.of(
                  new MonotoneCurve.Point(0, 0.02),
                  new MonotoneCurve.Point(0.4, 0.34),
                  new MonotoneCurve.Point(1, 1)));
      case NeutralPointsLayer l ->
          l.moved(NeutralPointsLayer.Tone.MIDTONE, new Point(1400, 300))
              .moved(NeutralPointsLayer.Tone.SHADOW, new Point(800, 420));
      case LevelsLayer l -> new LevelsLayer(l.attributes(), 0.03, 0.95, 0.6, -0.5);
      case LocalContrastLayer l -> new LocalContrastLayer(l.attributes(), 0.4, 0.3);
      case HueBandsLayer l ->
          l.with(HueBandsLayer.Family.ORANGE, new HueBandsLayer.Trim(10, -0.2, 4))
              .with(HueBandsLayer.Family.BLUE, new HueBandsLayer.Trim(-15, 0.3, -3));
      case ColourPaintLayer l -> l.with(l.attributes().withMask(face));
      case ColourBalanceLayer l ->
          new ColourBalanceLayer(
              l.attributes(), new Tint(260, 10), new Tint(60, 5), new Tint(80, 12), 0.5);
      case MonochromeLayer l -> l.with(HueBandsLayer.Family.ORANGE, 8);
      case SkinMatchLayer l ->
          new SkinMatchLayer(
              l.attributes().withMask(face),
              new Mask.Ellipse(1300, 400, 150, 150, 0, 0.2),
              0.8,
              0.5);
      case HueShiftLayer l -> new HueShiftLayer(l.attributes(), 50, 40, 20, 0.3, 4);
      case ShapeLayer l ->
          l.plus(
              new ShapeLayer.Nudge(
                  ShapeLayer.Hand.PUSH,
                  Stroke.path(
                      List.of(new Point(700, 1300), new Point(712, 1304)), 200, 0.5, 1, false)));
      case OverlayLayer l -> l.withBehind(true);
      case PaintLayer l ->
          l.plus(
              Stroke.path(List.of(new Point(600, 1200), new Point(760, 1240)), 6, 0.5, 0.8, false));
      case SharpenLayer l ->
          l.withBands(
              List.of(
                  new SharpenLayer.Band(2, 0.5),
                  new SharpenLayer.Band(9, 0.4, new Mask.RegionMask(SemanticRegion.HAIR))));
      default -> kind.fresh();
    };
  }

  @DataProvider
  public Object[][] kinds() {
    // A group by itself does nothing: GroupRenderingTest.
    return Arrays.stream(LayerType.values())
        .filter(kind -> kind != LayerType.GROUP)
        .map(kind -> new Object[] {kind})
        .toArray(Object[][]::new);
  }

  /** The preview at a coarser level is the reduced full-size result, for every kind of layer. */
  @Test(dataProvider = "kinds")
  public void aPreviewAgreesWithTheReducedResult(LayerType kind) {
    Layer layer = painted(kind);
    Renderer renderer = renderer();
    Picture full = render(renderer, renderer.size().area(), 0, layer);
    Picture preview = render(renderer, renderer.size().atLevel(1).area(), 1, layer);
    double[] difference = Pictures.deltaE(Pyramid.half(full), preview);
    assertThat(Pictures.mean(difference)).as("mean").isLessThan(0.5);
    assertThat(Pictures.quantile(difference, 0.99)).as("99 %").isLessThan(2);
    assertThat(Pictures.largest(full, photograph.level(0))).as("it acts").isGreaterThan(0.005);
  }

  /** A part rendered by itself is that part of the whole, for every kind of layer. */
  @Test(dataProvider = "kinds")
  public void aPartIsThatPartOfTheWhole(LayerType kind) {
    Layer layer = painted(kind);
    Area part = new Area(300, 350, 210, 160);
    Picture whole = render(renderer(), new Area(0, 0, 800, 1000), 1, layer);
    Picture alone = render(renderer(), part, 1, layer);
    assertThat(Pictures.largest(alone, whole.crop(part))).isLessThan(2e-3);
  }

  @Test(dataProvider = "kinds")
  public void atAmountZeroNothingIsChanged(LayerType kind) {
    Layer layer = painted(kind);
    Picture out =
        render(
            renderer(), new Area(0, 0, 400, 500), 2, layer.with(layer.attributes().withAmount(0)));
    assertThat(Pictures.largest(out, photograph.level(2))).isZero();
  }

  @Test
  public void theAmountScalesTheChange() {
    Layer full = painted(LayerType.CURVE);
    Area area = new Area(0, 0, 400, 500);
    Picture photo = photograph.level(2);
    Picture once = render(renderer(), area, 2, full);
    Picture twice = render(renderer(), area, 2, full.with(full.attributes().withAmount(2)));
    for (int i = 0; i < area.pixels(); i += 97) {
      float p = photo.first().values()[i];
      float expected = p + 2 * (once.first().values()[i] - p);
      assertThat(twice.first().values()[i]).isBetween(expected - 1e-5f, expected + 1e-5f);
    }
  }

  /** A second rendering and an undone edit are answered from what is kept. */
  @Test
  public void whatIsKeptIsNotRenderedAgain() {
    Renderer renderer = renderer();
    Area area = new Area(0, 0, 800, 1000);
    Layer curve = painted(LayerType.CURVE);
    Layer exposure = painted(LayerType.EXPOSURE);
    Picture first = render(renderer, area, 1, exposure, curve);
    render(renderer, area, 1, exposure, curve.with(curve.attributes().switched(false)));
    AtomicInteger asked = new AtomicInteger();
    Cancellation afterFirstLook = () -> asked.incrementAndGet() > 1;
    Picture again =
        renderer.render(
            new RenderInput(LayerStack.of(exposure, curve), regions),
            area,
            1,
            Readiness.EXACT,
            afterFirstLook);
    // Rendering any layer anew would have looked a second time and been cancelled.
    assertThat(Pictures.largest(first, again)).isZero();
  }

  @Test
  public void aDabRendersOnlyTheTilesItTouches() {
    TileCache cache = new TileCache(1L << 29);
    Renderer renderer = new Renderer(photograph, cache);
    Area area = new Area(0, 0, 800, 1000);
    DodgeBurnLayer layer = (DodgeBurnLayer) painted(LayerType.DODGE_BURN);
    Layer curve = painted(LayerType.CURVE);
    render(renderer, area, 1, layer, curve);
    long before = cache.bytes();
    Mask more = layer.dodgeMask().painted(Stroke.dab(200, 200, 30, 1));
    render(renderer, area, 1, layer.withMasks(more, layer.burnMask()), curve);
    long tile = 12L * TileGrid.SIZE * TileGrid.SIZE;
    // One tile of the dabbed layer and one of the layer above it.
    assertThat(cache.bytes() - before).isLessThanOrEqualTo(2 * tile);
  }

  @Test
  public void repairsFollowAChangeBelowThem() {
    HealLayer heal = (HealLayer) painted(LayerType.HEAL);
    Renderer renderer = renderer();
    Area area = renderer.size().atLevel(1).area();
    HealLayer settled =
        (HealLayer)
            renderer.resolved(
                new RenderInput(LayerStack.of(heal), regions),
                heal.attributes().id(),
                Cancellation.NONE);
    Layer darker = new ExposureLayer(LayerType.EXPOSURE.fresh().attributes(), -1, 0);
    Picture together = render(renderer, area, 1, darker, settled);
    Picture healedFirst = render(renderer, area, 1, settled);
    Picture thenDarker =
        new Renderer(new Pyramid(healedFirst), new TileCache(1L << 26))
            .render(
                new RenderInput(LayerStack.of(darker), Regions.none()),
                area,
                0,
                Readiness.EXACT,
                Cancellation.NONE);
    double[] difference = Pictures.deltaE(together, thenDarker);
    assertThat(Pictures.quantile(difference, 0.999)).isLessThan(1);
  }

  @Test
  public void photographsThatShareACacheKeepTheirOwnTiles() {
    TileCache cache = new TileCache(1L << 28);
    Renderer one = new Renderer(photograph, cache);
    Pyramid darker =
        new Pyramid(
            photograph
                .level(0)
                .map(
                    plane -> {
                      Plane half = plane.copy();
                      for (int i = 0; i < half.values().length; i++) {
                        half.values()[i] *= 0.5f;
                      }
                      return half;
                    }));
    Renderer other = new Renderer(darker, cache);
    Area area = new Area(0, 0, 400, 500);
    Layer layer = painted(LayerType.EXPOSURE);
    Picture first = render(one, area, 2, layer);
    Picture second = render(other, area, 2, layer);
    assertThat(Pictures.largest(first, second)).isGreaterThan(0.1);
    assertThat(
            Pictures.largest(
                second, render(new Renderer(darker, new TileCache(1)), area, 2, layer)))
        .isZero();
  }

  /** While the hand moves, what was found for the shorter stroke is not put into the longer one. */
  @Test
  public void aRepairThatGrewIsLookedAtAnew() {
    Renderer renderer = renderer();
    HealLayer heal = (HealLayer) LayerType.HEAL.fresh();
    Area part = new Area(0, 0, 400, 500);
    for (int points : new int[] {3, 12, 25}) {
      List<Point> path = new ArrayList<>();
      for (int i = 0; i < points; i++) {
        path.add(new Point(500 + 24 * i, 820 + 6 * i));
      }
      HealLayer now =
          heal.plus(new HealLayer.Patch(Stroke.path(path, 12, 0.5, 1, false), (Source) null));
      assertThat(
              renderer
                  .render(
                      new RenderInput(LayerStack.of(now), regions),
                      part,
                      2,
                      Readiness.QUICK,
                      Cancellation.NONE)
                  .area())
          .isEqualTo(part);
    }
  }

  @Test
  public void renderingStopsWhenItIsNoLongerWanted() {
    assertThatThrownBy(
            () ->
                renderer()
                    .render(
                        new RenderInput(LayerStack.of(painted(LayerType.CURVE)), regions),
                        new Area(0, 0, 800, 1000),
                        1,
                        Readiness.EXACT,
                        () -> true))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  public void theCacheKeepsToItsLimit() {
    long limit = 6L * 12 * TileGrid.SIZE * TileGrid.SIZE;
    TileCache cache = new TileCache(limit);
    render(new Renderer(photograph, cache), new Area(0, 0, 800, 1000), 1, painted(LayerType.CURVE));
    assertThat(cache.bytes()).isPositive().isLessThanOrEqualTo(limit);
  }

  @Test
  public void equalContentsHaveEqualFingerprintsAndOthersDoNot() {
    Layer one = painted(LayerType.DODGE_BURN);
    assertThat(Fingerprint.of(one))
        .isEqualTo(Fingerprint.of(one.with(one.attributes().named("other"))));
    assertThat(Fingerprint.of(one))
        .isNotEqualTo(Fingerprint.of(one.with(one.attributes().withAmount(0.5))));
    assertThat(Fingerprint.of(1, 2)).isNotEqualTo(Fingerprint.of(2, 1));
    assertThat(Fingerprint.of(List.of(1), 2)).isNotEqualTo(Fingerprint.of(List.of(1, 2)));
  }

  @Test
  public void tilesCoverTheLevelOnce() {
    TileGrid grid = new TileGrid(new Area(0, 0, 700, 300));
    int pixels = 0;
    for (TileGrid.Tile tile : grid.touching(grid.whole())) {
      pixels += grid.area(tile).pixels();
    }
    assertThat(pixels).isEqualTo(700 * 300);
    assertThat(grid.touching(new Area(255, 255, 2, 2))).hasSize(4);
  }

  /** Kernel calls are counted: undoing and switching back find every tile. */
  @Test
  public void undoComputesNoTileAgain() {
    Renderer renderer = renderer();
    Area area = new Area(0, 0, 800, 1000);
    DodgeBurnLayer layer = (DodgeBurnLayer) painted(LayerType.DODGE_BURN);
    Layer curve = painted(LayerType.CURVE);
    render(renderer, area, 1, layer, curve);
    Mask more = layer.dodgeMask().painted(Stroke.dab(900, 900, 60, 1));
    long before = renderer.computedTiles();
    render(renderer, area, 1, layer.withMasks(more, layer.burnMask()), curve);
    assertThat(renderer.computedTiles()).as("an edit is computed").isGreaterThan(before);
    long edited = renderer.computedTiles();
    render(renderer, area, 1, layer, curve);
    render(renderer, area, 1, layer.withMasks(more, layer.burnMask()), curve);
    assertThat(renderer.computedTiles()).as("undo and redo are found").isEqualTo(edited);
  }

  /**
   * A whole rendered in bands is the whole rendered in tiles, for every kind of layer, between two
   * that work on each pixel by itself and may share its bands.
   */
  @Test(dataProvider = "kinds")
  public void bandsAndTilesAgree(LayerType kind) {
    Layer light = painted(LayerType.EXPOSURE);
    Layer below = light.with(light.attributes().withMask(new Mask.Everything()));
    Layer[] layers = {below, painted(kind), painted(LayerType.CURVE)};
    Renderer renderer = renderer();
    Picture inBands =
        renderer.renderOnce(new RenderInput(LayerStack.of(layers), regions), 1, Cancellation.NONE);
    Picture inTiles = render(renderer, renderer.size().atLevel(1).area(), 1, layers);
    assertThat(Pictures.largest(inBands, inTiles)).isLessThan(2e-3);
  }
}
