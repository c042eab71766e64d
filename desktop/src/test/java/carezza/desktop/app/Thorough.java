package carezza.desktop.app;

/**
 * Whether the environment says {@code CAREZZA_TESTS=all}: tests are quick where one works, and
 * leave nothing out where changes are taken in.
 */
final class Thorough {

  static final boolean ASKED = "all".equals(System.getenv("CAREZZA_TESTS"));

  private Thorough() {}
}
