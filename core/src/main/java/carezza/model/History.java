package carezza.model;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Objects;

import org.jspecify.annotations.Nullable;

/**
 * The projects of a session, for undo and redo without limit; they share what they have in common.
 * Steps with the same non-null label in a row count as one, so a drag of a slider is one undo.
 */
public final class History {

  private record Step(Project project, @Nullable String label) {}

  private final Deque<Step> past = new ArrayDeque<>();
  private final Deque<Step> future = new ArrayDeque<>();
  private Step present;
  private @Nullable Project saved;

  /** Begins with a project that lies in its file as it is, or that nothing has been done to yet. */
  public History(Project project) {
    present = new Step(project, null);
    saved = project;
  }

  /** The project of any of its steps lies in a file now. */
  public void saved(Project project) {
    saved = project;
  }

  /** Nothing of it lies in a file. */
  public void unsaved() {
    saved = null;
  }

  /** Whether the present is what lies in the file. */
  public boolean isSaved() {
    return present.project() == saved;
  }

  /** Steps that can be undone. */
  public int steps() {
    return past.size();
  }

  /**
   * All projects from the first to the last that can be come to again; the present is after {@link
   * #steps} of them.
   */
  public List<Project> course() {
    List<Project> all = new ArrayList<>();
    past.descendingIterator().forEachRemaining(step -> all.add(step.project()));
    all.add(present.project());
    future.forEach(step -> all.add(step.project()));
    return List.copyOf(all);
  }

  public Project present() {
    return present.project();
  }

  /** Makes {@code next} the present; what was undone before is gone. */
  public void advance(Project next, @Nullable String label) {
    if (next.equals(present.project())) {
      return;
    }
    boolean goesOn = label != null && Objects.equals(label, present.label()) && future.isEmpty();
    if (!goesOn) {
      past.push(present);
    }
    future.clear();
    present = new Step(next, label);
  }

  /**
   * Puts {@code better} in the place of the present without a step of its own. What is found behind
   * the scenes is nobody's work, so what was saved still is.
   */
  public void amend(Project better) {
    if (isSaved()) {
      saved = better;
    }
    present = new Step(better, present.label());
  }

  /** Ends a run of equal labels: the next step is one of its own. */
  public void settle() {
    present = new Step(present.project(), null);
  }

  public boolean canUndo() {
    return !past.isEmpty();
  }

  public boolean canRedo() {
    return !future.isEmpty();
  }

  public Project undo() {
    if (canUndo()) {
      future.push(present);
      present = past.pop();
      settle();
    }
    return present();
  }

  public Project redo() {
    if (canRedo()) {
      past.push(present);
      present = future.pop();
      settle();
    }
    return present();
  }
}
