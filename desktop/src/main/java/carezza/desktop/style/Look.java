package carezza.desktop.style;

import javafx.application.Application;
import javafx.scene.text.Font;

import atlantafx.base.theme.PrimerDark;

/**
 * What all windows have before the first is made: the fonts that ship, and the theme below ours.
 */
public final class Look {

  private Look() {}

  /** On the interface thread. */
  public static void load() {
    for (String font : new String[] {"Inter-Regular", "Inter-Medium"}) {
      Font.loadFont(Look.class.getResourceAsStream("/carezza/desktop/fonts/" + font + ".ttf"), 13);
    }
    // Its colours are set to greys by our own sheet; it gives every state of every control a shape.
    Application.setUserAgentStylesheet(new PrimerDark().getUserAgentStylesheetBSS());
  }
}
