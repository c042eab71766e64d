package carezza.desktop.style;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javafx.scene.Parent;

/** How large text is, in percent of the usual; chosen before the window is made. */
public final class TextSize {

  /** The setting that holds the chosen one. */
  public static final String SETTING = "text.size";

  private static final int[] SIZES = {100, 125, 150};

  private static final Pattern SIZED =
      Pattern.compile("([^{}]+)\\{[^}]*-fx-font-size:\\s*([\\d.]+)px[^}]*}");

  private static int percent = SIZES[0];

  private TextSize() {}

  /** Takes the size of a setting; the usual one where it is none of the sizes. */
  public static void choose(String setting) {
    percent = SIZES[0];
    for (int size : SIZES) {
      if (Integer.toString(size).equals(setting)) {
        percent = size;
      }
    }
  }

  public static int percent() {
    return percent;
  }

  /** The size after this one; after the largest, the usual. */
  public static int next() {
    for (int size : SIZES) {
      if (size > percent) {
        return size;
      }
    }
    return SIZES[0];
  }

  /** A length that holds text, grown with it. */
  public static double px(double usual) {
    return usual * percent / 100;
  }

  /**
   * Dresses a root whose style sheet is this resource.
   *
   * @param sheet on the class path
   */
  public static void apply(Parent root, String sheet) {
    root.getStylesheets().add(TextSize.class.getResource(sheet).toString());
    if (percent == SIZES[0]) {
      return;
    }
    try (InputStream in = TextSize.class.getResourceAsStream(sheet)) {
      String larger = larger(new String(in.readAllBytes(), StandardCharsets.UTF_8));
      root.getStylesheets()
          .add(
              "data:text/css;base64,"
                  + Base64.getEncoder().encodeToString(larger.getBytes(StandardCharsets.UTF_8)));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The rules of a sheet that say a size of text, with that size grown and nothing else. */
  static String larger(String css) {
    return SIZED
        .matcher(css.replaceAll("(?s)/\\*.*?\\*/", ""))
        .results()
        .map(
            rule ->
                String.format(
                    Locale.ROOT,
                    "%s { -fx-font-size: %.1fpx; }",
                    rule.group(1).strip(),
                    px(Double.parseDouble(rule.group(2)))))
        .collect(Collectors.joining("\n"));
  }
}
