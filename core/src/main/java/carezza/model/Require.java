package carezza.model;

/** Checks of parameters when a record is made; the messages reach users of stack files. */
final class Require {

  private Require() {}

  /**
   * @throws IllegalArgumentException naming the parameter, its value and its range
   */
  static void range(String name, double value, double low, double high) {
    if (!(value >= low && value <= high)) {
      throw new IllegalArgumentException(
          "%s is %s but must lie between %s and %s".formatted(name, value, low, high));
    }
  }

  /** Farthest that anything lies from the corner of a photograph, in pixels. */
  static final double FARTHEST = 1e6;

  /**
   * Largest radius of what is drawn by hand, in photograph pixels: half the diagonal of two hundred
   * megapixels.
   */
  static final double LARGEST_RADIUS = 1e4;

  /** Largest sigma that edges are softened by, in photograph pixels. */
  static final double SOFTEST = 2000;

  /**
   * @throws IllegalArgumentException if there are more than a retouch can use
   */
  static void most(String name, int count, int most) {
    if (count > most) {
      throw new IllegalArgumentException(
          "%s has %d members but may have %d at most".formatted(name, count, most));
    }
  }

  static <T> T present(String name, T value) {
    if (value == null) {
      throw new IllegalArgumentException(name + " is missing");
    }
    return value;
  }
}
