package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.UnaryOperator;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.job.JobLevel;
import carezza.kernel.LayerType;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.measure.Gauge.Verdict;
import carezza.model.ExposureLayer;
import carezza.model.LayerStack;
import carezza.model.SemanticRegion;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** Gauges on pictures whose readings are known beforehand, and on the portraits' twins. */
public class GaugesTest {

  private static final Portrait PORTRAIT = Portrait.S01;

  private Picture photo;
  private Regions regions;
  private EvaluationContext context;

  @BeforeClass
  public void open() {
    Picture full = PORTRAIT.picture("photo.jpg");
    regions = Regions.find(full, PORTRAIT.faces());
    Pyramid pyramid = new Pyramid(full);
    int level = Renderer.analysisLevel(PORTRAIT.faces().faceWidth());
    photo = pyramid.level(level);
    context = new EvaluationContext(pyramid.size(), level, regions);
  }

  private Gauge read(String id, Picture before, Picture after) {
    return find(id, Gauges.read(context, before, after, LayerStack.EMPTY, JobLevel.portrait()));
  }

  private static Gauge find(String id, List<Gauge> gauges) {
    return gauges.stream().filter(g -> g.id().equals(id)).findFirst().orElseThrow();
  }

  private static Picture lightness(Picture picture, UnaryOperator<Plane> edit) {
    Picture lab = Lab.of(picture);
    return Lab.toWorking(new Picture(edit.apply(lab.first()), lab.second(), lab.third()));
  }

  @DataProvider
  public Object[][] untouched() {
    return new Object[][] {{"textureKept", 100.0}, {"formKept", 1.0}};
  }

  @Test(dataProvider = "untouched")
  public void anUntouchedPictureKeepsAll(String id, double whole) {
    assertThat(read(id, photo, photo).after()).isCloseTo(whole, within(1e-3 * whole));
    assertThat(read(id, photo, photo).verdict()).isEqualTo(Verdict.INSIDE);
  }

  /** Detail scaled by √½ has half the variance. */
  @Test
  public void halfTheVarianceOfPoresReadsAsHalfTheTexture() {
    Picture softer =
        lightness(
            photo,
            l -> {
              Plane low = GaussianBlur.blur(l, 15);
              Plane out = l.copy();
              for (int i = 0; i < out.values().length; i++) {
                float v = low.values()[i];
                out.values()[i] = v + (l.values()[i] - v) * (float) Math.sqrt(0.5);
              }
              return out;
            });
    Gauge gauge = read("textureKept", photo, softer);
    assertThat(gauge.after()).isCloseTo(50, within(3.0));
    assertThat(gauge.verdict()).isEqualTo(Verdict.BELOW);
  }

  @Test
  public void blurReadsAsPlastic() {
    Picture blurred = photo.map(p -> GaussianBlur.blur(p, 5));
    assertThat(read("textureKept", photo, blurred).after()).isLessThan(20);
  }

  @Test
  public void lightPulledTogetherByATenthReadsAsFormOfNineTenths() {
    Picture flat =
        lightness(
            photo,
            l -> {
              Plane out = l.copy();
              for (int i = 0; i < out.values().length; i++) {
                out.values()[i] = 55 + 0.9f * (l.values()[i] - 55);
              }
              return out;
            });
    Gauge gauge = read("formKept", photo, flat);
    assertThat(gauge.after()).isCloseTo(0.9, within(0.002));
    assertThat(gauge.verdict()).isEqualTo(Verdict.BELOW);
  }

  @Test
  public void aLighterFaceIsDriftByItsLightness() {
    Picture lighter =
        lightness(
            photo,
            l -> {
              Plane out = l.copy();
              for (int i = 0; i < out.values().length; i++) {
                out.values()[i] += 4;
              }
              return out;
            });
    Gauge gauge = read("skinLightness", photo, lighter);
    assertThat(gauge.after() - gauge.before()).isCloseTo(4, within(0.02));
    assertThat(gauge.verdict()).isEqualTo(Verdict.ABOVE);
  }

  /** The evened twin is what evening is meant to reach: less redness, and still inside the band. */
  @Test
  public void theEvenedTwinHasLessRednessThanTheCleanedOne() {
    int level = context.level();
    Picture clean = new Pyramid(PORTRAIT.picture("clean.jpg")).level(level);
    Picture even = new Pyramid(PORTRAIT.picture("even.jpg")).level(level);
    Gauge redness = read("rednessBlotch", clean, even);
    assertThat(1 - redness.after() / redness.before()).isBetween(0.15, 0.45);
    Gauge neck = read("neckMatch", clean, even);
    assertThat(neck.after()).isLessThan(0.75 * neck.before());
  }

  @Test
  public void clippedSkinIsCounted() {
    Picture burnt = Transfer.toEncoded(Transfer.toLinear(photo).map(GaugesTest::fourTimes));
    assertThat(read("skinClipping", photo, burnt).verdict()).isEqualTo(Verdict.ABOVE);
    assertThat(read("skinClipping", photo, photo).verdict()).isEqualTo(Verdict.INSIDE);
  }

  private static Plane fourTimes(Plane plane) {
    Plane out = plane.copy();
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] *= 4;
    }
    return out;
  }

  /** Pérez and others 2016: the index of a tooth of L* 70, a* 2, b* 15. */
  @Test
  public void theWhitenessIndexIsThePublishedSum() {
    assertThat(Gauges.whiteness(new Lab(70, 2, 15)))
        .isCloseTo(0.511 * 70 - 2.324 * 2 - 1.100 * 15, within(1e-9));
  }

  @Test
  public void withoutAFaceMapNothingOfTheFaceIsMeasured() {
    EvaluationContext nobody =
        new EvaluationContext(context.photograph(), context.level(), Regions.none());
    List<Gauge> gauges = Gauges.read(nobody, photo, photo, LayerStack.EMPTY, JobLevel.portrait());
    assertThat(find("textureKept", gauges).verdict()).isEqualTo(Verdict.OPEN);
    assertThat(find("teethYellow", gauges).measured()).isFalse();
    assertThat(find("pictureClipping", gauges).measured()).isTrue();
  }

  /** A white balance or an exposure that is meant is no drift: before is after Settle. */
  @Test
  public void whatSettleDoesIsNoDrift() {
    Picture full = PORTRAIT.picture("photo.jpg");
    Renderer renderer = new Renderer(new Pyramid(full), new TileCache(1 << 28));
    ExposureLayer darker = new ExposureLayer(LayerType.EXPOSURE.fresh().attributes(), -0.7, 0);
    List<Gauge> gauges =
        new GaugeReader(renderer)
            .of(new RenderInput(LayerStack.of(darker), regions), Cancellation.NONE)
            .gauges();
    Gauge gauge = find("skinLightness", gauges);
    assertThat(gauge.after()).isEqualTo(gauge.before());
    assertThat(gauge.before()).isLessThan(read("skinLightness", photo, photo).before() - 5);
  }

  @Test
  public void blotchesAreFilteredInsideTheSkinOnly() {
    Area area = new Area(0, 0, 200, 200);
    Plane skin = Pictures.plane(area, (x, y) -> Math.hypot(x - 100, y - 100) < 70 ? 1 : 0);
    Plane calm = Pictures.plane(area, (x, y) -> Math.hypot(x - 100, y - 100) < 70 ? 0.3 : 5);
    assertThat(SkinGauges.blotch(calm, skin, 4, 20)).isLessThan(1e-4);
  }

  // --- sight

  @Test
  public void noiseIsReadAsItWasPutIn() {
    Plane noisy = Pictures.noise(new Area(0, 0, 300, 200), 50, 1.5, 7);
    assertThat(SightGauges.noise(noisy).all()).isCloseTo(1.5, within(0.05));
  }

  @Test
  public void noiseIsReadByTone() {
    Plane dark = Pictures.noise(new Area(0, 0, 200, 200), 20, 0.5, 3);
    Plane light = Pictures.noise(new Area(0, 0, 200, 200), 80, 2, 4);
    Plane both =
        Pictures.plane(
            new Area(0, 0, 400, 200),
            (x, y) -> x < 200 ? dark.at((int) x, (int) y) : light.at((int) x - 200, (int) y));
    SightGauges.Noise noise = SightGauges.noise(both);
    assertThat(noise.darks()).isCloseTo(0.5, within(0.03));
    assertThat(noise.lights()).isCloseTo(2, within(0.1));
    assertThat(noise.middles()).isNaN();
  }

  @Test
  public void glowIsWhatAPlaceHasOverTheLightsOfTheSkin() {
    Area area = new Area(0, 0, 100, 100);
    Plane lightness = Pictures.plane(area, (x, y) -> y < 50 ? 60 + x / 100 * 10 : x < 10 ? 74 : 50);
    Plane skin = Pictures.plane(area, (x, y) -> y < 50 ? 1 : 0);
    Plane place = Pictures.plane(area, (x, y) -> y >= 50 && x < 10 ? 0.5 : 0);
    assertThat(SightGauges.glow(lightness, place, skin)).isCloseTo(74 - 69.5, within(0.1));
    assertThat(SightGauges.glow(lightness, Plane.of(area), skin)).isNaN();
  }

  @Test
  public void eyesThatAreLitMuchGlowAtArmsLength() {
    Picture lit =
        lightness(
            photo,
            l -> {
              Plane out = l.copy();
              Plane sclera = regions.coverage(SemanticRegion.SCLERA, l.area(), context.level());
              for (int i = 0; i < out.values().length; i++) {
                out.values()[i] += 80 * sclera.values()[i];
              }
              return out;
            });
    assertThat(read("eyeGlow", photo, photo).verdict()).isEqualTo(Gauge.Verdict.INSIDE);
    assertThat(read("eyeGlow", photo, lit).verdict()).isEqualTo(Gauge.Verdict.ABOVE);
  }

  @Test
  public void slopesAreNoNoise() {
    Plane slope = Pictures.plane(new Area(0, 0, 60, 50), (x, y) -> 0.7 * x + 0.3 * y);
    assertThat(SightGauges.noise(slope).all()).isCloseTo(0, within(1e-4));
  }

  @Test
  public void aPlaceWithTwiceTheLightLeadsByAStop() {
    Area all = new Area(0, 0, 40, 30);
    Plane place = Pictures.plane(all, (x, y) -> x < 20 ? 1 : 0);
    Plane light = Pictures.plane(all, (x, y) -> x < 20 ? 0.4 : 0.2);
    assertThat(SightGauges.lead(light, place)).isCloseTo(1, within(1e-6));
  }

  @Test
  public void softenedEyesAreReadAsSofter() {
    Picture soft =
        lightness(
            photo,
            l -> {
              Plane blurred = GaussianBlur.blur(l, 3);
              Plane iris = regions.coverage(SemanticRegion.IRIS, l.area(), context.level());
              Plane sclera = regions.coverage(SemanticRegion.SCLERA, l.area(), context.level());
              for (int i = 0; i < l.values().length; i++) {
                float m = Math.max(iris.values()[i], sclera.values()[i]);
                blurred.values()[i] = l.values()[i] + m * (blurred.values()[i] - l.values()[i]);
              }
              return blurred;
            });
    Gauge focus = read("eyeFocus", photo, soft);
    assertThat(focus.after()).isLessThan(0.8 * focus.before());
  }
}
