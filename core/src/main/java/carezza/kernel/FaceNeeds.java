package carezza.kernel;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;

import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.OverlayLayer;

/** Which layers can do nothing in a picture without a face map. */
public final class FaceNeeds {

  private static final Set<LayerType> OF_THE_FACE =
      EnumSet.of(
          LayerType.TEETH,
          LayerType.SCLERA,
          LayerType.IRIS,
          LayerType.CATCHLIGHT,
          LayerType.LIPS,
          LayerType.SKIN_MATCH,
          LayerType.BACKDROP);

  private FaceNeeds() {}

  /** Layers that act and have nothing to act on where no face is known. */
  public static List<Layer> idleWithoutFace(LayerStack stack) {
    return stack.layers().stream().filter(Layer::acts).filter(FaceNeeds::needsFace).toList();
  }

  /** Whether a layer acts on areas alone that are found about a face. */
  public static boolean needsFace(Layer layer) {
    return !(layer instanceof LockedLayer)
        && (OF_THE_FACE.contains(LayerType.of(layer))
            || layer instanceof OverlayLayer laid && laid.behind()
            || isOfFace(layer.attributes().mask()));
  }

  /** Whether a mask is empty where no region of the face is. */
  private static boolean isOfFace(Mask mask) {
    return switch (mask) {
      // The person, too, and what lies behind them: areas are looked for about a face.
      case Mask.RegionMask _ -> true;
      case Mask.And(Mask one, Mask other) -> isOfFace(one) || isOfFace(other);
      case Mask.Or(Mask one, Mask other) -> isOfFace(one) && isOfFace(other);
      case Mask.Minus(Mask from, Mask taken) -> isOfFace(from);
      case Mask.Feather(Mask of, double sigma) -> isOfFace(of);
      case Mask.Dilate(Mask of, double radius) -> isOfFace(of);
      case Mask.Refine(Mask of, double sigma) -> isOfFace(of);
      case Mask.Opacity(Mask of, double factor) -> isOfFace(of);
      default -> false;
    };
  }
}
