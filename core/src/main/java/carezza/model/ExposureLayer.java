package carezza.model;

/**
 * Scales the light.
 *
 * @param stops factors of two, −5 … 5
 * @param recover 0 … 1: how far below white the shoulder starts that bends lights back under it
 */
public record ExposureLayer(Head head, double stops, double recover) implements Layer {

  public ExposureLayer {
    Require.present("head", head);
    Require.range("stops", stops, -5, 5);
    Require.range("recover", recover, 0, 1);
  }

  @Override
  public ExposureLayer with(Head newHead) {
    return new ExposureLayer(newHead, stops, recover);
  }
}
