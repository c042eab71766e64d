package carezza.model;

/**
 * Evens the colour of skin: first by pigment, then towards a target.
 *
 * @param redness 0 … 1: share of excess haemoglobin taken away
 * @param pigment 0 … 1: share of excess melanin taken away
 * @param target picked skin tone, or null for none
 * @param hue 0 … 1: pull of the hue to the target's
 * @param chroma 0 … 1: pull of the chroma to what the target has at the same lightness
 * @param lightness 0 … 1: pull of the low band of L* to the target's
 */
public record ToneEveningLayer(
    Head head,
    double redness,
    double pigment,
    Target target,
    double hue,
    double chroma,
    double lightness)
    implements Layer {

  /** A tone in CIE LCh(ab), D50. */
  public record Target(double lightness, double chroma, double hue) {
    public Target {
      Require.range("target lightness", lightness, 0, 100);
      Require.range("target chroma", chroma, 0, 150);
      Require.range("target hue", hue, 0, 360);
    }
  }

  public ToneEveningLayer {
    Require.present("head", head);
    Require.range("redness", redness, 0, 1);
    Require.range("pigment", pigment, 0, 1);
    Require.range("hue", hue, 0, 1);
    Require.range("chroma", chroma, 0, 1);
    Require.range("lightness", lightness, 0, 1);
  }

  public ToneEveningLayer withTarget(Target newTarget) {
    return new ToneEveningLayer(head, redness, pigment, newTarget, hue, chroma, lightness);
  }

  @Override
  public ToneEveningLayer with(Head newHead) {
    return new ToneEveningLayer(newHead, redness, pigment, target, hue, chroma, lightness);
  }
}
