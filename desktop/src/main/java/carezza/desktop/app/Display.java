package carezza.desktop.app;

import java.util.Locale;

/** Whether there is a screen, and the offscreen platform where there is none. */
public final class Display {

  private Display() {}

  /** False on a system whose windows need a display that is not there. */
  public static boolean present() {
    boolean linux = System.getProperty("os.name").toLowerCase(Locale.ROOT).contains("linux");
    return !linux || set("DISPLAY") || set("WAYLAND_DISPLAY");
  }

  private static boolean set(String variable) {
    String value = System.getenv(variable);
    return value != null && !value.isBlank();
  }

  /** To be called before the toolkit starts: windows are drawn in memory only. */
  public static void useOffscreen() {
    System.setProperty("glass.platform", "Headless");
    System.setProperty("prism.order", "sw");
    System.setProperty("java.awt.headless", "true");
  }
}
