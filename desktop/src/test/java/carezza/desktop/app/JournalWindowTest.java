package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;

import carezza.record.Phase;
import carezza.record.WorkRecord;
import carezza.studio.JournalRow;

/** Work that is counted while the window is worked, and what the journal shows of it. */
public class JournalWindowTest extends WindowDriver {

  private void keys(KeyCode... together) {
    robot.press(together).release(together);
    RobotHand.settle();
  }

  private WorkRecord record() {
    return onStage(() -> state().document().current().work());
  }

  @SuppressWarnings("unchecked")
  private ListView<JournalRow> rows() {
    return (ListView<JournalRow>) node("#journal-rows");
  }

  private void toJournal() throws Exception {
    // A hand that moves between two tones works on the layer in hand.
    onStage(
        () -> {
          state().selection().select("teeth");
          return null;
        });
    clickOn("#page-where");
    Thread.sleep(300);
    clickOn("#page-what");
    keys(KeyCode.CONTROL, KeyCode.J);
    await(() -> isThere("#journal-rows") && !rows().getItems().isEmpty());
  }

  @Test
  public void whatIsWorkedOnIsCountedForItsStage() throws Exception {
    toJournal();

    assertThat(record().byPhase()).containsKey(Phase.BRIGHTEN);
    JournalRow row = onStage(() -> rows().getItems().getFirst());
    assertThat(row.title()).isEqualTo("The Understudy");
    assertThat(row.byPhase()).containsKey(Phase.BRIGHTEN);
    assertThat(onStage(() -> ((Labeled) node("#clock")).getText())).matches("\\d+ of [\\d.]+ min");
    keys(KeyCode.ESCAPE);
    assertThat(onStage(() -> isThere("#panel"))).isTrue();
  }

  @Test
  public void aDeliveryStandsInTheJournalWithItsGauges() throws Exception {
    await(() -> !state().measurements().gaugesProperty().get().isEmpty());
    int before = record().deliveries().size();
    onStage(
        () -> {
          view.navigation().show(Navigation.DELIVER);
          ((TextField) node("#deliver-path")).setText(folder.resolve("journal.jpg").toString());
          return null;
        });
    clickOn("#deliver-write");
    await(() -> record().deliveries().size() > before);

    assertThat(record().deliveries().getLast().file()).isEqualTo("journal.jpg");
    assertThat(record().deliveries().getLast().gauges()).isNotEmpty();
    keys(KeyCode.CONTROL, KeyCode.J);
    await(
        () -> {
          var contents = view.records().journal().contentsProperty().get();
          return contents != null && contents.report().delivered() == 1;
        });
    assertThat(onStage(() -> robot.lookup("#journal-picture .gauge-now").queryAll())).isNotEmpty();
  }

  @Test
  public void rowsAreOfPicturesJobsOrWeeksAndWhatIsLookedFor() throws Exception {
    toJournal();
    clickOn("#journal-by-job");
    await(() -> rows().getItems().getFirst().key().equals("portrait"));
    clickOn("#journal-by-week");
    await(() -> rows().getItems().getFirst().key().matches("\\d{4}-W\\d\\d"));
    clickOn("#journal-by-picture");
    await(() -> rows().getItems().getFirst().title().equals("The Understudy"));
    clickOn("#journal-search");
    robot.write("bell founder");
    await(() -> rows().getItems().isEmpty());
    onStage(
        () -> {
          view.records().journal().wordsProperty().set("");
          return null;
        });
    await(() -> !rows().getItems().isEmpty());
  }

  @Test
  public void theJournalIsWrittenForSpreadsheets() throws Exception {
    toJournal();
    Path file = folder.resolve("work");
    answer(file);
    clickOn("#journal-csv");
    Path written = folder.resolve("work.csv");
    await(() -> Files.exists(written));

    assertThat(proposed.getFileName().toString()).isEqualTo("Journal.csv");
    assertThat(Files.readString(written)).contains("The Understudy,understudy.jpg,portrait");
  }

  @Test
  public void aSheetIsLookedAtBeforeItIsWritten() throws Exception {
    keys(KeyCode.CONTROL, KeyCode.T);
    await(() -> isThere("#sheet-write") && !node("#sheet-write").isDisabled());
    clickOn("#sheetpreview-studio");
    clickOn("#sheetpreview-letter");
    await(() -> !node("#sheet-write").isDisabled());
    assertThat(onStage(() -> robot.lookup("#sheet-pages .image-view").queryAll().size()))
        .isGreaterThan(1);
    Path file = folder.resolve("sheet.pdf");
    answer(file);
    clickOn("#sheet-write");
    await(() -> Files.exists(file));

    assertThat(proposed.getFileName().toString()).isEqualTo("The Understudy, for the studio.pdf");
    try (PDDocument sheet = Loader.loadPDF(file.toFile())) {
      assertThat(new PDFTextStripper().getText(sheet)).contains("The Understudy", "Gauges");
      assertThat(sheet.getPage(0).getMediaBox().getWidth()).isEqualTo(612);
    }
    keys(KeyCode.CONTROL, KeyCode.T);
    keys(KeyCode.ESCAPE);
    assertThat(onStage(() -> view.sheets().isOpen())).isFalse();
  }

  @Test
  public void aSheetThatIsThereIsAskedAbout() throws Exception {
    Path file = Files.writeString(folder.resolve("there.pdf"), "a letter");
    answer(file);
    keys(KeyCode.CONTROL, KeyCode.T);
    await(() -> isThere("#sheet-write") && !node("#sheet-write").isDisabled());
    clickOn("#sheet-write");
    await(() -> isThere("#replace-no"));
    clickOn("#replace-no");

    assertThat(Files.readString(file)).isEqualTo("a letter");
  }
}
