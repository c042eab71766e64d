package carezza.desktop.view.picture;

import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
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
  private final ProgressBar progress = new ProgressBar();
  private final Button stop = new Button(TEXTS.get("pictureArea.stop"));

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
    getChildren().addAll(checks, pictures, statusLine());
    picture.addEventHandler(PictureView.PointerEvent.MOVED, e -> readouts.read(e.place()));
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
    HBox line = new HBox(14, shown, drift, message, work(), spring, readouts);
    line.getStyleClass().add("status");
    line.setAlignment(Pos.CENTER_LEFT);
    line.setPadding(new Insets(3, 12, 3, 12));
    return line;
  }

  /** What is under way, how far it has come, and the way to stop it. */
  private HBox work() {
    Label words = new Label();
    words.setId("under-way");
    words.setMinWidth(Region.USE_PREF_SIZE);
    progress.setPrefWidth(90);
    progress.setMaxHeight(8);
    stop.setId("stop");
    stop.getStyleClass().add("check");
    stop.setTooltip(new Tooltip(TEXTS.get("pictureArea.gives-it-up-nothing-is-changed")));
    stop.setOnAction(e -> state.status().stop(state.status().jobProperty().get()));
    HBox work = new HBox(8, words, progress, stop);
    work.setAlignment(Pos.CENTER_LEFT);
    work.setVisible(false);
    work.managedProperty().bind(work.visibleProperty());
    subscriptions.on(
        state.status().jobProperty(),
        job -> {
          work.setVisible(job != null);
          progress.progressProperty().unbind();
          // A bar that nobody sees must not move.
          progress.setProgress(0);
          if (job != null) {
            show(job, words);
          }
        });
    return work;
  }

  private void show(Status.Job job, Label words) {
    words.setText(job.words() + " …");
    progress.progressProperty().bind(job.progressProperty());
    stop.setVisible(job.stoppable());
    stop.setManaged(job.stoppable());
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
  }
}
