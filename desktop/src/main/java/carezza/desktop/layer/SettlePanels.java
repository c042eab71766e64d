package carezza.desktop.layer;

import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.measure.CheckView;
import carezza.model.LevelsLayer;
import carezza.model.LocalContrastLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.NeutralPointsLayer.Tone;

/** Panels of neutral points, range and local contrast. */
final class SettlePanels {

  private static final Texts TEXTS = Texts.of("panels");

  private SettlePanels() {}

  static void neutralise(PanelRows rows, AppState state) {
    Class<NeutralPointsLayer> type = NeutralPointsLayer.class;
    rows.words(
        "neutral-points",
        type,
        l ->
            TEXTS.get(
                "settlePanels.dark-middle-light-rings-on-the",
                said(l, Tone.SHADOW),
                said(l, Tone.MIDTONE),
                said(l, Tone.HIGHLIGHT)));
    rows.tools(ToolKind.PICK_DARK, ToolKind.PICK_MIDDLE, ToolKind.PICK_LIGHT);
    rows.action(
        "drop-point",
        TEXTS.get("settlePanels.take-the-point-out"),
        TEXTS.get("settlePanels.takes-out-the-point-of-the"),
        () ->
            state
                .selection()
                .edit(
                    null,
                    l ->
                        switch (state.tools().tool()) {
                          case PICK_DARK -> type.cast(l).moved(Tone.SHADOW, null);
                          case PICK_MIDDLE -> type.cast(l).moved(Tone.MIDTONE, null);
                          case PICK_LIGHT -> type.cast(l).moved(Tone.HIGHLIGHT, null);
                          default -> l;
                        }));
  }

  private static String said(NeutralPointsLayer layer, Tone tone) {
    return layer.at(tone) == null
        ? TEXTS.get("settlePanels.is-not-set")
        : TEXTS.get("settlePanels.is-set");
  }

  static void range(PanelRows rows, AppState state) {
    Class<LevelsLayer> type = LevelsLayer.class;
    rows.parameter(type, "black");
    rows.parameter(type, "white");
    rows.buttons(
        PanelRows.button(
            "find-ends",
            TEXTS.get("settlePanels.to-first-clipping"),
            TEXTS.get("settlePanels.sets-black-and-white-to-where"),
            () -> state.colours().findEnds()),
        PanelRows.button(
            "show-clipping",
            TEXTS.get("settlePanels.show-clipping"),
            TEXTS.get("settlePanels.what-is-clipped-black-and-white"),
            () -> state.view().turn(CheckView.CLIPPING)));
    rows.parameter(type, "shadows");
    rows.parameter(type, "highlights");
  }

  static void localContrast(PanelRows rows) {
    Class<LocalContrastLayer> type = LocalContrastLayer.class;
    rows.parameter(type, "contrast");
    rows.parameter(type, "haze");
  }
}
