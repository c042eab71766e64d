package carezza.desktop.state;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.desktop.picture.MaskView;
import carezza.measure.CheckView;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.model.Stage;

/** How the picture is looked at; nothing here changes it. */
public final class ViewState {

  /** The playhead behind the last layer, however many there are. */
  private static final int END = Integer.MAX_VALUE;

  private final DocumentState document;
  private final ReadOnlyIntegerWrapper playhead = new ReadOnlyIntegerWrapper(END);
  private final BooleanProperty asShot = new SimpleBooleanProperty();
  private final BooleanProperty awaited = new SimpleBooleanProperty();
  private final ObjectProperty<@Nullable Coming> coming = new SimpleObjectProperty<>();
  private final BooleanProperty maskShown = new SimpleBooleanProperty();
  private final ObjectProperty<MaskView> maskView =
      new SimpleObjectProperty<>(MaskView.GREY_OUTSIDE);
  private final BooleanProperty marksShown = new SimpleBooleanProperty(true);
  private final BooleanProperty mirrored = new SimpleBooleanProperty();
  private final BooleanProperty practiceHints = new SimpleBooleanProperty(true);
  private final ObjectProperty<Comparison> comparison = new SimpleObjectProperty<>(Comparison.NONE);
  private final ObjectProperty<@Nullable Beside> beside = new SimpleObjectProperty<>();
  private final ObjectProperty<Surround> surround = new SimpleObjectProperty<>(Surround.INTERFACE);
  private final ObjectProperty<Stage> stageHeld = new SimpleObjectProperty<>();
  private final ObjectProperty<ScreenColour> screen = new SimpleObjectProperty<>(ScreenColour.SRGB);
  private final ObjectProperty<CheckView> check = new SimpleObjectProperty<>();

  private final ObjectProperty<Set<String>> folded = new SimpleObjectProperty<>(Set.of());

  public ViewState(DocumentState document) {
    this.document = document;
    document.sessionProperty().subscribe((was, is) -> asItIs());
    comparison.subscribe(
        (was, is) -> {
          if (is == Comparison.NONE) {
            beside.set(null);
          }
        });
  }

  /** The whole stack, in no special way: how a document begins to be looked at. */
  public void asItIs() {
    playhead.set(END);
    folded.set(Set.of());
    comparison.set(Comparison.NONE);
    check.set(null);
    mirrored.set(false);
    maskShown.set(false);
    asShot.set(false);
    stageHeld.set(null);
  }

  // --- groups

  /** Ids of the groups whose members stand behind them. */
  public ReadOnlyProperty<Set<String>> foldedProperty() {
    return folded;
  }

  public Set<String> folded() {
    return folded.get();
  }

  public void turnFold(String group) {
    Set<String> now = new HashSet<>(folded.get());
    if (!now.remove(group)) {
      now.add(group);
    }
    folded.set(Set.copyOf(now));
  }

  /** Unfolds such groups. */
  public void unfold(Predicate<String> such) {
    folded.set(folded.get().stream().filter(such.negate()).collect(Collectors.toUnmodifiableSet()));
  }

  // --- how much of the stack

  /** Changes whenever the playhead does; where it stands is {@link #playhead}. */
  public ReadOnlyIntegerProperty playheadProperty() {
    return playhead.getReadOnlyProperty();
  }

  /** Layers before the playhead. At the end it stays there, whatever is added or taken away. */
  public int playhead() {
    return Math.min(playhead.get(), document.stack().size());
  }

  /** Puts the playhead behind this many layers. */
  public void moveTo(int layers) {
    playhead.set(layers >= document.stack().size() ? END : Math.max(0, layers));
  }

  /** Moves the playhead on, if need be, so that this many layers are in sight. */
  public void reach(int layers) {
    moveTo(Math.max(playhead(), layers));
  }

  /** Layers that the picture area shows now. */
  public int shownLayers() {
    return asShot.get() ? 0 : playhead();
  }

  /** The project as the view shows it: without the layers of a stage that is held. */
  public Project project() {
    Project all = document.project();
    Stage without = stageHeld.get();
    for (Layer layer : without == null ? List.<Layer>of() : all.stack().layers()) {
      if (layer.attributes().stage() == without) {
        all = all.edit(layer.attributes().id(), l -> l.with(l.attributes().switched(false)));
      }
    }
    return all;
  }

  // --- in what way

  /** Whether the plan may propose an exercise. */
  public BooleanProperty practiceHintsProperty() {
    return practiceHints;
  }

  /** Whether the photograph is shown without any layer. */
  public BooleanProperty asShotProperty() {
    return asShot;
  }

  /** Whether the picture was asked for and nothing of it has come yet. */
  public BooleanProperty awaitedProperty() {
    return awaited;
  }

  /** The photograph that is on its way to take this one's place, until it is on the screen. */
  public ObjectProperty<@Nullable Coming> comingProperty() {
    return coming;
  }

  /** Whether the selected layer's mask is shown. */
  public BooleanProperty maskShownProperty() {
    return maskShown;
  }

  /** Whether what helps the hand lies over the picture: repairs, proposals, pins, guides. */
  public BooleanProperty marksShownProperty() {
    return marksShown;
  }

  /** How a mask is shown. */
  public ObjectProperty<MaskView> maskViewProperty() {
    return maskView;
  }

  /** Shows masks in the next of their ways. */
  public void turnMaskView() {
    MaskView[] all = MaskView.values();
    maskView.set(all[(maskView.get().ordinal() + 1) % all.length]);
  }

  /** Whether the view shows the picture left for right. */
  public BooleanProperty mirroredProperty() {
    return mirrored;
  }

  /** How the settled picture is shown together with the finished one. */
  public ObjectProperty<Comparison> comparisonProperty() {
    return comparison;
  }

  /** What the picture is compared with; null for itself as settled. */
  public ObjectProperty<@Nullable Beside> besideProperty() {
    return beside;
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

  /** Sees the picture this way, or as it is if it is seen so already. */
  public void turn(CheckView way) {
    check.set(check.get() == way ? null : way);
  }
}
