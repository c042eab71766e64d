package carezza.session;

import carezza.codec.Photograph;
import carezza.image.PictureSize;
import carezza.job.JobLevel;
import carezza.model.Project;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.shape.Shapes;

/**
 * One photograph being retouched. Holds what is worth keeping between edits, and a service for each
 * thing that is asked of it; the project itself comes with each call. Safe for many threads.
 */
public final class Session {

  private final Renderer renderer;
  private final Faces faces;
  private final Repairs repairs;
  private final Readings readings;
  private final Advice advice;
  private final ColourAdvice colour;
  private final Exports exports;
  private final Planning planning;
  private final Treatments treatments;
  private final Promises promises;
  private final Preflights preflights;
  private final Routines routines;
  private final Store store;

  public Session(Photograph photograph) {
    renderer =
        new Renderer(new Pyramid(photograph.pixels()), TileCache.shared(), photograph.sensor());
    faces = new Faces(renderer);
    repairs = new Repairs(this);
    readings = new Readings(this);
    advice = new Advice(this);
    colour = new ColourAdvice(this);
    exports = new Exports(this, photograph.metadata());
    planning = new Planning(this);
    treatments = new Treatments(this);
    promises = new Promises(this);
    preflights = new Preflights(this);
    routines = new Routines(this);
    store = new Store(this);
  }

  public Renderer renderer() {
    return renderer;
  }

  public PictureSize size() {
    return renderer.size();
  }

  /** The whole stack over the regions of the project's face map; finds these when it is new. */
  public RenderInput scene(Project project) {
    return new RenderInput(
        project.stack(), faces.regions(project.allFaces()), JobLevel.of(project.brief()));
  }

  /** Where places are seen in what is rendered. */
  public Shapes shapes(RenderInput scene) {
    return Shapes.of(scene.stack(), renderer.site(scene, 0));
  }

  /** What is measured of a project: as it is rendered, but with its shape as it was taken. */
  RenderInput measured(Project project) {
    return scene(project).unshaped();
  }

  public Faces faces() {
    return faces;
  }

  public Repairs repairs() {
    return repairs;
  }

  public Readings readings() {
    return readings;
  }

  /** What is measured for the retoucher who asks for advice. */
  public Advice advice() {
    return advice;
  }

  /** What is measured of colour. */
  public ColourAdvice colour() {
    return colour;
  }

  public Exports exports() {
    return exports;
  }

  /** What there is to do. */
  public Planning planning() {
    return planning;
  }

  /** What treats what was found. */
  public Treatments treatments() {
    return treatments;
  }

  /** What was promised not to be touched. */
  public Promises promises() {
    return promises;
  }

  /** What is to be known before a picture leaves. */
  public Preflights preflights() {
    return preflights;
  }

  /** Layers that are measured anew. */
  public Routines routines() {
    return routines;
  }

  public Store store() {
    return store;
  }
}
