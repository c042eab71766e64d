package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;

import org.testng.annotations.Test;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata.Carried;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.recipe.Delivery;
import carezza.session.Session;
import carezza.testing.Pictures;
import carezza.testing.Thorough;

/** Project files: what is saved is opened again. */
public class ProjectFileTest extends ProjectFiles {
  @Test
  public void whatIsSavedIsOpenedAgainInEveryDetail() throws Problem {
    Document again = ProjectFile.open(saved("detail.carezza"));
    assertThat(again.project()).isEqualTo(document.project());
    assertThat(again.file()).isEqualTo(document.file());
  }

  @Test
  public void aReopenedProjectRendersTheSamePicture() throws Problem {
    Delivery small =
        new Delivery(0, 90, 8, 2, OutputColour.of(OutputProfile.SRGB), Carried.NOTHING, false);
    Document again = ProjectFile.open(saved("same.carezza"));
    var before =
        new Session(document.photograph())
            .exports()
            .picture(rendered(document.project()), small, Cancellation.NONE);
    var after =
        new Session(again.photograph())
            .exports()
            .picture(rendered(again.project()), small, Cancellation.NONE);
    assertThat(Pictures.largest(before, after)).isZero();
  }

  /** The project, or what lies lowest in it: all kinds of layer together take long. */
  private static Project rendered(Project project) {
    return Thorough.ASKED ? project : project.withStack(project.stack().lowest(8));
  }

  @Test
  public void theFileHoldsWhatTheFormatPromises() throws Exception {
    Map<String, byte[]> entries = entries(saved("promise.carezza"));
    assertThat(entries.keySet())
        .containsExactlyInAnyOrder(
            "project.json", "strokes.bin", "preview.jpg", "photograph/sitter.jpg");
    assertThat(entries.get("preview.jpg")).isEqualTo(PREVIEW);
  }

  @Test
  public void aWrittenStackFileIsReadBack() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.writeStack(document.project(), out);
    ProjectFile.StackFile again = ProjectFile.readStack(out.toByteArray(), "stack.json");
    assertThat(again.stack()).isEqualTo(document.project().stack());
    assertThat(again.faces()).isEqualTo(document.project().faces());
  }

  @Test
  public void groupsAndWhatLayersChangedComeBack() throws Exception {
    LayerStack stack =
        LayerStack.of(
            LayerType.CURVE
                .fresh()
                .with(
                    LayerAttributes.of("one", Stage.GRADE, new Mask.Everything())
                        .withId("one")
                        .inGroup("g")),
            LayerType.CURVE
                .fresh()
                .with(
                    LayerAttributes.of("two", Stage.GRADE, new Mask.ChangeMask("one", 3))
                        .inGroup("g")),
            LayerType.GROUP
                .fresh()
                .with(
                    LayerAttributes.of("both", Stage.GRADE, new Mask.Everything())
                        .withId("g")
                        .withAmount(0.5)));
    Path file = folder.resolve("groups.carezza");
    ProjectFile.save(
        document.with(document.project().withStack(stack), null),
        AtomicFile.replacing(file),
        PREVIEW);
    assertThat(ProjectFile.open(file).project().stack()).isEqualTo(stack);
  }

  /**
   * The project was made of it in another run, perhaps on another day; its name is known to nobody
   * any more.
   */
  @Test
  public void thePhotographOfAProjectIsKeptWhereverItLies() throws Exception {
    Path file = saved("kept-inside.carezza");
    Path original = Files.write(folder.resolve("elsewhere.jpg"), document.file());
    ProjectFile.open(file);
    assertThatThrownBy(() -> AtomicFile.replacing(original).write(out -> out.write(1)))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.kind()).isEqualTo(Kind.FILE_IS_ORIGINAL));
    assertThat(Files.readAllBytes(original)).isEqualTo(document.file());
    Files.delete(original);
  }

  @Test
  public void theEmbeddedPhotographIsTheFileByteForByte() throws Exception {
    byte[] inside = entries(saved("bytes.carezza")).get("photograph/sitter.jpg");
    assertThat(inside).isEqualTo(Files.readAllBytes(folder.resolve("sitter.jpg")));
    assertThat(PictureReader.decode(inside, "sitter.jpg").size())
        .isEqualTo(document.photograph().size());
    assertThat(new ByteArrayInputStream(inside).read()).isEqualTo(0xff);
  }

  // --- linked photographs, and folders that do not take a file

  @Test
  public void aLinkedPhotographIsFoundFromWhereverTheProjectLies() throws Exception {
    Path photos = Files.createDirectories(folder.resolve("photos"));
    Path photo = photos.resolve("linked.jpg");
    Files.write(photo, document.file());
    Document linked = document.linkedTo(photo.toAbsolutePath().normalize());
    for (String place : new String[] {"one.carezza", "deep/er/two.carezza"}) {
      Path file = folder.resolve(place);
      Files.createDirectories(file.getParent());
      ProjectFile.save(linked, AtomicFile.replacing(file), new byte[0]);
      assertThat(Files.size(file)).isLessThan(document.file().length / 4);
      Document again = ProjectFile.open(file);
      assertThat(again.project()).isEqualTo(linked.project());
      assertThat(again.source()).isEqualTo(linked.source());
    }
    Files.write(photo, new byte[] {1, 2, 3});
    assertThatThrownBy(() -> ProjectFile.open(folder.resolve("one.carezza")))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("linked.jpg");
    Files.delete(photo);
    assertThatThrownBy(() -> ProjectFile.open(folder.resolve("one.carezza")))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("linked.jpg");
    Files.delete(folder.resolve("one.carezza"));
    Files.delete(folder.resolve("deep/er/two.carezza"));
    Files.delete(folder.resolve("deep/er"));
    Files.delete(folder.resolve("deep"));
    Files.delete(photos);
  }

  @Test
  public void aFullDiskLeavesTheOldFileAndSaysSo() throws Exception {
    Path file = saved("full.carezza");
    byte[] before = Files.readAllBytes(file);
    assertThatThrownBy(
            () ->
                AtomicFile.replacing(file)
                    .write(
                        out -> {
                          out.write(new byte[100_000]);
                          throw new IOException("No space left on device");
                        }))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("full.carezza")
        .hasMessageContaining("No space left on device");
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
    try (var files = Files.list(folder)) {
      assertThat(files.map(p -> p.getFileName().toString())).noneMatch(n -> n.endsWith("-part"));
    }
  }

  @Test
  public void aPlaceThatTakesNoFileIsNamed() throws Exception {
    Path blocked = Files.write(folder.resolve("no-folder"), new byte[1]).resolve("x.carezza");
    assertThatThrownBy(() -> ProjectFile.save(document, AtomicFile.replacing(blocked), new byte[0]))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("x.carezza")
        .hasMessageEndingWith(".");
    Files.delete(folder.resolve("no-folder"));
  }
}
