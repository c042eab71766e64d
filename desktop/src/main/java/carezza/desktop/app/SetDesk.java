package carezza.desktop.app;

import java.nio.file.Path;

import carezza.desktop.set.SetJobs;
import carezza.desktop.set.SetState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Workspace;
import carezza.project.Document;
import carezza.record.WorkRecord;

/** The set beside the document at work: what is saved or delivered there is told here. */
final class SetDesk implements AutoCloseable {

  private final DocumentState document;
  private final Workspace workspace;
  private final OwnRoutines routines;
  private final SetState set;
  private final SetJobs jobs;
  private final Subscriptions subscriptions = new Subscriptions();
  private String recordSeen = "";
  private int deliveriesSeen;

  SetDesk(AppState state, Workspace workspace, Path home) {
    this.document = state.document();
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
    set.close();
  }
}
