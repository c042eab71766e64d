package carezza.desktop.sheet;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

import carezza.desktop.text.MaskWords;
import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.measure.Gauge;
import carezza.model.Layer;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.Promise;
import carezza.model.RecordValue;
import carezza.plan.Finding;
import carezza.record.Delivered;
import carezza.record.Phase;
import carezza.record.WorkRecord;

/** For those who did the work: all values, gauges, minutes, findings and files. */
final class StudioSheet {

  private static final Texts TEXTS = Texts.of("sheets");

  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

  private StudioSheet() {}

  static void write(SheetFacts facts, SheetWriter page) {
    Project project = facts.project();
    page.title(
        project.title(),
        TEXTS.get("studio.about", ClientSheet.date(facts), PlanWords.job(facts.plan().job().id())));
    page.pair(facts.before(), TEXTS.get("as-shot"), facts.after(), TEXTS.get("finished"));
    page.hint(
        TEXTS.get(
            "studio.photograph",
            project.photograph().name(),
            project.photograph().width(),
            project.photograph().height(),
            project.photograph().sha256()));
    section(page, "studio.time", new float[] {0.5f, 0.5f}, times(facts.work()));
    section(page, "studio.layers", new float[] {0.13f, 0.2f, 0.2f, 0.47f}, layers(project));
    section(page, "studio.gauges", new float[] {0.3f, 0.28f, 0.12f, 0.12f, 0.18f}, gauges(facts));
    section(page, "studio.findings", new float[] {0.34f, 0.44f, 0.22f}, findings(facts));
    section(page, "studio.promises", new float[] {0.5f, 0.5f}, promises(facts));
    section(page, "studio.files", new float[] {0.25f, 0.5f, 0.25f}, files(facts.work()));
    if (!project.notes().isBlank()) {
      page.heading(TEXTS.get("studio.notes"));
      page.paragraph(project.notes());
    }
  }

  /**
   * A heading and its table; neither where there are no rows but the first.
   *
   * @param key of the heading, and of the columns' heads
   */
  private static void section(
      SheetWriter page, String key, float[] shares, List<List<String>> rows) {
    if (rows.isEmpty()) {
      return;
    }
    page.heading(TEXTS.get(key));
    List<List<String>> all = new ArrayList<>();
    all.add(List.of(TEXTS.get(key + ".columns").split("\\|")));
    all.addAll(rows);
    page.table(shares, all);
  }

  private static List<List<String>> times(WorkRecord work) {
    List<List<String>> rows = new ArrayList<>();
    Map<Phase, Duration> byPhase = work.byPhase();
    byPhase.forEach((phase, time) -> rows.add(List.of(Names.of(phase), said(time))));
    if (rows.isEmpty()) {
      return rows;
    }
    rows.add(List.of(TEXTS.get("studio.time.all"), said(work.active())));
    rows.add(List.of(TEXTS.get("studio.time.waited"), said(work.waiting())));
    if (work.estimate() > 0) {
      rows.add(
          List.of(
              TEXTS.get("studio.time.estimate"),
              TEXTS.get(
                  "studio.time.ratio", PlanWords.minutes(work.estimate()), work.toEstimate())));
    }
    return rows;
  }

  private static String said(Duration time) {
    return PlanWords.minutes(WorkRecord.minutes(time));
  }

  private static List<List<String>> layers(Project project) {
    List<List<String>> rows = new ArrayList<>();
    for (Layer layer : project.stack().layers()) {
      Mask mask = layer.attributes().mask();
      rows.add(
          List.of(
              Names.of(layer.attributes().stage()),
              layer.attributes().name()
                  + (layer.attributes().on() ? "" : " " + TEXTS.get("studio.layers.off")),
              mask == null ? "" : MaskWords.of(mask),
              values(layer)));
    }
    return rows;
  }

  private static String values(Layer layer) {
    String amount =
        String.format(Locale.ROOT, "%s %.0f %%", TEXTS.get("studio.amount"), amount(layer));
    if (layer instanceof LockedLayer) {
      return amount;
    }
    String values =
        RecordValue.numbers(layer).entrySet().stream()
            .map(e -> Names.number(layer, e.getKey(), e.getValue()))
            .collect(Collectors.joining(" · "));
    return values.isEmpty() ? amount : amount + " · " + values;
  }

  private static double amount(Layer layer) {
    return 100 * layer.attributes().amount();
  }

  private static List<List<String>> gauges(SheetFacts facts) {
    List<List<String>> rows = new ArrayList<>();
    for (Gauge gauge : facts.gauges()) {
      if (gauge.measured()) {
        rows.add(
            List.of(
                Names.of(gauge),
                Names.where(gauge),
                number(gauge.before()),
                (number(gauge.after()) + " " + Names.unit(gauge)).strip(),
                band(gauge)));
      }
    }
    return rows;
  }

  private static String band(Gauge gauge) {
    if (gauge.band() == null) {
      return "";
    }
    String band = PlanWords.band(gauge.band());
    return switch (gauge.verdict()) {
      case ABOVE -> TEXTS.get("studio.above", band);
      case BELOW -> TEXTS.get("studio.below", band);
      default -> band;
    };
  }

  private static String number(double value) {
    return Double.isNaN(value) ? "" : PlanWords.number(value);
  }

  private static List<List<String>> findings(SheetFacts facts) {
    List<List<String>> rows = new ArrayList<>();
    for (Finding finding : facts.plan().findings()) {
      String reason = finding.reason();
      rows.add(
          List.of(
              PlanWords.title(finding),
              PlanWords.reading(finding),
              PlanWords.state(finding) + (reason == null ? "" : ": " + reason)));
    }
    return rows;
  }

  private static List<List<String>> promises(SheetFacts facts) {
    List<List<String>> rows = new ArrayList<>();
    for (Promise promise : facts.project().brief().promises()) {
      boolean kept = facts.broken().stream().noneMatch(b -> b.promise().equals(promise));
      rows.add(
          List.of(
              promise.words(),
              TEXTS.get(kept ? "studio.promises.kept" : "studio.promises.broken")));
    }
    return rows;
  }

  private static List<List<String>> files(WorkRecord work) {
    List<List<String>> rows = new ArrayList<>();
    for (Delivered file : work.deliveries()) {
      rows.add(List.of(when(file.at()), file.file(), file.width() + " × " + file.height()));
    }
    return rows;
  }

  private static String when(Instant at) {
    return WHEN.format(at.atZone(ZoneId.systemDefault()));
  }
}
