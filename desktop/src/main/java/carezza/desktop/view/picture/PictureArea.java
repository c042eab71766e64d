package carezza.desktop.view.picture;

import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;
import carezza.desktop.view.WorkLine;
import carezza.measure.CheckView;

/** The picture with the ways of seeing it above, and below what is shown, said and under way. */
public final class PictureArea extends VBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("picture");

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final PictureView picture;
  private final SettledPicture settled;
  private final BesidePictures beside;
  private final CheckStrip checks;
  private final Readouts readouts;
  private final Label shown = new Label();
  private final Label drift = new Label();
  private final Label message = new Label();
  private final WorkLine work;

  public PictureArea(AppState state, Settings settings) {
    this.state = state;
    picture = new PictureView(state);
    settled = new SettledPicture(state);
    beside = new BesidePictures(state);
    checks = new CheckStrip(state, beside, picture, settings);
    readouts = new Readouts(state);
    setId("picture-area");
    HBox pictures = new HBox(settled, picture, beside);
    HBox.setHgrow(picture, Priority.ALWAYS);
    HBox.setHgrow(settled, Priority.ALWAYS);
    settled.setPrefWidth(0);
    picture.setPrefWidth(0);
    settled.visibleProperty().bind(state.view().comparisonProperty().isEqualTo(Comparison.BESIDE));
    settled.managedProperty().bind(settled.visibleProperty());
    settled.styleProperty().bind(picture.styleProperty());
    settled.follow(picture);
    VBox.setVgrow(pictures, Priority.ALWAYS);
    work = new WorkLine(state.status(), "");
    getChildren().addAll(checks, pictures, statusLine());
    picture.addEventHandler(
        PictureView.PointerEvent.MOVED, e -> readouts.read(e.place(), picture.port().level()));
  }

  /** The usual key of a way of seeing. */
  public static String key(CheckView way) {
    return CheckStrip.key(way);
  }

  public PictureView picture() {
    return picture;
  }

  private HBox statusLine() {
    shown.getStyleClass().add("readouts");
    shown.setMinWidth(Region.USE_PREF_SIZE);
    message.setId("message");
    message.textProperty().bind(state.status().messageProperty());
    message.setMinWidth(0);
    drift.setId("skin-drift");
    drift.getStyleClass().add("readouts");
    drift.setMinWidth(Region.USE_PREF_SIZE);
    drift.setTooltip(new Tooltip(TEXTS.get("pictureArea.median-of-the-faces-skin-finished")));
    subscriptions.on(
        this::sayShown,
        state.view().playheadProperty(),
        state.view().asShotProperty(),
        state.document().projectProperty());
    subscriptions.on(
        state.measurements().gaugesProperty(),
        is -> drift.setText(SkinDrift.of(is).map(SkinDrift::words).orElse("")));
    Spring spring = new Spring();
    HBox line = new HBox(14, shown, drift, message, work, spring, readouts);
    line.getStyleClass().add("status");
    line.setAlignment(Pos.CENTER_LEFT);
    line.setPadding(new Insets(3, 12, 3, 12));
    return line;
  }

  private void sayShown() {
    int layers = state.view().shownLayers();
    int all = state.document().stack().size();
    shown.setText(
        layers == 0
            ? TEXTS.get("pictureArea.as-shot")
            : layers == all
                ? TEXTS.get("pictureArea.finished-picture")
                : TEXTS.get("pictureArea.after-layer-of", layers, all));
  }

  @Override
  public void close() {
    subscriptions.close();
    picture.close();
    settled.close();
    beside.close();
    checks.close();
    readouts.close();
    work.close();
  }
}
