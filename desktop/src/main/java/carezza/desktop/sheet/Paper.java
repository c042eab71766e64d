package carezza.desktop.sheet;

import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** Sizes of a page. */
public enum Paper {
  A4(PDRectangle.A4, "A4"),
  LETTER(PDRectangle.LETTER, "Letter");

  private final PDRectangle size;
  private final String title;

  Paper(PDRectangle size, String title) {
    this.size = size;
    this.title = title;
  }

  PDRectangle size() {
    return size;
  }

  /** What it is called everywhere. */
  public String title() {
    return title;
  }
}
