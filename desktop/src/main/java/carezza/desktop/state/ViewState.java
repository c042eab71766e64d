package carezza.desktop.state;

import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;

import carezza.codec.ScreenColour;
import carezza.desktop.picture.MaskView;
import carezza.measure.CheckView;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.model.Stage;

/** How the picture is looked at; nothing here changes it. */
public final class ViewState {

  private final BenchModel model;
  private final BooleanProperty asShot = new SimpleBooleanProperty();
  private final BooleanProperty maskShown = new SimpleBooleanProperty();
  private final ObjectProperty<MaskView> maskView =
      new SimpleObjectProperty<>(MaskView.GREY_OUTSIDE);
  private final BooleanProperty mirrored = new SimpleBooleanProperty();
  private final ObjectProperty<Comparison> comparison = new SimpleObjectProperty<>(Comparison.NONE);
  private final ObjectProperty<Surround> surround = new SimpleObjectProperty<>(Surround.INTERFACE);
  private final ObjectProperty<Stage> stageHeld = new SimpleObjectProperty<>();
  private final ObjectProperty<ScreenColour> screen =
      new SimpleObjectProperty<>(ScreenColour.SRGB);
  private final ObjectProperty<CheckView> check = new SimpleObjectProperty<>();

  ViewState(BenchModel model) {
    this.model = model;
  }

  /** Layers that the picture area shows now. */
  public int shownLayers() {
    return asShot.get() ? 0 : Math.min(model.playheadProperty().get(), model.stack().size());
  }

  /** The project as the view shows it: without the layers of a stage that is held. */
  public Project project() {
    Project all = model.projectProperty().get();
    Stage without = stageHeld.get();
    for (Layer layer : without == null ? List.<Layer>of() : all.stack().layers()) {
      if (layer.attributes().stage() == without) {
        all = all.edit(layer.attributes().id(), l -> l.with(l.attributes().switched(false)));
      }
    }
    return all;
  }

  /** Whether the photograph is shown without any layer. */
  public BooleanProperty asShotProperty() {
    return asShot;
  }

  /** Whether the selected layer's mask is shown. */
  public BooleanProperty maskShownProperty() {
    return maskShown;
  }

  /** How a mask is shown. */
  public ObjectProperty<MaskView> maskViewProperty() {
    return maskView;
  }

  /** Whether the view shows the picture left for right. */
  public BooleanProperty mirroredProperty() {
    return mirrored;
  }

  /** How the settled picture is shown together with the finished one. */
  public ObjectProperty<Comparison> comparisonProperty() {
    return comparison;
  }

  /** What the picture stands on. */
  public ObjectProperty<Surround> surroundProperty() {
    return surround;
  }

  /** The stage whose layers are left out of the view while its column is held; null for none. */
  public ObjectProperty<Stage> stageHeldProperty() {
    return stageHeld;
  }

  /** How colours come to the screen. */
  public ObjectProperty<ScreenColour> screenProperty() {
    return screen;
  }

  /** The way the picture is seen, to judge it; null for as it is. */
  public ObjectProperty<CheckView> checkProperty() {
    return check;
  }
}
