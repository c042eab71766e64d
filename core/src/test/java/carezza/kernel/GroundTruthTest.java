package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.mask.RepairCoverage;
import carezza.model.ExposureLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Source;
import carezza.model.LayerStack;
import carezza.model.SemanticRegion;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stroke;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.testing.AtWork;
import carezza.testing.Pictures;
import carezza.testing.Portrait;
import carezza.testing.Thorough;

/** Kernels on the made-up portraits, whose cleaned and evened twins are known. */
public class GroundTruthTest {

  @DataProvider
  public Object[][] portraits() {
    Portrait[] all = Portrait.values();
    Object[][] rows = new Object[all.length][];
    for (int i = 0; i < all.length; i++) {
      rows[i] = new Object[] {all[i]};
    }
    return rows;
  }

  private static Picture heal(Picture photo, List<Patch> spots) {
    HealLayer layer = ((HealLayer) LayerType.HEAL.fresh()).withPatches(spots);
    Renderer renderer = new Renderer(new Pyramid(photo), new TileCache(1 << 28));
    return renderer.renderOnce(
        new RenderInput(LayerStack.of(layer), Regions.none()), 0, Cancellation.NONE);
  }

  /** Where the truth says blemish and a spot was asked for. */
  private static boolean[] healed(Portrait portrait, List<Patch> spots) {
    Plane blemish = portrait.mask("blemish.png");
    Plane asked = Plane.of(blemish.area());
    spots.forEach(p -> RepairCoverage.apply(p.area(), asked, 1));
    boolean[] inside = new boolean[blemish.values().length];
    for (int i = 0; i < inside.length; i++) {
      inside[i] = blemish.values()[i] > 0.5f && asked.values()[i] > 0.02f;
    }
    return inside;
  }

  private static double meanDifference(Picture a, Picture b, boolean[] inside) {
    Picture la = Lab.of(a).map(p -> GaussianBlur.blur(p, 2));
    Picture lb = Lab.of(b).map(p -> GaussianBlur.blur(p, 2));
    double sum = 0;
    int n = 0;
    for (int i = 0; i < inside.length; i++) {
      if (inside[i]) {
        n++;
        sum +=
            DeltaE2000.between(
                la.first().values()[i],
                la.second().values()[i],
                la.third().values()[i],
                lb.first().values()[i],
                lb.second().values()[i],
                lb.third().values()[i]);
      }
    }
    return sum / n;
  }

  private static double detail(Picture picture, boolean[] inside) {
    Plane l = Lab.lightness(picture);
    Plane low = GaussianBlur.blur(l, 3);
    double sum = 0;
    double square = 0;
    int n = 0;
    for (int i = 0; i < inside.length; i++) {
      if (inside[i]) {
        double d = l.values()[i] - low.values()[i];
        sum += d;
        square += d * d;
        n++;
      }
    }
    return Math.sqrt(square / n - sum / n * sum / n);
  }

  /** The share of the difference that the best of OpenCV's ways leaves, as in docs/quality.md. */
  @DataProvider
  public Object[][] inpainted() {
    return new Object[][] {
      {Portrait.S01, 0.38},
      {Portrait.S02, 0.47},
      {Portrait.S03, 0.29},
      {Portrait.S04, 0.31},
      {Portrait.S05, 0.31},
      {Portrait.S06, 0.44}
    };
  }

  @Test(dataProvider = "inpainted")
  public void healedSpotsComeNearerTheCleanTwinThanInpaintingAndKeepTexture(
      Portrait portrait, double inpainting) {
    Picture photo = portrait.picture("photo.jpg");
    Picture clean = portrait.picture("clean.jpg");
    List<Patch> spots = portrait.spots();
    Picture result =
        AtWork.on(portrait).finished(0, ((HealLayer) LayerType.HEAL.fresh()).withPatches(spots));
    boolean[] inside = healed(portrait, spots);
    double ratio = meanDifference(result, clean, inside) / meanDifference(photo, clean, inside);
    assertThat(ratio).as("share of the difference left").isLessThan(inpainting);
    assertThat(detail(result, inside) / detail(clean, inside)).as("texture").isBetween(0.8, 1.25);
  }

  @Test
  public void healingChangesNothingOutsideItsPatches() {
    Picture photo = Portrait.S06.picture("photo.jpg");
    List<Patch> spots = Portrait.S06.spots();
    Picture result = heal(photo, spots);
    Plane asked = Plane.of(photo.area());
    spots.forEach(p -> RepairCoverage.apply(p.area(), asked, 1));
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < asked.values().length; i++) {
        if (asked.values()[i] == 0) {
          assertThat(result.plane(c).values()[i]).isEqualTo(photo.plane(c).values()[i]);
        }
      }
    }
  }

  /**
   * Repairs read the layer's input: one laid over another's source does not change what it took.
   */
  @Test
  public void repairsDoNotReadOneAnother() {
    Picture photo = Portrait.S06.picture("photo.jpg");
    Patch one = new Patch(Stroke.dab(600, 900, 15, 0.35), new Source(60, 0));
    Patch onItsSource = new Patch(Stroke.dab(660, 900, 15, 0.35), new Source(0, 80));
    Area inside = new Area(590, 890, 20, 20);
    Picture alone = heal(photo, List.of(one)).crop(inside);
    assertThat(Pictures.largest(alone, heal(photo, List.of(onItsSource, one)).crop(inside)))
        .isZero();
    assertThat(Pictures.largest(alone, heal(photo, List.of(one, onItsSource)).crop(inside)))
        .isZero();
  }

  @Test
  public void aSpotInTheCornerIsHealedWithoutFail() {
    Picture photo = Portrait.S03.picture("photo.jpg").crop(new Area(0, 0, 300, 300));
    Picture result = heal(photo, List.of(Patch.spot(2, 3, 15), Patch.spot(298, 299, 20)));
    assertThat(result.first().values()).doesNotContain(Float.NaN);
  }

  // --- advice

  @DataProvider
  public Object[][] advice() {
    return new Object[][] {
      {Portrait.S01, 9.3, 15.7},
      {Portrait.S02, 7.4, 25.8},
      {Portrait.S03, 5.2, 13.5},
      {Portrait.S04, 12.8, 20.9},
      {Portrait.S05, 5.6, 12.9},
      {Portrait.S06, 8.7, 17.4}
    };
  }

  private static SeparationRadiusAdvisor.Advice advise(Portrait portrait, int level) {
    Pyramid pyramid = new Pyramid(portrait.picture("photo.jpg"));
    Plane skin = portrait.mask("skin.png");
    Plane oval = ovalOf(portrait, skin.area());
    for (int i = 0; i < skin.values().length; i++) {
      skin.values()[i] *= oval.values()[i];
    }
    for (int i = 0; i < level; i++) {
      skin = Resampling.half(skin);
    }
    return SeparationRadiusAdvisor.advise(
        pyramid.level(level), skin, portrait.faces().faceWidth() / (1 << level));
  }

  private static Plane ovalOf(Portrait portrait, Area area) {
    var o = portrait.faces().oval();
    return Pictures.plane(
        area,
        (x, y) -> Math.hypot((x - o.x()) / o.radiusX(), (y - o.y()) / o.radiusY()) < 1 ? 1 : 0);
  }

  @Test(dataProvider = "advice")
  public void theAdvisedBandIsTheOneMeasuredBefore(Portrait portrait, double from, double to) {
    SeparationRadiusAdvisor.Advice advice = advise(portrait, 0);
    assertThat(advice.from()).isBetween(0.8 * from, 1.25 * from);
    assertThat(advice.to()).isBetween(0.8 * to, 1.25 * to);
  }

  @Test
  public void halfTheSizeAdvisesHalfTheRadius() {
    double full = advise(Portrait.S04, 0).advised();
    double half = advise(Portrait.S04, 1).advised();
    assertThat(half / full).isBetween(0.5 * 0.85, 0.5 * 1.15);
  }

  /** Exposure scales the light, not the pores. */
  @Test
  public void theAdviceDoesNotFollowExposure() {
    Picture photo = Portrait.S04.picture("photo.jpg");
    Regions regions = Regions.find(photo, Portrait.S04.faces());
    Plane skin = regions.coverage(SemanticRegion.FACE_SKIN, photo.area(), 0);
    double usual = advised(photo, skin);
    Picture darker =
        new Renderer(new Pyramid(photo), new TileCache(1 << 28))
            .renderOnce(
                new RenderInput(
                    LayerStack.of(
                        new ExposureLayer(LayerType.EXPOSURE.fresh().attributes(), -0.7, 0)),
                    regions),
                0,
                Cancellation.NONE);
    assertThat(advised(darker, skin) / usual).isBetween(0.9, 1.1);
  }

  /** A softer photograph has broader pores: what is left of them asks for a larger radius. */
  @Test
  public void aSofterPhotographAdvisesALargerRadius() {
    Picture photo = Portrait.S04.picture("photo.jpg");
    Plane skin =
        Regions.find(photo, Portrait.S04.faces())
            .coverage(SemanticRegion.FACE_SKIN, photo.area(), 0);
    double sharp = advised(photo, skin);
    double softer = advised(photo.map(p -> GaussianBlur.blur(p, 2)), skin);
    double softest = advised(photo.map(p -> GaussianBlur.blur(p, 4)), skin);
    assertThat(softer).isGreaterThan(1.03 * sharp);
    assertThat(softest).isGreaterThan(1.03 * softer);
  }

  private static double advised(Picture picture, Plane skin) {
    return SeparationRadiusAdvisor.advise(picture, skin, Portrait.S04.faces().faceWidth())
        .advised();
  }

  /**
   * Pores of wavelength w: a Gaussian leaves exp(−(2π σ / w)²) of their variance, which is 0.12 at
   * σ = w √(ln (1 / 0.12)) / 2π.
   */
  @Test
  public void poresOfAKnownWavelengthAdviseTheRadiusOfTheDefinition() {
    Area area = new Area(0, 0, 640, 640);
    double wave = 24;
    double wide = 220;
    Plane l =
        Pictures.plane(
            area,
            (x, y) ->
                65
                    + 2
                        * Math.sin(2 * Math.PI * (x + 0.5) / wave)
                        * Math.sin(2 * Math.PI * (y + 0.5) / wave));
    Plane a = Pictures.plane(area, (x, y) -> 15 + 2 * Math.sin(2 * Math.PI * x / wide));
    Plane b = Pictures.plane(area, (x, y) -> 18 + 2 * Math.sin(2 * Math.PI * y / wide));
    SeparationRadiusAdvisor.Advice advice =
        SeparationRadiusAdvisor.advise(
            Lab.toWorking(new Picture(l, a, b)), Plane.filled(area, 1), 640);
    // The product of two sines has √2 times their frequency.
    double expected = wave / Math.sqrt(2) * Math.sqrt(Math.log(1 / 0.12)) / (2 * Math.PI);
    assertThat(advice.from()).isBetween(0.95 * expected, 1.05 * expected);
  }

  // --- evening

  /** At its default, on the mean of all portraits and on the worst of them. */
  @Test
  public void automaticEveningComesNearTheEvenedTwins() {
    double sum = 0;
    Portrait[] portraits = Thorough.of(Portrait.values());
    for (Portrait portrait : portraits) {
      double left = shareLeft(portrait);
      assertThat(left).as(portrait.name()).isLessThanOrEqualTo(0.95);
      sum += left;
    }
    assertThat(sum / portraits.length).isLessThanOrEqualTo(0.62);
  }

  private static double shareLeft(Portrait portrait) {
    Picture clean = portrait.picture("clean.jpg");
    Picture even = portrait.picture("even.jpg");
    Regions regions = Regions.find(clean, portrait.faces());
    SkinToneEveningLayer layer = (SkinToneEveningLayer) LayerType.SKIN_TONE_EVENING.fresh();
    Renderer renderer = new Renderer(new Pyramid(clean), new TileCache(1 << 28));
    Picture result =
        renderer.renderOnce(new RenderInput(LayerStack.of(layer), regions), 0, Cancellation.NONE);
    Plane skin = regions.coverage(SemanticRegion.FACE_SKIN, clean.area(), 0);
    double sigma = portrait.faces().faceWidth() / 60;
    return lowDifference(result, even, skin, sigma) / lowDifference(clean, even, skin, sigma);
  }

  private static double lowDifference(Picture a, Picture b, Plane skin, double sigma) {
    Picture la = Lab.of(a).map(p -> GaussianBlur.blur(p, sigma));
    Picture lb = Lab.of(b).map(p -> GaussianBlur.blur(p, sigma));
    double sum = 0;
    int n = 0;
    for (int i = 0; i < skin.values().length; i += 7) {
      if (skin.values()[i] > 0.5f) {
        n++;
        sum +=
            DeltaE2000.between(
                la.first().values()[i],
                la.second().values()[i],
                la.third().values()[i],
                lb.first().values()[i],
                lb.second().values()[i],
                lb.third().values()[i]);
      }
    }
    return sum / n;
  }
}
