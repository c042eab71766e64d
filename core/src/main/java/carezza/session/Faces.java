package carezza.session;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.face.FaceAnalysis;
import carezza.function.Recent;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.model.FaceMap;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;

/**
 * The faces of a photograph at work, and the regions that follow from their maps. Safe for many
 * threads.
 */
public final class Faces {

  /** Maps whose regions are kept: a correction and what it corrected, for undo. */
  private static final int MOST_KEPT = 2;

  private final Renderer renderer;
  private final @Nullable KeptRegions kept;
  private final Recent<List<FaceMap>, Regions> regions = new Recent<>(MOST_KEPT);
  private @Nullable Plane subject;

  /**
   * @param kept where regions outlast the session; null where they do not
   */
  Faces(Renderer renderer, @Nullable KeptRegions kept) {
    this.renderer = renderer;
    this.kept = kept;
  }

  synchronized Regions regions(List<FaceMap> faces) {
    if (faces.isEmpty()) {
      return Regions.none();
    }
    return regions.of(
        faces, () -> kept == null ? found(faces) : kept.of(faces, () -> found(faces)));
  }

  private Regions found(List<FaceMap> faces) {
    int level = Regions.level(faces.getFirst());
    return Regions.find(renderer.photograph().level(level), faces, subject());
  }

  private synchronized Plane subject() {
    if (subject == null) {
      subject =
          FaceAnalysis.shared()
              .subject(renderer.photograph().level(FaceAnalysis.level(renderer.size())));
    }
    return subject;
  }

  /**
   * Faces as the networks find them on what the Settle stage makes of the photograph, so that a
   * dark or green one works, too; the largest first, none if there is none.
   */
  public List<FaceMap> findFaces(Project project, Cancellation cancellation) {
    int level = FaceAnalysis.level(renderer.size());
    LayerStack settled = project.stack().lowest(project.stack().through(Stage.SETTLE));
    Picture picture =
        renderer.render(
            new RenderInput(settled, Regions.none()),
            renderer.size().atLevel(level).area(),
            level,
            Readiness.EXACT,
            cancellation);
    return FaceAnalysis.shared().faces(picture, level);
  }

  /** The project with the maps of its faces, if it had none and there are any. */
  public Project withFace(Project project, Cancellation cancellation) {
    return project.faces() != null
        ? project
        : project.withAllFaces(findFaces(project, cancellation));
  }

  /**
   * The project with its faces looked for anew. Parts that were put right by hand stay; so do,
   * where a face is not found again, maps with such parts.
   */
  public Project withFacesAnew(Project project, Cancellation cancellation) {
    List<FaceMap> earlier = new ArrayList<>(project.allFaces());
    List<FaceMap> maps = new ArrayList<>();
    for (FaceMap found : findFaces(project, cancellation)) {
      FaceMap same = earlier.stream().filter(found::sameFaceAs).findFirst().orElse(null);
      earlier.remove(same);
      maps.add(same == null ? found : found.keeping(same));
    }
    earlier.stream().filter(f -> !f.corrected().isEmpty()).forEach(maps::add);
    return maps.isEmpty() ? project : project.withAllFaces(maps);
  }

  /** Coverage of a region at full size. */
  public Plane region(Project project, SemanticRegion region) {
    return regions(project.allFaces()).coverage(region, renderer.size().area(), 0);
  }
}
