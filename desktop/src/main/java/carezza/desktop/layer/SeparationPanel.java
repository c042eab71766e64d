package carezza.desktop.layer;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;

import carezza.desktop.control.NumberRow;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.Parameters;

/** The split in tone and texture, its radius with the advice on it, and what is evened. */
final class SeparationPanel {

  private static final Texts TEXTS = Texts.of("panels");

  private static final String PERCENT = "%.0f %%";

  private SeparationPanel() {}

  static void build(FrequencySeparationLayer layer, PanelRows rows, AppState state) {
    Class<FrequencySeparationLayer> type = FrequencySeparationLayer.class;
    rows.parameter(
        "radius",
        "frequencySeparation.radius",
        Parameters.of(type).get("radius"),
        type,
        l -> radius(l, state),
        FrequencySeparationLayer::withRadius);
    RadiusChart chart = new RadiusChart(state, rows.lane("bands"), layer.attributes().id());
    rows.custom(chart, chart::refresh);
    rows.action(
        "advised",
        TEXTS.get("separationPanel.take-the-advice"),
        TEXTS.get("separationPanel.the-radius-that-this-faces-pores"),
        state.advice()::takeRadius);
    rows.choice(
        TEXTS.get("separationPanel.part-by"),
        TEXTS.get("separationPanel.a-gaussian-or-a-filter-that"),
        type,
        l -> l.split().ordinal(),
        (l, i) -> l.withSplit(FrequencySeparationLayer.Split.values()[i]),
        TEXTS.get("separationPanel.size-alone"),
        TEXTS.get("separationPanel.size-and-edges"));
    rows.parameter(type, "evening");
    rows.parameter(type, "edgeGuard");
    rows.parameter(type, "textureGain");
    rows.parameter(type, "blotchGain");
    rows.tools(ToolKind.EVEN_STROKE, ToolKind.EVEN_AREA);
    rows.words(
        "areas",
        type,
        l -> TEXTS.get("separationPanel.evened-by-hand-in-places", l.areas().size()));
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
    String name = TEXTS.get("separationPanel.place", place + 1);
    NumberRow row =
        new NumberRow(
            "area-" + place,
            name,
            TEXTS.get("separationPanel.how-far-its-tone-is-evened"),
            0,
            100,
            PERCENT::formatted);
    Button out =
        PanelRows.out(
            "area-out-" + place,
            TEXTS.get("separationPanel.take-out", name),
            () ->
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
