package carezza.model;

import java.util.Objects;

import org.jspecify.annotations.Nullable;

/**
 * Something that must not be touched, in the words it was agreed on.
 *
 * @param words such as 'keep the scar'
 * @param rule what must not happen there
 * @param region where, by name; null for a place
 * @param place where, an ellipse in photograph pixels; null for a region
 */
public record Promise(
    String words, Rule rule, @Nullable SemanticRegion region, Mask.@Nullable Ellipse place) {

  /** What must not happen. */
  public enum Rule {
    /** Stays as it is. */
    UNCHANGED,
    NOT_LIGHTER,
    NOT_DARKER
  }

  public Promise {
    Require.present("words", words);
    Require.present("rule", rule);
    if ((region == null) == (place == null)) {
      throw new IllegalArgumentException("a promise has either a region or a place");
    }
    if (words.length() > 200) {
      throw new IllegalArgumentException("words of a promise are longer than 200 characters");
    }
  }

  /** Of an area by its name. */
  public static Promise of(String words, Rule rule, SemanticRegion region) {
    return new Promise(words, rule, region, null);
  }

  /** Where it holds. */
  public Mask where() {
    return place != null ? place : new Mask.RegionMask(Objects.requireNonNull(region));
  }
}
