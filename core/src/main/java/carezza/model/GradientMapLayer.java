package carezza.model;

import java.util.ArrayList;
import java.util.List;

import carezza.colour.Lab;

/**
 * Gives each lightness its own colour.
 *
 * @param stops at least two, with rising positions
 */
public record GradientMapLayer(LayerAttributes attributes, List<Stop> stops) implements Layer {

  /**
   * @param position L* of the picture over 100
   * @param colour in its place
   */
  public record Stop(@Parameter double position, SkinToneEveningLayer.Target colour) {
    public Stop {
      Parameters.of(Stop.class).check(position);
      Require.present("colour", colour);
    }

    Lab lab() {
      return Lab.ofLch(colour.lightness(), colour.chroma(), colour.hue());
    }
  }

  /** Most stops. */
  public static final int MOST = 16;

  /** Dark blue, warm grey and cream. */
  private static final List<Stop> USUAL =
      List.of(
          new Stop(0, new SkinToneEveningLayer.Target(4, 6, 290)),
          new Stop(0.5, new SkinToneEveningLayer.Target(50, 14, 50)),
          new Stop(1, new SkinToneEveningLayer.Target(97, 6, 85)));

  /**
   * The colour at a position, on straight lines in L*a*b*; level beyond the first and the last
   * stop.
   */
  public Lab at(double position) {
    Stop below = stops.getFirst();
    Stop above = stops.getLast();
    for (Stop stop : stops) {
      if (stop.position() <= position) {
        below = stop;
      }
    }
    for (Stop stop : stops.reversed()) {
      if (stop.position() >= position) {
        above = stop;
      }
    }
    double span = above.position() - below.position();
    double t = span <= 0 ? 0 : (position - below.position()) / span;
    Lab from = below.lab();
    Lab to = above.lab();
    return new Lab(
        from.l() + t * (to.l() - from.l()),
        from.a() + t * (to.a() - from.a()),
        from.b() + t * (to.b() - from.b()));
  }

  /** The same positions with another colour for one of them. */
  public GradientMapLayer with(int place, SkinToneEveningLayer.Target colour) {
    List<Stop> changed = new ArrayList<>(stops);
    changed.set(place, new Stop(stops.get(place).position(), colour));
    return new GradientMapLayer(attributes, changed);
  }

  /** One stop more, with the colour that is there already; nothing where one stands. */
  public GradientMapLayer plus(double position) {
    if (stops.size() == MOST || stops.stream().anyMatch(s -> s.position() == position)) {
      return this;
    }
    List<Stop> more = new ArrayList<>(stops);
    int place = (int) stops.stream().filter(s -> s.position() < position).count();
    more.add(place, new Stop(position, SkinToneEveningLayer.Target.of(at(position))));
    return new GradientMapLayer(attributes, more);
  }

  /**
   * A stop elsewhere between its neighbours.
   *
   * @throws IllegalArgumentException if it would pass one of them
   */
  public GradientMapLayer moved(int place, double position) {
    List<Stop> changed = new ArrayList<>(stops);
    changed.set(place, new Stop(position, stops.get(place).colour()));
    return new GradientMapLayer(attributes, changed);
  }

  /** Without a stop; the last two stay. */
  public GradientMapLayer without(int place) {
    if (stops.size() == 2) {
      return this;
    }
    List<Stop> fewer = new ArrayList<>(stops);
    fewer.remove(place);
    return new GradientMapLayer(attributes, fewer);
  }

  public GradientMapLayer {
    Require.present("attributes", attributes);
    stops = stops == null ? USUAL : List.copyOf(stops);
    Require.range("number of stops", stops.size(), 2, MOST);
    for (int i = 1; i < stops.size(); i++) {
      Require.range(
          "position of a stop", stops.get(i).position(), stops.get(i - 1).position() + 1e-6, 1);
    }
  }

  @Override
  public GradientMapLayer with(LayerAttributes newAttributes) {
    return new GradientMapLayer(newAttributes, stops);
  }
}
