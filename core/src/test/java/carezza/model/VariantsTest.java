package carezza.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;

import org.testng.annotations.Test;

import carezza.kernel.LayerType;

public class VariantsTest {

  private static final Layer CURVE = LayerType.CURVE.fresh();
  private static final Layer MONO = LayerType.MONOCHROME.fresh();
  private static final Crop SQUARE = Crop.of(new carezza.image.PictureSize(100, 80)).ofRatio(1);
  private static final Project PLAIN =
      Project.begun("Cellist", new PhotoReference("a.jpg", "0".repeat(64), true, 100, 80))
          .withStack(LayerStack.of(CURVE));

  private static Project monoOfThree() {
    Project mono = PLAIN.doubled("Colour", "Mono");
    return mono.withStack(mono.stack().with(MONO)).doubled("Mono", "Square").withCrop(SQUARE);
  }

  @Test
  public void aSingleStackIsTheOnlyVariantUnderThePicturesName() {
    assertThat(PLAIN.allVariants()).containsExactly(new Variant("Cellist", null, PLAIN.stack()));
    assertThat(PLAIN.variants().names()).isEmpty();
    assertThatThrownBy(() -> PLAIN.withoutVariant(0)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void aDoubleGoesOnByItself() {
    Project project = monoOfThree();
    assertThat(project.variants().names()).containsExactly("Colour", "Mono", "Square");
    List<Variant> all = project.allVariants();
    assertThat(all.get(0).stack()).isEqualTo(PLAIN.stack());
    assertThat(all.get(1).stack().layers()).contains(MONO);
    assertThat(all.get(1).crop()).isNull();
    assertThat(all.get(2).crop()).isEqualTo(SQUARE);
  }

  /** Going to each and back changes nothing and keeps their order. */
  @Test
  public void variantsKeepTheirOrderAndContentWhicheverIsAtWork() {
    Project project = monoOfThree();
    for (int i : new int[] {0, 2, 1, 1, 0}) {
      Project there = project.atVariant(i);
      assertThat(there.allVariants()).isEqualTo(project.allVariants());
      assertThat(there.stack()).isEqualTo(project.allVariants().get(i).stack());
      assertThat(there.crop()).isEqualTo(project.allVariants().get(i).crop());
      project = there;
    }
  }

  @Test
  public void oneIsTakenOutWhereverItIs() {
    Project project = monoOfThree();
    for (int at = 0; at < 3; at++) {
      for (int out = 0; out < 3; out++) {
        Project left = project.atVariant(at).withoutVariant(out);
        List<String> names = new java.util.ArrayList<>(List.of("Colour", "Mono", "Square"));
        String atWork = names.get(at);
        names.remove(out);
        assertThat(left.variants().names()).containsExactlyElementsOf(names);
        if (at != out) {
          assertThat(left.variants().name()).isEqualTo(atWork);
        }
      }
    }
    Project last = project.withoutVariant(0).withoutVariant(0);
    assertThat(last.variants()).isEqualTo(Variants.NONE);
  }

  @Test
  public void namesTellVariantsApart() {
    Project project = monoOfThree();
    assertThatThrownBy(() -> project.variantNamed("Mono")).hasMessageContaining("Mono");
    assertThatThrownBy(() -> project.variantNamed(" ")).hasMessageContaining("no name");
    assertThat(project.variantNamed("Card").variants().names())
        .containsExactly("Colour", "Mono", "Card");
  }

  @Test
  public void whatDiffersIsListed() {
    Variant here = new Variant("a", null, LayerStack.of(CURVE));
    Layer softer = CURVE.with(CURVE.attributes().withAmount(0.4));
    Variant there = new Variant("b", SQUARE, LayerStack.of(softer, MONO));
    StackDifference difference = StackDifference.between(here, there);
    assertThat(difference.onlyHere()).isEmpty();
    assertThat(difference.onlyThere()).containsExactly(MONO);
    assertThat(difference.changed()).containsExactly(new StackDifference.Changed(CURVE, softer));
    assertThat(difference.frame()).isTrue();
    assertThat(difference.order()).isFalse();
    assertThat(StackDifference.between(there, there).isEmpty()).isTrue();
  }
}
