package carezza.model;

import java.util.List;

import org.jspecify.annotations.Nullable;

/**
 * Light and shade, each laid on where its mask says.
 *
 * @param method how light is made
 * @param dodge rise of middle grey in encoded values where light is laid on in full
 * @param burn fall of middle grey in encoded values where shade is laid on in full
 * @param dodgeMask where it lightens
 * @param burnMask where it darkens
 * @param keepColour 0 lets chroma change with the light as per-channel curves do, 1 holds the ratio
 *     of the channels
 * @param lights tones of the layer's input that light is limited to, or null
 * @param shades tones of the layer's input that shade is limited to, or null
 */
public record DodgeBurnLayer(
    LayerAttributes attributes,
    Method method,
    @Parameter(most = 0.4, usual = 0.12) double dodge,
    @Parameter(most = 0.4, usual = 0.12) double burn,
    Mask dodgeMask,
    Mask burnMask,
    @Parameter(usual = 0.5) double keepColour,
    Mask.@Nullable Range lights,
    Mask.@Nullable Range shades)
    implements Layer {

  /** How light and shade are made; each can do only so much to middle grey. */
  public enum Method {
    /** A pair of curves. */
    CURVES(0.4, 0.4),
    /** A neutral sheet in soft light. */
    SOFT_SHEET(Math.sqrt(0.5) - 0.5, 0.25),
    /** A neutral sheet in overlay. */
    OVERLAY_SHEET(0.4, 0.4),
    /** The picture's lights laid on itself in screen, its shades in multiply. */
    RANGES(0.25, 0.25);

    private final double mostRise;
    private final double mostFall;

    Method(double mostRise, double mostFall) {
      this.mostRise = mostRise;
      this.mostFall = mostFall;
    }

    /** Largest rise of middle grey it can make; more asks for no more. */
    public double mostRise() {
      return mostRise;
    }

    /** Largest fall of middle grey it can make; more asks for no more. */
    public double mostFall() {
      return mostFall;
    }
  }

  /** Tones that the range pair starts with: what is light already, and what is dark already. */
  public static final Mask.Range LIGHT_TONES =
      new Mask.Range(Mask.Quantity.LIGHTNESS, 40, 60, 100, 100);

  public static final Mask.Range DARK_TONES = new Mask.Range(Mask.Quantity.LIGHTNESS, 0, 0, 40, 60);

  public DodgeBurnLayer {
    Require.present("attributes", attributes);
    Parameters.of(DodgeBurnLayer.class).check(dodge, burn, keepColour);
    method = method == null ? Method.CURVES : method;
    dodgeMask = dodgeMask == null ? new Mask.Nothing() : dodgeMask;
    burnMask = burnMask == null ? new Mask.Nothing() : burnMask;
  }

  /** Where light is laid on: its mask, within its tones. */
  public Mask lit() {
    return limited(dodgeMask, lights);
  }

  /** Where shade is laid on: its mask, within its tones. */
  public Mask shaded() {
    return limited(burnMask, shades);
  }

  private static Mask limited(Mask mask, Mask.@Nullable Range tones) {
    return tones == null || mask instanceof Mask.Nothing ? mask : new Mask.And(mask, tones);
  }

  /** With another method; the range pair begins with tones where none are set. */
  public DodgeBurnLayer withMethod(Method newMethod) {
    boolean tones = newMethod == Method.RANGES && lights == null && shades == null;
    return new DodgeBurnLayer(
        attributes,
        newMethod,
        dodge,
        burn,
        dodgeMask,
        burnMask,
        keepColour,
        tones ? LIGHT_TONES : lights,
        tones ? DARK_TONES : shades);
  }

  public DodgeBurnLayer withStrengths(double newDodge, double newBurn) {
    return new DodgeBurnLayer(
        attributes, method, newDodge, newBurn, dodgeMask, burnMask, keepColour, lights, shades);
  }

  public DodgeBurnLayer withMasks(Mask newDodge, Mask newBurn) {
    return new DodgeBurnLayer(
        attributes, method, dodge, burn, newDodge, newBurn, keepColour, lights, shades);
  }

  public DodgeBurnLayer withKeepColour(double newKeepColour) {
    return new DodgeBurnLayer(
        attributes, method, dodge, burn, dodgeMask, burnMask, newKeepColour, lights, shades);
  }

  public DodgeBurnLayer withTones(Mask.@Nullable Range newLights, Mask.@Nullable Range newShades) {
    return new DodgeBurnLayer(
        attributes, method, dodge, burn, dodgeMask, burnMask, keepColour, newLights, newShades);
  }

  @Override
  public DodgeBurnLayer with(LayerAttributes newAttributes) {
    return new DodgeBurnLayer(
        newAttributes, method, dodge, burn, dodgeMask, burnMask, keepColour, lights, shades);
  }

  @Override
  public List<Mask> masks() {
    return List.of(attributes.mask(), dodgeMask, burnMask);
  }
}
