package carezza.desktop.app;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Function;
import javafx.geometry.Insets;
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
import javafx.scene.layout.VBox;

import carezza.codec.FileNotes.Carried;
import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.desktop.bench.Background;
import carezza.desktop.bench.BenchModel;
import carezza.desktop.bench.Titled;
import carezza.measure.Gauge;
import carezza.measure.Gauge.Verdict;
import carezza.model.Project;
import carezza.press.Intent;
import carezza.session.Delivery;
import carezza.session.Session;

/** Writes the finished picture: size, format, what the gauges still say, and the care that is due. */
final class DeliverView extends VBox {

  private static final double WIDTH = 330;
  private static final int[] EDGES = {0, 4096, 2048, 1080};

  private final BenchModel model;
  private final Background writing = new Background("delivery");
  private final TextField path = new TextField();
  private final ComboBox<String> edge = new ComboBox<>();
  private final Slider quality = new Slider(50, 100, 92);
  private final ComboBox<String> bits = new ComboBox<>();
  private final ComboBox<OutputProfile> profile = new ComboBox<>();
  private final ComboBox<Intent> intent = new ComboBox<>();
  private final CheckBox blackPoint = new CheckBox("Deepest black for black");
  private final VBox print = new VBox(8);
  private final ComboBox<Carried> notes = new ComboBox<>();
  private final CheckBox layers = new CheckBox("A page for each layer, TIFF");
  private final Button write = new Button("Write the picture");
  private final Button stop = new Button("Stop");
  private final ProgressBar progress = new ProgressBar(-1);
  private final Label outcome = new Label();
  private final VBox checks = new VBox(5);

  DeliverView(BenchModel model) {
    super();
    this.model = model;
    setId("deliver");
    getStyleClass().add("panel");
    setPrefWidth(WIDTH);
    setMinWidth(WIDTH);
    VBox form = new VBox(10);
    form.setPadding(new Insets(14));
    form.getChildren()
        .addAll(
            heading("Deliver"),
            caption("File"),
            path,
            caption("Long edge"),
            edge,
            caption("JPEG quality, 50 to 100"),
            quality,
            caption("Bits per channel, PNG and TIFF"),
            bits,
            caption("Colour space"),
            profile,
            print,
            caption("Notes on the photograph"),
            notes,
            layers,
            new HBox(8, write, stop),
            progress,
            outcome,
            caption("What the gauges say"),
            checks,
            caption("With care"),
            words(
                "Retouched commercial pictures of people must be labelled in several countries:"
                    + " follow local rules and what the client and the sitter agreed. Skin"
                    + " lightness and natural marks are the person’s own; change them only on"
                    + " request."));
    build();
    ScrollPane scroll = new ScrollPane(form);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, javafx.scene.layout.Priority.ALWAYS);
    getChildren().add(scroll);
    model.gaugesProperty().addListener((o, was, is) -> check(is));
    check(model.gaugesProperty().get());
  }

  private void build() {
    path.setId("deliver-path");
    path.setTooltip(
        new Tooltip("Folder and name; .jpg, .png, .tif, or .ora with layers, says the format"));
    edge.setId("deliver-edge");
    edge.getItems().add("Full size");
    for (int i = 1; i < EDGES.length; i++) {
      edge.getItems().add(EDGES[i] + " pixels");
    }
    edge.getSelectionModel().select(0);
    edge.setTooltip(new Tooltip("Most pixels along the long edge; never enlarged"));
    quality.setId("deliver-quality");
    quality.setTooltip(new Tooltip("JPEG quality, 50 to 100"));
    bits.setId("deliver-bits");
    bits.getItems().addAll("8", "16");
    bits.getSelectionModel().select(0);
    bits.setTooltip(new Tooltip("Bits per channel; JPEG always has 8"));
    profile.setId("deliver-profile");
    profile.getItems().addAll(OutputProfile.values());
    profile.setConverter(new Titled<>(OutputProfile::title));
    profile.getSelectionModel().select(OutputProfile.SRGB);
    profile.setTooltip(
        new Tooltip(
            "sRGB for screens and the web; the wide space for further work; CMYK for print, as"
                + " .tif"));
    intent.setId("deliver-intent");
    intent.getItems().addAll(Intent.values());
    intent.setConverter(new Titled<>(Intent::title));
    intent.getSelectionModel().select(Intent.COLORIMETRIC);
    intent.setTooltip(
        new Tooltip(
            "Perceptual moves all colours a little so that steps between strong ones stay;"
                + " colorimetric keeps what can be printed"));
    blackPoint.setId("deliver-black-point");
    blackPoint.setSelected(true);
    blackPoint.setTooltip(
        new Tooltip("Black-point compensation: detail in the darks stays apart on paper"));
    blackPoint.disableProperty().bind(intent.valueProperty().isNotEqualTo(Intent.COLORIMETRIC));
    print
        .getChildren()
        .addAll(
            caption("Colours that cannot be printed"),
            intent,
            blackPoint,
            words("The press is a made-up one; prefer the print shop’s own profile."));
    print.visibleProperty().bind(profile.valueProperty().isEqualTo(OutputProfile.COATED));
    print.managedProperty().bind(print.visibleProperty());
    notes.setId("deliver-notes");
    notes.getItems().addAll(Carried.values());
    notes.setConverter(
        new Titled<>(
            c ->
                switch (c) {
                  case NOTHING -> "Leave out";
                  case WITHOUT_PLACE -> "Carry over, without the place";
                  case ALL -> "Carry over, place included";
                }));
    notes.getSelectionModel().select(Carried.WITHOUT_PLACE);
    notes.setTooltip(
        new Tooltip("EXIF, IPTC and XMP: camera, date, author, rights, and where it was taken"));
    layers.setId("deliver-layers");
    layers.setTooltip(
        new Tooltip("The photograph, each layer and the finished picture in one TIFF file"));
    write.setId("deliver-write");
    write.getStyleClass().add("strong");
    write.setTooltip(new Tooltip("Renders at full quality and writes the file"));
    write.setOnAction(e -> write());
    stop.setId("deliver-stop");
    stop.setTooltip(new Tooltip("Gives up; no file is written"));
    stop.setOnAction(
        e -> {
          writing.cancel();
          finished("Stopped; nothing was written.");
        });
    stop.setDisable(true);
    progress.setVisible(false);
    progress.managedProperty().bind(progress.visibleProperty());
    progress.setMaxWidth(Double.MAX_VALUE);
    outcome.setId("deliver-outcome");
    outcome.setWrapText(true);
  }

  private static Label heading(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("title");
    return label;
  }

  private static Label caption(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("heading");
    return label;
  }

  private static Label words(String text) {
    Label label = new Label(text);
    label.setWrapText(true);
    return label;
  }

  /** Proposes a name beside the project. */
  void propose() {
    if (path.getText().isBlank() && !model.isEmpty()) {
      Path project = model.pathProperty().get();
      Path folder =
          project == null ? Path.of(System.getProperty("user.home")) : project.getParent();
      String title = model.projectProperty().get().title().replaceAll("[^\\w\\- ]", "");
      path.setText(folder.resolve(title + ".jpg").toString());
    }
  }

  private void write() {
    Session session = model.session();
    Project project = model.projectProperty().get();
    Path file = Path.of(path.getText().strip()).toAbsolutePath();
    Delivery delivery =
        new Delivery(
            EDGES[edge.getSelectionModel().getSelectedIndex()],
            (int) Math.round(quality.getValue()),
            Integer.parseInt(bits.getValue()),
            0,
            new OutputColour(profile.getValue(), intent.getValue(), blackPoint.isSelected()),
            notes.getValue(),
            layers.isSelected());
    write.setDisable(true);
    stop.setDisable(false);
    progress.setVisible(true);
    outcome.setText("Rendering at full size …");
    writing.newest(
        cancellation -> {
          session.deliver(project, file, delivery, cancellation);
          return file;
        },
        done -> finished("Written: " + done),
        e -> {
          model.fail(e);
          finished(e.getMessage());
        });
  }

  private void finished(String words) {
    write.setDisable(false);
    stop.setDisable(true);
    progress.setVisible(false);
    outcome.setText(words);
  }

  private void check(List<Gauge> gauges) {
    checks.getChildren().clear();
    List<Gauge> outside =
        gauges.stream()
            .filter(g -> g.verdict() == Verdict.ABOVE || g.verdict() == Verdict.BELOW)
            .toList();
    long inside = gauges.stream().filter(g -> g.verdict() == Verdict.INSIDE).count();
    checks.getChildren().add(words(inside + " gauges lie inside their bands."));
    for (Gauge g : outside) {
      String way = g.verdict() == Verdict.ABOVE ? "above" : "below";
      checks
          .getChildren()
          .add(
              words(
                  "%s is %s its band: %.2f %s, on %s."
                      .formatted(g.title(), way, g.after(), g.unit(), g.region())));
    }
  }

  void close() {
    writing.close();
  }
}
