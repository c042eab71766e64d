package carezza.codec;

import java.awt.color.CMMException;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;

import carezza.colour.Lab;
import carezza.colour.RgbSpace;
import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.profile.IccProfileWriter;
import carezza.profile.ProfileConversion;

/**
 * A colour space that pictures are written in; its profile is put into the file. Three ship; any
 * other comes from an ICC profile of a printer, a print shop or a display.
 */
public final class OutputProfile {

  /** For the web and for whoever does not say. */
  public static final OutputProfile SRGB =
      new OutputProfile(
          "sRGB",
          false,
          () -> Profiles.SRGB,
          (working, intent, black) -> planes(WorkingSpace.toSrgb(working)));

  /**
   * Rec. 2020 primaries with the sRGB curve: all colours of the working space, for further work.
   */
  public static final OutputProfile WIDE =
      new OutputProfile(
          "Wide RGB (Rec. 2020)",
          false,
          () -> Profiles.WIDE,
          (working, intent, black) -> planes(working));

  /** For print: cyan, magenta, yellow and black on coated paper. */
  public static final OutputProfile COATED =
      new OutputProfile(
          "CMYK, coated paper",
          true,
          PressProfile::icc,
          (working, intent, black) -> new PressProfile(intent, black).separated(working));

  /** Made when first asked for. */
  private static final class Profiles {
    static final ICC_Profile SRGB = IccProfileWriter.of(RgbSpace.SRGB, "Carezza sRGB");
    static final ICC_Profile WIDE =
        IccProfileWriter.of(RgbSpace.REC2020, "Carezza Wide RGB (Rec. 2020)");
  }

  /** From the working space to encoded planes. */
  @FunctionalInterface
  private interface Encoder {
    Plane[] encode(Picture working, Intent intent, boolean blackPoint);
  }

  private final String title;
  private final boolean inks;
  private final Supplier<ICC_Profile> icc;
  private final Encoder encoder;

  private OutputProfile(String title, boolean inks, Supplier<ICC_Profile> icc, Encoder encoder) {
    this.title = title;
    this.inks = inks;
    this.icc = icc;
    this.encoder = encoder;
  }

  /** Those that ship. */
  public static List<OutputProfile> shipped() {
    return List.of(SRGB, WIDE, COATED);
  }

  /** One that ships, by its name in commands and files: srgb, wide or coated. */
  public static Optional<OutputProfile> shipped(String id) {
    return switch (id.toLowerCase(Locale.ROOT)) {
      case "srgb" -> Optional.of(SRGB);
      case "wide" -> Optional.of(WIDE);
      case "coated" -> Optional.of(COATED);
      default -> Optional.empty();
    };
  }

  /**
   * A profile of RGB or CMYK, of matrix or tables, version 2 or 4.
   *
   * @throws Problem if it is none that pictures can be turned into
   */
  public static OutputProfile of(Path file) throws Problem {
    String name = PictureReader.name(file);
    byte[] bytes = PictureReader.bytes(file);
    try {
      ICC_Profile profile = ProfileConversion.parsed(bytes);
      int type = profile.getColorSpaceType();
      int kind = profile.getProfileClass();
      boolean device =
          kind == ICC_Profile.CLASS_DISPLAY
              || kind == ICC_Profile.CLASS_OUTPUT
              || kind == ICC_Profile.CLASS_COLORSPACECONVERSION
              || kind == ICC_Profile.CLASS_INPUT;
      if (!device || type != ColorSpace.TYPE_RGB && type != ColorSpace.TYPE_CMYK) {
        throw new Problem(Kind.PROFILE_OF_OTHER_CLASS, name);
      }
      OutputProfile found = ofDevice(profile);
      // A profile may say that it can be turned into, and not hold the tables for it.
      found.proof(Picture.of(new Area(0, 0, 1, 1)), Intent.COLORIMETRIC, true);
      return found;
    } catch (CMMException | IllegalArgumentException e) {
      throw new Problem(e, Kind.PROFILE_FILE_UNUSABLE, name);
    }
  }

  private static OutputProfile ofDevice(ICC_Profile profile) {
    return new OutputProfile(
        ProfileConversion.name(profile),
        profile.getColorSpaceType() == ColorSpace.TYPE_CMYK,
        () -> profile,
        (working, intent, black) ->
            ProfileConversion.fromWorking(
                black && intent == Intent.COLORIMETRIC ? raised(working, profile) : working,
                profile,
                intent));
  }

  /**
   * Light raised so that black becomes the deepest that the profile has (ISO 18619, in linear
   * light).
   */
  private static Picture raised(Picture working, ICC_Profile profile) {
    Picture black = Picture.of(new Area(0, 0, 1, 1));
    Picture deepest =
        ProfileConversion.back(
            ProfileConversion.fromWorking(black, profile, Intent.COLORIMETRIC),
            profile,
            Intent.COLORIMETRIC);
    double l = Lab.of(deepest).first().values()[0];
    float k = (float) Lab.cube((Math.max(0, l) + 16) / 116);
    Picture light = Transfer.toLinear(working);
    for (int c = 0; c < 3; c++) {
      float[] values = light.plane(c).values();
      for (int i = 0; i < values.length; i++) {
        values[i] = k + (1 - k) * values[i];
      }
    }
    return Transfer.encodeInPlace(light);
  }

  /** Its name in commands and files, if it is one that ships. */
  public Optional<String> id() {
    return equals(SRGB)
        ? Optional.of("srgb")
        : equals(WIDE)
            ? Optional.of("wide")
            : equals(COATED) ? Optional.of("coated") : Optional.empty();
  }

  /** The profile's own bytes, as its file holds them. */
  public byte[] bytes() {
    return icc().getData();
  }

  /** Its name on the screen. */
  public String title() {
    return title;
  }

  /** Whether the space is of inks, which only TIFF files carry here. */
  public boolean inks() {
    return inks;
  }

  ICC_Profile icc() {
    return icc.get();
  }

  /**
   * Encoded planes of the space, not clipped.
   *
   * @param intent for spaces that hold fewer colours than the picture may have
   * @param blackPoint whether black becomes the deepest that the space has
   */
  Plane[] encoded(Picture working, Intent intent, boolean blackPoint) {
    return encoder.encode(working, intent, blackPoint);
  }

  /** How a picture would look in this space: there and back, relative to the paper's white. */
  public Picture proof(Picture working, Intent intent, boolean blackPoint) {
    return ProfileConversion.back(encoded(working, intent, blackPoint), icc(), Intent.COLORIMETRIC);
  }

  private static Plane[] planes(Picture picture) {
    return new Plane[] {picture.first(), picture.second(), picture.third()};
  }

  @Override
  public boolean equals(Object other) {
    return other == this
        || other instanceof OutputProfile p
            && title.equals(p.title)
            && Arrays.equals(icc().getData(), p.icc().getData());
  }

  @Override
  public int hashCode() {
    return title.hashCode();
  }

  @Override
  public String toString() {
    return title;
  }
}
