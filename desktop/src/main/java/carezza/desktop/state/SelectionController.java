package carezza.desktop.state;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyStringProperty;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.FacePlacing;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.model.ColourPaintLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.LockedLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.OverlayLayer;
import carezza.model.PaintLayer;
import carezza.model.Project;
import carezza.model.ShapeLayer;
import carezza.model.Stage;
import carezza.model.VignetteLayer;

/**
 * What goes with a layer being taken in hand, made or removed: its tool, its brush, its place in
 * sight.
 */
public final class SelectionController {

  private static final Texts TEXTS = Texts.of("state");

  private final DocumentState document;
  private final SelectionState selection;
  private final ToolState tools;
  private final ViewState view;
  private final Status status;

  public SelectionController(
      DocumentState document,
      SelectionState selection,
      ToolState tools,
      ViewState view,
      Status status) {
    this.document = document;
    this.selection = selection;
    this.tools = tools;
    this.view = view;
    this.status = status;
    document.sessionProperty().subscribe((was, is) -> select(null));
    tools.toolProperty().subscribe((was, is) -> tools.takeBrush(kind(), is));
  }

  private @Nullable LayerType kind() {
    return selection
        .layer()
        .filter(l -> !(l instanceof LockedLayer))
        .map(LayerType::of)
        .orElse(null);
  }

  // --- what the selection says

  public ReadOnlyStringProperty selectedProperty() {
    return selection.selectedProperty();
  }

  public String selected() {
    return selection.selected();
  }

  public Optional<Layer> layer() {
    return selection.layer();
  }

  public <L extends Layer> Optional<L> layer(Class<L> type) {
    return selection.layer(type);
  }

  public void edit(@Nullable String label, UnaryOperator<Layer> change) {
    showLayer();
    selection.edit(label, change);
  }

  /** Brings what the layer in hand does in sight: nobody works on what cannot be seen. */
  public void showLayer() {
    int place = document.stack().indexOf(selection.selected());
    if (place >= 0) {
      view.reach(place + 1);
    }
  }

  // --- taking in hand

  /** Takes a layer in hand, or none, and the tool that goes with it. */
  public void select(@Nullable String id) {
    // Nothing in hand while the selection changes: a tool belongs to one kind of layer.
    tools.toolProperty().set(ToolKind.HAND);
    selection.set(id);
    tools
        .toolProperty()
        .set(selection.layer().map(SelectionController::fitting).orElse(ToolKind.HAND));
  }

  private static ToolKind fitting(Layer layer) {
    return switch (layer) {
      case HealLayer l -> ToolKind.HEAL;
      case DodgeBurnLayer l -> ToolKind.DODGE;
      case NeutralPointsLayer l -> ToolKind.PICK_MIDDLE;
      case ColourPaintLayer l -> ToolKind.MASK;
      case ShapeLayer l -> ToolKind.PUSH;
      case PaintLayer l -> ToolKind.PAINT;
      case OverlayLayer l -> ToolKind.PLACE_OVERLAY;
      case VignetteLayer l -> ToolKind.PLACE_LIGHT;
      default -> ToolKind.HAND;
    };
  }

  /** Takes the next layer of a stage in hand, from its first one on; again, the one after. */
  public void goTo(Stage stage) {
    List<String> ids =
        document.stack().layers().stream()
            .filter(l -> l.attributes().stage() == stage)
            .map(l -> l.attributes().id())
            .toList();
    if (ids.isEmpty()) {
      status.say(TEXTS.get("selectionController.has-no-layer-yet-add-one", Names.of(stage)));
      return;
    }
    int now = ids.indexOf(selection.selected());
    select(ids.get((now + 1) % ids.size()));
  }

  /** Takes the layer before or after the one in hand. */
  public void step(int by) {
    List<Layer> layers = document.stack().layers();
    if (!layers.isEmpty()) {
      int now = document.stack().indexOf(selection.selected());
      int next = now < 0 ? (by > 0 ? 0 : layers.size() - 1) : now + by;
      select(layers.get(Math.clamp(next, 0, layers.size() - 1)).attributes().id());
    }
  }

  /** Takes up the tool that places a face by clicks. */
  public void placeFace() {
    select(null);
    tools.toolProperty().set(ToolKind.PLACE_FACE);
    status.say(FacePlacing.START);
  }

  /** Shows the handles of the face map; where there is no map yet, one is to be placed. */
  public void turnFaceMap() {
    if (document.project().faces() == null) {
      placeFace();
    } else {
      tools.turn(ToolKind.FACE);
    }
  }

  // --- steps

  /** Undoes a step; a layer that comes back by it is taken in hand. */
  public void undo() {
    walk(document::undo);
  }

  /** Does a step again; a layer that comes back by it is taken in hand. */
  public void redo() {
    walk(document::redo);
  }

  private void walk(Runnable step) {
    if (document.isEmpty()) {
      return;
    }
    LayerStack before = document.stack();
    step.run();
    document.stack().layers().stream()
        .map(l -> l.attributes().id())
        .filter(id -> before.indexOf(id) < 0)
        .findFirst()
        .ifPresent(this::select);
  }

  // --- layers

  /**
   * Moves the layer in hand past its neighbour, into the next stage where it stands at the end of
   * its own.
   */
  public void move(int by) {
    String id = selection.selected();
    if (id != null) {
      document.edit(null, p -> p.withStack(p.stack().moved(id, by)));
    }
  }

  /** Moves a layer to a place of a stage. */
  public void move(String id, Stage stage, int place) {
    document.edit(null, p -> p.withStack(p.stack().moved(id, stage, place)));
    select(id);
  }

  /** Takes the layer in hand and the one before it under one group, which comes into the hand. */
  public void group() {
    String id = selection.selected();
    if (id != null) {
      document.edit(null, p -> p.withStack(p.stack().grouped(id, Names.of(LayerType.GROUP))));
      String group = document.stack().find(id).orElseThrow().attributes().group();
      select(document.stack().find(id).orElseThrow() instanceof GroupLayer ? id : group);
    }
  }

  /** Takes the layer in hand out of its group; of a group, all its members. */
  public void takeApart() {
    String id = selection.selected();
    if (id != null) {
      boolean group = document.stack().find(id).orElseThrow() instanceof GroupLayer;
      String member = group ? document.stack().members(id).stream().findFirst().orElse(null) : id;
      document.edit(null, p -> p.withStack(p.stack().ungrouped(id)));
      select(member);
    }
  }

  /** Puts a copy of the layer in hand above it, and takes it in hand. */
  public void twice() {
    String id = selection.selected();
    if (id != null) {
      String[] fresh = new String[1];
      document.edit(
          null,
          p -> {
            LayerStack stack = p.stack().doubled(id);
            fresh[0] =
                stack
                    .layers()
                    .get(stack.indexOf(id) + 1 + p.stack().members(id).size())
                    .attributes()
                    .id();
            return p.withStack(stack);
          });
      select(fresh[0]);
    }
  }

  /** Adds a layer on top of its stage and takes it in hand. */
  public void add(LayerType kind) {
    if (!document.allows(kind)) {
      status.say(TEXTS.get("selectionController.not-in-this-exercise", Names.of(kind)));
      return;
    }
    // One layer holds all that is done to the shape.
    document.stack().layers().stream()
        .filter(l -> kind == LayerType.SHAPE && l instanceof ShapeLayer)
        .findFirst()
        .ifPresentOrElse(l -> select(l.attributes().id()), () -> add(List.of(Names.fresh(kind))));
  }

  /** Adds several layers in their order, as one step, and takes the last in hand. */
  public void add(List<Layer> fresh) {
    document.edit(
        null,
        p -> {
          LayerStack stack = p.stack();
          for (Layer layer : fresh) {
            stack = stack.with(layer);
          }
          return p.withStack(stack);
        });
    String id = fresh.getLast().attributes().id();
    select(id);
    view.reach(document.stack().indexOf(id) + 1);
  }

  /**
   * Makes a project of several layers the present one, as one step, in sight to its end.
   *
   * @param id of the layer to take in hand, or null
   */
  public void take(Project changed, @Nullable String id) {
    document.edit(null, p -> changed);
    view.reach(document.stack().size());
    if (id != null) {
      select(id);
    }
  }

  /** Takes the layer in hand out of the stack; its neighbour in the stage comes into the hand. */
  public void remove() {
    String id = selection.selected();
    if (id == null) {
      return;
    }
    String neighbour = neighbour(id);
    select(null);
    document.edit(null, p -> p.withStack(p.stack().without(id)));
    select(neighbour);
  }

  private @Nullable String neighbour(String id) {
    List<Layer> layers = document.stack().layers();
    int at = document.stack().indexOf(id);
    for (int near : new int[] {at - 1, at + 1}) {
      if (near >= 0
          && near < layers.size()
          && layers.get(near).attributes().stage() == layers.get(at).attributes().stage()) {
        return layers.get(near).attributes().id();
      }
    }
    return null;
  }

  /** Whether the layer in hand takes part, the other way round. */
  public void turnLayer() {
    if (kind() != null) {
      turnLayer(selection.selected());
    }
  }

  /** Whether a layer takes part, the other way round. */
  public void turnLayer(String id) {
    document.edit(
        null, p -> p.edit(id, l -> l.with(l.attributes().switched(!l.attributes().on()))));
  }

  /** Gives a layer another name; an empty one is none. */
  public void rename(String id, String name) {
    if (!name.isBlank()) {
      document.edit(null, p -> p.edit(id, l -> l.with(l.attributes().named(name))));
    }
  }
}
