package carezza.desktop.state;

import java.nio.file.Path;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

import org.jspecify.annotations.Nullable;

import carezza.kernel.LayerType;
import carezza.model.History;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.project.Document;
import carezza.record.WorkRecord;
import carezza.session.Session;

/**
 * The document at work: its photograph's session, the history of its project and the file it lies
 * in. What hangs on one document lets go of it when the session changes.
 */
public final class DocumentState {

  private final ReadOnlyObjectWrapper<Session> session = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Project> project = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyBooleanWrapper dirty = new ReadOnlyBooleanWrapper();
  private final ReadOnlyBooleanWrapper undoable = new ReadOnlyBooleanWrapper();
  private final ReadOnlyBooleanWrapper redoable = new ReadOnlyBooleanWrapper();
  private final ReadOnlyIntegerWrapper commits = new ReadOnlyIntegerWrapper();
  private final ReadOnlyIntegerWrapper walks = new ReadOnlyIntegerWrapper();
  private final ReadOnlyBooleanWrapper seen = new ReadOnlyBooleanWrapper();
  private final ReadOnlyObjectWrapper<Path> path = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<WorkRecord> record = new ReadOnlyObjectWrapper<>();
  private Recorder recorder = new Recorder() {};

  // None of these is asked for before a document is open.
  @SuppressWarnings("NullAway.Init")
  private Document opened;

  @SuppressWarnings("NullAway.Init")
  private Session working;

  @SuppressWarnings("NullAway.Init")
  private History history;

  private @Nullable Restraint restraint;

  // --- opening and saving

  /** Puts another document to work; what was there is gone. */
  public void open(Document document) {
    open(document, Session.of(document));
  }

  /**
   * As above.
   *
   * @param own the session of the document's photograph
   */
  public void open(Document document, Session own) {
    open(document, new History(document.project()), own);
  }

  /**
   * A document that can be come back to as it was.
   *
   * @param document as it stands
   * @param history its own; it goes on when the work does
   * @param session on its photograph, so that what is known of it need not be found again
   */
  public record Work(Document document, History history, Session session) {

    public boolean isUnsaved() {
      return !history.isSaved();
    }

    public String title() {
      return document.project().title();
    }
  }

  /** What is at work now. */
  public Work work() {
    recorder.leaves();
    return new Work(
        opened.with(history.present(), path.get()).worked(record.get()), history, working);
  }

  /** Goes on with what was at work before; what was there is gone. */
  public void open(Work work) {
    open(work.document(), work.history(), Session.of(work.document()));
  }

  private void open(Document document, History steps, Session own) {
    recorder.leaves();
    opened = document.sharing(own.photograph());
    history = steps;
    working = own;
    record.set(document.work());
    recorder.begins(history.present());
    seen.set(false);
    path.set(document.path());
    show(history.present());
    session.set(working);
  }

  public boolean isEmpty() {
    return opened == null;
  }

  /** The document as it stands now. */
  public Document current() {
    recorder.roundOff();
    return opened.with(project.get(), path.get()).worked(record.get());
  }

  /** The photograph at work. */
  public Session session() {
    return working;
  }

  /** Changes with the document, once its project is there. */
  public ReadOnlyObjectProperty<Session> sessionProperty() {
    return session.getReadOnlyProperty();
  }

  /** Whether the document's picture is on the screen: until then nothing else is begun with it. */
  public ReadOnlyBooleanProperty seenProperty() {
    return seen.getReadOnlyProperty();
  }

  /** The document's picture is on the screen now. */
  public void beSeen(Session shown) {
    if (shown == working) {
      seen.set(true);
    }
  }

  /** What is at work is not what lies in its file. */
  public void markUnsaved() {
    history.unsaved();
    tellState();
  }

  /** Remembers that the project lies in this file as it was then. */
  public void savedAs(@Nullable Path file, Project what) {
    path.set(file);
    history.saved(what);
    tellState();
  }

  /** The file that the project lies in, or null. */
  public ReadOnlyObjectProperty<Path> pathProperty() {
    return path.getReadOnlyProperty();
  }

  // --- exercises

  /**
   * While its photograph is at work no more than an exercise leaves is to be used; null for all.
   */
  public void restrain(@Nullable Restraint exercise) {
    restraint = exercise;
  }

  /** Whether what is at work is an exercise: nothing does it but the hand. */
  public boolean isRestrained() {
    return held() != null;
  }

  /** What holds the document that is at work back, or null. */
  private @Nullable Restraint held() {
    Restraint own = restraint;
    return own != null
            && !isEmpty()
            && own.photograph().equals(history.present().photograph().sha256())
        ? own
        : null;
  }

  /** Whether a layer of a kind may be added. */
  public boolean allows(LayerType kind) {
    Restraint own = held();
    return own == null || own.layers().contains(kind);
  }

  // --- the record of work

  /** What was done to the picture; null before a document is opened. */
  public ReadOnlyObjectProperty<WorkRecord> recordProperty() {
    return record.getReadOnlyProperty();
  }

  /** Adds to the record. It is no step: nobody undoes the time. */
  public void record(UnaryOperator<WorkRecord> more) {
    record.set(more.apply(record.get()));
  }

  /** Who keeps the record. */
  public interface Recorder {

    /** The record is about to be read, as often as work is kept: time under way goes into it. */
    default void roundOff() {}

    /** The document is about to be left: all that is under way goes into its record. */
    default void leaves() {}

    /** Another document is at work from now on. */
    default void begins(Project project) {}
  }

  public void recordedBy(Recorder keeper) {
    recorder = keeper;
  }

  // --- steps

  /**
   * Makes a change that can be undone.
   *
   * @param label steps in a row with the same label are one undo; null for a step of its own
   */
  public void edit(@Nullable String label, UnaryOperator<Project> change) {
    history.advance(change.apply(history.present()), label);
    show(history.present());
  }

  /** Ends a run of steps with one label, when a slider or a handle is let go. */
  public void settle() {
    if (history != null) {
      history.settle();
    }
  }

  /** Shows a project that is not part of the history yet, while a stroke is being painted. */
  public void preview(UnaryOperator<Project> change) {
    project.set(change.apply(history.present()));
  }

  /** Puts what was found behind the scenes into the step as it stands; it is no step of its own. */
  public void amend(UnaryOperator<Project> found) {
    history.amend(found.apply(history.present()));
    show(history.present());
  }

  public void undo() {
    if (history != null) {
      show(history.undo());
      walks.set(walks.get() + 1);
    }
  }

  public void redo() {
    if (history != null) {
      show(history.redo());
      walks.set(walks.get() + 1);
    }
  }

  /** All projects from the first to the last that can be come to again. */
  public List<Project> course() {
    return history == null ? List.of() : history.course();
  }

  /**
   * Undoes or does again as many steps as it takes.
   *
   * @param place among {@link #course}
   */
  public void walkTo(int place) {
    while (history.steps() > place && history.canUndo()) {
      history.undo();
    }
    while (history.steps() < place && history.canRedo()) {
      history.redo();
    }
    show(history.present());
    walks.set(walks.get() + 1);
  }

  /** Goes up with every undo and redo. */
  public ReadOnlyIntegerProperty walksProperty() {
    return walks.getReadOnlyProperty();
  }

  /** Steps taken that can be undone. */
  public int steps() {
    return history == null ? 0 : history.steps();
  }

  private void show(Project shown) {
    project.set(shown);
    tellState();
  }

  /**
   * What follows from the history; said even where the picture was shown before, while it was
   * painted.
   */
  private void tellState() {
    dirty.set(!history.isSaved());
    undoable.set(history.canUndo());
    redoable.set(history.canRedo());
    commits.set(commits.get() + 1);
  }

  // --- what there is

  /** The project as it stands, a stroke under way included; null before a document is opened. */
  public Project project() {
    return project.get();
  }

  /** The project of the newest step, without a stroke under way. */
  public Project settled() {
    return history.present();
  }

  public LayerStack stack() {
    return project.get() == null ? LayerStack.EMPTY : project.get().stack();
  }

  public ReadOnlyObjectProperty<Project> projectProperty() {
    return project.getReadOnlyProperty();
  }

  public ReadOnlyBooleanProperty dirtyProperty() {
    return dirty.getReadOnlyProperty();
  }

  /** Whether there is a step to undo. */
  public ReadOnlyBooleanProperty undoableProperty() {
    return undoable.getReadOnlyProperty();
  }

  /** Whether there is a step to do again. */
  public ReadOnlyBooleanProperty redoableProperty() {
    return redoable.getReadOnlyProperty();
  }

  /** Goes up with every step, undo, redo, save and whatever is found behind the scenes. */
  public ReadOnlyIntegerProperty commitsProperty() {
    return commits.getReadOnlyProperty();
  }
}
