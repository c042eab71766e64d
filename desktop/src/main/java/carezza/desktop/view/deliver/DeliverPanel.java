package carezza.desktop.view.deliver;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.codec.OutputCheck;
import carezza.codec.OutputColour;
import carezza.codec.PictureReader;
import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.control.Titled;
import carezza.desktop.journal.WorkState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.desktop.view.ExplainButton;
import carezza.file.AtomicFile;
import carezza.image.PictureSize;
import carezza.measure.Gauge;
import carezza.measure.Gauge.Verdict;
import carezza.metadata.Metadata.Carried;
import carezza.model.Project;
import carezza.plan.Plan;
import carezza.problem.Problem;
import carezza.recipe.Delivery;
import carezza.session.Promises.Broken;
import carezza.session.Session;

/**
 * Writes the finished picture: size, format, what the gauges still say, and the care that is due.
 */
final class DeliverPanel extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");

  private static final double WIDTH = 330;
  private static final int[] EDGES = {0, 4096, 2048, 1080};
  private static final String SETTING = "deliver.";

  /** Share of a picture that is worth a word. */
  private static final double SOME = 0.0005;

  private final AppState state;
  private final WorkState work;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Settings settings;
  private final Lane writing;
  private final TextField path = new TextField();
  private final ComboBox<String> edge = new ComboBox<>();
  private final Label size = words("");
  private final Label qualityCaption = caption("");
  private final Slider quality = new Slider(50, 100, 92);
  private final ComboBox<String> bits = new ComboBox<>();
  private final ColourChoice colours;
  private final ComboBox<Carried> notes = new ComboBox<>();
  private final CheckBox layers =
      new CheckBox(TEXTS.get("deliverPanel.a-page-for-each-layer-tiff"));
  private final CheckBox retouched = new CheckBox(TEXTS.get("deliverPanel.say-retouched"));
  private final Button write = new Button(TEXTS.get("deliverPanel.write-the-picture"));
  private final Button stop = new Button(TEXTS.get("deliverPanel.stop"));
  private final HBox question = new HBox(8);
  private final ProgressBar progress = new ProgressBar(-1);
  private final Label outcome = words("");
  private final VBox checks = new VBox(5);
  private final Label colourCheck = words("");
  private final Lane checking;

  /** What the proposed name is for. */
  private @Nullable Session proposedFor;

  DeliverPanel(AppState state, WorkState work, Settings settings) {
    this.state = state;
    this.work = work;
    writing = state.tasks().lane("delivery");
    checking = state.tasks().droppable("delivery check");
    this.settings = settings;
    setId("deliver");
    getStyleClass().add("panel");
    setPrefWidth(TextSize.px(WIDTH));
    setMinWidth(TextSize.px(WIDTH));
    colours = new ColourChoice(state, settings, outcome::setText);
    VBox form = new VBox(10);
    form.setPadding(new Insets(14));
    form.getChildren()
        .addAll(
            explained(TEXTS.get("deliverPanel.file")),
            path,
            caption(TEXTS.get("deliverPanel.long-edge")),
            edge,
            size,
            qualityCaption,
            quality,
            caption(TEXTS.get("deliverPanel.bits-per-channel-png-and-tiff")),
            bits,
            caption(TEXTS.get("deliverPanel.colour-space")),
            colours,
            caption(TEXTS.get("deliverPanel.what-the-photograph-s-file-says")),
            notes,
            retouched,
            layers,
            caption(TEXTS.get("deliverPanel.what-the-gauges-say")),
            checks,
            colourCheck,
            caption(TEXTS.get("deliverPanel.with-care")),
            words(TEXTS.get("deliverPanel.retouched-commercial-pictures-of-people-must")));
    build();
    recall();
    ScrollPane scroll = new ScrollPane(form);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    // What writes stays in sight however long the form grows.
    VBox foot = new VBox(8, new HBox(8, write, stop), question, progress, outcome);
    foot.setPadding(new Insets(10, 14, 14, 14));
    getChildren().addAll(scroll, foot);
    subscriptions.on(
        () -> check(state.measurements().gaugesProperty().get()),
        state.measurements().gaugesProperty(),
        state.measurements().missingProperty(),
        state.plan().planProperty(),
        state.plan().brokenProperty());
    subscriptions.on(this::saySize, state.document().projectProperty());
    colourCheck.setId("deliver-colours");
    colours.onChange(this::checkColours);
    subscriptions.on(
        state.document().projectProperty(),
        is -> {
          if (colourCheck.getScene() != null) {
            checkColours();
          }
        });
    check(state.measurements().gaugesProperty().get());
  }

  // --- parts

  private void build() {
    path.setId("deliver-path");
    path.setAccessibleText(TEXTS.get("deliverPanel.file"));
    path.setTooltip(new Tooltip(TEXTS.get("deliverPanel.folder-and-name-jpg-png-tif")));
    path.textProperty().addListener((o, was, is) -> question.setVisible(false));
    path.setOnAction(e -> write.fire());
    edge.setId("deliver-edge");
    edge.setAccessibleText(TEXTS.get("deliverPanel.long-edge"));
    edge.getItems().add(TEXTS.get("deliverPanel.full-size"));
    for (int i = 1; i < EDGES.length; i++) {
      edge.getItems().add(TEXTS.get("deliverPanel.pixels-2", EDGES[i]));
    }
    edge.getSelectionModel().select(0);
    edge.setTooltip(new Tooltip(TEXTS.get("deliverPanel.most-pixels-along-the-long-edge")));
    edge.getSelectionModel().selectedIndexProperty().addListener((o, was, is) -> saySize());
    size.setId("deliver-size");
    quality.setId("deliver-quality");
    quality.setAccessibleText(TEXTS.get("deliverPanel.jpeg-quality-2"));
    quality.setTooltip(new Tooltip(TEXTS.get("deliverPanel.jpeg-quality-50-to-100")));
    quality.valueProperty().addListener((o, was, is) -> sayQuality());
    sayQuality();
    bits.setId("deliver-bits");
    bits.setAccessibleText(TEXTS.get("deliverPanel.bits-per-channel"));
    bits.getItems().addAll("8", "16");
    bits.getSelectionModel().select(0);
    bits.setTooltip(new Tooltip(TEXTS.get("deliverPanel.bits-per-channel-jpeg-always-has")));
    notes.setId("deliver-notes");
    notes.setAccessibleText(TEXTS.get("deliverPanel.what-the-photograph-s-file-says"));
    notes.getItems().addAll(Carried.values());
    notes.setConverter(
        new Titled<>(
            c ->
                switch (c) {
                  case NOTHING -> TEXTS.get("deliverPanel.leave-out");
                  case WITHOUT_PLACE ->
                      TEXTS.get("deliverPanel.carry-over-without-place-and-serial");
                  case ALL -> TEXTS.get("deliverPanel.carry-over-place-included");
                }));
    notes.getSelectionModel().select(Carried.WITHOUT_PLACE);
    notes.setTooltip(new Tooltip(TEXTS.get("deliverPanel.exif-iptc-and-xmp-camera-date")));
    retouched.setId("deliver-retouched");
    retouched.setTooltip(new Tooltip(TEXTS.get("deliverPanel.say-retouched.tip")));
    // Files with layers carry no words about the picture.
    retouched.disableProperty().bind(layers.selectedProperty());
    layers.setId("deliver-layers");
    layers.setTooltip(new Tooltip(TEXTS.get("deliverPanel.the-photograph-each-layer-and-the")));
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

  // --- what the choices mean

  private void sayQuality() {
    qualityCaption.setText(TEXTS.get("deliverPanel.jpeg-quality", Math.round(quality.getValue())));
  }

  /** The pixels of the file as things stand. */
  private void saySize() {
    if (state.document().isEmpty() || state.document().project() == null) {
      return;
    }
    PictureSize out =
        delivery().size(state.document().project(), state.document().session().size());
    int wanted = EDGES[edge.getSelectionModel().getSelectedIndex()];
    size.setText(
        wanted > out.longEdge()
            ? TEXTS.get("deliverPanel.pixels-there-are-no-more-in", out.width(), out.height())
            : TEXTS.get("deliverPanel.pixels", out.width(), out.height()));
  }

  private Delivery delivery() {
    return new Delivery(
        EDGES[edge.getSelectionModel().getSelectedIndex()],
        (int) Math.round(quality.getValue()),
        Integer.parseInt(bits.getValue()),
        0,
        colours.colour(),
        notes.getValue(),
        layers.isSelected(),
        retouched.isSelected());
  }

  // --- what is remembered

  private void recall() {
    edge.getSelectionModel().select(Math.clamp(number("edge", 0), 0, EDGES.length - 1));
    quality.setValue(Math.clamp(number("quality", 92), 50, 100));
    bits.getSelectionModel().select(number("bits", 8) == 16 ? 1 : 0);
    retouched.setSelected(number("retouched", 0) == 1);
    colours.recall();
  }

  private int number(String name, int otherwise) {
    try {
      return Integer.parseInt(settings.get(SETTING + name, Integer.toString(otherwise)));
    } catch (NumberFormatException e) {
      return otherwise;
    }
  }

  private void remember() {
    settings.set(SETTING + "edge", Integer.toString(edge.getSelectionModel().getSelectedIndex()));
    settings.set(SETTING + "quality", Long.toString(Math.round(quality.getValue())));
    settings.set(SETTING + "bits", bits.getValue());
    settings.set(SETTING + "retouched", retouched.isSelected() ? "1" : "0");
    colours.remember();
  }

  /** Takes a profile from its file into the list and chooses it. */
  public void useProfile(Path file) {
    colours.useProfile(file);
  }

  // --- writing

  /** Proposes a name for this document, beside its photograph, that nothing has yet. */
  public void propose() {
    if (state.document().isEmpty()) {
      return;
    }
    saySize();
    if (proposedFor != state.document().session()) {
      proposedFor = state.document().session();
      outcome.setText("");
      path.setText(proposal(".jpg").toString());
    }
    checkColours();
  }

  /** The view is left: what was marked in the picture is so no more. */
  void leave() {
    colours.unmark();
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
    Delivery delivery = delivery();
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
    remember();
    write.setDisable(true);
    stop.setDisable(false);
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
    write.setDisable(false);
    stop.setDisable(true);
    progress.setVisible(false);
    outcome.setText(words);
  }

  private void check(List<Gauge> gauges) {
    checks.getChildren().clear();
    List<Gauge> outside = gauges.stream().filter(Gauge::isOutside).toList();
    long inside = gauges.stream().filter(g -> g.verdict() == Verdict.INSIDE).count();
    checks
        .getChildren()
        .add(words(TEXTS.get("deliverPanel.gauges-lie-inside-their-bands", inside)));
    for (Gauge g : outside) {
      checks.getChildren().add(words(PreflightWords.outside(g)));
    }
    state
        .measurements()
        .missingProperty()
        .get()
        .forEach(
            name -> checks.getChildren().add(words(TEXTS.get("preflight.missing-overlay", name))));
    plan();
  }

  /** What the plan has open, and what was promised and is not kept. */
  private void plan() {
    Plan plan = state.plan().planProperty().get();
    if (plan != null && !plan.open().isEmpty()) {
      checks
          .getChildren()
          .add(words(TEXTS.get("deliverPanel.open-in-the-plan", plan.open().size())));
    }
    state.plan().brokenProperty().get().stream()
        .collect(Collectors.groupingBy(Broken::promise, LinkedHashMap::new, Collectors.toList()))
        .values()
        .forEach(
            broken -> checks.getChildren().add(words(PlanWords.broken(broken, this::layerName))));
  }

  private String layerName(String id) {
    return state.document().stack().find(id).map(l -> l.attributes().name()).orElse(id);
  }

  /** What the chosen space does to the picture; behind, as it renders. */
  private void checkColours() {
    Session session = state.document().session();
    if (state.document().isEmpty() || session != proposedFor) {
      return;
    }
    Project project = state.document().project();
    OutputColour colour = colours.colour();
    checking.newest(
        cancellation -> session.exports().check(project, colour, cancellation),
        found -> colourCheck.setText(said(found)),
        state.status()::fail);
  }

  private static String said(OutputCheck found) {
    List<String> said = new ArrayList<>();
    if (found.outside() >= SOME) {
      said.add(TEXTS.get("deliverPanel.colours-outside", 100 * found.outside()));
    }
    if (found.clipped() >= SOME) {
      said.add(TEXTS.get("deliverPanel.clipped", 100 * found.clipped()));
    }
    if (found.mostInk() > 0) {
      said.add(TEXTS.get("deliverPanel.most-ink", found.mostInk()));
    }
    return said.isEmpty() ? TEXTS.get("deliverPanel.all-colours") : String.join(" ", said);
  }

  public void close() {
    subscriptions.close();
    checking.close();
    writing.close();
  }
}
