package carezza.desktop.view.deliver;

import java.util.List;

import carezza.recipe.Recipe;

/** The recipes at hand, and what can be done with them. */
public interface Recipes {

  /** Those that ship and the retoucher's own; reads files. */
  List<Recipe> all();

  /** Whether it is the retoucher's own, which can be changed. */
  boolean isOwn(Recipe recipe);

  /**
   * Lets the retoucher make another of one, or change it.
   *
   * @param done runs when it was kept
   */
  void edit(Recipe recipe, boolean another, Runnable done);

  void remove(Recipe recipe);
}
