package carezza.desktop.dialog;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
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

/** The fields of one file of a recipe. */
final class RecipeRow {

  private static final Texts TEXTS = Texts.of("deliver");

  private static final int LEAST_SIDE = 16;
  private static final int MOST_SIDE = 60_000;

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

  /** What is typed cannot be; the message is a sentence. */
  static final class Wrong extends Exception {

    private static final long serialVersionUID = 1L;

    Wrong(String words) {
      super(words);
    }
  }

  RecipeRow(Output from) {
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
    exact.setText(from.exact() == null ? "" : from.exact().width() + " x " + from.exact().height());
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

  void named(String name) {
    called.setText(name);
  }

  private static TextField field(String id, String key) {
    TextField field = new TextField();
    field.setId(id);
    field.setAccessibleText(TEXTS.get(key));
    field.setTooltip(new Tooltip(TEXTS.get(key + ".tip")));
    return field;
  }

  private static <T> void choice(ComboBox<T> box, String id, String key, List<T> all) {
    box.setId(id);
    box.getItems().addAll(all);
    box.setMaxWidth(Double.MAX_VALUE);
    box.setAccessibleText(TEXTS.get(key));
    box.setTooltip(new Tooltip(TEXTS.get(key + ".tip")));
  }

  /**
   * @param out takes the file out of the recipe; null where it is the only one
   */
  Node node(@Nullable Runnable out) {
    GridPane grid = new GridPane(8, 6);
    put(grid, 0, "sheet.pattern", pattern, "sheet.folder", folder);
    put(grid, 1, "sheet.format", format, "sheet.profile", profile);
    put(grid, 2, "sheet.edge", edge, "sheet.exact", exact);
    put(grid, 3, "sheet.quality", quality, "sheet.bits", bits);
    put(grid, 4, "sheet.sharpening", sharpening, "sheet.notes", carried);
    HBox head = new HBox(8, called, new Spring(), pair, retouched);
    head.setAlignment(Pos.CENTER_LEFT);
    if (out != null) {
      head.getChildren()
          .add(Buttons.of("output-out", TEXTS.get("sheet.out"), TEXTS.get("sheet.out.tip"), out));
    }
    VBox one = new VBox(6, head, grid);
    one.getStyleClass().add("recipe-output");
    return one;
  }

  private static void put(GridPane grid, int y, String left, Node one, String right, Node other) {
    grid.addRow(y, new Label(TEXTS.get(left)), one, new Label(TEXTS.get(right)), other);
  }

  /** The file as the fields say. */
  Output output() throws Wrong {
    String name = called.getText().strip();
    if (name.isEmpty()) {
      throw new Wrong(TEXTS.get("sheet.file-without-name"));
    }
    if (profile.getValue().inks() && format.getValue() != PictureFormat.TIFF) {
      throw new Wrong(TEXTS.get("sheet.inks-need-tiff", name, profile.getValue().title()));
    }
    PictureSize size = exactly(name);
    int longEdge =
        size != null
            ? size.longEdge()
            : edge.getText().isBlank() ? 0 : whole(name, "sheet.edge", edge, LEAST_SIDE, MOST_SIDE);
    OutputColour before = from.delivery().colour();
    Delivery how =
        new Delivery(
            longEdge,
            whole(name, "sheet.quality", quality, 1, 100),
            bits.getValue(),
            0,
            new OutputColour(profile.getValue(), before.intent(), before.blackPoint()),
            carried.getValue(),
            false,
            retouched.isSelected());
    double crisp = whole(name, "sheet.sharpening", sharpening, 0, 100) / 100.0;
    NamePattern names = pattern(name);
    try {
      return new Output(
          name,
          names,
          folder.getText().strip(),
          format.getValue(),
          how,
          size,
          crisp,
          pair.isSelected());
    } catch (IllegalArgumentException e) {
      // All else was looked at: what is left is a folder that is none, or not within the other.
      throw new Wrong(TEXTS.get("sheet.bad-folder", name, folder.getText()));
    }
  }

  private NamePattern pattern(String name) throws Wrong {
    try {
      return new NamePattern(pattern.getText().strip());
    } catch (IllegalArgumentException e) {
      throw new Wrong(TEXTS.get("sheet.bad-pattern", name, pattern.getText()));
    }
  }

  private @Nullable PictureSize exactly(String name) throws Wrong {
    String words = exact.getText().strip();
    if (words.isEmpty()) {
      return null;
    }
    if (!words.matches("\\d{1,6} *[x×] *\\d{1,6}")) {
      throw new Wrong(TEXTS.get("sheet.bad-size", name, words));
    }
    String[] sides = words.split(" *[x×] *", -1);
    return new PictureSize(
        whole(name, "sheet.exact", sides[0], LEAST_SIDE, MOST_SIDE),
        whole(name, "sheet.exact", sides[1], LEAST_SIDE, MOST_SIDE));
  }

  private static int whole(String name, String key, TextField field, int least, int most)
      throws Wrong {
    return whole(name, key, field.getText().strip(), least, most);
  }

  private static int whole(String name, String key, String words, int least, int most)
      throws Wrong {
    int value = words.matches("\\d{1,6}") ? Integer.parseInt(words) : -1;
    if (value < least || value > most) {
      throw new Wrong(TEXTS.get("sheet.bad-number", name, TEXTS.get(key), least, most, words));
    }
    return value;
  }
}
