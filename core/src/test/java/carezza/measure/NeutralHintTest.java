package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.face.FaceAnalysis;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.FaceMap.FaceOval;
import carezza.model.SemanticRegion;
import carezza.render.Pyramid;
import carezza.testing.Portrait;

/** Places that are likely to be neutral, against the masks of the truth. */
@Test(groups = "elsewhere")
public class NeutralHintTest {

  private static final int LEVEL = 1;

  @DataProvider
  public Object[][] portraits() {
    return Arrays.stream(Portrait.values()).map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  private static List<NeutralHint> hints(Picture photo, Portrait portrait) {
    Pyramid pyramid = new Pyramid(photo);
    Regions regions =
        Regions.find(
            pyramid.level(Regions.level(portrait.faces())),
            portrait.faces(),
            FaceAnalysis.shared().subject(photo));
    return NeutralHint.of(
        pyramid.level(LEVEL), new EvaluationContext(pyramid.size(), LEVEL, regions));
  }

  private static float at(Plane mask, NeutralHint hint) {
    return mask.values()[mask.index((int) hint.place().x(), (int) hint.place().y())];
  }

  private static boolean isInFace(NeutralHint hint, Portrait portrait) {
    FaceOval oval = portrait.faces().oval();
    return Math.hypot(
            (hint.place().x() - oval.x()) / oval.radiusX(),
            (hint.place().y() - oval.y()) / oval.radiusY())
        < 1;
  }

  @Test(dataProvider = "portraits")
  public void eachLiesOnWhatItNames(Portrait portrait) {
    List<NeutralHint> found = hints(portrait.picture("photo.jpg"), portrait);
    Plane subject = portrait.mask("subject.png");
    Plane sclera = portrait.mask("sclera.png");
    Set<SemanticRegion> named = EnumSet.noneOf(SemanticRegion.class);
    for (NeutralHint hint : found) {
      assertThat(named.add(hint.what())).as("once").isTrue();
      switch (hint.what()) {
        case BACKDROP -> assertThat(at(subject, hint)).as("backdrop").isLessThan(0.5f);
        case LEFT_SCLERA, RIGHT_SCLERA ->
            assertThat(at(sclera, hint)).as("eye").isGreaterThan(0.5f);
        case SUBJECT -> {
          assertThat(at(subject, hint)).as("cloth").isGreaterThan(0.5f);
          assertThat(isInFace(hint, portrait)).as("cloth").isFalse();
        }
        default -> assertThat(hint.what()).isEqualTo(SemanticRegion.TEETH);
      }
    }
    assertThat(named).contains(SemanticRegion.BACKDROP);
    assertThat(found)
        .isSortedAccordingTo(Comparator.comparingDouble(NeutralHint::likelihood).reversed())
        .allMatch(h -> h.likelihood() > 0 && h.likelihood() <= 1);
  }

  /** A coloured backdrop is a worse guess than a grey one. */
  @Test
  public void colourMakesAPlaceLessLikely() {
    Portrait portrait = Portrait.S06;
    Picture photo = portrait.picture("photo.jpg");
    Picture blue = photo.copy();
    float[] light = blue.third().values();
    for (int i = 0; i < light.length; i++) {
      light[i] *= 3;
    }
    assertThat(likelihood(blue, portrait)).isLessThan(likelihood(photo, portrait) / 2);
  }

  private static double likelihood(Picture photo, Portrait portrait) {
    return hints(photo, portrait).stream()
        .filter(h -> h.what() == SemanticRegion.BACKDROP)
        .mapToDouble(NeutralHint::likelihood)
        .findFirst()
        .orElse(0);
  }
}
