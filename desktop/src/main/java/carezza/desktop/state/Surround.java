package carezza.desktop.state;

/** What the picture stands on: it changes how light and dark it is seen. */
public enum Surround {
  INTERFACE("-surround"),
  WHITE("white"),
  BLACK("black");

  private final String colour;

  Surround(String colour) {
    this.colour = colour;
  }

  public String style() {
    return "-fx-background-color: " + colour + ";";
  }
}
