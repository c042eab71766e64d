package carezza.desktop.control;

import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

import carezza.desktop.style.TextSize;
import carezza.desktop.text.Texts;

/**
 * A number: its name, a track with the part taken, and the number itself, which can be typed with
 * its unit. Arrows move it by a step, a double click on the name puts it back.
 */
public final class NumberRow extends HBox {

  private static final Texts TEXTS = Texts.of("controls");

  /** Style class of fields that are left once what was typed is taken. */
  public static final String LEFT_ON_ENTER = "left-on-enter";

  /** Half the width of the thumb, and the height of the track, as the style sheet has them. */
  private static final double THUMB = 3;

  private static final double TRACK = 3;

  private static final double NAME_WIDTH = 96;
  private static final double FIELD_WIDTH = 78;

  /** Steps in the range of a number, more or less. */
  private static final double STEPS = 120;

  private static final Pattern NUMBER = Pattern.compile("[-+−]?\\d*[.,]?\\d+");

  private final Slider slider;
  private final Region taken = new Region();
  private final TextField field = new TextField();
  private final DoubleFunction<String> words;
  private final Function<String, OptionalDouble> reader;
  private DoubleConsumer changed = v -> {};
  private Runnable settled = () -> {};
  private Runnable reset = () -> {};
  private boolean following;

  /** The number that was written in the field last, and how. */
  private double said = Double.NaN;

  private String written = "";

  /**
   * @param id by which it is found; its field's is that with {@code -field}
   * @param tip what it means, with its unit
   * @param words the number as it is shown, with its unit
   */
  public NumberRow(
      String id, String title, String tip, double low, double high, DoubleFunction<String> words) {
    this(id, title, tip, low, high, words, NumberRow::number);
  }

  /**
   * @param reader what a text means that somebody typed; nothing if it is no number
   */
  public NumberRow(
      String id,
      String title,
      String tip,
      double low,
      double high,
      DoubleFunction<String> words,
      Function<String, OptionalDouble> reader) {
    super(8);
    this.words = words;
    this.reader = reader;
    getStyleClass().add("number-row");
    setAlignment(Pos.CENTER_LEFT);
    slider = new Slider(low, high, low);
    slider.setId(id);
    slider.setMinWidth(40);
    slider.setBlockIncrement(step(low, high));
    slider.setAccessibleText(title);
    Label name = new Label(title);
    name.getStyleClass().add("row-name");
    name.setWrapText(true);
    name.setMinWidth(TextSize.px(NAME_WIDTH));
    name.setPrefWidth(TextSize.px(NAME_WIDTH));
    name.setLabelFor(slider);
    name.setTooltip(new Tooltip(TEXTS.get("numberRow.name-tip", tip)));
    slider.setTooltip(new Tooltip(tip));
    taken.getStyleClass().add("taken");
    taken.setManaged(false);
    taken.setMouseTransparent(true);
    StackPane bar = new StackPane(slider, taken);
    HBox.setHgrow(bar, Priority.ALWAYS);
    field.setId(id + "-field");
    field.getStyleClass().addAll("row-number", LEFT_ON_ENTER);
    field.setPrefWidth(TextSize.px(FIELD_WIDTH));
    field.setMinWidth(TextSize.px(FIELD_WIDTH));
    field.setMaxWidth(TextSize.px(FIELD_WIDTH));
    field.setAlignment(Pos.CENTER_RIGHT);
    field.setAccessibleText(title);
    field.setTooltip(new Tooltip(TEXTS.get("numberRow.field-tip", tip)));
    getChildren().addAll(name, bar, field);
    listen(name);
    slider.valueProperty().subscribe((was, is) -> fill());
    slider.boundsInParentProperty().subscribe((was, is) -> fill());
  }

  private void listen(Label name) {
    slider
        .valueProperty()
        .subscribe(
            (was, is) -> {
              if (!following) {
                say(is.doubleValue());
                changed.accept(is.doubleValue());
              }
            });
    slider.setOnMouseReleased(e -> settled.run());
    slider.setOnKeyReleased(e -> settled.run());
    slider.setOnScroll(
        e -> {
          if (slider.isFocused()) {
            slider.setValue(
                slider.getValue() + Math.signum(e.getDeltaY()) * slider.getBlockIncrement());
            settled.run();
            e.consume();
          }
        });
    for (Node node : new Node[] {name, slider}) {
      node.setOnMouseClicked(
          e -> {
            if (e.getClickCount() == 2 && e.getButton() == MouseButton.PRIMARY) {
              reset.run();
            }
          });
    }
    field.setOnAction(e -> take());
    field.focusedProperty().subscribe((was, is) -> leave(is));
    field.setOnKeyPressed(
        e -> {
          double by = e.getCode() == KeyCode.UP ? 1 : e.getCode() == KeyCode.DOWN ? -1 : 0;
          if (by != 0) {
            slider.setValue(slider.getValue() + by * slider.getBlockIncrement());
            settled.run();
            e.consume();
          }
        });
  }

  private void leave(boolean entered) {
    if (entered) {
      field.selectAll();
    } else {
      take();
    }
  }

  /** Takes what was typed; what is no number is forgotten. */
  private void take() {
    if (isEdited()) {
      OptionalDouble typed = reader.apply(field.getText());
      if (typed.isPresent()) {
        slider.setValue(Math.clamp(typed.getAsDouble(), slider.getMin(), slider.getMax()));
        settled.run();
      }
      said = Double.NaN;
      say(slider.getValue());
    }
  }

  private boolean isEdited() {
    return !field.getText().equals(written);
  }

  private void say(double value) {
    // While a hand draws, every number of a panel is shown again with each of its moves.
    if (value != said) {
      written = words.apply(value);
      field.setText(written);
      said = value;
    }
  }

  /** The first number in a text, with a point or a comma; nothing if there is none. */
  public static OptionalDouble number(String text) {
    Matcher found = NUMBER.matcher(text);
    return found.find()
        ? OptionalDouble.of(Double.parseDouble(found.group().replace(',', '.').replace('−', '-')))
        : OptionalDouble.empty();
  }

  /** The round number that divides a range into about {@value #STEPS} parts. */
  static double step(double low, double high) {
    double wanted = (high - low) / STEPS;
    double ten = Math.pow(10, Math.floor(Math.log10(wanted)));
    double share = wanted / ten;
    return (share < 1.5 ? 1 : share < 3.5 ? 2 : share < 7.5 ? 5 : 10) * ten;
  }

  /**
   * @param changed takes each value while it moves
   * @param settled runs when the hand lets go
   * @param reset puts back what it was to begin with
   */
  public void onChange(DoubleConsumer changed, Runnable settled, Runnable reset) {
    this.changed = changed;
    this.settled = settled;
    this.reset = reset;
  }

  /** Shows a value; nobody is told of it. */
  public void show(double value) {
    following = true;
    slider.setValue(value);
    following = false;
    // What somebody is typing is not written over; a field that is only stood in follows.
    if (!field.isFocused() || !isEdited()) {
      say(value);
    }
  }

  /** Fills the track from nothing, or from the middle of a range that has one, to the value. */
  private void fill() {
    double span = slider.getMax() - slider.getMin();
    double zero = slider.getMin() < 0 && slider.getMax() > 0 ? -slider.getMin() / span : 0;
    double at = (slider.getValue() - slider.getMin()) / span;
    double width = slider.getWidth() - 2 * THUMB;
    double from = Math.min(zero, at) * width;
    double to = Math.max(zero, at) * width;
    taken.resizeRelocate(
        slider.getLayoutX() + THUMB + from,
        slider.getLayoutY() + (slider.getHeight() - TRACK) / 2,
        Math.max(0, to - from),
        TRACK);
  }
}
