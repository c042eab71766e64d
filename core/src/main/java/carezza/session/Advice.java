package carezza.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.SeparationRadiusAdvisor;
import carezza.mask.EvaluationContext;
import carezza.measure.AmountSweep;
import carezza.measure.Blemish;
import carezza.measure.ContourGuides;
import carezza.measure.ContourGuides.Guide;
import carezza.measure.Distraction;
import carezza.measure.Distractions;
import carezza.measure.Gauge;
import carezza.measure.Gauges;
import carezza.measure.GrainEstimate;
import carezza.measure.HairTone;
import carezza.measure.LightAdvisor;
import carezza.measure.fault.BackdropReading;
import carezza.model.BackdropLayer;
import carezza.model.FaceMap;
import carezza.model.KeptMark;
import carezza.model.Lens;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.shape.EdgeTrace;
import carezza.shape.LensFit;

/**
 * What is measured on a photograph at work when the retoucher asks for advice. Safe for many
 * threads.
 */
public final class Advice {

  /** Sides of the parts that are read at full size, in pixels. */
  private static final int NOISE_READ = 1600;

  private static final int HALO_READ = 900;

  /** Pixels that a line is read over at most. */
  private static final double LINE_READ = 1600;

  /** Share of the pixels that a halo may be larger at. */
  private static final double BEYOND = 0.001;

  private final Session session;

  Advice(Session session) {
    this.session = session;
  }

  /**
   * What the face's own skin advises for a separation.
   *
   * @param curve the scan and the advice, in photograph pixels
   * @param skin a place of textured skin
   * @param eye the left iris, or the same place where there is no map of it
   */
  public record Radius(SeparationRadiusAdvisor.Advice curve, Point skin, Point eye) {}

  /**
   * The radius that is advised for a separation, measured on what lies below it.
   *
   * @param layer of the separation; null for the end of stage Mend
   */
  public Radius radius(Project project, @Nullable String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    int under = layer == null ? scene.stack().through(Stage.MEND) : scene.stack().indexOf(layer);
    int level = Renderer.analysisLevel(session.renderer().site(scene, 0).faceWidth());
    EvaluationContext context = session.renderer().site(scene, level);
    Picture input =
        session
            .renderer()
            .render(scene.through(under), context.whole(), level, Readiness.EXACT, cancellation);
    Plane skin = scene.regions().coverage(SemanticRegion.FACE_SKIN, context.whole(), level);
    SeparationRadiusAdvisor.Advice found =
        SeparationRadiusAdvisor.advise(input, skin, context.faceWidth()).times(1 / context.scale());
    Point textured = SeparationRadiusAdvisor.textured(input, skin, context.faceWidth());
    Point place = new Point(textured.x() / context.scale(), textured.y() / context.scale());
    Point eye = project.faceMap().map(FaceMap::leftPupil).orElse(place);
    return new Radius(found, place, eye);
  }

  /**
   * Low and high band of what lies below a layer, at full size.
   *
   * @param sigma of the split in photograph pixels
   * @return the low band, and the high band over middle grey
   */
  public List<Picture> bands(
      Project project, String layer, Area area, double sigma, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    Area wide = area.grow(GaussianBlur.reach(sigma)).intersect(session.size().area());
    Picture input =
        session.renderer().render(scene.below(layer), wide, 0, Readiness.QUICK, cancellation);
    Picture low = input.map(p -> GaussianBlur.blur(p, sigma)).crop(area);
    Picture high = input.crop(area).copy();
    for (int c = 0; c < 3; c++) {
      float[] v = high.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        v[i] = 0.5f + 2 * (v[i] - low.plane(c).values()[i]);
      }
    }
    return List.of(low, high);
  }

  /**
   * The noise that lies below a layer, read in the middle of the picture at full size: as strong
   * and as coarse a grain would look alike.
   */
  public GrainEstimate grain(Project project, String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    Area all = session.size().area();
    Area middle = read(new Point(all.width() / 2.0, all.height() / 2.0), NOISE_READ);
    Picture input =
        session.renderer().render(scene.below(layer), middle, 0, Readiness.QUICK, cancellation);
    return GrainEstimate.of(Lab.lightness(input));
  }

  /**
   * How far a layer overshoots: all but a thousandth of the pixels about the face, or in the middle
   * of a picture without one, change by less, at full size.
   *
   * @return of L*, of what the layer does at its amount
   */
  public double halo(Project project, String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    Area all = session.size().area();
    FaceMap face = project.faces();
    Area area =
        read(
            face == null ? new Point(all.width() / 2.0, all.height() / 2.0) : face.oval().middle(),
            HALO_READ);
    Plane before =
        Lab.lightness(
            session.renderer().render(scene.below(layer), area, 0, Readiness.EXACT, cancellation));
    Plane after =
        Lab.lightness(
            session.renderer().render(scene.upTo(layer), area, 0, Readiness.EXACT, cancellation));
    double[] change = new double[before.values().length];
    for (int i = 0; i < change.length; i++) {
      change[i] = Math.abs(after.values()[i] - before.values()[i]);
    }
    return RobustStatistics.quantile(change, 1 - BEYOND);
  }

  /**
   * How much of the backdrop along the picture's border is what is wanted.
   *
   * @param below percent without the layer; NaN where no backdrop is seen
   * @param reached with it
   * @param finished in the finished picture, after what lies above
   */
  public record BorderShare(double below, double reached, double finished) {}

  /** How far a layer of the backdrop brings the border. */
  public BorderShare border(Project project, BackdropLayer layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    int level = Renderer.analysisLevel(session.renderer().site(scene, 0).faceWidth());
    EvaluationContext context = session.renderer().site(scene, level);
    String id = layer.attributes().id();
    return new BorderShare(
        border(scene.below(id), context, layer.wanted(), cancellation),
        border(scene.upTo(id), context, layer.wanted(), cancellation),
        border(session.measured(project), context, layer.wanted(), cancellation));
  }

  private double border(
      RenderInput input, EvaluationContext context, Lab wanted, Cancellation cancellation) {
    Picture picture =
        session
            .renderer()
            .render(input, context.whole(), context.level(), Readiness.EXACT, cancellation);
    return BackdropReading.of(context, picture, Lab.of(picture), wanted).pure();
  }

  /** A drawn line led along its edge, and the lens that makes it and those before it straight. */
  public Optional<Lens> lens(
      Project project, Lens lens, Point from, Point to, Cancellation cancellation) {
    RenderInput asShot = session.scene(project).through(0);
    int level = Level.forZoom(Math.min(1, LINE_READ / from.distance(to)));
    Picture about = about(asShot, List.of(from, to), level, cancellation);
    List<Point> places = EdgeTrace.along(about, Level.scale(level), from, to);
    if (places.isEmpty()) {
      return Optional.empty();
    }
    Lens drawn = LensFit.of(lens.plus(new Lens.Line(places)), session.size());
    return Optional.of(lateral(asShot, drawn, cancellation));
  }

  private Lens lateral(RenderInput asShot, Lens lens, Cancellation cancellation) {
    List<EdgeTrace.Seen> seen = new ArrayList<>();
    for (Lens.Line line : lens.lines()) {
      List<Point> places = line.places();
      double length = places.getFirst().distance(places.getLast());
      int level = Level.forZoom(Math.min(1, LINE_READ / length));
      Picture about = about(asShot, places, level, cancellation);
      seen.add(new EdgeTrace.Seen(line, about, Level.scale(level)));
    }
    Area all = session.size().area();
    return EdgeTrace.lateral(lens, seen, new Point(all.width() / 2.0, all.height() / 2.0));
  }

  /** The picture about places, with what is looked at beside them. */
  private Picture about(
      RenderInput input, List<Point> places, int level, Cancellation cancellation) {
    double scale = Level.scale(level);
    double length = places.getFirst().distance(places.getLast()) * scale;
    Area area =
        Area.around(
                scale * places.stream().mapToDouble(Point::x).min().orElseThrow(),
                scale * places.stream().mapToDouble(Point::y).min().orElseThrow(),
                scale * places.stream().mapToDouble(Point::x).max().orElseThrow(),
                scale * places.stream().mapToDouble(Point::y).max().orElseThrow())
            .grow((int) Math.ceil(EdgeTrace.reach(length)))
            .intersect(session.size().atLevel(level).area());
    return session.renderer().render(input, area, level, Readiness.EXACT, cancellation);
  }

  /** What is read about a place at full size: even sides, inside the picture. */
  private Area read(Point about, int side) {
    Area all = session.size().area();
    int w = Math.min(side, all.width()) & ~1;
    int h = Math.min(side, all.height()) & ~1;
    return new Area(
        Math.clamp(Math.round(about.x() - w / 2.0), 0, all.width() - w),
        Math.clamp(Math.round(about.y() - h / 2.0), 0, all.height() - h),
        w,
        h);
  }

  /** How a hair or a light at a place differs from what lies about it, below a layer. */
  public HairTone hairTone(Project project, String layer, Point place, Cancellation cancellation) {
    int x = (int) Math.floor(place.x());
    int y = (int) Math.floor(place.y());
    int side = 2 * HairTone.AROUND + 1;
    Area about =
        new Area(x - HairTone.AROUND, y - HairTone.AROUND, side, side)
            .intersect(session.size().area());
    if (about.isEmpty()) {
      return new HairTone(0, 0, 0);
    }
    RenderInput below = session.scene(project).below(layer);
    return HairTone.of(
        session.renderer().render(below, about, 0, Readiness.QUICK, cancellation).crop(about),
        x,
        y);
  }

  /** What the gauges read when a layer is pushed from nothing to twice its strength. */
  public AmountSweep pushed(
      Project project, String layer, DoubleConsumer progress, Cancellation cancellation) {
    return AmountSweep.of(
        session.readings().reader(), session.measured(project), layer, progress, cancellation);
  }

  /** Light and shade to paint on a layer, which takes part as it is set. */
  public LightAdvisor light(Project project, String layer, Cancellation cancellation) {
    List<KeptMark> own = new ArrayList<>(project.kept());
    session.repairs().blemishes(project, 1, cancellation).stream()
        .filter(b -> b.kind() == Blemish.Kind.MARK)
        .forEach(b -> own.add(new KeptMark(b.x(), b.y(), b.radius())));
    return new LightAdvisor(session.renderer(), session.scene(project), layer, own, cancellation);
  }

  /**
   * Places of the face to lift and to deepen, by the light that is below a layer; none without a
   * map.
   */
  public List<Guide> contours(Project project, String layer, Cancellation cancellation) {
    if (project.faces() == null) {
      return List.of();
    }
    RenderInput scene = session.scene(project);
    EvaluationContext context =
        session.renderer().site(scene, Renderer.analysisLevel(project.faces().faceWidth()));
    RenderInput below = scene.below(layer);
    Picture input =
        session
            .renderer()
            .render(below, context.whole(), context.level(), Readiness.QUICK, cancellation);
    Plane skin =
        scene.regions().coverage(SemanticRegion.FACE_SKIN, context.whole(), context.level());
    return ContourGuides.of(project.faces(), Lab.lightness(input), skin, context);
  }

  /** Places away from the face that draw the eye in the finished picture, the strongest first. */
  public List<Distraction> distractions(Project project, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    EvaluationContext context =
        session
            .renderer()
            .site(scene, Renderer.analysisLevel(session.renderer().site(scene, 0).faceWidth()));
    Picture finished =
        session
            .renderer()
            .render(scene, context.whole(), context.level(), Readiness.QUICK, cancellation);
    return Distractions.of(Lab.of(finished), context);
  }

  /** A project with the session that its photograph is at work in. */
  public record Finished(Session session, Project project) {}

  /**
   * All gauges with another finished picture as 'before'.
   *
   * @param other of the same size; seen with this project's regions
   */
  public List<Gauge> gaugesAgainst(Project project, Finished other, Cancellation cancellation) {
    RenderInput scene = session.measured(project);
    int level = Renderer.analysisLevel(session.renderer().site(scene, 0).faceWidth());
    EvaluationContext context = session.renderer().site(scene, level);
    Session there = other.session();
    Picture before =
        there
            .renderer()
            .render(
                there.measured(other.project()),
                context.whole(),
                level,
                Readiness.EXACT,
                cancellation);
    Picture after =
        session.renderer().render(scene, context.whole(), level, Readiness.EXACT, cancellation);
    return Gauges.read(context, before, after, project.stack(), scene.job());
  }
}
