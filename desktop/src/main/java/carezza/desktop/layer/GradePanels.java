package carezza.desktop.layer;

import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;

import carezza.colour.Lab;
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
    CurveEditor editor = new CurveEditor(state);
    rows.custom(editor.channels(), () -> {});
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
    GradientStrip strip = new GradientStrip(state);
    rows.custom(strip, strip::refresh);
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
          "mono-" + family.name().toLowerCase(java.util.Locale.ROOT),
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
      pair.setGraphic(GradientStrip.pair(darks, lights));
      row.getChildren().add(pair);
    }
    rows.custom(row, () -> {});
  }

  static void saturation(PanelRows rows, AppState state) {
    Class<SaturationLayer> type = SaturationLayer.class;
    HuePlot plot = HuePlot.plain(state);
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
            state,
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
                            Math.clamp(w.width(), 5, 120))));
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
