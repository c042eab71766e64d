package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.task.TaskRunner;

/** Numbers of a job that the retoucher changed. */
public class JobSettingsTest {

  private Settings settings;
  private AppState state;
  private PlanState plan;

  @BeforeMethod
  public void open() throws Exception {
    Path home = Files.createTempDirectory("carezza-jobs");
    settings = new Settings(home.resolve("settings"));
    state = AppState.with(TaskRunner.inPlace());
    plan = state.plan();
    plan.keepNumbersIn(new JobSettings(settings));
    state.document().open(Documents.with());
  }

  private Map<String, Double> limits() {
    return state.document().project().brief().limits();
  }

  @Test
  public void aChangedNumberBelongsToTheProjectAndToTheStudio() {
    plan.setLimit("textureKept.high", 130.0);

    assertThat(limits()).containsExactly(Map.entry("textureKept.high", 130.0));
    assertThat(new JobSettings(settings).get("portrait")).isEqualTo(limits());
    assertThat(state.document().undoableProperty().get()).isTrue();
  }

  @Test
  public void aJobThatIsChosenLaterComesWithTheRetouchersNumbers() {
    plan.setLimit("textureKept.high", 130.0);
    plan.chooseJob("event");
    assertThat(limits()).isEmpty();
    plan.chooseJob("portrait");
    assertThat(limits()).containsEntry("textureKept.high", 130.0);
  }

  @Test
  public void aNumberThatIsPutBackIsTheJobsOwn() {
    plan.setLimit("textureKept.high", 130.0);
    plan.setLimit("formKept.low", 0.9);
    plan.setLimit("textureKept.high", null);
    assertThat(limits()).containsOnlyKeys("formKept.low");
    plan.setLimit("formKept.low", 0.95);
    assertThat(limits()).isEmpty();
  }

  @Test
  public void allArePutBackAtOnce() {
    plan.setLimit("textureKept.high", 130.0);
    plan.setLimit("formKept.low", 0.9);
    plan.resetLimits();

    assertThat(limits()).isEmpty();
    assertThat(new JobSettings(settings).get("portrait")).isEmpty();
  }

  @Test
  public void whatSomebodyWroteIntoTheSettingsIsLeftOutWhereItIsNoNumber() {
    settings.set("job.beauty", "a.b=1.5;c.d=much;=3;e.f");

    assertThat(new JobSettings(settings).get("beauty")).containsExactly(Map.entry("a.b", 1.5));
  }
}
