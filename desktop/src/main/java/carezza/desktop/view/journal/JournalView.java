package carezza.desktop.view.journal;

import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.Scope;
import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.control.Titled;
import carezza.desktop.journal.JournalState;
import carezza.desktop.journal.JournalState.Contents;
import carezza.desktop.journal.Period;
import carezza.desktop.journal.WorkState;
import carezza.desktop.practice.PracticeWords;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.desktop.view.ExplainButton;
import carezza.record.Phase;
import carezza.record.PracticeResult;
import carezza.studio.Grouping;
import carezza.studio.JournalReport;
import carezza.studio.JournalReport.Comeback;

/** How long what took and what became of it, in all pictures that were worked on this machine. */
public final class JournalView implements AppView {

  private static final Texts TEXTS = Texts.of("journal");

  private static final int MOST_COMEBACKS = 5;

  /** Asks where the journal is written to. */
  public interface Exports {
    void csv();

    void json();
  }

  private final JournalState journal;
  private final WorkState work;
  private final Subscriptions subscriptions = new Subscriptions();
  private final BorderPane pane = new BorderPane();
  private final HBox numbers = new HBox(28);
  private final JournalList list;
  private final MinutesChart chart = new MinutesChart();
  private final VBox comebacks = new VBox(5);
  private final VBox practised = new VBox(5);
  private final PicturePanel picture;
  private boolean active;

  /**
   * @param sheet shows a sheet about the document at work
   */
  public JournalView(
      AppState state,
      WorkState work,
      JournalState journal,
      Exports exports,
      Consumer<SheetKind> sheet) {
    this.journal = journal;
    this.work = work;
    list = new JournalList(journal);
    picture = new PicturePanel(state, journal, sheet);
    numbers.setId("journal-numbers");
    VBox left = new VBox(12, controls(exports), numbers, list, charts());
    left.getStyleClass().add("journal");
    VBox.setVgrow(list, Priority.ALWAYS);
    pane.setId("journal");
    pane.getStyleClass().add("plan");
    pane.setCenter(left);
    pane.setRight(picture);
    subscriptions.on(this::show, journal.contentsProperty(), journal.groupingProperty());
    subscriptions.on(
        journal.selectedProperty(), id -> picture.show(journal.contentsProperty().get()));
  }

  private HBox controls(Exports exports) {
    ComboBox<Period> period = new ComboBox<>();
    period.setId("journal-period");
    period.getItems().addAll(Period.values());
    period.setConverter(new Titled<>(p -> TEXTS.get("period." + p)));
    period.setAccessibleText(TEXTS.get("period"));
    period.setTooltip(new Tooltip(TEXTS.get("period.tip")));
    period.valueProperty().bindBidirectional(journal.periodProperty());
    HBox groups = new HBox();
    groups.getStyleClass().add("joined");
    for (Grouping by : Grouping.values()) {
      ToggleButton group = new ToggleButton(TEXTS.get("by." + by));
      group.setId("journal-by-" + by.name().toLowerCase(java.util.Locale.ROOT));
      group.setTooltip(new Tooltip(TEXTS.get("by." + by + ".tip")));
      group.setOnAction(
          e -> {
            journal.groupingProperty().set(by);
            group.setSelected(true);
          });
      journal.groupingProperty().subscribe(is -> group.setSelected(is == by));
      groups.getChildren().add(group);
    }
    TextField words = new TextField();
    words.setId("journal-search");
    words.setPromptText(TEXTS.get("search"));
    words.setAccessibleText(TEXTS.get("search"));
    words.setTooltip(new Tooltip(TEXTS.get("search.tip")));
    words.textProperty().bindBidirectional(journal.wordsProperty());
    HBox row =
        new HBox(
            8,
            period,
            groups,
            words,
            new Spring(),
            Buttons.of("journal-csv", "CSV", TEXTS.get("csv.tip"), exports::csv),
            Buttons.of("journal-json", "JSON", TEXTS.get("json.tip"), exports::json),
            new ExplainButton("view-journal"));
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private HBox charts() {
    HBox charts =
        new HBox(
            24,
            titled(TEXTS.get("chart"), chart),
            titled(TEXTS.get("comebacks"), comebacks),
            titled(TEXTS.get("practised"), practised));
    charts.setMinHeight(150);
    return charts;
  }

  private static VBox titled(String words, Node node) {
    Label title = new Label(words);
    title.getStyleClass().add("heading");
    VBox box = new VBox(6, title, node);
    box.setMinWidth(0);
    box.setPrefWidth(0);
    HBox.setHgrow(box, Priority.ALWAYS);
    return box;
  }

  private void show() {
    Contents contents = journal.contentsProperty().get();
    if (!active || contents == null) {
      return;
    }
    JournalReport report = contents.report();
    numbers(report);
    list.show(report.rows(journal.groupingProperty().get()));
    chart.show(report.minutesEach());
    comebacks.getChildren().clear();
    List<Comeback> backs = report.comebacks();
    for (Comeback back : backs.subList(0, Math.min(MOST_COMEBACKS, backs.size()))) {
      comebacks.getChildren().add(new Label(JournalWords.comeback(back)));
    }
    if (backs.isEmpty()) {
      comebacks.getChildren().add(new Label(TEXTS.get("comebacks.none")));
    }
    practised(contents.practised());
    picture.show(contents);
  }

  /** The newest of what was practised. */
  private void practised(List<PracticeResult> results) {
    practised.setId("journal-practised");
    practised.getChildren().clear();
    for (PracticeResult result :
        results.subList(Math.max(0, results.size() - MOST_COMEBACKS), results.size()).reversed()) {
      practised.getChildren().add(new Label(PracticeWords.line(result)));
    }
    if (results.isEmpty()) {
      practised.getChildren().add(new Label(TEXTS.get("practised.none")));
    }
  }

  private void numbers(JournalReport report) {
    numbers.getChildren().clear();
    number(
        TEXTS.get("number.delivered.value", report.delivered(), report.pictures()),
        TEXTS.get("number.delivered"));
    number(JournalWords.time(report.active()), TEXTS.get("number.active"));
    number(
        JournalWords.spread(
            report.minutes(0.25), report.minutes(0.5), report.minutes(0.75), "%.1f"),
        TEXTS.get("number.minutes"));
    number(
        JournalWords.spread(report.ratio(0.25), report.ratio(0.5), report.ratio(0.75), "%.2f"),
        TEXTS.get("number.ratio"));
    if (report.pictures() > 0) {
      number(
          TEXTS.get("number.percent", Math.round(100 * report.share(Phase.MEND))),
          TEXTS.get("number.mending"));
    }
    number(JournalWords.time(report.waiting()), TEXTS.get("number.waiting"));
  }

  private void number(String value, String words) {
    Label large = new Label(value);
    large.getStyleClass().add("journal-number");
    Label small = new Label(words);
    small.getStyleClass().add("readouts");
    numbers.getChildren().add(new VBox(1, large, small));
  }

  @Override
  public String id() {
    return "journal";
  }

  @Override
  public String title() {
    return TEXTS.get("journal");
  }

  @Override
  public String hint() {
    return TEXTS.get("journal.tip");
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
    active = true;
    work.rest();
    String atWork = work.picture();
    if (atWork != null) {
      journal.selectedProperty().set(atWork);
    }
    journal.look();
    takeFocus();
  }

  @Override
  public void takeFocus() {
    list.takeFocus();
  }

  @Override
  public void deactivate() {
    active = false;
  }

  @Override
  public Scope scope() {
    return Scope.APPLICATION;
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
