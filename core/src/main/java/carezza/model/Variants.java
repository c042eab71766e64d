package carezza.model;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The variants of a project but for the stack and frame of the one at work, which are the project's
 * own.
 *
 * @param name of the one at work; empty while it is the only one
 * @param place of the one at work among all
 * @param others the rest, in their order
 */
public record Variants(String name, int place, List<Variant> others) {

  /** A single stack without a name. */
  public static final Variants NONE = new Variants("", 0, List.of());

  /** Most that a project may have. */
  public static final int MOST = 32;

  public Variants {
    others = List.copyOf(others);
    Require.most("the list of variants", others.size() + 1, MOST);
    if (place < 0 || place > others.size()) {
      throw new IllegalArgumentException(
          "the variant at work is number %d of %d".formatted(place + 1, others.size() + 1));
    }
    Set<String> names = new HashSet<>(Set.of(name));
    for (Variant other : others) {
      if (!names.add(other.name())) {
        throw new IllegalArgumentException("two variants are called '" + other.name() + "'");
      }
    }
    if (!others.isEmpty() && name.isBlank()) {
      throw new IllegalArgumentException("a variant has no name");
    }
  }

  public boolean isEmpty() {
    return others.isEmpty();
  }

  /** Names of all in their order; none for a single one. */
  public List<String> names() {
    if (isEmpty()) {
      return List.of();
    }
    List<String> names = new ArrayList<>(others.stream().map(Variant::name).toList());
    names.add(place, name);
    return List.copyOf(names);
  }
}
