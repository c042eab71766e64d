package carezza.session;

import java.util.Optional;
import java.util.function.UnaryOperator;

import carezza.colour.Lab;
import carezza.colour.WhiteBalance;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.mask.EvaluationContext;
import carezza.measure.EndPoints;
import carezza.measure.fault.CastEstimate;
import carezza.model.Crop;
import carezza.model.ExposureLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.model.WhiteBalanceLayer;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.set.Figures;

/** What brings light, colour and frame to where they should be. */
final class SettleTreatments {

  /**
   * Share of the frame's height that is left over a head that touches its edge, or is cut off above
   * one.
   */
  private static final double HEADROOM = 0.08;

  /**
   * Encoded value up to which the ends of the range are opened: not all the way, so that nothing
   * clips.
   */
  private static final double SPARED = 0.01;

  /** Lightness of the grey whose colour a cast is stated at. */
  private static final double GREY = 60;

  /** ΔE*ab of a cast, and stops, that are seen beside another picture. */
  private static final double SEEN = 1;

  private static final double SEEN_STOPS = 0.05;

  private final Session session;

  SettleTreatments(Session session) {
    this.session = session;
  }

  Picture settled(Project project, EvaluationContext context, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    return session
        .renderer()
        .render(
            scene.through(scene.stack().through(Stage.SETTLE)),
            context.whole(),
            context.level(),
            Readiness.EXACT,
            cancellation);
  }

  EvaluationContext context(Project project) {
    RenderInput scene = session.scene(project);
    Renderer renderer = session.renderer();
    return renderer.site(scene, Renderer.analysisLevel(renderer.site(scene, 0).faceWidth()));
  }

  Project cast(Project project, Cancellation cancellation) {
    return neutral(project, cancellation)
        .map(light -> Treatments.with(project, balanced(LayerType.WHITE_BALANCE.fresh(), light)))
        .orElse(project);
  }

  /** A layer of white balance for a light, as far as such a layer goes. */
  static Layer balanced(Layer layer, WhiteBalance.Light light) {
    return new WhiteBalanceLayer(
        layer.attributes(),
        Math.clamp(light.kelvin(), 1500, 15000),
        Math.clamp(light.tint(), -60, 60));
  }

  /**
   * The light in which what should be neutral is; none where nothing tells. What is coloured by
   * itself is likely among it, so the estimate leans towards no cast, and is not made a second time
   * on its own result.
   */
  Optional<WhiteBalance.Light> neutral(Project project, Cancellation cancellation) {
    return castOf(project, cancellation).map(c -> lightOf(c.a(), c.b()));
  }

  Optional<CastEstimate> castOf(Project project, Cancellation cancellation) {
    EvaluationContext context = context(project);
    return CastEstimate.of(context, settled(project, context, cancellation));
  }

  /** The light in which a grey has this a* and b*. */
  private static WhiteBalance.Light lightOf(double a, double b) {
    Area one = new Area(0, 0, 1, 1);
    Picture grey =
        Lab.toWorking(
            new Picture(
                Plane.filled(one, (float) GREY),
                Plane.filled(one, (float) a),
                Plane.filled(one, (float) b)));
    return WhiteBalance.fromNeutral(
        grey.first().at(0, 0), grey.second().at(0, 0), grey.third().at(0, 0));
  }

  Project broughtTo(
      Project project, Figures reference, UnaryOperator<Layer> named, Cancellation cancellation) {
    Figures own = session.readings().figures(project, cancellation);
    double a = own.castA() - reference.castA();
    double b = own.castB() - reference.castB();
    Project brought = project;
    if (Math.hypot(a, b) > SEEN) {
      Layer fresh = LayerType.WHITE_BALANCE.fresh();
      brought = Treatments.with(brought, named.apply(balanced(fresh, lightOf(a, b))));
      own = session.readings().figures(brought, cancellation);
    }
    double stops = reference.stops() - own.stops();
    if (Math.abs(stops) > SEEN_STOPS) {
      Layer lit = lit(stops);
      brought = Treatments.with(brought, named.apply(lit));
    }
    return brought;
  }

  static Project exposure(Project project, double stops) {
    return Treatments.with(project, lit(stops));
  }

  private static Layer lit(double stops) {
    return new ExposureLayer(
        LayerType.EXPOSURE.fresh().attributes(), Math.clamp(stops, -3, 3), stops > 0 ? 0.3 : 0);
  }

  Project range(Project project, Cancellation cancellation) {
    return Treatments.with(
        project, opened(project, (LevelsLayer) LayerType.LEVELS.fresh(), cancellation));
  }

  /**
   * The frame turned so that what is tilted comes out upright, as large as the photograph holds it.
   *
   * @param degrees clockwise, beyond the frame's own
   */
  Project levelled(Project project, double degrees) {
    Crop frame = project.crop() == null ? Crop.of(session.size()) : project.crop();
    return project.withCrop(frame.turned(frame.angle() + degrees).within(session.size()));
  }

  /** The layer with its ends where nothing of the settled picture clips. */
  LevelsLayer opened(Project project, LevelsLayer layer, Cancellation cancellation) {
    EndPoints ends = EndPoints.of(settled(project, context(project), cancellation));
    return new LevelsLayer(
        layer.attributes(),
        Math.clamp(ends.black() - SPARED, 0, 0.4),
        Math.clamp(ends.white() + SPARED, 0.5, 1),
        layer.shadows(),
        layer.highlights());
  }

  Project headroom(Project project, double percent) {
    Crop frame = project.crop() == null ? Crop.of(session.size()) : project.crop();
    double off = (percent / 100 - HEADROOM) * frame.height();
    // More than enough is cut off above; what is missing goes on from the edge.
    double height = frame.height() - off;
    return project.withCrop(
        new Crop(
            frame.x(),
            frame.y() + off / 2,
            frame.width() * height / frame.height(),
            height,
            frame.angle()));
  }
}
