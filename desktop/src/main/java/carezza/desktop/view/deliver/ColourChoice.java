package carezza.desktop.view.deliver;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.desktop.control.Buttons;
import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.press.Intent;
import carezza.problem.Problem;

/**
 * The colours of the file: their space, how they become printable, and the proof of them on the
 * screen.
 */
final class ColourChoice extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");
  private static final String PROFILE = "deliver.profile";
  private static final String PROFILE_FILE = "deliver.profile.file";

  private final AppState state;
  private final Settings settings;
  private final Consumer<String> outcome;
  private Runnable changed = () -> {};
  private final ComboBox<OutputProfile> profile = new ComboBox<>();
  private final ComboBox<Intent> intent = new ComboBox<>();
  private final CheckBox blackPoint =
      new CheckBox(TEXTS.get("colourChoice.deepest-black-for-black"));
  private final CheckBox proof =
      new CheckBox(TEXTS.get("colourChoice.show-the-picture-in-these-colours"));
  private final CheckBox marks = new CheckBox(TEXTS.get("colourChoice.mark-what-it-does-not-hold"));
  private final VBox print = new VBox(8);
  private final Label press = DeliverPanel.words("");

  /**
   * @param outcome says what came of a profile that was taken up
   */
  ColourChoice(AppState state, Settings settings, Consumer<String> outcome) {
    super(10);
    this.state = state;
    this.settings = settings;
    this.outcome = outcome;
    Button other =
        Buttons.of(
            "deliver-other-profile",
            TEXTS.get("colourChoice.profile-of-a-printer-or-shop"),
            TEXTS.get("colourChoice.an-icc-profile-of-rgb-or"),
            this::pickProfile);
    getChildren().addAll(profile, other, print, proof, marks);
    build();
  }

  private void build() {
    profile.setId("deliver-profile");
    profile.setAccessibleText(TEXTS.get("colourChoice.colour-space"));
    profile.getItems().addAll(OutputProfile.shipped());
    profile.setConverter(new Titled<>(OutputProfile::title));
    profile.getSelectionModel().select(OutputProfile.SRGB);
    profile.setTooltip(new Tooltip(TEXTS.get("colourChoice.srgb-for-screens-and-the-web")));
    profile.valueProperty().addListener((o, was, is) -> sayColour());
    intent.setId("deliver-intent");
    intent.setAccessibleText(TEXTS.get("colourChoice.colours-that-cannot-be-printed"));
    intent.getItems().addAll(Intent.values());
    intent.setConverter(new Titled<>(Names::of));
    intent.getSelectionModel().select(Intent.COLORIMETRIC);
    intent.setTooltip(new Tooltip(TEXTS.get("colourChoice.perceptual-moves-all-colours-a-little")));
    intent.valueProperty().addListener((o, was, is) -> sayColour());
    blackPoint.setId("deliver-black-point");
    blackPoint.setSelected(true);
    blackPoint.setTooltip(
        new Tooltip(TEXTS.get("colourChoice.black-point-compensation-detail-in-the")));
    blackPoint.disableProperty().bind(intent.valueProperty().isNotEqualTo(Intent.COLORIMETRIC));
    blackPoint.selectedProperty().addListener((o, was, is) -> sayColour());
    print
        .getChildren()
        .addAll(
            DeliverPanel.caption(TEXTS.get("colourChoice.colours-that-cannot-be-printed")),
            intent,
            blackPoint,
            press);
    print.managedProperty().bind(print.visibleProperty());
    proof.setId("deliver-proof");
    proof.setTooltip(new Tooltip(TEXTS.get("colourChoice.soft-proof-the-picture-as-it")));
    proof.selectedProperty().addListener((o, was, is) -> sayColour());
    marks.setId("deliver-marks");
    marks.setTooltip(new Tooltip(TEXTS.get("colourChoice.mark-what-it-does-not-hold.tip")));
    marks.selectedProperty().addListener((o, was, is) -> sayColour());
    sayColour();
  }

  private void sayColour() {
    OutputProfile chosen = profile.getValue();
    print.setVisible(!chosen.equals(OutputProfile.SRGB) && !chosen.equals(OutputProfile.WIDE));
    press.setText(
        chosen.equals(OutputProfile.COATED)
            ? TEXTS.get("colourChoice.the-press-is-a-made-up")
            : "");
    press.setManaged(!press.getText().isEmpty());
    state
        .view()
        .screenProperty()
        .set(
            state
                .view()
                .screenProperty()
                .get()
                .proofing(proof.isSelected() ? colour() : null)
                .marking(marks.isSelected() ? colour() : null));
    changed.run();
  }

  /** Nothing is marked any more: marks are for looking a delivery over, not for working. */
  void unmark() {
    marks.setSelected(false);
  }

  /** Runs whenever another colour is chosen. */
  void onChange(Runnable run) {
    changed = run;
  }

  OutputColour colour() {
    return new OutputColour(profile.getValue(), intent.getValue(), blackPoint.isSelected());
  }

  private void pickProfile() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(TEXTS.get("colourChoice.the-profile-of-a-printer-or"));
    File picked = chooser.showOpenDialog(getScene().getWindow());
    if (picked != null) {
      useProfile(picked.toPath());
    }
  }

  /** Takes a profile from its file into the list and chooses it. */
  void useProfile(Path file) {
    try {
      OutputProfile own = OutputProfile.of(file);
      if (!profile.getItems().contains(own)) {
        profile.getItems().add(own);
      }
      profile.setValue(own);
      outcome.accept("");
      settings.set(PROFILE_FILE, file.toAbsolutePath().toString());
    } catch (Problem e) {
      outcome.accept(e.getMessage());
    }
  }

  void recall() {
    String own = settings.get(PROFILE_FILE, "");
    if (!own.isEmpty() && Files.isRegularFile(Path.of(own))) {
      useProfile(Path.of(own));
      profile.setValue(OutputProfile.SRGB);
    }
    String title = settings.get(PROFILE, "");
    profile.getItems().stream()
        .filter(p -> p.title().equals(title))
        .findFirst()
        .ifPresent(profile::setValue);
  }

  void remember() {
    settings.set(PROFILE, profile.getValue().title());
  }
}
