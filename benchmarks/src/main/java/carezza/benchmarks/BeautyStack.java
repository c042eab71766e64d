package carezza.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

import carezza.colour.MonotoneCurve;
import carezza.kernel.LayerType;
import carezza.model.CurveLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FaceMap;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.ShapeLayer;
import carezza.model.ShapeLayer.Hand;
import carezza.model.ShapeLayer.Nudge;
import carezza.model.SharpenLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.model.WhiteBalanceLayer;

/** A long beauty retouch on one face: twenty layers, two thousand strokes. */
final class BeautyStack {

  private final FaceMap face;
  private final double fw;
  private final SplittableRandom random = new SplittableRandom(7);

  private BeautyStack(FaceMap face) {
    this.face = face;
    this.fw = face.faceWidth();
  }

  static LayerStack on(FaceMap face) {
    return new BeautyStack(face).stack();
  }

  /** The same with all that a last stage may have on top. */
  static LayerStack finishedOn(FaceMap face) {
    BeautyStack made = new BeautyStack(face);
    LayerStack stack = made.stack();
    for (LayerType kind :
        new LayerType[] {
          LayerType.BACKDROP,
          LayerType.NOISE_REDUCTION,
          LayerType.SHARPEN,
          LayerType.GLOW,
          LayerType.FOCUS_FALLOFF,
          LayerType.VIGNETTE,
          LayerType.OVERLAY,
          LayerType.GRAIN
        }) {
      stack = stack.with(kind.fresh());
    }
    ShapeLayer shape =
        ((ShapeLayer) LayerType.SHAPE.fresh())
            .plus(new Nudge(Hand.PUSH, made.stroke(made.fw / 6, 0.5)));
    return stack.with(shape);
  }

  private LayerStack stack() {
    List<Layer> layers = new ArrayList<>();
    layers.add(new WhiteBalanceLayer(head(LayerType.WHITE_BALANCE), 6200, 3));
    layers.add(new ExposureLayer(head(LayerType.EXPOSURE), 0.2, 0.3));
    layers.add(heal(300, fw / 80));
    layers.add(heal(100, fw / 200));
    layers.add(
        ((FrequencySeparationLayer) LayerType.FREQUENCY_SEPARATION.fresh())
            .withRadius(fw / 85)
            .withAreas(areas(20)));
    layers.add(dodgeBurn(500, fw / 60));
    layers.add(dodgeBurn(400, fw / 30));
    layers.add(dodgeBurn(60, fw / 8));
    layers.add(LayerType.SKIN_TONE_EVENING.fresh());
    layers.add(
        new SkinToneEveningLayer(
            LayerType.SKIN_TONE_EVENING.fresh().attributes(),
            0.2,
            0,
            new SkinToneEveningLayer.Target(62, 28, 52),
            0.4,
            0.3,
            0,
            null,
            false));
    layers.add(curve(new Mask.Everything(), 0.03));
    layers.add(curve(new Mask.Range(Mask.Quantity.LIGHTNESS, 0, 5, 30, 50), -0.02));
    layers.add(curve(new Mask.Invert(oval(1.2)), -0.04));
    layers.add(
        new WhiteBalanceLayer(
            head(LayerType.WHITE_BALANCE)
                .withStage(Stage.GRADE)
                .withMask(oval(1.5))
                .withAmount(0.3),
            6900,
            0));
    layers.add(LayerType.TEETH.fresh());
    layers.add(LayerType.SCLERA.fresh());
    layers.add(LayerType.VIGNETTE.fresh());
    layers.add(
        new ExposureLayer(
            head(LayerType.EXPOSURE)
                .withStage(Stage.FINISH)
                .withMask(new Mask.Gradient(new Point(0, fw), new Point(0, 4 * fw))),
            -0.3,
            0));
    layers.add(sharpen(1.2, 0.6));
    layers.add(sharpen(8, 0.15));
    return new LayerStack(layers);
  }

  private static LayerAttributes head(LayerType kind) {
    return kind.fresh().attributes();
  }

  private Point somewhere() {
    double angle = random.nextDouble(2 * Math.PI);
    double far = Math.sqrt(random.nextDouble()) * 0.8;
    return new Point(
        face.oval().x() + far * Math.cos(angle) * face.oval().radiusX(),
        face.oval().y() + far * Math.sin(angle) * face.oval().radiusY());
  }

  private Layer heal(int count, double radius) {
    List<Patch> patches = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      Point at = somewhere();
      patches.add(
          new Patch(
              Stroke.dab(at.x(), at.y(), radius * random.nextDouble(0.5, 1.5), 0.35),
              new Source(4 * Math.round(radius), 0)));
    }
    return ((HealLayer) LayerType.HEAL.fresh()).withPatches(patches);
  }

  private Stroke stroke(double radius, double strength) {
    Point at = somewhere();
    List<Point> path = new ArrayList<>();
    double angle = random.nextDouble(2 * Math.PI);
    for (int i = 0; i < 24; i++) {
      path.add(at.plus(i * radius / 6 * Math.cos(angle), i * radius / 6 * Math.sin(angle)));
      angle += random.nextDouble(-0.2, 0.2);
    }
    return Stroke.path(path, radius, 1, strength, false);
  }

  private Mask painted(int count, double radius) {
    Mask mask = new Mask.Nothing();
    List<Stroke> strokes = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      strokes.add(stroke(radius, 0.05));
    }
    return new Mask.Strokes(mask, strokes);
  }

  private Layer dodgeBurn(int count, double radius) {
    return ((DodgeBurnLayer) LayerType.DODGE_BURN.fresh())
        .withMasks(painted(count, radius), painted(count, radius));
  }

  private List<LowBandArea> areas(int count) {
    List<LowBandArea> areas = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      areas.add(
          new LowBandArea(
              new Mask.Nothing().painted(stroke(fw / 40, 1)), Math.max(1, fw / 60), 0.5));
    }
    return areas;
  }

  private Layer curve(Mask mask, double rise) {
    return new CurveLayer(
        head(LayerType.CURVE).withMask(mask),
        List.of(
            new MonotoneCurve.Point(0, 0),
            new MonotoneCurve.Point(0.5, 0.5 + rise),
            new MonotoneCurve.Point(1, 1)),
        null,
        null,
        null,
        0);
  }

  private Mask oval(double times) {
    return new Mask.Ellipse(
        face.oval().x(),
        face.oval().y(),
        times * face.oval().radiusX(),
        times * face.oval().radiusY(),
        0,
        0.5);
  }

  private static Layer sharpen(double radius, double gain) {
    return new SharpenLayer(
        head(LayerType.SHARPEN), List.of(new SharpenLayer.Band(radius, gain)), 4);
  }
}
