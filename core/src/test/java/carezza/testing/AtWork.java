package carezza.testing;

import java.lang.ref.SoftReference;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

import carezza.codec.PictureReader;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.measure.Gauge;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;

/**
 * A portrait at work, its face found as for anyone.
 *
 * @param plain without a layer
 */
public record AtWork(Session session, Project plain) {

  /** Finding a face takes seconds, so each is kept while there is memory for it. */
  private static final Map<Portrait, SoftReference<AtWork>> KEPT = new EnumMap<>(Portrait.class);

  public static synchronized AtWork on(Portrait portrait) {
    SoftReference<AtWork> reference = KEPT.get(portrait);
    AtWork known = reference == null ? null : reference.get();
    if (known == null) {
      known = begun(portrait);
      KEPT.put(portrait, new SoftReference<>(known));
    }
    return known;
  }

  private static AtWork begun(Portrait portrait) {
    byte[] photo = portrait.bytes("photo.jpg");
    try {
      Session session = new Session(PictureReader.decode(photo, "photo.jpg"));
      Project project = ProjectFile.start(photo, "photo.jpg").project();
      return new AtWork(session, session.faces().withFace(project, Cancellation.NONE));
    } catch (Problem e) {
      throw new IllegalStateException(e);
    }
  }

  public Project with(Layer... layers) {
    return plain.withStack(LayerStack.of(layers));
  }

  public List<Gauge> gauges(Layer... layers) {
    return session.readings().gauges(with(layers), Cancellation.NONE);
  }

  public Gauge gauge(String id, Layer... layers) {
    return gauges(layers).stream().filter(g -> g.id().equals(id)).findFirst().orElseThrow();
  }

  public double read(String id, Layer... layers) {
    return gauge(id, layers).after();
  }

  /** The whole of the finished picture at a level. */
  public Picture finished(int level, Layer... layers) {
    return finished(session.size().atLevel(level).area(), level, layers);
  }

  /** An area of the finished picture. */
  public Picture finished(Area area, int level, Layer... layers) {
    return session
        .renderer()
        .render(session.scene(with(layers)), area, level, Readiness.EXACT, Cancellation.NONE);
  }
}
