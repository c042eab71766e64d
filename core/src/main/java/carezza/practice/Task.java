package carezza.practice;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.LayerStack;

/**
 * An exercise on one picture.
 *
 * @param seed makes the same one again
 * @param photograph what is worked on, working space
 * @param truth what it was before faults were painted in; the photograph itself where the exercise
 *     has no one answer
 * @param region coverage of what is judged
 * @param fault coverage of what was painted in, where the fault is removed
 * @param blemishes that were painted in
 * @param marks that are the sitter's own, painted in as well
 * @param start the stack that it begins with
 * @param answer the stack that would be right, where that is what is asked for; the truth is then
 *     the photograph rendered through it
 */
public record Task(
    Exercise exercise,
    Sitter sitter,
    long seed,
    Picture photograph,
    Picture truth,
    Plane region,
    Plane fault,
    List<Spot> blemishes,
    List<Spot> marks,
    LayerStack start,
    @Nullable LayerStack answer) {

  public Task {
    blemishes = List.copyOf(blemishes);
    marks = List.copyOf(marks);
  }

  /** How many spots there are to find or to heal. */
  public int count() {
    return blemishes.size();
  }
}
