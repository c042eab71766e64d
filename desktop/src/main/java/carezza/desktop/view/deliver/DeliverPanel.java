package carezza.desktop.view.deliver;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
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
import carezza.desktop.control.Spring;
import carezza.desktop.journal.WorkState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Status;
import carezza.desktop.style.TextSize;
import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.desktop.view.ExplainButton;
import carezza.file.AtomicFile;
import carezza.image.PictureSize;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.recipe.Delivery;
import carezza.session.Session;

/**
 * Writes the finished picture: size, format, what the gauges still say, and the care that is due.
 */
final class DeliverPanel extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");

  private static final double WIDTH = 330;

  private final AppState state;
  private final WorkState work;
  private final Lane writing;
  private final TextField path = new TextField();
  private final Button write = new Button(TEXTS.get("deliverPanel.write-the-picture"));
  private final Button stop = new Button(TEXTS.get("deliverPanel.stop"));
  private final HBox question = new HBox(8);
  private final ProgressBar progress = new ProgressBar(-1);
  private final Label outcome = words("");
  private final DeliveryForm form;
  private final DeliveryChecks checks;

  /** What the proposed name is for. */
  private @Nullable Session proposedFor;

  DeliverPanel(AppState state, WorkState work, Settings settings) {
    this.state = state;
    this.work = work;
    writing = state.tasks().lane("delivery");
    setId("deliver");
    getStyleClass().add("panel");
    setPrefWidth(TextSize.px(WIDTH));
    setMinWidth(TextSize.px(WIDTH));
    form = new DeliveryForm(state, settings, outcome::setText);
    checks = new DeliveryChecks(state, form.colours());
    VBox all = new VBox(10);
    all.setPadding(new Insets(14));
    all.getChildren()
        .addAll(
            explained(TEXTS.get("deliverPanel.file")),
            path,
            form,
            caption(TEXTS.get("deliverPanel.what-the-gauges-say")),
            checks,
            caption(TEXTS.get("deliverPanel.with-care")),
            words(TEXTS.get("deliverPanel.retouched-commercial-pictures-of-people-must")));
    build();
    ScrollPane scroll = new ScrollPane(all);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    // What writes stays in sight however long the form grows.
    VBox foot = new VBox(8, new HBox(8, write, stop), question, progress, outcome);
    foot.setPadding(new Insets(10, 14, 14, 14));
    getChildren().addAll(scroll, foot);
  }

  // --- parts

  private void build() {
    path.setId("deliver-path");
    path.setAccessibleText(TEXTS.get("deliverPanel.file"));
    path.setTooltip(new Tooltip(TEXTS.get("deliverPanel.folder-and-name-jpg-png-tif")));
    path.textProperty().addListener((o, was, is) -> question.setVisible(false));
    path.setOnAction(e -> write.fire());
    write.setId("deliver-write");
    write.getStyleClass().add("strong");
    write.setTooltip(new Tooltip(TEXTS.get("deliverPanel.renders-at-full-quality-and-writes")));
    write.setOnAction(e -> write(false));
    stop.setId("deliver-stop");
    stop.setTooltip(new Tooltip(TEXTS.get("deliverPanel.gives-up-no-file-is-written")));
    stop.setOnAction(e -> stop());
    stop.setDisable(true);
    question
        .getChildren()
        .addAll(
            Buttons.of(
                "deliver-replace",
                TEXTS.get("deliverPanel.replace-it"),
                TEXTS.get("deliverPanel.writes-over-the-file-that-is"),
                () -> write(true)),
            Buttons.of(
                "deliver-rename",
                TEXTS.get("deliverPanel.a-new-name"),
                TEXTS.get("deliverPanel.proposes-a-name-that-is-free"),
                this::rename));
    question.setVisible(false);
    question.managedProperty().bind(question.visibleProperty());
    progress.setVisible(false);
    progress.managedProperty().bind(progress.visibleProperty());
    progress.setMaxWidth(Double.MAX_VALUE);
    outcome.setId("deliver-outcome");
    outcome.setMinHeight(USE_PREF_SIZE);
  }

  /** A caption with what explains the delivery beside it. */
  private static HBox explained(String words) {
    HBox box = new HBox(8, caption(words), new Spring(), new ExplainButton("view-deliver"));
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  static Label caption(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("heading");
    return label;
  }

  static Label words(String text) {
    Label label = new Label(text);
    label.setWrapText(true);
    return label;
  }

  /** Takes a profile from its file into the list and chooses it. */
  public void useProfile(Path file) {
    form.colours().useProfile(file);
  }

  // --- writing

  /** Proposes a name for this document, beside its photograph, that nothing has yet. */
  public void propose() {
    if (state.document().isEmpty()) {
      return;
    }
    form.saySize();
    if (proposedFor != state.document().session()) {
      proposedFor = state.document().session();
      outcome.setText("");
      path.setText(proposal(".jpg").toString());
    }
    checks.follow(proposedFor);
  }

  /** The view is left: what was marked in the picture is so no more. */
  void leave() {
    form.colours().unmark();
  }

  /** Puts the file's name in hand; Enter then writes. */
  public void takeFocus() {
    path.requestFocus();
    path.end();
  }

  private Path proposal(String ending) {
    return ProposedNames.free(
        ProposedNames.folder(state.document().current()),
        TEXTS.get("deliverPanel.retouched", state.document().project().title()),
        ending);
  }

  private void rename() {
    String name = path.getText().strip();
    int dot = name.lastIndexOf('.');
    path.setText(proposal(dot > 0 ? name.substring(dot) : ".jpg").toString());
    outcome.setText("");
  }

  private void write(boolean replaces) {
    question.setVisible(false);
    Path file;
    try {
      file = Path.of(path.getText().strip()).toAbsolutePath();
    } catch (InvalidPathException e) {
      outcome.setText(TEXTS.get("deliverPanel.this-is-no-name-for-a"));
      return;
    }
    Session session = state.document().session();
    Project project = state.document().project();
    Delivery delivery = form.delivery();
    AtomicFile target = AtomicFile.of(file, replaces);
    try {
      // Whatever else is wrong, a photograph is refused first.
      target.check();
      delivery.check(file);
    } catch (Problem e) {
      question.setVisible(e.kind() == Problem.Kind.FILE_EXISTS);
      outcome.setText(
          e.kind() == Problem.Kind.FILE_EXISTS
              ? TEXTS.get("deliverPanel.is-there-already-what-becomes-of", PictureReader.name(file))
              : e.getMessage());
      return;
    }
    form.remember();
    Buttons.pass(write, stop);
    progress.setVisible(true);
    outcome.setText(TEXTS.get("deliverPanel.rendering-at-full-size"));
    Status.Job job =
        state
            .status()
            .begin(TEXTS.get("deliverPanel.writing", PictureReader.name(file)), this::stop);
    writing.newest(
        cancellation -> {
          session.exports().deliver(project, target, delivery, cancellation);
          return written(file, delivery.size(project, session.size()));
        },
        done -> {
          if (session == state.document().session()) {
            work.delivered(file, delivery.size(project, session.size()), project);
          }
          finished(done);
          state.status().say(done);
        },
        e -> {
          String said = Faults.said(e);
          finished(said);
          state.status().say(said);
        },
        job::end);
  }

  private static String written(Path file, PictureSize size) throws IOException {
    return TEXTS.get(
        "deliverPanel.written-pixels", file, size.width(), size.height(), bytes(Files.size(file)));
  }

  private static String bytes(long count) {
    return count < 1_000_000
        ? "%d kB".formatted((count + 500) / 1000)
        : String.format(Locale.ROOT, "%.1f MB", count / 1e6);
  }

  private void stop() {
    writing.cancel();
    finished(TEXTS.get("deliverPanel.stopped-nothing-was-written"));
  }

  private void finished(String words) {
    Buttons.pass(stop, write);
    progress.setVisible(false);
    outcome.setText(words);
  }

  public void close() {
    form.close();
    checks.close();
    writing.close();
  }
}
