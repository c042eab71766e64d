package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * Gives each lightness its own colour.
 *
 * @param stops at least two, with rising positions
 */
public record GradientMapLayer(Head head, List<Stop> stops) implements Layer {

  /**
   * @param position L* of the picture over 100, 0 … 1
   * @param colour in its place
   */
  public record Stop(double position, ToneEveningLayer.Target colour) {
    public Stop {
      Require.range("position", position, 0, 1);
      Require.present("colour", colour);
    }
  }

  /** The same positions with another colour for one of them. */
  public GradientMapLayer with(int place, ToneEveningLayer.Target colour) {
    List<Stop> changed = new ArrayList<>(stops);
    changed.set(place, new Stop(stops.get(place).position(), colour));
    return new GradientMapLayer(head, changed);
  }

  public GradientMapLayer {
    Require.present("head", head);
    Require.present("stops", stops);
    stops = List.copyOf(stops);
    Require.range("number of stops", stops.size(), 2, 16);
    for (int i = 1; i < stops.size(); i++) {
      Require.range("position of a stop", stops.get(i).position(), stops.get(i - 1).position() + 1e-6, 1);
    }
  }

  @Override
  public GradientMapLayer with(Head newHead) {
    return new GradientMapLayer(newHead, stops);
  }
}
