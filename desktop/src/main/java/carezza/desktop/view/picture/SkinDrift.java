package carezza.desktop.view.picture;

import java.util.List;
import java.util.Optional;

import carezza.desktop.text.Texts;
import carezza.measure.Gauge;

/**
 * How far the face's skin has moved from what it was as settled.
 *
 * @param lightness change of the median L*
 * @param hue change of the hue in degrees; NaN for a picture without colour
 * @param inside whether both stay in their bands
 */
public record SkinDrift(double lightness, double hue, boolean inside) {

  private static final Texts TEXTS = Texts.of("picture");

  /** Nothing where no skin was measured. */
  public static Optional<SkinDrift> of(List<Gauge> gauges) {
    Optional<Gauge> l = find(gauges, "skinLightness");
    Optional<Gauge> h = find(gauges, "skinHue");
    return l.map(
        light ->
            new SkinDrift(
                light.after() - light.before(),
                h.map(g -> Math.IEEEremainder(g.after() - g.before(), 360)).orElse(Double.NaN),
                light.verdict() == Gauge.Verdict.INSIDE
                    && h.map(g -> g.verdict() == Gauge.Verdict.INSIDE).orElse(true)));
  }

  private static Optional<Gauge> find(List<Gauge> gauges, String id) {
    return gauges.stream().filter(g -> g.id().equals(id)).filter(Gauge::measured).findFirst();
  }

  public String words() {
    if (Double.isNaN(hue)) {
      return TEXTS.get(inside ? "skinDrift.grey" : "skinDrift.grey-no-longer-the", lightness);
    }
    return inside
        ? TEXTS.get("skinDrift.skin-l-hue", lightness, hue)
        : TEXTS.get("skinDrift.skin-l-hue-no-longer-the", lightness, hue);
  }
}
