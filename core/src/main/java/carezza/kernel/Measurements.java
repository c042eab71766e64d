package carezza.kernel;

import java.util.List;

import carezza.image.Picture;
import carezza.model.HealLayer.Source;

/**
 * What a layer measures on its input, always on the same size of the picture, so that tiles and
 * levels agree. Measured anew when anything below the layer changes.
 */
public sealed interface Measurements {

  /** For layers that measure nothing. */
  record None() implements Measurements {}

  /**
   * Sigma of the noise at full size, of the turned channels of lightness and of colour, in darks,
   * middle tones and lights; 0 where there are none.
   */
  record NoiseByTone(
      double lightDarks,
      double lightMiddles,
      double lightLights,
      double colourDarks,
      double colourMiddles,
      double colourLights)
      implements Measurements {

    double[] light() {
      return filled(lightDarks, lightMiddles, lightLights);
    }

    double[] colour() {
      return filled(colourDarks, colourMiddles, colourLights);
    }

    /** Where there are none of a tone, as at the next that there is. */
    private static double[] filled(double darks, double middles, double lights) {
      double middle = middles > 0 ? middles : Math.max(darks, lights);
      return new double[] {
        darks > 0 ? darks : middle, middle, lights > 0 ? lights : middle,
      };
    }
  }

  /** The sources of each patch's pieces, in their order; none where no place is allowed. */
  record HealSources(List<List<Source>> sources) implements Measurements {}

  /**
   * @param advisedRadius sigma of the split in photograph pixels
   */
  record Separation(double advisedRadius) implements Measurements {}

  /**
   * Skin under a tone-evening layer.
   *
   * @param haemoglobinPerShade what redness rises by with shade: light that skin threw on skin, or
   *     that came through it, is red
   * @param haemoglobinBase what the calm part of the skin reaches, less what its shade explains:
   *     what lies above is excess
   * @param haemoglobinTrust 0 … 1, falling as the map drowns in noise
   * @param melaninBase as for haemoglobin
   * @param melaninTrust as for haemoglobin
   * @param medianLightness of the skin, L*
   * @param medianA of the skin, a*
   * @param medianB of the skin, b*
   * @param chromaSlope rise of chroma per L* of this skin
   */
  record SkinTone(
      double haemoglobinPerShade,
      double haemoglobinBase,
      double haemoglobinTrust,
      double melaninBase,
      double melaninTrust,
      double medianLightness,
      double medianA,
      double medianB,
      double chromaSlope)
      implements Measurements {}

  /**
   * Teeth, or one white of an eye.
   *
   * @param found whether there is any coverage at all
   * @param l median L*
   * @param a median a*
   * @param b median b*
   * @param room rise of L* that stays within the limits
   */
  record Tone(boolean found, double l, double a, double b, double room) implements Measurements {
    static final Tone NOWHERE = new Tone(false, 0, 0, 0, 0);
  }

  /**
   * Both eyes.
   *
   * @param lights L* that neither may pass
   */
  record Eyes(Tone left, Tone right, double lights) implements Measurements {}

  /** Colours read at picked places, in linear working light; the one that decides first. */
  record Neutrals(List<Colour> colours) implements Measurements {
    public record Colour(double red, double green, double blue) {}
  }

  /**
   * Skin under a depth layer.
   *
   * @param lightness its median L*
   * @param mixed the mono mix's median L*
   */
  record Depth(double lightness, double mixed) implements Measurements {}

  /** The skin to be changed and the one to be like. */
  record Match(Tone off, Tone follow) implements Measurements {}

  /**
   * What lies behind the person.
   *
   * @param light linear, about each place of the picture, small
   * @param scale its pixels per photograph pixel
   * @param red its mean
   * @param green its mean
   * @param blue its mean
   */
  record Backdrop(Picture light, double scale, double red, double green, double blue)
      implements Measurements {}

  /**
   * @param shortfall what the darkest pixels of the picture's border are of the backdrop about them
   */
  record Border(Backdrop backdrop, double shortfall) implements Measurements {}

  /**
   * @param veil linear light that lies over the darkest places
   */
  record Haze(double veil) implements Measurements {}
}
