package carezza.desktop.view.bench;

import java.util.List;

import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LockedLayer;

/** The gauges that a kind of layer is made to move, the most telling first. */
final class LayerGauges {

  private LayerGauges() {}

  static List<String> of(Layer layer) {
    if (layer instanceof LockedLayer) {
      return List.of();
    }
    return switch (LayerType.of(layer)) {
      case WHITE_BALANCE, NEUTRAL_POINTS -> List.of("skinHue", "skinIta", "neckMatch");
      case EXPOSURE, LEVELS, LOCAL_CONTRAST ->
          List.of("pictureClipping", "skinClipping", "skinLightness", "formKept");
      case HEAL -> List.of("textureKept", "rednessBlotch", "pigmentBlotch");
      case FREQUENCY_SEPARATION ->
          List.of("textureKept", "formKept", "toneBlotch", "rednessBlotch");
      case DODGE_BURN -> List.of("toneBlotch", "formKept", "textureKept", "skinLightness");
      case SKIN_TONE_EVENING ->
          List.of("rednessBlotch", "pigmentBlotch", "skinHue", "skinLightness");
      case SKIN_MATCH -> List.of("neckMatch", "skinHue");
      case HUE_BANDS, SATURATION, HUE_SHIFT -> List.of("skinHue", "scleraChroma", "teethYellow");
      case SKIN_DEPTH, DESATURATE, COLOUR_PAINT ->
          List.of("skinLightness", "skinHue", "textureKept");
      case CURVE, COLOUR_BALANCE, GRADIENT_MAP, MONOCHROME ->
          List.of("skinLightness", "skinHue", "skinClipping", "formKept");
      case TEETH -> List.of("teethYellow", "teethLightness", "teethGlow", "teethWhiteness");
      case SCLERA -> List.of("scleraYellow", "scleraLightness", "scleraRedness", "scleraBalance");
      case IRIS, CATCHLIGHT -> List.of("eyeFocus", "eyeGlow");
      case LIPS -> List.of("skinHue", "skinClipping");
      case VIGNETTE -> List.of("leadLight", "leadContrast", "distractions");
      case GRAIN, NOISE_REDUCTION -> List.of("noise", "textureKept");
      case OVERLAY -> List.of("skinClipping", "distractions", "leadContrast");
      case BACKDROP -> List.of("leadContrast", "leadLight", "distractions");
      case GLOW -> List.of("textureKept", "formKept", "skinClipping", "pictureClipping");
      case FOCUS_FALLOFF -> List.of("leadContrast", "distractions", "noise");
      case SHAPE, PAINT -> List.of();
      case SHARPEN -> List.of("textureKept", "eyeFocus", "noise");
      case GROUP -> List.of("textureKept", "formKept", "skinLightness", "skinHue");
    };
  }
}
