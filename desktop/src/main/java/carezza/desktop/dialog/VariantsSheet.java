package carezza.desktop.dialog;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.state.DocumentState;
import carezza.desktop.text.Texts;
import carezza.desktop.variant.VariantDesk;
import carezza.desktop.variant.VariantWords;
import carezza.model.Variant;

/**
 * All variants: their names, what each has otherwise than the one at work, and what to do with it.
 */
public final class VariantsSheet extends VBox {

  private static final Texts TEXTS = Texts.of("variants");

  private static final double WIDTH = 560;
  private static final double HEIGHT = 400;
  private static final double NAME = 200;

  private final DocumentState document;
  private final VariantDesk desk;
  private final Runnable done;
  private final VBox rows = new VBox(14);
  private final Label wrong = new Label();

  public VariantsSheet(DocumentState document, VariantDesk desk, Runnable done) {
    super(12);
    this.document = document;
    this.desk = desk;
    this.done = done;
    setId("variants-sheet");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("heading"));
    heading.getStyleClass().add("title");
    Label words = new Label(TEXTS.get("words"));
    words.setWrapText(true);
    wrong.setId("variants-wrong");
    wrong.setWrapText(true);
    ScrollPane scroll = new ScrollPane(rows);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setMaxHeight(HEIGHT);
    getChildren()
        .addAll(
            heading,
            words,
            scroll,
            wrong,
            new HBox(
                8,
                Buttons.main(
                    "variant-double",
                    TEXTS.get("double"),
                    TEXTS.get("double.tip"),
                    () -> {
                      desk.doubleIt();
                      show();
                      // What is new wants a name.
                      lookup("#variant-name-" + document.settled().variants().place())
                          .requestFocus();
                    }),
                Buttons.of("variants-done", TEXTS.get("done"), TEXTS.get("done.tip"), done)));
    show();
  }

  private void show() {
    wrong.setText(desk.hasRoom() ? "" : TEXTS.get("no-room"));
    rows.getChildren().clear();
    List<Variant> all = document.settled().allVariants();
    int own = document.settled().variants().place();
    for (int i = 0; i < all.size(); i++) {
      rows.getChildren().add(row(i, all, own));
    }
  }

  private VBox row(int place, List<Variant> all, int own) {
    HBox line = new HBox(8, name(place, all.get(place).name(), all.size() > 1), new Spring());
    line.setAlignment(Pos.CENTER_LEFT);
    VBox row = new VBox(4, line);
    if (place == own) {
      Label here = new Label(TEXTS.get("at-work"));
      here.getStyleClass().add("hint");
      line.getChildren().add(here);
    } else {
      line.getChildren()
          .addAll(
              Buttons.of(
                  "variant-beside-" + place,
                  TEXTS.get("beside"),
                  TEXTS.get("beside.tip"),
                  () -> {
                    desk.setBeside(place);
                    done.run();
                  }),
              Buttons.of(
                  "variant-to-" + place,
                  TEXTS.get("go-to"),
                  TEXTS.get("go-to.tip"),
                  () -> {
                    desk.goTo(place);
                    show();
                  }));
      for (String difference : VariantWords.differences(all.get(own), all.get(place))) {
        Label words = new Label(difference);
        words.getStyleClass().add("hint");
        words.setWrapText(true);
        row.getChildren().add(words);
      }
    }
    if (all.size() > 1) {
      line.getChildren()
          .add(
              Buttons.of(
                  "variant-out-" + place,
                  TEXTS.get("take-out"),
                  TEXTS.get("take-out.tip"),
                  () -> {
                    desk.remove(place);
                    show();
                  }));
    }
    return row;
  }

  private TextField name(int place, String name, boolean several) {
    TextField field = new TextField(name);
    field.setId("variant-name-" + place);
    field.setMinWidth(NAME);
    field.setAccessibleText(TEXTS.get("name"));
    field.setTooltip(new Tooltip(TEXTS.get("name.tip")));
    field.setDisable(!several);
    field
        .focusedProperty()
        .subscribe(
            (was, is) -> {
              if (was && !is && field.getScene() != null) {
                rename(place, field);
              }
            });
    field.setOnAction(e -> rename(place, field));
    return field;
  }

  private void rename(int place, TextField field) {
    String problem = desk.rename(place, field.getText());
    wrong.setText(problem);
    if (!problem.isEmpty()) {
      field.setText(document.settled().allVariants().get(place).name());
    }
  }
}
