package carezza.recipe;

import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A file's name made of words in braces: {@code {sitter}}, {@code {number}} (of the picture in its
 * set, three digits), {@code {date}} (year, month, day), {@code {output}}, {@code {variant}} and
 * {@code {photograph}}. Whatever no file system takes becomes a hyphen.
 */
public record NamePattern(String pattern) {

  private static final Pattern WORD = Pattern.compile("\\{([^{}]*)\\}");

  /**
   * What words stand for.
   *
   * @param variant empty where a picture has only one
   */
  public record Words(
      String sitter, int number, LocalDate date, String photograph, String variant) {

    /** Of the only variant of a picture. */
    public Words(String sitter, int number, LocalDate date, String photograph) {
      this(sitter, number, date, photograph, "");
    }

    public Words of(String otherVariant) {
      return new Words(sitter, number, date, photograph, otherVariant);
    }
  }

  private static final String VARIANT = "{variant}";

  public NamePattern {
    Matcher words = WORD.matcher(pattern);
    while (words.find()) {
      String word = words.group(1);
      switch (word) {
        case "sitter", "number", "date", "output", "photograph", "variant" -> {}
        default ->
            throw new IllegalArgumentException("no word of a file's name is called '" + word + "'");
      }
    }
    if (pattern.isBlank() || pattern.contains("/") || pattern.contains("\\")) {
      throw new IllegalArgumentException(
          "a file's name is to be something, and no folder: '" + pattern + "'");
    }
  }

  /**
   * The name, without an ending. A variant's is put behind it where the pattern does not say it, so
   * that no two of a picture have the same.
   */
  public String name(Words words, String output) {
    boolean says = words.variant().isEmpty() || pattern.contains(VARIANT);
    String own = named(pattern, words, output);
    return says ? own : own + "-" + named(VARIANT, words, output);
  }

  private static String named(String pattern, Words words, String output) {
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
                          case "variant" -> words.variant();
                          default -> words.photograph();
                        }));
    String safe = named.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]+", "-").strip();
    String shown = safe.replaceAll("^\\.+", "").replaceAll("[. -]+$", "");
    return shown.isEmpty() ? "picture" : shown;
  }
}
