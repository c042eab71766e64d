package carezza.recipe;

import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A file's name made of words in braces: {@code {sitter}}, {@code {number}} (of the picture in its
 * set, three digits), {@code {date}} (year, month, day), {@code {output}} and {@code {photograph}}.
 * Whatever no file system takes becomes a hyphen.
 */
public record NamePattern(String pattern) {

  private static final Pattern WORD = Pattern.compile("\\{([^{}]*)\\}");

  /** What words stand for. */
  public record Words(String sitter, int number, LocalDate date, String photograph) {}

  public NamePattern {
    Matcher words = WORD.matcher(pattern);
    while (words.find()) {
      String word = words.group(1);
      switch (word) {
        case "sitter", "number", "date", "output", "photograph" -> {}
        default ->
            throw new IllegalArgumentException("no word of a file's name is called '" + word + "'");
      }
    }
    if (pattern.isBlank() || pattern.contains("/") || pattern.contains("\\")) {
      throw new IllegalArgumentException(
          "a file's name is to be something, and no folder: '" + pattern + "'");
    }
  }

  /** The name, without an ending. */
  public String name(Words words, String output) {
    String named =
        WORD.matcher(pattern)
            .replaceAll(
                m ->
                    Matcher.quoteReplacement(
                        switch (m.group(1)) {
                          case "sitter" -> words.sitter();
                          case "number" -> "%03d".formatted(words.number());
                          case "date" -> words.date().toString();
                          case "output" -> output;
                          default -> words.photograph();
                        }));
    String safe = named.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]+", "-").strip();
    String shown = safe.replaceAll("^\\.+", "").replaceAll("[. -]+$", "");
    return shown.isEmpty() ? "picture" : shown;
  }
}
