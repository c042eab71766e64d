package carezza.model;

/**
 * Makes picked places neutral, each at its own lightness: one, two or three of them.
 *
 * @param dark a place of the photograph that should be a dark grey, or null
 * @param middle as a middle grey, or null
 * @param light as a light grey, or null
 */
public record NeutraliseLayer(Head head, Point dark, Point middle, Point light) implements Layer {

  /** The three points by name. */
  public enum Tone {
    DARK,
    MIDDLE,
    LIGHT
  }

  public NeutraliseLayer {
    Require.present("head", head);
  }

  /** The place of a tone, or null. */
  public Point at(Tone tone) {
    return switch (tone) {
      case DARK -> dark;
      case MIDDLE -> middle;
      case LIGHT -> light;
    };
  }

  /** With another place for a tone; null takes it out. */
  public NeutraliseLayer moved(Tone tone, Point place) {
    return switch (tone) {
      case DARK -> new NeutraliseLayer(head, place, middle, light);
      case MIDDLE -> new NeutraliseLayer(head, dark, place, light);
      case LIGHT -> new NeutraliseLayer(head, dark, middle, place);
    };
  }

  @Override
  public NeutraliseLayer with(Head newHead) {
    return new NeutraliseLayer(newHead, dark, middle, light);
  }
}
