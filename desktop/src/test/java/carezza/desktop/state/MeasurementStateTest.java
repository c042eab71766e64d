package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Persons;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.FaceMap;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.RecordValue;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;

/** Whose gauges are looked at, where a second face is in the picture. */
@Test(groups = "beside")
public class MeasurementStateTest {

  private AppState state;
  private MeasurementState measurements;

  /** Two that are told apart by their skin alone, under one exposure. */
  @BeforeClass
  public void open() throws Exception {
    Picture halves = Picture.of(new Area(0, 0, 400, 300));
    double[][] skins = {{0.82, 0.62, 0.52}, {0.42, 0.28, 0.2}};
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < 400 * 300; i++) {
        halves.plane(c).values()[i] = (float) skins[i % 400 < 200 ? 0 : 1][c];
      }
    }
    byte[] file =
        PictureWriter.encode(
            halves,
            new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
            "two.png");
    Document started = ProjectFile.start(file, "two.png");
    LayerStack stack = LayerStack.of(RecordValue.with(LayerType.EXPOSURE.fresh(), "stops", 0.7));
    Project both = started.project().withStack(stack).withAllFaces(List.of(face(100), face(300)));
    state = AppState.with(TaskRunner.inPlace());
    measurements = state.measurements();
    state.document().open(started.with(both, null));
    state.document().beSeen(state.document().session());
  }

  private static FaceMap face(double x) {
    return new FaceMap(
        new FaceMap.FaceOval(x, 150, 60, 80, 0),
        new Point(x - 25, 125),
        new Point(x + 25, 125),
        new Point(x - 22, 190),
        new Point(x + 22, 190));
  }

  private List<Gauge> expected(int person) {
    Session here = state.document().session();
    Project project = state.document().project();
    return person == Persons.EVERYONE
        ? here.readings().gauges(project, Cancellation.NONE)
        : here.readings().gauges(project, person, Cancellation.NONE);
  }

  @Test
  public void onePersonIsLookedAtWhileEveryoneIsJudged() {
    List<Gauge> everyone = expected(Persons.EVERYONE);
    assertThat(measurements.personsProperty().get()).isEqualTo(everyone);
    measurements.personProperty().set(0);
    assertThat(measurements.personsProperty().get()).isEqualTo(expected(0)).isNotEqualTo(everyone);
    assertThat(measurements.gaugesProperty().get()).isEqualTo(everyone);
    measurements.personProperty().set(Persons.EVERYONE);
    assertThat(measurements.personsProperty().get()).isEqualTo(everyone);
  }

  @Test(dependsOnMethods = "onePersonIsLookedAtWhileEveryoneIsJudged")
  public void whoIsGoneIsLookedAtNoMore() {
    measurements.personProperty().set(1);
    assertThat(measurements.personsProperty().get()).isEqualTo(expected(1));
    state.document().edit(null, p -> p.withAllFaces(p.allFaces().subList(0, 1)));
    assertThat(measurements.personProperty().get()).isEqualTo(Persons.EVERYONE);
    assertThat(measurements.personsProperty().get()).isEqualTo(expected(Persons.EVERYONE));
  }
}
