package carezza.desktop.state;

/** How the settled picture is shown together with the finished one. */
public enum Comparison {
  NONE("", ""),
  WIPE("Wipe", "The settled picture left of a line that can be dragged"),
  BESIDE("Side by side", "The settled picture beside the finished one, at the same place"),
  BLINK("Blink", "The settled and the finished picture in turn");

  private final String title;
  private final String hint;

  Comparison(String title, String hint) {
    this.title = title;
    this.hint = hint;
  }

  public String title() {
    return title;
  }

  public String hint() {
    return hint;
  }

  /** The next in turn. */
  public Comparison next() {
    return values()[(ordinal() + 1) % values().length];
  }
}
