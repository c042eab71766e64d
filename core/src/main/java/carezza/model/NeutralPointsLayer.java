package carezza.model;

/**
 * Makes picked places neutral, each at its own lightness: one, two or three of them.
 *
 * @param dark a place of the photograph that should be a dark grey, or null
 * @param middle as a middle grey, or null
 * @param light as a light grey, or null
 */
public record NeutralPointsLayer(LayerAttributes attributes, Point dark, Point middle, Point light) implements Layer {

  /** The three points by name. */
  public enum Tone {
    DARK,
    MIDDLE,
    LIGHT
  }

  public NeutralPointsLayer {
    Require.present("attributes", attributes);
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
  public NeutralPointsLayer moved(Tone tone, Point place) {
    return switch (tone) {
      case DARK -> new NeutralPointsLayer(attributes, place, middle, light);
      case MIDDLE -> new NeutralPointsLayer(attributes, dark, place, light);
      case LIGHT -> new NeutralPointsLayer(attributes, dark, middle, place);
    };
  }

  @Override
  public NeutralPointsLayer with(LayerAttributes newAttributes) {
    return new NeutralPointsLayer(newAttributes, dark, middle, light);
  }
}
