package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.desktop.demo.Demo;
import carezza.desktop.set.SetAnswers;
import carezza.desktop.set.SetOrder;
import carezza.desktop.set.SetState;
import carezza.file.Originals;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.project.SetFile;
import carezza.render.Pyramid;
import carezza.routine.Routine;
import carezza.set.Answer;
import carezza.set.Member;
import carezza.set.Member.State;

/** A folder worked on as a set in the real window. */
public class SetWindowTest extends WindowDriver {

  private Path place;
  private byte[] portrait;

  @BeforeMethod(dependsOnMethods = "openDemo")
  public void openTheSet() throws Exception {
    place = Files.createTempDirectory("carezza-set-test");
    portrait = png(new Pyramid(Demo.apothecary().photograph().pixels()).level(2));
    Files.write(place.resolve("b-portrait.png"), portrait);
    for (int i = 0; i < 3; i++) {
      Files.write(place.resolve("c" + i + ".png"), png(plain(0.4f + 0.05f * i)));
    }
    Files.writeString(place.resolve("notes.txt"), "not a picture");
    onStage(
        () -> {
          view.open(place);
          return null;
        });
    // The set of the test before may still be there.
    await(
        () ->
            set().folderProperty().get() != null
                && set().folderProperty().get().folder().equals(place));
    await(() -> set().looks().size() == 4);
    await(() -> set().looks().values().stream().allMatch(l -> l.figures() != null));
    RobotHand.settle();
  }

  private static Picture plain(float value) {
    Area area = new Area(0, 0, 90, 60);
    Plane plane = Plane.filled(area, value);
    return new Picture(plane, plane, plane);
  }

  private static byte[] png(Picture picture) throws Exception {
    return PictureWriter.encode(
        picture, new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB), "x.png");
  }

  private SetState set() {
    return view.sets().set();
  }

  private Member member(String photograph) {
    return set().setProperty().get().find(photograph).orElseThrow();
  }

  @Test
  public void aFolderIsAsSetAndItsPhotographsAreOnlyRead() throws Exception {
    ListView<?> grid = robot.lookup("#set-grid").query();
    assertThat(grid.getItems()).hasSize(1);
    Label summary = robot.lookup("#set-summary").query();
    assertThat(summary.getText()).contains("4 pictures");
    TextField available = robot.lookup("#set-available").query();
    onStage(
        () -> {
          set().edit("c0.png", m -> m.taking(30));
          available.setText("20");
          return null;
        });
    assertThat(summary.getText()).contains("3 of them in time");
    assertThat(set().looks().get("b-portrait.png").face()).isNotNull();
    assertThat(set().looks().get("c0.png").face()).isNull();
    // Keys go from picture to picture, and a state is kept beside the photographs.
    onStage(
        () -> {
          grid.requestFocus();
          return null;
        });
    robot.type(KeyCode.RIGHT);
    RobotHand.settle();
    assertThat(set().current().orElseThrow().photograph()).isEqualTo("c0.png");
    ComboBox<State> state = robot.lookup("#set-state").query();
    onStage(
        () -> {
          state.setValue(State.FINISHED);
          return null;
        });
    assertThat(member("c0.png").state()).isEqualTo(State.FINISHED);
    Path kept = place.resolve(place.getFileName() + SetFile.ENDING);
    await(
        () -> {
          try {
            return SetFile.read(kept).find("c0.png").orElseThrow().state() == State.FINISHED;
          } catch (Problem e) {
            return false;
          }
        });
    assertThat(Files.readAllBytes(place.resolve("b-portrait.png"))).isEqualTo(portrait);
  }

  @Test
  public void aRoutineIsLaidOnThePicturesInHandAndDelivered() throws Exception {
    onStage(
        () -> {
          set().choose(List.of("b-portrait.png"));
          return null;
        });
    ComboBox<Routine> routines = robot.lookup("#set-routine").query();
    await(() -> routines.getValue() != null);
    clickOn("#set-apply");
    await(() -> view.sets().jobs().outcomes().containsKey("b-portrait.png"));
    assertThat(view.sets().jobs().outcomes().get("b-portrait.png").problem()).isEmpty();
    assertThat(view.sets().jobs().outcomes().get("b-portrait.png").measured()).isNotEmpty();
    assertThat(member("b-portrait.png").project()).isEqualTo("b-portrait.carezza");
    assertThat(member("b-portrait.png").state()).isEqualTo(State.IN_WORK);
    onStage(
        () -> {
          set().edit("b-portrait.png", m -> m.in(State.FINISHED));
          return null;
        });
    clickOn("#set-deliver");
    await(() -> member("b-portrait.png").state() == State.DELIVERED);
    try (Stream<Path> files = Files.walk(place.resolve("delivered"))) {
      assertThat(files.filter(Files::isRegularFile)).hasSize(2);
    }
    assertThat(Originals.sha256(Files.readAllBytes(place.resolve("b-portrait.png"))))
        .isEqualTo(Originals.sha256(portrait));
  }

  @Test
  public void whatIsOutOfLineComesFirstAndIsBrought() throws Exception {
    onStage(
        () -> {
          set().choose(List.of("c1.png"));
          set().compareWithCurrent();
          set().orderProperty().set(SetOrder.OUTLIERS);
          return null;
        });
    assertThat(set().shownProperty().get().getLast().photograph()).startsWith("c");
    assertThat(set().shownProperty().get().getFirst().photograph()).isEqualTo("b-portrait.png");
    double before =
        set().looks().get("b-portrait.png").figures().worst(set().reference().orElseThrow());
    assertThat(before).isGreaterThan(1);
    Object look = set().looks().get("b-portrait.png");
    onStage(
        () -> {
          set().choose(List.of("b-portrait.png"));
          return null;
        });
    clickOn("#set-bring");
    await(
        () ->
            view.sets().jobs().outcomes().containsKey("b-portrait.png")
                && set().looks().get("b-portrait.png") != look
                && set().looks().get("b-portrait.png").figures() != null);
    var brought = set().looks().get("b-portrait.png").figures();
    assertThat(Math.abs(brought.stops() - set().reference().orElseThrow().stops())).isLessThan(0.2);
  }

  /** What was renamed is found again by its content; what is gone is said. */
  @Test
  public void renamedIsFoundAndGoneIsSaid() throws Exception {
    await(() -> set().setProperty().get().members().stream().allMatch(m -> m.sha256() != null));
    onStage(
        () -> {
          set().edit("c2.png", m -> m.noted("mind the lamp"));
          return null;
        });
    Files.move(place.resolve("c2.png"), place.resolve("z.png"));
    Files.delete(place.resolve("c0.png"));
    onStage(
        () -> {
          set().refresh();
          return null;
        });
    await(() -> set().setProperty().get().find("z.png").isPresent());
    assertThat(member("z.png").notes()).isEqualTo("mind the lamp");
    assertThat(set().missingProperty().get()).containsExactly("c0.png");
    Label gone = robot.lookup("#set-missing").query();
    await(() -> gone.isVisible());
    assertThat(gone.getText()).contains("c0.png");
  }

  /** Two clicks open a picture on the bench; what is saved there is work on the set. */
  @Test
  public void aPictureOpensOnTheBenchAndItsWorkCounts() throws Exception {
    onStage(
        () -> {
          set().choose(List.of("c1.png"));
          return null;
        });
    clickOn("#set-open");
    giveUpUnsaved();
    await(() -> !state().document().isEmpty() && "c1".equals(state().document().project().title()));
    save(place.resolve("c1.carezza"));
    await(() -> "c1.carezza".equals(member("c1.png").project()));
    assertThat(member("c1.png").state()).isEqualTo(State.IN_WORK);
    // What is at work here is not changed behind it.
    onStage(
        () -> {
          view.navigation().toggle(Navigation.SET);
          set().choose(List.of("c1.png"));
          return null;
        });
    clickOn("#set-apply");
    assertThat(view.sets().jobs().outcomes().get("c1.png").problem())
        .isEqualTo(
            "c1 is open on the bench; close it there first, so that nothing is changed behind it.");
    Path delivered = place.resolve("c1-out.jpg");
    onStage(
        () -> {
          view.navigation().show(Navigation.DELIVER);
          return null;
        });
    TextField path = robot.lookup("#deliver-path").query();
    onStage(
        () -> {
          path.setText(delivered.toString());
          return null;
        });
    clickOn("#deliver-write");
    await(() -> Files.exists(delivered) && member("c1.png").state() == State.DELIVERED);
  }

  /** A routine made of the stack at work is at hand in the set, and says what stays behind. */
  @Test
  public void aRoutineIsMadeOfTheStack() throws Exception {
    onStage(
        () -> {
          view.navigation().showBench();
          view.makeRoutine();
          return null;
        });
    RobotHand.settle();
    TextField name = robot.lookup("#routine-name").query();
    onStage(
        () -> {
          name.setText("Mine");
          return null;
        });
    clickOn("#routine-keep");
    await(() -> !view.sheets().isOpen());
    onStage(
        () -> {
          view.navigation().toggle(Navigation.SET);
          return null;
        });
    ComboBox<Routine> routines = robot.lookup("#set-routine").query();
    await(() -> routines.getItems().stream().anyMatch(r -> r.name().equals("Mine")));
    Routine mine =
        routines.getItems().stream().filter(r -> r.name().equals("Mine")).findFirst().orElseThrow();
    assertThat(mine.measured()).isNotEmpty();
    assertThat(mine.stack().size()).isGreaterThan(5);
  }

  /** The client's answer comes back to its picture, which is in work again where it has to be. */
  @Test
  public void whatIsSentIsAnsweredAndSaidOfItsPicture() throws Exception {
    Path box = Files.createDirectories(place.resolve("drop-box"));
    Files.writeString(box.resolve("simulated-client.txt"), "here");
    onStage(
        () -> {
          for (int i = 0; i < 3; i++) {
            set().edit("c" + i + ".png", m -> m.in(State.FINISHED));
          }
          return null;
        });
    ComboBox<?> recipes = robot.lookup("#set-recipe").query();
    await(() -> recipes.getValue() != null);
    clickOn("#set-send");
    await(() -> member("c2.png").state() == State.DELIVERED);
    clickOn("#set-answers");
    SetAnswers answers = view.sets().jobs().answers();
    await(() -> answers.answersProperty().get().size() == 6);
    for (int i = 0; i < 3; i++) {
      Member member = member("c" + i + ".png");
      List<Answer> said = answers.of(member);
      assertThat(said).hasSize(2).noneMatch(a -> a.kind() == Answer.Kind.SENT);
      boolean change = said.stream().anyMatch(a -> a.kind() == Answer.Kind.CHANGE);
      assertThat(member.state()).isEqualTo(change ? State.IN_WORK : State.DELIVERED);
      said.stream()
          .filter(a -> a.kind() == Answer.Kind.CHANGE)
          .forEach(a -> assertThat(member.notes()).contains(a.words()));
    }
    assertThat(answers.answersProperty().get())
        .anyMatch(a -> a.kind() == Answer.Kind.CHANGE)
        .anyMatch(a -> a.kind() == Answer.Kind.APPROVED);
  }

  @Test
  public void aPictureIsPinnedBesideTheBench() throws Exception {
    onStage(
        () -> {
          set().choose(List.of("b-portrait.png"));
          return null;
        });
    clickOn("#set-pin");
    await(() -> state().view().besideProperty().get() != null);
    assertThat(state().view().besideProperty().get().title()).isEqualTo("b-portrait");
    assertThat(isThere("#picture")).isTrue();
  }

  @Test
  public void aContactSheetOfTheSetIsWritten() throws Exception {
    Path sheet = folder.resolve("sheet.pdf");
    answer(sheet);
    onStage(
        () -> {
          view.writeContactSheet();
          return null;
        });
    await(() -> Files.exists(sheet));
    try (PDDocument pages = Loader.loadPDF(sheet.toFile())) {
      String words = new PDFTextStripper().getText(pages);
      assertThat(words).contains("b-portrait", "c0", "c1", "c2");
    }
  }

  /** The layer in hand on the bench goes to the pictures in hand in the set. */
  @Test
  public void aLayerOfTheBenchIsLaidOnPicturesInHand() throws Exception {
    Layer shade = LayerType.VIGNETTE.fresh();
    onStage(
        () -> {
          set().choose(List.of("c0.png", "c1.png"));
          state().document().edit(null, p -> p.withStack(p.stack().with(shade)));
          state().selection().select(shade.attributes().id());
          view.copyLayerToSet();
          return null;
        });
    await(() -> view.sets().jobs().outcomes().containsKey("c1.png"));
    for (String each : List.of("c0.png", "c1.png")) {
      assertThat(view.sets().jobs().outcomes().get(each).problem()).isEmpty();
      assertThat(ProjectFile.open(place.resolve(member(each).project())).project().stack())
          .isEqualTo(LayerStack.of(shade));
    }
    assertThat(member("c2.png").project()).isNull();
  }
}
