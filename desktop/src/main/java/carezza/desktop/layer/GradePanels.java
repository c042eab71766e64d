package carezza.desktop.layer;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

import carezza.colour.Lab;
import carezza.colour.MonotoneCurve;
import carezza.desktop.control.CurveEditor;
import carezza.desktop.control.HuePlot;
import carezza.desktop.control.ShadeStrip;
import carezza.desktop.control.TintPlot;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.model.ColourBalanceLayer;
import carezza.model.CurveLayer;
import carezza.model.HueBandsLayer.Family;
import carezza.model.HueShiftLayer;
import carezza.model.Layer;
import carezza.model.MonochromeLayer;
import carezza.model.Parameters;
import carezza.model.RecordValue;
import carezza.model.SaturationLayer;
import carezza.model.SkinToneEveningLayer.Wedge;
import carezza.model.Tint;

/** Panels of stage Grade. */
final class GradePanels {

  private static final Texts TEXTS = Texts.of("panels");

  private GradePanels() {}

  static void curve(PanelRows rows, AppState state) {
    CurveEditor editor =
        new CurveEditor(
            () ->
                state
                    .selection()
                    .layer(CurveLayer.class)
                    .map(l -> l.of(state.tools().curveChannelProperty().get()))
                    .orElse(List.of(new MonotoneCurve.Point(0, 0), new MonotoneCurve.Point(1, 1))),
            points ->
                state
                    .selection()
                    .edit(
                        "curve",
                        l ->
                            ((CurveLayer) l)
                                .with(state.tools().curveChannelProperty().get(), points)),
            state.document()::settle);
    rows.custom(channels(state, editor), () -> {});
    rows.custom(editor, editor::refresh);
    rows.tools(ToolKind.CURVE);
    rows.parameter(CurveLayer.class, "matte");
  }

  /** Buttons for what the curve is on. */
  private static HBox channels(AppState state, CurveEditor editor) {
    HBox row = new HBox(6);
    ToggleGroup group = new ToggleGroup();
    for (CurveLayer.Channel each : CurveLayer.Channel.values()) {
      String name = each.name().charAt(0) + each.name().substring(1).toLowerCase(Locale.ROOT);
      ToggleButton button = new ToggleButton(name);
      button.setId("channel-" + name.toLowerCase(Locale.ROOT));
      button.setToggleGroup(group);
      button.setSelected(each == state.tools().curveChannelProperty().get());
      button.setOnAction(
          e -> {
            state.tools().curveChannelProperty().set(each);
            button.setSelected(true);
            editor.refresh();
          });
      row.getChildren().add(button);
    }
    return row;
  }

  static void balance(PanelRows rows, AppState state) {
    Class<ColourBalanceLayer> type = ColourBalanceLayer.class;
    tints(rows, state, type, "shadows", "midtones", "highlights");
    tint(rows, type, "shadows", TEXTS.get("gradePanels.shadows"));
    tint(rows, type, "midtones", TEXTS.get("gradePanels.midtones"));
    tint(rows, type, "highlights", TEXTS.get("gradePanels.highlights"));
    rows.action(
        "split-tones",
        TEXTS.get("gradePanels.lights-opposite-the-darks"),
        TEXTS.get("gradePanels.gives-the-lights-the-complement-of"),
        () ->
            state
                .selection()
                .edit(
                    null,
                    l -> RecordValue.with(l, "highlights", type.cast(l).shadows().complement())));
    rows.parameter(type, "hold");
  }

  /** Tints of a layer on one plot. */
  private static <L extends Layer> void tints(
      PanelRows rows, AppState state, Class<L> type, String... paths) {
    IntegerProperty chosen = new SimpleIntegerProperty();
    TintPlot plot =
        new TintPlot(
            Parameters.of(Tint.class).get("strength").high(),
            () -> state.selection().layer(type).map(l -> handles(l, paths)).orElse(List.of()),
            chosen,
            (i, hue, strength) ->
                state
                    .selection()
                    .edit("tint", l -> RecordValue.with(l, paths[i], new Tint(hue, strength))),
            state.document()::settle);
    FlowPane row = new FlowPane(6, 4);
    ToggleGroup group = new ToggleGroup();
    for (int i = 0; i < paths.length; i++) {
      int own = i;
      ToggleButton button = new ToggleButton(TEXTS.get("gradePanels." + paths[i]));
      button.setId("tint-" + paths[i]);
      button.setOnAction(e -> chosen.set(own));
      button.setToggleGroup(group);
      chosen.subscribe(c -> button.setSelected(c.intValue() == own));
      row.getChildren().add(button);
    }
    rows.custom(row, () -> {});
    rows.custom(plot, plot::refresh);
  }

  private static List<TintPlot.Handle> handles(Layer layer, String... paths) {
    return Arrays.stream(paths)
        .map(
            path ->
                new TintPlot.Handle(
                    TEXTS.get("gradePanels." + path),
                    switch (path) {
                      case "shadows" -> 30;
                      case "midtones" -> 55;
                      default -> 80;
                    },
                    RecordValue.number(layer, path + ".hue"),
                    RecordValue.number(layer, path + ".strength")))
        .toList();
  }

  private static <L extends Layer> void tint(
      PanelRows rows, Class<L> type, String path, String title) {
    rows.heading(title);
    rows.parameter(type, path + ".hue");
    rows.parameter(type, path + ".strength");
  }

  static void mono(PanelRows rows, AppState state) {
    Class<MonochromeLayer> type = MonochromeLayer.class;
    for (Family family : Family.values()) {
      rows.parameter(
          "mono-" + family.name().toLowerCase(Locale.ROOT),
          "family." + family.name().toLowerCase(Locale.ROOT),
          MonochromeLayer.FAMILY,
          type,
          l -> l.families().get(family.ordinal()),
          (l, v) -> l.with(family, v));
    }
    rows.heading(TEXTS.get("gradePanels.toning"));
    tints(rows, state, type, "shadows", "highlights");
    tint(rows, type, "shadows", TEXTS.get("gradePanels.shadows"));
    tint(rows, type, "highlights", TEXTS.get("gradePanels.highlights"));
    FlowPane row = new FlowPane(6, 4);
    for (double hue : new double[] {55, 85, 230, 265}) {
      Tint darks = new Tint(hue, 8);
      Tint lights = new Tint(darks.complement().hue(), 5);
      Button pair =
          PanelRows.button(
              "toning-" + Math.round(hue),
              "",
              TEXTS.get("gradePanels.darks-at-hue-lights-at-its", hue, lights.hue()),
              () ->
                  state
                      .selection()
                      .edit(
                          null,
                          l ->
                              RecordValue.with(
                                  RecordValue.with(l, "shadows", darks), "highlights", lights)));
      pair.setGraphic(ShadeStrip.pair(tinted(30, darks), tinted(78, lights)));
      row.getChildren().add(pair);
    }
    rows.custom(row, () -> {});
  }

  static void saturation(PanelRows rows, AppState state) {
    Class<SaturationLayer> type = SaturationLayer.class;
    HuePlot plot = HuePlot.plain(() -> EvenPanels.plot(state));
    rows.custom(plot, plot::refresh);
    rows.parameter(type, "saturation");
    rows.parameter(type, "skin");
  }

  static void hueShift(PanelRows rows, AppState state) {
    Class<HueShiftLayer> type = HueShiftLayer.class;
    rows.tools(ToolKind.PICK_HUE);
    HuePlot plot =
        new HuePlot(
            () -> EvenPanels.plot(state),
            () ->
                EvenPanels.own(state, type)
                    .map(l -> new Wedge(l.hue(), Math.max(3, l.width()), 0, 70))
                    .orElse(null),
            () -> null,
            w ->
                state
                    .selection()
                    .edit(
                        "wedge",
                        l ->
                            RecordValue.with(
                                RecordValue.with(l, "hue", w.hue()),
                                "width",
                                Math.clamp(w.width(), 5, 120))),
            state.document()::settle);
    rows.custom(plot, plot::refresh);
    rows.parameter(type, "hue");
    rows.parameter(type, "width");
    rows.parameter(type, "turn");
    rows.parameter(type, "chroma");
    rows.parameter(type, "lightness");
  }

  /** A tint as it looks on a grey. */
  static Lab tinted(double l, Tint tint) {
    return Lab.ofLch(l, tint.strength(), tint.hue());
  }
}
