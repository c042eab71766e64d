package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * Lines drawn as a hair or a light is: thin towards their ends, as wide as the pressure says, their
 * colour a difference from what lies below, so that later layers carry it along.
 *
 * @param lightness L* added
 * @param redness a* added
 * @param yellowness b* added
 * @param strokes in their order; the radius at a point is the stroke's times its pressure
 */
public record PaintLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, least = -100, most = 100, usual = -25, step = 0.5)
        double lightness,
    @Parameter(unit = Unit.NUMBER, least = -60, most = 60, step = 0.5) double redness,
    @Parameter(unit = Unit.NUMBER, least = -60, most = 60, step = 0.5) double yellowness,
    List<Stroke> strokes)
    implements Layer {

  private static final int MOST = 20_000;

  public PaintLayer {
    Require.present("attributes", attributes);
    Parameters.of(PaintLayer.class).check(lightness, redness, yellowness);
    strokes = strokes == null ? List.of() : List.copyOf(strokes);
    Require.most("a layer of paint", strokes.size(), MOST);
  }

  /** With a stroke more. */
  public PaintLayer plus(Stroke stroke) {
    List<Stroke> more = new ArrayList<>(strokes);
    more.add(stroke);
    return withStrokes(more);
  }

  public PaintLayer withStrokes(List<Stroke> newStrokes) {
    return new PaintLayer(attributes, lightness, redness, yellowness, newStrokes);
  }

  /** With another difference of colour. */
  public PaintLayer adding(double l, double a, double b) {
    return new PaintLayer(attributes, l, a, b, strokes);
  }

  @Override
  public PaintLayer with(LayerAttributes newAttributes) {
    return new PaintLayer(newAttributes, lightness, redness, yellowness, strokes);
  }
}
