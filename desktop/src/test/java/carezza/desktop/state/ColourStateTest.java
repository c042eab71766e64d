package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.desktop.demo.Demo;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Names;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.LevelsLayer;
import carezza.model.TeethLayer;
import carezza.project.Document;
import carezza.session.Session;

/** What is known of the colours that a layer works on, without a window. */
public class ColourStateTest {

  private Document portrait;
  private Session session;
  private AppState state;
  private ColourState colours;

  @BeforeClass
  public void portrait() throws Exception {
    portrait = Demo.understudy();
    session = new Session(portrait.photograph());
  }

  @BeforeMethod
  public void state() {
    state = AppState.with(TaskRunner.inPlace());
    colours = state.colours();
  }

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

  /** Kinds, and whether they are shown a plot, readings of their area, places that are neutral. */
  @DataProvider
  public Object[][] kinds() {
    return new Object[][] {
      {LayerType.SKIN_TONE_EVENING, true, true, false},
      {LayerType.HUE_SHIFT, true, true, false},
      {LayerType.HUE_BANDS, true, true, false},
      {LayerType.SATURATION, true, true, false},
      {LayerType.TEETH, false, true, false},
      {LayerType.SCLERA, false, true, false},
      {LayerType.IRIS, false, true, false},
      {LayerType.LIPS, false, true, false},
      {LayerType.WHITE_BALANCE, false, false, true},
      {LayerType.NEUTRAL_POINTS, false, false, true}
    };
  }

  @Test(dataProvider = "kinds")
  public void aKindIsToldWhatItHasUseFor(
      LayerType kind, boolean plot, boolean readings, boolean hints) {
    with(kind);
    ColourState.Found found = colours.found().orElseThrow();
    assertThat(found.plot() != null).as("plot").isEqualTo(plot);
    assertThat(found.readings() != null).as("readings").isEqualTo(readings);
    assertThat(!found.hints().isEmpty()).as("hints").isEqualTo(hints);
  }

  @Test
  public void othersAreToldNothing() {
    with(LayerType.VIGNETTE);
    assertThat(colours.found()).isEmpty();
  }

  @Test
  public void whatWasFoundForOneLayerIsNotAnothers() {
    with(LayerType.TEETH);
    assertThat(colours.found()).isPresent();
    state.selection().add(LayerType.CURVE);
    assertThat(colours.found()).isEmpty();
    state.selection().select("own");
    assertThat(colours.found()).isPresent();
  }

  @Test
  public void theEndsOfARangeAreFoundWithinWhatItAllows() {
    with(LayerType.LEVELS);
    LevelsLayer before = (LevelsLayer) own();
    colours.findEnds();
    LevelsLayer after = (LevelsLayer) own();
    assertThat(after).isNotEqualTo(before);
    assertThat(after.black()).isBetween(-0.2, 0.4);
    assertThat(after.white()).isBetween(0.5, 1.5);
    assertThat(after.shadows()).isEqualTo(before.shadows());
    state.document().undo();
    assertThat(own()).isEqualTo(before);
  }

  @Test
  public void aimsAreBroughtBackInOneStep() {
    with(LayerType.TEETH);
    int steps = state.document().steps();
    colours.reaim();
    assertThat(own()).isInstanceOf(TeethLayer.class);
    assertThat(state.document().steps()).isLessThanOrEqualTo(steps + 1);
    assertThat(state.status().messageProperty().get()).isNotBlank();
    assertThat(state.status().jobProperty().get()).as("no longer under way").isNull();
  }
}
