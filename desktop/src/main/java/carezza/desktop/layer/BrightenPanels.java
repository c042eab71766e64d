package carezza.desktop.layer;

import java.util.List;
import java.util.function.Function;

import carezza.colour.Lab;
import carezza.desktop.control.ShadeStrip;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ColourState;
import carezza.kernel.Measurements;
import carezza.measure.Gauge;
import carezza.model.CatchlightLayer;
import carezza.model.IrisLayer;
import carezza.model.Layer;
import carezza.model.LipsLayer;
import carezza.model.ScleraLayer;
import carezza.model.TeethLayer;

/** Panels of stage Brighten. */
final class BrightenPanels {

  /** Part of the teeth's own yellow that stays, and the most that their L* rises by. */
  private static final double OWN_YELLOW = 0.25;

  private static final double MOST_LIFT = 8;

  private BrightenPanels() {}

  static void teeth(PanelRows rows, AppState state) {
    Class<TeethLayer> type = TeethLayer.class;
    ends(rows, state, type, List.of("teethYellow", "teethLightness", "teethGlow"));
    ShadeStrip strip =
        new ShadeStrip(
            () -> tone(state, Measurements.Tone.class, t -> t),
            () -> limit(tone(state, Measurements.Tone.class, t -> t)),
            () -> EvenPanels.own(state, type).map(TeethLayer::target).orElse(8.0),
            b ->
                state.selection().edit(
                    "shade",
                    l ->
                        new TeethLayer(
                            l.attributes(),
                            Math.clamp(b, 1, 20),
                            type.cast(l).lift(),
                            type.cast(l).force())));
    rows.custom(strip, strip::refresh);
    rows.value(
        type,
        "target",
        "Yellow down to",
        "Median b* aimed at; a quarter of the person's own always stays",
        1,
        20,
        1,
        "b* %.1f");
    rows.value(
        type,
        "lift",
        "Lift",
        "Rise of the median L*; stops 3 above the whites of the eyes unless forced",
        0,
        15,
        1,
        "%.1f L*");
    rows.limits(type, "Whether the lift may pass what the eyes and the teeth's own light allow");
  }

  private static Lab limit(Lab shot) {
    return shot == null
        ? null
        : new Lab(
            shot.l() + MOST_LIFT,
            shot.a() * Math.sqrt(OWN_YELLOW),
            Math.max(3, OWN_YELLOW * shot.b()));
  }

  /** The colour that a layer measured, or null. */
  private static <R> Lab tone(AppState state, Class<R> type, Function<R, Measurements.Tone> which) {
    return state.colours()
        .found()
        .map(ColourState.Found::readings)
        .filter(type::isInstance)
        .map(type::cast)
        .map(which)
        .filter(Measurements.Tone::found)
        .map(t -> new Lab(t.l(), t.a(), t.b()))
        .orElse(null);
  }

  static void sclera(PanelRows rows, AppState state) {
    Class<ScleraLayer> type = ScleraLayer.class;
    ends(rows, state, type, List.of("scleraYellow", "scleraLightness", "scleraBalance", "eyeGlow"));
    rows.words(
        "eyes-shot",
        type,
        l -> {
          Lab left = tone(state, Measurements.Eyes.class, Measurements.Eyes::left);
          Lab right = tone(state, Measurements.Eyes.class, Measurements.Eyes::right);
          return left == null || right == null
              ? ""
              : "As they come: left L* %.0f, b* %.1f; right L* %.0f, b* %.1f."
                  .formatted(left.l(), left.b(), right.l(), right.b());
        });
    rows.value(
        type,
        "target",
        "Yellow down to",
        "Median b* aimed at, each eye by itself",
        -1,
        15,
        1,
        "b* %.1f");
    rows.share(
        type, "redness", "Soften veins", "Share of the redness taken away, in percent", 0, 1);
    rows.value(
        type,
        "lift",
        "Lift",
        "Rise of the median L*; stops at the lights of the skin unless forced",
        0,
        12,
        1,
        "%.1f L*");
    rows.share(
        type,
        "balance",
        "Balance the eyes",
        "Share of the difference in lightness between the eyes that is taken, the lift going to the"
            + " darker, in percent",
        0,
        1);
    rows.limits(type, "Whether the lift may pass the lights of the skin");
  }

  static void iris(PanelRows rows) {
    Class<IrisLayer> type = IrisLayer.class;
    rows.share(
        type,
        "contrast",
        "Contrast",
        "Share that local contrast gains, in percent; no more than 60 unless forced",
        0,
        1);
    rows.value(
        type,
        "lift",
        "Lift",
        "L* that the middle tones gain; pupil and catchlights stay",
        0,
        15,
        1,
        "%.1f L*");
    rows.share(type, "chroma", "Colour", "Share of chroma added, in percent", -0.5, 1);
    rows.limits(type, "Held: contrast gains at most 60 %, the middle tones 6 L*");
  }

  static void catchlight(PanelRows rows) {
    Class<CatchlightLayer> type = CatchlightLayer.class;
    rows.share(
        type,
        "gain",
        "Towards white",
        "Share of the way to white of lights that are there, in percent; none are made",
        0,
        1);
    rows.share(type, "neutral", "Neutral", "Share of their colour taken away, in percent", 0, 1);
  }

  static void lips(PanelRows rows, AppState state) {
    Class<LipsLayer> type = LipsLayer.class;
    rows.words(
        "lips-shot",
        type,
        l -> {
          Lab shot = tone(state, Measurements.Tone.class, t -> t);
          return shot == null
              ? ""
              : "As they come: L* %.0f, C* %.0f, hue %.0f°."
                  .formatted(shot.l(), shot.chroma(), shot.hue());
        });
    rows.value(
        type,
        "target",
        "Colour to",
        "Median C* aimed at; 12 away from their own at most unless forced",
        5,
        70,
        1,
        "C* %.0f");
    rows.value(type, "turn", "Hue", "Turn in degrees", -15, 15, 1, "%+.0f°");
    rows.value(
        type,
        "lift",
        "Lift",
        "L* that the median gains; no more than 4 either way unless forced",
        -10,
        10,
        1,
        "%+.1f L*");
    rows.limits(type, "Held: C* within 12 and L* within 4 of their own");
  }

  /** How the layer's gauges end, and the offer to aim anew where they are out of their bands. */
  private static <L extends Layer> void ends(
      PanelRows rows, AppState state, Class<L> type, List<String> gauges) {
    rows.words("stack-end", type, l -> said(state, gauges));
    javafx.scene.control.Button aim =
        PanelRows.button(
            "re-aim",
            "Aim anew",
            "Sets the aims so that they end inside their bands, whatever the layers above do",
            () -> state.colours().reaim());
    rows.custom(
        aim,
        () -> {
          boolean out = outside(state, gauges).findAny().isPresent();
          aim.setVisible(out);
          aim.setManaged(out);
        });
  }

  private static java.util.stream.Stream<Gauge> outside(AppState state, List<String> gauges) {
    return state.measurements().gaugesProperty().get().stream()
        .filter(g -> gauges.contains(g.id()))
        .filter(g -> g.verdict() == Gauge.Verdict.ABOVE || g.verdict() == Gauge.Verdict.BELOW);
  }

  private static String said(AppState state, List<String> gauges) {
    StringBuilder words = new StringBuilder();
    outside(state, gauges)
        .forEach(
            g ->
                words.append(
                    "%s %s its band at the end of the stack: %.1f. "
                        .formatted(
                            g.title(),
                            g.verdict() == Gauge.Verdict.BELOW ? "lies below" : "lies above",
                            g.after())));
    return words.isEmpty() ? "Inside its bands at the end of the stack." : words.toString().strip();
  }
}
