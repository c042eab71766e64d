package carezza.desktop.state;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

import carezza.desktop.state.DocumentState.Work;
import carezza.model.Project;
import carezza.project.Document;
import carezza.session.Journal;

/**
 * The documents that are open beside the one at work: each with its history and all that is not
 * saved, as it was when another took its place.
 */
public final class Workspace {

  /** How many may wait: each holds its photograph. */
  static final int MOST = 3;

  private final ObservableList<Waiting> waiting = FXCollections.observableArrayList();

  /**
   * A document that waits.
   *
   * @param journal holds its unsaved work meanwhile
   * @param earlierSteps taken before the journal was taken up
   */
  public record Waiting(Work work, Journal journal, int earlierSteps) {}

  /** Whether another may wait. */
  public boolean hasRoom() {
    return waiting.size() < MOST;
  }

  public void add(Waiting one) {
    if (!hasRoom()) {
      throw new IllegalStateException("No room for another document");
    }
    waiting.add(one);
  }

  /** The one that waits longest; it waits no more. */
  public Optional<Waiting> next() {
    return waiting.isEmpty() ? Optional.empty() : Optional.of(waiting.removeFirst());
  }

  /** One whose work is not saved; it waits no more. */
  public Optional<Waiting> nextUnsaved() {
    Optional<Waiting> found = waiting.stream().filter(w -> w.work().isUnsaved()).findFirst();
    found.ifPresent(waiting::remove);
    return found;
  }

  /** The one that lies in this file; it waits no more. */
  public Optional<Waiting> of(Path file) {
    Optional<Waiting> found =
        waiting.stream().filter(w -> file.equals(w.work().document().path())).findFirst();
    found.ifPresent(waiting::remove);
    return found;
  }

  /**
   * A document that waits lies in this file as it was then.
   *
   * @return the one, if it is there
   */
  public Optional<Waiting> saved(Work work, Path file, Project what) {
    for (int i = 0; i < waiting.size(); i++) {
      Waiting one = waiting.get(i);
      if (one.work().history() == work.history()) {
        work.history().saved(what);
        Document lies = one.work().document();
        Waiting saved =
            new Waiting(
                new Work(lies.with(lies.project(), file), work.history(), one.work().session()),
                one.journal(),
                one.earlierSteps());
        waiting.set(i, saved);
        return Optional.of(saved);
      }
    }
    return Optional.empty();
  }

  /** Those that wait, the longest first. */
  public List<Waiting> all() {
    return List.copyOf(waiting);
  }

  /** Changes as documents come and go. */
  public ObservableList<Waiting> waiting() {
    return FXCollections.unmodifiableObservableList(waiting);
  }
}
