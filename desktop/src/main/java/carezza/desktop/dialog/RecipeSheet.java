package carezza.desktop.dialog;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Buttons;
import carezza.desktop.text.Texts;
import carezza.recipe.Output;
import carezza.recipe.Recipe;

/** Makes a recipe of another, or changes one: its name, and its files one below the other. */
public final class RecipeSheet extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");

  private static final double WIDTH = 620;
  private static final double HEIGHT = 400;

  private final TextField name = new TextField();
  private final VBox rows = new VBox(16);
  private final List<RecipeRow> outputs = new ArrayList<>();
  private final Label wrong = new Label();

  /**
   * @param keep keeps the recipe; says what is wrong, or nothing
   */
  public RecipeSheet(Recipe from, String proposed, Function<Recipe, String> keep, Runnable done) {
    super(12);
    setId("recipe-sheet");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("sheet.title"));
    heading.getStyleClass().add("title");
    name.setId("recipe-name");
    name.setText(proposed);
    name.setAccessibleText(TEXTS.get("sheet.name"));
    name.setTooltip(new Tooltip(TEXTS.get("sheet.name")));
    Label words = new Label(TEXTS.get("sheet.words"));
    words.setWrapText(true);
    words.getStyleClass().add("hint");
    from.outputs().forEach(o -> outputs.add(new RecipeRow(o)));
    ScrollPane scroll = new ScrollPane(rows);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setMaxHeight(HEIGHT);
    wrong.setId("recipe-wrong");
    wrong.setWrapText(true);
    getChildren()
        .addAll(
            heading,
            name,
            words,
            scroll,
            wrong,
            new HBox(
                8,
                Buttons.main(
                    "recipe-keep",
                    TEXTS.get("sheet.keep"),
                    TEXTS.get("sheet.keep.tip"),
                    () -> keep(keep, done)),
                Buttons.of(
                    "recipe-more",
                    TEXTS.get("sheet.more"),
                    TEXTS.get("sheet.more.tip"),
                    this::more),
                Buttons.of(
                    "recipe-not", TEXTS.get("sheet.not"), TEXTS.get("sheet.not.tip"), done)));
    show();
  }

  private void show() {
    rows.getChildren().clear();
    for (RecipeRow row : outputs) {
      rows.getChildren().add(row.node(outputs.size() > 1 ? () -> out(row) : null));
    }
  }

  private void out(RecipeRow row) {
    outputs.remove(row);
    show();
  }

  /** Another file like the last one. */
  private void more() {
    try {
      RecipeRow more = new RecipeRow(outputs.getLast().output());
      more.named(TEXTS.get("sheet.another", outputs.size() + 1));
      outputs.add(more);
      wrong.setText("");
      show();
    } catch (RecipeRow.Wrong e) {
      wrong.setText(e.getMessage());
    }
  }

  private void keep(Function<Recipe, String> keep, Runnable done) {
    if (name.getText().isBlank()) {
      wrong.setText(TEXTS.get("sheet.no-name"));
      return;
    }
    try {
      List<Output> all = new ArrayList<>();
      for (RecipeRow row : outputs) {
        Output output = row.output();
        if (all.stream().anyMatch(o -> o.name().equals(output.name()))) {
          wrong.setText(TEXTS.get("sheet.same-name", output.name()));
          return;
        }
        all.add(output);
      }
      String problem = keep.apply(new Recipe(name.getText().strip(), all));
      wrong.setText(problem);
      if (problem.isEmpty()) {
        done.run();
      }
    } catch (RecipeRow.Wrong e) {
      wrong.setText(e.getMessage());
    }
  }
}
