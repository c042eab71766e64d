package carezza.kernel;

import carezza.function.LookupTable;
import carezza.model.HueBandsLayer;

/**
 * Colour families in CIE LCh(ab): turn, chroma and lightness are joined from the families' trims by smooth
 * weights over hue that sum to one; the nearer to grey, the less is done to lightness and hue.
 */
final class HueBandsKernel {

  private HueBandsKernel() {}

  static Effect effect(HueBandsLayer layer) {
    LookupTable turn = Hues.joined(f -> layer.of(f).hue());
    LookupTable chroma = Hues.joined(f -> layer.of(f).chroma());
    LookupTable lightness = Hues.joined(f -> layer.of(f).lightness());
    return LabPixels.effect(
        (l, a, b, i) -> {
          float hue = Hues.of(a[i], b[i]);
          float own = Hues.coloured(a[i], b[i]);
          turned(a, b, i, own * turn.at(hue), 1 + chroma.at(hue));
          l[i] += own * lightness.at(hue);
        });
  }

  /** Turns a colour by degrees and scales its chroma. */
  static void turned(float[] a, float[] b, int i, float degrees, float factor) {
    if (degrees == 0) {
      a[i] *= factor;
      b[i] *= factor;
      return;
    }
    double t = Math.toRadians(degrees);
    float cos = (float) Math.cos(t) * factor;
    float sin = (float) Math.sin(t) * factor;
    float x = a[i];
    a[i] = cos * x - sin * b[i];
    b[i] = sin * x + cos * b[i];
  }
}
