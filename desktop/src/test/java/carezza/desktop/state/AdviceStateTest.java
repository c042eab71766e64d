package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.demo.Demo;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Names;
import carezza.kernel.LayerType;
import carezza.measure.CheckView;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GrainLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.project.Document;
import carezza.session.Session;

/** What is advised for a layer of a portrait, without a window. */
public class AdviceStateTest {

  private Document portrait;
  private Session session;
  private AppState state;
  private AdviceState advice;

  @BeforeClass
  public void portrait() throws Exception {
    portrait = Demo.understudy();
    session = new Session(portrait.photograph());
  }

  @BeforeMethod
  public void state() {
    state = AppState.with(TaskRunner.inPlace());
    advice = state.advice();
  }

  /** The portrait with one fresh layer, in hand. */
  private void with(LayerType kind) {
    Layer fresh = Names.fresh(kind);
    Layer own = fresh.with(fresh.attributes().withId("own"));
    state
        .document()
        .open(portrait.with(portrait.project().withStack(LayerStack.of(own)), null), session);
    state.selection().select("own");
  }

  private Layer own() {
    return state.document().stack().find("own").orElseThrow();
  }

  @Test
  public void theRadiusOfASeparationIsMeasuredAndTaken() {
    with(LayerType.FREQUENCY_SEPARATION);
    state.selection().edit(null, l -> ((FrequencySeparationLayer) l).withRadius(3.0));
    advice.measureRadius("own");
    AdviceState.Radius found = advice.radiusProperty().get();
    assertThat(found.layer()).isEqualTo("own");
    double faceWidth = portrait.project().faceMap().orElseThrow().faceWidth();
    assertThat(found.advice().curve().advised()).isBetween(faceWidth / 400, faceWidth / 20);
    advice.takeRadius();
    assertThat(((FrequencySeparationLayer) own()).radius()).as("the advised one").isNull();
  }

  @Test
  public void aRadiusIsNotTakenByAnotherKind() {
    with(LayerType.CURVE);
    Layer before = own();
    advice.takeRadius();
    advice.take();
    assertThat(own()).isEqualTo(before);
  }

  @Test
  public void grainBecomesAsThePictures() {
    with(LayerType.GRAIN);
    GrainLayer before = (GrainLayer) own();
    advice.grainAsThisPicture();
    GrainLayer after = (GrainLayer) own();
    assertThat(after).isNotEqualTo(before);
    assertThat(after.strength()).isBetween(0.0, 20.0);
    assertThat(after.size()).isBetween(0.3, 20.0);
    assertThat(state.status().messageProperty().get()).isNotBlank();
  }

  @Test
  public void blotchesAreEvenedOnTheLayerItself() {
    with(LayerType.DODGE_BURN);
    advice.evenBlotches();
    DodgeBurnLayer found = (DodgeBurnLayer) own();
    assertThat(found.dodgeMask()).isNotInstanceOf(Mask.Nothing.class);
    assertThat(found.burnMask()).isNotInstanceOf(Mask.Nothing.class);
    assertThat(state.document().stack().size()).isEqualTo(1);
    state.document().undo();
    assertThat(((DodgeBurnLayer) own()).dodgeMask()).isInstanceOf(Mask.Nothing.class);
  }

  @Test
  public void underTheBrushNothingShowsBeforeItIsPainted() {
    with(LayerType.DODGE_BURN);
    advice.evenUnderBrush();
    assertThat(own().attributes().mask()).isInstanceOf(Mask.Nothing.class);
    assertThat(state.tools().tool()).isEqualTo(ToolKind.MASK);
  }

  @Test
  public void aSecondProposalStandsOnALayerOfItsOwn() {
    with(LayerType.DODGE_BURN);
    advice.evenBlotches();
    Layer first = own();
    advice.tameShine();
    assertThat(own()).isEqualTo(first);
    assertThat(state.document().stack().size()).isEqualTo(2);
    assertThat(state.selection().selected()).isNotEqualTo("own");
  }

  @Test
  public void whereFormIsKeptNothingIsGivenBack() {
    with(LayerType.DODGE_BURN);
    advice.restoreForm();
    assertThat(own()).isInstanceOf(DodgeBurnLayer.class);
    assertThat(state.document().stack().size()).isEqualTo(1);
  }

  @Test
  public void placesToLiftAndDeepenAreShownAndHidden() {
    with(LayerType.DODGE_BURN);
    advice.turnContours();
    assertThat(advice.contoursProperty().get()).isNotEmpty();
    assertThat(state.status().messageProperty().get()).isNotBlank();
    advice.turnContours();
    assertThat(advice.contoursProperty().get()).isEmpty();
  }

  @Test
  public void placesToLiftGoWithTheSelection() {
    with(LayerType.DODGE_BURN);
    advice.turnContours();
    state.selection().select(null);
    assertThat(advice.contoursProperty().get()).isEmpty();
    advice.turnContours();
    assertThat(advice.contoursProperty().get()).as("no layer to draw them for").isEmpty();
  }

  @Test
  public void withoutAFaceThereIsNothingToLift() {
    state.document().open(Documents.with(LayerType.DODGE_BURN));
    state.selection().select("a");
    advice.turnContours();
    assertThat(advice.contoursProperty().get()).isEmpty();
    assertThat(state.status().messageProperty().get()).isNotBlank();
  }

  @Test
  public void distractionsAreLookedForWhileThePictureIsSeenThatWay() {
    with(LayerType.CURVE);
    assertThat(advice.distractionsProperty().get()).isEmpty();
    state.view().checkProperty().set(CheckView.ATTENTION);
    var found = advice.distractionsProperty().get();
    assertThat(found)
        .isEqualTo(
            session
                .advice()
                .distractions(state.document().project(), carezza.image.Cancellation.NONE));
    state.view().checkProperty().set(null);
    assertThat(advice.distractionsProperty().get()).isEmpty();
  }

  @Test
  public void aPushIsAdvisedTakenAndForgottenWithTheNextEdit() {
    with(LayerType.VIGNETTE);
    advice.pushTest();
    AdviceState.Push push = advice.pushProperty().get();
    assertThat(push).isNotNull();
    push.found()
        .advised()
        .ifPresent(
            amount -> {
              advice.take();
              assertThat(own().attributes().amount()).isCloseTo(Math.min(2, amount), within(1e-9));
            });
    state.selection().edit(null, l -> l.with(l.attributes().withMask(new Mask.Nothing())));
    assertThat(advice.pushProperty().get()).isNull();
  }
}
