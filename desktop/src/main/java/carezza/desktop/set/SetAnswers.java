package carezza.desktop.set;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetFolder;
import carezza.client.DropBox;
import carezza.client.SimulatedClient;
import carezza.desktop.state.Status;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.set.Answer;
import carezza.set.Answer.Kind;
import carezza.set.Member;
import carezza.set.Member.State;

/**
 * What the client says to the pictures of the set, read from the drop-box beside them. A picture
 * that is to be changed is in work again, with the client's words in its notes.
 */
public final class SetAnswers implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("set");

  /** The folder of the drop-box, within that of the set. */
  private static final String FOLDER = "drop-box";

  /** What the simulated client's choices grow from. */
  private static final long SEED = 11;

  private final SetState set;
  private final Status status;
  private final Lane reading;
  private final ReadOnlyObjectWrapper<List<Answer>> answers =
      new ReadOnlyObjectWrapper<>(List.of());

  SetAnswers(SetState set, Status status, TaskRunner tasks) {
    this.set = set;
    this.status = status;
    reading = tasks.lane("drop-box");
  }

  /** All that was said, as it was read last. */
  public ReadOnlyObjectProperty<List<Answer>> answersProperty() {
    return answers.getReadOnlyProperty();
  }

  /** What was said to the files of a member. */
  public List<Answer> of(Member member) {
    return answers.get().stream().filter(a -> a.photograph().equals(member.photograph())).toList();
  }

  /** The drop-box of the set at hand, or null without one. */
  static @Nullable DropBox box(@Nullable SetFolder folder) {
    return folder == null ? null : new DropBox(folder.folder().resolve(FOLDER));
  }

  /** Whether a stand-in answers in the drop-box of the set at hand. */
  public boolean isSimulated() {
    SetFolder folder = set.folderProperty().get();
    return folder != null && SimulatedClient.livesIn(folder.folder().resolve(FOLDER));
  }

  /** Looks for answers; where the client is a stand-in, it answers first. */
  public void look() {
    DropBox box = box(set.folderProperty().get());
    if (box == null) {
      return;
    }
    boolean simulated = isSimulated();
    List<String> wishes = List.of(TEXTS.get("wish.1"), TEXTS.get("wish.2"), TEXTS.get("wish.3"));
    String unreadable = TEXTS.get("wish.unreadable");
    Path of = box.folder();
    reading.newest(
        cancellation -> {
          if (simulated) {
            new SimulatedClient(box, SEED, wishes, unreadable).answer();
          }
          return box.answers();
        },
        found -> {
          SetFolder now = set.folderProperty().get();
          if (now != null && of.equals(now.folder().resolve(FOLDER))) {
            takeIn(found);
          }
        },
        status::fail);
  }

  private void takeIn(List<Answer> found) {
    List<Answer> fresh = new ArrayList<>(found);
    fresh.removeAll(answers.get());
    answers.set(found);
    for (Answer answer : fresh) {
      if (answer.kind() == Kind.CHANGE) {
        String words = TEXTS.get("client-says", answer.words());
        set.edit(answer.photograph(), m -> m.state() == State.DELIVERED ? back(m, words) : m);
      }
    }
    if (!fresh.isEmpty()) {
      long approved = found.stream().filter(a -> a.kind() == Kind.APPROVED).count();
      long changes = found.stream().filter(a -> a.kind() == Kind.CHANGE).count();
      status.say(TEXTS.get("answers", found.size(), approved, changes));
    } else {
      status.say(TEXTS.get(found.isEmpty() ? "nothing-sent" : "no-news"));
    }
  }

  private static Member back(Member member, String words) {
    String notes = member.notes();
    return member
        .in(State.IN_WORK)
        .noted(notes.contains(words) ? notes : notes.isEmpty() ? words : notes + "\n" + words);
  }

  /** Another set: what was said to the last one is gone. */
  void forget() {
    answers.set(List.of());
  }

  @Override
  public void close() {
    reading.close();
  }
}
