package carezza.desktop.tool;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.MonotoneCurve;
import carezza.colour.WorkingSpace;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolState;
import carezza.model.CurveLayer;
import carezza.model.CurveLayer.Channel;
import carezza.model.Point;

/**
 * Bends the curve of the layer in hand at the tone that is pressed, up and down with the pointer.
 */
final class CurveTool implements Tool {

  /** How near in value a point of a curve is taken for the one that is bent. */
  private static final double SAME = 0.05;

  private static final double GAP = 0.01;

  /** Share of the scale that the height of a grip bends by. */
  private static final double SHARE_OF_REACH = 1 / 15.0;

  private final DocumentState document;
  private final SelectionController selection;
  private final ToolState tools;
  private final ColourProbe probe;
  private @Nullable Bend bend;
  private Point pressed = new Point(0, 0);
  private double reach;

  /**
   * A curve that is being bent.
   *
   * @param from the layer as it was
   * @param value that is bent at
   */
  private record Bend(CurveLayer from, Channel channel, double value) {}

  CurveTool(
      DocumentState document, SelectionController selection, ToolState tools, ColourProbe probe) {
    this.document = document;
    this.selection = selection;
    this.tools = tools;
    this.probe = probe;
  }

  @Override
  public ToolKind kind() {
    return ToolKind.CURVE;
  }

  @Override
  public void press(Press at) {
    bend = null;
    pressed = at.place();
    reach = at.reach();
    probe.read(
        at.place(),
        c ->
            selection
                .layer(CurveLayer.class)
                .ifPresent(
                    l -> {
                      Channel channel = tools.curveChannelProperty().get();
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

  @Override
  public void drag(Point at) {
    if (bend != null) {
      Bend own = bend;
      double rise = (pressed.y() - at.y()) / reach * SHARE_OF_REACH;
      selection.edit(
          "bend",
          l ->
              own.from()
                  .with(own.channel(), bent(own.from().of(own.channel()), own.value(), rise)));
    }
  }

  @Override
  public void release(Point at) {
    bend = null;
    document.settle();
  }

  @Override
  public void putDown() {
    bend = null;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }

  /** The curve through its points, with the one at a value, or a new one, moved up or down. */
  static List<MonotoneCurve.Point> bent(
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
