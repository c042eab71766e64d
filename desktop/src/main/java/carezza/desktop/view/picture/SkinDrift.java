package carezza.desktop.view.picture;

import java.util.List;
import java.util.Optional;

import carezza.desktop.text.Texts;
import carezza.measure.Gauge;

/**
 * How far the face's skin has moved from what it was as settled.
 *
 * @param lightness change of the median L*
 * @param hue change of the hue in degrees
 * @param inside whether both stay in their bands
 */
public record SkinDrift(double lightness, double hue, boolean inside) {

  private static final Texts TEXTS = Texts.of("picture");

  /** Nothing where no skin was measured. */
  public static Optional<SkinDrift> of(List<Gauge> gauges) {
    Optional<Gauge> l = find(gauges, "skinLightness");
    Optional<Gauge> h = find(gauges, "skinHue");
    if (l.isEmpty() || h.isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        new SkinDrift(
            l.get().after() - l.get().before(),
            Math.IEEEremainder(h.get().after() - h.get().before(), 360),
            l.get().verdict() == Gauge.Verdict.INSIDE
                && h.get().verdict() == Gauge.Verdict.INSIDE));
  }

  private static Optional<Gauge> find(List<Gauge> gauges, String id) {
    return gauges.stream().filter(g -> g.id().equals(id)).filter(Gauge::measured).findFirst();
  }

  public String words() {
    return inside
        ? TEXTS.get("skinDrift.skin-l-hue", lightness, hue)
        : TEXTS.get("skinDrift.skin-l-hue-no-longer-the", lightness, hue);
  }
}
