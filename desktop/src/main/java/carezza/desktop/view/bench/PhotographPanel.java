package carezza.desktop.view.bench;

import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

import carezza.codec.Photograph;
import carezza.codec.Remark;
import carezza.desktop.layer.PanelRows;
import carezza.desktop.state.AppState;
import carezza.desktop.state.CropState;
import carezza.desktop.state.CropState.Ratio;
import carezza.desktop.state.GuideLines;
import carezza.desktop.state.ToolKind;
import carezza.model.Crop;
import carezza.raw.SensorLight;

/** The panel while no layer is selected: the photograph, its faces, frame, pins and tones. */
final class PhotographPanel {

  /** Share of a side by which the canvas grows in one step. */
  private static final double GROWTH = 0.05;

  private PhotographPanel() {}

  static void build(PanelRows rows, AppState state) {
    Label title = new Label("The photograph");
    title.getStyleClass().add("title");
    Label words = new Label();
    words.setWrapText(true);
    rows.custom(title, () -> {});
    rows.custom(words, () -> words.setText(said(state)));
    if (state.document().isEmpty()) {
      return;
    }
    faces(rows, state);
    frame(rows, state);
    pins(rows, state);
    Label hint =
        new Label(
            "Pick a layer below, or add one with the + of its stage. Keys 1 to 8 go to a stage, F1"
                + " shows all keys.");
    hint.setWrapText(true);
    hint.getStyleClass().add("hint");
    rows.custom(hint, () -> {});
  }

  private static String said(AppState state) {
    if (state.document().isEmpty()) {
      return "";
    }
    var r = state.document().current();
    return "%s\n%d × %d pixels, %d bit, %s\n%s%d layers\n\n%s"
        .formatted(
            r.project().photograph().name(),
            r.photograph().size().width(),
            r.photograph().size().height(),
            r.photograph().bits(),
            r.photograph().profile(),
            remarks(r.photograph()),
            r.project().stack().size(),
            r.project().notes());
  }

  /** How the photograph was read, where that is worth knowing. */
  private static String remarks(Photograph photograph) {
    StringBuilder words = new StringBuilder();
    for (Remark remark : photograph.remarks().stream().sorted().toList()) {
      words
          .append(
              switch (remark) {
                case UNTIDY -> "Parts of the file beside the picture are damaged and were passed over.";
                case PROFILE_UNUSABLE -> "Its colour profile cannot be used; the usual one was.";
                case INKS_ASSUMED -> "It does not say what its inks are; coated paper was assumed.";
                case ON_WHITE -> "What was transparent lies on white.";
                case FROM_SENSOR -> sensor(photograph.sensor());
                case LENS_UNCORRECTED ->
                    "The file asks for corrections of the lens; they are not made.";
              })
          .append('\n');
    }
    return words.toString();
  }

  private static String sensor(SensorLight sensor) {
    String balance =
        Double.isNaN(sensor.kelvin())
            ? ""
            : ", balanced for %.0f K as shot".formatted(sensor.kelvin());
    return "The sensor’s own light%s; %.2f %% of it is clipped.".formatted(balance, 100 * sensor.clippedShare());
  }

  private static void faces(PanelRows rows, AppState state) {
    rows.buttons(
        PanelRows.button(
            "face-map",
            "Face map",
            "Oval, pupils, lids, lips; skin, teeth and eyes are found from them (F)",
            state.selection()::turnFaceMap),
        PanelRows.button(
            "find-face",
            "Find the face",
            "Looks for the faces anew; what was put right by hand stays",
            state.faces()::find),
        PanelRows.button(
            "place-face",
            "Place by hand",
            "Five clicks: a box around the face, both pupils, both corners of the mouth",
            state.selection()::placeFace),
        PanelRows.button(
            "drop-face",
            "Take out",
            "Removes the map of the face that was added last",
            state.faces()::dropLast));
  }

  // --- frame

  private static void frame(PanelRows rows, AppState state) {
    rows.heading("Frame");
    Label size = new Label();
    size.setId("frame-size");
    size.getStyleClass().add("row-words");
    size.setWrapText(true);
    rows.custom(
        size,
        () -> {
          Crop f = state.document().project().crop();
          size.setText(
              f == null
                  ? "All of the photograph is delivered."
                  : "%.0f × %.0f pixels, turned by %+.1f°%s"
                      .formatted(
                          f.width(),
                          f.height(),
                          f.angle(),
                          state.crop().beyond()
                              ? "; the backdrop goes on beyond the photograph"
                              : ""));
        });
    rows.tools(ToolKind.FRAME, ToolKind.LEVEL);
    FlowPane ratios = new FlowPane(4, 4);
    for (Ratio each : CropState.RATIOS) {
      ToggleButton button = new ToggleButton(each.name());
      button.setId("ratio-" + each.name().replace(" : ", "-").toLowerCase(Locale.ROOT));
      button.getStyleClass().add("check");
      button.setTooltip(new Tooltip("Width to height of the frame"));
      button.setOnAction(e -> state.crop().ratio(each.value()));
      rows.follow(
          () -> button.setSelected(state.crop().ratioProperty().get() == each.value()));
      ratios.getChildren().add(button);
    }
    rows.custom(ratios, () -> {});
    FlowPane lines = new FlowPane(4, 4);
    for (GuideLines each : GuideLines.values()) {
      ToggleButton button = new ToggleButton(each.title());
      button.setId("lines-" + each.name().toLowerCase(java.util.Locale.ROOT));
      button.getStyleClass().add("check");
      button.setTooltip(new Tooltip("Lines of composition inside the frame, while it is in hand"));
      button.setOnAction(e -> state.crop().linesProperty().set(each));
      rows.follow(() -> button.setSelected(state.crop().linesProperty().get() == each));
      lines.getChildren().add(button);
    }
    rows.custom(lines, () -> {});
    rows.buttons(
        PanelRows.button(
            "grow-canvas",
            "More canvas",
            "Grows the frame by 5 % on every side; beyond the photograph its backdrop goes on",
            () -> state.crop().grow(GROWTH)),
        PanelRows.button(
            "frame-inside",
            "Keep inside",
            "Shrinks the frame until it holds nothing but the photograph",
            state.crop()::inside),
        PanelRows.button(
            "no-frame", "All of it", "Delivers the whole photograph", state.crop()::drop));
  }

  // --- pins

  private static void pins(PanelRows rows, AppState state) {
    rows.heading("Pins, as settled → finished");
    rows.tools(ToolKind.PIN);
    Label words = new Label();
    words.setId("pins");
    words.getStyleClass().add("row-words");
    words.setWrapText(true);
    rows.custom(words, () -> words.setText(state.pins().words()));
  }
}
