package carezza.session;

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
import carezza.model.LevelsLayer;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.model.WhiteBalanceLayer;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;

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
    EvaluationContext context = context(project);
    return CastEstimate.of(context, settled(project, context, cancellation))
        .map(
            c -> {
              Area one = new Area(0, 0, 1, 1);
              Picture grey =
                  Lab.toWorking(
                      new Picture(
                          Plane.filled(one, (float) GREY),
                          Plane.filled(one, (float) c.a()),
                          Plane.filled(one, (float) c.b())));
              WhiteBalance.Light light =
                  WhiteBalance.fromNeutral(
                      grey.first().at(0, 0), grey.second().at(0, 0), grey.third().at(0, 0));
              return Treatments.with(
                  project,
                  new WhiteBalanceLayer(
                      LayerType.WHITE_BALANCE.fresh().attributes(),
                      Math.clamp(light.kelvin(), 1500, 15000),
                      Math.clamp(light.tint(), -60, 60)));
            })
        .orElse(project);
  }

  static Project exposure(Project project, double stops) {
    return Treatments.with(
        project,
        new ExposureLayer(
            LayerType.EXPOSURE.fresh().attributes(),
            Math.clamp(stops, -3, 3),
            stops > 0 ? 0.3 : 0));
  }

  Project range(Project project, Cancellation cancellation) {
    EndPoints ends = EndPoints.of(settled(project, context(project), cancellation));
    LevelsLayer fresh = (LevelsLayer) LayerType.LEVELS.fresh();
    return Treatments.with(
        project,
        new LevelsLayer(
            fresh.attributes(),
            Math.clamp(ends.black() - SPARED, 0, 0.4),
            Math.clamp(ends.white() + SPARED, 0.5, 1),
            fresh.shadows(),
            fresh.highlights()));
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
