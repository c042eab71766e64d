package carezza.desktop.app;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.layout.BorderPane;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.Scope;
import carezza.desktop.journal.WorkState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.model.HealLayer;

/** Which view is shown, the ways from one to another, and whose keys are at hand there. */
final class Navigation implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  static final String START = "start";
  static final String BENCH = "bench";
  static final String PLAN = "plan";
  static final String SET = "set";
  static final String DELIVER = "deliver";
  static final String JOURNAL = "journal";
  static final String PRACTICE = "practice";

  private final AppState state;
  private final WorkState work;
  private final BorderPane frame;
  private final ReadOnlyObjectWrapper<@Nullable AppView> active = new ReadOnlyObjectWrapper<>();
  private List<AppView> views = List.of();

  /**
   * @param frame holds the view that is shown in its middle
   */
  Navigation(AppState state, WorkState work, BorderPane frame) {
    this.state = state;
    this.work = work;
    this.frame = frame;
  }

  /** The views there are, in the order of their tabs. */
  void among(List<AppView> all) {
    views = all;
  }

  /** The view that is shown; null before the first. */
  ReadOnlyObjectProperty<@Nullable AppView> activeProperty() {
    return active.getReadOnlyProperty();
  }

  AppView view(String id) {
    return views.stream().filter(v -> v.id().equals(id)).findFirst().orElseThrow();
  }

  private boolean isShown(String id) {
    AppView now = active.get();
    return now != null && now.id().equals(id);
  }

  void show(String id) {
    show(view(id));
  }

  /** Shows a view, unless it needs a document and there is none. */
  void show(AppView view) {
    if (view.needsDocument() && state.document().isEmpty()) {
      return;
    }
    AppView before = active.get();
    if (before != null && before != view) {
      before.deactivate();
    }
    work.viewIs(view.id(), view.needsDocument());
    frame.setCenter(view.node());
    // What a scroll pane holds is in the scene, and can have the focus, once the pane has its skin.
    view.node().applyCss();
    active.set(view);
    view.activate();
  }

  /** The first view: demos, recent projects, open. */
  void showStart() {
    show(START);
  }

  void showBench() {
    show(BENCH);
  }

  /** Shows a view, or leaves it. */
  void toggle(String id) {
    if (isShown(id)) {
      leave();
    } else {
      show(id);
    }
  }

  private void leave() {
    show(state.document().isEmpty() ? START : BENCH);
  }

  /** Puts the focus where the view that is shown has it. */
  void takeFocus() {
    AppView now = active.get();
    if (now != null) {
      now.takeFocus();
    }
  }

  /**
   * From the narrowest thing that is going on to the widest: work under way, the tool in hand, the
   * view.
   */
  void back() {
    if (state.status().stop()) {
      return;
    }
    if (!isShown(BENCH)) {
      leave();
    } else if (state.plan().focusProperty().get() != null) {
      state.plan().focusProperty().set(null);
    } else if (state.proposals().currentProperty().get() != null) {
      state.proposals().leave();
    } else {
      state.tools().toolProperty().set(ToolKind.HAND);
    }
  }

  /** Goes to the bench for what is done there alone; whether there is what a scope needs. */
  boolean goTo(Scope scope) {
    if (scope == Scope.APPLICATION) {
      return true;
    }
    if (state.document().isEmpty()) {
      state.status().say(TEXTS.get("navigation.open-a-picture-first"));
      return false;
    }
    if ((scope == Scope.BENCH || scope == Scope.REPAIRS) && !isShown(BENCH)) {
      showBench();
    }
    return true;
  }

  /** The scopes of keys that are at hand, the widest first. */
  List<Scope> scopes() {
    Set<Scope> at = EnumSet.of(Scope.APPLICATION);
    AppView now = active.get();
    if (now != null && !state.document().isEmpty() && now.scope() != Scope.APPLICATION) {
      at.add(Scope.DOCUMENT);
      if (now.scope() != Scope.DOCUMENT) {
        at.add(Scope.WORK);
      }
      if (now.scope() == Scope.BENCH) {
        at.add(Scope.BENCH);
        if (state.selection().layer(HealLayer.class).isPresent()) {
          at.add(Scope.REPAIRS);
        }
      }
    }
    return List.copyOf(at);
  }

  @Override
  public void close() {
    views.forEach(AppView::close);
  }
}
