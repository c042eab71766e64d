package carezza.recipe;

import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A named list of files that a picture leaves as.
 *
 * @param outputs at least one, each with a name of its own
 */
public record Recipe(String name, List<Output> outputs) {

  public Recipe {
    outputs = List.copyOf(outputs);
    if (outputs.isEmpty()) {
      throw new IllegalArgumentException("the recipe has no outputs");
    }
    Set<String> names = new HashSet<>();
    for (Output output : outputs) {
      if (!names.add(output.name())) {
        throw new IllegalArgumentException("two outputs are called '" + output.name() + "'");
      }
    }
  }
}
