package carezza.desktop.view;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;

/** What is under way, how far it has come, and the way to stop it. */
public final class WorkLine extends HBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("picture");

  private final Subscriptions subscriptions = new Subscriptions();
  private final Label words = new Label();
  private final ProgressBar progress = new ProgressBar(0);
  private final Button stop = new Button(TEXTS.get("pictureArea.stop"));

  /**
   * @param prefix of the names by which tests find its parts
   */
  public WorkLine(Status status, String prefix) {
    super(8);
    words.setId(prefix + "under-way");
    words.setMinWidth(Region.USE_PREF_SIZE);
    progress.setPrefWidth(90);
    progress.setMaxHeight(8);
    stop.setId(prefix + "stop");
    stop.getStyleClass().add("check");
    stop.setTooltip(new Tooltip(TEXTS.get("pictureArea.gives-it-up-nothing-is-changed")));
    stop.setOnAction(e -> status.stop(status.jobProperty().get()));
    getChildren().addAll(words, progress, stop);
    setAlignment(Pos.CENTER_LEFT);
    setVisible(false);
    managedProperty().bind(visibleProperty());
    subscriptions.on(
        status.jobProperty(),
        job -> {
          setVisible(job != null);
          progress.progressProperty().unbind();
          // A bar that nobody sees must not move.
          progress.setProgress(0);
          if (job != null) {
            words.setText(job.words() + " …");
            progress.progressProperty().bind(job.progressProperty());
            stop.setVisible(job.stoppable());
            stop.setManaged(job.stoppable());
          }
        });
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
