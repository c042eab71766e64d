package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.testing.Portrait;

/** Projects that are no such, broken or meant to do harm: what is wrong is said in a sentence. */
public class BrokenProjectTest extends ProjectFiles {
  @DataProvider
  public Object[][] lengths() {
    return new Object[][] {{0.0}, {0.1}, {0.5}, {0.999}};
  }

  @Test(dataProvider = "lengths")
  public void aProjectCutShortIsSaidToBeDamaged(double share) throws Exception {
    byte[] whole = Files.readAllBytes(saved("long.carezza"));
    Path cut = folder.resolve("cut.carezza");
    Files.write(cut, Arrays.copyOf(whole, (int) (share * whole.length * 0.99)));
    Problem problem = problem(cut);
    assertThat(problem.kind()).isEqualTo(Kind.PROJECT_DAMAGED);
    assertThat(problem.getMessage()).contains("cut.carezza").endsWith(".");
  }

  @Test
  public void aNewerProjectIsRefusedByName() throws Exception {
    Path file = withJson("newer.carezza", j -> j.replace("\"version\" : 2", "\"version\" : 99"));
    assertThat(problem(file).kind()).isEqualTo(Kind.PROJECT_NEWER);
    assertThat(problem(file).getMessage()).contains("newer.carezza").contains("99");
  }

  @Test
  public void aLayerWithoutAKindIsNamedWithItsPlace() throws Exception {
    Path file = withJson("kind.carezza", j -> j.replace("\"kind\" : \"curve\",", ""));
    assertThat(problem(file).getMessage()).contains("stack[").contains("kind");
  }

  /** What a project does not hold is not unpacked, and a second photograph is none. */
  @Test
  public void aProjectThatSwellsIsRefused() throws Exception {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      zip.putNextEntry(new ZipEntry("junk.bin"));
      byte[] nothing = new byte[1 << 20];
      for (int i = 0; i < 300; i++) {
        zip.write(nothing);
      }
      zip.closeEntry();
      for (Map.Entry<String, byte[]> e : entries(saved("whole.carezza")).entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
      }
    }
    Path junk = Files.write(folder.resolve("junk.carezza"), bytes.toByteArray());
    assertThat(problem(junk).getMessage()).contains("junk.bin");
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("photograph/second.jpg", new byte[10]);
    assertThat(problem(packed("two.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void aFrameFarBeyondThePhotographIsRefused() throws Exception {
    Path file =
        withJson(
            "frame.carezza",
            j ->
                j.replaceFirst(
                    "\"title\"",
                    "\"frame\" : {\"x\":500,\"y\":500,\"width\":500000,\"height\":500000,\"angle\":0}, \"title\""));
    assertThat(problem(file).getMessage()).contains("frame");
  }

  @Test
  public void aValueOutOfRangeIsNamedWithItsRange() throws Exception {
    Path file =
        withJson("range.carezza", j -> j.replace("\"keepColour\" : 0.5", "\"keepColour\" : 7"));
    assertThat(problem(file).getMessage()).contains("keepColour").contains("7");
  }

  @Test
  public void aPhotographThatWasExchangedInsideIsNoticed() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("photograph/sitter.jpg", Portrait.S06.bytes("clean.jpg"));
    assertThat(problem(packed("other.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void aProjectWithoutItsPhotographIsDamaged() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.remove("photograph/sitter.jpg");
    assertThat(problem(packed("empty.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void strokesCutShortAreNoticed() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    byte[] strokes = entries.get("strokes.bin");
    entries.put("strokes.bin", Arrays.copyOf(strokes, strokes.length - 3));
    assertThat(problem(packed("strokes.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void aPictureNamedLikeAProjectIsNone() throws Exception {
    Path file = folder.resolve("picture.carezza");
    Files.write(file, Portrait.S06.bytes("photo.jpg"));
    assertThat(problem(file).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void namesThatPointOutOfTheArchiveTouchNoFile() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("../../outside.txt", new byte[] {1});
    assertThat(ProjectFile.open(packed("slip.carezza", entries)).project())
        .isEqualTo(document.project());
    assertThat(folder.getParent().getParent().resolve("outside.txt")).doesNotExist();
  }

  @Test
  public void anEntryThatUnpacksWithoutEndIsRefused() throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    entries.put("project.json", new byte[ProjectFile.LARGEST_TEXT + 1]);
    assertThat(problem(packed("bomb.carezza", entries)).kind()).isEqualTo(Kind.PROJECT_DAMAGED);
  }

  @Test
  public void spotsThatAreNoNumbersAreSaidSo() throws Exception {
    Path file = folder.resolve("spots.json");
    Files.writeString(file, "{\"spots\":[{\"x\":1,\"y\":2}]}");
    Problem problem = catchThrowableOfType(Problem.class, () -> SpotsFile.read(file));
    assertThat(problem.kind()).isEqualTo(Kind.SPOTS_INVALID);
    assertThat(problem.getMessage()).contains("radius");
  }
}
