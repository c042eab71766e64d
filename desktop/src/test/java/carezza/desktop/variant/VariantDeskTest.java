package carezza.desktop.variant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.Beside;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Documents;
import carezza.desktop.state.StepNames;
import carezza.desktop.state.ViewState;
import carezza.kernel.LayerType;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.Layer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Variant;
import carezza.session.Session;

public class VariantDeskTest {

  private DocumentState document;
  private ViewState view;
  private VariantDesk desk;

  @BeforeMethod
  public void open() {
    document = new DocumentState();
    view = new ViewState(document);
    desk = new VariantDesk(document, view);
    document.open(Documents.with(LayerType.EXPOSURE, LayerType.CURVE));
  }

  private List<String> names() {
    return document.project().variants().names();
  }

  @Test
  public void doublesHaveNamesOfTheirOwn() {
    desk.doubleIt();
    desk.doubleIt();
    assertThat(names()).hasSize(3).doesNotHaveDuplicates();
    assertThat(document.project().variants().place()).isEqualTo(2);
    desk.next();
    assertThat(document.project().variants().place()).isZero();
  }

  /** Each is one step, and is undone as one. */
  @Test
  public void whatIsDoneWithVariantsIsUndone() {
    Project plain = document.project();
    desk.doubleIt();
    document.edit(null, p -> p.withStack(p.stack().without("b")));
    desk.goTo(0);
    assertThat(document.project().stack()).isEqualTo(plain.stack());
    desk.remove(1);
    assertThat(names()).isEmpty();
    assertThat(document.steps()).isEqualTo(4);
    document.undo();
    document.undo();
    assertThat(document.project().stack().layers()).hasSize(1);
    document.undo();
    document.undo();
    assertThat(document.project()).isEqualTo(plain);
  }

  @Test
  public void aNameThatIsTakenIsRefused() {
    desk.doubleIt();
    String second = names().get(1);
    assertThat(desk.rename(0, "  ")).isNotEmpty();
    assertThat(desk.rename(0, second)).contains(second);
    assertThat(desk.rename(0, "Colour")).isEmpty();
    assertThat(names()).containsExactly("Colour", second);
    assertThat(document.project().variants().place()).isEqualTo(1);
  }

  @Test
  public void stepsSayWhatBecameOfVariants() {
    Project plain = document.project();
    Project doubled = plain.doubled("Colour", "Mono");
    assertThat(StepNames.of(plain, doubled)).contains("Mono");
    assertThat(StepNames.of(doubled, doubled.atVariant(0))).contains("Colour");
    assertThat(StepNames.of(doubled, doubled.variantNamed("Grey"))).contains("Grey");
    assertThat(StepNames.of(doubled, doubled.withoutVariant(0))).contains("Colour");
  }

  @Test
  public void whatDiffersIsSaid() {
    Project project = document.project();
    Variant here = project.allVariants().getFirst();
    Layer curve = project.stack().find("b").orElseThrow();
    Variant there =
        new Variant(
            "x",
            null,
            project.stack().without("a").edit("b", l -> l.with(l.attributes().withAmount(0.3))));
    assertThat(VariantWords.differences(here, there))
        .hasSize(2)
        .anyMatch(w -> w.contains(curve.attributes().name()) && w.contains("30"));
    assertThat(VariantWords.differences(here, here)).hasSize(1);
  }

  /** The other variant is shown as it becomes; when it is gone, the settled picture is. */
  @Test
  public void theOneBesideFollowsWhatIsDoneToIt() {
    desk.doubleIt();
    desk.setBeside(0);
    assertThat(view.comparisonProperty().get()).isEqualTo(Comparison.BESIDE);
    Beside beside = view.besideProperty().get();
    assertThat(beside.project().apply(document.project()).stack())
        .isEqualTo(document.project().atVariant(0).stack());
    desk.remove(0);
    assertThat(beside.project().apply(document.project())).isNull();
    view.comparisonProperty().set(Comparison.NONE);
    assertThat(view.besideProperty().get()).isNull();
  }

  /** A place of one face is shown beside the same place of the other, equally large. */
  @Test
  public void anotherPictureIsShownAtThePlaceOfTheFace() {
    Project own = document.project().withFaces(face(20, 15, 6));
    Project other = own.withFaces(face(30, 22, 12));
    Session session = document.session();
    ViewPort at = new ViewPort(20, 15, 4, 100, 80);
    ViewPort there = Beside.picture(session, other).port(at, session, own, other);
    assertThat(there).isEqualTo(new ViewPort(30, 22, 2, 100, 80));
  }

  private static FaceMap face(double x, double y, double radius) {
    return new FaceMap(
        new FaceOval(x, y, radius, radius * 1.3, 0),
        new Point(x - 3, y),
        new Point(x + 3, y),
        new Point(x - 2, y + 3),
        new Point(x + 2, y + 3));
  }
}
