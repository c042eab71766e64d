package carezza.model;

import carezza.colour.BlendMode;

/**
 * Layers taken together under one amount, mask and blend. It stands right above its members, which
 * name it in their {@link LayerAttributes#group}; its input is what lies below the lowest of them,
 * and its effect is what they make of that.
 */
public record GroupLayer(LayerAttributes attributes) implements Layer {

  public GroupLayer {
    Require.present("attributes", attributes);
  }

  @Override
  public GroupLayer with(LayerAttributes newAttributes) {
    return new GroupLayer(newAttributes);
  }

  /** Whether it leaves what its members make of the picture as it is. */
  public boolean plain() {
    return attributes.amount() == 1
        && attributes.mask() instanceof Mask.Everything
        && attributes.blend() == BlendMode.NORMAL;
  }
}
