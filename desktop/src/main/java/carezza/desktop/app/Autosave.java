package carezza.desktop.app;

import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.util.Duration;

import carezza.desktop.bench.Background;
import carezza.desktop.bench.BenchModel;
import carezza.project.Retouch;
import carezza.session.Journal;

/** Keeps unsaved work in the journal, at most a second after an edit, until it is saved. */
final class Autosave implements AutoCloseable {

  private static final Duration DELAY = Duration.seconds(1);

  private final BenchModel model;
  private final Journal journal;
  private final Background background = new Background("autosave");
  private final PauseTransition pause = new PauseTransition(DELAY);

  Autosave(BenchModel model, Journal journal) {
    this.model = model;
    this.journal = journal;
    pause.setOnFinished(e -> keep());
    model
        .projectProperty()
        .addListener(
            (o, was, is) -> {
              // A pause under way is not begun anew: work without a rest is kept too.
              if (model.dirtyProperty().get()
                  && model.canUndo()
                  && pause.getStatus() != Animation.Status.RUNNING) {
                pause.playFromStart();
              }
            });
  }

  private void keep() {
    if (model.isEmpty() || !model.dirtyProperty().get()) {
      return;
    }
    Retouch retouch = model.retouch();
    background.newest(
        cancellation -> {
          journal.keep(retouch);
          return retouch;
        },
        done -> {},
        model::fail);
  }

  /** Saved work needs no journal. */
  void clear() {
    pause.stop();
    background.newest(
        cancellation -> {
          journal.clear();
          return null;
        },
        done -> {},
        model::fail);
  }

  @Override
  public void close() {
    pause.stop();
    background.close();
  }
}
