package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Pane;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.action.Scope;
import carezza.desktop.control.OnToolkit;
import carezza.desktop.journal.JournalKeeper;
import carezza.desktop.journal.WorkState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Documents;
import carezza.desktop.state.ToolKind;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.view.AppView;
import carezza.kernel.LayerType;
import carezza.record.WorkClock.Moment;

/** Ways between views that are nothing but a name, in no window. */
public class NavigationTest extends OnToolkit {

  private final List<String> told = new ArrayList<>();
  private final BorderPane frame = new BorderPane();
  private AppState state;
  private WorkState work;
  private Navigation navigation;

  /** Says what it is told. */
  private final class Plain implements AppView {
    private final String id;
    private final boolean needs;
    private final Scope scope;
    private final Node node = new Pane();

    Plain(String id, boolean needs, Scope scope) {
      this.id = id;
      this.needs = needs;
      this.scope = scope;
    }

    @Override
    public String id() {
      return id;
    }

    @Override
    public String title() {
      return id;
    }

    @Override
    public String hint() {
      return id;
    }

    @Override
    public boolean needsDocument() {
      return needs;
    }

    @Override
    public Node node() {
      return node;
    }

    @Override
    public void activate() {
      told.add("+" + id);
    }

    @Override
    public void deactivate() {
      told.add("-" + id);
    }

    @Override
    public void takeFocus() {
      told.add("focus " + id);
    }

    @Override
    public Scope scope() {
      return scope;
    }

    @Override
    public void close() {
      told.add("closed " + id);
    }
  }

  @BeforeMethod
  public void begin() throws Exception {
    told.clear();
    state = AppState.with(TaskRunner.inPlace());
    JournalKeeper keeper =
        new JournalKeeper(Files.createTempDirectory("navigation"), told::add, state.tasks());
    Moment then = new Moment(Duration.ZERO.toNanos(), Instant.parse("2026-11-02T10:00:00Z"));
    work = new WorkState(state, keeper, () -> then, ZoneId.of("UTC"));
    navigation = new Navigation(state, work, frame);
    navigation.among(
        List.of(
            new Plain(Navigation.START, false, Scope.APPLICATION),
            new Plain(Navigation.PLAN, true, Scope.WORK),
            new Plain(Navigation.BENCH, true, Scope.BENCH),
            new Plain(Navigation.JOURNAL, false, Scope.APPLICATION)));
  }

  @AfterMethod
  public void end() {
    work.close();
    state.close();
  }

  private void open(LayerType... kinds) {
    state.document().open(Documents.with(kinds));
  }

  @Test
  public void aViewOfADocumentWaitsForOne() {
    navigation.showStart();
    navigation.showBench();
    assertThat(told).containsExactly("+start");
    assertThat(frame.getCenter()).isSameAs(navigation.view(Navigation.START).node());
    open();
    navigation.showBench();
    assertThat(told).containsExactly("+start", "-start", "+bench");
    assertThat(navigation.activeProperty().get()).isSameAs(navigation.view(Navigation.BENCH));
    navigation.takeFocus();
    assertThat(told).endsWith("focus bench");
  }

  @Test
  public void whatIsLeftGoesToTheBenchOrWhereOneBegins() {
    navigation.toggle(Navigation.JOURNAL);
    navigation.toggle(Navigation.JOURNAL);
    assertThat(told).containsExactly("+journal", "-journal", "+start");
    open();
    navigation.toggle(Navigation.JOURNAL);
    navigation.toggle(Navigation.JOURNAL);
    assertThat(told).endsWith("+journal", "-journal", "+bench");
  }

  @Test
  public void backGoesFromTheNarrowestToTheWidest() {
    open(LayerType.DODGE_BURN);
    navigation.show(Navigation.PLAN);
    boolean[] stopped = new boolean[1];
    state.status().begin("long work", () -> stopped[0] = true);
    navigation.back();
    assertThat(stopped[0]).isTrue();
    assertThat(told).containsExactly("+plan");
    navigation.back();
    assertThat(told).endsWith("-plan", "+bench");
    state.tools().toolProperty().set(ToolKind.MASK);
    navigation.back();
    assertThat(state.tools().tool()).isEqualTo(ToolKind.HAND);
  }

  @Test
  public void keysAreAtHandFromTheWidestScopeToTheNarrowest() {
    assertThat(navigation.scopes()).containsExactly(Scope.APPLICATION);
    navigation.showStart();
    assertThat(navigation.scopes()).containsExactly(Scope.APPLICATION);
    open(LayerType.HEAL);
    navigation.show(Navigation.PLAN);
    assertThat(navigation.scopes()).containsExactly(Scope.APPLICATION, Scope.DOCUMENT, Scope.WORK);
    navigation.showBench();
    assertThat(navigation.scopes()).endsWith(Scope.WORK, Scope.BENCH);
    state.selection().select("a");
    assertThat(navigation.scopes()).endsWith(Scope.BENCH, Scope.REPAIRS);
    navigation.show(Navigation.JOURNAL);
    assertThat(navigation.scopes()).containsExactly(Scope.APPLICATION);
  }

  @Test
  public void whatIsDoneOnTheBenchGoesThere() {
    navigation.showStart();
    assertThat(navigation.goTo(Scope.APPLICATION)).isTrue();
    assertThat(navigation.goTo(Scope.BENCH)).isFalse();
    assertThat(state.status().messageProperty().get()).contains("Open a picture first");
    open();
    assertThat(navigation.goTo(Scope.DOCUMENT)).isTrue();
    assertThat(told).containsExactly("+start");
    assertThat(navigation.goTo(Scope.REPAIRS)).isTrue();
    assertThat(told).endsWith("+bench");
    navigation.close();
    assertThat(told).endsWith("closed start", "closed plan", "closed bench", "closed journal");
  }
}
