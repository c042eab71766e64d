package carezza.session;

import java.lang.ref.WeakReference;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

import org.jspecify.annotations.Nullable;

import carezza.codec.Photograph;
import carezza.image.PictureSize;
import carezza.job.JobLevel;
import carezza.measure.GaugeReader;
import carezza.model.Project;
import carezza.project.Document;
import carezza.render.Pyramid;
import carezza.render.ReadingStore;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.shape.Shapes;

/**
 * One photograph being retouched. Holds what is worth keeping between edits, and a service for each
 * thing that is asked of it; the project itself comes with each call. Safe for many threads.
 */
public final class Session {

  /** By what the files of their photographs hold; each lives as long as somebody has it open. */
  private static final Map<String, WeakReference<Session>> OPEN = new ConcurrentHashMap<>();

  private final Photograph photograph;
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
    this(photograph, null);
  }

  /**
   * @param content fingerprint of the photograph's file, by which what is found out is kept; null
   *     where it is not
   */
  private Session(Photograph photograph, @Nullable String content) {
    this.photograph = photograph;
    renderer =
        new Renderer(
            new Pyramid(photograph.pixels()),
            TileCache.shared(),
            photograph.sensor(),
            content == null ? ReadingStore.NONE : new KeptReadings(KeptFiles.shared(), content));
    faces =
        new Faces(renderer, content == null ? null : new KeptRegions(KeptFiles.shared(), content));
    repairs = new Repairs(this);
    readings = new Readings(this, new GaugeReader(renderer));
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

  private Session(Session known) {
    photograph = known.photograph;
    renderer = known.renderer;
    faces = known.faces;
    repairs = known.repairs;
    // The picture that was measured last, and is saved as the preview, is each document's own.
    readings = new Readings(this, known.readings.reader());
    advice = known.advice;
    colour = known.colour;
    exports = known.exports;
    planning = known.planning;
    treatments = known.treatments;
    promises = known.promises;
    preflights = known.preflights;
    routines = known.routines;
    store = new Store(this);
    renderer.begin();
  }

  /**
   * A session of its own on a document's photograph. Where the same photograph is open already, all
   * that is known of it is shared: its pixels, regions, tiles and readings.
   */
  public static Session of(Document document) {
    String content = document.project().photograph().sha256();
    OPEN.values().removeIf(open -> open.get() == null);
    WeakReference<Session> open = OPEN.get(content);
    Session known = open == null ? null : open.get();
    if (known != null) {
      return new Session(known);
    }
    Session first = new Session(document.photograph(), content);
    OPEN.put(content, new WeakReference<>(first));
    return first;
  }

  public Photograph photograph() {
    return photograph;
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
