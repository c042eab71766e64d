package carezza.model;

/** One non-destructive step: a small set of parameters and a mask. */
public sealed interface Layer
    permits WhiteBalanceLayer,
        ExposureLayer,
        HealLayer,
        FrequencySeparationLayer,
        DodgeBurnLayer,
        ToneEveningLayer,
        CurveLayer,
        TeethLayer,
        ScleraLayer,
        NeutraliseLayer,
        RangeLayer,
        LocalContrastLayer,
        MatchLayer,
        FamiliesLayer,
        DepthLayer,
        MuteLayer,
        ColourTouchLayer,
        BalanceLayer,
        GradientMapLayer,
        MonoLayer,
        SaturationLayer,
        HueShiftLayer,
        IrisLayer,
        CatchlightLayer,
        LipsLayer,
        VignetteLayer,
        SharpenLayer,
        LockedLayer {

  Head head();

  /** The same layer with another head. */
  Layer with(Head head);

  /** Takes part in the picture at all. */
  default boolean acts() {
    return head().on() && head().amount() > 0;
  }
}
