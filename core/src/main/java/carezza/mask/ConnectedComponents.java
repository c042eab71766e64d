package carezza.mask;

import carezza.image.Area;
import carezza.image.Plane;

/** Keeps what hangs together. */
final class ConnectedComponents {

  private static final float THRESHOLD = 0.35f;

  private static final int[][] STEPS = {{1, 0}, {-1, 0}, {0, 1}, {0, -1}};

  private ConnectedComponents() {}

  /** Says whether the growing starts at a place. */
  @FunctionalInterface
  interface Seeds {
    boolean contains(double x, double y);
  }

  /** Clears coverage inside the box that is not joined to a seed by coverage above a third. */
  static void keep(Plane coverage, Area box, Seeds seeds) {
    int w = box.width();
    int h = box.height();
    boolean[] kept = new boolean[box.pixels()];
    int[] open = new int[kept.length];
    int end = 0;
    for (int y = 0; y < h; y++) {
      int row = coverage.index(box.x(), box.y() + y);
      for (int x = 0; x < w; x++) {
        if (coverage.values()[row + x] > THRESHOLD
            && seeds.contains(box.x() + x + 0.5, box.y() + y + 0.5)) {
          kept[y * w + x] = true;
          open[end++] = y * w + x;
        }
      }
    }
    for (int next = 0; next < end; next++) {
      int x = open[next] % w;
      int y = open[next] / w;
      for (int[] step : STEPS) {
        int nx = x + step[0];
        int ny = y + step[1];
        if (nx < 0 || ny < 0 || nx >= w || ny >= h || kept[ny * w + nx]) {
          continue;
        }
        // Faint edges of what is kept stay too, but nothing grows on from them.
        kept[ny * w + nx] = true;
        if (coverage.at(box.x() + nx, box.y() + ny) > THRESHOLD) {
          open[end++] = ny * w + nx;
        }
      }
    }
    for (int i = 0; i < kept.length; i++) {
      if (!kept[i]) {
        coverage.values()[coverage.index(box.x() + i % box.width(), box.y() + i / box.width())] = 0;
      }
    }
  }
}
