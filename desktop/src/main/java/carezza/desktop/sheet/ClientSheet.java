package carezza.desktop.sheet;

import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

import carezza.desktop.text.Language;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.Crop;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.PaintLayer;
import carezza.model.Promise;
import carezza.model.ShapeLayer;
import carezza.model.Stage;
import carezza.shape.Deformation;
import carezza.shape.Shapes;

/**
 * For the person in the picture and those who ordered it: what was done in plain words, what was
 * kept, whether anything changed its shape. It says nothing of faults.
 */
final class ClientSheet {

  private static final Texts TEXTS = Texts.of("sheets");

  private ClientSheet() {}

  static void write(SheetFacts facts, SheetWriter page) {
    page.title(facts.project().title(), TEXTS.get("client.about", date(facts)));
    page.pair(facts.before(), TEXTS.get("as-shot"), facts.after(), TEXTS.get("finished"));
    done(facts, page);
    page.heading(TEXTS.get("client.kept"));
    kept(facts).forEach(page::paragraph);
    page.heading(TEXTS.get("client.shape"));
    page.paragraph(shape(facts.shapes()));
    page.paragraph(frame(facts));
    page.heading(TEXTS.get("client.label"));
    page.paragraph(TEXTS.get("client.label.words"));
  }

  static String date(SheetFacts facts) {
    return DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG)
        .withLocale(Language.now().locale())
        .format(facts.date());
  }

  private static void done(SheetFacts facts, SheetWriter page) {
    page.heading(TEXTS.get("client.done"));
    List<List<String>> rows = new ArrayList<>();
    rows.add(List.of(TEXTS.get("stage"), TEXTS.get("client.what")));
    for (Stage stage : Stage.values()) {
      Set<String> words = new LinkedHashSet<>();
      int mended = 0;
      for (Layer layer : facts.project().stack().layers()) {
        if (layer.attributes().stage() == stage && counts(layer, facts)) {
          if (layer instanceof HealLayer heal) {
            mended += heal.patches().size();
          } else {
            words.add(words(layer));
          }
        }
      }
      if (mended > 0) {
        words.add(TEXTS.get(mended == 1 ? "done.heal.one" : "done.heal", mended));
      }
      if (!words.isEmpty()) {
        rows.add(List.of(Names.of(stage), String.join(" ", words)));
      }
    }
    if (rows.size() == 1) {
      page.paragraph(TEXTS.get("client.nothing"));
    } else {
      page.table(new float[] {0.18f, 0.82f}, rows);
    }
  }

  /** Whether it changes anything by itself. */
  private static boolean counts(Layer layer, SheetFacts facts) {
    boolean still =
        layer instanceof ShapeLayer && facts.shapes().isNothing()
            || layer instanceof PaintLayer paint && paint.strokes().isEmpty();
    return layer.attributes().on()
        && layer.attributes().amount() > 0
        && !(layer instanceof GroupLayer)
        && !still;
  }

  private static String words(Layer layer) {
    String key = "done." + LayerType.key(layer);
    return TEXTS.get(TEXTS.has(key) ? key : "done.other");
  }

  private static List<String> kept(SheetFacts facts) {
    List<String> kept = new ArrayList<>();
    int marks = facts.plan().marks().size() + facts.project().kept().size();
    if (marks > 0) {
      kept.add(TEXTS.get(marks == 1 ? "client.marks.one" : "client.marks", marks));
    }
    facts.gauges().stream()
        .filter(g -> g.id().equals("textureKept") && g.measured())
        .findFirst()
        .map(Gauge::after)
        .ifPresent(t -> kept.add(TEXTS.get("client.texture", Math.round(t))));
    for (Promise promise : facts.project().brief().promises()) {
      if (facts.broken().stream().noneMatch(b -> b.promise().equals(promise))) {
        kept.add(TEXTS.get("client.promise", promise.words()));
      }
    }
    if (kept.isEmpty()) {
      kept.add(TEXTS.get("client.kept.rest"));
    }
    return kept;
  }

  private static String shape(Shapes shapes) {
    if (shapes.isNothing()) {
      return TEXTS.get("client.shape.none");
    }
    double width = 1;
    double height = 1;
    double lean = 0;
    double strain = 0;
    for (Deformation deformation : shapes.fromBelow()) {
      width *= deformation.width();
      height *= deformation.height();
      lean += deformation.lean();
      strain = Math.max(strain, deformation.strain());
    }
    if (width == 1 && height == 1 && lean == 0 && strain == 0) {
      return TEXTS.get("client.shape.none");
    }
    return TEXTS.get("client.shape.changed", 100 * width, 100 * height, lean, 100 * strain);
  }

  private static String frame(SheetFacts facts) {
    Crop crop = facts.project().crop();
    if (crop == null) {
      return TEXTS.get("client.frame.whole");
    }
    var photograph = facts.project().photograph();
    return TEXTS.get(
        "client.frame",
        Math.round(100 * crop.width() / photograph.width()),
        Math.round(100 * crop.height() / photograph.height()),
        String.format(Locale.ROOT, "%.1f", crop.angle()));
  }
}
