package carezza.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.project.RecipeFile;
import carezza.set.Figures;
import carezza.set.Member;
import carezza.set.Member.State;
import carezza.set.PictureSet;
import carezza.testing.Pictures;

public class SetFolderTest {

  private Path place;
  private SetFolder folder;

  @BeforeMethod
  public void folder() throws Exception {
    place = Files.createTempDirectory("carezza-set-test").resolve("Autumn");
    Files.createDirectory(place);
    folder = new SetFolder(place);
    for (int i = 0; i < 3; i++) {
      Files.write(
          place.resolve("p" + i + ".png"),
          PictureWriter.encode(
              Pictures.skin(new Area(0, 0, 64, 48), i),
              new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
              "x.png"));
    }
    Files.writeString(place.resolve("list.txt"), "no picture");
  }

  @AfterMethod(alwaysRun = true)
  public void tidy() throws IOException {
    try (Stream<Path> files = Files.walk(place.getParent())) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  @Test
  public void aFolderBecomesASetAndIsKept() throws Exception {
    PictureSet set = folder.open().set();
    assertThat(set.name()).isEqualTo("Autumn");
    assertThat(set.members()).extracting(Member::title).containsExactly("p0", "p1", "p2");
    PictureSet changed =
        set.moved("p2.png", 0)
            .edit("p1.png", m -> m.in(State.FINISHED).taking(7.5).noted("warm"))
            .comparedWith("p0.png");
    folder.keep(changed);
    assertThat(folder.open().set()).isEqualTo(changed);
    assertThat(SetFolder.of(folder.file())).contains(place);
    assertThat(SetFolder.of(place.resolve("p0.png"))).isEmpty();
  }

  @Test
  public void projectsBelongToTheirPhotographs() throws Exception {
    Files.writeString(place.resolve("p1.carezza"), "x");
    Files.writeString(place.resolve("alone.carezza"), "x");
    PictureSet set = folder.open().set();
    assertThat(set.find("p1.png").orElseThrow())
        .extracting(Member::project, Member::state, Member::file)
        .containsExactly("p1.carezza", State.IN_WORK, "p1.carezza");
    assertThat(set.find("alone.carezza")).isPresent();
    assertThat(set.members()).hasSize(4);
    Files.delete(place.resolve("p1.carezza"));
    assertThat(folder.scanned(set).set().find("p1.png").orElseThrow().state())
        .isEqualTo(State.AS_SHOT);
  }

  @Test
  public void renamedIsFoundByContentAndGoneIsSaid() throws Exception {
    PictureSet set = folder.open().set();
    set = set.with(List.of(folder.known(set.members().get(0)).noted("mine"), set.members().get(1)));
    Files.move(place.resolve("p0.png"), place.resolve("renamed.png"));
    Files.delete(place.resolve("p1.png"));
    SetFolder.Contents now = folder.scanned(set);
    assertThat(now.set().find("renamed.png").orElseThrow().notes()).isEqualTo("mine");
    assertThat(now.missing()).containsExactly("p1.png");
  }

  @DataProvider
  public Object[][] broken() {
    return new Object[][] {
      {"{}", "its version is not 1"},
      {"{\"version\":1,\"members\":[{}]}", "members[0] names no photograph"},
      {
        "{\"version\":1,\"members\":[{\"photograph\":\"a\",\"state\":\"lost\"}]}",
        "no state is called 'lost'"
      },
      {"{\"version\":1,\"members\":[{\"photograph\":\"a\"},{\"photograph\":\"a\"}]}", "twice"},
      {"[", "no valid JSON"}
    };
  }

  @Test(dataProvider = "broken")
  public void aBrokenSetIsOneSentence(String json, String said) throws Exception {
    Files.writeString(folder.file(), json);
    assertThatThrownBy(() -> folder.open())
        .isInstanceOf(Problem.class)
        .hasMessageContaining(said)
        .hasMessageContaining("Autumn.carezza-set");
  }

  /** A look is made once, and anew when its picture was worked on. */
  @Test
  public void looksAreKeptUntilTheirFilesChange() throws Exception {
    SetLooks looks = new SetLooks(place.resolve("looks"));
    Member member = folder.open().set().members().getFirst();
    assertThat(looks.known(folder, member)).isEmpty();
    SetLooks.Look made = looks.made(folder, member, Cancellation.NONE);
    assertThat(made.face()).isEmpty();
    assertThat(made.figures().skin()).isNull();
    SetLooks.Look known = looks.known(folder, member).orElseThrow();
    assertThat(known.thumbnail()).isEqualTo(made.thumbnail());
    assertThat(known.figures()).isEqualTo(made.figures());
    Files.write(place.resolve("p0.png"), Files.readAllBytes(place.resolve("p1.png")));
    Files.setLastModifiedTime(place.resolve("p0.png"), FileTime.fromMillis(12_345_000));
    assertThat(looks.known(folder, member)).isEmpty();
  }

  /** Light and balance come to the reference's, and the photograph stays what it was. */
  @Test
  public void aPictureIsBroughtToTheReferenceAndDelivered() throws Exception {
    byte[] before = Files.readAllBytes(place.resolve("p0.png"));
    SetLooks looks = new SetLooks(place.resolve("looks"));
    Member member = folder.open().set().members().getFirst();
    Figures own = looks.made(folder, member, Cancellation.NONE).figures();
    Figures reference =
        new Figures(null, own.stops() - 0.7, own.contrast(), own.castA(), own.castB(), 0);
    SetWork work = new SetWork(folder);
    Member brought = work.broughtTo(reference, member, l -> l, Cancellation.NONE);
    assertThat(brought.project()).isEqualTo("p0.carezza");
    assertThat(brought.state()).isEqualTo(State.IN_WORK);
    Figures now = looks.made(folder, brought, Cancellation.NONE).figures();
    assertThat(Math.abs(now.stops() - reference.stops())).isLessThan(0.12);
    assertThat(ProjectFile.open(place.resolve("p0.carezza")).project().stack().layers())
        .anyMatch(l -> LayerType.of(l) == LayerType.EXPOSURE);
    Member delivered =
        work.delivered(brought, 1, RecipeFile.shipped("web-and-print"), Cancellation.NONE);
    assertThat(delivered.state()).isEqualTo(State.DELIVERED);
    try (Stream<Path> files = Files.walk(place.resolve(SetWork.DELIVERED))) {
      assertThat(files.filter(Files::isRegularFile)).hasSize(2);
    }
    assertThat(Files.readAllBytes(place.resolve("p0.png"))).isEqualTo(before);
    // What was delivered may be delivered again; what is there of another picture stays.
    work.delivered(delivered, 1, RecipeFile.shipped("web-and-print"), Cancellation.NONE);
    assertThatThrownBy(
            () ->
                work.delivered(brought, 1, RecipeFile.shipped("web-and-print"), Cancellation.NONE))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("is there already");
  }

  /** A project of the same name that is not the member's own is not replaced. */
  @Test
  public void anotherProjectIsNotReplaced() throws Exception {
    Member member = folder.open().set().members().getFirst();
    Files.writeString(place.resolve("p0.carezza"), "somebody's");
    Figures far = new Figures(null, -3, 0, 0, 0, 0);
    assertThatThrownBy(() -> new SetWork(folder).broughtTo(far, member, l -> l, Cancellation.NONE))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("p0.carezza");
    assertThat(Files.readString(place.resolve("p0.carezza"))).isEqualTo("somebody's");
  }
}
