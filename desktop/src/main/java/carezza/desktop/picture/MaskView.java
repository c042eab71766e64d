package carezza.desktop.picture;

import carezza.desktop.text.Texts;

/** How a mask is shown over the picture. Never in a colour: colour is what is judged. */
public enum MaskView {
  /** What lies outside fades to grey. */
  GREY_OUTSIDE,
  /** Fine slanting lines, dark and light, over what is covered. */
  HATCH,
  /** The coverage alone, black to white. */
  ALONE;

  private static final float GREY = 0.46f;
  private static final float SHARE = 0.88f;
  private static final int PERIOD = 8;
  private static final float LINE = 0.55f;

  /** Its name on the screen. */
  public String title() {
    return Texts.of("picture").get("maskView." + name());
  }

  /**
   * The value of a channel where this is shown.
   *
   * @param value of the picture, 0 … 1
   * @param covered coverage there
   * @param x of the view's pixel
   * @param y of the view's pixel
   */
  public float shown(float value, float covered, int x, int y) {
    return switch (this) {
      case GREY_OUTSIDE -> value + SHARE * (1 - covered) * (GREY - value);
      case ALONE -> covered;
      case HATCH -> {
        int at = Math.floorMod(x + y, PERIOD);
        // A dark line beside a light one is seen on any tone.
        float line = at < 2 ? 0 : 1;
        yield at < 4 ? value + LINE * covered * (line - value) : value;
      }
    };
  }
}
