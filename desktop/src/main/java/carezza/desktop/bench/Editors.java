package carezza.desktop.bench;

import java.util.List;

import carezza.model.CurveLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.ScleraLayer;
import carezza.model.SharpenLayer;
import carezza.model.SharpenLayer.Band;
import carezza.model.TeethLayer;
import carezza.model.ToneEveningLayer;
import carezza.model.VignetteLayer;
import carezza.model.WhiteBalanceLayer;

/** The parameters of each kind of layer as rows of the panel. */
final class Editors {

  private static final String PERCENT = "%.0f %%";

  private Editors() {}

  static void build(Layer layer, PanelRows rows, BenchModel model) {
    switch (layer) {
      case WhiteBalanceLayer l -> whiteBalance(rows);
      case ExposureLayer l -> exposure(rows);
      case HealLayer l -> MendPanel.build(rows, model);
      case FrequencySeparationLayer l -> SeparationPanel.build(l, rows, model);
      case DodgeBurnLayer l -> SculptPanel.build(rows, model);
      case ToneEveningLayer l -> toneEvening(rows, model);
      case CurveLayer l -> curve(rows, model);
      case TeethLayer l -> teeth(rows);
      case ScleraLayer l -> sclera(rows);
      case VignetteLayer l -> vignette(rows);
      case SharpenLayer l -> sharpen(rows);
    }
  }

  private static void whiteBalance(PanelRows rows) {
    Class<WhiteBalanceLayer> type = WhiteBalanceLayer.class;
    // Even steps of the slider are even steps to the eye in reciprocal temperature.
    rows.number(
        "temperature",
        "Light, mired",
        "Colour of the light it was taken in, in mired (a million over kelvin); more is warmer",
        1e6 / 15000,
        1e6 / 2000,
        "%.0f mired",
        type,
        l -> 1e6 / l.temperature(),
        (l, v) -> new WhiteBalanceLayer(l.head(), Math.clamp(1e6 / v, 1500, 15000), l.tint()));
    rows.number(
        "tint",
        "Tint",
        "Distance of the light from daylight's line, in 0.001 of CIE 1960 u, v; above 0 greener",
        -40,
        40,
        "%+.1f",
        type,
        WhiteBalanceLayer::tint,
        (l, v) -> new WhiteBalanceLayer(l.head(), l.temperature(), v));
    rows.words("kelvin", type, l -> "The light was taken for %.0f K.".formatted(l.temperature()));
    rows.tools(Tool.PICK_NEUTRAL);
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
        (l, v) -> new ExposureLayer(l.head(), v, l.recover()));
    rows.number(
        "recover",
        "Recover lights",
        "How far below white lights begin to bend back under it, in percent",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.recover(),
        (l, v) -> new ExposureLayer(l.head(), l.stops(), v / 100));
  }

  private static void toneEvening(PanelRows rows, BenchModel model) {
    Class<ToneEveningLayer> type = ToneEveningLayer.class;
    rows.number(
        "redness",
        "Calm redness",
        "Share of the excess of haemoglobin taken away, in percent",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.redness(),
        (l, v) ->
            new ToneEveningLayer(
                l.head(), v / 100, l.pigment(), l.target(), l.hue(), l.chroma(), l.lightness()));
    rows.number(
        "pigment",
        "Even pigment",
        "Share of the excess of melanin taken away, in percent",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.pigment(),
        (l, v) ->
            new ToneEveningLayer(
                l.head(), l.redness(), v / 100, l.target(), l.hue(), l.chroma(), l.lightness()));
    rows.tools(Tool.PICK_TONE);
    rows.words(
        "target",
        type,
        l ->
            l.target() == null
                ? "No tone picked: only pigment is evened."
                : "Towards L* %.0f, C* %.0f, hue %.0f°."
                    .formatted(l.target().lightness(), l.target().chroma(), l.target().hue()));
    rows.number(
        "pull-hue",
        "Hue to the tone",
        "Pull of the hue to the picked tone, in percent",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.hue(),
        (l, v) ->
            new ToneEveningLayer(
                l.head(),
                l.redness(),
                l.pigment(),
                l.target(),
                v / 100,
                l.chroma(),
                l.lightness()));
    rows.number(
        "pull-chroma",
        "Colour to the tone",
        "Pull of the chroma to the picked tone at equal lightness, in percent",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.chroma(),
        (l, v) ->
            new ToneEveningLayer(
                l.head(), l.redness(), l.pigment(), l.target(), l.hue(), v / 100, l.lightness()));
    rows.number(
        "pull-lightness",
        "Lightness to the tone",
        "Moves the whole skin's lightness towards the picked tone, in percent; mind skin drift",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.lightness(),
        (l, v) ->
            new ToneEveningLayer(
                l.head(), l.redness(), l.pigment(), l.target(), l.hue(), l.chroma(), v / 100));
  }

  private static void curve(PanelRows rows, BenchModel model) {
    CurveEditor editor = new CurveEditor(model);
    rows.custom(editor, editor::refresh);
  }

  private static void teeth(PanelRows rows) {
    Class<TeethLayer> type = TeethLayer.class;
    rows.number(
        "teeth-target",
        "Yellow down to",
        "Median b* aimed at; a quarter of the person's own always stays",
        1,
        20,
        "b* %.1f",
        type,
        TeethLayer::target,
        (l, v) -> new TeethLayer(l.head(), v, l.lift(), l.force()));
    rows.number(
        "teeth-lift",
        "Lift",
        "Rise of the median L*; stops 3 above the whites of the eyes unless forced",
        0,
        15,
        "%.1f L*",
        type,
        TeethLayer::lift,
        (l, v) -> new TeethLayer(l.head(), l.target(), v, l.force()));
    rows.choice(
        "Limits",
        "Whether the lift may pass what the eyes and the teeth's own light allow",
        type,
        l -> l.force() ? 1 : 0,
        (l, i) -> new TeethLayer(l.head(), l.target(), l.lift(), i == 1),
        "Held",
        "Forced");
  }

  private static void sclera(PanelRows rows) {
    Class<ScleraLayer> type = ScleraLayer.class;
    rows.number(
        "sclera-target",
        "Yellow down to",
        "Median b* aimed at, each eye by itself",
        -1,
        15,
        "b* %.1f",
        type,
        ScleraLayer::target,
        (l, v) -> new ScleraLayer(l.head(), v, l.redness(), l.lift(), l.force()));
    rows.number(
        "sclera-redness",
        "Soften veins",
        "Share of the redness taken away, in percent",
        0,
        100,
        PERCENT,
        type,
        l -> 100 * l.redness(),
        (l, v) -> new ScleraLayer(l.head(), l.target(), v / 100, l.lift(), l.force()));
    rows.number(
        "sclera-lift",
        "Lift",
        "Rise of the median L*; stops at the lights of the skin unless forced",
        0,
        12,
        "%.1f L*",
        type,
        ScleraLayer::lift,
        (l, v) -> new ScleraLayer(l.head(), l.target(), l.redness(), v, l.force()));
    rows.choice(
        "Limits",
        "Whether the lift may pass the lights of the skin",
        type,
        l -> l.force() ? 1 : 0,
        (l, i) -> new ScleraLayer(l.head(), l.target(), l.redness(), l.lift(), i == 1),
        "Held",
        "Forced");
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
        (l, v) -> new VignetteLayer(l.head(), v, l.radius(), l.falloff()));
    rows.number(
        "vignette-radius",
        "Begins at",
        "Distance from the face, in percent of half the diagonal",
        0,
        150,
        PERCENT,
        type,
        l -> 100 * l.radius(),
        (l, v) -> new VignetteLayer(l.head(), l.stops(), v / 100, l.falloff()));
    rows.number(
        "vignette-falloff",
        "Falls over",
        "Width of the fall, in percent of half the diagonal",
        5,
        200,
        PERCENT,
        type,
        l -> 100 * l.falloff(),
        (l, v) -> new VignetteLayer(l.head(), l.stops(), l.radius(), v / 100));
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
        (l, v) -> new SharpenLayer(l.head(), l.bands(), v));
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
    return new SharpenLayer(layer.head(), bands, layer.haloLimit());
  }
}
