package carezza.desktop.command;

import java.nio.file.Path;

import picocli.CommandLine.Option;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.image.Level;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.session.Delivery;

/** Where a picture is written to, and how. */
final class OutputOptions {

  @Option(
      names = "--out",
      required = true,
      paramLabel = "FILE",
      description = "Picture to write; .jpg, .png or .tif.")
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
      paramLabel = "srgb|wide",
      defaultValue = "srgb",
      description = "Colour space of the file: sRGB or a wide RGB (default ${DEFAULT-VALUE}).")
  private OutputProfile profile;

  /** Says what is out of range before any work is done. */
  void check() throws Problem {
    PictureFormat.of(out.getFileName().toString());
    require(longEdge >= 0, "--long-edge", longEdge, "0 or more pixels");
    require(quality >= 1 && quality <= 100, "--quality", quality, "1 to 100");
    require(bits == 8 || bits == 16, "--bits", bits, "8 or 16");
    require(level >= 0 && level <= Level.COARSEST, "--scale-level", level, "0 to 10");
  }

  private static void require(boolean fits, String option, int value, String range) throws Problem {
    if (!fits) {
      throw new Problem(Kind.VALUE_OUT_OF_RANGE, option, value, range);
    }
  }

  Path file() {
    return out;
  }

  Delivery delivery() {
    return new Delivery(longEdge, quality, bits, level, profile);
  }
}
