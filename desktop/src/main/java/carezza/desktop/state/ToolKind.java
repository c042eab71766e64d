package carezza.desktop.state;

/** What a press on the picture does. */
public enum ToolKind {
  /** Moves the view. */
  HAND("Move the view", false),
  /** Lays the layer's mask on, or lifts it. */
  MASK("Paint where the layer acts", true),
  /** Sets a heal on a spot or along a stroke. */
  HEAL("Mend a spot, or along a stroke; Ctrl + click sets where clones are taken from", true),
  /** Finds the hair that a stroke is drawn along and heals it alone. */
  HAIR("Draw roughly along a stray hair: only the hair is healed", true),
  /** Chooses, moves and re-sources repairs. */
  REPAIR("Click a repair, or draw around several; drag it, its source, or the source's handle", false),
  /** Draws around what is taken from elsewhere. */
  TRANSPLANT("Draw around a place, then drag its source to where it is to be taken from", false),
  /** Lightens; with Shift, darkens. */
  DODGE("Paint light; Shift paints shade", true),
  /** Darkens; with Shift, lightens. */
  BURN("Paint shade; Shift paints light", true),
  /** Evens the low band along the stroke. */
  EVEN_STROKE("Even the tone along a stroke", true),
  /** Blurs the low band inside an outline. */
  EVEN_AREA("Draw around a place to even its tone", false),
  /** Picks what should be neutral. */
  PICK_NEUTRAL("Pick something that should be neutral", false),
  /** Picks the skin tone to even towards. */
  PICK_TONE("Pick the skin tone to even towards", false),
  /** Picks a dark that should be neutral, or moves it. */
  PICK_DARK("Pick a dark that should be grey; drag it elsewhere", false),
  /** Picks a middle tone that should be neutral, or moves it. */
  PICK_MIDDLE("Pick a middle tone that should be grey; drag it elsewhere", false),
  /** Picks a light that should be neutral, or moves it. */
  PICK_LIGHT("Pick a light that should be grey; drag it elsewhere", false),
  /** Picks the middle of a range of hues. */
  PICK_HUE("Pick the hue to be turned", false),
  /** Bends the curve at the tone that is pressed. */
  CURVE("Press a tone and drag up or down: the curve bends there", false),
  /** Sets pins whose colours stay in sight. */
  PIN("Click to set a pin, drag it elsewhere; a click on it takes it out", false),
  /** Moves the frame of what is delivered. */
  FRAME("Drag the frame, its sides and corners; outside it, turn", false),
  /** Turns the picture so that a line is level. */
  LEVEL("Draw along something that should be level or upright", false),
  /** Moves the handles of the mask's chosen part. */
  PART("Drag the handles of the mask's part", false),
  /** Draws an outline that joins the mask. */
  OUTLINE("Draw around a place, or click its corners and the first one again", false),
  /** Places a face map by five clicks. */
  PLACE_FACE("Place a face: its box, both pupils, both corners of the mouth", false),
  /** Moves the handles of the face map. */
  FACE("Drag the handles onto the face", false);

  private final String words;
  private final boolean brush;

  ToolKind(String words, boolean brush) {
    this.words = words;
    this.brush = brush;
  }

  public String words() {
    return words;
  }

  /** Whether the brush ring is shown. */
  public boolean brush() {
    return brush;
  }
}
