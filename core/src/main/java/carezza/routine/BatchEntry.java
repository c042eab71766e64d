package carezza.routine;

import java.util.List;

import carezza.recipe.Preflight;

/**
 * What became of one photograph of a batch.
 *
 * @param number of the photograph in the whole batch, from 1
 * @param photograph its path as it was given
 * @param problem the sentence, or empty where it was done
 * @param files that were written
 * @param preflight what is to be known of the picture
 * @param idle names of layers that did nothing, as no face was found
 * @param seconds that it took
 */
public record BatchEntry(
    int number,
    String photograph,
    State state,
    String problem,
    List<String> files,
    Preflight preflight,
    List<String> idle,
    double seconds) {

  /** How it ended. */
  public enum State {
    DONE,
    /** Done by an earlier run, which was resumed. */
    EARLIER,
    FAILED
  }

  public boolean failed() {
    return state == State.FAILED;
  }
}
