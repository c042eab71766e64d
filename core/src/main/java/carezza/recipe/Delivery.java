package carezza.recipe;

import java.nio.file.Path;
import java.util.Locale;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.colour.Transfer;
import carezza.filter.Resampling;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.metadata.Metadata.Carried;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/**
 * How a picture leaves.
 *
 * @param longEdge of the file in pixels; 0 for full size, never enlarged
 * @param quality of a JPEG, 1 … 100
 * @param bits per channel of a PNG or TIFF, 8 or 16
 * @param level rendered at; 0 for full quality
 * @param colour colour space of the file
 * @param carried what of the photograph's metadata goes into the file
 * @param layers writes a TIFF with a page for each layer; OpenRaster always has them
 * @param retouched says in the file that the picture was retouched
 */
public record Delivery(
    int longEdge,
    int quality,
    int bits,
    int level,
    OutputColour colour,
    Carried carried,
    boolean layers,
    boolean retouched) {

  public Delivery {
    if (longEdge < 0 || quality < 1 || quality > 100 || (bits != 8 && bits != 16)) {
      throw new IllegalArgumentException("Delivery " + longEdge + ", " + quality + ", " + bits);
    }
    if (level < 0 || level > Level.COARSEST) {
      throw new IllegalArgumentException("Level " + level);
    }
  }

  /** One that does not say that the picture was retouched. */
  public Delivery(
      int longEdge,
      int quality,
      int bits,
      int level,
      OutputColour colour,
      Carried carried,
      boolean layers) {
    this(longEdge, quality, bits, level, colour, carried, layers, false);
  }

  /** Full size at high quality. */
  public static Delivery full() {
    return new Delivery(
        0, 92, 8, 0, OutputColour.of(OutputProfile.SRGB), Carried.WITHOUT_PLACE, false);
  }

  /**
   * Looks beforehand whether a file of this name can hold what is asked for.
   *
   * @throws Problem if not
   */
  public void check(Path file) throws Problem {
    String name = PictureReader.name(file);
    if (isOpenRaster(file)) {
      requireRgb(name);
      return;
    }
    boolean tiff = PictureFormat.of(name) == PictureFormat.TIFF;
    if (layers && !tiff) {
      throw new Problem(Kind.LAYERS_NEED_TIFF, name);
    }
    if (layers) {
      requireRgb(name);
    }
    if (colour.profile().inks() && !tiff) {
      throw new Problem(Kind.INKS_NEED_TIFF, name);
    }
  }

  private void requireRgb(String name) throws Problem {
    if (colour.profile().inks()) {
      throw new Problem(Kind.LAYERS_NEED_RGB, name);
    }
  }

  /** Whether a file of this name holds layers by its kind. */
  public static boolean isOpenRaster(Path file) {
    return PictureReader.name(file).toLowerCase(Locale.ROOT).endsWith(".ora");
  }

  /** Width and height of the file, at full quality. */
  public PictureSize size(Project project, PictureSize photograph) {
    PictureSize cut = project.crop() == null ? photograph : project.crop().size(1);
    return longEdge == 0 || longEdge >= cut.longEdge() || layers ? cut : shrunk(cut);
  }

  private PictureSize shrunk(PictureSize from) {
    double factor = (double) longEdge / from.longEdge();
    return new PictureSize(
        Math.max(1, (int) Math.round(from.width() * factor)),
        Math.max(1, (int) Math.round(from.height() * factor)));
  }

  /** Shrunk in linear light so that the long edge fits. */
  public Picture sized(Picture picture, PictureSize photograph) {
    int w = picture.area().width();
    int h = picture.area().height();
    if (longEdge == 0 || longEdge >= Math.max(w, h)) {
      return picture;
    }
    PictureSize size = shrunk(photograph);
    return Transfer.encodeInPlace(Resampling.shrink(Transfer.toLinear(picture), size));
  }
}
