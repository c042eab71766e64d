package carezza.desktop.dialog;

import java.io.ByteArrayInputStream;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Buttons;
import carezza.desktop.text.Language;
import carezza.desktop.text.Texts;
import carezza.session.Journals.LeftBehind;

/**
 * Work that earlier runs did not save, each with its picture: taken up, thrown away, or left for
 * another time.
 */
public final class RecoverySheet extends VBox {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDTH = 600;
  private static final double ROW = 84;
  private static final int MOST_ROWS = 5;

  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
          .withLocale(Language.now().locale())
          .withZone(ZoneId.systemDefault());

  private final VBox rows = new VBox(8);

  public RecoverySheet(
      List<LeftBehind> works,
      Consumer<LeftBehind> takeUp,
      Consumer<LeftBehind> discard,
      Runnable later) {
    super(12);
    setId("recovery");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("recoverySheet.work-that-was-not-saved"));
    heading.getStyleClass().add("title");
    Label words = new Label(TEXTS.get("recoverySheet.carezza-ended-before-this-was-saved"));
    words.setWrapText(true);
    for (LeftBehind work : works) {
      rows.getChildren().add(row(work, takeUp, discard, later));
    }
    ScrollPane list = new ScrollPane(rows);
    list.setFitToWidth(true);
    list.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    list.setPrefViewportHeight(Math.min(MOST_ROWS, works.size()) * (ROW + 8));
    Button close =
        Buttons.of(
            "recovery-later",
            TEXTS.get("recoverySheet.later"),
            TEXTS.get("recoverySheet.leaves-all-of-it-where-it"),
            later);
    getChildren().addAll(heading, words, list, close);
  }

  private HBox row(
      LeftBehind work,
      Consumer<LeftBehind> takeUp,
      Consumer<LeftBehind> discard,
      Runnable emptied) {
    StackPane picture = new StackPane();
    picture.setMinSize(ROW, ROW);
    picture.setPrefSize(ROW, ROW);
    if (work.preview().length > 0) {
      ImageView view =
          new ImageView(
              new Image(new ByteArrayInputStream(work.preview()), ROW * 2, ROW * 2, true, true));
      view.setFitWidth(ROW);
      view.setFitHeight(ROW);
      view.setPreserveRatio(true);
      picture.getChildren().add(view);
    }
    Label title = new Label(work.title());
    title.getStyleClass().add("heading");
    Label when =
        new Label(
            "%s · %s"
                .formatted(
                    WHEN.format(work.time()),
                    work.steps() == 1
                        ? TEXTS.get("recoverySheet.1-step")
                        : TEXTS.get("recoverySheet.steps", work.steps())));
    VBox words = new VBox(3, title, when);
    words.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(words, Priority.ALWAYS);
    Button up = new Button(TEXTS.get("recoverySheet.take-up"));
    up.getStyleClass().addAll("strong", "recovery-take");
    up.setTooltip(new Tooltip(TEXTS.get("recoverySheet.opens-it-as-it-was-it")));
    up.setOnAction(e -> takeUp.accept(work));
    Button away = new Button(TEXTS.get("recoverySheet.throw-away"));
    away.getStyleClass().add("recovery-discard");
    away.setTooltip(new Tooltip(TEXTS.get("recoverySheet.deletes-it-for-good-press-twice")));
    HBox row = new HBox(12, picture, words, up, away);
    row.setAlignment(Pos.CENTER_LEFT);
    away.setOnAction(
        e -> {
          if (away.getUserData() == null) {
            away.setUserData(true);
            away.setText(TEXTS.get("recoverySheet.really"));
            return;
          }
          discard.accept(work);
          rows.getChildren().remove(row);
          if (rows.getChildren().isEmpty()) {
            emptied.run();
          }
        });
    return row;
  }
}
