package carezza.desktop.state;

import java.util.Optional;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;

import carezza.desktop.geometry.PartHandles;
import carezza.image.PictureSize;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.MaskParts.Join;
import carezza.model.Point;

/** The part of the selected layer's mask that is being changed, and parts to add. */
public final class MaskPartState {

  private static final int NONE = -1;

  private final DocumentState document;
  private final SelectionController selection;
  private final ToolState tools;
  private final IntegerProperty place = new SimpleIntegerProperty(NONE);

  public MaskPartState(DocumentState document, SelectionController selection, ToolState tools) {
    this.document = document;
    this.selection = selection;
    this.tools = tools;
    selection.selectedProperty().subscribe((was, is) -> place.set(NONE));
  }

  /** Place among the parts of the selected layer's mask; −1 for none. */
  public IntegerProperty placeProperty() {
    return place;
  }

  /** Chooses a part to be changed, or none with −1, and takes up the tool that moves it. */
  public void choose(int which) {
    place.set(which);
    boolean placed = mask().map(own -> !PartHandles.of(own).isEmpty()).orElse(false);
    if (placed) {
      tools.toolProperty().set(ToolKind.PART);
    } else if (tools.toolProperty().get() == ToolKind.PART) {
      tools.toolProperty().set(ToolKind.HAND);
    }
  }

  /** Chooses none. */
  public void drop() {
    choose(NONE);
  }

  /** What the chosen part is. */
  public Optional<Mask> mask() {
    return selection
        .layer()
        .map(l -> MaskParts.of(l.attributes().mask()).parts())
        .filter(all -> place.get() >= 0 && place.get() < all.size())
        .map(all -> all.get(place.get()).own());
  }

  /** Adds a part to the selected layer's mask and chooses it. */
  public void add(Join join, Mask own) {
    drop();
    selection.edit(
        null,
        l ->
            l.with(
                l.attributes()
                    .withMask(MaskParts.of(l.attributes().mask()).plus(join, own).mask())));
    selection
        .layer()
        .ifPresent(l -> choose(MaskParts.of(l.attributes().mask()).parts().size() - 1));
  }

  /** The layer with the chosen part changed. */
  public Layer changed(Layer layer, Mask own) {
    return layer.with(
        layer
            .attributes()
            .withMask(MaskParts.of(layer.attributes().mask()).changed(place.get(), own).mask()));
  }

  /** A range over all of a quantity, with shoulders to drag inwards. */
  public static Mask.Range wholeRange(Mask.Quantity quantity) {
    double span = quantity.span();
    return new Mask.Range(quantity, 0.2 * span, 0.35 * span, 0.75 * span, 0.9 * span);
  }

  /** An oval on the face, or in the middle of the picture. */
  public Mask.Ellipse freshOval() {
    return document
        .projectProperty()
        .get()
        .faceMap()
        .map(f -> f.oval())
        .map(o -> new Mask.Ellipse(o.x(), o.y(), o.radiusX(), o.radiusY(), o.angle(), 0.5))
        .orElseGet(
            () -> {
              double w = size().width();
              double h = size().height();
              return new Mask.Ellipse(w / 2, h / 2, w / 4, h / 4, 0, 0.5);
            });
  }

  /** A gradient from the middle of the picture downwards. */
  public Mask.Gradient freshGradient() {
    double w = size().width();
    double h = size().height();
    return new Mask.Gradient(new Point(w / 2, 0.45 * h), new Point(w / 2, 0.85 * h));
  }

  private PictureSize size() {
    return document.session().size();
  }
}
