package carezza.desktop.layer;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

import carezza.colour.Lab;
import carezza.colour.MonotoneCurve;
import carezza.desktop.control.CurveEditor;
import carezza.desktop.control.GradientStrip;
import carezza.desktop.control.HuePlot;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.model.ColourBalanceLayer;
import carezza.model.CurveLayer;
import carezza.model.GradientMapLayer;
import carezza.model.HueBandsLayer.Family;
import carezza.model.HueShiftLayer;
import carezza.model.LayerValue;
import carezza.model.MonochromeLayer;
import carezza.model.SaturationLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.SkinToneEveningLayer.Wedge;
import carezza.model.Tint;

/** Panels of stage Grade. */
final class GradePanels {

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
    rows.share(
        CurveLayer.class,
        "matte",
        "Matte",
        "Value that black rises to, with a soft toe, in percent",
        0,
        0.25);
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
    tint(rows, type, "darks", "Darks");
    tint(rows, type, "middles", "Middle tones");
    tint(rows, type, "lights", "Lights");
    rows.action(
        "split-tones",
        "Lights opposite the darks",
        "Gives the lights the complement of the darks' hue, at the same strength",
        () ->
            state.selection().edit(
                null, l -> LayerValue.with(l, "lights", type.cast(l).darks().complement())));
    rows.share(
        type,
        "hold",
        "Hold the light",
        "Share of the luminance that stays as it was, in percent",
        0,
        1);
  }

  private static <L extends carezza.model.Layer> void tint(
      PanelRows rows, Class<L> type, String path, String title) {
    rows.heading(title);
    rows.value(
        type, path + ".hue", "Hue", "Hue of the tint in degrees of CIE LCh", 0, 360, 1, "%.0f°");
    rows.value(
        type, path + ".strength", "Strength", "Chroma that a grey gets", 0, 30, 1, "C* %.0f");
  }

  static void gradientMap(GradientMapLayer layer, PanelRows rows, AppState state) {
    Class<GradientMapLayer> type = GradientMapLayer.class;
    GradientStrip strip = new GradientStrip();
    rows.custom(
        strip,
        () -> state.selection().layer(type).ifPresent(l -> strip.show(l::at)));
    for (int i = 0; i < layer.stops().size(); i++) {
      int place = i;
      rows.heading("Stop at L* %.0f".formatted(100 * layer.stops().get(i).position()));
      rows.number(
          "stop-hue-" + i,
          "Hue",
          "In degrees of CIE LCh",
          0,
          360,
          "%.0f°",
          type,
          l -> colour(l, place).hue(),
          (l, v) ->
              l.with(
                  place, new Target(colour(l, place).lightness(), colour(l, place).chroma(), v)));
      rows.number(
          "stop-chroma-" + i,
          "Colour",
          "Chroma",
          0,
          80,
          "C* %.0f",
          type,
          l -> colour(l, place).chroma(),
          (l, v) ->
              l.with(place, new Target(colour(l, place).lightness(), v, colour(l, place).hue())));
      rows.number(
          "stop-lightness-" + i,
          "Lightness",
          "L* that this tone becomes",
          0,
          100,
          "L* %.0f",
          type,
          l -> colour(l, place).lightness(),
          (l, v) ->
              l.with(place, new Target(v, colour(l, place).chroma(), colour(l, place).hue())));
    }
  }

  private static Target colour(GradientMapLayer layer, int place) {
    return layer.stops().get(Math.min(place, layer.stops().size() - 1)).colour();
  }

  static void mono(PanelRows rows, AppState state) {
    Class<MonochromeLayer> type = MonochromeLayer.class;
    for (Family family : Family.values()) {
      rows.number(
          "mono-" + family.name().toLowerCase(Locale.ROOT),
          family.title(),
          "L* that full colours of this family gain in the grey",
          -60,
          60,
          "%+.0f L*",
          type,
          l -> l.families().get(family.ordinal()),
          (l, v) -> l.with(family, v));
    }
    rows.heading("Toning");
    tint(rows, type, "darks", "Darks");
    tint(rows, type, "lights", "Lights");
    FlowPane row = new FlowPane(6, 4);
    for (double hue : new double[] {55, 85, 230, 265}) {
      Tint darks = new Tint(hue, 8);
      Tint lights = new Tint(darks.complement().hue(), 5);
      Button pair =
          PanelRows.button(
              "toning-" + Math.round(hue),
              "",
              "Darks at hue %.0f°, lights at its complement, %.0f°".formatted(hue, lights.hue()),
              () ->
                  state.selection().edit(
                      null,
                      l -> LayerValue.with(LayerValue.with(l, "darks", darks), "lights", lights)));
      pair.setGraphic(GradientStrip.pair(tinted(30, darks), tinted(78, lights)));
      row.getChildren().add(pair);
    }
    rows.custom(row, () -> {});
  }

  static void saturation(PanelRows rows, AppState state) {
    Class<SaturationLayer> type = SaturationLayer.class;
    HuePlot plot = HuePlot.plain(() -> EvenPanels.plot(state));
    rows.custom(plot, plot::refresh);
    rows.share(type, "saturation", "Colour", "Share of chroma added, in percent", -1, 1);
    rows.share(
        type,
        "skin",
        "Spare skin",
        "Share of that which hues of skin are spared, in percent",
        0,
        1);
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
                state.selection().edit(
                    "wedge",
                    l ->
                        LayerValue.with(
                            LayerValue.with(l, "hue", w.hue()),
                            "width",
                            Math.clamp(w.width(), 5, 120))),
            state.document()::settle);
    rows.custom(plot, plot::refresh);
    rows.value(
        type, "hue", "Hues about", "Middle of the range in degrees of CIE LCh", 0, 360, 1, "%.0f°");
    rows.value(type, "width", "As far as", "On each side, in degrees", 5, 120, 1, "± %.0f°");
    rows.value(type, "turn", "Turn", "Turn of its hues in degrees", -90, 90, 1, "%+.0f°");
    rows.share(type, "chroma", "Colour", "Share of chroma added, in percent", -1, 1);
    rows.value(type, "lightness", "Lightness", "L* added to full colours", -30, 30, 1, "%+.0f L*");
  }

  /** A tint as it looks on a grey. */
  static Lab tinted(double l, Tint tint) {
    return Lab.ofLch(l, tint.strength(), tint.hue());
  }
}
