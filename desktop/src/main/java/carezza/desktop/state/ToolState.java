package carezza.desktop.state;

import java.util.HashMap;
import java.util.Map;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;

import org.jspecify.annotations.Nullable;

import carezza.kernel.LayerType;
import carezza.model.CurveLayer.Channel;

/** What is in hand: the tool, its brush, the pen. */
public final class ToolState {

  private final ObjectProperty<ToolKind> tool = new SimpleObjectProperty<>(ToolKind.HAND);
  private final ObjectProperty<Brush> brush = new SimpleObjectProperty<>(Brush.OF_MASKS);
  private final BooleanProperty erasing = new SimpleBooleanProperty();
  private final ObjectProperty<Pen> pen = new SimpleObjectProperty<>(Pen.MOUSE);
  private final ObjectProperty<Channel> curveChannel =
      new SimpleObjectProperty<>(Channel.LUMINANCE);

  private record Use(@Nullable LayerType kind, ToolKind tool) {}

  /** The brush that each tool had on each kind of layer. */
  private final Map<Use, Brush> brushes = new HashMap<>();

  private @Nullable Use use;

  public ObjectProperty<ToolKind> toolProperty() {
    return tool;
  }

  public ToolKind tool() {
    return tool.get();
  }

  /** The same tool puts it down. */
  public void turn(ToolKind kind) {
    tool.set(tool.get() == kind ? ToolKind.HAND : kind);
  }

  /**
   * Takes up the brush that a tool last had on a kind of layer, or the one that suits it.
   *
   * @param kind of the layer in hand, or null
   */
  void takeBrush(@Nullable LayerType kind, ToolKind next) {
    if (use != null) {
      brushes.put(use, brush.get());
    }
    use = next.brush() ? new Use(kind, next) : null;
    if (use != null) {
      brush.set(brushes.getOrDefault(use, Brush.suiting(kind, next)));
    }
  }

  public ObjectProperty<Brush> brushProperty() {
    return brush;
  }

  public Brush brush() {
    return brush.get();
  }

  /** Whether brush and shapes take away instead of adding. */
  public BooleanProperty erasingProperty() {
    return erasing;
  }

  public ObjectProperty<Pen> penProperty() {
    return pen;
  }

  /** What the curve that is edited is on. */
  public ObjectProperty<Channel> curveChannelProperty() {
    return curveChannel;
  }
}
