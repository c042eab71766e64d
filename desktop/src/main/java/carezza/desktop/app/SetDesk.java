package carezza.desktop.app;

import java.nio.file.Path;

import carezza.codec.PictureReader;
import carezza.desktop.set.SetJobs;
import carezza.desktop.set.SetState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Beside;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Workspace;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.record.WorkRecord;
import carezza.session.Session;

/** The set beside the document at work: what is saved or delivered there is told here. */
final class SetDesk implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private final AppState state;
  private final DocumentState document;
  private final Lane pinning;
  private final Workspace workspace;
  private final OwnRoutines routines;
  private final SetState set;
  private final SetJobs jobs;
  private final Subscriptions subscriptions = new Subscriptions();
  private String recordSeen = "";
  private int deliveriesSeen;

  SetDesk(AppState state, Workspace workspace, Path home) {
    this.state = state;
    this.document = state.document();
    pinning = state.tasks().droppable("pinned picture");
    this.workspace = workspace;
    routines = new OwnRoutines(home);
    set = new SetState(home.resolve("looks"), state.status(), state.tasks());
    jobs = new SetJobs(set, state.status(), state.tasks(), routines::all, this::isOpen);
    subscriptions.on(this::saved, document.dirtyProperty(), document.pathProperty());
    subscriptions.on(this::delivered, document.recordProperty());
  }

  SetState set() {
    return set;
  }

  SetJobs jobs() {
    return jobs;
  }

  OwnRoutines routines() {
    return routines;
  }

  /**
   * Sets a picture of the set beside the one at work, as it is finished now.
   *
   * @param shown shows the bench
   */
  void pin(Path file, Runnable shown) {
    if (document.isEmpty()) {
      state.status().say(TEXTS.get("setDesk.nothing-to-pin-beside"));
      return;
    }
    Status.Job job =
        state
            .status()
            .begin(TEXTS.get("setDesk.pinning", PictureReader.name(file)), pinning::cancel);
    pinning.newest(
        cancellation -> {
          Document other = ProjectFile.openOrStart(file);
          Session session = new Session(other.photograph());
          return Beside.picture(session, session.faces().withFace(other.project(), cancellation));
        },
        beside -> {
          state.view().besideProperty().set(beside);
          state.view().comparisonProperty().set(Comparison.BESIDE);
          shown.run();
        },
        state.status()::fail,
        job::end);
  }

  /** What is saved in the set's folder is work on the set. */
  private void saved() {
    Path path = document.pathProperty().get();
    if (path != null && !document.dirtyProperty().get()) {
      set.saved(path);
    }
  }

  /** Whether a file is the document at work, or one that waits. */
  private boolean isOpen(Path file) {
    return !document.isEmpty() && document.current().liesIn(file)
        || workspace.all().stream().anyMatch(w -> w.work().document().liesIn(file));
  }

  /** What was delivered of a picture of the set is a delivery of the set. */
  private void delivered() {
    WorkRecord is = document.recordProperty().get();
    int now = is == null ? 0 : is.deliveries().size();
    boolean more = is != null && is.id().equals(recordSeen) && now > deliveriesSeen;
    recordSeen = is == null ? "" : is.id();
    deliveriesSeen = now;
    if (more) {
      Document current = document.current();
      Path own = current.path() == null ? current.origin() : current.path();
      if (own != null) {
        set.delivered(own);
      }
    }
  }

  @Override
  public void close() {
    subscriptions.close();
    jobs.close();
    pinning.close();
    set.close();
  }
}
