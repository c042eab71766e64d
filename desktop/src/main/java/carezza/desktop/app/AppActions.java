package carezza.desktop.app;

import static carezza.desktop.action.Scope.APPLICATION;
import static carezza.desktop.action.Scope.BENCH;
import static carezza.desktop.action.Scope.DOCUMENT;
import static carezza.desktop.action.Scope.REPAIRS;
import static carezza.desktop.action.Scope.WORK;

import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.BooleanBinding;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;

import carezza.desktop.action.ActionMap;
import carezza.desktop.action.Menu;
import carezza.desktop.file.DocumentFiles;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Brush;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.desktop.view.picture.PictureArea;
import carezza.desktop.view.picture.PictureView;
import carezza.kernel.LayerType;
import carezza.measure.CheckView;
import carezza.model.Stage;
import carezza.plan.Plan;

/** The list of all that can be done in the window; what each is called stands in the texts. */
final class AppActions {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDER = 1.15;
  private static final double SOFTER = 0.1;
  private static final double STRONGER = 0.05;

  private final ActionMap actions = new ActionMap();
  private final AppState state;
  private final Shell shell;

  private AppActions(AppState state, Shell shell) {
    this.state = state;
    this.shell = shell;
  }

  static ActionMap of(AppState state, Shell shell) {
    AppActions all = new AppActions(state, shell);
    all.picture();
    all.steps();
    all.stack();
    all.brush();
    all.mend();
    all.see();
    all.help();
    return all.actions;
  }

  private BooleanBinding open() {
    return state.document().projectProperty().isNotNull();
  }

  private BooleanBinding proposed() {
    ReadOnlyObjectProperty<Plan> plan = state.plan().planProperty();
    return Bindings.createBooleanBinding(
        () -> plan.get() != null && !plan.get().proposed().isEmpty(), plan);
  }

  private BooleanBinding room() {
    return Bindings.createBooleanBinding(shell.workspace()::hasRoom, shell.workspace().waiting());
  }

  private BooleanBinding waiting() {
    return Bindings.isNotEmpty(shell.workspace().waiting());
  }

  private BooleanBinding set() {
    return shell.sets().set().setProperty().isNotNull();
  }

  private BooleanBinding selected() {
    return state.selection().selectedProperty().isNotNull();
  }

  private void picture() {
    DocumentFiles files = shell.files();
    actions.add("start", Menu.PICTURE, APPLICATION, "Shortcut+N", shell.navigation()::showStart);
    actions.add("open", Menu.PICTURE, APPLICATION, "Shortcut+O", files::askOpen);
    actions.add(
        "open-beside", Menu.PICTURE, DOCUMENT, "Shift+Shortcut+O", room(), files::askOpenBeside);
    actions.add("exchange", Menu.PICTURE, APPLICATION, "Shortcut+E", waiting(), files::exchange);
    actions.add("save", Menu.PICTURE, DOCUMENT, "Shortcut+S", open(), files::save);
    actions.add("save-as", Menu.PICTURE, DOCUMENT, "Shift+Shortcut+S", open(), files::askSave);
    actions.add(
        "plan", Menu.PICTURE, DOCUMENT, "Shortcut+L", open(), () -> toggle(Navigation.PLAN));
    actions.add("plan-draft", Menu.PICTURE, WORK, "Shift+P", proposed(), state.plan()::draft);
    actions.add(
        "deliver", Menu.PICTURE, DOCUMENT, "Shortcut+D", open(), () -> toggle(Navigation.DELIVER));
    actions.add("set-folder", Menu.PICTURE, APPLICATION, "Shift+Shortcut+F", files::askSet);
    actions.add("set", Menu.PICTURE, APPLICATION, "Shortcut+M", () -> toggle(Navigation.SET));
    actions.add("contact-sheet", Menu.PICTURE, APPLICATION, null, set(), shell::writeContactSheet);
    actions.add("routine", Menu.PICTURE, APPLICATION, null, open(), shell::makeRoutine);
    actions.add(
        "journal", Menu.PICTURE, APPLICATION, "Shortcut+J", () -> toggle(Navigation.JOURNAL));
    actions.add(
        "sheet",
        Menu.PICTURE,
        APPLICATION,
        "Shortcut+T",
        open(),
        () -> shell.records().showSheet(SheetKind.CLIENT));
    actions.add("recover", Menu.PICTURE, APPLICATION, null, files::offerRecovery);
    actions.add("leave", Menu.PICTURE, DOCUMENT, "Shortcut+W", open(), shell::leave);
    actions.add("quit", Menu.PICTURE, APPLICATION, "Shortcut+Q", shell::quit);
  }

  private void steps() {
    actions.add(
        "undo",
        Menu.STEPS,
        DOCUMENT,
        "Shortcut+Z",
        Bindings.createBooleanBinding(
            () -> state.document().undoableProperty().get(), state.document().undoableProperty()),
        state.selection()::undo);
    actions.add(
        "redo",
        Menu.STEPS,
        DOCUMENT,
        "Shift+Shortcut+Z",
        Bindings.createBooleanBinding(
            () -> state.document().redoableProperty().get(), state.document().redoableProperty()),
        state.selection()::redo);
    actions.add("redo-too", Menu.STEPS, DOCUMENT, "Shortcut+Y", null, state.selection()::redo);
    actions.add("steps", Menu.STEPS, DOCUMENT, "H", open(), shell::showSteps);
    actions.add("back", Menu.STEPS, APPLICATION, "Esc", shell.navigation()::back);
  }

  private void stack() {
    for (Stage stage : Stage.values()) {
      int number = stage.ordinal() + 1;
      actions.add(
          "stage-" + number,
          Menu.STACK,
          BENCH,
          Integer.toString(number),
          () -> state.selection().goTo(stage));
    }
    actions.add("layer-before", Menu.STACK, BENCH, "Left", () -> state.selection().step(-1));
    actions.add("layer-after", Menu.STACK, BENCH, "Right", () -> state.selection().step(1));
    actions.add("photograph", Menu.STACK, BENCH, "0", () -> state.selection().select(null));
    actions.add("layer-on", Menu.STACK, BENCH, "O", selected(), state.selection()::turnLayer);
    actions.add(
        "layer-down",
        Menu.STACK,
        BENCH,
        "Shift+Left",
        selected(),
        () -> state.selection().move(-1));
    actions.add(
        "layer-up", Menu.STACK, BENCH, "Shift+Right", selected(), () -> state.selection().move(1));
    actions.add(
        "layer-double",
        Menu.STACK,
        BENCH,
        "Shift+Shortcut+D",
        selected(),
        state.selection()::twice);
    actions.add(
        "layer-to-set", Menu.STACK, BENCH, null, selected().and(set()), shell::copyLayerToSet);
    actions.add("layer-group", Menu.STACK, BENCH, "J", selected(), state.selection()::group);
    actions.add(
        "layer-apart", Menu.STACK, BENCH, "Shift+J", selected(), state.selection()::takeApart);
    actions.add("page", Menu.STACK, BENCH, "W", selected(), () -> shell.bench().turnPage());
    actions.add("advice", Menu.STACK, BENCH, "I", this::advice);
    actions.add("contours", Menu.STACK, BENCH, "G", selected(), state.advice()::turnContours);
    actions.add("remove", Menu.STACK, BENCH, "Delete", selected(), this::remove);
    actions.add("variants", Menu.STACK, DOCUMENT, "Shift+V", open(), shell::showVariants);
    actions.add(
        "variant-next", Menu.STACK, DOCUMENT, "Alt+V", open(), () -> shell.variants().next());
    actions.add("playhead-back", Menu.STACK, DOCUMENT, "Page_Up", () -> playhead(-1));
    actions.add("playhead-forth", Menu.STACK, DOCUMENT, "Page_Down", () -> playhead(1));
    for (LayerType kind : LayerType.MADE_ANEW) {
      actions
          .named(
              "add-" + kind.key(),
              Names.of(kind),
              TEXTS.get("appActions.adds-a-layer-on-top-of", Names.of(kind.stage())),
              Menu.ADD,
              BENCH,
              null,
              () -> state.selection().add(kind))
          .in(Names.of(kind.stage()));
    }
  }

  private void toggle(String view) {
    shell.navigation().toggle(view);
  }

  private void playhead(int by) {
    state.view().moveTo(state.view().playhead() + by);
  }

  private void advice() {
    if (!shown().hand().takeHint()) {
      state.advice().take();
    }
  }

  private void remove() {
    if (state.tools().tool() != ToolKind.REPAIR || !state.repairs().remove()) {
      state.selection().remove();
    }
  }

  private void brush() {
    actions.add(
        "paint-mask", Menu.BRUSH, BENCH, "P", selected(), () -> state.tools().turn(ToolKind.MASK));
    actions.add("erase", Menu.BRUSH, BENCH, "L", () -> turn(state.tools().erasingProperty()));
    actions.add("inside-edges", Menu.BRUSH, BENCH, "E", () -> brush(b -> b.staying(!b.inside())));
    actions.add("brush-smaller", Menu.BRUSH, BENCH, "S", () -> widen(1 / WIDER));
    actions.add("brush-larger", Menu.BRUSH, BENCH, "D", () -> widen(WIDER));
    actions.add("brush-harder", Menu.BRUSH, BENCH, "Shift+S", () -> brush(b -> b.softer(-SOFTER)));
    actions.add("brush-softer", Menu.BRUSH, BENCH, "Shift+D", () -> brush(b -> b.softer(SOFTER)));
    actions.add(
        "brush-weaker", Menu.BRUSH, BENCH, "Alt+S", () -> brush(b -> b.stronger(-STRONGER)));
    actions.add(
        "brush-stronger", Menu.BRUSH, BENCH, "Alt+D", () -> brush(b -> b.stronger(STRONGER)));
    actions.held(
        "brush-hand",
        Menu.BRUSH,
        BENCH,
        "B",
        () -> shown().hand().holdBrush(true),
        () -> shown().hand().holdBrush(false));
    actions.add("face-map", Menu.BRUSH, BENCH, "F", state.selection()::turnFaceMap);
    actions.add("frame", Menu.BRUSH, BENCH, "Shift+F", this::frame);
  }

  /** The chosen repairs while they are in hand, or else the brush. */
  private void widen(double factor) {
    if (state.tools().tool() != ToolKind.REPAIR || !state.repairs().scale(factor)) {
      brush(b -> b.radiusTimes(factor));
    }
  }

  private void frame() {
    state.selection().select(null);
    state.tools().toolProperty().set(ToolKind.FRAME);
  }

  private static void turn(BooleanProperty value) {
    value.set(!value.get());
  }

  private void brush(UnaryOperator<Brush> change) {
    state.tools().brushProperty().set(change.apply(state.tools().brush()));
  }

  private void mend() {
    actions.add(
        "repairs-in-hand",
        Menu.MEND,
        REPAIRS,
        "R",
        () ->
            state
                .tools()
                .toolProperty()
                .set(state.tools().tool() == ToolKind.REPAIR ? ToolKind.HEAL : ToolKind.REPAIR));
    actions.add("next-source", Menu.MEND, REPAIRS, "T", state.repairs()::another);
    actions.add("look-for-spots", Menu.MEND, REPAIRS, "Shift+N", state.proposals()::look);
    actions.add("proposal-next", Menu.MEND, REPAIRS, "N", state.proposals()::next);
    BooleanBinding deciding = state.proposals().currentProperty().isNotNull();
    actions.add("proposal-heal", Menu.MEND, REPAIRS, "Enter", deciding, state.proposals()::accept);
    actions.add("proposal-keep", Menu.MEND, REPAIRS, "K", deciding, state.proposals()::keep);
  }

  private void see() {
    actions.add("zoom", Menu.SEE, DOCUMENT, "Z", () -> shown().toggleZoom());
    actions.add("zoom-in", Menu.SEE, DOCUMENT, "Plus", () -> shown().zoomBy(1));
    actions.add("zoom-out", Menu.SEE, DOCUMENT, "Minus", () -> shown().zoomBy(-1));
    actions.held(
        "as-shot",
        Menu.SEE,
        DOCUMENT,
        "A",
        () -> state.view().asShotProperty().set(true),
        () -> state.view().asShotProperty().set(false));
    actions.held(
        "mask",
        Menu.SEE,
        DOCUMENT,
        "M",
        () -> state.view().maskShownProperty().set(true),
        () -> state.view().maskShownProperty().set(false));
    actions.held(
        "move-view",
        Menu.SEE,
        DOCUMENT,
        "Space",
        () -> shown().hand().holdSpace(true),
        () -> shown().hand().holdSpace(false));
    actions.add("mask-view", Menu.SEE, DOCUMENT, "V", state.view()::turnMaskView);
    actions.add("compare", Menu.SEE, DOCUMENT, "C", this::compare);
    actions.add("mirror", Menu.SEE, DOCUMENT, "X", () -> turn(state.view().mirroredProperty()));
    actions.add("fold-panel", Menu.SEE, BENCH, "Alt+1", () -> shell.bench().turnPanel());
    actions.add("fold-plan", Menu.SEE, BENCH, "Alt+3", shell::turnRail);
    actions.add("fold-course", Menu.SEE, BENCH, "Alt+2", () -> shell.bench().turnCourse());
    actions.add("full-screen", Menu.SEE, APPLICATION, "Alt+0", shell::turnFullScreen);
    for (CheckView way : CheckView.values()) {
      actions.named(
          "see-" + way.name().toLowerCase(Locale.ROOT),
          TEXTS.get("appActions.see", Names.of(way)),
          Names.hint(way),
          Menu.SEE,
          DOCUMENT,
          PictureArea.key(way),
          () -> state.view().turn(way));
    }
    actions.add("screen", Menu.SEE, APPLICATION, null, shell.appearance()::showScreen);
    actions.add("text-size", Menu.SEE, APPLICATION, null, shell.appearance()::turnTextSize);
  }

  private void compare() {
    ObjectProperty<Comparison> how = state.view().comparisonProperty();
    how.set(how.get().next());
  }

  private BooleanBinding exercise() {
    return Bindings.createBooleanBinding(
        shell.practice().state()::isAtWork,
        shell.practice().state().taskProperty(),
        state.document().sessionProperty());
  }

  private void help() {
    actions.add(
        "practice", Menu.HELP, APPLICATION, "Shortcut+U", () -> toggle(Navigation.PRACTICE));
    actions.add(
        "practice-done",
        Menu.HELP,
        DOCUMENT,
        "Shortcut+Enter",
        exercise(),
        shell.practice()::finish);
    actions.add(
        "practice-give-up", Menu.HELP, DOCUMENT, null, exercise(), shell.practice()::giveUp);
    actions.add(
        "practice-hints",
        Menu.HELP,
        APPLICATION,
        null,
        () -> turn(state.view().practiceHintsProperty()));
    actions.add("find-command", Menu.HELP, APPLICATION, "Shortcut+K", shell::showCommands);
    actions.add("keys", Menu.HELP, APPLICATION, "F1", shell::showCommands);
    actions.add("language", Menu.HELP, APPLICATION, null, shell.appearance()::turnLanguage);
  }

  private PictureView shown() {
    return shell.picture();
  }
}
