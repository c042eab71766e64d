package carezza.mask;

import java.util.ArrayDeque;

import carezza.image.Area;
import carezza.image.Plane;

/** Keeps what hangs together. */
final class ConnectedComponents {

  private static final float THRESHOLD = 0.35f;

  private ConnectedComponents() {}

  /** Says whether the growing starts at a place. */
  @FunctionalInterface
  interface Seeds {
    boolean contains(double x, double y);
  }

  /** Clears coverage inside the box that is not joined to a seed by coverage above a third. */
  static void keep(Plane coverage, Area box, Seeds seeds) {
    boolean[] kept = new boolean[box.pixels()];
    ArrayDeque<Integer> open = new ArrayDeque<>();
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        if (coverage.at(x, y) > THRESHOLD && seeds.contains(x + 0.5, y + 0.5)) {
          open.add((y - box.y()) * box.width() + x - box.x());
        }
      }
    }
    open.forEach(i -> kept[i] = true);
    while (!open.isEmpty()) {
      int i = open.poll();
      int x = i % box.width();
      int y = i / box.width();
      for (int[] step : new int[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
        int nx = x + step[0];
        int ny = y + step[1];
        if (nx < 0 || ny < 0 || nx >= box.width() || ny >= box.height()) {
          continue;
        }
        int n = ny * box.width() + nx;
        if (!kept[n]) {
          // Faint edges of what is kept stay too, but nothing grows on from them.
          kept[n] = true;
          if (coverage.at(box.x() + nx, box.y() + ny) > THRESHOLD) {
            open.add(n);
          }
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
