package carezza.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.desktop.state.Documents;
import carezza.desktop.text.Names;
import carezza.image.Cancellation;
import carezza.image.PictureSize;
import carezza.kernel.LayerType;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.Crop;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.Promise;
import carezza.model.ShapeLayer;
import carezza.model.Stage;
import carezza.plan.Finding;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.record.Activity;
import carezza.record.Phase;
import carezza.record.Span;
import carezza.session.Promises.Broken;
import carezza.session.Session;
import carezza.shape.Shapes;

/** Sheets of a small grey picture with a layer of each kind, read back from their PDF. */
public class SheetTest {

  /** Words that a client's sheet never says of anybody. */
  private static final List<String> HURTS =
      List.of(
          "blemish",
          "flaw",
          "defect",
          "imperfection",
          "fault",
          "ugly",
          "old",
          "wrinkle",
          "acne",
          "pimple",
          "blotch",
          "shine",
          "greasy",
          "dark circle",
          "correct",
          "fix",
          "improve");

  private SheetFacts facts;

  @BeforeClass
  public void measure() throws Problem {
    Document document = Documents.with(LayerType.MADE_ANEW.toArray(LayerType[]::new));
    Promise scar =
        new Promise(
            "keep the scar", Promise.Rule.UNCHANGED, null, new Mask.Ellipse(10, 10, 4, 4, 0, 0.1));
    Project project = document.project().withBrief(document.project().brief().promising(scar));
    Span span =
        new Span(
            Instant.parse("2026-11-02T10:00:00Z"),
            Duration.ofSeconds(90),
            Duration.ZERO,
            new Activity(Phase.MEND, "a", "heal", "heal"));
    document = document.with(project, null).worked(document.work().estimated(3).plus(span));
    SheetFacts measured =
        SheetFacts.of(
            new Session(document.photograph()),
            document,
            LocalDate.of(2026, 11, 2),
            Cancellation.NONE);
    // So many layers change every place; what is told is another matter.
    assertThat(measured.broken()).isNotEmpty();
    facts = broken(measured, List.of());
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
    }
  }

  @DataProvider
  public Object[][] sheets() {
    return new Object[][] {
      {SheetKind.CLIENT, Paper.A4, 595, 842},
      {SheetKind.CLIENT, Paper.LETTER, 612, 792},
      {SheetKind.STUDIO, Paper.A4, 595, 842},
      {SheetKind.STUDIO, Paper.LETTER, 612, 792}
    };
  }

  @Test(dataProvider = "sheets")
  public void pagesHaveTheirSizeAndTheFontThatShips(
      SheetKind kind, Paper paper, int width, int height) throws IOException {
    try (PDDocument document = Loader.loadPDF(kind.pdf(facts, paper))) {
      assertThat(document.getNumberOfPages()).isBetween(1, 12);
      for (PDPage page : document.getPages()) {
        assertThat(page.getMediaBox().getWidth()).isCloseTo(width, within(1f));
        assertThat(page.getMediaBox().getHeight()).isCloseTo(height, within(1f));
        for (var name : page.getResources().getFontNames()) {
          PDFont font = page.getResources().getFont(name);
          assertThat(font.getName()).contains("Inter");
          assertThat(font.isEmbedded()).isTrue();
        }
      }
      assertThat(document.getDocumentInformation().getTitle()).isEqualTo("grey");
    }
  }

  @Test
  public void theClientReadsWhatWasDoneInPlainWordsByStage() throws IOException {
    String text = text(SheetKind.CLIENT.pdf(facts, Paper.A4));

    assertThat(text).contains("grey", "What was done", "November 2, 2026");
    for (Stage stage : Stage.values()) {
      // The heal layer has no patches, so nothing was mended.
      assertThat(text.contains(Names.of(stage))).isEqualTo(stage != Stage.MEND);
    }
    assertThat(text)
        .contains(
            "Teeth were made a little less yellow",
            "Width of face and body: 100 %",
            "keep the scar",
            "Some countries ask");
  }

  @Test
  public void theClientReadsNothingThatHurts() throws IOException {
    String text = text(SheetKind.CLIENT.pdf(facts, Paper.A4)).toLowerCase(Locale.ROOT);

    for (String word : HURTS) {
      assertThat(text).doesNotContainPattern("\\b" + word);
    }
    for (Finding finding : facts.plan().findings()) {
      assertThat(text).doesNotContain(finding.kind().key().toLowerCase(Locale.ROOT) + ":");
    }
  }

  @Test
  public void everyKindOfLayerHasItsPlainWords() throws IOException {
    assertThat(text(SheetKind.CLIENT.pdf(facts, Paper.A4))).doesNotContain("Another change");
  }

  @Test
  public void theStudioReadsEveryValueGaugeAndMinute() throws IOException {
    String text = text(SheetKind.STUDIO.pdf(facts, Paper.A4));

    for (Layer layer : facts.project().stack().layers()) {
      assertThat(text).contains(layer.attributes().name());
    }
    assertThat(text)
        .contains(
            "Darks: Hue",
            "Even the tone 60 %",
            "Temperature 6504 K",
            facts.project().photograph().sha256())
        .contains("1.5 min", "took 0.50 of it")
        .contains("Clipped picture")
        .contains("keep the scar");
    assertThat(facts.plan().findings()).isNotEmpty();
    assertThat(text).contains("Exposure");
  }

  @Test
  public void whatIsOffIsNotToldToTheClient() throws IOException {
    Project off =
        facts
            .project()
            .withStack(
                new LayerStack(
                    facts.project().stack().layers().stream()
                        .map(l -> l.with(l.attributes().switched(false)))
                        .toList()));

    assertThat(text(SheetKind.CLIENT.pdf(with(off), Paper.A4))).contains("Nothing was changed");
    assertThat(text(SheetKind.STUDIO.pdf(with(off), Paper.A4))).contains("(off)");
  }

  @Test
  public void theFrameIsSaidInPercent() throws IOException {
    Project cut = facts.project().withCrop(new Crop(30, 20, 30, 30, 2.5));

    assertThat(text(SheetKind.CLIENT.pdf(with(cut), Paper.A4)))
        .contains("50 % of the photograph’s width and 75 % of its height, turned by 2.5°");
  }

  @Test
  public void aPromiseThatIsNotKeptIsNotToldAsKept() throws IOException {
    Promise promise = facts.project().brief().promises().getFirst();
    SheetFacts broken = broken(facts, List.of(new Broken(promise, "a", 4)));

    assertThat(text(SheetKind.CLIENT.pdf(broken, Paper.A4))).doesNotContain("keep the scar");
    assertThat(text(SheetKind.STUDIO.pdf(broken, Paper.A4))).contains("Not kept");
  }

  @Test
  public void signsThatTheFontDoesNotHaveAndLongWordsDoNoHarm() throws IOException {
    List<Layer> layers = new ArrayList<>(facts.project().stack().layers());
    Layer first = layers.getFirst();
    layers.set(0, first.with(first.attributes().named("名前 " + "x".repeat(300))));
    Project named = facts.project().withStack(new LayerStack(layers));

    String text = text(SheetKind.STUDIO.pdf(with(named), Paper.LETTER));
    assertThat(text.replace(" ", "")).contains("??").contains("xxxxxxxxxx");
  }

  @Test
  public void howFarShapesWereChangedIsSaidInPercent() throws IOException {
    ShapeLayer wide =
        new ShapeLayer(LayerType.SHAPE.fresh().attributes(), 0.98, 1, 0, null, null, false, null);
    EvaluationContext site = new EvaluationContext(new PictureSize(400, 300), 0, Regions.none());
    SheetFacts shaped =
        new SheetFacts(
            facts.project(),
            facts.work(),
            facts.plan(),
            facts.gauges(),
            facts.broken(),
            Shapes.of(LayerStack.of(wide), site),
            facts.before(),
            facts.after(),
            facts.date());
    assertThat(text(SheetKind.CLIENT.pdf(shaped, Paper.A4)))
        .contains("Width of what is seen: 98.0 %")
        .contains("Shape was changed")
        .doesNotContain("Nothing was pushed");
  }

  private static SheetFacts broken(SheetFacts facts, List<Broken> broken) {
    return new SheetFacts(
        facts.project(),
        facts.work(),
        facts.plan(),
        facts.gauges(),
        broken,
        facts.shapes(),
        facts.before(),
        facts.after(),
        facts.date());
  }

  private SheetFacts with(Project project) {
    return new SheetFacts(
        project,
        facts.work(),
        facts.plan(),
        facts.gauges(),
        facts.broken(),
        facts.shapes(),
        facts.before(),
        facts.after(),
        facts.date());
  }
}
