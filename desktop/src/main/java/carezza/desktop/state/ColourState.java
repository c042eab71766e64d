package carezza.desktop.state;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

import carezza.desktop.task.Lane;
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

  private static final long REST_MILLIS = 250;

  private final BenchModel model;
  private final Lane looking = Lane.droppable("colours");
  private final Lane aiming = Lane.droppable("aim");

  /** Whether an aim is being looked for that was asked for. */
  private boolean aimed;

  private final ObjectProperty<Found> found = new SimpleObjectProperty<>();

  ColourState(BenchModel model) {
    this.model = model;
    model.selectedProperty().addListener((o, was, is) -> follow());
    model.projectProperty().addListener((o, was, is) -> follow());
  }

  /**
   * What was found for a layer; null for what it has no use for.
   *
   * @param hints places that are likely to be neutral
   */
  public record Found(
      String layer,
      ColourPlot plot,
      Matching matching,
      Measurements readings,
      List<NeutralHint> hints) {}

  public ObjectProperty<Found> foundProperty() {
    return found;
  }

  /** What was found for the selected layer. */
  public Optional<Found> found() {
    return Optional.ofNullable(found.get())
        .filter(f -> Objects.equals(f.layer(), model.selectedProperty().get()));
  }

  private void follow() {
    Layer layer = model.selectedLayer().orElse(null);
    if (layer == null || !interesting(layer)) {
      looking.cancel();
      return;
    }
    Project project = model.projectProperty().get();
    Session session = model.session();
    looking.newest(
        cancellation -> {
          Thread.sleep(REST_MILLIS);
          cancellation.check();
          return look(session.colour(), project, layer, cancellation);
        },
        found::set,
        model::fail);
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
    String id = model.selectedProperty().get();
    Project project = model.projectProperty().get();
    Session session = model.session();
    aiming.newest(
        cancellation -> session.colour().endPoints(project, id, cancellation),
        (EndPoints ends) -> {
          if (session != model.session() || model.stack().find(id).isEmpty()) {
            return;
          }
          model.edit(
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
                            own.darks(),
                            own.lights());
                      }));
        },
        model::fail);
  }

  /** Brings the selected layer's aims back into their bands, whatever lies above it. */
  public void reaim() {
    String id = model.selectedProperty().get();
    Project asked = model.projectProperty().get();
    Session session = model.session();
    model.messageProperty().set("Aiming anew at the end of the stack …; Escape stops");
    aimed = true;
    aiming.newest(
        cancellation -> session.colour().reaimed(asked, id, cancellation),
        layer -> {
          aimed = false;
          if (session != model.session()
              || !model.stack().find(id).equals(asked.stack().find(id))) {
            model.messageProperty().set("The layer was changed meanwhile; ask once more");
          } else {
            model.edit(null, p -> p.edit(id, l -> layer));
            model.messageProperty().set("Aimed anew; its gauges are read at the end of the stack");
          }
        },
        e -> {
          aimed = false;
          model.fail(e);
        });
  }

  /** Gives up the aim that is being looked for, and says so if there was one. */
  void stop() {
    aiming.cancel();
    if (aimed) {
      aimed = false;
      model.messageProperty().set("Stopped; nothing was changed");
    }
  }

  @Override
  public void close() {
    looking.close();
    aiming.close();
  }
}
