package carezza.desktop.layer;

import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.model.LevelsLayer;
import carezza.model.LocalContrastLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.NeutralPointsLayer.Tone;

/** Panels of neutral points, range and local contrast. */
final class SettlePanels {

  private SettlePanels() {}

  static void neutralise(PanelRows rows, AppState state) {
    Class<NeutralPointsLayer> type = NeutralPointsLayer.class;
    rows.words(
        "neutral-points",
        type,
        l ->
            "Neutral: %s, %s, %s. Rings on the picture show what is likely to be grey."
                .formatted(
                    said("dark", l, Tone.DARK),
                    said("middle", l, Tone.MIDDLE),
                    said("light", l, Tone.LIGHT)));
    rows.tools(ToolKind.PICK_DARK, ToolKind.PICK_MIDDLE, ToolKind.PICK_LIGHT);
    rows.action(
        "drop-point",
        "Take the point out",
        "Takes out the point of the tool in hand",
        () ->
            state.selection().edit(
                null,
                l ->
                    switch (state.tools().tool()) {
                      case PICK_DARK -> type.cast(l).moved(Tone.DARK, null);
                      case PICK_MIDDLE -> type.cast(l).moved(Tone.MIDDLE, null);
                      case PICK_LIGHT -> type.cast(l).moved(Tone.LIGHT, null);
                      default -> l;
                    }));
  }

  private static String said(String name, NeutralPointsLayer layer, Tone tone) {
    return name + (layer.at(tone) == null ? " not set" : " set");
  }

  static void range(PanelRows rows, AppState state) {
    Class<LevelsLayer> type = LevelsLayer.class;
    rows.share(
        type,
        "black",
        "Black lies at",
        "Value that becomes black, in percent of the scale",
        -0.2,
        0.4);
    rows.share(
        type,
        "white",
        "White lies at",
        "Value that becomes white, in percent of the scale",
        0.5,
        1.5);
    rows.buttons(
        PanelRows.button(
            "find-ends",
            "To first clipping",
            "Sets black and white to where the first pixels clip",
            () -> state.colours().findEnds()),
        PanelRows.button(
            "show-clipping",
            "Show clipping",
            "What is clipped, black and white over grey (Shift + F4)",
            () -> state.view().turn(carezza.measure.CheckView.CLIPPING)));
    rows.value(
        type,
        "darks",
        "Darks",
        "Stops that the deepest darks rise by; what is in them keeps its contrast",
        -2,
        2,
        1,
        "%+.2f stops");
    rows.value(
        type,
        "lights",
        "Lights",
        "Stops that the brightest lights rise by; below 0 brings them back",
        -2,
        2,
        1,
        "%+.2f stops");
  }

  static void localContrast(PanelRows rows) {
    Class<LocalContrastLayer> type = LocalContrastLayer.class;
    rows.share(
        type,
        "contrast",
        "Local contrast",
        "Share by which differences from around grow; below 0 they shrink",
        -1,
        1);
    rows.share(type, "haze", "Haze", "Above 0 takes haze away, below 0 lays it on", -1, 1);
  }
}
