package carezza.kernel;

import carezza.colour.Lab;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.ChannelMix;

/** The lightness of a grey mixed from the encoded channels. */
final class MonochromeMix {

  private static final LookupTable LIGHTNESS =
      new LookupTable(v -> v <= 0 ? 0 : Lab.ofWorking(v, v, v).l(), 0, 1.5, 1024);

  private final float red;
  private final float green;
  private final float blue;

  MonochromeMix(ChannelMix mix) {
    double sum = mix.red() + mix.green() + mix.blue();
    red = (float) (mix.red() / sum);
    green = (float) (mix.green() / sum);
    blue = (float) (mix.blue() / sum);
  }

  /** L* of the grey. */
  Plane lightness(Picture working) {
    float[] r = working.first().values();
    float[] g = working.second().values();
    float[] b = working.third().values();
    Plane out = Plane.of(working.area());
    int w = out.width();
    ParallelRows.each(
        w,
        out.height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            out.values()[i] =
                LIGHTNESS.at(Math.clamp(red * r[i] + green * g[i] + blue * b[i], 0, 1.5f));
          }
        });
    return out;
  }
}
