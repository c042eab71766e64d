package carezza.desktop.action;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

import org.testng.annotations.Test;

/** Actions by their keys. */
public class ActionMapTest {

  private static KeyEvent press(KeyCode code, boolean shift) {
    return new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, false, false, false);
  }

  @Test
  public void aKeyRunsWhatIsAtHandTheNarrowestFirst() {
    ActionMap actions = new ActionMap();
    Action wide = actions.add("undo", Menu.STEPS, Scope.DOCUMENT, "Z", () -> {});
    Action narrow = actions.add("zoom", Menu.SEE, Scope.BENCH, "Z", () -> {});
    KeyEvent z = press(KeyCode.Z, false);
    assertThat(actions.of(z, List.of(Scope.DOCUMENT, Scope.BENCH))).contains(narrow);
    assertThat(actions.of(z, List.of(Scope.DOCUMENT))).contains(wide);
    assertThat(actions.of(z, List.of(Scope.APPLICATION))).isEmpty();
    assertThat(actions.of(press(KeyCode.Z, true), List.of(Scope.DOCUMENT))).isEmpty();
  }

  @Test
  public void whatCannotBeDoneIsNotDone() {
    ActionMap actions = new ActionMap();
    SimpleBooleanProperty enabled = new SimpleBooleanProperty();
    AtomicInteger done = new AtomicInteger();
    Action action =
        actions.add("undo", Menu.STEPS, Scope.DOCUMENT, "Z", enabled, done::incrementAndGet);
    action.run();
    assertThat(done.get()).isZero();
    enabled.set(true);
    action.run();
    assertThat(done.get()).isEqualTo(1);
  }

  /** From a menu, too, an action is run only where it is at hand. */
  @Test
  public void anActionGoesToWhereItIsAtHandFirst() {
    ActionMap actions = new ActionMap();
    List<Scope> gone = new ArrayList<>();
    AtomicInteger done = new AtomicInteger();
    Action bench = actions.add("undo", Menu.STEPS, Scope.BENCH, "Z", done::incrementAndGet);
    Action mend = actions.add("zoom", Menu.MEND, Scope.REPAIRS, "X", done::incrementAndGet);
    actions.passing(
        scope -> {
          gone.add(scope);
          return scope == Scope.BENCH;
        });
    bench.run();
    mend.run();
    assertThat(gone).containsExactly(Scope.BENCH, Scope.REPAIRS);
    assertThat(done.get()).isEqualTo(1);
  }

  @Test
  public void aKeyThatIsGivenAwayIsTakenFromItsOwner() {
    ActionMap actions = new ActionMap();
    Action undo = actions.add("undo", Menu.STEPS, Scope.DOCUMENT, "Z", () -> {});
    Action zoom = actions.add("zoom", Menu.SEE, Scope.DOCUMENT, "X", () -> {});
    KeyCombination z = KeyCombination.valueOf("Z");
    assertThat(actions.rival(zoom, z)).contains(undo);
    actions.setKey(zoom, z);
    assertThat(undo.keyProperty().get()).isNull();
    assertThat(actions.conflicts()).isEmpty();
    assertThat(undo.tip()).isEqualTo(undo.hint());
  }

  @Test
  public void keysThatWereSetComeBack() {
    ActionMap actions = new ActionMap();
    Action undo = actions.add("undo", Menu.STEPS, Scope.DOCUMENT, "Z", () -> {});
    Action zoom = actions.add("zoom", Menu.SEE, Scope.DOCUMENT, "X", () -> {});
    actions.recall(id -> id.equals("undo") ? "Ctrl+U" : "nonsense of a key+");
    assertThat(undo.keyWords()).isEqualTo("Ctrl + U");
    assertThat(zoom.keyProperty().get()).isEqualTo(zoom.usualKey());
    actions.recall(id -> id.equals("undo") ? "" : null);
    assertThat(undo.keyProperty().get()).isNull();
  }

  @Test
  public void twoActionsOfOneNameAreRefused() {
    ActionMap actions = new ActionMap();
    actions.add("undo", Menu.STEPS, Scope.DOCUMENT, "Z", () -> {});
    assertThatThrownBy(() -> actions.add("undo", Menu.STEPS, Scope.DOCUMENT, null, () -> {}))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
