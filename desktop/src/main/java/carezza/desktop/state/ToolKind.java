package carezza.desktop.state;

import carezza.desktop.text.Texts;

/** What a press on the picture does. */
public enum ToolKind {
  /** Moves the view. */
  HAND(false),
  /** Lays the layer's mask on, or lifts it. */
  MASK(true),
  /** Sets a heal on a spot or along a stroke. */
  HEAL(true),
  /** Finds the hair that a stroke is drawn along and heals it alone. */
  HAIR(true),
  /** Chooses, moves and re-sources repairs. */
  REPAIR(false),
  /** Takes what is seen along; with Shift, smooths back. */
  PUSH(true),
  /** Moves what is seen away from the brush's middle; with Shift, towards it. */
  GROW(true),
  /** Moves what is seen towards the brush's middle; with Shift, away from it. */
  SHRINK(true),
  /** Brings what was moved back. */
  SMOOTH_BACK(true),
  /** Draws around what is taken from elsewhere. */
  TRANSPLANT(false),
  /** Lightens; with Shift, darkens. */
  DODGE(true),
  /** Darkens; with Shift, lightens. */
  BURN(true),
  /** Draws a line, thin at its ends. */
  PAINT(true),
  /** Picks how a hair differs from what lies about it. */
  PICK_HAIR(false),
  /** Moves a picture that is laid over this one. */
  PLACE_OVERLAY(false),
  /** Picks the colour of a backdrop. */
  PICK_GROUND(false),
  /** Draws along what is straight in the world. */
  LENS_LINE(false),
  /** Moves where light is fullest. */
  PLACE_LIGHT(false),
  /** Evens the low band along the stroke. */
  EVEN_STROKE(true),
  /** Blurs the low band inside an outline. */
  EVEN_AREA(false),
  /** Picks what should be neutral. */
  PICK_NEUTRAL(false),
  /** Picks the skin tone to even towards. */
  PICK_TONE(false),
  /** Picks a dark that should be neutral, or moves it. */
  PICK_DARK(false),
  /** Picks a middle tone that should be neutral, or moves it. */
  PICK_MIDDLE(false),
  /** Picks a light that should be neutral, or moves it. */
  PICK_LIGHT(false),
  /** Picks the middle of a range of hues. */
  PICK_HUE(false),
  /** Bends the curve at the tone that is pressed. */
  CURVE(false),
  /** Sets pins whose colours stay in sight. */
  PIN(false),
  /** Moves the frame of what is delivered. */
  FRAME(false),
  /** Turns the picture so that a line is level. */
  LEVEL(false),
  /** Moves the handles of the mask's chosen part. */
  PART(false),
  /** Draws an outline that joins the mask. */
  OUTLINE(false),
  /** Places a face map by five clicks. */
  PLACE_FACE(false),
  /** Moves the handles of the face map. */
  FACE(false);

  private final boolean brush;

  ToolKind(boolean brush) {
    this.brush = brush;
  }

  /** What places mean to it. */
  public enum Places {
    /** Those of the photograph, wherever they are seen. */
    PHOTOGRAPH,
    /** Those of the hand that shapes it. */
    HAND,
    /** Those of the finished picture. */
    PICTURE
  }

  public Places places() {
    return switch (this) {
      case PUSH, GROW, SHRINK, SMOOTH_BACK -> Places.HAND;
      case FRAME, LEVEL, HAND -> Places.PICTURE;
      default -> Places.PHOTOGRAPH;
    };
  }

  /** Its name on a button. */
  public String title() {
    return Texts.of("state").get("toolKind." + name() + ".title");
  }

  /** What it does, for the hand that has it. */
  public String words() {
    return Texts.of("state").get("toolKind." + name());
  }

  /** Whether the brush ring is shown. */
  public boolean brush() {
    return brush;
  }
}
