package carezza.desktop.layer;

import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;

import carezza.desktop.control.TrapezoidEditor;
import carezza.desktop.state.AdviceState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.model.DodgeBurnLayer;
import carezza.model.DodgeBurnLayer.Method;
import carezza.model.Mask;
import carezza.model.Mask.Range;

/** Light and shade: how they are made, on what tones, and what is proposed. */
final class SculptPanel {

  private static final String PERCENT = "%.0f %%";
  private static final Class<DodgeBurnLayer> TYPE = DodgeBurnLayer.class;

  /** Stands for no limit of tones. */
  private static final Range ALL = new Range(Mask.Quantity.LIGHTNESS, 0, 0, 100, 100);

  private SculptPanel() {}

  static void build(PanelRows rows, AppState state) {
    rows.tools(ToolKind.DODGE, ToolKind.BURN);
    proposals(rows, state.advice());
    rows.choice(
        "By",
        "A pair of curves; a neutral sheet in soft light or overlay; or lights and darks of the"
            + " picture laid on itself",
        TYPE,
        l -> l.method().ordinal(),
        (l, i) -> l.withMethod(Method.values()[i]),
        "Curves",
        "Soft",
        "Overlay",
        "Ranges");
    rows.number(
        "dodge",
        "Light",
        "Rise of middle grey where light is laid on in full, in percent of the scale",
        0,
        40,
        PERCENT,
        TYPE,
        l -> 100 * l.dodge(),
        (l, v) -> l.withStrengths(v / 100, l.burn()));
    rows.number(
        "burn",
        "Shade",
        "Fall of middle grey where shade is laid on in full, in percent of the scale",
        0,
        40,
        PERCENT,
        TYPE,
        l -> 100 * l.burn(),
        (l, v) -> l.withStrengths(l.dodge(), v / 100));
    rows.number(
        "keep-colour",
        "Keep colour",
        "0 lets colour deepen with the light, 100 holds it fixed, in percent",
        0,
        100,
        PERCENT,
        TYPE,
        l -> 100 * l.keepColour(),
        (l, v) -> l.withKeepColour(v / 100));
    // Below what is pressed: it grows with what is proposed.
    rows.words(
        "light-masks",
        TYPE,
        l -> "Light: %s. Shade: %s.".formatted(l.dodgeMask().sentence(), l.burnMask().sentence()));
    tones(
        rows,
        state,
        "Light on these tones, L*",
        DodgeBurnLayer::lights,
        (l, r) -> l.withTones(r, l.shades()));
    tones(
        rows,
        state,
        "Shade on these tones, L*",
        DodgeBurnLayer::shades,
        (l, r) -> l.withTones(l.lights(), r));
  }

  private static void proposals(PanelRows rows, AdviceState advising) {
    Label lead = new Label("Propose");
    lead.getStyleClass().add("row-name");
    FlowPane row =
        new FlowPane(
            6,
            4,
            lead,
            PanelRows.button(
                "even-blotches",
                "Even blotches",
                "Light where skin is darker than around it, shade where it is lighter; strokes lift"
                    + " it",
                advising::evenBlotches),
            PanelRows.button(
                "even-under-brush",
                "… under the brush",
                "As before, but only where the layer's mask is painted",
                advising::evenUnderBrush),
            PanelRows.button(
                "restore-form",
                "Give form back",
                "Paints the light and shade that the layers below took from the face",
                advising::restoreForm),
            PanelRows.button(
                "tame-shine",
                "Tame shine",
                "Shade on what is among the lightest of the skin and lighter than around it",
                advising::tameShine),
            PanelRows.button(
                "contours",
                "Contour guides",
                "Places to lift where there is light already, and to deepen where there is shade"
                    + " (G)",
                advising::turnContours));
    row.setAlignment(Pos.CENTER_LEFT);
    rows.custom(row, () -> {});
  }

  private static void tones(
      PanelRows rows,
      AppState state,
      String title,
      Function<DodgeBurnLayer, Range> tones,
      BiFunction<DodgeBurnLayer, Range, DodgeBurnLayer> change) {
    Label label = new Label(title);
    label.getStyleClass().add("row-name");
    rows.custom(label, () -> {});
    TrapezoidEditor editor =
        new TrapezoidEditor(
            () ->
                state.selection().layer()
                    .filter(TYPE::isInstance)
                    .map(l -> shown(tones.apply(TYPE.cast(l))))
                    .orElse(null),
            moved ->
                state.selection().edit(
                    title,
                    l -> {
                      Range r = moved.apply(shown(tones.apply(TYPE.cast(l))));
                      return change.apply(TYPE.cast(l), r.equals(ALL) ? null : r);
                    }),
            state.document()::settle,
            new RangeHistogram(state)::count);
    rows.custom(editor, editor::refresh);
  }

  private static Range shown(Range tones) {
    return tones == null ? ALL : tones;
  }
}
