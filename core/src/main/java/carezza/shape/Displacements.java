package carezza.shape;

import carezza.filter.Cubic;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.PictureSize;

/**
 * How far from each place lies what is seen there: two numbers at the nodes of a square grid over
 * the photograph, cubic between them where moves are put together (Keys 1981, a = −1/2), linear for
 * pixels. In photograph pixels.
 */
final class Displacements {

  /** Nodes along the photograph's long edge, at least. */
  private static final double FINE = 640;

  /** How near to the limit a step is brought that would pass it, and what is not worth it. */
  private static final double WITHIN = 0.95;

  private static final double LEAST = 0.02;
  private static final int TRIES = 3;

  /** Nodes along a block's side. */
  private static final int BLOCK = 8;

  /** Pixels between nodes, at least. */
  private static final double CLOSEST = 2;

  final double step;
  final int columns;
  final int rows;
  private final float[] dx;
  private final float[] dy;

  /** Least x, least y, most x, most y of each block of nodes, and of no displacement. */
  private final float[] ranges;

  private final int blockColumns;

  Displacements(PictureSize size) {
    step = Math.max(CLOSEST, size.longEdge() / FINE);
    columns = (int) Math.ceil(size.width() / step) + 1;
    rows = (int) Math.ceil(size.height() / step) + 1;
    dx = new float[columns * rows];
    dy = new float[columns * rows];
    blockColumns = (columns - 1) / BLOCK + 1;
    ranges = new float[4 * blockColumns * ((rows - 1) / BLOCK + 1)];
  }

  private Displacements(Displacements of) {
    step = of.step;
    columns = of.columns;
    rows = of.rows;
    dx = of.dx.clone();
    dy = of.dy.clone();
    blockColumns = of.blockColumns;
    ranges = of.ranges.clone();
  }

  /** Nodes that an area of the photograph can touch, with two around for what lies between. */
  private Area nodes(Area area) {
    return Area.around(
            area.x() / step - 2,
            area.y() / step - 2,
            area.right() / step + 3,
            area.bottom() / step + 3)
        .intersect(new Area(0, 0, columns, rows));
  }

  /** The same, to be changed by itself. */
  Displacements copy() {
    return new Displacements(this);
  }

  /** Nodes as they were, to be put back. */
  private record Block(Area nodes, float[] dx, float[] dy) {}

  /**
   * Lays one step more over all before it, as far as the limit lets it: one that would stretch a
   * place further than that, and further than it is, is weakened.
   *
   * @return whether it was weakened
   */
  boolean lay(Move move, Move.Freedom freedom, double limit) {
    Area touched = nodes(move.bounds());
    if (touched.isEmpty()) {
      return false;
    }
    Block before = taken(touched);
    Laid laid = new Laid(move, touched, freedom);
    put(laid.over(1));
    boolean weakened = strain(touched) > limit && weakened(laid, before, limit);
    reread(touched);
    return weakened;
  }

  /** Makes less of a step that was laid, if it passes the limit and what there was before. */
  private boolean weakened(Laid laid, Block before, double limit) {
    Area touched = before.nodes();
    Block whole = taken(touched);
    put(before);
    double already = strain(touched);
    put(whole);
    double strain = strain(touched);
    if (strain <= already) {
      return false;
    }
    double share = 1;
    for (int i = 0; i < TRIES && strain > limit && strain > already; i++) {
      // What it adds grows about as its share does.
      share *= WITHIN * (limit - already) / (strain - already);
      put(before);
      if (share < LEAST) {
        return true;
      }
      put(laid.over(share));
      strain = strain(touched);
    }
    if (strain > limit && strain > already) {
      put(before);
    }
    return true;
  }

  /** Nodes as they are. */
  private Block taken(Area area) {
    Block block = new Block(area, new float[area.pixels()], new float[area.pixels()]);
    for (int j = 0; j < area.height(); j++) {
      int from = (area.y() + j) * columns + area.x();
      System.arraycopy(dx, from, block.dx(), j * area.width(), area.width());
      System.arraycopy(dy, from, block.dy(), j * area.width(), area.width());
    }
    return block;
  }

  private void put(Block block) {
    Area a = block.nodes();
    for (int j = 0; j < a.height(); j++) {
      int to = (a.y() + j) * columns + a.x();
      System.arraycopy(block.dx(), j * a.width(), dx, to, a.width());
      System.arraycopy(block.dy(), j * a.width(), dy, to, a.width());
    }
  }

  /** A step by itself: how far from each node began what ends there, and what is left of before. */
  private final class Laid {
    private final Area touched;
    private final double[] stepX;
    private final double[] stepY;
    private final float[] back;

    Laid(Move move, Area touched, Move.Freedom freedom) {
      this.touched = touched;
      int w = touched.width();
      stepX = new double[touched.pixels()];
      stepY = new double[touched.pixels()];
      back = new float[touched.pixels()];
      rows(
          (from, to) -> {
            Move.Row row = new Move.Row(w);
            for (int j = from; j < to; j++) {
              double y = (touched.y() + j) * step;
              for (int i = 0; i < w; i++) {
                row.x[i] = (touched.x() + i) * step;
                row.y[i] = y;
                back[j * w + i] = (float) move.takenBack(row.x[i], y, freedom);
              }
              if (move.moves()) {
                move.backwards(row, freedom);
                for (int i = 0; i < w; i++) {
                  stepX[j * w + i] = row.x[i] - (touched.x() + i) * step;
                  stepY[j * w + i] = row.y[i] - y;
                }
              }
            }
          });
    }

    /** A share of it over what is there. */
    Block over(double share) {
      int w = touched.width();
      Block is = new Block(touched, new float[touched.pixels()], new float[touched.pixels()]);
      rows(
          (from, to) -> {
            double[] before = new double[2];
            for (int j = from; j < to; j++) {
              for (int i = 0; i < w; i++) {
                int own = j * w + i;
                int at = (touched.y() + j) * columns + touched.x() + i;
                double x = share * stepX[own];
                double y = share * stepY[own];
                before[0] = dx[at];
                before[1] = dy[at];
                if (x != 0 || y != 0) {
                  cubic((touched.x() + i) * step + x, (touched.y() + j) * step + y, before);
                }
                double left = 1 - share * back[own];
                is.dx()[own] = (float) (left * (x + before[0]));
                is.dy()[own] = (float) (left * (y + before[1]));
              }
            }
          });
      return is;
    }

    /** A node takes as long as some pixels. */
    private void rows(ParallelRows.Band band) {
      ParallelRows.each(4 * touched.width(), touched.height(), band);
    }
  }

  private void cubic(double x, double y, double[] out) {
    double fx = x / step;
    double fy = y / step;
    int x0 = (int) Math.floor(fx);
    int y0 = (int) Math.floor(fy);
    double w0 = Cubic.weight(fx - x0 + 1);
    double w1 = Cubic.weight(fx - x0);
    double w2 = Cubic.weight(fx - x0 - 1);
    double w3 = Cubic.weight(fx - x0 - 2);
    int c0 = Math.clamp(x0 - 1, 0, columns - 1);
    int c1 = Math.clamp(x0, 0, columns - 1);
    int c2 = Math.clamp(x0 + 1, 0, columns - 1);
    int c3 = Math.clamp(x0 + 2, 0, columns - 1);
    double sumX = 0;
    double sumY = 0;
    for (int j = -1; j <= 2; j++) {
      double w = Cubic.weight(fy - y0 - j);
      int row = Math.clamp(y0 + j, 0, rows - 1) * columns;
      sumX += w * (w0 * dx[row + c0] + w1 * dx[row + c1] + w2 * dx[row + c2] + w3 * dx[row + c3]);
      sumY += w * (w0 * dy[row + c0] + w1 * dy[row + c1] + w2 * dy[row + c2] + w3 * dy[row + c3]);
    }
    out[0] = sumX;
    out[1] = sumY;
  }

  /** The displacement at a place, linear between nodes. */
  void linear(double x, double y, double[] out) {
    double fx = Math.clamp(x / step, 0, columns - 1.001);
    double fy = Math.clamp(y / step, 0, rows - 1.001);
    int i = (int) fx;
    int j = (int) fy;
    double s = fx - i;
    double t = fy - j;
    int at = j * columns + i;
    int below = at + columns;
    out[0] =
        (1 - t) * (dx[at] + s * (dx[at + 1] - dx[at]))
            + t * (dx[below] + s * (dx[below + 1] - dx[below]));
    out[1] =
        (1 - t) * (dy[at] + s * (dy[at + 1] - dy[at]))
            + t * (dy[below] + s * (dy[below + 1] - dy[below]));
  }

  /**
   * Least and most of both over an area, or a little more: least x, least y, most x, most y. Views
   * ask for many areas, so it is known by blocks of nodes.
   */
  double[] range(Area area) {
    double[] range = {0, 0, 0, 0};
    Area all = blocks(nodes(area));
    for (int j = all.y(); j < all.bottom(); j++) {
      for (int i = all.x(); i < all.right(); i++) {
        int at = 4 * (j * blockColumns + i);
        range[0] = Math.min(range[0], ranges[at]);
        range[1] = Math.min(range[1], ranges[at + 1]);
        range[2] = Math.max(range[2], ranges[at + 2]);
        range[3] = Math.max(range[3], ranges[at + 3]);
      }
    }
    return range;
  }

  private static Area blocks(Area nodes) {
    if (nodes.isEmpty()) {
      return Area.EMPTY;
    }
    int x = nodes.x() / BLOCK;
    int y = nodes.y() / BLOCK;
    return new Area(
        x, y, (nodes.right() - 1) / BLOCK + 1 - x, (nodes.bottom() - 1) / BLOCK + 1 - y);
  }

  private void reread(Area nodes) {
    Area all = blocks(nodes);
    for (int j = all.y(); j < all.bottom(); j++) {
      for (int i = all.x(); i < all.right(); i++) {
        reread(i, j);
      }
    }
  }

  private void reread(int blockX, int blockY) {
    float[] range = new float[4];
    for (int j = blockY * BLOCK; j < Math.min(rows, (blockY + 1) * BLOCK); j++) {
      for (int i = blockX * BLOCK; i < Math.min(columns, (blockX + 1) * BLOCK); i++) {
        int at = j * columns + i;
        range[0] = Math.min(range[0], dx[at]);
        range[1] = Math.min(range[1], dy[at]);
        range[2] = Math.max(range[2], dx[at]);
        range[3] = Math.max(range[3], dy[at]);
      }
    }
    System.arraycopy(range, 0, ranges, 4 * (blockY * blockColumns + blockX), 4);
  }

  /**
   * The largest stretch or squeeze of any direction at any place of an area, as a share: how far
   * the singular values of the map's derivative are from 1.
   */
  double strainOver(Area area) {
    return strain(nodes(area));
  }

  private double strain(Area all) {
    double most = 0;
    double mostSquared = 0;
    for (int j = all.y(); j < all.bottom() - 1; j++) {
      for (int i = all.x(); i < all.right() - 1; i++) {
        int at = j * columns + i;
        double a = (dx[at + 1] - dx[at]) / step;
        double b = (dx[at + columns] - dx[at]) / step;
        double c = (dy[at + 1] - dy[at]) / step;
        double d = (dy[at + columns] - dy[at]) / step;
        // No singular value is farther from 1 than this norm (Weyl 1912), which takes no root.
        if (a * a + b * b + c * c + d * d > mostSquared) {
          double mean = Math.sqrt((2 + a + d) * (2 + a + d) + (c - b) * (c - b)) / 2;
          double spread = Math.sqrt((a - d) * (a - d) + (c + b) * (c + b)) / 2;
          most = Math.max(most, Math.max(Math.abs(mean + spread - 1), Math.abs(mean - spread - 1)));
          mostSquared = most * most;
        }
      }
    }
    return most;
  }
}
