package carezza.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Cancellation;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.DodgeBurnLayer;
import carezza.model.KeptMark;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;

/**
 * Proposes masks for a layer of light and shade: to even blotches of lightness, or to give back
 * form that smoothing took. The retoucher can lift them by strokes.
 */
public final class LightAdvisor {

  /** Band that blotches of tone are measured in, as shares of the face width. */
  private static final double FINE = 1 / 110.0;

  private static final double COARSE = 1 / 40.0;

  /**
   * Band that is evened: far enough from pores to leave them, so a little broader than what is
   * measured.
   */
  private static final double EVENED_FINE = 1 / 75.0;

  private static final double EVENED_COARSE = 1 / 26.0;

  private static final double FORM = 1 / 18.0;
  private static final double FORM_RADIUS = 1 / 6.0;

  /** Spreads of the blotches from which a difference begins to be a feature of the face. */
  private static final double FEATURE = 1.5;

  /** Band of shine, as shares of the face width: broader than pores, narrower than the form. */
  private static final double SHINE_FINE = 1 / 60.0;

  private static final double SHINE_COARSE = 1 / 7.0;

  /** Shares of the skin that are darker than where shine begins, and than where it is full. */
  private static final double SHINE_FROM = 0.82;

  private static final double SHINE_FULL = 0.93;

  /** Part of the shine that is taken: a face without any is flat. */
  private static final double TAMED = 0.5;

  /** L* of lost form that is not worth a dab. */
  private static final double FORM_ENOUGH = 0.25;

  /** Radii of a mark that are left as they are, and how softly what lies around it begins. */
  private static final double MARK_MARGIN = 1.5;

  private static final double MARK_SOFTNESS = 0.4;

  private static final int MOST_DABS = 600;
  private static final double STRONGEST = 0.3;

  private final Renderer renderer;
  private final RenderInput below;
  private final DodgeBurnLayer layer;
  private final EvaluationContext context;
  private final List<KeptMark> marks;
  private final Cancellation cancellation;
  private final Plane input;
  private final Plane skin;

  /**
   * @param layer takes part as it is set: its strengths, method, mask and tones
   * @param marks the person's own, which are no blotches
   */
  public LightAdvisor(
      Renderer renderer,
      RenderInput scene,
      String layer,
      List<KeptMark> marks,
      Cancellation cancellation) {
    this.marks = List.copyOf(marks);
    int index = scene.stack().indexOf(layer);
    this.renderer = renderer;
    this.below = scene.through(index);
    this.layer = (DodgeBurnLayer) scene.stack().layers().get(index);
    this.cancellation = cancellation;
    double faceWidth = renderer.site(scene, 0).faceWidth();
    context = renderer.site(scene, Renderer.analysisLevel(faceWidth));
    input = lightness(below);
    skin = scene.regions().coverage(SemanticRegion.FACE_SKIN, context.whole(), context.level());
  }

  private Plane lightness(RenderInput scene) {
    return Lab.lightness(
        renderer.render(scene, context.whole(), context.level(), Readiness.EXACT, cancellation));
  }

  /**
   * The layer with masks that even the blotches of lightness in what it gets: light where skin is
   * darker than around it, shade where it is lighter. They follow what lies below; strokes lift
   * them.
   */
  public DodgeBurnLayer evened() {
    double fw = context.faceWidth();
    Plane blotches =
        GaussianBlur.normalised(input, skin, fw * FINE)
            .minus(GaussianBlur.normalised(input, skin, fw * COARSE));
    double limit = Math.max(0.1, FEATURE * RobustStatistics.sigma(blotches, skin));
    double gained = RobustStatistics.median(gain(new Mask.Everything(), new Mask.Nothing()), skin);
    double taken = -RobustStatistics.median(gain(new Mask.Nothing(), new Mask.Everything()), skin);
    return layer.withMasks(
        uneven(true, gained, limit, layer.dodgeMask()),
        uneven(false, taken, limit, layer.burnMask()));
  }

  /**
   * The layer with shade on the shine of the face: what is among the lightest of its skin and
   * lighter than around it comes down by a part of the difference. What is finer than the shine
   * stays.
   */
  public DodgeBurnLayer shineTamed() {
    double fw = context.faceWidth() / context.scale();
    double[] tones = RobustStatistics.values(input, skin);
    double from = Math.clamp(RobustStatistics.quantile(tones, SHINE_FROM), 0, 98);
    double full = Math.clamp(RobustStatistics.quantile(tones, SHINE_FULL), from, 99);
    double taken = -RobustStatistics.median(gain(new Mask.Nothing(), new Mask.Everything()), skin);
    Mask lighter =
        new Mask.LocalDeviation(
            false,
            fw * SHINE_FINE,
            fw * SHINE_COARSE,
            Math.clamp(taken / TAMED, 0.1, 1000),
            100,
            SemanticRegion.FACE_SKIN);
    Mask light = new Mask.Range(Mask.Quantity.LIGHTNESS, from, full, 100, 100);
    // Softened, so that it does not follow single pores.
    Mask shine =
        new Mask.And(
            new Mask.RegionMask(SemanticRegion.FACE_SKIN),
            new Mask.Feather(new Mask.And(lighter, light), fw * SHINE_FINE));
    return layer.withMasks(layer.dodgeMask(), under(layer.burnMask(), shine));
  }

  /** Strokes that were painted stay, on another base. */
  private static Mask under(Mask painted, Mask base) {
    return painted instanceof Mask.Strokes(Mask was, List<Stroke> strokes)
        ? new Mask.Strokes(base, strokes)
        : base;
  }

  /**
   * @param gain change of L* that full coverage makes
   */
  private Mask uneven(boolean darker, double gain, double limit, Mask painted) {
    double fw = context.faceWidth() / context.scale();
    Mask blotches =
        new Mask.And(
            new Mask.RegionMask(SemanticRegion.FACE_SKIN),
            new Mask.LocalDeviation(
                darker,
                fw * EVENED_FINE,
                fw * EVENED_COARSE,
                Math.clamp(gain, 0.1, 1000),
                limit,
                SemanticRegion.FACE_SKIN));
    Mask others = blotches;
    for (KeptMark mark : marks) {
      double r = MARK_MARGIN * mark.radius();
      others = new Mask.Minus(others, new Mask.Ellipse(mark.x(), mark.y(), r, r, 0, MARK_SOFTNESS));
    }
    return under(painted, others);
  }

  /**
   * The layer with strokes that give back the light and shade of the settled picture, its amount
   * such that the slope of form comes to 1.
   */
  public DodgeBurnLayer formRestored() {
    double fw = context.faceWidth();
    Plane settled = lightness(below.through(below.stack().through(Stage.SETTLE)));
    UnaryOperator<Plane> band = p -> GaussianBlur.blur(p, fw * FORM);
    Plane was = GaussianBlur.normalised(settled, skin, fw * FORM);
    Plane is = GaussianBlur.normalised(input, skin, fw * FORM);
    float offset = (float) (RobustStatistics.median(was, skin) - RobustStatistics.median(is, skin));
    Plane lost = was.minus(is);
    for (int i = 0; i < lost.values().length; i++) {
      lost.values()[i] -= offset;
    }
    DodgeBurnLayer full = painted(lost, fw * FORM_RADIUS, band, FORM_ENOUGH);
    double without = SkinGauges.form(settled, input, skin, fw);
    double with = SkinGauges.form(settled, lightness(with(full)), skin, fw);
    double amount = Math.abs(with - without) < 1e-4 ? 1 : (1 - without) / (with - without);
    return full.with(full.attributes().withAmount(Math.clamp(amount, 0, 2)));
  }

  private DodgeBurnLayer painted(
      Plane wanted, double radius, UnaryOperator<Plane> band, double enough) {
    Mask all = new Mask.Everything();
    Mask none = new Mask.Nothing();
    Plane light = gain(all, none);
    Plane shade = Plane.of(input.area()).minus(gain(none, all));
    LightDabs dabs = new LightDabs(wanted, skin, light, shade, radius, band);
    dabs.lay(enough, MOST_DABS, STRONGEST, context.scale());
    return layer.withMasks(
        plus(layer.dodgeMask(), dabs.lights()), plus(layer.burnMask(), dabs.shades()));
  }

  /** Change of L* that the layer makes with these masks. */
  private Plane gain(Mask light, Mask shade) {
    return lightness(with(layer.withMasks(light, shade))).minus(input);
  }

  private RenderInput with(DodgeBurnLayer own) {
    List<Layer> layers = new ArrayList<>(below.stack().layers());
    layers.add(own.with(own.attributes().switched(true)));
    return below.with(new LayerStack(layers));
  }

  private static Mask plus(Mask mask, List<Stroke> strokes) {
    Mask painted = mask;
    for (Stroke stroke : strokes) {
      painted = painted.painted(stroke);
    }
    return painted;
  }
}
