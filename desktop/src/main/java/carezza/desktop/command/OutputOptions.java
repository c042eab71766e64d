package carezza.desktop.command;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;

import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.TypeConversionException;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.image.Level;
import carezza.metadata.Metadata.Carried;
import carezza.press.Intent;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.recipe.Delivery;

/** Where a picture is written to, and how. */
final class OutputOptions {

  @Option(
      names = "--out",
      required = true,
      paramLabel = "FILE",
      description = "Picture to write; .jpg, .png, .tif, or .ora with its layers.")
  private Path out;

  @Option(
      names = "--long-edge",
      paramLabel = "N",
      description = "Most pixels along the long edge; 0 for full size (default).")
  private int longEdge;

  @Option(
      names = "--quality",
      paramLabel = "Q",
      defaultValue = "92",
      description = "JPEG quality, 1 to 100 (default ${DEFAULT-VALUE}).")
  private int quality;

  @Option(
      names = "--bits",
      paramLabel = "8|16",
      defaultValue = "8",
      description = "Bits per channel of PNG and TIFF (default ${DEFAULT-VALUE}).")
  private int bits;

  @Option(
      names = "--scale-level",
      paramLabel = "K",
      description = "Renders at 1/2^K of the size, as a preview does (default 0).")
  private int level;

  @Option(
      names = "--profile",
      paramLabel = "srgb|wide|coated|FILE.icc",
      defaultValue = "srgb",
      converter = ProfileConverter.class,
      description =
          "Colour space of the file: sRGB, a wide RGB, CMYK for coated paper, or a printer's or shop's"
              + " own profile; CMYK needs .tif (default ${DEFAULT-VALUE}).")
  private OutputProfile profile;

  @Option(
      names = "--intent",
      paramLabel = "colorimetric|perceptual",
      defaultValue = "colorimetric",
      description = "What happens to colours that cannot be printed (default ${DEFAULT-VALUE}).")
  private Intent intent;

  @Option(
      names = "--no-black-point",
      description = "Leaves out black-point compensation: black stays as far off as ink allows.")
  private boolean noBlackPoint;

  @Option(
      names = "--notes",
      paramLabel = "nothing|without-place|all",
      defaultValue = "without-place",
      description =
          "EXIF, IPTC and XMP of the photograph to carry over (default ${DEFAULT-VALUE}).",
      converter = CarriedConverter.class)
  private Carried carried;

  @Option(
      names = "--layers",
      description =
          "Writes a TIFF with a page for the photograph, each layer and the finished picture;"
              + " with .ora it is always so.")
  private boolean layers;

  @Option(
      names = "--say-retouched",
      description =
          "Says in the file, as IPTC's digital source type, that the picture was retouched; not in"
              + " files with layers.")
  private boolean retouched;

  @Mixin private Writing writing;

  /** Words with hyphens for the constants. */
  static final class CarriedConverter implements ITypeConverter<Carried> {
    @Override
    public Carried convert(String word) {
      String given = word.toUpperCase(Locale.ROOT).replace('-', '_');
      for (Carried each : Carried.values()) {
        if (each.name().equals(given)) {
          return each;
        }
      }
      throw new TypeConversionException("use nothing, without-place or all, not '" + word + "'");
    }
  }

  /** Names of what ships, or a profile's file. */
  static final class ProfileConverter implements ITypeConverter<OutputProfile> {
    @Override
    public OutputProfile convert(String word) {
      Optional<OutputProfile> shipped = OutputProfile.shipped(word);
      if (shipped.isPresent()) {
        return shipped.get();
      }
      Path file = Path.of(word);
      if (!Files.exists(file)) {
        throw new TypeConversionException(
            "use srgb, wide, coated or the file of a colour profile, not '" + word + "'");
      }
      try {
        Originals.protect(file);
        return OutputProfile.of(file);
      } catch (Problem e) {
        throw new TypeConversionException(e.getMessage());
      }
    }
  }

  /** Says what is out of range before any work is done. */
  void check() throws Problem {
    require(longEdge >= 0, "--long-edge", longEdge, "0 or more pixels");
    require(quality >= 1 && quality <= 100, "--quality", quality, "1 to 100");
    require(bits == 8 || bits == 16, "--bits", bits, "8 or 16");
    require(level >= 0 && level <= Level.COARSEST, "--scale-level", level, "0 to 10");
    delivery().check(out);
    writing.to(out).check();
  }

  private static void require(boolean fits, String option, int value, String range) throws Problem {
    if (!fits) {
      throw new Problem(Kind.VALUE_OUT_OF_RANGE, option, value, range);
    }
  }

  AtomicFile file() {
    return writing.to(out);
  }

  Delivery delivery() {
    return new Delivery(
        longEdge,
        quality,
        bits,
        level,
        new OutputColour(profile, intent, !noBlackPoint),
        carried,
        layers,
        retouched);
  }
}
