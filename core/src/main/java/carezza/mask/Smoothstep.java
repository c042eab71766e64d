package carezza.mask;

/** The cubic step that soft edges use. */
final class Smoothstep {

  private Smoothstep() {}

  /** 0 below 0, 1 above 1, 3t² − 2t³ between. */
  static float step(double t) {
    if (!(t > 0)) {
      return 0;
    }
    return t >= 1 ? 1 : (float) (t * t * (3 - 2 * t));
  }
}
