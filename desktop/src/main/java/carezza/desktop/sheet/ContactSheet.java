package carezza.desktop.sheet;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Pictures of a set on pages, to be looked over and chosen from. */
public final class ContactSheet {

  private static final int COLUMNS = 4;

  /** Pixels to the inch of a page that is a picture. */
  private static final int DENSITY = 150;

  private ContactSheet() {}

  /**
   * A picture.
   *
   * @param picture a JPEG
   * @param below a second line; may be empty
   */
  public record Entry(String name, String below, byte[] picture) {}

  /** The pages as a PDF. */
  public static byte[] pdf(String title, String below, List<Entry> entries, Paper paper)
      throws IOException {
    try (SheetWriter writer = new SheetWriter(paper, title)) {
      writer.title(title, below);
      for (int i = 0; i < entries.size(); i += COLUMNS) {
        writer.row(entries.subList(i, Math.min(entries.size(), i + COLUMNS)), COLUMNS);
      }
      return writer.finish();
    }
  }

  /** Each page of a PDF as a JPEG. */
  public static List<byte[]> pages(byte[] pdf) throws IOException {
    List<byte[]> pages = new ArrayList<>();
    try (PDDocument document = Loader.loadPDF(pdf)) {
      PDFRenderer renderer = new PDFRenderer(document);
      for (int i = 0; i < document.getNumberOfPages(); i++) {
        BufferedImage page = renderer.renderImageWithDPI(i, DENSITY, ImageType.RGB);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(page, "jpeg", out);
        pages.add(out.toByteArray());
      }
    }
    return pages;
  }
}
