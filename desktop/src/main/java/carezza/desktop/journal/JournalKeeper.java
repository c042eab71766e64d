package carezza.desktop.journal;

import java.nio.file.Path;
import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.studio.StudioJournal;

/**
 * Writes to the studio's journal and reads it, on a lane of its own and in turn. Nobody's work
 * stops where the journal cannot be used: that is said once.
 */
public final class JournalKeeper implements AutoCloseable {

  private final Path folder;
  private final Consumer<String> notice;
  private final TaskRunner tasks;
  private final Lane lane;

  /** Used on the lane alone. */
  private @Nullable StudioJournal journal;

  private boolean failed;

  /**
   * @param folder that holds the database
   * @param notice takes what has to be read: that the journal cannot be used, or that another was
   *     set aside
   */
  public JournalKeeper(Path folder, Consumer<String> notice, TaskRunner tasks) {
    this.folder = folder;
    this.notice = notice;
    this.tasks = tasks;
    lane = tasks.lane("journal");
  }

  /** Something done with the journal. */
  @FunctionalInterface
  public interface Use {
    void of(StudioJournal journal) throws Exception;
  }

  /** Something asked of the journal. */
  @FunctionalInterface
  public interface Question<T> {
    T of(StudioJournal journal) throws Exception;
  }

  public void write(Use use) {
    lane.inTurn(() -> use.of(open()), this::fail);
  }

  /**
   * @param answer takes what was asked for, on the interface thread
   */
  public <T> void read(Question<T> question, Consumer<T> answer) {
    lane.inTurn(
        () -> {
          T found = question.of(open());
          tasks.atHome(() -> answer.accept(found));
        },
        this::fail);
  }

  private StudioJournal open() throws Exception {
    StudioJournal open = journal;
    if (open == null) {
      open = StudioJournal.open(folder);
      journal = open;
      open.setAside().ifPresent(said -> tasks.atHome(() -> notice.accept(said.getMessage())));
    }
    return open;
  }

  private void fail(Throwable e) {
    if (!failed) {
      failed = true;
      notice.accept(Faults.said(e));
    }
  }

  /** Writes what waits, and lets go of the database. */
  @Override
  public void close() {
    lane.inTurn(
        () -> {
          StudioJournal open = journal;
          if (open != null) {
            open.close();
          }
        },
        this::fail);
    lane.finish();
  }
}
