package carezza.session;

import java.util.List;
import java.util.Optional;

import carezza.function.Recent;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.measure.Blemish;
import carezza.measure.BlemishFinder;
import carezza.measure.HairFinder;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.render.RenderInput;
import carezza.render.Renderer.Readiness;

/** What is to be healed, and what it is healed from. Safe for many threads. */
public final class Repairs {

  /** What is looked at around a stroke for hairs. */
  private static final int HAIR_MARGIN = 16;

  private final Session session;

  /** Proposals by what they were made on, before any were kept. */
  private final Recent<Object, List<Blemish>> found = new Recent<>(4);

  Repairs(Session session) {
    this.session = session;
  }

  /**
   * Proposals on what the Settle stage makes of the photograph, but for marks that are kept as the
   * person's own; none without a face map.
   *
   * @param sensitivity 1 as usual, more for fainter ones
   */
  public List<Blemish> blemishes(Project project, double sensitivity, Cancellation cancellation) {
    if (project.faces() == null) {
      return List.of();
    }
    int level = BlemishFinder.level(project.faces());
    LayerStack settled = project.stack().lowest(project.stack().through(Stage.SETTLE));
    RenderInput scene = new RenderInput(settled, session.faces().regions(project.allFaces()));
    List<Blemish> all =
        found.of(
            List.of(scene, sensitivity),
            () ->
                BlemishFinder.find(
                    session
                        .renderer()
                        .render(
                            scene,
                            session.size().atLevel(level).area(),
                            level,
                            Readiness.EXACT,
                            cancellation),
                    scene.regions(),
                    sensitivity));
    return all.stream()
        .filter(b -> project.kept().stream().noneMatch(k -> k.holds(new Point(b.x(), b.y()))))
        .toList();
  }

  /**
   * The project with a source for every repair that had none, so that they stay where they are from
   * now on.
   */
  public Project withSources(Project project, Cancellation cancellation) {
    Project settled = project;
    for (Layer layer : project.stack().layers()) {
      boolean open =
          layer instanceof HealLayer heal
              && heal.acts()
              && heal.patches().stream().anyMatch(Patch::open);
      if (open) {
        String id = layer.attributes().id();
        RenderInput below = session.scene(settled).upTo(id);
        HealLayer found = (HealLayer) session.renderer().resolved(below, id, cancellation);
        settled = settled.edit(id, l -> ((HealLayer) l).withPatches(found.patches()));
      }
    }
    return settled;
  }

  /**
   * Places that a piece of a repair could take its skin from, the best first; none if none is
   * allowed.
   *
   * @param most how many at most
   */
  public List<Source> sources(
      Project project, String layer, Piece piece, int most, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    return session.renderer().sources(scene.upTo(layer), layer, piece, most, cancellation);
  }

  /**
   * The stray hair that a stroke was drawn along, on what lies below a layer; nothing if none
   * stands out.
   *
   * @param drawn its radius says how far off the hair may be
   */
  public Optional<Stroke> hair(
      Project project, String layer, Stroke drawn, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    Area around = drawn.bounds().grow(HAIR_MARGIN).intersect(session.size().area());
    if (around.isEmpty()) {
      return Optional.empty();
    }
    Picture below =
        session.renderer().render(scene.below(layer), around, 0, Readiness.EXACT, cancellation);
    return HairFinder.along(drawn, below);
  }
}
