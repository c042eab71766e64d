package carezza.codec;

import java.awt.color.ICC_Profile;

import carezza.colour.RgbSpace;
import carezza.colour.WorkingSpace;
import carezza.image.Picture;

/** The colour spaces that pictures are written in; the profile is put into the file. */
public enum OutputProfile {
  /** For the web and for whoever does not say. */
  SRGB("sRGB", RgbSpace.SRGB),
  /** Rec. 2020 primaries with the sRGB curve: all colours of the working space, for further work. */
  WIDE("Wide RGB (Rec. 2020)", RgbSpace.REC2020);

  private final String title;
  private final ICC_Profile icc;

  OutputProfile(String title, RgbSpace space) {
    this.title = title;
    this.icc = ProfileMaker.of(space, "Carezza " + title);
  }

  /** Its name on the screen. */
  public String title() {
    return title;
  }

  ICC_Profile icc() {
    return icc;
  }

  /** Encoded planes of the space, not clipped. */
  Picture encoded(Picture working) {
    return this == SRGB ? WorkingSpace.toSrgb(working) : working;
  }
}
