package carezza.desktop.layer;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;

import carezza.desktop.control.NumberRow;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;

/** The split in tone and texture, its radius with the advice on it, and what is evened. */
final class SeparationPanel {

  private static final String PERCENT = "%.0f %%";

  private SeparationPanel() {}

  static void build(FrequencySeparationLayer layer, PanelRows rows, AppState state) {
    Class<FrequencySeparationLayer> type = FrequencySeparationLayer.class;
    rows.number(
        "radius",
        "Radius of the split",
        "Sigma between tone and texture, in pixels of the photograph",
        1,
        60,
        "%.1f px",
        type,
        l -> radius(l, state),
        (l, v) -> l.withRadius(v));
    RadiusChart chart = new RadiusChart(state, layer.attributes().id());
    rows.custom(chart, chart::refresh);
    rows.action(
        "advised",
        "Take the advice",
        "The radius that this face's pores and blotches advise, and goes on following them (I)",
        state.advice()::takeRadius);
    rows.choice(
        "Part by",
        "A Gaussian, or a filter that keeps lines of lips, lids and hair in the tone",
        type,
        l -> l.split().ordinal(),
        (l, i) -> l.withSplit(FrequencySeparationLayer.Split.values()[i]),
        "Size alone",
        "Size and edges");
    rows.number(
        "evening",
        "Even the tone",
        "How far the low band is evened inside the mask, in percent; form is kept",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.evening(),
        (l, v) ->
            l.withEvening(v / 100));
    rows.number(
        "edge-guard",
        "Edges from",
        "Difference of L* that evening stops at",
        1,
        40,
        "%.0f L*",
        type,
        FrequencySeparationLayer::edgeGuard,
        (l, v) ->
            l.withEdgeGuard(v));
    rows.number(
        "texture",
        "Texture",
        "Gain of the high band inside the mask, in percent; 100 leaves pores as they are",
        0,
        200,
        PERCENT,
        type,
        l -> 100 * l.textureGain(),
        (l, v) ->
            l.withTextureGain(v / 100));
    rows.number(
        "blotches",
        "Blotches",
        "Gain of a middle band between texture and form inside the mask, in percent; 100 leaves it",
        0,
        200,
        PERCENT,
        type,
        l -> 100 * l.blotchGain(),
        (l, v) -> l.withBlotchGain(v / 100));
    rows.tools(ToolKind.EVEN_STROKE, ToolKind.EVEN_AREA);
    rows.words("areas", type, l -> "Evened by hand in " + l.areas().size() + " places.");
    for (int i = 0; i < layer.areas().size(); i++) {
      area(i, rows, state);
    }
  }

  /** What the rows depend on besides values: how many places were evened by hand. */
  static String shape(FrequencySeparationLayer layer) {
    return Integer.toString(layer.areas().size());
  }

  /** A place that was evened by hand: how strongly, and the way to take it out. */
  private static void area(int place, PanelRows rows, AppState state) {
    Class<FrequencySeparationLayer> type = FrequencySeparationLayer.class;
    String name = "Place " + (place + 1);
    NumberRow row =
        new NumberRow(
            "area-" + place,
            name,
            "How far its tone is evened, in percent",
            0,
            100,
            PERCENT::formatted);
    Button out = new Button("×");
    out.setId("area-out-" + place);
    out.getStyleClass().add("part-out");
    out.setAccessibleText("Take " + name + " out");
    out.setTooltip(new Tooltip("Takes this place out"));
    out.setOnAction(
        e ->
            state
                .selection()
                .edit(
                    null,
                    l -> {
                      List<LowBandArea> areas = new ArrayList<>(type.cast(l).areas());
                      areas.remove(place);
                      return type.cast(l).withAreas(areas);
                    }));
    row.getChildren().add(out);
    rows.number(
        row,
        "area-" + place,
        type,
        l -> place < l.areas().size() ? 100 * l.areas().get(place).strength() : 0,
        (l, v) -> {
          List<LowBandArea> areas = new ArrayList<>(l.areas());
          LowBandArea was = areas.get(place);
          areas.set(place, new LowBandArea(was.mask(), was.sigma(), v / 100));
          return l.withAreas(areas);
        });
  }

  /** As set by hand, else as measured; the smallest until the first measurement is there. */
  private static double radius(FrequencySeparationLayer layer, AppState state) {
    return layer.radius() != null
        ? layer.radius()
        : state.measurements().radiiProperty().get().getOrDefault(layer.attributes().id(), 1.0);
  }
}
