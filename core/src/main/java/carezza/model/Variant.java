package carezza.model;

import org.jspecify.annotations.Nullable;

/**
 * Another finish of the same photograph: a stack of its own, and what of the picture it delivers.
 * Face map, kept marks and what was agreed on belong to all variants.
 *
 * @param name shown, and the word {@code {variant}} of file names
 * @param crop null to deliver all
 */
public record Variant(String name, @Nullable Crop crop, LayerStack stack) {

  public Variant {
    Require.present("the name of a variant", name);
    Require.present("the stack of a variant", stack);
    if (name.isBlank()) {
      throw new IllegalArgumentException("a variant has no name");
    }
  }

  public Variant named(String newName) {
    return new Variant(newName, crop, stack);
  }
}
