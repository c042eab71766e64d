package carezza.desktop.layer;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.desktop.control.StopStrip;
import carezza.desktop.control.TintPlot;
import carezza.desktop.state.AppState;
import carezza.desktop.text.Texts;
import carezza.model.GradientMapLayer;
import carezza.model.GradientMapLayer.Stop;
import carezza.model.Mask.Quantity;
import carezza.model.Parameters;
import carezza.model.RecordValue;
import carezza.model.SkinToneEveningLayer.Target;

/**
 * Panel of the gradient map: its stops on a strip under the tones of what lies below, their colours
 * on a plot, and the one that is chosen by its values.
 */
final class GradientPanel {

  private static final Texts TEXTS = Texts.of("panels");
  private static final Class<GradientMapLayer> TYPE = GradientMapLayer.class;

  /** Chroma at the rim of the plot. */
  private static final double RIM = 60;

  private final AppState state;
  private final IntegerProperty chosen = new SimpleIntegerProperty();

  private GradientPanel(AppState state) {
    this.state = state;
  }

  static void build(PanelRows rows, AppState state) {
    new GradientPanel(state).build(rows);
  }

  private void build(PanelRows rows) {
    StopStrip strip = new StopStrip(this::stops, chosen, state.document()::settle);
    RangeHistogram histogram = new RangeHistogram(state, rows.lane("gradient"));
    rows.custom(
        strip,
        () -> {
          histogram.count(Quantity.LIGHTNESS, strip::show);
          strip.refresh();
        });
    TintPlot plot =
        new TintPlot(RIM, this::handles, chosen, this::colour, state.document()::settle);
    rows.custom(plot, plot::refresh);
    rows.parameter(
        "stop-position",
        "stop.position",
        Parameters.of(Stop.class).get("position"),
        TYPE,
        l -> stop(l).position(),
        (l, v) -> l.moved(place(l), between(l, v)));
    value(rows, "hue");
    value(rows, "chroma");
    value(rows, "lightness");
    // Another stop has other values.
    chosen.subscribe((was, is) -> rows.refresh());
  }

  private void value(PanelRows rows, String name) {
    rows.parameter(
        "stop-" + name,
        "stop." + name,
        Parameters.of(Target.class).get(name),
        TYPE,
        l -> RecordValue.number(stop(l).colour(), name),
        (l, v) -> l.with(place(l), RecordValue.with(stop(l).colour(), name, v)));
  }

  private int place(GradientMapLayer layer) {
    return Math.clamp(chosen.get(), 0, layer.stops().size() - 1);
  }

  private Stop stop(GradientMapLayer layer) {
    return layer.stops().get(place(layer));
  }

  /** As near to a position as the neighbours let the chosen stop come. */
  private double between(GradientMapLayer layer, double position) {
    int i = place(layer);
    List<Stop> all = layer.stops();
    double low = i == 0 ? 0 : all.get(i - 1).position() + StopStrip.GAP;
    double high = i == all.size() - 1 ? 1 : all.get(i + 1).position() - StopStrip.GAP;
    return low <= high ? Math.clamp(position, low, high) : all.get(i).position();
  }

  private Optional<GradientMapLayer> layer() {
    return state.selection().layer(TYPE);
  }

  private List<TintPlot.Handle> handles() {
    return layer()
        .map(
            l ->
                l.stops().stream()
                    .map(
                        s ->
                            new TintPlot.Handle(
                                TEXTS.get("gradePanels.stop-at-l", 100 * s.position()),
                                s.colour().lightness(),
                                s.colour().hue(),
                                s.colour().chroma()))
                    .toList())
        .orElse(List.of());
  }

  private void colour(int place, double hue, double chroma) {
    change(l -> l.with(place, new Target(l.stops().get(place).colour().lightness(), chroma, hue)));
  }

  private void change(UnaryOperator<GradientMapLayer> change) {
    state.selection().edit("stops", l -> change.apply(TYPE.cast(l)));
  }

  private StopStrip.@Nullable Stops stops() {
    return layer().map(Live::new).orElse(null);
  }

  /** The stops of the layer in hand. */
  private final class Live implements StopStrip.Stops {

    private final GradientMapLayer was;

    Live(GradientMapLayer was) {
      this.was = was;
    }

    private GradientMapLayer now() {
      return layer().orElse(was);
    }

    @Override
    public List<Double> positions() {
      return now().stops().stream().map(Stop::position).toList();
    }

    @Override
    public Lab colour(double position) {
      return now().at(position);
    }

    @Override
    public void add(double position) {
      change(l -> l.plus(position));
    }

    @Override
    public void move(int stop, double position) {
      change(l -> l.moved(stop, position));
    }

    @Override
    public void drop(int stop) {
      change(l -> l.without(stop));
    }

    @Override
    public int most() {
      return GradientMapLayer.MOST;
    }
  }
}
