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
    Block before = moved(move, touched, freedom);
    if (strain(touched) <= limit) {
      return false;
    }
    double already = strain(touched, before);
    if (!isTooMuch(touched, limit, already)) {
      return false;
    }
    double share = 1;
    for (int i = 0; i < TRIES && isTooMuch(touched, limit, already); i++) {
      // What it adds grows about as its share does.
      share *= WITHIN * (limit - already) / (strain(touched) - already);
      put(before);
      if (share < LEAST) {
        return true;
      }
      moved(move.weakened(share), touched, freedom);
    }
    if (isTooMuch(touched, limit, already)) {
      put(before);
    }
    return true;
  }

  /** The strain with nodes as they were. */
  private double strain(Area touched, Block before) {
    Block now = taken(touched);
    put(before);
    double strain = strain(touched);
    put(now);
    return strain;
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

  private boolean isTooMuch(Area touched, double limit, double already) {
    double strain = strain(touched);
    return strain > limit && strain > already;
  }

  private void put(Block block) {
    Area a = block.nodes();
    for (int j = 0; j < a.height(); j++) {
      int to = (a.y() + j) * columns + a.x();
      System.arraycopy(block.dx(), j * a.width(), dx, to, a.width());
      System.arraycopy(block.dy(), j * a.width(), dy, to, a.width());
    }
    reread(a);
  }

  /**
   * Lays a step over all before it.
   *
   * @return what was there
   */
  private Block moved(Move move, Area touched, Move.Freedom freedom) {
    int w = touched.width();
    Block was = taken(touched);
    float[] isX = new float[touched.pixels()];
    float[] isY = new float[touched.pixels()];
    ParallelRows.each(
        // A node takes as long as many pixels.
        16 * w,
        touched.height(),
        (from, to) -> {
          double[] place = new double[2];
          double[] before = new double[2];
          for (int j = from; j < to; j++) {
            for (int i = 0; i < w; i++) {
              int at = (touched.y() + j) * columns + touched.x() + i;
              int own = j * w + i;
              double x = (touched.x() + i) * step;
              double y = (touched.y() + j) * step;
              place[0] = x;
              place[1] = y;
              before[0] = dx[at];
              before[1] = dy[at];
              if (move.backwards(place, freedom)) {
                cubic(place[0], place[1], before);
              }
              double left = 1 - move.takenBack(x, y, freedom);
              isX[own] = (float) (left * (place[0] + before[0] - x));
              isY[own] = (float) (left * (place[1] + before[1] - y));
            }
          }
        });
    put(new Block(touched, isX, isY));
    return was;
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
    for (int j = all.y(); j < all.bottom() - 1; j++) {
      for (int i = all.x(); i < all.right() - 1; i++) {
        int at = j * columns + i;
        double a = 1 + (dx[at + 1] - dx[at]) / step;
        double b = (dx[at + columns] - dx[at]) / step;
        double c = (dy[at + 1] - dy[at]) / step;
        double d = 1 + (dy[at + columns] - dy[at]) / step;
        double mean = Math.sqrt((a + d) * (a + d) + (c - b) * (c - b)) / 2;
        double spread = Math.sqrt((a - d) * (a - d) + (c + b) * (c + b)) / 2;
        most = Math.max(most, Math.max(Math.abs(mean + spread - 1), Math.abs(mean - spread - 1)));
      }
    }
    return most;
  }
}
