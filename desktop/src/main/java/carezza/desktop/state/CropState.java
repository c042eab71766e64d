package carezza.desktop.state;

import java.util.List;
import java.util.function.UnaryOperator;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;

import carezza.desktop.geometry.CropHand;
import carezza.desktop.text.Texts;
import carezza.image.PictureSize;
import carezza.model.Crop;
import carezza.model.Point;

/** The frame of what is delivered, in hand. */
public final class CropState {

  private static final Texts TEXTS = Texts.of("state");

  private final DocumentState document;
  private final ToolState tools;
  private final DoubleProperty ratio = new SimpleDoubleProperty();
  private final ObjectProperty<GuideLines> lines = new SimpleObjectProperty<>(GuideLines.THIRDS);

  public CropState(DocumentState document, ToolState tools) {
    this.document = document;
    this.tools = tools;
    document.sessionProperty().subscribe((was, is) -> ratio.set(known()));
  }

  /** A ratio of width to height that frames are cut to; 0 for any. */
  public record Ratio(String name, double value) {}

  public static final List<Ratio> RATIOS =
      List.of(
          new Ratio(TEXTS.get("cropState.free"), 0),
          new Ratio("1 : 1", 1),
          new Ratio("4 : 5", 0.8),
          new Ratio("3 : 4", 0.75),
          new Ratio("2 : 3", 2 / 3.0),
          new Ratio("3 : 2", 1.5),
          new Ratio("16 : 9", 16 / 9.0));

  /** How near a frame must be to a ratio to have been cut to it. */
  private static final double SAME = 0.003;

  /** The ratio that the document's frame was cut to. */
  private double known() {
    Crop own = document.project().crop();
    return own == null
        ? 0
        : RATIOS.stream()
            .mapToDouble(Ratio::value)
            .filter(r -> r > 0 && Math.abs(own.width() / own.height() / r - 1) < SAME)
            .findFirst()
            .orElse(0);
  }

  /** Width over height that is kept; 0 for free. */
  public DoubleProperty ratioProperty() {
    return ratio;
  }

  public ObjectProperty<GuideLines> linesProperty() {
    return lines;
  }

  /** The frame as it is, or all of the photograph. */
  public Crop frame() {
    Crop own = document.project().crop();
    return own == null ? Crop.of(size()) : own;
  }

  private PictureSize size() {
    return document.session().size();
  }

  /** Whether the frame reaches beyond the photograph. */
  public boolean beyond() {
    return frame().corners().stream()
        .anyMatch(
            c ->
                c.x() < -0.5
                    || c.y() < -0.5
                    || c.x() > size().width() + 0.5
                    || c.y() > size().height() + 0.5);
  }

  private void set(UnaryOperator<Crop> change) {
    Crop next = change.apply(frame());
    document.edit(null, p -> p.withCrop(next.equals(Crop.of(size())) ? null : next));
  }

  public void ratio(double widthOverHeight) {
    ratio.set(widthOverHeight);
    if (widthOverHeight > 0) {
      set(f -> f.ofRatio(widthOverHeight));
    }
    tools.toolProperty().set(ToolKind.FRAME);
  }

  public void grow(double share) {
    set(f -> f.grown(share));
  }

  public void inside() {
    set(f -> f.within(size()));
  }

  public void drop() {
    document.edit(null, p -> p.withCrop(null));
  }

  /** Takes hold of the frame at a place. */
  public CropHand hold(Point at, double grab) {
    return new CropHand(frame(), at, grab, ratio.get());
  }

  public void level(Point one, Point other) {
    set(f -> CropHand.levelled(f, one, other, size()));
  }
}
