package carezza.desktop.layer;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

import carezza.desktop.control.NumberRow;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.model.CatchlightLayer;
import carezza.model.ColourBalanceLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.CurveLayer;
import carezza.model.DesaturateLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GradientMapLayer;
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
import carezza.model.SaturationLayer;
import carezza.model.ScleraLayer;
import carezza.model.SharpenLayer;
import carezza.model.SharpenLayer.Band;
import carezza.model.SkinDepthLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.TeethLayer;
import carezza.model.VignetteLayer;
import carezza.model.WhiteBalanceLayer;

/** The parameters of each kind of layer as rows of the panel. */
public final class LayerPanels {

  /** Kelvin times mired. */
  private static final double MIRED = 1e6;

  private static final String PERCENT = "%.0f %%";

  private LayerPanels() {}

  /** What a layer's rows depend on besides values; they are made anew when it changes. */
  public static String shape(Layer layer) {
    return layer instanceof FrequencySeparationLayer own ? SeparationPanel.shape(own) : "";
  }

  public static void build(Layer layer, PanelRows rows, AppState state) {
    switch (layer) {
      case WhiteBalanceLayer l -> whiteBalance(rows);
      case NeutralPointsLayer l -> SettlePanels.neutralise(rows, state);
      case ExposureLayer l -> exposure(rows);
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
      case CurveLayer l -> GradePanels.curve(rows, state);
      case ColourBalanceLayer l -> GradePanels.balance(rows, state);
      case GradientMapLayer l -> GradePanels.gradientMap(l, rows, state);
      case MonochromeLayer l -> GradePanels.mono(rows, state);
      case SaturationLayer l -> GradePanels.saturation(rows, state);
      case HueShiftLayer l -> GradePanels.hueShift(rows, state);
      case TeethLayer l -> BrightenPanels.teeth(rows, state);
      case ScleraLayer l -> BrightenPanels.sclera(rows, state);
      case IrisLayer l -> BrightenPanels.iris(rows);
      case CatchlightLayer l -> BrightenPanels.catchlight(rows);
      case LipsLayer l -> BrightenPanels.lips(rows, state);
      case VignetteLayer l -> vignette(rows);
      case SharpenLayer l -> sharpen(rows);
      case GroupLayer l -> group(rows, state);
      case LockedLayer l -> throw new IllegalArgumentException("Nothing of it can be changed");
    }
  }

  private static void group(PanelRows rows, AppState state) {
    rows.words(
        "group-members",
        GroupLayer.class,
        l -> {
          Set<String> members = state.document().stack().members(l.attributes().id());
          return "Amount, mask and way of laying on hold for: "
              + state.document().stack().layers().stream()
                  .map(Layer::attributes)
                  .filter(a -> members.contains(a.id()))
                  .map(LayerAttributes::name)
                  .collect(Collectors.joining(", "))
              + ".";
        });
    rows.buttons(
        PanelRows.button(
            "take-apart",
            "Take apart",
            "The layers stay, the group goes",
            state.selection()::takeApart));
  }

  private static void whiteBalance(PanelRows rows) {
    Class<WhiteBalanceLayer> type = WhiteBalanceLayer.class;
    // Even steps of the slider are even steps to the eye in reciprocal temperature.
    rows.number(
        new NumberRow(
            "temperature",
            "Temperature",
            "Colour of the light it was taken in, in kelvin, or in mired where that is typed; to the"
                + " right is warmer light",
            MIRED / 15000,
            MIRED / 2000,
            m -> "%.0f K".formatted(MIRED / m),
            LayerPanels::mired),
        "temperature",
        type,
        l -> MIRED / l.temperature(),
        (l, v) ->
            new WhiteBalanceLayer(
                l.attributes(), Math.clamp(MIRED / v, 1500, 15000), l.tint()));
    rows.number(
        "tint",
        "Tint",
        "Distance of the light from daylight's line, in 0.001 of CIE 1960 u, v; above 0 greener",
        -40,
        40,
        "%+.1f",
        type,
        WhiteBalanceLayer::tint,
        (l, v) -> new WhiteBalanceLayer(l.attributes(), l.temperature(), v));
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

  private static void exposure(PanelRows rows) {
    Class<ExposureLayer> type = ExposureLayer.class;
    rows.number(
        "stops",
        "Exposure",
        "Factors of two in light, in stops",
        -3,
        3,
        "%+.2f stops",
        type,
        ExposureLayer::stops,
        (l, v) -> new ExposureLayer(l.attributes(), v, l.recover()));
    rows.number(
        "recover",
        "Recover lights",
        "How far below white lights begin to bend back under it, in percent",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.recover(),
        (l, v) -> new ExposureLayer(l.attributes(), l.stops(), v / 100));
  }

  private static void vignette(PanelRows rows) {
    Class<VignetteLayer> type = VignetteLayer.class;
    rows.number(
        "vignette-stops",
        "At the corners",
        "Change of light at the far corners, in stops",
        -3,
        3,
        "%+.2f stops",
        type,
        VignetteLayer::stops,
        (l, v) -> new VignetteLayer(l.attributes(), v, l.radius(), l.falloff()));
    rows.number(
        "vignette-radius",
        "Begins at",
        "Distance from the face, in percent of half the diagonal",
        0,
        150,
        PERCENT,
        type,
        l -> 100 * l.radius(),
        (l, v) -> new VignetteLayer(l.attributes(), l.stops(), v / 100, l.falloff()));
    rows.number(
        "vignette-falloff",
        "Falls over",
        "Width of the fall, in percent of half the diagonal",
        5,
        200,
        PERCENT,
        type,
        l -> 100 * l.falloff(),
        (l, v) -> new VignetteLayer(l.attributes(), l.stops(), l.radius(), v / 100));
  }

  private static void sharpen(PanelRows rows) {
    Class<SharpenLayer> type = SharpenLayer.class;
    band(rows, 0, "Fine");
    band(rows, 1, "Middle");
    rows.number(
        "halo",
        "Halo limit",
        "Most that L* may change anywhere",
        0,
        20,
        "%.1f L*",
        type,
        SharpenLayer::haloLimit,
        (l, v) -> new SharpenLayer(l.attributes(), l.bands(), v));
  }

  private static void band(PanelRows rows, int index, String name) {
    Class<SharpenLayer> type = SharpenLayer.class;
    rows.number(
        "band-radius-" + index,
        name + " detail, radius",
        "Sigma in pixels of the photograph; detail finer than this is raised",
        0.3,
        8,
        "%.1f px",
        type,
        l -> bandOf(l, index).radius(),
        (l, v) -> withBand(l, index, new Band(v, bandOf(l, index).gain())));
    rows.number(
        "band-gain-" + index,
        name + " detail, gain",
        "How much of the detail is added, in percent",
        0,
        200,
        PERCENT,
        type,
        l -> 100 * bandOf(l, index).gain(),
        (l, v) -> withBand(l, index, new Band(bandOf(l, index).radius(), v / 100)));
  }

  private static Band bandOf(SharpenLayer layer, int index) {
    return index < layer.bands().size() ? layer.bands().get(index) : new Band(3, 0);
  }

  private static SharpenLayer withBand(SharpenLayer layer, int index, Band band) {
    List<Band> bands = new java.util.ArrayList<>(layer.bands());
    while (bands.size() <= index) {
      bands.add(new Band(3, 0));
    }
    bands.set(index, band);
    return new SharpenLayer(layer.attributes(), bands, layer.haloLimit());
  }
}
