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

  static <T> T present(String name, T value) {
    if (value == null) {
      throw new IllegalArgumentException(name + " is missing");
    }
    return value;
  }
}
