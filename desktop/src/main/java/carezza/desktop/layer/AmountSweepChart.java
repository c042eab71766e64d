package carezza.desktop.layer;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AdviceState.Push;
import carezza.desktop.state.AppState;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.job.Band;
import carezza.measure.AmountSweep;
import carezza.measure.Gauge;

/** The over-push test: a small curve for each gauge that the layer moves, over its amount. */
public final class AmountSweepChart extends VBox {

  private static final Texts TEXTS = Texts.of("panels");

  private static final double WIDTH = 150;
  private static final double HEIGHT = 26;

  private final AppState state;
  private final Button take = new Button();
  private final VBox curves = new VBox(3);
  private @Nullable Push drawn;

  public AmountSweepChart(AppState state) {
    super(6);
    this.state = state;
    Button test = new Button(TEXTS.get("amountSweepChart.push-it-and-see"));
    test.setId("push-test");
    test.setTooltip(new Tooltip(TEXTS.get("amountSweepChart.reads-the-gauges-with-the-layer")));
    test.setOnAction(e -> state.advice().pushTest());
    take.setId("push-take");
    take.setTooltip(new Tooltip(TEXTS.get("amountSweepChart.the-largest-amount-that-keeps-every")));
    take.setOnAction(e -> state.advice().take());
    getChildren().addAll(new HBox(6, test, take), curves);
  }

  /** Shows the test of the layer, if there was one. */
  public void refresh() {
    Push push = state.advice().pushProperty().get();
    OptionalDouble advised = push == null ? OptionalDouble.empty() : push.found().advised();
    take.setVisible(advised.isPresent());
    take.setText(TEXTS.get("amountSweepChart.take", 100 * advised.orElse(0)));
    if (push == drawn) {
      return;
    }
    drawn = push;
    curves.getChildren().clear();
    if (push != null) {
      for (int gauge : push.found().moved()) {
        if (push.found().readings().getFirst().get(gauge).band() != null) {
          curves.getChildren().add(curve(push.found(), gauge));
        }
      }
    }
  }

  private static HBox curve(AmountSweep found, int gauge) {
    Gauge first = found.readings().getFirst().get(gauge);
    Label name = new Label(Names.of(first));
    name.getStyleClass().add("row-value");
    name.setMinWidth(104);
    name.setPrefWidth(104);
    Canvas canvas = new Canvas(WIDTH, HEIGHT);
    draw(canvas.getGraphicsContext2D(), found, gauge);
    HBox row = new HBox(6, name, canvas);
    row.setId("push-" + first.id());
    Tooltip.install(
        row,
        new Tooltip(
            TEXTS.get(
                "amountSweepChart.over-amounts-of-0-to-200",
                Names.of(first),
                found.value(gauge, 0),
                found.value(gauge, 1),
                found.value(gauge, 2))));
    return row;
  }

  private static void draw(GraphicsContext g, AmountSweep found, int gauge) {
    Band band = found.readings().getFirst().get(gauge).requiredBand();
    List<Double> amounts = found.amounts();
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (List<Gauge> at : found.readings()) {
      low = Math.min(low, at.get(gauge).after());
      high = Math.max(high, at.get(gauge).after());
    }
    double room = 0.15 * (high - low);
    double from = low - room;
    double span = high - low + 2 * room;
    double top = HEIGHT - (Math.min(band.high(), from + span) - from) / span * HEIGHT;
    double bottom = HEIGHT - (Math.max(band.low(), from) - from) / span * HEIGHT;
    g.setFill(Color.gray(0, 0.3));
    g.fillRect(0, 0, WIDTH, HEIGHT);
    g.setFill(Color.gray(1, 0.3));
    if (bottom > top) {
      g.fillRect(0, top, WIDTH, bottom - top);
    }
    double[] x = new double[amounts.size()];
    double[] y = new double[amounts.size()];
    for (int i = 0; i < x.length; i++) {
      x[i] = amounts.get(i) / amounts.getLast() * (WIDTH - 4) + 2;
      y[i] = HEIGHT - (found.readings().get(i).get(gauge).after() - from) / span * HEIGHT;
    }
    g.setStroke(Color.WHITE);
    g.setLineWidth(1.5);
    g.strokePolyline(x, y, x.length);
    found
        .advised()
        .ifPresent(
            a -> {
              double at = a / amounts.getLast() * (WIDTH - 4) + 2;
              g.setLineDashes(3, 2);
              g.setLineWidth(1);
              g.strokeLine(at, 0, at, HEIGHT);
            });
  }
}
