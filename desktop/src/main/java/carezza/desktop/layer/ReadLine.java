package carezza.desktop.layer;

import java.time.Duration;
import javafx.scene.control.Label;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.image.Cancellation;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.session.Session;

/** What is read of the selected layer's work, in words; read anew once the hand rests. */
final class ReadLine<L extends Layer> extends Label {

  private static final Duration REST = Duration.ofMillis(300);

  /** Reads a layer of a project, off the interface thread. */
  @FunctionalInterface
  interface Reading<L> {
    String of(Session session, Project project, L layer, Cancellation cancellation);
  }

  private final AppState state;
  private final L layer;
  private final Class<L> type;
  private final String waiting;
  private final Reading<L> reading;
  private final Lane lane;

  /** What was read, or is being read. */
  private @Nullable Project of;

  /**
   * @param lane that it reads on
   * @param waiting what it says meanwhile
   */
  ReadLine(
      String id,
      AppState state,
      Lane lane,
      L layer,
      Class<L> type,
      String waiting,
      Reading<L> reading) {
    this.state = state;
    this.layer = layer;
    this.type = type;
    this.waiting = waiting;
    this.reading = reading;
    this.lane = lane;
    setId(id);
    setWrapText(true);
    getStyleClass().add("row-words");
  }

  void refresh() {
    Project now = state.document().project();
    L own = state.selection().layer(type).orElse(null);
    if (own == null || !own.attributes().id().equals(layer.attributes().id()) || now == of) {
      return;
    }
    of = now;
    if (!own.acts()) {
      lane.cancel();
      setText("");
      return;
    }
    setText(waiting);
    Session session = state.document().session();
    lane.rested(
        REST,
        cancellation -> reading.of(session, now, own, cancellation),
        this::setText,
        state.status()::fail);
  }
}
