package carezza.testing;

import java.util.Arrays;

/**
 * Whether the environment says {@code CAREZZA_TESTS=all}: tests are quick where one works, and
 * leave nothing out where changes are taken in.
 */
public final class Thorough {

  public static final boolean ASKED = "all".equals(System.getenv("CAREZZA_TESTS"));

  private Thorough() {}

  /** One of them where that will do. */
  public static <T> T[] of(T[] all) {
    return ASKED ? all : Arrays.copyOf(all, 1);
  }
}
