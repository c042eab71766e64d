package carezza.desktop.view.practice;

import java.util.List;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.Scope;
import carezza.desktop.control.Buttons;
import carezza.desktop.practice.EyeState;
import carezza.desktop.practice.EyeState.Shown;
import carezza.desktop.practice.PracticeState;
import carezza.desktop.practice.PracticeState.Outcome;
import carezza.desktop.practice.PracticeWords;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.desktop.view.WorkLine;
import carezza.practice.Exercise;
import carezza.practice.Quality;
import carezza.record.PracticeResult;

/** Where the hand and the eye are trained, and where everything is explained. */
public final class PracticeView implements AppView {

  private static final Texts TEXTS = Texts.of("practice");

  private static final double LIST_WIDTH = 232;
  private static final double WORDS_WIDTH = 620;

  /** Opens an exercise on the bench. */
  @FunctionalInterface
  public interface Opening {
    void open(Exercise exercise, long seed);
  }

  private final AppState state;
  private final PracticeState practice;
  private final EyeState eye;
  private final Opening opening;
  private final Subscriptions subscriptions = new Subscriptions();
  private final BorderPane pane = new BorderPane();
  private final TextField search = new TextField();
  private final VBox list = new VBox(2);
  private final VBox content = new VBox(12);
  private final ScrollPane reading = new ScrollPane(content);
  private final EyePane eyePane;
  private final WorkLine work;
  private List<Page> pages = List.of();
  private Page page = Page.LESSONS.getFirst();

  public PracticeView(AppState state, PracticeState practice, EyeState eye, Opening opening) {
    this.state = state;
    this.practice = practice;
    this.eye = eye;
    this.opening = opening;
    eyePane = new EyePane(eye, state.view().screenProperty()::get);
    pane.setId("practice");
    pane.getStyleClass().add("plan");
    search.setId("practice-search");
    search.setPromptText(TEXTS.get("search"));
    search.setAccessibleText(TEXTS.get("search"));
    search.setTooltip(new Tooltip(TEXTS.get("search.tip")));
    search.textProperty().subscribe((was, is) -> list());
    ScrollPane names = new ScrollPane(list);
    names.setFitToWidth(true);
    names.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(names, Priority.ALWAYS);
    work = WorkLine.narrow(state.status(), "practice-");
    VBox left = new VBox(8, search, names, work);
    left.setPadding(new Insets(12));
    left.getStyleClass().add("panel");
    left.setPrefWidth(TextSize.px(LIST_WIDTH));
    left.setMinWidth(TextSize.px(LIST_WIDTH));
    pane.setLeft(left);
    content.setPadding(new Insets(18, 26, 24, 26));
    reading.setFitToWidth(true);
    reading.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    pane.setCenter(reading);
    subscriptions.on(this::show, practice.resultsProperty(), practice.outcomeProperty());
    subscriptions.on(eye.shownProperty(), this::ask);
    subscriptions.on(eye.doneProperty(), this::tested);
  }

  // --- the list

  /** Made when somebody first looks: nobody waits for it as the window opens. */
  private List<Page> pages() {
    if (pages.isEmpty()) {
      pages = Page.all();
      list();
      show();
    }
    return pages;
  }

  private void list() {
    list.getChildren().clear();
    String sought = search.getText();
    String group = "";
    for (Page each : pages) {
      if (!each.has(sought)) {
        continue;
      }
      String own = group(each);
      if (!own.equals(group)) {
        group = own;
        Label heading = new Label(TEXTS.get("group." + own));
        heading.getStyleClass().add("heading");
        list.getChildren().add(heading);
      }
      list.getChildren().add(entry(each));
    }
    if (list.getChildren().isEmpty()) {
      Label none = new Label(TEXTS.get("search.none"));
      none.setWrapText(true);
      list.getChildren().add(none);
    }
  }

  private static String group(Page page) {
    return switch (page) {
      case Page.OfExercise p -> "exercises";
      case Page.OfEye p -> "eye";
      case Page.OfLesson p -> "lessons";
      case Page.OfView p -> "views";
      case Page.OfLayer p -> "layers";
    };
  }

  private Node entry(Page each) {
    ToggleButton entry = new ToggleButton(each.title());
    entry.setId("page-" + each.id());
    entry.getStyleClass().add("practice-entry");
    entry.setMaxWidth(Double.MAX_VALUE);
    entry.setWrapText(true);
    entry.setSelected(each.equals(page));
    entry.setTooltip(new Tooltip(TEXTS.get("entry.tip")));
    entry.setOnAction(e -> open(each));
    return entry;
  }

  private void open(Page wanted) {
    eye.stop();
    pages();
    page = wanted;
    list();
    show();
    reading.setVvalue(0);
  }

  /** Opens a page by its name; one that there is not is left out. */
  public void open(String id) {
    search.setText("");
    pages().stream().filter(p -> p.id().equals(id)).findFirst().ifPresent(this::open);
  }

  // --- the page

  private void show() {
    if (eye.isUnderWay() || pages.isEmpty()) {
      return;
    }
    pane.setCenter(reading);
    content.getChildren().clear();
    title(page.title());
    switch (page) {
      case Page.OfExercise p -> exercise(p.exercise());
      case Page.OfEye p -> eyeTest(p.quality());
      case Page.OfLesson p -> lesson(p);
      case Page.OfView p -> paragraphs(p.words());
      case Page.OfLayer p -> layer(p);
    }
  }

  private void title(String words) {
    Label title = new Label(words);
    title.setId("practice-title");
    title.getStyleClass().add("title");
    content.getChildren().add(title);
  }

  private void say(String words, String... styles) {
    Label label = new Label(words);
    label.getStyleClass().addAll(styles);
    label.setWrapText(true);
    label.setMaxWidth(TextSize.px(WORDS_WIDTH));
    label.setMinHeight(Region.USE_PREF_SIZE);
    content.getChildren().add(label);
  }

  private void exercise(Exercise exercise) {
    say(TEXTS.get("exercise." + exercise + ".task"));
    String measures =
        exercise.measures().stream()
            .map(m -> TEXTS.get("measure." + m))
            .collect(Collectors.joining(" · "));
    say(TEXTS.get("judged-by", measures), "hint");
    say(TEXTS.get("minutes", exercise.minutes()), "hint");
    content.getChildren().add(begin(exercise));
    Outcome outcome = practice.outcomeProperty().get();
    if (outcome != null && outcome.exercise() == exercise) {
      content.getChildren().add(new OutcomeBox(outcome, state.view().screenProperty().get()));
    }
    overTime(PracticeResult.Kind.EXERCISE, exercise.name());
  }

  private HBox begin(Exercise exercise) {
    HBox buttons =
        new HBox(
            8,
            Buttons.of(
                "practice-begin",
                TEXTS.get("begin"),
                TEXTS.get("begin.tip"),
                () -> opening.open(exercise, ThreadLocalRandom.current().nextLong(1, 1_000_000))));
    results(PracticeResult.Kind.EXERCISE, exercise.name()).stream()
        .reduce((one, other) -> other)
        .ifPresent(
            last ->
                buttons
                    .getChildren()
                    .add(
                        Buttons.of(
                            "practice-again",
                            TEXTS.get("again"),
                            TEXTS.get("again.tip"),
                            () -> opening.open(exercise, last.seed()))));
    return buttons;
  }

  private List<PracticeResult> results(PracticeResult.Kind kind, String subject) {
    return practice.resultsProperty().get().stream()
        .filter(r -> r.kind() == kind && r.subject().equals(subject))
        .toList();
  }

  private void overTime(PracticeResult.Kind kind, String subject) {
    List<PracticeResult> results = results(kind, subject);
    if (results.isEmpty()) {
      return;
    }
    say(TEXTS.get("over-time"), "heading");
    PracticeResult last = results.getLast();
    if (kind == PracticeResult.Kind.EXERCISE) {
      double best = results.stream().mapToDouble(PracticeResult::value).max().orElseThrow();
      say(
          TEXTS.get(
              "over-time.points",
              results.size(),
              Math.round(100 * last.value()),
              Math.round(100 * best),
              PracticeWords.minutes(last)));
    } else {
      say(PracticeWords.threshold(last));
    }
    OverTime chart = new OverTime(results);
    chart.setMaxWidth(TextSize.px(WORDS_WIDTH));
    content.getChildren().add(chart);
  }

  private void lesson(Page.OfLesson lesson) {
    paragraphs(lesson.words());
    say(TEXTS.get("exercise." + lesson.exercise()), "heading");
    say(TEXTS.get("exercise." + lesson.exercise() + ".task"));
    content.getChildren().add(begin(lesson.exercise()));
    overTime(PracticeResult.Kind.EXERCISE, lesson.exercise().name());
  }

  private void paragraphs(String words) {
    for (String paragraph : words.split("\\|")) {
      say(paragraph.strip());
    }
  }

  private void layer(Page.OfLayer own) {
    say(TEXTS.get("layer.stage", Names.of(own.type().stage())), "hint");
    say(TEXTS.get("layer." + own.type().key()));
    for (LayerFacts.Fact fact : LayerFacts.of(own.type())) {
      say(fact.name(), "heading");
      say(fact.hint());
      say(
          fact.usual().isEmpty()
              ? TEXTS.get("layer.range", fact.range())
              : TEXTS.get("layer.range.usual", fact.range(), fact.usual()),
          "hint");
    }
  }

  // --- the eye

  private void eyeTest(Quality quality) {
    say(TEXTS.get("eye." + quality + ".about"));
    say(TEXTS.get("eye.how"));
    content
        .getChildren()
        .add(
            Buttons.of(
                "eye-begin",
                TEXTS.get("eye.begin"),
                TEXTS.get("eye.begin.tip"),
                () -> {
                  eye.begin(quality, ThreadLocalRandom.current().nextLong(1, 1_000_000));
                  pane.setCenter(eyePane);
                  eyePane.requestFocus();
                }));
    overTime(PracticeResult.Kind.EYE, quality.name());
  }

  private void ask(@Nullable Shown shown) {
    eyePane.show(shown);
    if (shown != null && pane.getCenter() != eyePane) {
      pane.setCenter(eyePane);
    } else if (shown == null && !eye.isUnderWay()) {
      show();
    }
  }

  private void tested(@Nullable PracticeResult result) {
    if (result != null) {
      open(new Page.OfEye(Quality.valueOf(result.subject())));
      // Keys that are pressed in a row must not go on to what is around.
      search.requestFocus();
    }
  }

  // --- a view

  /** Shows what became of the exercise that was done last. */
  public void showOutcome() {
    Outcome outcome = practice.outcomeProperty().get();
    if (outcome != null) {
      open(new Page.OfExercise(outcome.exercise()));
    }
  }

  @Override
  public String id() {
    return "practice";
  }

  @Override
  public String title() {
    return TEXTS.get("practice");
  }

  @Override
  public String hint() {
    return TEXTS.get("practice.tip");
  }

  @Override
  public boolean needsDocument() {
    return false;
  }

  @Override
  public Node node() {
    return pane;
  }

  @Override
  public void activate() {
    pages();
    practice.look();
    takeFocus();
  }

  @Override
  public void takeFocus() {
    if (eye.isUnderWay()) {
      eyePane.requestFocus();
    } else {
      search.requestFocus();
    }
  }

  @Override
  public void deactivate() {
    eye.stop();
  }

  @Override
  public Scope scope() {
    return Scope.APPLICATION;
  }

  @Override
  public void close() {
    work.close();
    subscriptions.close();
  }
}
