package carezza.image;

/**
 * Levels of the pyramid of half sizes. A pixel of level k covers 2^k x 2^k pixels of the
 * photograph; level 0 is the photograph itself.
 */
public final class Level {

  /** Coarsest level in use; at 2^10 even a 400-megapixel picture is 20 pixels wide. */
  public static final int COARSEST = 10;

  private Level() {}

  /** Pixels of the level per pixel of the photograph: 2^-level. */
  public static double scale(int level) {
    return 1.0 / (1 << level);
  }

  /** The coarsest level that still has at least {@code zoom} pixels per photograph pixel. */
  public static int forZoom(double zoom) {
    int level = 0;
    while (level < COARSEST && scale(level + 1) >= zoom * (1 - 1e-9)) {
      level++;
    }
    return level;
  }
}
