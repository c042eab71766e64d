package carezza.model;

import org.jspecify.annotations.Nullable;

/**
 * Makes picked places neutral, each at its own lightness: one, two or three of them.
 *
 * @param shadow a place of the photograph that should be a dark grey, or null
 * @param midtone as a middle grey, or null
 * @param highlight as a light grey, or null
 */
public record NeutralPointsLayer(
    LayerAttributes attributes,
    @Nullable Point shadow,
    @Nullable Point midtone,
    @Nullable Point highlight)
    implements Layer {

  /** The three points by name. */
  public enum Tone {
    SHADOW,
    MIDTONE,
    HIGHLIGHT
  }

  public NeutralPointsLayer {
    Require.present("attributes", attributes);
  }

  /** The place of a tone, or null. */
  public @Nullable Point at(Tone tone) {
    return switch (tone) {
      case SHADOW -> shadow;
      case MIDTONE -> midtone;
      case HIGHLIGHT -> highlight;
    };
  }

  /** With another place for a tone; null takes it out. */
  public NeutralPointsLayer moved(Tone tone, @Nullable Point place) {
    return switch (tone) {
      case SHADOW -> new NeutralPointsLayer(attributes, place, midtone, highlight);
      case MIDTONE -> new NeutralPointsLayer(attributes, shadow, place, highlight);
      case HIGHLIGHT -> new NeutralPointsLayer(attributes, shadow, midtone, place);
    };
  }

  @Override
  public NeutralPointsLayer with(LayerAttributes newAttributes) {
    return new NeutralPointsLayer(newAttributes, shadow, midtone, highlight);
  }
}
