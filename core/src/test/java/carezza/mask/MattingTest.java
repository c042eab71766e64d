package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.colour.Transfer;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/** A dark, uneven subject on the left, its edge a known ramp, with strands beside it. */
public class MattingTest {

  private static final Area AREA = new Area(0, 0, 322, 201);
  private static final float[] SUBJECT = {0.3f, 0.24f, 0.2f};
  private static final float[] BACKDROP = {0.6f, 0.62f, 0.65f};
  private static final int EDGE = 150;
  private static final int RAMP = 12;
  private static final int STRAND = 172;

  private Plane truth;

  /** As a coarse network sees it: too soft, and eight pixels off. */
  private Plane prior;

  @BeforeClass
  public void made() {
    truth = Plane.of(AREA);
    Plane step = Plane.of(AREA);
    for (int y = 0; y < AREA.height(); y++) {
      for (int x = 0; x < AREA.width(); x++) {
        float ramp = Math.clamp((EDGE + RAMP - x - 0.5f) / RAMP, 0f, 1f);
        truth.values()[truth.index(x, y)] = x == STRAND && y > 60 ? 0.7f : ramp;
        step.values()[step.index(x, y)] = x < EDGE + 14 ? 1 : 0;
      }
    }
    prior = GaussianBlur.blur(step, 6);
  }

  private Picture mixed(float[] subject, float[] backdrop) {
    Random random = new Random(4);
    Picture out = Picture.of(AREA);
    for (int i = 0; i < truth.values().length; i++) {
      float uneven = (float) (0.03 * random.nextGaussian());
      for (int c = 0; c < 3; c++) {
        float in = Transfer.toLinear(subject[c] + uneven);
        float behind = Transfer.toLinear((float) (backdrop[c] + 0.008 * random.nextGaussian()));
        float t = truth.values()[i];
        out.plane(c).values()[i] = Transfer.toEncoded(t * in + (1 - t) * behind);
      }
    }
    return out;
  }

  private Plane found(float[] subject, float[] backdrop) {
    return new Matting(mixed(subject, backdrop), prior, 32, 2).alpha();
  }

  @Test
  public void theEdgeIsWhereTheColoursSay() {
    Plane alpha = found(SUBJECT, BACKDROP);
    double off = 0;
    int n = 0;
    for (int y = 4; y < AREA.height() - 4; y++) {
      for (int x = 100; x < 165; x++) {
        off += Math.abs(alpha.at(x, y) - truth.at(x, y));
        n++;
      }
      assertThat(alpha.at(120, y)).isGreaterThan(0.98f);
      assertThat(alpha.at(190, y)).isLessThan(0.02f);
    }
    assertThat(off / n).isLessThan(0.02);
    double before = Math.abs(prior.at(EDGE + RAMP, 100) - truth.at(EDGE + RAMP, 100));
    assertThat(before).as("the prior is wrong there").isGreaterThan(0.4);
  }

  @Test
  public void aStrandOverTheBackdropIsKept() {
    Plane alpha = found(SUBJECT, BACKDROP);
    double along = 0;
    double beside = 0;
    for (int y = 80; y < 180; y++) {
      along += alpha.at(STRAND, y) / 100;
      beside += alpha.at(STRAND + 4, y) / 100;
    }
    // Half of it, once it is as soft as a lens draws it.
    assertThat(along).isBetween(0.35, 0.7);
    assertThat(beside).isLessThan(0.02);
    assertThat(alpha.at(STRAND, 40)).isLessThan(0.02f);
  }

  @Test
  public void whereBothHaveOneColourWhatIsKnownBeforehandStands() {
    Plane alpha = found(BACKDROP, BACKDROP);
    for (int x : new int[] {140, 180}) {
      double mean = 0;
      for (int y = 20; y < 180; y++) {
        mean += alpha.at(x, y) / 160;
      }
      assertThat(mean).isCloseTo(prior.at(x, 100) > 0.5 ? 1 : 0, within(0.1));
    }
  }

  @Test
  public void moreNoiseMakesNoHoles() {
    Picture noisy = mixed(SUBJECT, BACKDROP);
    Random random = new Random(8);
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < noisy.plane(c).values().length; i++) {
        noisy.plane(c).values()[i] += (float) (8 / 255.0 * random.nextGaussian());
      }
    }
    Plane alpha = new Matting(noisy, prior, 32, 2).alpha();
    for (int y = 0; y < AREA.height(); y++) {
      for (int x = 0; x < 140; x++) {
        assertThat(alpha.at(x, y)).isGreaterThan(0.9f);
      }
    }
  }
}
