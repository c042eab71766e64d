package carezza.desktop.view.journal;

import java.io.ByteArrayInputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.geometry.Rectangle2D;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.journal.JournalState;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Texts;
import carezza.record.WorkRecord;
import carezza.studio.Grouping;
import carezza.studio.JournalRow;

/**
 * Rows of the journal: a small picture, its name, its time by stage, and how it stood to the plan.
 */
final class JournalList extends VBox {

  private static final Texts TEXTS = Texts.of("journal");

  private static final double THUMB = 34;
  private static final double ROW = 46;
  private static final double NAME_WIDTH = 150;
  private static final double NUMBER_WIDTH = 70;

  private final JournalState journal;
  private final ListView<JournalRow> list = new ListView<>();
  private final Map<String, Image> images = new HashMap<>();
  private double most = 1;

  JournalList(JournalState journal) {
    this.journal = journal;
    HBox head =
        row(
            new Region(),
            word(TEXTS.get("column.what"), NAME_WIDTH),
            new Label(TEXTS.get("column.stages")),
            word(TEXTS.get("column.took"), NUMBER_WIDTH),
            word(TEXTS.get("column.ratio"), NUMBER_WIDTH));
    head.getStyleClass().add("journal-head");
    list.setId("journal-rows");
    list.getStyleClass().add("journal-rows");
    list.setAccessibleText(TEXTS.get("rows.accessible"));
    list.setFixedCellSize(ROW);
    list.setCellFactory(view -> new Cell());
    list.setPlaceholder(new Label(TEXTS.get("nothing")));
    list.getSelectionModel()
        .selectedItemProperty()
        .subscribe(
            (was, is) -> {
              if (is != null && journal.groupingProperty().get() == Grouping.PICTURE) {
                journal.selectedProperty().set(is.key());
              }
            });
    list.addEventFilter(KeyEvent.KEY_PRESSED, this::passOn);
    list.widthProperty().subscribe(w -> list.refresh());
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren().addAll(head, list);
  }

  /** A list takes Escape for itself, though nothing is edited in it. */
  private void passOn(KeyEvent e) {
    if (e.getCode() == KeyCode.ESCAPE) {
      e.consume();
      fireEvent(e.copyFor(this, this));
    }
  }

  /** Shows these; the row that was in hand stays so. */
  void show(List<JournalRow> rows) {
    String was = journal.selectedProperty().get();
    most = Math.max(1e-6, rows.stream().mapToDouble(JournalList::minutes).max().orElse(1));
    images.clear();
    list.getItems().setAll(rows);
    if (!rows.isEmpty()) {
      int place = 0;
      for (int i = 0; i < rows.size(); i++) {
        place = rows.get(i).key().equals(was) ? i : place;
      }
      list.getSelectionModel().select(place);
    }
  }

  void takeFocus() {
    list.requestFocus();
  }

  private static double minutes(JournalRow row) {
    return WorkRecord.minutes(row.active());
  }

  private static Label word(String words, double width) {
    Label label = new Label(words);
    label.setMinWidth(TextSize.px(width));
    label.setMaxWidth(TextSize.px(width));
    label.setAlignment(width == NUMBER_WIDTH ? Pos.CENTER_RIGHT : Pos.CENTER_LEFT);
    return label;
  }

  private static HBox row(Region picture, Label name, Region bar, Label took, Label ratio) {
    picture.setMinSize(THUMB, 1);
    picture.setPrefWidth(THUMB);
    bar.setMinWidth(0);
    bar.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(bar, Priority.ALWAYS);
    HBox row = new HBox(10, picture, name, bar, took, ratio);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private final class Cell extends ListCell<JournalRow> {

    @Override
    protected void updateItem(@Nullable JournalRow row, boolean empty) {
      super.updateItem(row, empty);
      setText(null);
      setGraphic(empty || row == null ? null : graphic(row));
    }

    private HBox graphic(JournalRow row) {
      Grouping by = journal.groupingProperty().get();
      double room =
          list.getWidth() - THUMB - TextSize.px(NAME_WIDTH + 2 * NUMBER_WIDTH) - 4 * 10 - 60;
      PhaseBar bar = new PhaseBar(row.byPhase(), Math.max(10, room) / most);
      StackPane picture = new StackPane();
      if (by == Grouping.PICTURE) {
        picture.setMinHeight(THUMB);
        thumb(row.key(), picture);
      } else {
        picture.getChildren().add(new Label(Integer.toString(row.pictures())));
      }
      Label name = word(JournalWords.title(row, by), NAME_WIDTH);
      name.getStyleClass().add("finding-title");
      String took = JournalWords.time(row.active());
      Label ratio = word(JournalWords.ratio(row.ratio()), NUMBER_WIDTH);
      setAccessibleText(name.getText() + ", " + took + " " + ratio.getText());
      return row(picture, name, bar, word(took, NUMBER_WIDTH), ratio);
    }

    private void thumb(String id, StackPane into) {
      Image known = images.get(id);
      if (known != null) {
        into.getChildren().setAll(square(known, THUMB));
        return;
      }
      journal.pictures(
          id,
          found -> {
            byte[] jpeg = found.finished() == null ? found.asShot() : found.finished();
            if (jpeg != null) {
              Image image = new Image(new ByteArrayInputStream(jpeg), 0, 3 * THUMB, true, true);
              images.put(id, image);
              into.getChildren().setAll(square(image, THUMB));
            }
          });
    }
  }

  /** The upper middle of a picture, where faces are. */
  static ImageView square(Image image, double side) {
    double least = Math.min(image.getWidth(), image.getHeight());
    ImageView view = new ImageView(image);
    view.setViewport(
        new Rectangle2D(
            (image.getWidth() - least) / 2, (image.getHeight() - least) / 3, least, least));
    view.setFitWidth(side);
    view.setFitHeight(side);
    view.setSmooth(true);
    return view;
  }
}
