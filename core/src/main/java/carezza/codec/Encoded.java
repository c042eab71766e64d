package carezza.codec;

import java.util.EnumSet;
import java.util.Set;

import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.profile.ColourTag;

/**
 * A picture as its file has it, but upright, and lying on white where it was transparent.
 *
 * @param model what the planes are
 * @param planes encoded values, 0 … 1 (reals may lie beyond), all over the same area
 * @param bits per channel in the file
 * @param tag what the file says of its colours
 */
record Encoded(
    Model model, Plane[] planes, int bits, ColourTag tag, Metadata metadata, Set<Remark> remarks) {

  Encoded {
    remarks = remarks.isEmpty() ? EnumSet.noneOf(Remark.class) : EnumSet.copyOf(remarks);
  }

  /** Kinds of channels. */
  enum Model {
    GREY(1),
    RGB(3),
    /** Shares of cyan, magenta, yellow and black ink. */
    INKS(4),
    /** L* / 100, (a* + 128) / 256, (b* + 128) / 256, relative to D50. */
    LAB(3);

    private final int planes;

    Model(int planes) {
      this.planes = planes;
    }

    int planes() {
      return planes;
    }

    /** Value of every channel on white paper. */
    float white() {
      return this == INKS ? 0 : 1;
    }
  }
}
