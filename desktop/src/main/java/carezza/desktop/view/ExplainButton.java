package carezza.desktop.view;

import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Region;

import carezza.desktop.text.Texts;

/** A question mark that opens the page that explains what it stands beside. */
public final class ExplainButton extends Button {

  private static final Texts TEXTS = Texts.of("practice");

  /**
   * @param page by which it is found
   */
  public ExplainButton(String page) {
    super("?");
    setId("explain-" + page);
    getStyleClass().add("check");
    setMinWidth(Region.USE_PREF_SIZE);
    setTooltip(new Tooltip(TEXTS.get("explain")));
    setAccessibleText(TEXTS.get("explain"));
    setOnAction(e -> fireEvent(new PageEvent(page)));
  }
}
