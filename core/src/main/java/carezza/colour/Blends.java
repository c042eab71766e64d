package carezza.colour;

/**
 * Blend formulas of one encoded channel, by W3C Compositing and Blending Level 1, section 10.1.
 * Backdrop and source are meant for 0 … 1.
 */
public final class Blends {

  private Blends() {}

  public static double multiply(double backdrop, double source) {
    return backdrop * source;
  }

  public static double screen(double backdrop, double source) {
    return backdrop + source - backdrop * source;
  }

  public static double hardLight(double backdrop, double source) {
    return source <= 0.5 ? multiply(backdrop, 2 * source) : screen(backdrop, 2 * source - 1);
  }

  public static double overlay(double backdrop, double source) {
    return hardLight(source, backdrop);
  }

  public static double softLight(double backdrop, double source) {
    if (source <= 0.5) {
      return backdrop - (1 - 2 * source) * backdrop * (1 - backdrop);
    }
    double d =
        backdrop <= 0.25 ? ((16 * backdrop - 12) * backdrop + 4) * backdrop : Math.sqrt(backdrop);
    return backdrop + (2 * source - 1) * (d - backdrop);
  }
}
