package carezza.practice;

import java.util.ArrayList;
import java.util.List;

import carezza.filter.MaskedBlur;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.job.Band;
import carezza.kernel.LayerType;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GlowLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.SaturationLayer;
import carezza.model.SharpenLayer;
import carezza.model.Stage;
import carezza.model.WhiteBalanceLayer;
import carezza.practice.Sitter.Part;

/** Makes exercises by their seeds; docs/practice.md has the model and its ranges. */
public final class Tasks {

  /** Spots of an exercise in healing. */
  static final int TO_HEAL = 10;

  private static final List<Sitter> WITH_TEETH =
      List.of(Sitter.UNDERSTUDY, Sitter.CELLIST, Sitter.APOTHECARY);

  /** Whose necks are long enough to be judged. */
  private static final List<Sitter> WITH_NECK = List.of(Sitter.UNDERSTUDY, Sitter.CELLIST);

  /** Whose hair stands out against the backdrop. */
  private static final List<Sitter> WITH_HAIR = List.of(Sitter.UNDERSTUDY, Sitter.CELLIST);

  private final Exercise exercise;
  private final long seed;
  private final Sitter sitter;
  private final double fw;
  private final SkinPainter painter;
  private final Picture even;
  private final List<Spot> marks;

  private Tasks(Exercise exercise, long seed) {
    this.exercise = exercise;
    this.seed = seed;
    sitter = sitter(exercise, seed);
    fw = sitter.faceWidth();
    painter = new SkinPainter(sitter, seed);
    marks = painter.moles(6);
    even = SkinPainter.with(sitter.even(), marks);
  }

  /** The exercise that a seed makes; takes a second or two. */
  public static Task of(Exercise exercise, long seed) {
    return new Tasks(exercise, seed).made();
  }

  private static Sitter sitter(Exercise exercise, long seed) {
    List<Sitter> fit =
        switch (exercise) {
          case TEETH -> WITH_TEETH;
          case NECK -> WITH_NECK;
          case BACKDROP -> WITH_HAIR;
          default -> List.of(Sitter.values());
        };
    return fit.get(SkinPainter.randomOf(~seed).nextInt(fit.size()));
  }

  private Task made() {
    return switch (exercise) {
      case FIND -> spots(14 + (int) painter.between(0, 6));
      case HEAL -> spots(TO_HEAL);
      case RADIUS -> radius();
      case TRANSITIONS -> transitions();
      case LIGHT -> task(even, even, painter.skin(), LayerStack.of(LayerType.DODGE_BURN.fresh()));
      case EVEN -> patches();
      case NECK -> neck();
      case BACKDROP -> backdrop();
      case TEETH -> teeth();
      case OVERDONE -> overdone();
    };
  }

  private Task task(Picture photograph, Picture truth, Plane region, LayerStack start) {
    return task(photograph, truth, region, region, start);
  }

  private Task task(
      Picture photograph, Picture truth, Plane region, Plane fault, LayerStack start) {
    return new Task(
        exercise, sitter, seed, photograph, truth, region, fault, List.of(), marks, start, null);
  }

  private Task spots(int count) {
    List<Spot> blemishes = painter.blemishes(count);
    Plane spots = SkinPainter.coverage(even.area(), blemishes);
    return new Task(
        exercise,
        sitter,
        seed,
        SkinPainter.with(even, blemishes),
        even,
        spots,
        spots,
        blemishes,
        marks,
        LayerStack.of(LayerType.HEAL.fresh()),
        null);
  }

  /** Begins with a radius far off: four times too wide, or a quarter. */
  private Task radius() {
    Band band = Judge.radii(even, painter.skin(), fw);
    double begun = painter.between(0, 1) < 0.5 ? band.low() / 4 : band.high() * 4;
    FrequencySeparationLayer layer =
        (FrequencySeparationLayer) LayerType.FREQUENCY_SEPARATION.fresh();
    return task(even, even, painter.skin(), LayerStack.of(layer.withRadius(Math.max(0.4, begun))));
  }

  /** Patches of light and shade, without colour: the same factor on all three channels. */
  private Task transitions() {
    Plane field = painter.patches(24, fw / 24, fw / 14, false);
    Plane shade = SkinPainter.scaled(field, painter.between(0.18, 0.26));
    return task(
        SkinPainter.shaded(even, shade),
        even,
        painter.skin(),
        SkinPainter.size(field),
        LayerStack.of(LayerType.DODGE_BURN.fresh()));
  }

  private Task patches() {
    Plane reds = painter.patches(10, fw / 18, fw / 9, true);
    Plane darks = painter.patches(8, fw / 18, fw / 9, true);
    Picture red = SkinPainter.tinted(even, reds, painter.between(0.16, 0.24), 0);
    Picture both = SkinPainter.tinted(red, darks, 0, painter.between(0.2, 0.3));
    Plane fault = reds.copy();
    for (int i = 0; i < fault.values().length; i++) {
      fault.values()[i] = Math.max(fault.values()[i], darks.values()[i]);
    }
    return task(both, even, painter.skin(), fault, LayerStack.EMPTY);
  }

  private Task neck() {
    Plane neck = painter.neck();
    boolean redder = painter.between(0, 1) < 0.5;
    Picture off =
        SkinPainter.tinted(
            even,
            neck,
            redder ? painter.between(0.12, 0.2) : 0,
            redder ? 0 : painter.between(0.18, 0.3));
    return task(off, even, neck, LayerStack.EMPTY);
  }

  /** A light backdrop that is tinted; the truth has pure white behind the same edge. */
  private Task backdrop() {
    Plane subject = sitter.mask(Part.SUBJECT);
    Plane open = SkinPainter.inverted(subject);
    Plane sure = open.times(open).times(open.times(open));
    MaskedBlur near = new MaskedBlur(sure, 0.03 * Math.min(subject.width(), subject.height()));
    float[] tinted = {
      (float) painter.between(0.6, 0.78),
      (float) painter.between(0.6, 0.78),
      (float) painter.between(0.6, 0.78)
    };
    Picture photograph = SkinPainter.behind(even, open, near, tinted);
    Picture truth = SkinPainter.behind(even, open, near, new float[] {1, 1, 1});
    return task(photograph, truth, open, LayerStack.EMPTY);
  }

  /** Teeth and whites of the eyes yellowed, under a grade that warms everything further. */
  private Task teeth() {
    Plane teeth = sitter.mask(Part.TEETH);
    Plane sclera = sitter.mask(Part.SCLERA);
    Plane both = teeth.copy();
    for (int i = 0; i < both.values().length; i++) {
      both.values()[i] = Math.min(1, both.values()[i] + sclera.values()[i]);
    }
    Picture whites = SkinPainter.yellowed(even, sclera, painter.between(6, 9));
    Picture yellowed = SkinPainter.yellowed(whites, teeth, painter.between(6, 10));
    WhiteBalanceLayer warm = (WhiteBalanceLayer) LayerType.WHITE_BALANCE.fresh();
    Layer grade =
        new WhiteBalanceLayer(
            warm.attributes().withStage(Stage.GRADE), painter.between(7000, 7600), 0);
    return task(yellowed, even, both, LayerStack.of(grade));
  }

  /** Four layers in moderation, one of them at a value that harms. */
  private Task overdone() {
    int wrong = (int) painter.between(0, 4);
    List<Layer> start = new ArrayList<>();
    List<Layer> answer = new ArrayList<>();
    List<Layer> good = finish(-1);
    List<Layer> bad = finish(wrong);
    for (int i = 0; i < good.size(); i++) {
      answer.add(good.get(i));
      start.add(bad.get(i).with(good.get(i).attributes()));
    }
    return new Task(
        exercise,
        sitter,
        seed,
        even,
        even,
        sitter.mask(Part.SUBJECT),
        sitter.mask(Part.SUBJECT),
        List.of(),
        marks,
        new LayerStack(start),
        new LayerStack(answer));
  }

  /**
   * @param overdone which of them, or −1 for none
   */
  private List<Layer> finish(int overdone) {
    FrequencySeparationLayer parted =
        (FrequencySeparationLayer) LayerType.FREQUENCY_SEPARATION.fresh();
    SaturationLayer colour = (SaturationLayer) LayerType.SATURATION.fresh();
    SharpenLayer sharp = (SharpenLayer) LayerType.SHARPEN.fresh();
    GlowLayer glow = (GlowLayer) LayerType.GLOW.fresh();
    return List.of(
        parted.withEvening(0.3).withTextureGain(overdone == 0 ? 0.25 : 1),
        new SaturationLayer(colour.attributes(), overdone == 1 ? 0.7 : 0.05, 0),
        sharp.withBands(List.of(new SharpenLayer.Band(1.4, overdone == 2 ? 3 : 0.4))),
        new GlowLayer(glow.attributes(), fw / 20, 0.15, 60, overdone == 3 ? 0.85 : 0.1, 0.7));
  }
}
