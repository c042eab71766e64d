package carezza.model;

import java.util.Map;

/**
 * A layer of a kind, or with a mask of a kind, that this version does not know: it stays where it
 * is, changes nothing, and is saved as it came.
 *
 * @param attributes with what could be read of it; its mask covers nothing
 * @param kind as the file names it
 * @param content all fields, as the file has them
 */
public record LockedLayer(LayerAttributes attributes, String kind, Map<String, Object> content)
    implements Layer {

  public LockedLayer {
    Require.present("attributes", attributes);
    Require.present("kind", kind);
    content = Map.copyOf(content);
  }

  /** Itself: what is saved as it came cannot be changed. */
  @Override
  public LockedLayer with(LayerAttributes newAttributes) {
    return this;
  }

  @Override
  public boolean acts() {
    return false;
  }
}
