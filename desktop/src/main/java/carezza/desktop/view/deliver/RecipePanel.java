package carezza.desktop.view.deliver;

import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.codec.PictureReader;
import carezza.desktop.control.Buttons;
import carezza.desktop.control.Titled;
import carezza.desktop.journal.WorkState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.image.PictureSize;
import carezza.model.Project;
import carezza.plan.Plan;
import carezza.problem.Problem;
import carezza.recipe.NamePattern.Words;
import carezza.recipe.Output;
import carezza.recipe.Recipe;
import carezza.session.Session;

/** All files of a recipe at once, of every variant, after a look over the picture. */
final class RecipePanel extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");

  private static final double WIDTH = 330;
  private static final String SETTING = "deliver.recipe";

  /** Folder beside the photograph that is proposed. */
  private static final String DELIVERED = "delivered";

  private final AppState state;
  private final WorkState work;
  private final Settings settings;
  private final Recipes recipes;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Lane reading;
  private final Lane checking;
  private final Lane writing;
  private final ComboBox<Recipe> recipe = new ComboBox<>();
  private final Button change;
  private final Button remove;
  private final TextField folder = new TextField();
  private final VBox files = new VBox(3);
  private final VBox checks = new VBox(5);
  private final Button write;
  private final Button stop;
  private final Button replace;
  private final ProgressBar progress = new ProgressBar(-1);
  private final Label outcome = DeliverPanel.words("");
  private @Nullable Session proposedFor;

  RecipePanel(AppState state, WorkState work, Settings settings, Recipes recipes) {
    this.state = state;
    this.work = work;
    this.settings = settings;
    this.recipes = recipes;
    reading = state.tasks().lane("recipes");
    checking = state.tasks().droppable("preflight");
    writing = state.tasks().lane("recipe delivery");
    setId("deliver-recipe");
    getStyleClass().add("panel");
    setPrefWidth(TextSize.px(WIDTH));
    setMinWidth(TextSize.px(WIDTH));
    recipe.setId("recipe-chosen");
    recipe.setMaxWidth(Double.MAX_VALUE);
    recipe.setConverter(new Titled<>(Recipe::name));
    recipe.setAccessibleText(TEXTS.get("recipe"));
    recipe.setTooltip(new Tooltip(TEXTS.get("recipe.tip")));
    recipe.valueProperty().subscribe((was, is) -> chosen());
    change = button("recipe-change", "change", () -> edit(false));
    remove = button("recipe-out", "remove", this::remove);
    folder.setId("recipe-folder");
    folder.setAccessibleText(TEXTS.get("recipe.folder"));
    folder.setTooltip(new Tooltip(TEXTS.get("recipe.folder.tip")));
    write = button("recipe-write", "write", () -> write(false));
    write.getStyleClass().add("strong");
    stop = button("recipe-stop", "stop", this::stop);
    stop.setDisable(true);
    replace = button("recipe-replace", "replace", () -> write(true));
    replace.setVisible(false);
    replace.managedProperty().bind(replace.visibleProperty());
    progress.setVisible(false);
    progress.managedProperty().bind(progress.visibleProperty());
    progress.setMaxWidth(Double.MAX_VALUE);
    outcome.setId("recipe-outcome");
    outcome.setMinHeight(USE_PREF_SIZE);
    files.setId("recipe-files");
    checks.setId("recipe-checks");
    VBox form =
        new VBox(
            10,
            DeliverPanel.caption(TEXTS.get("recipe")),
            recipe,
            new HBox(6, button("recipe-another", "another", () -> edit(true)), change, remove),
            DeliverPanel.caption(TEXTS.get("recipe.folder")),
            folder,
            DeliverPanel.caption(TEXTS.get("recipe.files")),
            files,
            DeliverPanel.caption(TEXTS.get("preflight")),
            checks,
            DeliverPanel.caption(TEXTS.get("deliverPanel.with-care")),
            DeliverPanel.words(
                TEXTS.get("deliverPanel.retouched-commercial-pictures-of-people-must")));
    form.setPadding(new Insets(14));
    ScrollPane scroll = new ScrollPane(form);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    VBox foot = new VBox(8, new HBox(8, write, stop), replace, progress, outcome);
    foot.setPadding(new Insets(10, 14, 14, 14));
    getChildren().addAll(scroll, foot);
    subscriptions.on(
        state.document().projectProperty(),
        is -> {
          if (getScene() != null) {
            chosen();
          }
        });
  }

  private static Button button(String id, String name, Runnable action) {
    return Buttons.of(
        id, TEXTS.get("recipe." + name), TEXTS.get("recipe." + name + ".tip"), action);
  }

  // --- what there is

  /** Shows what would be written of the document at work. */
  void propose() {
    if (state.document().isEmpty()) {
      return;
    }
    if (proposedFor != state.document().session()) {
      proposedFor = state.document().session();
      outcome.setText("");
      replace.setVisible(false);
      folder.setText(
          ProposedNames.folder(state.document().current()).resolve(DELIVERED).toString());
    }
    read(recipe.getValue() == null ? settings.get(SETTING, "") : recipe.getValue().name());
  }

  void takeFocus() {
    recipe.requestFocus();
  }

  /**
   * @param name of the one that is chosen then
   */
  private void read(String name) {
    reading.newest(
        cancellation -> recipes.all(),
        all -> {
          recipe.getItems().setAll(all);
          recipe.setValue(
              all.stream().filter(r -> r.name().equals(name)).findFirst().orElse(all.getFirst()));
          chosen();
        },
        state.status()::fail);
  }

  private void chosen() {
    Recipe is = recipe.getValue();
    boolean none = is == null || state.document().isEmpty();
    write.setDisable(none);
    change.setDisable(none || !recipes.isOwn(is));
    remove.setDisable(change.isDisabled());
    files.getChildren().clear();
    if (none || is == null) {
      return;
    }
    settings.set(SETTING, is.name());
    Project project = state.document().project();
    PictureSize size = state.document().session().size();
    List<String> names = project.variants().names();
    for (int i = 0; i < Math.max(1, names.size()); i++) {
      Project variant = project.atVariant(i);
      Words words = names.isEmpty() ? words() : words().of(names.get(i));
      for (Output output : is.outputs()) {
        PictureSize of = output.delivery().size(output.framed(variant, size), size);
        String file = output.file(Path.of(""), words).toString();
        files
            .getChildren()
            .add(DeliverPanel.words(TEXTS.get("recipe.file", file, of.width(), of.height())));
      }
    }
    look(is);
  }

  private Words words() {
    Project project = state.document().project();
    String photograph = PictureReader.name(Path.of(project.photograph().name()));
    int dot = photograph.lastIndexOf('.');
    return new Words(
        project.title(), 1, LocalDate.now(), dot > 0 ? photograph.substring(0, dot) : photograph);
  }

  /** Looks the picture over, behind. */
  private void look(Recipe of) {
    Session session = state.document().session();
    Project project = state.document().project();
    Plan plan = state.plan().planProperty().get();
    checks.getChildren().setAll(DeliverPanel.words(TEXTS.get("preflight.looking")));
    checking.newest(
        cancellation -> {
          List<String> said = new ArrayList<>();
          List<String> names = project.variants().names();
          for (int i = 0; i < Math.max(1, names.size()); i++) {
            String heading = names.isEmpty() ? "" : names.get(i) + " – ";
            PreflightWords.of(session.preflights().of(project.atVariant(i), of, cancellation))
                .forEach(w -> said.add(heading + w));
          }
          return said;
        },
        found -> {
          checks.getChildren().clear();
          found.forEach(w -> checks.getChildren().add(DeliverPanel.words(w)));
          if (plan != null && !plan.open().isEmpty()) {
            checks
                .getChildren()
                .add(
                    DeliverPanel.words(
                        TEXTS.get("deliveryChecks.open-in-the-plan", plan.open().size())));
          }
        },
        state.status()::fail);
  }

  // --- recipes

  private void edit(boolean another) {
    Recipe is = recipe.getValue();
    if (is != null) {
      recipes.edit(is, another, () -> read(settings.get(SETTING, "")));
    }
  }

  private void remove() {
    Recipe is = recipe.getValue();
    if (is != null) {
      recipes.remove(is);
      read("");
    }
  }

  // --- writing

  private void write(boolean replaces) {
    Recipe is = recipe.getValue();
    Path into;
    try {
      into = Path.of(folder.getText().strip()).toAbsolutePath();
    } catch (InvalidPathException e) {
      outcome.setText(TEXTS.get("deliverPanel.this-is-no-name-for-a"));
      return;
    }
    if (is == null || state.document().isEmpty()) {
      return;
    }
    replace.setVisible(false);
    Session session = state.document().session();
    Project project = state.document().project();
    Words words = words();
    Buttons.pass(write, stop);
    progress.setVisible(true);
    outcome.setText(TEXTS.get("deliverPanel.rendering-at-full-size"));
    Status.Job job = state.status().begin(TEXTS.get("recipe.writing", is.name()), this::stop);
    writing.newest(
        cancellation ->
            session
                .exports()
                .deliver(project, is, into, words, replaces, file -> false, cancellation),
        written -> {
          if (session == state.document().session()) {
            record(project, is, written);
          }
          finished(TEXTS.get("recipe.written", written.size(), into));
        },
        e -> {
          replace.setVisible(written(into, is, project, words));
          finished(
              e instanceof Problem p && p.kind() == Problem.Kind.FILE_EXISTS
                  ? TEXTS.get("recipe.is-there", into)
                  : Faults.said(e));
        },
        job::end);
  }

  /** Whether any of the files is there, so that replacing them is an answer. */
  private static boolean written(Path into, Recipe recipe, Project project, Words words) {
    List<String> names = project.variants().names();
    List<Words> all = names.isEmpty() ? List.of(words) : names.stream().map(words::of).toList();
    return recipe.outputs().stream()
        .anyMatch(o -> all.stream().anyMatch(w -> Files.exists(o.file(into, w))));
  }

  private void record(Project project, Recipe of, List<Path> written) {
    PictureSize size = state.document().session().size();
    List<Path> left = new ArrayList<>(written);
    for (int i = 0; i < project.allVariants().size(); i++) {
      Project variant = project.atVariant(i);
      for (Output output : of.outputs()) {
        work.delivered(
            left.removeFirst(),
            output.delivery().size(output.framed(variant, size), size),
            variant);
      }
    }
  }

  private void stop() {
    writing.cancel();
    finished(TEXTS.get("recipe.stopped"));
  }

  private void finished(String words) {
    Buttons.pass(stop, write);
    progress.setVisible(false);
    outcome.setText(words);
    state.status().say(words);
  }

  void close() {
    subscriptions.close();
    reading.close();
    checking.close();
    writing.close();
  }
}
