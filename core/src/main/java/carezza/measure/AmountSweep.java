package carezza.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;

import carezza.image.Cancellation;
import carezza.job.Band;
import carezza.job.JobLevel;
import carezza.model.Layer;
import carezza.render.RenderInput;

/**
 * What the gauges read when a layer is pushed from nothing to twice its strength.
 *
 * @param amounts of the layer, rising from 0
 * @param readings all gauges at each amount, in the same order
 */
public record AmountSweep(List<Double> amounts, List<List<Gauge>> readings) {

  private static final List<Double> AMOUNTS = List.of(0.0, 0.25, 0.5, 0.75, 1.0, 1.5, 2.0);

  /**
   * Part of its value that a gauge must move by to be one that the layer moves, or to be judged.
   */
  private static final double MOVED = 0.004;

  /** Steps between measured amounts in which the advice is looked for. */
  private static final double STEP = 0.05;

  /**
   * @param progress told before each amount which share is done, 0 … 1
   */
  public static AmountSweep of(
      GaugeReader examination,
      RenderInput scene,
      String layer,
      DoubleConsumer progress,
      Cancellation cancellation) {
    List<List<Gauge>> readings = new ArrayList<>();
    for (double amount : AMOUNTS) {
      progress.accept((double) readings.size() / AMOUNTS.size());
      RenderInput pushed = scene.with(scene.stack().edit(layer, l -> at(l, amount)));
      readings.add(examination.of(pushed, cancellation).gauges());
    }
    return new AmountSweep(AMOUNTS, readings);
  }

  private static Layer at(Layer layer, double amount) {
    return layer.with(layer.attributes().switched(true).withAmount(amount));
  }

  /** Places in {@link #readings} of the gauges that the layer moves. */
  public List<Integer> moved() {
    List<Integer> moved = new ArrayList<>();
    for (int g = 0; g < readings.getFirst().size(); g++) {
      double low = Double.POSITIVE_INFINITY;
      double high = Double.NEGATIVE_INFINITY;
      for (List<Gauge> at : readings) {
        low = Math.min(low, at.get(g).after());
        high = Math.max(high, at.get(g).after());
      }
      if (high - low > MOVED * Math.max(1, Math.abs(high))) {
        moved.add(g);
      }
    }
    return moved;
  }

  /**
   * The largest amount that keeps every gauge that the layer moves inside its band, or, where it is
   * outside without the layer, on the way from there into it. None where the layer moves no gauge
   * that has a band.
   */
  public OptionalDouble advised() {
    List<Integer> judged =
        moved().stream().filter(g -> readings.getFirst().get(g).band() != null).toList();
    if (judged.isEmpty()) {
      return OptionalDouble.empty();
    }
    double amount = AMOUNTS.getLast();
    while (amount > 0 && !allHeld(judged, amount)) {
      amount -= STEP;
    }
    return OptionalDouble.of(Math.max(0, amount));
  }

  private boolean allHeld(List<Integer> judged, double amount) {
    return judged.stream().allMatch(g -> held(g, amount));
  }

  private boolean held(int gauge, double amount) {
    double value = value(gauge, amount);
    double start = value(gauge, 0);
    Band band = readings.getFirst().get(gauge).requiredBand();
    double room = MOVED * Math.max(1e-3, Math.abs(value));
    return value >= Math.min(band.low(), start) - room
        && value <= Math.max(band.high(), start) + room;
  }

  /** A gauge's reading at an amount, on straight lines between those that were measured. */
  public double value(int gauge, double amount) {
    int i = 0;
    while (i < amounts.size() - 2 && amounts.get(i + 1) < amount) {
      i++;
    }
    double t = (amount - amounts.get(i)) / (amounts.get(i + 1) - amounts.get(i));
    double from = readings.get(i).get(gauge).after();
    return from + t * (readings.get(i + 1).get(gauge).after() - from);
  }
}
