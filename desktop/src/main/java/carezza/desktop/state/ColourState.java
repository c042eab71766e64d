package carezza.desktop.state;

import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

import org.jspecify.annotations.Nullable;

import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.kernel.Measurements;
import carezza.measure.ColourPlot;
import carezza.measure.EndPoints;
import carezza.measure.Matching;
import carezza.measure.NeutralHint;
import carezza.model.HueBandsLayer;
import carezza.model.HueShiftLayer;
import carezza.model.IrisLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;
import carezza.model.LipsLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.Project;
import carezza.model.SaturationLayer;
import carezza.model.ScleraLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.TeethLayer;
import carezza.model.WhiteBalanceLayer;
import carezza.session.ColourAdvice;
import carezza.session.Session;

/** What is known of the colours that the selected layer works on; follows when the hand rests. */
public final class ColourState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("state");

  private static final Duration REST = Duration.ofMillis(250);

  private final DocumentState document;
  private final SelectionController selection;
  private final Status status;
  private final Lane looking;
  private final Lane aiming;

  private final ObjectProperty<Found> found = new SimpleObjectProperty<>();

  public ColourState(
      DocumentState document, SelectionController selection, Status status, TaskRunner tasks) {
    this.document = document;
    this.selection = selection;
    this.status = status;
    looking = tasks.droppable("colours");
    aiming = tasks.droppable("aim");
    selection.selectedProperty().subscribe((was, is) -> follow());
    document.projectProperty().subscribe((was, is) -> follow());
  }

  /**
   * What was found for a layer; null for what it has no use for.
   *
   * @param hints places that are likely to be neutral
   */
  public record Found(
      String layer,
      @Nullable ColourPlot plot,
      @Nullable Matching matching,
      @Nullable Measurements readings,
      List<NeutralHint> hints) {}

  public ObjectProperty<Found> foundProperty() {
    return found;
  }

  /** What was found for the selected layer. */
  public Optional<Found> found() {
    return Optional.ofNullable(found.get())
        .filter(f -> Objects.equals(f.layer(), selection.selected()));
  }

  private void follow() {
    Layer layer = selection.layer().orElse(null);
    if (layer == null || !interesting(layer)) {
      looking.cancel();
      return;
    }
    Project project = document.project();
    Session session = document.session();
    looking.rested(
        REST,
        cancellation -> {
          return look(session.colour(), project, layer, cancellation);
        },
        found::set,
        status::fail);
  }

  private static boolean interesting(Layer layer) {
    return plotted(layer)
        || hinted(layer)
        || layer instanceof SkinMatchLayer
        || layer instanceof TeethLayer
        || layer instanceof ScleraLayer
        || layer instanceof IrisLayer
        || layer instanceof LipsLayer;
  }

  private static boolean plotted(Layer layer) {
    return layer instanceof SkinToneEveningLayer
        || layer instanceof HueShiftLayer
        || layer instanceof HueBandsLayer
        || layer instanceof SaturationLayer;
  }

  private static boolean hinted(Layer layer) {
    return layer instanceof WhiteBalanceLayer || layer instanceof NeutralPointsLayer;
  }

  private static Found look(
      ColourAdvice advice, Project project, Layer layer, Cancellation cancellation) {
    String id = layer.attributes().id();
    return new Found(
        id,
        plotted(layer) ? advice.colours(project, id, cancellation) : null,
        layer instanceof SkinMatchLayer ? advice.matched(project, id, cancellation) : null,
        hinted(layer) ? null : advice.readings(project, id, cancellation),
        hinted(layer) ? advice.neutrals(project, id, cancellation) : List.of());
  }

  /** Sets the ends of the selected range layer to where the first pixels clip. */
  public void findEnds() {
    String id = selection.selected();
    Project project = document.project();
    Session session = document.session();
    aiming.newest(
        cancellation -> session.colour().endPoints(project, id, cancellation),
        (EndPoints ends) -> {
          if (session != document.session() || document.stack().find(id).isEmpty()) {
            return;
          }
          document.edit(
              null,
              p ->
                  p.edit(
                      id,
                      l -> {
                        LevelsLayer own = (LevelsLayer) l;
                        return new LevelsLayer(
                            own.attributes(),
                            Math.clamp(ends.black(), -0.2, 0.4),
                            Math.clamp(ends.white(), 0.5, 1.5),
                            own.shadows(),
                            own.highlights());
                      }));
        },
        status::fail);
  }

  /** Brings the selected layer's aims back into their bands, whatever lies above it. */
  public void reaim() {
    String id = selection.selected();
    Project asked = document.project();
    Session session = document.session();
    aiming.cancel();
    Status.Job job =
        status.begin(TEXTS.get("colourState.aiming-anew-at-the-end-of"), aiming::cancel);
    aiming.newest(
        cancellation -> session.colour().reaimed(asked, id, cancellation),
        layer -> {
          if (session != document.session()
              || !document.stack().find(id).equals(asked.stack().find(id))) {
            status.say(TEXTS.get("colourState.the-layer-was-changed-meanwhile-ask"));
          } else {
            document.edit(null, p -> p.edit(id, l -> layer));
            status.say(TEXTS.get("colourState.aimed-anew-its-gauges-are-read"));
          }
        },
        status::fail,
        job::end);
  }

  @Override
  public void close() {
    looking.close();
    aiming.close();
  }
}
