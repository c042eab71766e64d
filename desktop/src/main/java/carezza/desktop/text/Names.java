package carezza.desktop.text;

import java.util.Arrays;
import java.util.Locale;

import carezza.colour.BlendMode;
import carezza.kernel.LayerType;
import carezza.measure.CheckView;
import carezza.measure.Distraction;
import carezza.measure.Gauge;
import carezza.measure.NeutralHint;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HueBandsLayer.Family;
import carezza.model.Layer;
import carezza.model.MaskParts.Join;
import carezza.model.NeutralPointsLayer;
import carezza.model.Parameters;
import carezza.model.RecordValue;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.model.Unit;
import carezza.press.Intent;
import carezza.record.Phase;

/** What the window calls things that the core knows by a constant. */
public final class Names {

  private static final Texts LAYERS = Texts.of("layers");
  private static final Texts NAMES = Texts.of("names");

  private Names() {}

  public static String of(LayerType type) {
    return LAYERS.get(type.key());
  }

  /** A new layer of a kind, called as the kind is. */
  public static Layer fresh(LayerType type) {
    Layer layer = type.fresh();
    return layer.with(layer.attributes().named(of(type)));
  }

  public static String of(Stage stage) {
    return NAMES.get("stage." + stage);
  }

  /** A part of the work that time is counted for. */
  public static String of(Phase phase) {
    return switch (phase) {
      case LOOK, DELIVER -> NAMES.get("phase." + phase);
      default -> of(Stage.valueOf(phase.name()));
    };
  }

  /** In a sentence. */
  public static String of(SemanticRegion region) {
    return NAMES.get("region." + region);
  }

  /** On a button. */
  public static String title(SemanticRegion region) {
    return NAMES.get("region." + region + ".title");
  }

  /** On a button among those of other skins. */
  public static String shortly(SemanticRegion region) {
    String key = "region." + region + ".short";
    return NAMES.has(key) ? NAMES.get(key) : title(region);
  }

  public static String of(CheckView way) {
    return NAMES.get("way." + way);
  }

  /** What to look for, in a line. */
  public static String hint(CheckView way) {
    return NAMES.get("way." + way + ".hint");
  }

  public static String of(BlendMode mode) {
    return NAMES.get("blend." + mode);
  }

  public static String of(Intent intent) {
    return NAMES.get("intent." + intent);
  }

  public static String of(Family family) {
    return NAMES.get("family." + family);
  }

  public static String of(RepairMethod method) {
    return NAMES.get("repair." + method);
  }

  public static String of(Distraction.Kind kind) {
    return NAMES.get("distraction." + kind);
  }

  public static String of(Join join) {
    return NAMES.get("join." + join);
  }

  public static String of(NeutralPointsLayer.Tone tone) {
    return NAMES.get("tone." + tone);
  }

  /** What it lies on, in a sentence. */
  public static String of(NeutralHint hint) {
    return hint.what() == SemanticRegion.SUBJECT ? NAMES.get("neutral.cloth") : of(hint.what());
  }

  public static String of(Gauge gauge) {
    return NAMES.get("gauge." + gauge.id());
  }

  /** Whether a gauge is called that in files. */
  static boolean hasGauge(String id) {
    return NAMES.has("gauge." + id);
  }

  /** A gauge as files call it. */
  public static String gauge(String id) {
    return NAMES.get("gauge." + id);
  }

  /** Where it was measured, in a sentence. */
  public static String where(Gauge gauge) {
    String part = "where." + gauge.where();
    return NAMES.has(part)
        ? NAMES.get(part)
        : of(SemanticRegion.valueOf(gauge.where().toUpperCase(Locale.ROOT)));
  }

  /** What the texts call a record with numbers: a layer by its key, all else by its own name. */
  public static String key(Class<? extends Record> holder) {
    return Arrays.stream(LayerType.values())
        .filter(t -> t.record() == holder)
        .map(LayerType::key)
        .findFirst()
        .orElse(holder.getSimpleName().toLowerCase(Locale.ROOT));
  }

  /** A number of a layer by its path, with its value. */
  public static String number(Layer layer, String path, double value) {
    Class<? extends Record> holder = RecordValue.holder(layer.getClass(), path);
    String name = path.substring(path.lastIndexOf('.') + 1);
    String within = "within." + path.substring(0, Math.max(0, path.lastIndexOf('.')));
    return (LAYERS.has(within) ? LAYERS.get(within) + ": " : "")
        + LAYERS.get(key(holder) + "." + name)
        + " "
        + written(Parameters.of(holder).get(name), value);
  }

  /** A number of a layer with its unit. */
  public static String written(Parameters.Declared number, double value) {
    String said = number.written(value);
    return number.unit() == Unit.STOPS ? said.replace("stops", NAMES.get("unit.stops")) : said;
  }

  /** Its unit; a sign, or a word. */
  public static String unit(Gauge gauge) {
    String word = "unit." + gauge.unit().replace(' ', '-').replace("*", "");
    return NAMES.has(word) ? NAMES.get(word) : gauge.unit();
  }
}
