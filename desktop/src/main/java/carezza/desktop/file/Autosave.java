package carezza.desktop.file;

import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.util.Duration;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Workspace;
import carezza.desktop.task.Lane;
import carezza.model.Project;
import carezza.project.Document;
import carezza.session.Journal;
import carezza.session.Journals;
import carezza.session.Session;

/**
 * Keeps the unsaved work of the document on the bench in a journal of its own until it is saved or
 * given up: the first edit after a rest at once, those that follow it half a second later. The
 * small picture that the work is found again by comes when the hand rests.
 */
final class Autosave implements AutoCloseable {

  private static final Duration DELAY = Duration.millis(500);
  private static final java.time.Duration REST = java.time.Duration.ofMillis(800);

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Journals journals;
  private final Lane background;
  private final Lane pictures;
  private final PauseTransition pause = new PauseTransition(DELAY);
  private @Nullable Journal journal;

  /** A small JPEG of the work as it was a moment ago. */
  private byte[] picture = {};

  private int earlierSteps;

  /** Whether the work as it stands is to be kept. */
  private boolean wanted;

  /** Whether there was an edit since the last that was kept. */
  private boolean more;

  Autosave(AppState state, Journals journals) {
    this.state = state;
    background = state.tasks().lane("autosave");
    pictures = state.tasks().lane("picture of unsaved work");
    this.journals = journals;
    pause.setOnFinished(e -> pauseIsOver());
    subscriptions.on(this::follow, state.document().commitsProperty());
  }

  /** Lets go of the journal as it is, with the newest work in it; another is begun next. */
  @Nullable Journal putAside() {
    if (isToBeKept()) {
      write();
    }
    Journal last = journal;
    journal = null;
    return last;
  }

  int earlierSteps() {
    return earlierSteps;
  }

  private void follow() {
    wanted = true;
    if (pause.getStatus() == Animation.Status.RUNNING) {
      more = true;
    } else if (isToBeKept()) {
      keep();
      pause.playFromStart();
    }
  }

  /** Work without a rest is kept, too. */
  private void pauseIsOver() {
    if (more) {
      more = false;
      follow();
    }
  }

  /**
   * Another document comes to the bench; what is unsaved of the last has been saved or given up.
   */
  void begin() {
    begin(journals.begin(), 0);
  }

  /**
   * @param next the document's journal, which may hold work already
   * @param steps that led to that work
   */
  void begin(Journal next, int steps) {
    pause.stop();
    more = false;
    pictures.cancel();
    picture = new byte[0];
    Journal last = journal;
    journal = next;
    earlierSteps = steps;
    if (last != null) {
      inTurn(last::close);
    }
  }

  private void keep() {
    if (isToBeKept()) {
      write();
      Session session = state.document().session();
      Project project = state.document().project();
      pictures.rested(REST, c -> session.store().glance(project), this::show, state.status()::fail);
    }
  }

  /** Whether there is work that is neither saved nor given up. */
  boolean isToBeKept() {
    return wanted && !state.document().isEmpty() && state.document().dirtyProperty().get();
  }

  private void show(byte[] glance) {
    picture = glance;
    if (isToBeKept()) {
      write();
    }
  }

  private void write() {
    Document document = state.document().current();
    Journal own = journal;
    int steps = earlierSteps + state.document().steps();
    byte[] glance = picture;
    if (own != null) {
      inTurn(() -> own.keep(document, steps, glance));
    }
  }

  /** What is saved needs no journal; what was done while it was being saved does. */
  void saved() {
    earlierSteps = 0;
    if (state.document().dirtyProperty().get()) {
      keep();
    } else {
      giveUp();
    }
  }

  /** The work is not wanted any more. */
  void giveUp() {
    pause.stop();
    pictures.cancel();
    wanted = false;
    Journal own = journal;
    if (own != null) {
      inTurn(own::clear);
    }
  }

  /** As above, for a document that waits: what was done while it was being saved stays kept. */
  void saved(Workspace.Waiting waiting) {
    if (!waiting.work().isUnsaved()) {
      inTurn(waiting.journal()::clear);
    }
  }

  /** Gives back a journal that waits. */
  void letGo(Journal waiting) {
    inTurn(waiting::close);
  }

  private void inTurn(Lane.Task work) {
    background.inTurn(work, state.status()::fail);
  }

  /** Keeps what is unsaved at the last moment, and lets go of the journal. */
  @Override
  public void close() {
    subscriptions.close();
    pause.stop();
    pictures.close();
    if (isToBeKept()) {
      write();
    }
    if (journal != null) {
      inTurn(journal::close);
    }
    background.finish();
  }
}
