package carezza.desktop.text;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.job.Band;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.Promise;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.plan.Reading;
import carezza.session.Promises.Broken;

/** What the plan says of findings, jobs and times. */
public final class PlanWords {

  private static final Texts TEXTS = Texts.of("plan");

  private PlanWords() {}

  /** What was found, in a few words. */
  public static String title(Finding finding) {
    Reading now = finding.now();
    if (isCounted(now.kind())) {
      String key = "finding." + now.kind().key();
      int count = Math.max(now.spots().size(), finding.state() == Finding.State.TREATED ? 0 : 1);
      return count == 0
          ? TEXTS.get(key + ".none")
          : TEXTS.get(key + (count == 1 ? ".one" : ".many"), count);
    }
    if (now.part().startsWith("face")) {
      return TEXTS.get("finding.match.face", now.part().substring(4));
    }
    String part = now.part().replaceAll("-.*", "");
    return TEXTS.get("finding." + now.kind().key() + (part.isEmpty() ? "" : "." + part));
  }

  /** What was read, and where it should lie. */
  public static String reading(Finding finding) {
    Reading was = finding.asShot();
    Reading now = finding.now();
    if (isCounted(now.kind())) {
      return TEXTS.get("reading.blemishes", was.spots().size(), now.spots().size());
    }
    String unit = unit(now);
    String values =
        was.value() == now.value()
            ? number(now.value())
            : number(was.value()) + " → " + number(now.value());
    String measured = (values + " " + unit).strip();
    return TEXTS.get("reading.value", measured, band(now.band()));
  }

  private static boolean isCounted(FindingKind kind) {
    return kind == FindingKind.BLEMISHES || kind == FindingKind.STRAY_HAIRS;
  }

  private static String unit(Reading reading) {
    String key = "unit." + reading.kind().key();
    return switch (reading.kind()) {
      case BACKDROP -> reading.part().equals("white") ? "%" : "L*";
      case DISTRACTIONS -> reading.part().startsWith("colourful") ? "C*" : "L*";
      default -> TEXTS.has(key) ? TEXTS.get(key) : reading.kind().unit();
    };
  }

  /** Where a reading should lie. */
  public static String band(Band band) {
    if (Double.isInfinite(band.low())) {
      return TEXTS.get("band.up-to", number(band.high()));
    }
    return Double.isInfinite(band.high())
        ? TEXTS.get("band.from", number(band.low()))
        : TEXTS.get("band.within", number(band.low()), number(band.high()));
  }

  /** A number without what nobody reads. */
  public static String number(double value) {
    double size = Math.abs(value);
    String said =
        String.format(Locale.ROOT, size >= 100 ? "%.0f" : size >= 3 ? "%.1f" : "%.2f", value);
    return (said.contains(".") ? said.replaceAll("\\.?0+$", "") : said).replace('-', '−');
  }

  /** How it stands. */
  public static String state(Finding finding) {
    return TEXTS.get("state." + finding.state().name().toLowerCase(Locale.ROOT));
  }

  /** Minutes, without what nobody reads. */
  public static String minutes(double minutes) {
    return TEXTS.get("minutes", number(Math.round(minutes * 10) / 10.0));
  }

  public static String job(String id) {
    return TEXTS.get("job." + id);
  }

  /** What a job is about, in a sentence. */
  public static String aboutJob(String id) {
    return TEXTS.get("job." + id + ".about");
  }

  /** What must not happen. */
  public static String rule(Promise.Rule rule) {
    return TEXTS.get("rule." + rule.name().toLowerCase(Locale.ROOT).replace('_', '-'));
  }

  /**
   * A promise that is not kept, with the layer that changes most.
   *
   * @param broken of one promise, at least one
   * @param names of layers by their ids
   */
  public static String broken(List<Broken> broken, UnaryOperator<String> names) {
    Broken most =
        broken.stream().max(Comparator.comparingDouble(b -> Math.abs(b.change()))).orElseThrow();
    boolean unchanged = most.promise().rule() == Promise.Rule.UNCHANGED;
    return TEXTS.get(
        unchanged ? "promise.broken" : "promise.broken.light",
        most.promise().words(),
        names.apply(most.layer()),
        number(most.change()));
  }

  /** What a group of a job's numbers is about. */
  public static String group(String group) {
    if (Names.hasGauge(group)) {
      return Names.gauge(group);
    }
    for (String key :
        new String[] {"group." + group, "finding." + group, "finding." + group + ".many"}) {
      if (TEXTS.has(key)) {
        return TEXTS.get(key);
      }
    }
    return group;
  }

  /** What a number of a job means within its group. */
  public static String limit(String name) {
    return TEXTS.get("limit." + name.substring(name.indexOf('.') + 1));
  }

  /**
   * A layer of a draft, called by what it treats.
   *
   * @param finding or null where the job asks for it
   */
  public static Layer named(Layer layer, @Nullable Finding finding) {
    String key = finding == null ? "" : "layer." + finding.kind().key();
    String name = TEXTS.has(key) ? TEXTS.get(key) : Names.of(LayerType.of(layer));
    return layer.with(layer.attributes().named(name));
  }
}
