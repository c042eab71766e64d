package carezza.desktop.view.set;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.control.Titled;
import carezza.desktop.set.SetJobs;
import carezza.desktop.set.SetLook;
import carezza.desktop.set.SetOutcome;
import carezza.desktop.set.SetState;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Names;
import carezza.measure.Gauge;
import carezza.set.Answer;
import carezza.set.Figures;
import carezza.set.Figures.Axis;
import carezza.set.Member;
import carezza.set.Member.State;

/** The member in hand: how it looks, what it is compared with, and what became of it. */
final class MemberPanel extends VBox {

  private static final double WIDTH = 300;
  private static final double PICTURE = 268;

  private final SetState set;
  private final SetJobs jobs;
  private final Label title = new Label();
  private final ImageView picture = new ImageView();
  private final ComboBox<State> state = new ComboBox<>();
  private final VBox figures = new VBox(4);
  private final VBox became = new VBox(4);
  private final TextArea notes = new TextArea();
  private final Button open;
  private final Button pin;
  private @Nullable Member member;
  private boolean showing;

  /** What the picture shows. */
  private @Nullable SetLook seen;

  /**
   * @param openIt opens the member on the bench
   * @param pinIt sets it beside the picture on the bench
   */
  MemberPanel(SetState set, SetJobs jobs, Runnable openIt, Runnable pinIt) {
    super(10);
    this.set = set;
    this.jobs = jobs;
    setId("set-member");
    getStyleClass().addAll("panel", "journal-panel");
    setMinWidth(TextSize.px(WIDTH));
    setMaxWidth(TextSize.px(WIDTH));
    title.getStyleClass().add("title");
    picture.setPreserveRatio(true);
    picture.setSmooth(true);
    picture.setFitWidth(TextSize.px(PICTURE));
    picture.setFitHeight(TextSize.px(PICTURE) * 0.9);
    state.setId("set-state");
    state.getItems().addAll(State.values());
    state.setConverter(new Titled<>(SetWords::state));
    state.setAccessibleText(SetWords.TEXTS.get("state"));
    state.setTooltip(new Tooltip(SetWords.TEXTS.get("state.tip")));
    state.valueProperty().subscribe(this::stateIs);
    notes.setId("set-notes");
    notes.setPrefRowCount(2);
    notes.setWrapText(true);
    notes.setPromptText(SetWords.TEXTS.get("notes"));
    notes.setAccessibleText(SetWords.TEXTS.get("notes"));
    notes.setTooltip(new Tooltip(SetWords.TEXTS.get("notes.tip")));
    notes.focusedProperty().subscribe(is -> keepNotes(is));
    open =
        Buttons.of("set-open", SetWords.TEXTS.get("open"), SetWords.TEXTS.get("open.tip"), openIt);
    open.getStyleClass().add("strong");
    pin = Buttons.of("set-pin", SetWords.TEXTS.get("pin"), SetWords.TEXTS.get("pin.tip"), pinIt);
    HBox place =
        new HBox(
            6,
            Buttons.of(
                "set-reference",
                SetWords.TEXTS.get("reference"),
                SetWords.TEXTS.get("reference.tip"),
                set::compareWithCurrent),
            new Spring(),
            Buttons.of("set-earlier", "‹", SetWords.TEXTS.get("earlier.tip"), () -> set.move(-1)),
            Buttons.of("set-later", "›", SetWords.TEXTS.get("later.tip"), () -> set.move(1)));
    HBox stateRow = row(SetWords.TEXTS.get("state"), "");
    stateRow.getChildren().setAll(new Label(SetWords.TEXTS.get("state")), new Spring(), state);
    VBox rows = new VBox(10, stateRow, figures, became, notes);
    ScrollPane scroll = new ScrollPane(rows);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(title, picture, scroll, place, new HBox(6, open, pin));
  }

  private void stateIs(@Nullable State is) {
    Member now = member;
    if (!showing && now != null && is != null && is != now.state()) {
      set.edit(now.photograph(), m -> m.in(is));
    }
  }

  private void keepNotes(boolean writing) {
    Member now = member;
    if (!writing && now != null && !notes.getText().equals(now.notes())) {
      String words = notes.getText();
      set.edit(now.photograph(), m -> m.noted(words));
    }
  }

  /** Shows the member that is in hand now. */
  void show() {
    showing = true;
    Member before = member;
    member = set.current().orElse(null);
    Member now = member;
    setVisible(now != null);
    if (now != null) {
      SetLook look = set.looks().get(now.photograph());
      title.setText(now.title());
      if (look != seen) {
        seen = look;
        picture.setImage(look == null ? null : look.large());
      }
      state.setValue(now.state());
      if (before == null || !before.photograph().equals(now.photograph())) {
        notes.setText(now.notes());
      } else if (!notes.isFocused() && !notes.getText().equals(now.notes())) {
        notes.setText(now.notes());
      }
      figures.getChildren().clear();
      became.getChildren().clear();
      compare(look);
      became(jobs.outcomes().get(now.photograph()));
      said(jobs.answers().of(now));
      pin.setDisable(set.missingProperty().get().contains(now.photograph()));
      open.setDisable(set.missingProperty().get().contains(now.photograph()));
    }
    showing = false;
  }

  private void compare(@Nullable SetLook look) {
    Figures reference = set.reference().orElse(null);
    var of = set.setProperty().get();
    Figures own = look == null ? null : look.figures();
    if (own == null || reference == null || of == null) {
      return;
    }
    String name = of.referenceMember().map(Member::title).orElse("");
    figures.getChildren().add(heading(SetWords.TEXTS.get("against", name)));
    for (Axis axis : Axis.values()) {
      HBox row = row(SetWords.axis(axis), SetWords.off(own, reference, axis));
      if (own.isOut(reference, axis)) {
        row.getStyleClass().add("set-row-out");
      }
      figures.getChildren().add(row);
    }
  }

  private void became(@Nullable SetOutcome outcome) {
    if (outcome == null) {
      return;
    }
    if (!outcome.problem().isEmpty()) {
      Label problem = new Label(outcome.problem());
      problem.setWrapText(true);
      became.getChildren().add(problem);
      return;
    }
    if (!outcome.routine().isEmpty()) {
      became.getChildren().add(heading(SetWords.TEXTS.get("measured", outcome.routine())));
      outcome
          .measured()
          .forEach(l -> became.getChildren().add(row(l.attributes().name(), SetWords.measured(l))));
      if (outcome.outside().isEmpty()) {
        became.getChildren().add(row(SetWords.TEXTS.get("all-inside"), ""));
      }
    }
    for (Gauge gauge : outcome.outside()) {
      HBox row =
          row(
              "▲ " + Names.of(gauge),
              String.format(Locale.ROOT, "%.2f %s", gauge.after(), Names.unit(gauge)));
      row.getStyleClass().add("set-row-out");
      became.getChildren().add(row);
    }
  }

  /** What the client says to each file. */
  private void said(List<Answer> answers) {
    if (answers.isEmpty()) {
      return;
    }
    became.getChildren().add(heading(SetWords.TEXTS.get("client")));
    for (Answer answer : answers) {
      HBox row = row(answer.file(), SetWords.answer(answer.kind()));
      row.getStyleClass().add(answer.kind() == Answer.Kind.CHANGE ? "set-row-out" : "set-row");
      became.getChildren().add(row);
      if (!answer.words().isEmpty()) {
        Label words = new Label(answer.words());
        words.getStyleClass().add("hint");
        words.setWrapText(true);
        became.getChildren().add(words);
      }
    }
  }

  private static Label heading(String words) {
    Label label = new Label(words);
    label.getStyleClass().add("heading");
    label.setWrapText(true);
    return label;
  }

  private static HBox row(String name, String value) {
    Label number = new Label(value);
    number.setMinWidth(USE_PREF_SIZE);
    HBox row = new HBox(6, new Label(name), new Spring(), number);
    row.getStyleClass().add("set-row");
    return row;
  }
}
