package carezza.desktop.state;

/** Lines of composition in a frame. */
public enum GuideLines {
  NONE("No lines", new double[0], false),
  THIRDS("Thirds", new double[] {-1 / 3.0, 1 / 3.0}, false),
  GOLDEN("Golden section", new double[] {-0.236, 0.236}, false),
  MIDDLE("Middle", new double[] {0}, false),
  DIAGONALS("Diagonals", new double[0], true);

  private final String title;
  private final double[] at;
  private final boolean diagonals;

  GuideLines(String title, double[] at, boolean diagonals) {
    this.title = title;
    this.at = at;
    this.diagonals = diagonals;
  }

  public String title() {
    return title;
  }

  /** Places of lines across and down, −1 … 1. */
  public double[] at() {
    return at;
  }

  public boolean diagonals() {
    return diagonals;
  }
}
