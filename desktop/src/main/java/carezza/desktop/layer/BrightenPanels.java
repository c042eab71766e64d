package carezza.desktop.layer;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.control.Button;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.desktop.control.ShadeStrip;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ColourState;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
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

  private static final Texts TEXTS = Texts.of("panels");

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
                state
                    .selection()
                    .edit(
                        "shade",
                        l ->
                            new TeethLayer(
                                l.attributes(),
                                Math.clamp(b, 1, 20),
                                type.cast(l).lift(),
                                type.cast(l).force())));
    rows.custom(strip, strip::refresh);
    rows.parameter(type, "target");
    rows.parameter(type, "lift");
    rows.limits(type, TEXTS.get("brightenPanels.whether-the-lift-may-pass-what"));
  }

  private static @Nullable Lab limit(@Nullable Lab shot) {
    return shot == null
        ? null
        : new Lab(
            shot.l() + MOST_LIFT,
            shot.a() * Math.sqrt(OWN_YELLOW),
            Math.max(3, OWN_YELLOW * shot.b()));
  }

  /** The colour that a layer measured, or null. */
  private static <R> @Nullable Lab tone(
      AppState state, Class<R> type, Function<R, Measurements.Tone> which) {
    return state
        .colours()
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
              : TEXTS.get(
                  "brightenPanels.as-they-come-left-l-b", left.l(), left.b(), right.l(), right.b());
        });
    rows.parameter(type, "target");
    rows.parameter(type, "redness");
    rows.parameter(type, "lift");
    rows.parameter(type, "balance");
    rows.limits(type, TEXTS.get("brightenPanels.whether-the-lift-may-pass-the"));
  }

  static void iris(PanelRows rows) {
    Class<IrisLayer> type = IrisLayer.class;
    rows.parameter(type, "contrast");
    rows.parameter(type, "lift");
    rows.parameter(type, "chroma");
    rows.limits(type, TEXTS.get("brightenPanels.held-contrast-gains-at-most-60"));
  }

  static void catchlight(PanelRows rows) {
    Class<CatchlightLayer> type = CatchlightLayer.class;
    rows.parameter(type, "gain");
    rows.parameter(type, "neutral");
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
              : TEXTS.get(
                  "brightenPanels.as-they-come-l-c-hue", shot.l(), shot.chroma(), shot.hue());
        });
    rows.parameter(type, "target");
    rows.parameter(type, "turn");
    rows.parameter(type, "lift");
    rows.limits(type, TEXTS.get("brightenPanels.held-c-within-12-and-l"));
  }

  /** How the layer's gauges end, and the offer to aim anew where they are out of their bands. */
  private static <L extends Layer> void ends(
      PanelRows rows, AppState state, Class<L> type, List<String> gauges) {
    rows.words("stack-end", type, l -> said(state, gauges));
    Button aim =
        PanelRows.button(
            "re-aim",
            TEXTS.get("brightenPanels.aim-anew"),
            TEXTS.get("brightenPanels.sets-the-aims-so-that-they"),
            () -> state.colours().reaim());
    rows.custom(
        aim,
        () -> {
          boolean out = outside(state, gauges).findAny().isPresent();
          aim.setVisible(out);
          aim.setManaged(out);
        });
  }

  private static Stream<Gauge> outside(AppState state, List<String> gauges) {
    return state.measurements().gaugesProperty().get().stream()
        .filter(g -> gauges.contains(g.id()))
        .filter(Gauge::isOutside);
  }

  private static String said(AppState state, List<String> gauges) {
    StringBuilder words = new StringBuilder();
    outside(state, gauges)
        .forEach(
            g ->
                words
                    .append(
                        g.verdict() == Gauge.Verdict.BELOW
                            ? TEXTS.get(
                                "brightenPanels.lies-below-its-band-at-the", Names.of(g), g.after())
                            : TEXTS.get(
                                "brightenPanels.lies-above-its-band-at-the",
                                Names.of(g),
                                g.after()))
                    .append(' '));
    return words.isEmpty()
        ? TEXTS.get("brightenPanels.inside-its-bands-at-the-end")
        : words.toString().strip();
  }
}
