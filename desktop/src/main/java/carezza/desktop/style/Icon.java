package carezza.desktop.style;

import javafx.scene.Node;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.SVGPath;

import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LockedLayer;

/** Carezza's own icons, drawn in a 16 x 16 box with lines; the style sheet gives the colour. */
public enum Icon {
  BALANCE("M8 2 V14 M3 5 H13 M3 5 L1.5 9 H4.5 Z M13 5 L11.5 9 H14.5 Z"),
  EXPOSURE("M8 1 V3 M8 13 V15 M1 8 H3 M13 8 H15 M8 5 A3 3 0 1 0 8 11 A3 3 0 1 0 8 5"),
  HEAL("M2 11 C4 8 6 13 8 10 S12 8 14 11 M8 2 V7 M5.5 4.5 H10.5"),
  BANDS(
      "M1 5 C4 1 6 9 8 5 S12 1 15 5 M1 12 L2.5 10 L4 13 L5.5 10 L7 13 L8.5 10 L10 13 L11.5 10 L13"
          + " 13 L15 10"),
  SCULPT("M8 2 A6 6 0 1 0 8 14 A6 6 0 1 0 8 2 M8 2 C12 6 12 10 8 14"),
  EVEN("M2 4 H14 M2 8 H14 M2 12 H14 M5 2.5 V5.5 M10 6.5 V9.5 M7 10.5 V13.5"),
  CURVE("M2 14 C6 14 6 3 14 2 M2 2 V14 H14"),
  TOOTH(
      "M4 3 C6 1.5 7 3.5 8 3.5 S10 1.5 12 3 C14 5 12.5 8 12 10 S11 14 10 14 S9 10 8 10 S7 14 6 14"
          + " S4.5 12 4 10 S2 5 4 3"),
  EYE("M1 8 C4 3.5 12 3.5 15 8 C12 12.5 4 12.5 1 8 M8 6 A2 2 0 1 0 8 10 A2 2 0 1 0 8 6"),
  FALL(
      "M2 2 H14 V14 H2 Z M8 5 A3 3 0 1 0 8 11 A3 3 0 1 0 8 5 M2 2 L4.5 4.5 M14 2 L11.5 4.5 M2 14"
          + " L4.5 11.5 M14 14 L11.5 11.5"),
  BESIDE("M1 3 H9 V13 H1 Z M11 3 H15 V8 H11 Z"),
  SHARP("M8 1 L10 6.5 L15 8 L10 9.5 L8 15 L6 9.5 L1 8 L6 6.5 Z"),
  GLOW(
      "M8 5 A3 3 0 1 0 8.01 5 M8 1 V3 M8 13 V15 M1 8 H3 M13 8 H15 M3 3 L4.2 4.2 M13 3 L11.8 4.2 M3 13 L4.2 11.8 M13 13"
          + " L11.8 11.8"),
  CALM("M1 5 L2.5 3.5 L4 6.5 L5.5 3.5 L7 5 H15 M1 11 H9 L10.5 9.5 L12 12.5 L13.5 9.5 L15 11"),
  DISCS("M6 2 A4 4 0 1 0 6.01 2 M11 7 A3.5 3.5 0 1 0 11.01 7 M3.5 11 A1.5 1.5 0 1 0 3.51 11"),
  GRAINS(
      "M3 3 H4 M7 2 H8 M12 4 H13 M5 6 H6 M10 7 H11 M2 9 H3 M7 10 H8 M13 10 H14 M4 13 H5 M10 13 H11"),
  BULGE("M2 2 H14 M2 14 H14 M3 2 C7 6 7 10 3 14 M13 2 C9 6 9 10 13 14 M8 6 V10 M6.5 8 H9.5"),
  LASH("M2 13 C5 13 10 11 14 3 M2 13 C5 12 9 9 11 4 M2 13 C4 11 6 8 7 5"),
  GROUND("M2 2 H14 V12 C14 13.5 2 13.5 2 12 Z M8 5 A2 2 0 1 0 8.01 5 M5 13 C5 10 11 10 11 13"),
  LAID("M2 4 H11 V13 H2 Z M5 4 V1.5 H14 V10.5 H11"),
  POINTS("M3 8 A2 2 0 1 0 3.01 8 M8 8 A2 2 0 1 0 8.01 8 M13 8 A2 2 0 1 0 13.01 8 M1 13 H15"),
  RANGE("M2 12 L6 4 H10 L14 12 M2 14 H14 M6 4 V14 M10 4 V14"),
  RIPPLE("M1 8 L3 8 L5 3 L7 13 L9 5 L11 11 L13 8 H15"),
  MATCH("M5 2 A4 4 0 1 0 5.01 2 M11 6 A4 4 0 1 0 11.01 6 M7 12 H2 V9"),
  FAMILIES("M8 2 A6 6 0 1 0 8.01 2 M8 2 V14 M2.8 5 L13.2 11 M13.2 5 L2.8 11"),
  DEPTH("M2 3 H14 M3.5 6.5 H12.5 M5 10 H11 M7 13.5 H9"),
  MUTE("M2 8 A6 6 0 1 0 14 8 A6 6 0 1 0 2 8 M4 12 L12 4"),
  TOUCH("M3 13 C3 10 5 9 6 9 L13 2 L14 3 L7 10 C7 12 5 14 3 13"),
  THREE("M2 12 A3 3 0 1 0 2.01 12 M8 6 A3 3 0 1 0 8.01 6 M13 12 A2.5 2.5 0 1 0 13.01 12"),
  GRADIENT("M1 4 H15 V12 H1 Z M4 4 V12 M8 4 V12 M12 4 V12 M10 4 V12 M13.5 4 V12"),
  MONO("M8 2 A6 6 0 1 0 8.01 2 M8 2 V14 M8 4 H11 M8 7 H13.5 M8 10 H13 M8 13 H10"),
  DROP("M8 2 C10 6 12.5 8 12.5 10.5 A4.5 4 0 0 1 3.5 10.5 C3.5 8 6 6 8 2"),
  TURN("M13 8 A5 5 0 1 1 8 3 M8 3 L11 1 M8 3 L11 5.5"),
  IRIS("M8 2 A6 6 0 1 0 8.01 2 M8 6 A2 2 0 1 0 8.01 6 M8 2 V4.5 M8 11.5 V14 M2 8 H4.5 M11.5 8 H14"),
  SPARK("M8 3 A5 5 0 1 0 8.01 3 M6.5 5.5 A1.3 1.3 0 1 0 6.51 5.5"),
  LIPS("M1 8 C4 4 6.5 4.5 8 5.5 C9.5 4.5 12 4 15 8 C12 12.5 4 12.5 1 8 M1 8 C5 9 11 9 15 8"),
  LOCK("M4 7 H12 V14 H4 Z M5.5 7 V4.5 A2.5 2.5 0 0 1 10.5 4.5 V7"),
  GROUP("M5 2.5 H13.5 V10 M2.5 5.5 H10.5 V13.5 H2.5 Z"),
  FACE(
      "M8 1.5 C12 1.5 13 5 12.5 8.5 C12 12 10 14.5 8 14.5 S4 12 3.5 8.5 C3 5 4 1.5 8 1.5 M6 7 V8"
          + " M10 7 V8 M6 11 C7 12 9 12 10 11");

  private final String path;

  Icon(String path) {
    this.path = path;
  }

  public static Icon of(Layer layer) {
    return layer instanceof LockedLayer ? LOCK : of(LayerType.of(layer));
  }

  public static Icon of(LayerType kind) {
    return switch (kind) {
      case WHITE_BALANCE -> BALANCE;
      case EXPOSURE -> EXPOSURE;
      case HEAL -> HEAL;
      case FREQUENCY_SEPARATION -> BANDS;
      case DODGE_BURN -> SCULPT;
      case SKIN_TONE_EVENING -> EVEN;
      case CURVE -> CURVE;
      case TEETH -> TOOTH;
      case SCLERA -> EYE;
      case NEUTRAL_POINTS -> POINTS;
      case LEVELS -> RANGE;
      case LOCAL_CONTRAST -> RIPPLE;
      case SKIN_MATCH -> MATCH;
      case HUE_BANDS -> FAMILIES;
      case SKIN_DEPTH -> DEPTH;
      case DESATURATE -> MUTE;
      case COLOUR_PAINT -> TOUCH;
      case COLOUR_BALANCE -> THREE;
      case GRADIENT_MAP -> GRADIENT;
      case MONOCHROME -> MONO;
      case SATURATION -> DROP;
      case HUE_SHIFT -> TURN;
      case IRIS -> IRIS;
      case CATCHLIGHT -> SPARK;
      case LIPS -> LIPS;
      case VIGNETTE -> FALL;
      case SHARPEN -> SHARP;
      case GLOW -> GLOW;
      case FOCUS_FALLOFF -> DISCS;
      case GRAIN -> GRAINS;
      case NOISE_REDUCTION -> CALM;
      case SHAPE -> BULGE;
      case PAINT -> LASH;
      case OVERLAY -> LAID;
      case BACKDROP -> GROUND;
      case GROUP -> GROUP;
    };
  }

  public Node node() {
    SVGPath shape = new SVGPath();
    shape.setContent(path);
    shape.getStyleClass().add("icon");
    StackPane box = new StackPane(shape);
    box.setMinSize(16, 16);
    box.setPrefSize(16, 16);
    box.setMaxSize(16, 16);
    box.setMouseTransparent(true);
    return box;
  }
}
