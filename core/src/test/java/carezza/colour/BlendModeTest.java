package carezza.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Blend modes against the formulas of W3C Compositing and Blending Level 1. */
public class BlendModeTest {

  private static float[] over(BlendMode mode, float[] back, float... source) {
    float[] colour = source.clone();
    mode.over(back[0], back[1], back[2], colour);
    return colour;
  }

  @DataProvider
  public Object[][] channels() {
    return new Object[][] {
      {BlendMode.NORMAL, 0.3, 0.6, 0.6},
      {BlendMode.MULTIPLY, 0.5, 0.4, 0.2},
      {BlendMode.SCREEN, 0.5, 0.4, 0.7},
      {BlendMode.DARKEN, 0.5, 0.4, 0.4},
      {BlendMode.LIGHTEN, 0.5, 0.4, 0.5},
      {BlendMode.OVERLAY, 0.25, 0.4, 0.2},
      {BlendMode.HARD_LIGHT, 0.25, 0.8, 0.7},
      {BlendMode.SOFT_LIGHT, 0.64, 0.75, 0.72},
      {BlendMode.LINEAR_LIGHT, 0.5, 0.6, 0.7}
    };
  }

  @Test(dataProvider = "channels")
  public void aChannelIsBlendedByItsFormula(BlendMode mode, double back, double source, double is) {
    float b = (float) back;
    float[] out = over(mode, new float[] {b, b, b}, (float) source, 0.5f, (float) source);
    assertThat((double) out[0]).isCloseTo(is, within(1e-6));
    assertThat(out[2]).isEqualTo(out[0]);
  }

  private static double luminosity(float[] c) {
    return WorkingSpace.luminance(c[0], c[1], c[2]);
  }

  @Test
  public void colourKeepsTheLuminosityBelow() {
    float[] back = {0.3f, 0.4f, 0.35f};
    float[] out = over(BlendMode.COLOUR, back, 0.8f, 0.2f, 0.1f);
    assertThat(luminosity(out)).isCloseTo(luminosity(back), within(1e-5));
    assertThat(out[0]).isGreaterThan(out[1]);
  }

  @Test
  public void luminosityKeepsTheColourBelow() {
    float[] back = {0.5f, 0.4f, 0.35f};
    float[] source = {0.6f, 0.6f, 0.6f};
    float[] out = over(BlendMode.LUMINOSITY, back, source);
    assertThat(luminosity(out)).isCloseTo(luminosity(source), within(1e-5));
    assertThat((double) out[0] - out[1]).isCloseTo(back[0] - back[1], within(1e-5));
  }

  @Test
  public void whatLeavesTheRangeIsClippedAboutItsLuminosity() {
    float[] back = {0.95f, 0.95f, 0.95f};
    float[] out = over(BlendMode.COLOUR, back, 1, 0, 0);
    assertThat(luminosity(out)).isCloseTo(0.95, within(1e-5));
    for (float v : out) {
      assertThat(v).isBetween(-1e-5f, 1 + 1e-5f);
    }
  }
}
