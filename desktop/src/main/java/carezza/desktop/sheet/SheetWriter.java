package carezza.desktop.sheet;

import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.jspecify.annotations.Nullable;

import carezza.desktop.text.Language;
import carezza.desktop.text.Texts;

/** Lays words, tables and pictures out on pages, from the top down. Lengths in points. */
final class SheetWriter implements Closeable {

  private static final Texts TEXTS = Texts.of("sheets");

  private static final float MARGIN = 48;
  private static final float FOOT = 60;
  private static final float LEADING = 1.38f;
  private static final float TITLE = 20;
  private static final float HEADING = 11;
  private static final float TEXT = 9.5f;
  private static final float SMALL = 8;
  private static final float GUTTER = 14;
  private static final float FAINT = 0.45f;
  private static final float TALLEST_PICTURE = 300;

  private final PDDocument document = new PDDocument();
  private final Paper paper;
  private final PDType0Font regular;
  private final PDType0Font medium;
  private PDPageContentStream page;
  private float y;

  SheetWriter(Paper paper, String title) throws IOException {
    this.paper = paper;
    regular = font("Inter-Regular");
    medium = font("Inter-Medium");
    PDDocumentInformation about = document.getDocumentInformation();
    about.setTitle(title);
    about.setCreator("Carezza");
    document.getDocumentCatalog().setLanguage(Language.now().tag());
    page = begin();
  }

  private PDType0Font font(String name) throws IOException {
    try (InputStream in =
        SheetWriter.class.getResourceAsStream("/carezza/desktop/fonts/" + name + ".ttf")) {
      return PDType0Font.load(document, in, true);
    }
  }

  /** Work on a page that can only fail where memory does. */
  @FunctionalInterface
  private interface Drawing {
    void run() throws IOException;
  }

  private static void draw(Drawing drawing) {
    try {
      drawing.run();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private PDPageContentStream begin() throws IOException {
    PDPage fresh = new PDPage(paper.size());
    document.addPage(fresh);
    y = paper.size().getHeight() - MARGIN;
    return new PDPageContentStream(document, fresh);
  }

  private float width() {
    return paper.size().getWidth() - 2 * MARGIN;
  }

  /** Goes to another page where this much does not fit on this one; whether it did. */
  private boolean need(float height) throws IOException {
    boolean full = y - height < FOOT;
    if (full) {
      page.close();
      page = begin();
    }
    return full;
  }

  // --- parts

  void title(String words, String below) {
    draw(
        () -> {
          lines(medium, TITLE, wrapped(medium, TITLE, words, width()), 0);
          lines(regular, TEXT, wrapped(regular, TEXT, below, width()), FAINT);
          y -= GUTTER;
        });
  }

  /** A heading that stays with what follows. */
  void heading(String words) {
    draw(
        () -> {
          need(HEADING * LEADING + GUTTER + 3 * TEXT * LEADING);
          y -= GUTTER;
          lines(medium, HEADING, wrapped(medium, HEADING, words, width()), 0);
          y -= 3;
        });
  }

  void paragraph(String words) {
    draw(() -> lines(regular, TEXT, wrapped(regular, TEXT, words, width()), 0));
  }

  void hint(String words) {
    draw(() -> lines(regular, SMALL, wrapped(regular, SMALL, words, width()), FAINT));
  }

  private void lines(PDType0Font font, float size, List<String> lines, float grey)
      throws IOException {
    for (String line : lines) {
      need(size * LEADING);
      y -= size * LEADING;
      text(font, size, line, MARGIN, y, grey);
    }
  }

  private void text(PDType0Font font, float size, String words, float x, float base, float grey)
      throws IOException {
    page.beginText();
    page.setNonStrokingColor(grey);
    page.setFont(font, size);
    page.newLineAtOffset(x, base);
    page.showText(words);
    page.endText();
  }

  /**
   * Two pictures side by side with a line below each.
   *
   * @param left a JPEG
   * @param right a JPEG
   */
  void pair(byte[] left, String leftWords, byte[] right, String rightWords) {
    draw(
        () -> {
          PDImageXObject one = JPEGFactory.createFromByteArray(document, left);
          PDImageXObject other = JPEGFactory.createFromByteArray(document, right);
          float w = (width() - GUTTER) / 2;
          float scale =
              Math.min(
                  w / Math.max(one.getWidth(), other.getWidth()),
                  TALLEST_PICTURE / Math.max(one.getHeight(), other.getHeight()));
          float h = scale * Math.max(one.getHeight(), other.getHeight());
          need(h + SMALL * LEADING + 6);
          float second = MARGIN + Math.min(w, scale * one.getWidth()) + GUTTER;
          picture(one, MARGIN, y - h, scale);
          picture(other, second, y - h, scale);
          y -= h + SMALL * LEADING + 2;
          text(regular, SMALL, plain(regular, leftWords), MARGIN, y, FAINT);
          text(regular, SMALL, plain(regular, rightWords), second, y, FAINT);
          y -= 4;
        });
  }

  /** Pictures of equal frames in a row, each with its name and a line below. */
  void row(List<ContactSheet.Entry> entries, int columns) {
    draw(
        () -> {
          float side = (width() - (columns - 1) * GUTTER) / columns;
          need(side + 2 * SMALL * LEADING + GUTTER);
          float x = MARGIN;
          for (ContactSheet.Entry entry : entries) {
            PDImageXObject image = JPEGFactory.createFromByteArray(document, entry.picture());
            float scale = side / Math.max(image.getWidth(), image.getHeight());
            picture(image, x, y - side + (side - scale * image.getHeight()) / 2, scale);
            float base = y - side - SMALL * LEADING;
            text(medium, SMALL, fitting(medium, entry.name(), side), x, base, 0);
            float second = base - SMALL * LEADING;
            text(regular, SMALL, fitting(regular, entry.below(), side), x, second, FAINT);
            x += side + GUTTER;
          }
          y -= side + 2 * SMALL * LEADING + GUTTER;
        });
  }

  /** What of a line fits. */
  private static String fitting(PDType0Font font, String words, float width) throws IOException {
    return wrapped(font, SMALL, words, width).getFirst();
  }

  /** With a hairline around it: a white backdrop ends somewhere. */
  private void picture(PDImageXObject image, float x, float base, float scale) throws IOException {
    float w = scale * image.getWidth();
    float h = scale * image.getHeight();
    page.drawImage(image, x, base, w, h);
    hairline();
    page.addRect(x, base, w, h);
    page.stroke();
  }

  private void hairline() throws IOException {
    page.setStrokingColor(0.8f);
    page.setLineWidth(0.4f);
  }

  /**
   * Rows of cells, the first of them heads, which stand on every page; a row stays on one page.
   *
   * @param shares of the width that columns have; their sum is 1
   */
  void table(float[] shares, List<List<String>> rows) {
    draw(
        () -> {
          for (int i = 0; i < rows.size(); i++) {
            row(shares, rows.get(i), i == 0 ? null : rows.getFirst());
          }
          y -= 4;
        });
  }

  /**
   * @param heads above the rows; null for these themselves
   */
  private void row(float[] shares, List<String> cells, @Nullable List<String> heads)
      throws IOException {
    boolean head = heads == null;
    PDType0Font font = head ? medium : regular;
    List<List<String>> wrapped = new ArrayList<>();
    int most = 1;
    for (int c = 0; c < cells.size(); c++) {
      wrapped.add(wrapped(font, SMALL, cells.get(c), shares[c] * width() - 6));
      most = Math.max(most, wrapped.getLast().size());
    }
    float height = most * SMALL * LEADING + 5;
    if (need(height) && heads != null) {
      row(shares, heads, null);
    }
    float x = MARGIN;
    for (int c = 0; c < cells.size(); c++) {
      float base = y;
      for (String line : wrapped.get(c)) {
        base -= SMALL * LEADING;
        text(font, SMALL, line, x, base, head ? FAINT : 0);
      }
      x += shares[c] * width();
    }
    y -= height;
    hairline();
    page.moveTo(MARGIN, y);
    page.lineTo(MARGIN + width(), y);
    page.stroke();
  }

  // --- words

  /** Lines that fit; a word that is too long for a line is broken. */
  private static List<String> wrapped(PDType0Font font, float size, String words, float width)
      throws IOException {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : plain(font, words).split(" ")) {
      String rest = word;
      String joined = line.isEmpty() ? rest : line + " " + rest;
      if (length(font, size, joined) > width && !line.isEmpty()) {
        lines.add(line.toString());
        line.setLength(0);
      }
      while (length(font, size, rest) > width && rest.length() > 1) {
        int fits = fitting(font, size, rest, width);
        lines.add(rest.substring(0, fits));
        rest = rest.substring(fits);
      }
      line.append(line.isEmpty() ? "" : " ").append(rest);
    }
    lines.add(line.toString());
    return lines;
  }

  private static int fitting(PDType0Font font, float size, String word, float width)
      throws IOException {
    int fits = 1;
    while (fits < word.length() && length(font, size, word.substring(0, fits + 1)) <= width) {
      fits++;
    }
    return fits;
  }

  private static float length(PDType0Font font, float size, String words) throws IOException {
    return font.getStringWidth(words) / 1000 * size;
  }

  /** Without what the font has no sign for: a question mark stands there. */
  private static String plain(PDType0Font font, String words) {
    StringBuilder plain = new StringBuilder();
    words
        .replaceAll("\\s+", " ")
        .codePoints()
        .forEach(
            c -> {
              String sign = Character.toString(c);
              plain.append(hasSign(font, sign) ? sign : "?");
            });
    return plain.toString();
  }

  private static boolean hasSign(PDType0Font font, String sign) {
    try {
      font.getStringWidth(sign);
      return true;
    } catch (IOException | IllegalArgumentException e) {
      // So the font says that it has none.
      return false;
    }
  }

  // --- the end

  /** Writes the foot of each page; the whole as bytes. */
  byte[] finish() throws IOException {
    page.close();
    int count = document.getNumberOfPages();
    for (int i = 0; i < count; i++) {
      page = new PDPageContentStream(document, document.getPage(i), AppendMode.APPEND, true, true);
      String foot = plain(regular, TEXTS.get("foot", i + 1, count));
      text(regular, SMALL, foot, MARGIN, FOOT / 2, FAINT);
      page.close();
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    document.save(out);
    return out.toByteArray();
  }

  @Override
  public void close() throws IOException {
    document.close();
  }
}
