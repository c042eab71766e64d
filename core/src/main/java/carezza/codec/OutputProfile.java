package carezza.codec;

import java.awt.color.ICC_Profile;

import carezza.colour.RgbSpace;
import carezza.colour.WorkingSpace;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;

/** The colour spaces that pictures are written in; the profile is put into the file. */
public enum OutputProfile {
  /** For the web and for whoever does not say. */
  SRGB("sRGB"),
  /** Rec. 2020 primaries with the sRGB curve: all colours of the working space, for further work. */
  WIDE("Wide RGB (Rec. 2020)"),
  /** For print: cyan, magenta, yellow and black on coated paper. */
  COATED("CMYK, coated paper");

  private final String title;

  OutputProfile(String title) {
    this.title = title;
  }

  /** Its name on the screen. */
  public String title() {
    return title;
  }

  /** Whether the space is of inks, which only TIFF files carry here. */
  public boolean inks() {
    return this == COATED;
  }

  ICC_Profile icc() {
    return switch (this) {
      case SRGB -> Profiles.SRGB;
      case WIDE -> Profiles.WIDE;
      case COATED -> PressProfile.icc();
    };
  }

  /** Made when first asked for. */
  private static final class Profiles {
    static final ICC_Profile SRGB = ProfileMaker.of(RgbSpace.SRGB, "Carezza sRGB");
    static final ICC_Profile WIDE =
        ProfileMaker.of(RgbSpace.REC2020, "Carezza Wide RGB (Rec. 2020)");
  }

  /**
   * Encoded planes of the space, not clipped.
   *
   * @param intent for spaces that hold fewer colours than the picture may have
   * @param blackPoint whether black becomes the deepest that the space has
   */
  Plane[] encoded(Picture working, Intent intent, boolean blackPoint) {
    return switch (this) {
      case SRGB -> planes(WorkingSpace.toSrgb(working));
      case WIDE -> planes(working);
      case COATED -> new PressProfile(intent, blackPoint).separated(working);
    };
  }

  private static Plane[] planes(Picture picture) {
    return new Plane[] {picture.first(), picture.second(), picture.third()};
  }
}
