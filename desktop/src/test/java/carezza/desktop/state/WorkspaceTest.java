package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.state.DocumentState.Work;
import carezza.desktop.state.Workspace.Waiting;
import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.project.Document;

/** Documents that wait while another is at work, without a window. */
public class WorkspaceTest {

  private AppState state;
  private DocumentState document;
  private final Workspace workspace = new Workspace();

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    document = state.document();
    document.open(Documents.with(LayerType.WHITE_BALANCE, LayerType.CURVE));
    while (workspace.next().isPresent()) {
      // Nothing waits.
    }
  }

  private static Waiting waiting(Work work) {
    return new Waiting(work, null, 0);
  }

  @Test
  public void whatWaitedGoesOnWithItsStepsAndIsStillNotSaved() {
    document.edit(null, p -> p.withStack(LayerStack.EMPTY));
    Work work = document.work();
    document.open(Documents.with(LayerType.EXPOSURE));
    assertThat(document.dirtyProperty().get()).isFalse();
    assertThat(document.undoableProperty().get()).isFalse();
    document.open(work);
    assertThat(document.stack().size()).isZero();
    assertThat(document.dirtyProperty().get()).isTrue();
    document.undo();
    assertThat(document.stack().size()).isEqualTo(2);
    assertThat(document.dirtyProperty().get()).isFalse();
    document.redo();
    assertThat(document.stack().size()).isZero();
  }

  @Test
  public void anotherDocumentLeavesThePlayheadAndTheSelectionBehind() {
    state.selection().select("b");
    Work work = document.work();
    document.open(Documents.with(LayerType.EXPOSURE));
    assertThat(state.selection().selected()).isNull();
    document.open(work);
    assertThat(state.selection().selected()).isNull();
    assertThat(document.session().size().width()).isEqualTo(60);
  }

  @Test
  public void aStrokeUnderWayDoesNotWait() {
    document.preview(p -> p.withStack(LayerStack.EMPTY));
    assertThat(document.work().document().project().stack().size()).isEqualTo(2);
  }

  @Test
  public void theLongestWaitingIsNext() {
    Work first = document.work();
    document.open(Documents.with(LayerType.EXPOSURE));
    Work second = document.work();
    workspace.add(waiting(first));
    workspace.add(waiting(second));
    assertThat(workspace.next().orElseThrow().work()).isSameAs(first);
    assertThat(workspace.all()).extracting(Waiting::work).containsExactly(second);
  }

  @Test
  public void unsavedOnesAreFoundAmongTheOthers() {
    workspace.add(waiting(document.work()));
    assertThat(workspace.nextUnsaved()).isEmpty();
    document.open(Documents.with(LayerType.EXPOSURE));
    document.edit(null, p -> p.withStack(LayerStack.EMPTY));
    workspace.add(waiting(document.work()));
    assertThat(workspace.nextUnsaved()).isPresent();
    assertThat(workspace.nextUnsaved()).isEmpty();
    assertThat(workspace.all()).hasSize(1);
  }

  @Test
  public void oneThatLiesInAFileIsFoundByIt() {
    Path file = Path.of("there.carezza");
    Document there = Documents.with(LayerType.EXPOSURE);
    document.open(there.with(there.project(), file));
    workspace.add(waiting(document.work()));
    assertThat(workspace.of(Path.of("elsewhere.carezza"))).isEmpty();
    assertThat(workspace.of(file)).isPresent();
    assertThat(workspace.of(file)).isEmpty();
  }

  @Test
  public void whatIsSavedWhileItWaitsLiesInItsFileAsItWasThen() {
    document.edit(null, p -> p.withStack(LayerStack.EMPTY));
    Work work = document.work();
    Path file = Path.of("there.carezza");
    assertThat(workspace.saved(work, file, work.document().project())).isEmpty();
    workspace.add(waiting(work));
    document.open(Documents.with(LayerType.EXPOSURE));
    assertThat(workspace.saved(work, file, work.document().project())).isPresent();
    assertThat(document.pathProperty().get()).isNull();
    document.open(workspace.next().orElseThrow().work());
    assertThat(document.pathProperty().get()).isEqualTo(file);
    assertThat(document.dirtyProperty().get()).isFalse();
    document.undo();
    assertThat(document.dirtyProperty().get()).isTrue();
  }

  @Test
  public void roomIsLimited() {
    for (int i = 0; i < Workspace.MOST; i++) {
      assertThat(workspace.hasRoom()).isTrue();
      workspace.add(waiting(document.work()));
    }
    assertThat(workspace.hasRoom()).isFalse();
    assertThatThrownBy(() -> workspace.add(waiting(document.work())))
        .isInstanceOf(IllegalStateException.class);
  }
}
