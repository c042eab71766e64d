package carezza.desktop.view.plan;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Buttons;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;
import carezza.desktop.view.PageEvent;
import carezza.measure.Gauge;

/** Says what could be practised where the work loses texture or form; can be turned off. */
final class PracticeHint extends VBox {

  private static final Texts TEXTS = Texts.of("plan");

  private final AppState state;
  private final Label words = new Label();
  private String page = "";

  PracticeHint(AppState state, Subscriptions subscriptions) {
    super(6);
    this.state = state;
    setId("practice-hint");
    words.setWrapText(true);
    words.setMinHeight(Region.USE_PREF_SIZE);
    HBox buttons =
        new HBox(
            6,
            Buttons.of(
                "practice-hint-go",
                TEXTS.get("practice-hint.go"),
                TEXTS.get("practice-hint.go.tip"),
                () -> fireEvent(new PageEvent(page))),
            Buttons.of(
                "practice-hint-off",
                TEXTS.get("practice-hint.off"),
                TEXTS.get("practice-hint.off.tip"),
                () -> state.view().practiceHintsProperty().set(false)));
    getChildren().addAll(words, buttons);
    subscriptions.on(
        this::show, state.measurements().gaugesProperty(), state.view().practiceHintsProperty());
    show();
  }

  private void show() {
    boolean texture = below("textureKept");
    boolean form = below("formKept");
    boolean wanted =
        (texture || form)
            && state.view().practiceHintsProperty().get()
            && !state.document().isRestrained();
    page = texture ? "exercise-heal" : "exercise-even";
    words.setText(TEXTS.get(texture ? "practice-hint.texture" : "practice-hint.form"));
    setVisible(wanted);
    setManaged(wanted);
  }

  private boolean below(String id) {
    for (Gauge gauge : state.measurements().gaugesProperty().get()) {
      if (gauge.id().equals(id) && gauge.verdict() == Gauge.Verdict.BELOW) {
        return true;
      }
    }
    return false;
  }
}
