package carezza.benchmarks;

import java.util.Arrays;

import carezza.codec.PictureReader;
import carezza.problem.Problem;
import carezza.project.ProjectFile;

/**
 * What a fuzzer calls: bytes as a picture, a project or a stack, by the first of them. Anything but
 * a sentence is a finding.
 */
public final class FuzzTarget {

  private FuzzTarget() {}

  /** The entry that Jazzer looks for. */
  public static void fuzzerTestOneInput(byte[] data) {
    if (data.length < 2) {
      return;
    }
    byte[] file = Arrays.copyOfRange(data, 1, data.length);
    try {
      switch (data[0] & 3) {
        case 2 -> ProjectFile.open(file, "x.carezza");
        case 3 -> ProjectFile.readStack(file, "x.json");
        default -> PictureReader.decode(file, "x");
      }
    } catch (Problem expected) {
      if (!expected.getMessage().endsWith(".")) {
        throw new IllegalStateException("No sentence: " + expected.getMessage(), expected);
      }
    }
  }
}
