package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.FocusFalloffLayer;
import carezza.model.GlowLayer;
import carezza.model.GrainLayer;
import carezza.model.LayerAttributes;
import carezza.model.Mask;
import carezza.model.Stage;
import carezza.render.Pyramid;
import carezza.testing.Pictures;

/** Glow, focus falloff and grain against what light and chance do. */
public class FinishKernelsTest {

  private static final PictureSize SIZE = new PictureSize(256, 192);

  private static LayerAttributes attributes(Mask mask) {
    return LayerAttributes.of("x", Stage.FINISH, mask);
  }

  private static EvaluationContext at(int level) {
    return new EvaluationContext(SIZE, level, Regions.none());
  }

  private static Picture rendered(Effect effect, Picture input, Area out) {
    return effect.render(input, out);
  }

  private static double mean(Plane plane) {
    double sum = 0;
    for (float v : plane.values()) {
      sum += v;
    }
    return sum / plane.values().length;
  }

  // --- grain

  private static GrainLayer grain(double strength, double size, double tone, double colour) {
    return new GrainLayer(attributes(new Mask.Everything()), strength, size, tone, colour, 4);
  }

  private static Plane grained(double lightness, GrainLayer layer) {
    Picture grey =
        Lab.toWorking(
            new Picture(
                Plane.filled(SIZE.area(), (float) lightness),
                Plane.of(SIZE.area()),
                Plane.of(SIZE.area())));
    return Lab.of(rendered(new GrainKernel().effect(layer, null, at(0)), grey, SIZE.area()))
        .first();
  }

  private static double deviation(Plane plane) {
    double mean = mean(plane);
    double sum = 0;
    for (float v : plane.values()) {
      sum += (v - mean) * (v - mean);
    }
    return Math.sqrt(sum / plane.values().length);
  }

  @Test
  public void grainHasItsStrengthWhereItIsStrongestAndFallsOffFromThere() {
    assertThat(deviation(grained(50, grain(2, 0.8, 0, 0)))).isCloseTo(2, within(0.1));
    assertThat(deviation(grained(85, grain(2, 0.8, 1, 0)))).isCloseTo(2, within(0.1));
    assertThat(deviation(grained(15, grain(2, 0.8, 1, 0)))).isLessThan(0.4);
    assertThat(mean(grained(50, grain(2, 0.8, 0, 0)))).isCloseTo(50, within(0.1));
  }

  /** A part of the picture has the grains that the whole has there. */
  @Test
  public void partsHaveTheGrainsOfTheWhole() {
    Picture grey = Pictures.grey(SIZE.area(), 0.5);
    Effect effect = new GrainKernel().effect(grain(2, 1.5, 0, 0.5), null, at(0));
    Area part = new Area(37, 50, 60, 41);
    assertThat(
            Pictures.largest(
                effect.render(grey, part), effect.render(grey, SIZE.area()).crop(part)))
        .isLessThan(1e-5);
  }

  // --- levels

  @DataProvider
  public Object[][] effects() {
    return new Object[][] {
      {new GlowLayer(attributes(new Mask.Everything()), 12, 0.5, 40, 0.4, 0.5), 0.02},
      {new FocusFalloffLayer(attributes(new Mask.Everything()), 9), 0.02}
    };
  }

  /** A coarse level shows what full size has, made smaller. */
  @Test(dataProvider = "effects")
  public void aCoarseLevelAgreesWithTheReducedFullSize(carezza.model.Layer layer, double within) {
    Picture fine =
        new Picture(
            Pictures.plane(SIZE.area(), (x, y) -> 0.5 + 0.3 * Math.sin(x / 9.0)),
            Pictures.plane(SIZE.area(), (x, y) -> 0.45 + 0.3 * Math.cos(y / 11.0)),
            Pictures.plane(SIZE.area(), (x, y) -> 0.4 + 0.2 * Math.sin((x + y) / 13.0)));
    Picture full = effect(layer, 0).render(fine, SIZE.area());
    Picture coarse = effect(layer, 1).render(Pyramid.half(fine), SIZE.atLevel(1).area());
    assertThat(Pictures.largest(Pyramid.half(full), coarse)).isLessThan(within);
  }

  private static Effect effect(carezza.model.Layer layer, int level) {
    return LayerType.of(layer).kernel().effect(layer, null, at(level));
  }

  // --- glow

  @Test
  public void glowAddsLightAroundLightsAndNoneToTheDark() {
    Plane spot =
        Pictures.plane(SIZE.area(), (x, y) -> Math.hypot(x - 128, y - 96) < 12 ? 0.95 : 0.1);
    Picture picture = new Picture(spot, spot, spot);
    GlowLayer layer = new GlowLayer(attributes(new Mask.Everything()), 10, 0.8, 60, 0, 1);
    Picture glowing = effect(layer, 0).render(picture, SIZE.area());
    assertThat(glowing.first().at(128 + 20, 96)).isGreaterThan(0.12f);
    assertThat(glowing.first().at(4, 4)).isCloseTo(0.1f, within(1e-3f));
    assertThat(glowing.first().at(128, 96)).isBetween(0.95f, 1f);
    Picture dark = Pictures.grey(SIZE.area(), 0.2);
    assertThat(Pictures.largest(effect(layer, 0).render(dark, SIZE.area()), dark)).isLessThan(1e-5);
  }

  /** Softened in full without texture the picture is its blur: light is kept, detail is not. */
  @Test
  public void softeningKeepsLightAndWithTextureKeepsDetail() {
    Plane fine = Pictures.noise(SIZE.area(), 0.5, 0.1, 3);
    Picture picture = new Picture(fine, fine, fine);
    Picture bare = soft(picture, 0);
    Picture textured = soft(picture, 1);
    assertThat(mean(Transfer.toLinear(bare).first()))
        .isCloseTo(mean(Transfer.toLinear(picture).first()), within(1e-3));
    assertThat(deviation(bare.first())).isLessThan(0.1 * deviation(fine));
    assertThat(deviation(textured.first())).isGreaterThan(0.8 * deviation(fine));
  }

  private static Picture soft(Picture picture, double texture) {
    GlowLayer layer = new GlowLayer(attributes(new Mask.Everything()), 16, 0, 60, 1, texture);
    return effect(layer, 0).render(picture, SIZE.area());
  }

  // --- focus falloff

  private static final Mask RIGHT =
      new Mask.Polygon(
          java.util.List.of(
              new carezza.model.Point(128, -10),
              new carezza.model.Point(300, -10),
              new carezza.model.Point(300, 250),
              new carezza.model.Point(128, 250)),
          0);

  /** A red subject gives nothing to a grey backdrop, however wide the discs. */
  @Test
  public void whatStaysSharpDoesNotRunIntoWhatDoesNot() {
    Picture picture =
        new Picture(
            Pictures.plane(SIZE.area(), (x, y) -> x < 128 ? 0.9 : 0.4),
            Plane.filled(SIZE.area(), 0.4f),
            Plane.filled(SIZE.area(), 0.4f));
    for (double radius : new double[] {3, 12, 40}) {
      Picture blurred =
          effect(new FocusFalloffLayer(attributes(RIGHT), radius), 0)
              .render(picture, new Area(134, 20, 60, 60));
      assertThat(mean(blurred.first())).isCloseTo(0.4, within(2e-3));
      for (float v : blurred.first().values()) {
        assertThat(v).isCloseTo(0.4f, within(5e-3f));
      }
    }
  }

  /** A lamp becomes a disc of the light it had. */
  @Test
  public void aLampBecomesADiscAndLosesNoLight() {
    Plane lamp = Pictures.plane(SIZE.area(), (x, y) -> x == 200 && y == 96 ? 1 : 0);
    Picture blurred =
        effect(new FocusFalloffLayer(attributes(new Mask.Everything()), 4), 0)
            .render(new Picture(lamp, lamp, lamp), SIZE.area());
    Plane light = Transfer.toLinear(blurred).first();
    double sum = 0;
    for (float v : light.values()) {
      sum += v;
    }
    assertThat(sum).isCloseTo(1, within(0.02));
    assertThat(light.at(200, 96)).isCloseTo(light.at(202, 97), within(2e-3f));
    assertThat(light.at(206, 96)).isLessThan(1e-4f);
  }
}
