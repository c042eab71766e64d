package carezza.desktop.layer;

import java.util.Objects;
import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.TrapezoidEditor;
import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.model.LayerStack;
import carezza.model.Mask.Quantity;
import carezza.model.Project;
import carezza.session.Session;

/**
 * Counts a quantity in what the layer in hand gets, behind the scenes; anew when that has changed.
 */
final class RangeHistogram {

  private final AppState state;
  private final Lane counting;
  private @Nullable LayerStack countedUnder;
  private @Nullable Quantity counted;

  /**
   * @param counting lane for it
   */
  RangeHistogram(AppState state, Lane counting) {
    this.state = state;
    this.counting = counting;
  }

  void count(Quantity quantity, Consumer<double[]> shown) {
    String layer = state.selection().selected();
    LayerStack stack = state.document().stack();
    LayerStack under = stack.lowest(Math.max(0, stack.indexOf(layer)));
    if (quantity == counted && Objects.equals(under, countedUnder)) {
      return;
    }
    counted = quantity;
    countedUnder = under;
    Session session = state.document().session();
    Project project = state.document().project();
    counting.newest(
        cancellation ->
            session
                .readings()
                .histogram(project, layer, quantity, TrapezoidEditor.BINS, cancellation),
        shown,
        state.status()::fail);
  }
}
