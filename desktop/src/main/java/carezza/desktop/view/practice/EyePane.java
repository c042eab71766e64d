package carezza.desktop.view.practice;

import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.desktop.control.Buttons;
import carezza.desktop.practice.EyeState;
import carezza.desktop.practice.EyeState.Shown;
import carezza.desktop.text.Texts;
import carezza.practice.EyeTest;

/**
 * Two crops side by side on the neutral surround, and a question; the arrow keys answer it, or a
 * press on one of them.
 */
final class EyePane extends VBox {

  private static final Texts TEXTS = Texts.of("practice");

  /** Pixels between the two. */
  private static final double APART = 36;

  private final EyeState eye;
  private final Supplier<ScreenColour> screen;
  private final Label question = new Label();
  private final Label place = new Label();
  private final Label rest = new Label(TEXTS.get("eye.rest"));
  private final ImageView left = crop("eye-left");
  private final ImageView right = crop("eye-right");

  /**
   * @param screen how colours come to the screen
   */
  EyePane(EyeState eye, Supplier<ScreenColour> screen) {
    super(14);
    this.eye = eye;
    this.screen = screen;
    setId("eye-test");
    setAlignment(Pos.CENTER);
    setFocusTraversable(true);
    question.getStyleClass().add("title");
    question.setId("eye-question");
    place.getStyleClass().add("hint");
    rest.getStyleClass().add("hint");
    Button first = button("eye-answer-left", TEXTS.get("eye.left"), false);
    Button second = button("eye-answer-right", TEXTS.get("eye.right"), true);
    HBox pair = new HBox(APART, answering(left, first), answering(right, second));
    pair.setAlignment(Pos.CENTER);
    Button stop =
        Buttons.of("eye-stop", TEXTS.get("eye.stop"), TEXTS.get("eye.stop.tip"), eye::stop);
    getChildren().addAll(question, pair, place, rest, stop);
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    left.setOnMouseClicked(e -> eye.answer(false));
    right.setOnMouseClicked(e -> eye.answer(true));
  }

  private static ImageView crop(String id) {
    ImageView view = new ImageView();
    view.setId(id);
    view.setFitWidth(EyeTest.SIDE);
    view.setFitHeight(EyeTest.SIDE);
    return view;
  }

  private Button button(String id, String words, boolean isRight) {
    return Buttons.of(id, words, TEXTS.get("eye.answer.tip"), () -> eye.answer(isRight));
  }

  private static VBox answering(Node picture, Node button) {
    VBox box = new VBox(8, picture, button);
    box.setAlignment(Pos.CENTER);
    return box;
  }

  private void key(KeyEvent event) {
    if (event.getCode() == KeyCode.LEFT || event.getCode() == KeyCode.RIGHT) {
      eye.answer(event.getCode() == KeyCode.RIGHT);
      event.consume();
    }
  }

  /** Shows a pair, or nothing while it is made. */
  void show(@Nullable Shown shown) {
    if (shown == null) {
      left.setImage(null);
      right.setImage(null);
      return;
    }
    question.setText(TEXTS.get("eye." + shown.quality() + ".question"));
    place.setText(TEXTS.get("eye.place", shown.answers() + 1, shown.reversals()));
    rest.setVisible(shown.answers() > 0 && shown.answers() % EyeTest.REST_AFTER == 0);
    left.setImage(Drawn.of(shown.pair().left(), screen.get()));
    right.setImage(Drawn.of(shown.pair().right(), screen.get()));
    requestFocus();
  }
}
