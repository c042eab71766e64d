package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.desktop.demo.Demo;
import carezza.desktop.task.TaskRunner;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.FaceMap;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.project.Document;
import carezza.session.Session;

/** Whose gauges are looked at, where a second face is in the picture. */
@Test(groups = "beside")
public class MeasurementStateTest {

  private AppState state;
  private MeasurementState measurements;
  private Project both;

  @BeforeClass
  public void open() throws Exception {
    Document demo = Demo.understudy();
    Project alone = demo.project().withStack(LayerStack.of(LayerType.EXPOSURE.fresh()));
    FaceMap other = FaceMap.guess(demo.project().photograph().width() / 3, 500);
    both = alone.withAllFaces(List.of(alone.faceMap().orElseThrow(), other));
    state = AppState.with(TaskRunner.inPlace());
    measurements = state.measurements();
    state.document().open(demo.with(both, null));
    state.document().beSeen(state.document().session());
  }

  private List<Gauge> expected(int person) {
    Session here = state.document().session();
    Project project = state.document().project();
    return person == MeasurementState.EVERYONE
        ? here.readings().gauges(project, Cancellation.NONE)
        : here.readings().gauges(project, person, Cancellation.NONE);
  }

  @Test
  public void onePersonIsLookedAtWhileEveryoneIsJudged() {
    List<Gauge> everyone = expected(MeasurementState.EVERYONE);
    assertThat(measurements.personsProperty().get()).isEqualTo(everyone);
    measurements.personProperty().set(0);
    assertThat(measurements.personsProperty().get()).isEqualTo(expected(0)).isNotEqualTo(everyone);
    assertThat(measurements.gaugesProperty().get()).isEqualTo(everyone);
    measurements.personProperty().set(MeasurementState.EVERYONE);
    assertThat(measurements.personsProperty().get()).isEqualTo(everyone);
  }

  @Test(dependsOnMethods = "onePersonIsLookedAtWhileEveryoneIsJudged")
  public void whoIsGoneIsLookedAtNoMore() {
    measurements.personProperty().set(1);
    assertThat(measurements.personsProperty().get()).isEqualTo(expected(1));
    state.document().edit(null, p -> p.withAllFaces(p.allFaces().subList(0, 1)));
    assertThat(measurements.personProperty().get()).isEqualTo(MeasurementState.EVERYONE);
    assertThat(measurements.personsProperty().get()).isEqualTo(expected(MeasurementState.EVERYONE));
  }
}
