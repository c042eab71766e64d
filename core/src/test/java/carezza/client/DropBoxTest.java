package carezza.client;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.problem.Problem;
import carezza.set.Answer;
import carezza.set.Answer.Kind;

public class DropBoxTest {

  private Path folder;
  private DropBox box;

  @BeforeMethod
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("drop-box");
    box = new DropBox(folder.resolve("shared"));
  }

  private Path picture(String name) throws Problem {
    Path file = folder.resolve(name);
    PictureWriter.write(
        Picture.of(new Area(0, 0, 24, 16)),
        AtomicFile.replacing(file),
        new PictureWriter.Settings(PictureFormat.JPEG, 90, 8, OutputProfile.SRGB));
    return file;
  }

  private SimulatedClient client() {
    return new SimulatedClient(box, 3, List.of("closer", "warmer"), "cannot be opened");
  }

  @Test
  public void aFileIsSentReceivedAndAnswered() throws Problem {
    box.send(List.of(picture("a.jpg")), "cellist.jpg");
    assertThat(box.answers()).containsExactly(new Answer("a.jpg", "cellist.jpg", Kind.SENT, ""));
    assertThat(client().answer()).isEqualTo(1);
    Answer answer = box.answers().getFirst();
    assertThat(answer.photograph()).isEqualTo("cellist.jpg");
    assertThat(answer.kind()).isIn(Kind.APPROVED, Kind.CHANGE);
    assertThat(box.received().resolve("a.jpg")).exists();
    assertThat(client().answer()).isZero();
  }

  /** Of many files some are approved and some are not, and always the same ones. */
  @Test
  public void theSimulatedClientSaysTheSameToTheSameNames() throws Problem {
    List<Path> files = new ArrayList<>();
    for (int i = 0; i < 24; i++) {
      files.add(picture("p" + i + ".jpg"));
    }
    box.send(files, "x.jpg");
    client().answer();
    List<Answer> first = box.answers();
    assertThat(first.stream().map(Answer::kind).collect(Collectors.toSet()))
        .containsExactlyInAnyOrder(Kind.APPROVED, Kind.CHANGE);
    assertThat(first)
        .filteredOn(a -> a.kind() == Kind.CHANGE)
        .allMatch(a -> List.of("closer", "warmer").contains(a.words()))
        .hasSizeBetween(2, 12);
    box.send(files, "x.jpg");
    assertThat(box.answers()).allMatch(a -> a.kind() == Kind.SENT);
    client().answer();
    assertThat(box.answers()).isEqualTo(first);
  }

  @Test
  public void whatIsNoPictureComesBack() throws Exception {
    Path file = Files.writeString(folder.resolve("b.jpg"), "no picture");
    box.send(List.of(file), "b");
    client().answer();
    assertThat(box.answers())
        .containsExactly(new Answer("b.jpg", "b", Kind.CHANGE, "cannot be opened"));
  }

  @Test
  public void anAnswerThatIsNoneIsSaid() throws Exception {
    box.send(List.of(picture("a.jpg")), "a");
    Files.writeString(box.folder().resolve("answers/a.jpg.json"), "{\"answer\": \"perhaps\"}");
    assertThatThrownBy(box::answers)
        .isInstanceOf(Problem.class)
        .hasMessageContaining("a.jpg.json")
        .hasMessageContaining("perhaps");
    Files.writeString(box.folder().resolve("answers/a.jpg.json"), "<html>");
    assertThatThrownBy(box::answers).isInstanceOf(Problem.class).hasMessageContaining("<html>");
  }
}
