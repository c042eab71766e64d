package carezza.filter;

/** Border rule of all filters: the picture is mirrored at its edge, the edge pixel repeated. */
public final class MirrorBoundary {

  private MirrorBoundary() {}

  /** The index inside 0 … {@code length}−1 that stands for {@code i}. */
  public static int index(int i, int length) {
    if (i >= 0 && i < length) {
      return i;
    }
    int period = 2 * length;
    int m = Math.floorMod(i, period);
    return m < length ? m : period - 1 - m;
  }
}
