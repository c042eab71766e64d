package carezza.filter;

import java.util.Arrays;

import carezza.image.Area;
import carezza.image.Plane;

/**
 * The smoothest surface through known values: minimises the squared gradient of u plus k (u − d)²,
 * where k is the trust in the data d. With k zero inside a hole this is the membrane (Laplace)
 * interpolation of Pérez, Gangnet and Blake 2003; with small k around it the surface leans on the
 * mean of a rim instead of on single noisy pixels. Solved coarse to fine, each grid relaxed by
 * red-black Gauss-Seidel from the next coarser solution.
 */
public final class Membrane {

  private static final int SWEEPS = 24;
  private static final int COARSEST_EDGE = 4;

  private Membrane() {}

  /**
   * Solves for the surface.
   *
   * @param data values where trusted, anything elsewhere; not modified
   * @param trust 0 where unknown, above 0 where known; not modified
   * @return the surface over the same area; all 0 if nothing is trusted
   */
  public static Plane solve(Plane data, Plane trust) {
    Plane weighted = Plane.of(data.area());
    for (int i = 0; i < weighted.values().length; i++) {
      weighted.values()[i] = trust.values()[i] > 0 ? data.values()[i] * trust.values()[i] : 0;
    }
    float[] u = solve(weighted.values(), trust.values(), data.width(), data.height());
    return new Plane(data.area(), u);
  }

  private static float[] solve(float[] weighted, float[] trust, int w, int h) {
    float[] u;
    if (w <= COARSEST_EDGE || h <= COARSEST_EDGE) {
      u = new float[w * h];
      Arrays.fill(u, mean(weighted, trust));
      relax(u, weighted, trust, w, h, 4 * SWEEPS);
      return u;
    }
    int cw = (w + 1) / 2;
    int ch = (h + 1) / 2;
    float[] coarse = solve(sumQuads(weighted, w, h, cw, ch), sumQuads(trust, w, h, cw, ch), cw, ch);
    Plane from = new Plane(new Area(0, 0, cw, ch), coarse);
    u = new float[w * h];
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        u[y * w + x] = from.sample((x + 0.5) / 2, (y + 0.5) / 2);
      }
    }
    relax(u, weighted, trust, w, h, SWEEPS);
    return u;
  }

  private static float mean(float[] weighted, float[] trust) {
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < trust.length; i++) {
      sum += weighted[i];
      weight += trust[i];
    }
    return weight > 0 ? (float) (sum / weight) : 0;
  }

  private static float[] sumQuads(float[] fine, int w, int h, int cw, int ch) {
    float[] out = new float[cw * ch];
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        out[(y / 2) * cw + x / 2] += fine[y * w + x];
      }
    }
    return out;
  }

  private static void relax(float[] u, float[] weighted, float[] trust, int w, int h, int sweeps) {
    for (int sweep = 0; sweep < 2 * sweeps; sweep++) {
      for (int y = 0; y < h; y++) {
        int first = (y + sweep) & 1;
        if (y == 0 || y == h - 1) {
          for (int x = first; x < w; x += 2) {
            atBorder(u, weighted, trust, w, h, x, y);
          }
          continue;
        }
        int row = y * w;
        for (int x = first == 0 ? 2 : 1; x < w - 1; x += 2) {
          int i = row + x;
          u[i] = (weighted[i] + u[i - 1] + u[i + 1] + u[i - w] + u[i + w]) / (trust[i] + 4);
        }
        if (first == 0) {
          atBorder(u, weighted, trust, w, h, 0, y);
        }
        if ((w - 1 - first) % 2 == 0) {
          atBorder(u, weighted, trust, w, h, w - 1, y);
        }
      }
    }
  }

  /** One place with as many neighbours as it has. */
  private static void atBorder(
      float[] u, float[] weighted, float[] trust, int w, int h, int x, int y) {
    int i = y * w + x;
    float sum = weighted[i];
    float count = trust[i];
    if (x > 0) {
      sum += u[i - 1];
      count++;
    }
    if (x < w - 1) {
      sum += u[i + 1];
      count++;
    }
    if (y > 0) {
      sum += u[i - w];
      count++;
    }
    if (y < h - 1) {
      sum += u[i + w];
      count++;
    }
    u[i] = sum / count;
  }
}
