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
import carezza.desktop.text.MaskWords;
import carezza.desktop.text.Texts;
import carezza.model.DodgeBurnLayer;
import carezza.model.DodgeBurnLayer.Method;
import carezza.model.Mask;
import carezza.model.Mask.Range;

/** Light and shade: how they are made, on what tones, and what is proposed. */
final class SculptPanel {

  private static final Texts TEXTS = Texts.of("panels");

  private static final Class<DodgeBurnLayer> TYPE = DodgeBurnLayer.class;

  /** Stands for no limit of tones. */
  private static final Range ALL = new Range(Mask.Quantity.LIGHTNESS, 0, 0, 100, 100);

  private SculptPanel() {}

  static void build(PanelRows rows, AppState state) {
    rows.tools(ToolKind.DODGE, ToolKind.BURN);
    proposals(rows, state.advice());
    rows.choice(
        TEXTS.get("sculptPanel.by"),
        TEXTS.get("sculptPanel.a-pair-of-curves-a-neutral"),
        TYPE,
        l -> l.method().ordinal(),
        (l, i) -> l.withMethod(Method.values()[i]),
        TEXTS.get("sculptPanel.curves"),
        TEXTS.get("sculptPanel.soft"),
        TEXTS.get("sculptPanel.overlay"),
        TEXTS.get("sculptPanel.ranges"));
    rows.parameter(TYPE, "dodge");
    rows.parameter(TYPE, "burn");
    rows.parameter(TYPE, "keepColour");
    // Below what is pressed: it grows with what is proposed.
    rows.words(
        "light-masks",
        TYPE,
        l ->
            TEXTS.get(
                "sculptPanel.light-shade",
                MaskWords.of(l.dodgeMask()),
                MaskWords.of(l.burnMask())));
    tones(
        rows,
        state,
        TEXTS.get("sculptPanel.light-on-these-tones-l"),
        DodgeBurnLayer::lights,
        (l, r) -> l.withTones(r, l.shades()));
    tones(
        rows,
        state,
        TEXTS.get("sculptPanel.shade-on-these-tones-l"),
        DodgeBurnLayer::shades,
        (l, r) -> l.withTones(l.lights(), r));
  }

  private static void proposals(PanelRows rows, AdviceState advising) {
    Label lead = new Label(TEXTS.get("sculptPanel.propose"));
    lead.getStyleClass().add("row-name");
    FlowPane row =
        new FlowPane(
            6,
            4,
            lead,
            PanelRows.button(
                "even-blotches",
                TEXTS.get("sculptPanel.even-blotches"),
                TEXTS.get("sculptPanel.light-where-skin-is-darker-than"),
                advising::evenBlotches),
            PanelRows.button(
                "even-under-brush",
                TEXTS.get("sculptPanel.under-the-brush"),
                TEXTS.get("sculptPanel.as-before-but-only-where-the"),
                advising::evenUnderBrush),
            PanelRows.button(
                "restore-form",
                TEXTS.get("sculptPanel.give-form-back"),
                TEXTS.get("sculptPanel.paints-the-light-and-shade-that"),
                advising::restoreForm),
            PanelRows.button(
                "tame-shine",
                TEXTS.get("sculptPanel.tame-shine"),
                TEXTS.get("sculptPanel.shade-on-what-is-among-the"),
                advising::tameShine),
            PanelRows.button(
                "contours",
                TEXTS.get("sculptPanel.contour-guides"),
                TEXTS.get("sculptPanel.places-to-lift-where-there-is"),
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
                state
                    .selection()
                    .layer()
                    .filter(TYPE::isInstance)
                    .map(l -> shown(tones.apply(TYPE.cast(l))))
                    .orElse(null),
            moved ->
                state
                    .selection()
                    .edit(
                        title,
                        l -> {
                          Range r = moved.apply(shown(tones.apply(TYPE.cast(l))));
                          return change.apply(TYPE.cast(l), r.equals(ALL) ? null : r);
                        }),
            state.document()::settle,
            new RangeHistogram(state, rows.lane("histogram"))::count);
    rows.custom(editor, editor::refresh);
  }

  private static Range shown(Range tones) {
    return tones == null ? ALL : tones;
  }
}
