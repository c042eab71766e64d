package carezza.model;

import java.util.List;

/** One non-destructive step: a small set of parameters and a mask. */
public sealed interface Layer
    permits WhiteBalanceLayer,
        ExposureLayer,
        HealLayer,
        FrequencySeparationLayer,
        DodgeBurnLayer,
        SkinToneEveningLayer,
        CurveLayer,
        TeethLayer,
        ScleraLayer,
        NeutralPointsLayer,
        LevelsLayer,
        LocalContrastLayer,
        SkinMatchLayer,
        HueBandsLayer,
        SkinDepthLayer,
        DesaturateLayer,
        ColourPaintLayer,
        ColourBalanceLayer,
        GradientMapLayer,
        MonochromeLayer,
        SaturationLayer,
        HueShiftLayer,
        IrisLayer,
        CatchlightLayer,
        LipsLayer,
        VignetteLayer,
        SharpenLayer,
        GlowLayer,
        FocusFalloffLayer,
        GrainLayer,
        NoiseReductionLayer,
        OverlayLayer,
        BackdropLayer,
        PaintLayer,
        ShapeLayer,
        GroupLayer,
        LockedLayer {

  LayerAttributes attributes();

  /** The same layer with another head. */
  Layer with(LayerAttributes attributes);

  /** Every mask that it holds; the first says where it acts. */
  default List<Mask> masks() {
    return List.of(attributes().mask());
  }

  /** Takes part in the picture at all. */
  default boolean acts() {
    return attributes().on() && attributes().amount() > 0;
  }
}
