package carezza.kernel;

import carezza.function.LookupTable;
import carezza.mask.EvaluationContext;
import carezza.model.HueBandsLayer;

/**
 * Colour families in CIE LCh(ab): turn, chroma and lightness are joined from the families' trims by
 * smooth weights over hue that sum to one; the nearer to grey, the less is done to lightness and
 * hue.
 */
final class HueBandsKernel implements LayerKernel<HueBandsLayer, Measurements> {

  @Override
  public Effect effect(HueBandsLayer layer, Measurements none, EvaluationContext context) {
    LookupTable turn = Hues.joined(f -> layer.of(f).hue());
    LookupTable chroma = Hues.joined(f -> layer.of(f).chroma());
    LookupTable lightness = Hues.joined(f -> layer.of(f).lightness());
    return LabPixels.effect(
        (l, a, b, i) -> {
          float hue = Hues.of(a[i], b[i]);
          float own = Hues.coloured(a[i], b[i]);
          Hues.turn(a, b, i, own * turn.at(hue), 1 + chroma.at(hue));
          l[i] += own * lightness.at(hue);
        });
  }
}
