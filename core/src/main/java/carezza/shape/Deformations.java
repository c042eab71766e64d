package carezza.shape;

import java.lang.ref.Reference;
import java.lang.ref.WeakReference;
import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.filter.DiscMorphology;
import carezza.filter.GaussianBlur;
import carezza.image.Level;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.mask.Regions;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;

/** Deformations of layers as they were asked for of late. Safe for many threads. */
public final class Deformations {

  /** Long edge of what says where a hand may move anything. */
  private static final double FREEDOM = 800;

  /** Sigma over which it is let go beside what is held, as a share of the picture's height. */
  private static final double SOFT = 0.012;

  /** Where a job does not say how far a place may be stretched. */
  private static final double USUAL_LIMIT = 0.15;

  private static final int KEPT = 8;

  /**
   * The latest first. Views, gauges and files ask for several states of a layer at once; each goes
   * on from the one that has most in common with it.
   */
  private static final Deque<Made> FOUND = new ArrayDeque<>();

  private Deformations() {}

  /**
   * All that a deformation depends on.
   *
   * @param regions by identity, and not kept alive, where areas say what a hand may move
   */
  private record Key(
      ShapeLayer layer, PictureSize size, Reference<@Nullable Regions> regions, double limit) {

    boolean isLike(Key other) {
      return layer.equals(other.layer) && differsInStrokesAlone(other);
    }

    boolean differsInStrokesAlone(Key other) {
      return size.equals(other.size)
          && regions.get() == other.regions.get()
          && limit == other.limit
          && layer.held().equals(other.layer.held())
          && layer.attributes().mask().equals(other.layer.attributes().mask());
    }
  }

  private record Made(Key key, Move.Freedom freedom, Deformation deformation) {}

  /** What a layer does to the picture of a site. */
  public static Deformation of(ShapeLayer layer, EvaluationContext context) {
    double limit =
        layer.force() ? Double.MAX_VALUE : context.job().limit("shape", "mostStretch", USUAL_LIMIT);
    boolean free = layer.held().isEmpty() && mask(layer) instanceof Mask.Everything;
    Key key =
        new Key(
            bare(layer),
            context.photograph(),
            new WeakReference<>(free ? null : context.regions()),
            limit);
    synchronized (FOUND) {
      Made made =
          FOUND.stream()
              .filter(m -> m.key().isLike(key))
              .findFirst()
              .orElseGet(() -> made(key, context));
      FOUND.remove(made);
      FOUND.addFirst(made);
      while (FOUND.size() > KEPT) {
        FOUND.removeLast();
      }
      return made.deformation();
    }
  }

  /** With all at a fixed value that places do not depend on. */
  private static ShapeLayer bare(ShapeLayer layer) {
    return layer
        .withLens(layer.lens().withLines(List.of()))
        .with(layer.attributes().withId("shape").named("").withUnknown(Map.of()));
  }

  private static Made made(Key key, EvaluationContext context) {
    Made known =
        FOUND.stream()
            .filter(m -> m.key().differsInStrokesAlone(key))
            .max(Comparator.comparingLong(m -> m.deformation().common(key.layer())))
            .orElse(null);
    Move.Freedom freedom = known == null ? freedom(key.layer(), context) : known.freedom();
    Deformation before = known == null ? null : known.deformation();
    return new Made(
        key, freedom, Deformation.of(key.layer(), key.size(), freedom, key.limit(), before));
  }

  /** The layer's mask without parts that look at the picture: a place has no colour of its own. */
  private static Mask mask(ShapeLayer layer) {
    Mask mask = layer.attributes().mask();
    if (!Masks.readsInput(mask)) {
      return mask;
    }
    List<MaskParts.Part> parts = MaskParts.of(mask.acting()).parts();
    if (Masks.readsInput(parts.getFirst().own())) {
      return new Mask.Everything();
    }
    return new MaskParts(parts.stream().filter(p -> !Masks.readsInput(p.own())).toList()).mask();
  }

  private static Move.Freedom freedom(ShapeLayer layer, EvaluationContext context) {
    Mask mask = mask(layer);
    boolean masked = !(mask instanceof Mask.Everything);
    if (layer.held().isEmpty() && !masked) {
      return Move.FREE;
    }
    int level = Level.forZoom(Math.min(1, FREEDOM / context.photograph().longEdge()));
    EvaluationContext small = context.at(level);
    Plane free =
        masked ? Masks.render(mask, small.whole(), small).copy() : Plane.filled(small.whole(), 1);
    for (SemanticRegion region : layer.held()) {
      Plane held = small.regions().coverage(region, small.whole(), level);
      for (int i = 0; i < free.values().length; i++) {
        free.values()[i] *= 1 - held.values()[i];
      }
    }
    // Held all the way to its edge, and let go softly beyond, or the edge itself would tear.
    double soft = SOFT * small.whole().height();
    Plane inner = DiscMorphology.of(free, -2 * soft, free.area());
    Plane let = GaussianBlur.blur(inner, soft);
    double scale = small.scale();
    return (x, y) -> let.sample(x * scale, y * scale);
  }
}
