package carezza.desktop.style;

import javafx.scene.Parent;

/**
 * The grey of the interface: all its colours follow from one value, with text that stays readable.
 */
public final class Tone {

  public static final double DARKEST = 24;
  public static final double LIGHTEST = 200;

  /** Mid grey; white text on it stands at 5.6 to 1. */
  public static final double USUAL = 102;

  /** Above this, black text reads better than white. */
  private static final double BLACK_TEXT_FROM = 150;

  private Tone() {}

  /**
   * Between the darkest and the lightest that text can stand on, leaving out what suits neither.
   */
  public static void apply(Parent root, double value) {
    double grey = value > 108 && value < BLACK_TEXT_FROM ? (value < 129 ? 108 : 150) : value;
    boolean blackText = grey >= BLACK_TEXT_FROM;
    double surround = grey;
    double panel = blackText ? grey + 12 : grey - 18;
    double raised = blackText ? grey + 30 : grey - 34;
    root.setStyle(
        "-surround: %s; -panel: %s; -raised: %s; -ink: %s; -paper: %s; -faint: %s;"
            .formatted(
                rgb(surround),
                rgb(panel),
                rgb(raised),
                blackText ? "black" : "white",
                blackText ? "white" : "black",
                rgb(blackText ? grey - 60 : grey + 40)));
  }

  private static String rgb(double v) {
    long c = Math.clamp(Math.round(v), 0L, 255L);
    return "rgb(%d,%d,%d)".formatted(c, c, c);
  }
}
