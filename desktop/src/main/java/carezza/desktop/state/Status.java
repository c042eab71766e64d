package carezza.desktop.state;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleDoubleProperty;

import org.jspecify.annotations.Nullable;

import carezza.desktop.task.Faults;
import carezza.desktop.text.Texts;

/**
 * What is said to the retoucher: one message, which holds until the next step, and the work that is
 * under way.
 */
public final class Status {

  private static final Texts TEXTS = Texts.of("state");

  private final ReadOnlyStringWrapper message = new ReadOnlyStringWrapper("");
  private final ReadOnlyObjectWrapper<Job> job = new ReadOnlyObjectWrapper<>();
  private final List<Job> jobs = new ArrayList<>();

  /** Says something that was just done, or cannot be. */
  public void say(String words) {
    message.set(words);
  }

  /** What was said is no longer true. */
  public void clear() {
    message.set("");
  }

  /** Says why something failed. */
  public void fail(Throwable e) {
    message.set(Faults.said(e));
  }

  public ReadOnlyStringProperty messageProperty() {
    return message.getReadOnlyProperty();
  }

  /**
   * Work begins that takes a while.
   *
   * @param words what is being done
   * @param stop gives it up; null for work that cannot be
   */
  public Job begin(String words, @Nullable Runnable stop) {
    return begin(new Job(words, stop, true));
  }

  /**
   * As {@link #begin}, of work that nobody asked for: it has its button to stop it, and {@link
   * #stop} passes it over.
   */
  public Job beginUnasked(String words, Runnable stop) {
    return begin(new Job(words, stop, false));
  }

  private Job begin(Job begun) {
    jobs.add(begun);
    job.set(begun);
    return begun;
  }

  /** The work that was begun last of all that goes on, or null. */
  public ReadOnlyObjectProperty<Job> jobProperty() {
    return job.getReadOnlyProperty();
  }

  /** Gives up the work that was asked for last and can be given up; false if there is none. */
  public boolean stop() {
    for (Job under : List.copyOf(jobs).reversed()) {
      if (under.asked && under.stop != null) {
        stop(under);
        return true;
      }
    }
    return false;
  }

  /** Gives up work, if it can be. */
  public void stop(Job under) {
    if (under.stop != null) {
      under.stop.run();
      under.end();
      say(under.stopped);
    }
  }

  /** Work under way. */
  public final class Job {

    private final String words;
    private final @Nullable Runnable stop;
    private final boolean asked;
    private final DoubleProperty progress = new SimpleDoubleProperty(-1);
    private String stopped = TEXTS.get("status.stopped-nothing-was-changed");

    private Job(String words, @Nullable Runnable stop, boolean asked) {
      this.words = words;
      this.stop = stop;
      this.asked = asked;
    }

    public String words() {
      return words;
    }

    /** With other words for when it is given up: where some of it may be done by then. */
    public Job saying(String whenStopped) {
      stopped = whenStopped;
      return this;
    }

    public boolean stoppable() {
      return stop != null;
    }

    /** 0 … 1, or below 0 where nobody knows. */
    public ReadOnlyDoubleProperty progressProperty() {
      return progress;
    }

    public void progress(double done) {
      progress.set(done);
    }

    public boolean isUnderWay() {
      return jobs.contains(this);
    }

    /** It is done, or was given up; once more does nothing. */
    public void end() {
      jobs.remove(this);
      job.set(jobs.isEmpty() ? null : jobs.getLast());
    }
  }
}
