package carezza.model;

import java.util.Optional;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.model.SkinToneEveningLayer.Target;

/**
 * Brings what lies behind the person to white, or to a colour, by no more than it takes; the person
 * stays, and of their edge only what shows of the backdrop changes.
 *
 * @param colour that is wanted, or null for pure white
 * @param texture share of the backdrop's own texture that stays
 */
public record BackdropLayer(
    LayerAttributes attributes,
    @Nullable Target colour,
    @Parameter(usual = 0.5, step = 0.05) double texture)
    implements Layer {

  private static final Lab WHITE = new Lab(100, 0, 0);

  public BackdropLayer {
    Require.present("attributes", attributes);
    Parameters.of(BackdropLayer.class).check(texture);
  }

  /** The one that decides what the backdrop is: the topmost that acts. */
  public static Optional<BackdropLayer> in(LayerStack stack) {
    return stack.layers().reversed().stream()
        .filter(Layer::acts)
        .filter(BackdropLayer.class::isInstance)
        .map(BackdropLayer.class::cast)
        .findFirst();
  }

  /** The colour that is wanted. */
  public Lab wanted() {
    return colour == null ? WHITE : Lab.ofLch(colour.lightness(), colour.chroma(), colour.hue());
  }

  /** Towards a colour; null for white. */
  public BackdropLayer towards(@Nullable Target newColour) {
    return new BackdropLayer(attributes, newColour, texture);
  }

  @Override
  public BackdropLayer with(LayerAttributes newAttributes) {
    return new BackdropLayer(newAttributes, colour, texture);
  }
}
