package carezza.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Map;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.RecordValue;
import carezza.project.RoutineFile;
import carezza.routine.Routine;

public class RoutineCommandTest {

  private Path folder;
  private Path routine;
  private Path recipe;
  private Path photo;
  private Path broken;

  @BeforeClass
  public void prepare() throws Exception {
    folder = Files.createTempDirectory("carezza-routine-test");
    Area area = new Area(0, 0, 64, 48);
    byte[] png =
        PictureWriter.encode(
            new Picture(
                Plane.filled(area, 0.5f), Plane.filled(area, 0.4f), Plane.filled(area, 0.35f)),
            new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
            "x.png");
    photo = Files.write(folder.resolve("photo.png"), png);
    broken = Files.writeString(folder.resolve("broken.png"), "nothing");
    Layer lifted = RecordValue.with(LayerType.EXPOSURE.fresh(), "stops", 1.0);
    routine =
        Files.write(
            folder.resolve("up.carezza-routine"),
            RoutineFile.text(
                new Routine("Up", "", "portrait", LayerStack.of(lifted), Map.of(), 0.5, false)));
    recipe =
        Files.writeString(
            folder.resolve("one.carezza-recipe"),
            """
            {"version": 1, "name": "One", "outputs": [
              {"name": "png", "pattern": "{photograph}", "format": "png", "longEdge": 32}]}
            """);
  }

  @AfterClass(alwaysRun = true)
  public void tidy() throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private static CommandRun run(Object... arguments) {
    return CommandRun.of(arguments);
  }

  @Test
  public void aBatchIsDoneReportedAndResumed() throws Exception {
    Path out = folder.resolve("out");
    Path report = folder.resolve("report.json");
    CommandRun first =
        run("routine", routine, photo, "--out", out, "--recipe", recipe, "--report", report);
    assertThat(first.code()).as(first.err()).isZero();
    assertThat(PictureReader.read(out.resolve("photo.png")).size())
        .isEqualTo(new PictureSize(32, 24));
    JsonNode said = JsonMapper.shared().readTree(Files.readAllBytes(report));
    assertThat(said.get("routine").asString()).isEqualTo("Up");
    assertThat(said.get("entries").get(0).get("state").asString()).isEqualTo("done");
    // Without --resume what is there is refused; with it, it is done already.
    CommandRun again = run("routine", routine, photo, "--out", out, "--recipe", recipe);
    assertThat(again.code()).isEqualTo(1);
    assertThat(again.err()).contains("photo.png").doesNotContain("Exception");
    CommandRun resumed =
        run("routine", routine, photo, "--out", out, "--recipe", recipe, "--resume");
    assertThat(resumed.code()).isZero();
    assertThat(resumed.err()).contains("done earlier");
  }

  @Test
  public void oneBrokenFileFailsTheCommandAndNotTheOthers() {
    Path out = folder.resolve("mixed");
    CommandRun outcome =
        run("routine", routine, broken, photo, "--out", out, "--recipe", recipe, "--jobs", 2);
    assertThat(outcome.code()).isEqualTo(1);
    assertThat(outcome.err()).contains("broken.png").doesNotContain("Exception");
    assertThat(out.resolve("photo.png")).exists();
  }

  @Test
  public void aMistakeIsOneSentence() {
    Path out = folder.resolve("no");
    CommandRun shard = run("routine", routine, photo, "--out", out, "--shard", "5/4");
    assertThat(shard.code()).isEqualTo(2);
    assertThat(shard.err()).contains("--shard is to be I/N with I from 1 to N, not '5/4'");
    CommandRun jobs = run("routine", routine, photo, "--out", out, "--jobs", "0");
    assertThat(jobs.err()).contains("--jobs").contains("1 to 64");
    CommandRun unknown = run("routine", "no-such-routine", photo, "--out", out);
    assertThat(unknown.code()).isEqualTo(1);
    assertThat(unknown.err().strip().lines()).hasSize(1);
    CommandRun recipeFile = run("routine", routine, photo, "--out", out, "--recipe", routine);
    assertThat(recipeFile.err()).contains("up.carezza-routine does not hold a delivery recipe");
    assertThat(out).doesNotExist();
  }
}
