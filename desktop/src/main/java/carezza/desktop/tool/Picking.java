package carezza.desktop.tool;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import carezza.colour.Lab;
import carezza.colour.MonotoneCurve;
import carezza.colour.WhiteBalance;
import carezza.colour.WorkingSpace;
import carezza.desktop.layer.EvenPanels;
import carezza.desktop.state.BenchModel;
import carezza.desktop.task.Lane;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.model.ColourPaintLayer;
import carezza.model.CurveLayer;
import carezza.model.CurveLayer.Channel;
import carezza.model.LayerValue;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SkinToneEveningLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.WhiteBalanceLayer;
import carezza.render.Renderer.Readiness;

/** Colours picked from what the selected layer gets, and what is done with them. */
public final class Picking {

  /** Half a side of the square that is read, in photograph pixels. */
  private static final double READ = 6;

  /** How near in value a point of a curve is taken for the one that is bent. */
  private static final double SAME = 0.05;

  private static final double GAP = 0.01;

  private final BenchModel model;
  private final Lane reading = new Lane("picking");
  private Bend bend;

  Picking(BenchModel model) {
    this.model = model;
  }

  private interface Picked {
    void take(double[] working);
  }

  /**
   * A curve that is being bent.
   *
   * @param from the layer as it was
   * @param value that is bent at
   */
  private record Bend(CurveLayer from, Channel channel, double value) {}

  /** Reads the mean colour about a place below the selected layer, off the interface thread. */
  private void read(Point at, Picked picked) {
    String id = model.selectedProperty().get();
    int index = model.stack().indexOf(id);
    if (index < 0) {
      return;
    }
    Project project = model.projectProperty().get();
    var session = model.session();
    Area area =
        Area.around(at.x() - READ, at.y() - READ, at.x() + READ, at.y() + READ)
            .intersect(session.size().area());
    if (area.isEmpty()) {
      return;
    }
    reading.newest(
        cancellation -> {
          Picture below =
              session
                  .renderer()
                  .render(
                      BenchModel.scene(session, project, index),
                      area,
                      0,
                      Readiness.QUICK,
                      Cancellation.NONE);
          return mean(below);
        },
        picked::take,
        model::fail);
  }

  private static double[] mean(Picture picture) {
    double[] sum = new double[3];
    for (int c = 0; c < 3; c++) {
      for (float v : picture.plane(c).values()) {
        sum[c] += v / picture.area().pixels();
      }
    }
    return sum;
  }

  /** Balances by what should be grey. */
  void neutral(Point at) {
    read(
        at,
        c -> {
          if (c[0] <= 0.02 || c[1] <= 0.02 || c[2] <= 0.02) {
            model
                .messageProperty()
                .set("This place is too dark to balance by; pick a lighter grey.");
            return;
          }
          WhiteBalance.Light light = WhiteBalance.fromNeutral(c[0], c[1], c[2]);
          model.editSelected(
              null,
              l ->
                  new WhiteBalanceLayer(
                      l.attributes(),
                      Math.clamp(light.kelvin(), 1500, 15000),
                      Math.clamp(light.tint(), -60, 60)));
        });
  }

  /** Takes a tone to even towards, or to lay on. */
  void tone(Point at) {
    read(
        at,
        c -> {
          Target tone = EvenPanels.target(Lab.ofWorking(c[0], c[1], c[2]));
          model.editSelected(
              null,
              l ->
                  switch (l) {
                    case SkinToneEveningLayer own -> own.withTarget(tone);
                    case ColourPaintLayer own -> new ColourPaintLayer(own.attributes(), tone);
                    default -> l;
                  });
        });
  }

  /** Takes the middle of a range of hues. */
  void hue(Point at) {
    read(
        at,
        c ->
            model.editSelected(
                null, l -> LayerValue.with(l, "hue", Lab.ofWorking(c[0], c[1], c[2]).hue())));
  }

  /** Begins to bend the curve at the tone of a place. */
  void bend(Point at) {
    bend = null;
    read(
        at,
        c ->
            EvenPanels.own(model, CurveLayer.class)
                .ifPresent(
                    l -> {
                      Channel channel = model.curveChannelProperty().get();
                      bend = new Bend(l, channel, Math.clamp(value(channel, c), 0, 1));
                    }));
  }

  private static double value(Channel channel, double[] c) {
    return switch (channel) {
      case LUMINANCE -> WorkingSpace.luminance((float) c[0], (float) c[1], (float) c[2]);
      case RED -> c[0];
      case GREEN -> c[1];
      case BLUE -> c[2];
    };
  }

  /**
   * Bends on.
   *
   * @param rise of the value at the tone, from where the bending began
   */
  void bendBy(double rise) {
    if (bend != null) {
      Bend own = bend;
      model.editSelected(
          "bend", l -> own.from().with(own.channel(), bent(own.from().of(own.channel()), own.value(), rise)));
    }
  }

  void endBend() {
    bend = null;
    model.settle();
  }

  /** The curve through its points, with the one at a value, or a new one, moved up or down. */
  public static List<MonotoneCurve.Point> bent(
      List<MonotoneCurve.Point> curve, double value, double rise) {
    List<MonotoneCurve.Point> points = new ArrayList<>(curve);
    double is = new MonotoneCurve(curve).at(value);
    MonotoneCurve.Point near =
        points.stream()
            .filter(p -> Math.abs(p.x() - value) < SAME)
            .min(Comparator.comparingDouble(p -> Math.abs(p.x() - value)))
            .orElse(null);
    double x = near == null ? value : near.x();
    double y = near == null ? is : near.y();
    points.remove(near);
    double low = 0;
    double high = 1;
    for (MonotoneCurve.Point p : points) {
      if (p.x() < x) {
        low = Math.max(low, p.y());
      } else {
        high = Math.min(high, p.y());
      }
    }
    if (near == null && points.stream().anyMatch(p -> Math.abs(p.x() - x) < GAP)) {
      return curve;
    }
    points.add(new MonotoneCurve.Point(x, Math.clamp(y + rise, low, high)));
    points.sort(Comparator.comparingDouble(MonotoneCurve.Point::x));
    return points;
  }
}
