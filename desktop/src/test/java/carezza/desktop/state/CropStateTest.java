package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.state.CropState.Ratio;
import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.Crop;
import carezza.model.Point;

/** The frame of a photograph of 60 x 40 pixels, without a window. */
public class CropStateTest {

  private AppState state;
  private CropState crop;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    crop = state.crop();
    state.document().open(Documents.with(LayerType.EXPOSURE));
  }

  private Crop own() {
    return state.document().project().crop();
  }

  @Test
  public void withoutAFrameAllOfThePhotographIsDelivered() {
    assertThat(own()).isNull();
    assertThat(crop.frame().width()).isEqualTo(60);
    assertThat(crop.frame().height()).isEqualTo(40);
    assertThat(crop.beyond()).isFalse();
  }

  @Test
  public void aRatioCutsTheFrameAndTakesItInHand() {
    crop.ratio(1);
    assertThat(own().width() / own().height()).isCloseTo(1, within(1e-9));
    assertThat(state.tools().tool()).isEqualTo(ToolKind.FRAME);
    assertThat(crop.beyond()).isFalse();
    state.document().undo();
    assertThat(own()).isNull();
  }

  @Test
  public void everyRatioThatIsOfferedFitsInside() {
    for (Ratio ratio : CropState.RATIOS) {
      crop.drop();
      crop.ratio(ratio.value());
      if (ratio.value() > 0) {
        assertThat(crop.frame().width() / crop.frame().height())
            .as(ratio.name())
            .isCloseTo(ratio.value(), within(1e-6));
      }
      assertThat(crop.beyond()).as(ratio.name()).isFalse();
    }
  }

  @Test
  public void theRatioOfAFrameIsKnownAgainWhenItsDocumentIs() {
    crop.ratio(0.8);
    DocumentState.Work work = state.document().work();
    state.document().open(Documents.with(LayerType.CURVE));
    assertThat(crop.ratioProperty().get()).isZero();
    state.document().open(work);
    assertThat(crop.ratioProperty().get()).isEqualTo(0.8);
  }

  @Test
  public void aFrameGrowsBeyondThePhotographAndComesBackInside() {
    crop.grow(0.1);
    assertThat(crop.beyond()).isTrue();
    crop.inside();
    assertThat(crop.beyond()).isFalse();
  }

  @Test
  public void aFrameOfAllThePhotographIsNone() {
    crop.ratio(1);
    crop.drop();
    assertThat(own()).isNull();
  }

  @Test
  public void aSlopingLineIsLevelled() {
    Point one = new Point(10, 20);
    Point other = new Point(50, 24);
    double slope = Math.toDegrees(Math.atan2(4, 40));
    crop.level(one, other);
    assertThat(Math.abs(own().angle())).isCloseTo(slope, within(1e-6));
    assertThat(crop.beyond()).isFalse();
  }
}
