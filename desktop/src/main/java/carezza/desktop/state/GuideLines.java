package carezza.desktop.state;

import carezza.desktop.text.Texts;

/** Lines of composition in a frame. */
public enum GuideLines {
  NONE(new double[0], false),
  THIRDS(new double[] {-1 / 3.0, 1 / 3.0}, false),
  GOLDEN(new double[] {-0.236, 0.236}, false),
  MIDDLE(new double[] {0}, false),
  DIAGONALS(new double[0], true);

  private final double[] at;
  private final boolean diagonals;

  GuideLines(double[] at, boolean diagonals) {
    this.at = at;
    this.diagonals = diagonals;
  }

  public String title() {
    return Texts.of("state").get("guideLines." + name());
  }

  /** Places of lines across and down, −1 … 1. */
  public double[] at() {
    return at;
  }

  public boolean diagonals() {
    return diagonals;
  }
}
