package carezza.desktop.set;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;

import carezza.batch.SetFolder;
import carezza.batch.SetLooks;
import carezza.batch.SetLooks.Look;
import carezza.desktop.state.Status;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.set.Member;

/** How the members of a set look, made behind: what is kept first, then a glimpse, then all. */
final class SetPictures implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("set");

  private final double side;
  private final Status status;
  private final TaskRunner tasks;
  private final SetLooks looks;
  private final Lane looking;
  private final ObservableMap<String, SetLook> seen = FXCollections.observableHashMap();

  /** Work that was asked for before is nobody's any more when this has gone on. */
  private int asked;

  /**
   * @param kept folder that looks are kept in
   * @param side shorter side of a thumbnail, in pixels of the screen
   */
  SetPictures(Path kept, double side, Status status, TaskRunner tasks) {
    this.side = side;
    this.status = status;
    this.tasks = tasks;
    looks = new SetLooks(kept);
    looking = tasks.lane("set looks");
  }

  /** By photograph. */
  ObservableMap<String, SetLook> seen() {
    return seen;
  }

  /** Another set is looked at. */
  void clear() {
    seen.clear();
  }

  /**
   * @param there members whose photographs are in the folder
   * @param failed is told of those that cannot be looked at, on the interface thread
   * @param done runs when all were looked at
   */
  void look(SetFolder folder, List<Member> there, Consumer<Failure> failed, Runnable done) {
    int own = ++asked;
    Set<String> before = Set.copyOf(seen.keySet());
    Status.Job job = status.beginUnasked(TEXTS.get("looking"), looking::cancel);
    looking.newest(
        cancellation -> {
          List<Member> unknown = new ArrayList<>();
          for (Member member : there) {
            cancellation.check();
            Optional<Look> known = looks.known(folder, member);
            known.ifPresentOrElse(
                l -> show(own, member, SetLook.of(l, side)), () -> unknown.add(member));
          }
          for (Member member : unknown) {
            cancellation.check();
            if (!before.contains(member.photograph())) {
              glimpse(own, folder, member);
            }
          }
          for (int i = 0; i < unknown.size(); i++) {
            cancellation.check();
            double share = (double) i / unknown.size();
            tasks.atHome(() -> job.progress(share));
            make(own, folder, unknown.get(i), failed, cancellation);
          }
          return unknown;
        },
        made -> done.run(),
        status::fail,
        job::end);
  }

  /** A picture that cannot be looked at, and why. */
  record Failure(Member member, String problem) {}

  private void glimpse(int own, SetFolder folder, Member member) {
    try {
      show(own, member, SetLook.glimpse(looks.glimpse(folder, member), side));
    } catch (Problem e) {
      // Said when the look itself is made.
    }
  }

  private void make(
      int own,
      SetFolder folder,
      Member member,
      Consumer<Failure> failed,
      Cancellation cancellation) {
    try {
      show(own, member, SetLook.of(looks.made(folder, member, cancellation), side));
    } catch (Problem e) {
      tasks.atHome(() -> failed.accept(new Failure(member, e.getMessage())));
    }
  }

  private void show(int own, Member member, SetLook look) {
    tasks.atHome(
        () -> {
          if (own == asked) {
            seen.put(member.photograph(), look);
          }
        });
  }

  @Override
  public void close() {
    looking.close();
  }
}
