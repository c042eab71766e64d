package carezza.desktop.view.deliver;

import java.util.ArrayList;
import java.util.List;

import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.Gauge;
import carezza.measure.Gauge.Verdict;
import carezza.recipe.Preflight;
import carezza.recipe.Preflight.Remark;

/** What is to be known of a picture before it leaves, in sentences. */
final class PreflightWords {

  private static final Texts TEXTS = Texts.of("deliver");

  private PreflightWords() {}

  static List<String> of(Preflight preflight) {
    List<String> said = new ArrayList<>();
    preflight.outside().forEach(g -> said.add(outside(g)));
    preflight.remarks().forEach(r -> said.add(remark(r)));
    if (said.isEmpty()) {
      said.add(TEXTS.get("preflight.clear"));
    }
    return said;
  }

  static String outside(Gauge gauge) {
    String key =
        gauge.verdict() == Verdict.ABOVE
            ? "deliverPanel.is-above-its-band-on"
            : "deliverPanel.is-below-its-band-on";
    return TEXTS.get(key, Names.of(gauge), gauge.after(), Names.unit(gauge), Names.where(gauge));
  }

  private static String remark(Remark remark) {
    return switch (remark.check()) {
      case OUTSIDE_SPACE ->
          TEXTS.get("preflight.outside-space", remark.output(), 100 * remark.value());
      case CLIPPED -> TEXTS.get("preflight.clipped", remark.output(), 100 * remark.value());
      case INK -> TEXTS.get("preflight.ink", remark.output(), remark.value());
      case WHITE_BORDER ->
          TEXTS.get("preflight.white-border", remark.output(), 100 * remark.value());
      case PROMISES -> TEXTS.get("preflight.promises", remark.value());
      case MISSING_OVERLAYS -> TEXTS.get("preflight.missing-overlays", remark.value());
    };
  }
}
