package carezza.desktop.view;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;

/** What is under way, how far it has come, and the way to stop it. */
public final class WorkLine extends VBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("picture");

  private final Subscriptions subscriptions = new Subscriptions();
  private final Label words = new Label();
  private final ProgressBar progress = new ProgressBar(0);
  private final Button stop = new Button(TEXTS.get("pictureArea.stop"));

  /**
   * In one row.
   *
   * @param prefix of the names by which tests find its parts
   */
  public WorkLine(Status status, String prefix) {
    this(status, prefix, true);
  }

  private WorkLine(Status status, String prefix, boolean wide) {
    super(4);
    words.setId(prefix + "under-way");
    stop.setMinWidth(Region.USE_PREF_SIZE);
    progress.setPrefWidth(90);
    progress.setMaxHeight(8);
    stop.setId(prefix + "stop");
    stop.getStyleClass().add("check");
    stop.setTooltip(new Tooltip(TEXTS.get("pictureArea.gives-it-up-nothing-is-changed")));
    stop.setOnAction(e -> status.stop(status.jobProperty().get()));
    HBox row = wide ? new HBox(8, words, progress, stop) : new HBox(8, progress, stop);
    row.setAlignment(Pos.CENTER_LEFT);
    if (wide) {
      words.setMinWidth(Region.USE_PREF_SIZE);
    } else {
      words.setWrapText(true);
      words.setMinHeight(Region.USE_PREF_SIZE);
      getChildren().add(words);
    }
    getChildren().add(row);
    setFillWidth(!wide);
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

  /** In a narrow column: what is under way stands above how far it has come. */
  public static WorkLine narrow(Status status, String prefix) {
    return new WorkLine(status, prefix, false);
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
