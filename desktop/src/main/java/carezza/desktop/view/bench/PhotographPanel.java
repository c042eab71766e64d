package carezza.desktop.view.bench;

import java.util.Locale;
import java.util.Objects;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

import org.jspecify.annotations.Nullable;

import carezza.codec.Photograph;
import carezza.codec.Remark;
import carezza.desktop.layer.PanelRows;
import carezza.desktop.state.AppState;
import carezza.desktop.state.CropState;
import carezza.desktop.state.CropState.Ratio;
import carezza.desktop.state.GuideLines;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.desktop.view.ExplainButton;
import carezza.model.Crop;
import carezza.raw.SensorLight;

/** The panel while no layer is selected: the photograph, its faces, frame, pins and tones. */
final class PhotographPanel {

  private static final Texts TEXTS = Texts.of("bench");

  /** Share of a side by which the canvas grows in one step. */
  private static final double GROWTH = 0.05;

  private PhotographPanel() {}

  static void build(PanelRows rows, AppState state) {
    Label title = new Label(TEXTS.get("photographPanel.the-photograph"));
    title.getStyleClass().add("title");
    Label words = new Label();
    words.setWrapText(true);
    HBox top = new HBox(8, title, new ExplainButton("view-photograph"));
    top.setAlignment(Pos.CENTER_LEFT);
    rows.custom(top, () -> {});
    rows.custom(words, () -> words.setText(said(state)));
    if (state.document().isEmpty()) {
      return;
    }
    faces(rows, state);
    frame(rows, state);
    pins(rows, state);
    Label hint = new Label(TEXTS.get("photographPanel.pick-a-layer-below-or-add"));
    hint.setWrapText(true);
    hint.getStyleClass().add("hint");
    rows.custom(hint, () -> {});
  }

  private static String said(AppState state) {
    if (state.document().isEmpty()) {
      return "";
    }
    var r = state.document().current();
    return String.join(
        "\n",
        r.project().photograph().name(),
        TEXTS.get(
            "photographPanel.pixels-bit",
            r.photograph().size().width(),
            r.photograph().size().height(),
            r.photograph().bits(),
            r.photograph().profile()),
        remarks(r.photograph()) + layers(r.project().stack().size()),
        "",
        r.project().notes());
  }

  private static String layers(int count) {
    return count == 1
        ? TEXTS.get("photographPanel.one-layer")
        : TEXTS.get("photographPanel.layers", count);
  }

  /** How the photograph was read, where that is worth knowing. */
  private static String remarks(Photograph photograph) {
    StringBuilder words = new StringBuilder();
    for (Remark remark : photograph.remarks().stream().sorted().toList()) {
      words
          .append(
              switch (remark) {
                case UNTIDY -> TEXTS.get("photographPanel.parts-of-the-file-beside-the");
                case PROFILE_UNUSABLE ->
                    TEXTS.get("photographPanel.its-colour-profile-cannot-be-used");
                case INKS_ASSUMED -> TEXTS.get("photographPanel.it-does-not-say-what-its");
                case ON_WHITE -> TEXTS.get("photographPanel.what-was-transparent-lies-on-white");
                case FROM_SENSOR -> sensor(Objects.requireNonNull(photograph.sensor()));
                case LENS_UNCORRECTED ->
                    TEXTS.get("photographPanel.the-file-asks-for-corrections-of");
              })
          .append('\n');
    }
    return words.toString();
  }

  private static String sensor(SensorLight sensor) {
    double clipped = 100 * sensor.clippedShare();
    return Double.isNaN(sensor.kelvin())
        ? TEXTS.get("photographPanel.the-sensor-s-own-light-of", clipped)
        : TEXTS.get("photographPanel.the-sensor-s-own-light-balanced", sensor.kelvin(), clipped);
  }

  private static void faces(PanelRows rows, AppState state) {
    rows.buttons(
        PanelRows.button(
            "face-map",
            TEXTS.get("photographPanel.face-map"),
            TEXTS.get("photographPanel.oval-pupils-lids-lips-skin-teeth"),
            state.selection()::turnFaceMap),
        PanelRows.button(
            "find-face",
            TEXTS.get("photographPanel.find-the-face"),
            TEXTS.get("photographPanel.looks-for-the-faces-anew-what"),
            state.faces()::find),
        PanelRows.button(
            "place-face",
            TEXTS.get("photographPanel.place-by-hand"),
            TEXTS.get("photographPanel.five-clicks-a-box-around-the"),
            state.selection()::placeFace),
        PanelRows.button(
            "drop-face",
            TEXTS.get("photographPanel.take-out"),
            TEXTS.get("photographPanel.removes-the-map-of-the-face"),
            state.faces()::dropLast));
  }

  // --- frame

  private static void frame(PanelRows rows, AppState state) {
    rows.heading(TEXTS.get("photographPanel.frame"));
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
                  ? TEXTS.get("photographPanel.all-of-the-photograph-is-delivered")
                  : state.crop().beyond()
                      ? TEXTS.get(
                          "photographPanel.pixels-turned-by-the-backdrop-goes",
                          f.width(),
                          f.height(),
                          f.angle())
                      : TEXTS.get(
                          "photographPanel.pixels-turned-by", f.width(), f.height(), f.angle()));
        });
    rows.tools(ToolKind.FRAME, ToolKind.LEVEL);
    FlowPane ratios = new FlowPane(4, 4);
    for (Ratio each : CropState.RATIOS) {
      ToggleButton button = new ToggleButton(each.name());
      button.setId("ratio-" + each.name().replace(" : ", "-").toLowerCase(Locale.ROOT));
      button.getStyleClass().add("check");
      button.setTooltip(new Tooltip(TEXTS.get("photographPanel.width-to-height-of-the-frame")));
      button.setOnAction(e -> state.crop().ratio(each.value()));
      rows.follow(() -> button.setSelected(state.crop().ratioProperty().get() == each.value()));
      ratios.getChildren().add(button);
    }
    rows.custom(ratios, () -> {});
    FlowPane lines = new FlowPane(4, 4);
    for (GuideLines each : GuideLines.values()) {
      ToggleButton button = new ToggleButton(each.title());
      button.setId("lines-" + each.name().toLowerCase(Locale.ROOT));
      button.getStyleClass().add("check");
      button.setTooltip(
          new Tooltip(TEXTS.get("photographPanel.lines-of-composition-inside-the-frame")));
      button.setOnAction(e -> state.crop().linesProperty().set(each));
      rows.follow(() -> button.setSelected(state.crop().linesProperty().get() == each));
      lines.getChildren().add(button);
    }
    rows.custom(lines, () -> {});
    rows.buttons(
        PanelRows.button(
            "grow-canvas",
            TEXTS.get("photographPanel.more-canvas"),
            TEXTS.get("photographPanel.grows-the-frame-by-5-on"),
            () -> state.crop().grow(GROWTH)),
        PanelRows.button(
            "frame-inside",
            TEXTS.get("photographPanel.keep-inside"),
            TEXTS.get("photographPanel.shrinks-the-frame-until-it-holds"),
            state.crop()::inside),
        PanelRows.button(
            "no-frame",
            TEXTS.get("photographPanel.all-of-it"),
            TEXTS.get("photographPanel.delivers-the-whole-photograph"),
            state.crop()::drop));
  }

  // --- pins

  private static void pins(PanelRows rows, AppState state) {
    rows.heading(TEXTS.get("photographPanel.pins-as-settled-finished"));
    rows.tools(ToolKind.PIN);
    Label words = new Label();
    words.setId("pins");
    words.getStyleClass().add("row-words");
    words.setWrapText(true);
    rows.custom(words, () -> words.setText(state.pins().words()));
  }
}
