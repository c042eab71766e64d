package carezza.kernel;

import java.util.Arrays;

import org.jspecify.annotations.Nullable;

import carezza.colour.Transfer;
import carezza.filter.RobustStatistics;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.BackdropLayer;
import carezza.model.LayerAttributes;
import carezza.model.Mask;
import carezza.model.SemanticRegion;

/**
 * Backdrop: in linear light, B the backdrop about a place and S what is wanted, a pixel of the open
 * backdrop becomes S (x / B)^t, t the texture that stays. One that is a share α of the person
 * becomes x + (1 − α)(S − B): the person's part stays. Wanted white is lifted by what the darkest
 * of the border's pixels falls short of B, so that they are white too; by no more.
 */
final class BackdropKernel implements LayerKernel<BackdropLayer, Measurements> {

  /** Width of the border that is read, in pixels at full size. */
  private static final int BORDER = 4;

  /** Coverage of what is backdrop for sure. */
  private static final float SURE = 0.99f;

  /** Share of the border that may stay short: dust, a strand that lies across it. */
  private static final double SPARED = 0.001;

  private static final int FEWEST = 100;

  /** Least ratio to the backdrop about it that a border is lifted for. */
  private static final double LEAST = 0.6;

  private static final float DARK = 1e-4f;

  @Override
  public boolean measures(BackdropLayer layer) {
    return true;
  }

  @Override
  public BackdropLayer measured(BackdropLayer full) {
    LayerAttributes attributes = full.attributes().withMask(new Mask.Everything());
    return new BackdropLayer(attributes, null, 0);
  }

  @Override
  public Measurements measure(BackdropLayer layer, Probe probe) {
    Measurements.Backdrop backdrop = OldBackdrop.of(probe);
    return new Measurements.Border(backdrop, shortfall(backdrop, probe));
  }

  /** What the border's darkest pixels are of the backdrop about them, at full size. */
  private static double shortfall(Measurements.Backdrop backdrop, Probe probe) {
    EvaluationContext site = probe.site();
    Area whole = site.photograph().area();
    OldBackdrop old = new OldBackdrop(backdrop, 1);
    int w = whole.width();
    int h = whole.height();
    int border = Math.min(BORDER, Math.min(w, h) / 2);
    double[] ratios = new double[2 * border * (w + h)];
    int n = 0;
    for (Area strip :
        new Area[] {
          new Area(0, 0, w, border),
          new Area(0, h - border, w, border),
          new Area(0, border, border, h - 2 * border),
          new Area(w - border, border, border, h - 2 * border)
        }) {
      Picture light = probe.levels().over(strip, 0);
      Plane open = site.regions().coverage(SemanticRegion.BACKDROP, strip, 0);
      float[][] about = new float[3][strip.width()];
      for (int y = 0; y < strip.height(); y++) {
        old.along(strip.x(), strip.y() + y, about);
        for (int x = 0; x < strip.width(); x++) {
          int i = y * strip.width() + x;
          if (open.values()[i] > SURE) {
            double least = Double.MAX_VALUE;
            for (int c = 0; c < 3; c++) {
              float own = Transfer.toLinear(Math.max(0, light.plane(c).values()[i]));
              least = Math.min(least, own / Math.max(DARK, about[c][x]));
            }
            ratios[n++] = least;
          }
        }
      }
    }
    return n < FEWEST
        ? 1
        : Math.clamp(RobustStatistics.quantile(Arrays.copyOf(ratios, n), SPARED), LEAST, 1);
  }

  @Override
  public Effect effect(BackdropLayer layer, Measurements read, EvaluationContext context) {
    if (!(read instanceof Measurements.Border border)) {
      return Effect.perPixel(own -> own);
    }
    OldBackdrop old = new OldBackdrop(border.backdrop(), context.scale());
    double[] wanted = layer.wanted().toWorking();
    double lift = layer.colour() == null ? Math.pow(border.shortfall(), -layer.texture()) : 1;
    float[] light = new float[3];
    for (int c = 0; c < 3; c++) {
      light[c] = (float) (lift * Transfer.toLinear((float) Math.max(0, wanted[c])));
    }
    LookupTable texture =
        layer.texture() == 0
            ? null
            : new LookupTable(r -> Math.pow(Math.max(0, r), layer.texture()), 0, 4, 1024);
    return Effect.perPixel(own -> brought(own, old, light, texture, context));
  }

  private static Picture brought(
      Picture own,
      OldBackdrop old,
      float[] wanted,
      @Nullable LookupTable texture,
      EvaluationContext context) {
    Area area = own.area();
    Plane open = context.regions().coverage(SemanticRegion.BACKDROP, area, context.level());
    Picture out = own.copy();
    int w = area.width();
    ParallelRows.each(
        4 * w,
        area.height(),
        (from, to) -> {
          float[][] about = new float[3][w];
          for (int y = from; y < to; y++) {
            old.along(area.x(), area.y() + y, about);
            for (int c = 0; c < 3; c++) {
              bring(out.plane(c).values(), open.values(), y * w, about[c], wanted[c], texture);
            }
          }
        });
    return out;
  }

  /** A channel of a row that begins at an index. */
  private static void bring(
      float[] values,
      float[] open,
      int row,
      float[] about,
      float wanted,
      @Nullable LookupTable texture) {
    for (int x = 0; x < about.length; x++) {
      int i = row + x;
      float share = open[i];
      if (share == 0) {
        continue;
      }
      float mixed = OldBackdrop.mixed(share);
      float light = Transfer.toLinear(Math.max(0, values[i]));
      float edge = light + share * (wanted - about[x]);
      float free = wanted;
      if (texture != null && mixed < 1) {
        free *= texture.at(light / Math.max(DARK, about[x]));
      }
      values[i] = Transfer.toEncoded(Math.max(0, mixed * edge + (1 - mixed) * free));
    }
  }
}
