package carezza.desktop.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.control.Titled;
import carezza.desktop.text.Texts;
import carezza.image.PictureSize;
import carezza.metadata.Metadata.Carried;
import carezza.recipe.Delivery;
import carezza.recipe.NamePattern;
import carezza.recipe.Output;
import carezza.recipe.Recipe;

/** Makes a recipe of another, or changes one: its name, and its files one below the other. */
final class RecipeSheet extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");

  private static final double WIDTH = 620;
  private static final double HEIGHT = 400;
  private static final int MOST_EDGE = 60_000;

  private final TextField name = new TextField();
  private final VBox rows = new VBox(16);
  private final List<Row> outputs = new ArrayList<>();
  private final Label wrong = new Label();

  /**
   * @param keep keeps the recipe; says what is wrong, or nothing
   */
  RecipeSheet(Recipe from, String proposed, Function<Recipe, String> keep, Runnable done) {
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
    from.outputs().forEach(o -> outputs.add(new Row(o)));
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
    rows.getChildren().setAll(outputs.stream().map(Row::node).toList());
  }

  /** Another file like the last one. */
  private void more() {
    outputs.add(outputs.getLast().again(TEXTS.get("sheet.another", outputs.size() + 1)));
    show();
  }

  private void keep(Function<Recipe, String> keep, Runnable done) {
    try {
      List<Output> all = new ArrayList<>();
      for (Row row : outputs) {
        all.add(row.output());
      }
      if (name.getText().isBlank()) {
        wrong.setText(TEXTS.get("sheet.no-name"));
        return;
      }
      String problem = keep.apply(new Recipe(name.getText().strip(), all));
      wrong.setText(problem);
      if (problem.isEmpty()) {
        done.run();
      }
    } catch (IllegalArgumentException e) {
      wrong.setText(TEXTS.get("sheet.wrong", e.getMessage()));
    }
  }

  /** The fields of one file. */
  private final class Row {
    private final Output from;
    private final TextField called = field("output-name", "sheet.output");
    private final TextField pattern = field("output-pattern", "sheet.pattern");
    private final TextField folder = field("output-folder", "sheet.folder");
    private final ComboBox<PictureFormat> format = new ComboBox<>();
    private final TextField edge = field("output-edge", "sheet.edge");
    private final TextField exact = field("output-exact", "sheet.exact");
    private final TextField quality = field("output-quality", "sheet.quality");
    private final ComboBox<Integer> bits = new ComboBox<>();
    private final ComboBox<OutputProfile> profile = new ComboBox<>();
    private final ComboBox<Carried> carried = new ComboBox<>();
    private final TextField sharpening = field("output-sharpening", "sheet.sharpening");
    private final CheckBox retouched = new CheckBox(TEXTS.get("sheet.retouched"));
    private final CheckBox pair = new CheckBox(TEXTS.get("sheet.pair"));

    Row(Output from) {
      this.from = from;
      Delivery how = from.delivery();
      called.setText(from.name());
      pattern.setText(from.pattern().pattern());
      folder.setText(from.folder());
      choice(format, "output-format", "sheet.format", List.of(PictureFormat.values()));
      format.setConverter(new Titled<>(f -> f.name()));
      format.setValue(from.format());
      edge.setText(
          from.exact() == null && how.longEdge() > 0 ? Integer.toString(how.longEdge()) : "");
      exact.setText(
          from.exact() == null ? "" : from.exact().width() + " x " + from.exact().height());
      quality.setText(Integer.toString(how.quality()));
      choice(bits, "output-bits", "sheet.bits", List.of(8, 16));
      bits.setConverter(new Titled<>(b -> Integer.toString(b)));
      bits.setValue(how.bits());
      choice(profile, "output-profile", "sheet.profile", OutputProfile.shipped());
      profile.setConverter(new Titled<>(OutputProfile::title));
      if (!profile.getItems().contains(how.colour().profile())) {
        profile.getItems().add(how.colour().profile());
      }
      profile.setValue(how.colour().profile());
      choice(carried, "output-notes", "sheet.notes", List.of(Carried.values()));
      carried.setConverter(
          new Titled<>(c -> TEXTS.get("sheet.notes." + c.name().toLowerCase(Locale.ROOT))));
      carried.setValue(how.carried());
      sharpening.setText(Integer.toString((int) Math.round(100 * from.sharpening())));
      retouched.setSelected(how.retouched());
      pair.setSelected(from.pair());
    }

    Row again(String name) {
      Row row = new Row(output());
      row.called.setText(name);
      return row;
    }

    private TextField field(String id, String key) {
      TextField field = new TextField();
      field.setId(id);
      field.setAccessibleText(TEXTS.get(key));
      field.setTooltip(new Tooltip(TEXTS.get(key + ".tip")));
      return field;
    }

    private <T> void choice(ComboBox<T> box, String id, String key, List<T> all) {
      box.setId(id);
      box.getItems().addAll(all);
      box.setMaxWidth(Double.MAX_VALUE);
      box.setAccessibleText(TEXTS.get(key));
      box.setTooltip(new Tooltip(TEXTS.get(key + ".tip")));
    }

    Node node() {
      GridPane grid = new GridPane(8, 6);
      put(grid, 0, "sheet.pattern", pattern, "sheet.folder", folder);
      put(grid, 1, "sheet.format", format, "sheet.profile", profile);
      put(grid, 2, "sheet.edge", edge, "sheet.exact", exact);
      put(grid, 3, "sheet.quality", quality, "sheet.bits", bits);
      put(grid, 4, "sheet.sharpening", sharpening, "sheet.notes", carried);
      HBox head = new HBox(8, called, new Spring(), pair, retouched);
      head.setAlignment(Pos.CENTER_LEFT);
      if (outputs.size() > 1) {
        head.getChildren()
            .add(
                Buttons.of(
                    "output-out",
                    TEXTS.get("sheet.out"),
                    TEXTS.get("sheet.out.tip"),
                    () -> {
                      outputs.remove(this);
                      show();
                    }));
      }
      VBox one = new VBox(6, head, grid);
      one.getStyleClass().add("recipe-output");
      return one;
    }

    private void put(GridPane grid, int y, String left, Node one, String right, Node other) {
      grid.addRow(y, new Label(TEXTS.get(left)), one, new Label(TEXTS.get(right)), other);
    }

    /**
     * @throws IllegalArgumentException saying what is wrong
     */
    Output output() {
      PictureSize size = exactly();
      int longEdge =
          size != null ? size.longEdge() : whole(edge.getText().isBlank() ? "0" : edge.getText());
      OutputColour before = from.delivery().colour();
      Delivery how =
          new Delivery(
              longEdge,
              Math.clamp(whole(quality.getText()), 1, 100),
              bits.getValue(),
              0,
              new OutputColour(profile.getValue(), before.intent(), before.blackPoint()),
              carried.getValue(),
              false,
              retouched.isSelected());
      return new Output(
          called.getText().strip(),
          new NamePattern(pattern.getText().strip()),
          folder.getText().strip(),
          format.getValue(),
          how,
          size,
          Math.clamp(whole(sharpening.getText()), 0, 100) / 100.0,
          pair.isSelected());
    }

    private @Nullable PictureSize exactly() {
      if (exact.getText().isBlank()) {
        return null;
      }
      String[] sides = exact.getText().split("[x×]", -1);
      if (sides.length != 2) {
        throw new IllegalArgumentException(exact.getText());
      }
      return new PictureSize(whole(sides[0]), whole(sides[1]));
    }

    private int whole(String words) {
      String digits = words.strip();
      if (!digits.matches("\\d{1,6}") || Integer.parseInt(digits) > MOST_EDGE) {
        throw new IllegalArgumentException(words);
      }
      return Integer.parseInt(digits);
    }
  }
}
