package carezza.desktop.state;

import carezza.desktop.text.Texts;

/** How the settled picture is shown together with the finished one. */
public enum Comparison {
  NONE,
  WIPE,
  BESIDE,
  BLINK;

  private static final Texts TEXTS = Texts.of("state");

  public String title() {
    return TEXTS.get("comparison." + name());
  }

  public String hint() {
    return TEXTS.get("comparison." + name() + ".hint");
  }

  /** The next in turn. */
  public Comparison next() {
    return values()[(ordinal() + 1) % values().length];
  }
}
