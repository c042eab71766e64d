package carezza.desktop.tool;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AppState;
import carezza.desktop.state.RepairState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolState;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.Mask;
import carezza.model.NeutralPointsLayer;
import carezza.model.NeutralPointsLayer.Tone;
import carezza.model.Point;
import carezza.model.ShapeLayer.Hand;
import carezza.model.VignetteLayer;

/** All tools, one for each kind. */
public final class Tools {

  /** Strength of a tone that is evened by an outline, to begin with. */
  private static final double EVENING = 0.6;

  /** Share of the radius after which a hand that shapes has gone on. */
  private static final double CLOSE = 0.02;

  /** Reaches of a handle that a line is long which tells of a lens. */
  private static final double LONG = 4;

  private final Map<ToolKind, Tool> all = new EnumMap<>(ToolKind.class);
  private final ToolState tools;

  public Tools(AppState state) {
    tools = state.tools();
    SelectionController selection = state.selection();
    ColourProbe probe = new ColourProbe(state.document(), selection, state.status(), state.tasks());
    PickedColours picked = new PickedColours(selection, state.status());
    LensLines lens = new LensLines(state);
    for (Tool tool :
        List.of(
            new HandTool(),
            new HealBrush(selection, tools, state.repairs(), state.spots()),
            new HairTool(selection, tools, state.repairs()),
            new RepairTool(state.document(), selection, state.repairs()),
            new LassoTool(
                ToolKind.TRANSPLANT,
                () -> selection.layer(HealLayer.class).isPresent(),
                outline -> transplant(state, outline)),
            brush(ToolKind.MASK, state, Layings::mask),
            brush(ToolKind.DODGE, state, Layings::light),
            brush(ToolKind.BURN, state, Layings::shade),
            brush(ToolKind.EVEN_STROKE, state, Layings::evened),
            brush(ToolKind.PAINT, state, Layings::painted),
            new HairToneTool(state),
            new LineTool(ToolKind.LENS_LINE, LONG, lens::drawn, lens::paint),
            new OverlayTool(state.document(), selection),
            hand(ToolKind.PUSH, state, Hand.PUSH, Hand.SMOOTH),
            hand(ToolKind.GROW, state, Hand.GROW, Hand.SHRINK),
            hand(ToolKind.SHRINK, state, Hand.SHRINK, Hand.GROW),
            hand(ToolKind.SMOOTH_BACK, state, Hand.SMOOTH, Hand.PUSH),
            new LassoTool(
                ToolKind.EVEN_AREA,
                () -> selection.layer(FrequencySeparationLayer.class).isPresent(),
                outline -> even(state, outline)),
            new OutlineTool(selection, tools, state.part()),
            new PartTool(state.document(), selection, state.part()),
            new PickTool(ToolKind.PICK_NEUTRAL, probe, picked::neutral),
            new PickTool(ToolKind.PICK_TONE, probe, picked::tone),
            new PickTool(ToolKind.PICK_GROUND, probe, picked::tone),
            new PickTool(ToolKind.PICK_HUE, probe, picked::hue),
            point(ToolKind.PICK_DARK, Tone.SHADOW, state),
            point(ToolKind.PICK_MIDDLE, Tone.MIDTONE, state),
            point(ToolKind.PICK_LIGHT, Tone.HIGHLIGHT, state),
            new PointTool<>(
                ToolKind.PLACE_LIGHT,
                VignetteLayer.class,
                VignetteLayer::at,
                state.document(),
                selection),
            new CurveTool(state.document(), selection, tools, probe),
            new PinTool(state.document(), state.pins()),
            new CropTool(state.document(), state.crop()),
            new LineTool(ToolKind.LEVEL, 1, (from, to) -> level(state, from, to), p -> {}),
            new FacePlaceTool(tools, state.faces(), state.status()),
            new FaceTool(state.document()))) {
      all.put(tool.kind(), tool);
    }
    for (ToolKind kind : ToolKind.values()) {
      if (!all.containsKey(kind)) {
        throw new IllegalStateException("There is no tool for " + kind);
      }
    }
    tools.toolProperty().subscribe((was, is) -> Objects.requireNonNull(all.get(was)).putDown());
  }

  private static Tool brush(ToolKind kind, AppState state, MaskBrush.Laying laying) {
    StrokePath path = new StrokePath(state.tools());
    return new MaskBrush(kind, state.document(), state.selection(), path, laying);
  }

  /** A hand that shapes: what it goes by less than a brush's ring counts, too. */
  private static Tool hand(ToolKind kind, AppState state, Hand hand, Hand turned) {
    StrokePath path = new StrokePath(state.tools(), CLOSE);
    return new MaskBrush(
        kind, state.document(), state.selection(), path, Layings.shaped(hand, turned));
  }

  private static Tool point(ToolKind kind, Tone tone, AppState state) {
    return new PointTool<>(
        kind,
        NeutralPointsLayer.class,
        (l, to) -> l.moved(tone, to),
        state.document(),
        state.selection());
  }

  private static void level(AppState state, Point from, Point to) {
    state.crop().level(from, to);
    state.tools().toolProperty().set(ToolKind.FRAME);
  }

  /** The tool in hand. */
  public Tool inHand() {
    return Objects.requireNonNull(all.get(tools.tool()));
  }

  /** A place to be taken from elsewhere, with its source beside it for a start. */
  private static void transplant(AppState state, List<Point> outline) {
    RepairState repairs = state.repairs();
    double feather = Math.max(1, state.tools().brush().radius() / 8);
    Mask.Polygon area = new Mask.Polygon(outline, feather);
    double beside = area.bounds().width();
    boolean left = area.centre().x() > state.document().session().size().width() / 2.0;
    Patch patch =
        new Patch(
            area,
            List.of(new Source(left ? -beside : beside, 0)),
            RepairMethod.HEAL,
            repairs.amountProperty().get());
    state.selection().edit(null, l -> ((HealLayer) l).plus(patch));
    state.tools().toolProperty().set(ToolKind.REPAIR);
    state
        .selection()
        .layer(HealLayer.class)
        .ifPresent(l -> repairs.choose(Set.of(l.patches().size() - 1)));
  }

  private static void even(AppState state, List<Point> outline) {
    double radius = state.tools().brush().radius();
    LowBandArea area = new LowBandArea(new Mask.Polygon(outline, radius / 2), radius, EVENING);
    state.selection().edit(null, l -> Layings.with((FrequencySeparationLayer) l, area));
  }
}
