package carezza.desktop.dialog;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Buttons;
import carezza.desktop.text.Texts;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.project.RoutineFile;
import carezza.routine.Routine;
import carezza.routine.RoutineMaker;
import carezza.routine.RoutineMaker.LeftOut;
import carezza.routine.Rule;

/**
 * Makes a routine of the stack at work: for each layer, what is measured anew on another picture;
 * all else stays as it is in this one. What cannot go along is said as the choice changes.
 */
public final class RoutineSheet extends VBox {

  private static final Texts TEXTS = Texts.of("set");

  private static final double WIDTH = 640;
  private static final double ROWS = 380;
  private static final double NAME = 190;

  private final Project project;
  private final TextField name = new TextField();
  private final CheckBox tuned = new CheckBox(TEXTS.get("make.tuned"));
  private final Map<String, Set<Rule>> chosen = new HashMap<>();
  private final Map<String, Label> fates = new LinkedHashMap<>();
  private final Label wrong = new Label();

  /**
   * @param keep keeps the routine; says what is wrong, or nothing
   */
  public RoutineSheet(Project project, Function<Routine, String> keep, Runnable done) {
    super(12);
    this.project = project;
    setId("routine");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("make.title"));
    heading.getStyleClass().add("title");
    Label words = new Label(TEXTS.get("make.words"));
    words.setWrapText(true);
    name.setId("routine-name");
    name.setText(TEXTS.get("make.name", project.title()));
    name.setAccessibleText(TEXTS.get("make.name.label"));
    name.setTooltip(new Tooltip(TEXTS.get("make.name.label")));
    tuned.setId("routine-tuned");
    tuned.setTooltip(new Tooltip(TEXTS.get("make.tuned.tip")));
    VBox rows = new VBox(8);
    RoutineMaker.all(project.stack())
        .forEach((id, rules) -> chosen.put(id, EnumSet.noneOf(Rule.class)));
    Map<String, Set<Rule>> usual = RoutineMaker.all(project.stack());
    for (Layer layer : project.stack().layers()) {
      rows.getChildren().add(row(layer, usual.getOrDefault(layer.attributes().id(), Set.of())));
    }
    ScrollPane scroll = new ScrollPane(rows);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setMaxHeight(ROWS);
    wrong.setId("routine-wrong");
    wrong.setWrapText(true);
    getChildren()
        .addAll(
            heading,
            words,
            name,
            scroll,
            tuned,
            wrong,
            new HBox(
                8,
                Buttons.main(
                    "routine-keep",
                    TEXTS.get("make.keep"),
                    TEXTS.get("make.keep.tip"),
                    () -> keep(keep, done)),
                Buttons.of("routine-not", TEXTS.get("make.not"), TEXTS.get("make.not.tip"), done)));
    said();
  }

  private HBox row(Layer layer, Set<Rule> usual) {
    String id = layer.attributes().id();
    Label title = new Label(layer.attributes().name());
    title.setMinWidth(NAME);
    title.setMaxWidth(NAME);
    Label fate = new Label();
    fate.getStyleClass().add("hint");
    fates.put(id, fate);
    FlowPane rules = new FlowPane(12, 4);
    HBox.setHgrow(rules, Priority.ALWAYS);
    Set<Rule> own = Objects.requireNonNull(chosen.get(id));
    for (Rule rule : Rule.of(layer)) {
      CheckBox box = new CheckBox(TEXTS.get("rule." + RoutineFile.key(rule)));
      box.setId("rule-" + id + "-" + RoutineFile.key(rule));
      box.setSelected(usual.contains(rule));
      if (usual.contains(rule)) {
        own.add(rule);
      }
      box.selectedProperty()
          .subscribe(
              is -> {
                if (is) {
                  own.add(rule);
                } else {
                  own.remove(rule);
                }
                said();
              });
      rules.getChildren().add(box);
    }
    rules.getChildren().add(fate);
    return new HBox(10, title, rules);
  }

  /** What becomes of each layer, as things stand. */
  private void said() {
    if (fates.size() < project.stack().size()) {
      return;
    }
    Map<String, LeftOut> out = new HashMap<>();
    RoutineMaker.of(project, "", chosen).leftOut().forEach(l -> out.put(l.layer(), l));
    for (Layer layer : project.stack().layers()) {
      LeftOut left = out.get(layer.attributes().name());
      Label fate = fates.get(layer.attributes().id());
      if (fate != null) {
        fate.setText(
            left != null
                ? TEXTS.get("left." + left.reason().name().toLowerCase(Locale.ROOT))
                : Set.of().equals(chosen.get(layer.attributes().id()))
                    ? TEXTS.get("left.as-here")
                    : "");
      }
    }
  }

  private void keep(Function<Routine, String> keep, Runnable done) {
    Routine made = RoutineMaker.of(project, name.getText().strip(), chosen).routine();
    if (made.name().isEmpty() || made.stack().size() == 0) {
      wrong.setText(TEXTS.get(made.name().isEmpty() ? "make.no-name" : "make.nothing"));
      return;
    }
    String problem =
        keep.apply(
            new Routine(
                made.name(),
                made.purpose(),
                made.job(),
                made.stack(),
                made.measured(),
                made.likelihood(),
                tuned.isSelected()));
    wrong.setText(problem);
    if (problem.isEmpty()) {
      done.run();
    }
  }
}
