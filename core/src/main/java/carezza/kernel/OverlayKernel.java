package carezza.kernel;

import java.util.Optional;

import org.jspecify.annotations.Nullable;

import carezza.colour.BlendMode;
import carezza.colour.MonotoneCurve;
import carezza.colour.Transfer;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.Bilinear;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.Mask;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.model.SemanticRegion;
import carezza.overlay.OverlayPixels;

/**
 * Overlay: another picture laid by blend mode, amount, mask and its own alpha. Behind the person
 * the backdrop B gives way to it, S, in linear light: a pixel that is a share α of the person
 * becomes x + (1 − α)(S − B), so that the old colour leaves the edge; in the open backdrop what is
 * darker than B, as a strand is, keeps its ratio to it, x S / B. B is what the backdrop is about
 * each place, carried on under the person.
 */
final class OverlayKernel implements LayerKernel<OverlayLayer, Measurements> {

  private static final float DARK = 1e-4f;

  @Override
  public boolean blends(OverlayLayer layer) {
    return false;
  }

  @Override
  public boolean measures(OverlayLayer layer) {
    return layer.behind();
  }

  @Override
  public OverlayLayer measured(OverlayLayer full) {
    return new OverlayLayer(
        full.attributes().withMask(new Mask.Everything()),
        OverlayPicture.of(OverlayPicture.Shipped.LIGHTS),
        full.behind(),
        0.5,
        0.5,
        1,
        0,
        false,
        0,
        0,
        OverlayLayer.STRAIGHT);
  }

  /** The old backdrop, and its mean light. */
  @Override
  public Measurements measure(OverlayLayer layer, Probe probe) {
    return OldBackdrop.of(probe);
  }

  @Override
  public Effect effect(OverlayLayer layer, Measurements read, EvaluationContext context) {
    Optional<OverlayPixels> pixels = OverlayPixels.of(layer.picture());
    boolean nothing = layer.behind() && !(read instanceof Measurements.Backdrop);
    if (pixels.isEmpty() || nothing) {
      return Effect.perPixel(own -> own);
    }
    Laid laid = new Laid(layer, pixels.get(), read, context);
    int reach = Masks.reach(layer.attributes().mask(), context.scale());
    return Effect.reaching(reach, laid::over);
  }

  /** A picture placed at a level. */
  private static final class Laid {

    private final OverlayLayer layer;
    private final @Nullable OldBackdrop backdrop;
    private final EvaluationContext context;
    private final OverlayPixels.Level source;
    private final @Nullable LookupTable curve;
    private final float[] gain = {1, 1, 1};
    private final double cos;
    private final double sin;
    private final double x0;
    private final double y0;

    /** Pixels of the source's level for one of the picture's. */
    private final double ratio;

    Laid(OverlayLayer layer, OverlayPixels pixels, Measurements read, EvaluationContext context) {
      this.layer = layer;
      this.context = context;
      Measurements.Backdrop behind = read instanceof Measurements.Backdrop b ? b : null;
      backdrop = behind == null ? null : new OldBackdrop(behind, context.scale());
      Area whole = context.whole();
      double cover =
          Math.max(
              (double) whole.width() / pixels.width(), (double) whole.height() / pixels.height());
      double size = cover * layer.scale();
      double sigma = layer.blur() * context.scale() / size;
      int level = 0;
      while (level < pixels.count() - 1 && (size * (2 << level) <= 1 || sigma / (1 << level) > 4)) {
        level++;
      }
      source = pixels.level(level, sigma / (1 << level));
      ratio = 1 / (size * (1 << level));
      double t = Math.toRadians(layer.angle());
      cos = Math.cos(t);
      sin = Math.sin(t);
      x0 = layer.x() * whole.width();
      y0 = layer.y() * whole.height();
      curve = layer.keepsItsTones() ? null : new MonotoneCurve(layer.curve()).table();
      if (behind != null) {
        double[] own = pixels.meanLight();
        double[] old = {behind.red(), behind.green(), behind.blue()};
        for (int c = 0; c < 3; c++) {
          gain[c] =
              (float) Math.pow(Math.max(1e-3, old[c]) / Math.max(1e-3, own[c]), layer.match());
        }
      }
    }

    Picture over(Picture input, Area out) {
      Picture own = input.crop(out);
      Picture result = own == input ? own.copy() : own;
      Plane mask = Masks.render(layer.attributes().mask(), out, context, input);
      Plane open =
          layer.behind()
              ? context.regions().coverage(SemanticRegion.BACKDROP, out, context.level())
              : null;
      int w = out.width();
      ParallelRows.each(
          4 * w,
          out.height(),
          (from, to) -> {
            float[][] laid = new float[3][w];
            float[] shares = new float[w];
            for (int y = from; y < to; y++) {
              sample(out, y, laid, shares);
              lay(out, y, laid, shares, mask.values(), open == null ? null : open.values(), result);
            }
          });
      return result;
    }

    /** A row of it over an area of the level: its colours, and its alpha, 0 where it is not. */
    private void sample(Area out, int y, float[][] colours, float[] alphas) {
      double dx = out.x() + 0.5 - x0;
      double dy = out.y() + y + 0.5 - y0;
      double flip = layer.mirrored() ? -1 : 1;
      Area area = source.alpha().area();
      int width = area.width();
      int height = area.height();
      double left = flip * ratio * (dx * cos + dy * sin) + width / 2.0;
      double top = ratio * (dy * cos - dx * sin) + height / 2.0;
      double right = flip * ratio * cos;
      double down = -ratio * sin;
      float[] alpha = source.alpha().values();
      float[] red = source.colour().first().values();
      float[] green = source.colour().second().values();
      float[] blue = source.colour().third().values();
      for (int x = 0; x < alphas.length; x++) {
        double sx = left + x * right;
        double sy = top + x * down;
        if (sx < 0 || sy < 0 || sx > width || sy > height) {
          alphas[x] = 0;
          continue;
        }
        Bilinear at = Bilinear.at(area, sx, sy);
        alphas[x] = at.of(alpha);
        colours[0][x] = at.of(red);
        colours[1][x] = at.of(green);
        colours[2][x] = at.of(blue);
        if (curve != null) {
          for (float[] colour : colours) {
            colour[x] = curve.at(colour[x]);
          }
        }
      }
    }

    private void lay(
        Area out,
        int y,
        float[][] laid,
        float[] shares,
        float[] mask,
        float @Nullable [] open,
        Picture result) {
      float amount = (float) layer.attributes().amount();
      BlendMode mode = layer.attributes().blend();
      float[] red = result.first().values();
      float[] green = result.second().values();
      float[] blue = result.third().values();
      float[] colour = new float[3];
      float[] back = new float[3];
      float[][] old = new float[3][open == null ? 0 : shares.length];
      if (backdrop != null) {
        backdrop.along(out.x(), out.y() + y, old);
      }
      int row = y * out.width();
      for (int x = 0; x < shares.length; x++) {
        int i = row + x;
        float share = amount * mask[i] * shares[x];
        if (share == 0 || open != null && open[i] == 0) {
          continue;
        }
        colour[0] = laid[0][x];
        colour[1] = laid[1][x];
        colour[2] = laid[2][x];
        if (open == null) {
          mode.over(red[i], green[i], blue[i], colour);
        } else {
          back[0] = red[i];
          back[1] = green[i];
          back[2] = blue[i];
          behind(open[i], old, x, back, colour, mode);
        }
        red[i] += share * (colour[0] - red[i]);
        green[i] += share * (colour[1] - green[i]);
        blue[i] += share * (colour[2] - blue[i]);
      }
    }

    /**
     * What the pixel becomes where the backdrop gives way.
     *
     * @param open share of the backdrop in it
     * @param old linear light of the backdrop along the row
     * @param colour in: what is laid; out: the result
     */
    private void behind(
        float open, float[][] old, int at, float[] back, float[] colour, BlendMode mode) {
      for (int c = 0; c < 3; c++) {
        colour[c] = Transfer.toEncoded(gain[c] * Transfer.toLinear(Math.max(0, colour[c])));
      }
      if (mode != BlendMode.NORMAL) {
        mode.over(
            Transfer.toEncoded(old[0][at]),
            Transfer.toEncoded(old[1][at]),
            Transfer.toEncoded(old[2][at]),
            colour);
      }
      float mixed = OldBackdrop.mixed(open);
      for (int c = 0; c < 3; c++) {
        float x = Transfer.toLinear(Math.max(0, back[c]));
        float s = Transfer.toLinear(Math.max(0, colour[c]));
        float b = old[c][at];
        float edge = x + open * (s - b);
        float free = x < b && b > DARK ? x * s / b : x + s - b;
        colour[c] = Transfer.toEncoded(Math.max(0, mixed * edge + (1 - mixed) * free));
      }
    }
  }
}
