package carezza.desktop.layer;

import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

import carezza.desktop.control.NumberRow;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.model.BackdropLayer;
import carezza.model.CatchlightLayer;
import carezza.model.ColourBalanceLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.CurveLayer;
import carezza.model.DesaturateLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FocusFalloffLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GlowLayer;
import carezza.model.GradientMapLayer;
import carezza.model.GrainLayer;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
import carezza.model.HueBandsLayer;
import carezza.model.HueShiftLayer;
import carezza.model.IrisLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LevelsLayer;
import carezza.model.LipsLayer;
import carezza.model.LocalContrastLayer;
import carezza.model.LockedLayer;
import carezza.model.MonochromeLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.NoiseReductionLayer;
import carezza.model.OverlayLayer;
import carezza.model.PaintLayer;
import carezza.model.SaturationLayer;
import carezza.model.ScleraLayer;
import carezza.model.ShapeLayer;
import carezza.model.SharpenLayer;
import carezza.model.SkinDepthLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.TeethLayer;
import carezza.model.VignetteLayer;
import carezza.model.WhiteBalanceLayer;

/** The parameters of each kind of layer as rows of the panel. */
public final class LayerPanels {

  private static final Texts TEXTS = Texts.of("panels");

  /** Kelvin times mired. */
  private static final double MIRED = 1e6;

  private LayerPanels() {}

  /** What a layer's rows depend on besides values; they are made anew when it changes. */
  public static String shape(Layer layer) {
    return switch (layer) {
      case FrequencySeparationLayer own -> SeparationPanel.shape(own);
      case SharpenLayer own -> SharpenPanel.shape(own);
      case BackdropLayer own -> BackdropPanel.shape(own);
      // A lamp's light has no end at which it stops falling.
      case VignetteLayer own -> own.law().name();
      default -> "";
    };
  }

  public static void build(Layer layer, PanelRows rows, AppState state) {
    switch (layer) {
      case WhiteBalanceLayer l -> whiteBalance(rows);
      case NeutralPointsLayer l -> SettlePanels.neutralise(rows, state);
      case ExposureLayer l -> rows.parameters(ExposureLayer.class);
      case LevelsLayer l -> SettlePanels.range(rows, state);
      case LocalContrastLayer l -> SettlePanels.localContrast(rows);
      case HealLayer l -> MendPanel.build(rows, state);
      case FrequencySeparationLayer l -> SeparationPanel.build(l, rows, state);
      case DodgeBurnLayer l -> SculptPanel.build(rows, state);
      case SkinToneEveningLayer l -> EvenPanels.toneEvening(rows, state);
      case SkinMatchLayer l -> EvenPanels.match(rows, state);
      case HueBandsLayer l -> EvenPanels.families(rows, state);
      case SkinDepthLayer l -> EvenPanels.depth(rows);
      case DesaturateLayer l -> EvenPanels.mute(rows);
      case ColourPaintLayer l -> EvenPanels.touch(rows);
      case BackdropLayer l -> BackdropPanel.build(l, rows, state);
      case CurveLayer l -> GradePanels.curve(rows, state);
      case ColourBalanceLayer l -> GradePanels.balance(rows, state);
      case GradientMapLayer l -> GradientPanel.build(rows, state);
      case MonochromeLayer l -> GradePanels.mono(rows, state);
      case SaturationLayer l -> GradePanels.saturation(rows, state);
      case HueShiftLayer l -> GradePanels.hueShift(rows, state);
      case TeethLayer l -> BrightenPanels.teeth(rows, state);
      case ScleraLayer l -> BrightenPanels.sclera(rows, state);
      case IrisLayer l -> BrightenPanels.iris(rows);
      case CatchlightLayer l -> BrightenPanels.catchlight(rows);
      case LipsLayer l -> BrightenPanels.lips(rows, state);
      case VignetteLayer l -> vignette(l, rows, state);
      case NoiseReductionLayer l -> rows.parameters(NoiseReductionLayer.class);
      case SharpenLayer l -> SharpenPanel.build(l, rows, state);
      case ShapeLayer l -> ShapePanel.build(l, rows, state);
      case PaintLayer l -> {
        rows.tools(ToolKind.PAINT, ToolKind.PICK_HAIR);
        rows.parameters(PaintLayer.class);
        rows.words(
            "painted",
            PaintLayer.class,
            own -> TEXTS.get("layerPanels.painted", own.strokes().size()));
      }
      case OverlayLayer l -> OverlayPanel.build(rows, state);
      case GlowLayer l -> rows.parameters(GlowLayer.class);
      case FocusFalloffLayer l -> rows.parameters(FocusFalloffLayer.class);
      case GrainLayer l -> grain(rows, state);
      case GroupLayer l -> group(rows, state);
      case LockedLayer l -> throw new IllegalArgumentException("Nothing of it can be changed");
    }
  }

  private static void vignette(VignetteLayer layer, PanelRows rows, AppState state) {
    Class<VignetteLayer> type = VignetteLayer.class;
    rows.choice(
        TEXTS.get("layerPanels.falls"),
        TEXTS.get("layerPanels.falls.tip"),
        type,
        l -> l.law().ordinal(),
        (l, i) -> l.by(VignetteLayer.Law.values()[i]),
        TEXTS.get("layerPanels.falls.ring"),
        TEXTS.get("layerPanels.falls.lamp"));
    rows.parameter(type, "stops");
    rows.parameter(type, "radius");
    if (layer.law() == VignetteLayer.Law.RING) {
      rows.parameter(type, "falloff");
    }
    rows.parameter(type, "breadth");
    rows.tools(ToolKind.PLACE_LIGHT)
        .getChildren()
        .add(
            PanelRows.button(
                "light-at-face",
                TEXTS.get("layerPanels.light-at-the-face"),
                TEXTS.get("layerPanels.light-at-the-face.tip"),
                () -> state.selection().edit(null, l -> type.cast(l).at(null))));
  }

  private static void grain(PanelRows rows, AppState state) {
    rows.parameters(GrainLayer.class);
    rows.buttons(
        PanelRows.button(
            "grain-like",
            TEXTS.get("layerPanels.grain-as-this-picture"),
            TEXTS.get("layerPanels.grain-as-this-picture.tip"),
            state.advice()::grainAsThisPicture));
  }

  private static void group(PanelRows rows, AppState state) {
    rows.words(
        "group-members",
        GroupLayer.class,
        l -> {
          Set<String> members = state.document().stack().members(l.attributes().id());
          return TEXTS.get(
              "layerPanels.amount-mask-and-way-of-laying",
              state.document().stack().layers().stream()
                  .map(Layer::attributes)
                  .filter(a -> members.contains(a.id()))
                  .map(LayerAttributes::name)
                  .collect(Collectors.joining(", ")));
        });
    rows.buttons(
        PanelRows.button(
            "take-apart",
            TEXTS.get("layerPanels.take-apart"),
            TEXTS.get("layerPanels.the-layers-stay-the-group-goes"),
            state.selection()::takeApart));
  }

  private static void whiteBalance(PanelRows rows) {
    Class<WhiteBalanceLayer> type = WhiteBalanceLayer.class;
    // Even steps of the slider are even steps to the eye in reciprocal temperature.
    rows.number(
        new NumberRow(
            "temperature",
            TEXTS.get("layerPanels.temperature"),
            TEXTS.get("layerPanels.colour-of-the-light-it-was"),
            MIRED / 15000,
            MIRED / 2000,
            m -> "%.0f K".formatted(MIRED / m),
            LayerPanels::mired),
        "temperature",
        type,
        l -> MIRED / l.temperature(),
        (l, v) ->
            new WhiteBalanceLayer(l.attributes(), Math.clamp(MIRED / v, 1500, 15000), l.tint()));
    rows.parameter(type, "tint");
    rows.tools(ToolKind.PICK_NEUTRAL);
  }

  /** Mired of what was typed: kelvin, or mired where it says so or cannot be kelvin. */
  private static OptionalDouble mired(String text) {
    OptionalDouble typed = NumberRow.number(text);
    boolean already = text.contains("mired") || typed.orElse(0) < 1000;
    return typed.isEmpty() || already || typed.getAsDouble() <= 0
        ? typed
        : OptionalDouble.of(MIRED / typed.getAsDouble());
  }
}
