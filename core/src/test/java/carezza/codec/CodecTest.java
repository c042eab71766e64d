package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.color.ICC_Profile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Set;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.WorkingSpace;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.profile.ProfileConversion;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

public class CodecTest {

  private Path folder;

  @BeforeClass
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("carezza-codec");
  }

  @AfterClass
  public void removeFolder() throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private static Picture ramp(int width) {
    Area area = new Area(0, 0, width, 4);
    Plane p = Pictures.plane(area, (x, y) -> x / (width - 1.0));
    return WorkingSpace.fromSrgb(new Picture(p, p, p));
  }

  @DataProvider
  public Object[][] exactFormats() {
    return new Object[][] {
      {"a.png", 8, 0.5 / 255},
      {"a.png", 16, 0.5 / 65535},
      {"a.tif", 8, 0.5 / 255},
      {"a.tif", 16, 0.5 / 65535}
    };
  }

  @Test(dataProvider = "exactFormats")
  public void whatIsWrittenIsReadAgainToHalfAStep(String name, int bits, double step)
      throws Problem {
    Path file = folder.resolve(bits + name);
    Picture ramp = ramp(500);
    PictureWriter.write(
        ramp,
        AtomicFile.replacing(file),
        new PictureWriter.Settings(PictureFormat.of(name), 90, bits, OutputProfile.SRGB));
    Photograph again = PictureReader.read(file);
    assertThat(again.bits()).isEqualTo(bits);
    assertThat(Pictures.largest(WorkingSpace.toSrgb(again.pixels()), WorkingSpace.toSrgb(ramp)))
        .isLessThan(step * 1.05 + 2e-6);
  }

  @Test
  public void sixteenBitsKeepSixtyThousandLevels() throws Problem {
    Path file = folder.resolve("levels.tif");
    PictureWriter.write(
        ramp(65_536),
        AtomicFile.replacing(file),
        new PictureWriter.Settings(PictureFormat.TIFF, 90, 16, OutputProfile.SRGB));
    Set<Float> levels = new HashSet<>();
    for (float v : PictureReader.read(file).pixels().first().values()) {
      levels.add(v);
    }
    assertThat(levels).hasSizeGreaterThan(60_000);
  }

  @Test
  public void jpegKeepsColourAtFullResolution() throws Problem {
    Area area = new Area(0, 0, 64, 64);
    Picture stripes =
        WorkingSpace.fromSrgb(
            new Picture(
                Pictures.plane(area, (x, y) -> x % 2 == 0 ? 0.9 : 0.3),
                Plane.filled(area, 0.4f),
                Plane.filled(area, 0.4f)));
    byte[] jpeg =
        PictureWriter.encode(
            stripes,
            new PictureWriter.Settings(PictureFormat.JPEG, 98, 8, OutputProfile.SRGB),
            "stripes.jpg");
    Picture again = PictureReader.decode(jpeg, "stripes.jpg").pixels();
    assertThat(Pictures.mean(Pictures.deltaE(stripes, again))).isLessThan(1.5);
  }

  @Test
  public void aPhotographSaysItsProfile() throws Problem {
    Photograph photo = PictureReader.decode(Portrait.S03.bytes("photo.jpg"), "photo.jpg");
    assertThat(photo.profile()).contains("sRGB");
    assertThat(photo.size().width()).isEqualTo(2000);
  }

  // --- bad input

  private static void assertProblem(Throwing work, Kind kind, String... words) {
    assertThatThrownBy(work::run)
        .isInstanceOfSatisfying(
            Problem.class,
            p -> {
              assertThat(p.kind()).isEqualTo(kind);
              assertThat(p.getMessage()).contains(words).doesNotContain("Exception").endsWith(".");
            });
  }

  private interface Throwing {
    void run() throws Problem;
  }

  @Test
  public void aMissingFileIsNamed() {
    assertProblem(
        () -> PictureReader.read(folder.resolve("nowhere.jpg")), Kind.FILE_MISSING, "nowhere.jpg");
  }

  @Test
  public void textWithThePictureEndingIsNoPicture() {
    byte[] text = "This is a letter.".getBytes(StandardCharsets.UTF_8);
    assertProblem(
        () -> PictureReader.decode(text, "letter.jpg"), Kind.PICTURE_UNKNOWN, "letter.jpg");
  }

  @Test
  public void anEmptyFileIsNoPicture() {
    assertProblem(
        () -> PictureReader.decode(new byte[0], "empty.png"), Kind.PICTURE_UNKNOWN, "empty.png");
  }

  @DataProvider
  public Object[][] cuts() {
    return new Object[][] {{0.02}, {0.3}, {0.7}, {0.98}};
  }

  @Test(dataProvider = "cuts")
  public void aTruncatedPhotographIsSaidToBeDamaged(double share) {
    byte[] whole = Portrait.S03.bytes("photo.jpg");
    byte[] cut = Arrays.copyOf(whole, (int) (whole.length * share));
    assertProblem(() -> PictureReader.decode(cut, "cut.jpg"), Kind.PICTURE_DAMAGED, "cut.jpg");
  }

  @Test
  public void aFolderIsNoPicture() {
    assertProblem(() -> PictureReader.read(folder), Kind.FILE_IS_FOLDER, "carezza-codec");
  }

  @Test
  public void anUnknownEndingIsRefused() {
    assertProblem(() -> PictureFormat.of("x.xyz"), Kind.FORMAT_UNSUPPORTED, "x.xyz", ".png");
  }

  @Test
  public void aPngRenamedToJpegIsReadForWhatItIs() throws Problem {
    byte[] png =
        PictureWriter.encode(
            ramp(16),
            new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
            "x.png");
    assertThat(PictureReader.decode(png, "x.jpg").size().width()).isEqualTo(16);
  }

  @Test
  public void orientationsTurnThePictureUpright() throws Exception {
    // Left half dark, right half light; orientation 6 is turned by a quarter to be upright.
    Area area = new Area(0, 0, 16, 8);
    Plane p = Pictures.plane(area, (x, y) -> x < 8 ? 0.1 : 0.9);
    byte[] jpeg =
        PictureWriter.encode(
            WorkingSpace.fromSrgb(new Picture(p, p, p)),
            new PictureWriter.Settings(PictureFormat.JPEG, 95, 8, OutputProfile.SRGB),
            "t.jpg");
    Picture upright = PictureReader.decode(withOrientation(jpeg, 6), "t.jpg").pixels();
    assertThat(upright.area()).isEqualTo(new Area(0, 0, 8, 16));
    assertThat((double) upright.first().at(4, 2)).isCloseTo(0.1, within(0.05));
    assertThat((double) upright.first().at(4, 13)).isCloseTo(0.9, within(0.05));
  }

  /** Puts an EXIF segment with only the orientation behind the start marker. */
  private static byte[] withOrientation(byte[] jpeg, int orientation) throws IOException {
    byte[] exif = {
      'E',
      'x',
      'i',
      'f',
      0,
      0,
      'M',
      'M',
      0,
      42,
      0,
      0,
      0,
      8,
      0,
      1,
      0x01,
      0x12,
      0,
      3,
      0,
      0,
      0,
      1,
      0,
      (byte) orientation,
      0,
      0,
      0,
      0,
      0,
      0
    };
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(jpeg, 0, 2);
    out.write(new byte[] {(byte) 0xFF, (byte) 0xE1, 0, (byte) (exif.length + 2)});
    out.write(exif);
    out.write(jpeg, 2, jpeg.length - 2);
    return out.toByteArray();
  }

  // --- colour profiles

  @DataProvider
  public Object[][] profiles() {
    return new Object[][] {
      {"x.png", OutputProfile.SRGB, 0.5},
      {"x.tif", OutputProfile.SRGB, 0.5},
      {"x.jpg", OutputProfile.SRGB, 1.5},
      {"x.png", OutputProfile.WIDE, 0.5},
      {"x.tif", OutputProfile.WIDE, 0.5},
      {"x.jpg", OutputProfile.WIDE, 2.5}
    };
  }

  /**
   * A ramp of greys and 24 colours inside sRGB come back as they were, whatever the file's space.
   */
  @Test(dataProvider = "profiles")
  public void coloursSurviveTheFileAndItsProfile(String name, OutputProfile profile, double limit)
      throws Problem {
    Area area = new Area(0, 0, 256, 48);
    Picture srgb =
        new Picture(
            Pictures.plane(area, (x, y) -> y < 16 ? x / 255.0 : patch(x, 0)),
            Pictures.plane(area, (x, y) -> y < 16 ? x / 255.0 : patch(x, 1)),
            Pictures.plane(area, (x, y) -> y < 16 ? x / 255.0 : patch(x, 2)));
    Picture working = WorkingSpace.fromSrgb(srgb);
    byte[] file =
        PictureWriter.encode(
            working, new PictureWriter.Settings(PictureFormat.of(name), 100, 16, profile), name);
    Photograph read = PictureReader.decode(file, name);
    assertThat(Pictures.quantile(Pictures.deltaE(working, read.pixels()), 0.99)).isLessThan(limit);
    assertThat(read.profile()).doesNotContain("assumed");
  }

  private static double patch(double x, int channel) {
    int number = (int) Math.min(23, x / 11);
    return 0.1 + 0.8 * ((number * (3 + 4 * channel) + 5 * channel) % 24) / 23.0;
  }

  /** Beyond sRGB there is room in the wide space. */
  @Test
  public void theWideSpaceKeepsColoursThatSrgbCuts() throws Problem {
    Picture green = Pictures.colour(new Area(0, 0, 16, 16), 0.1, 0.9, 0.1);
    byte[] wide =
        PictureWriter.encode(
            green,
            new PictureWriter.Settings(PictureFormat.TIFF, 90, 16, OutputProfile.WIDE),
            "g.tif");
    byte[] narrow =
        PictureWriter.encode(
            green,
            new PictureWriter.Settings(PictureFormat.TIFF, 90, 16, OutputProfile.SRGB),
            "g.tif");
    assertThat(Pictures.deltaE(green, PictureReader.decode(wide, "g.tif").pixels())[0])
        .isLessThan(0.3);
    assertThat(Pictures.deltaE(green, PictureReader.decode(narrow, "g.tif").pixels())[0])
        .isGreaterThan(3);
  }

  /**
   * The way through Java's colour engine, for tables and inks, agrees with our own for a matrix.
   */
  @Test
  public void theColourEngineAgreesWithTheMatrix() {
    Area area = new Area(0, 0, 64, 4);
    Picture encoded =
        new Picture(
            Pictures.plane(area, (x, y) -> 0.05 + x / 70.0),
            Pictures.plane(area, (x, y) -> 0.5),
            Pictures.plane(area, (x, y) -> 0.9 - x / 90.0));
    ICC_Profile profile = OutputProfile.SRGB.icc();
    Picture byMatrix = WorkingSpace.fromSrgb(encoded);
    Picture byEngine =
        ProfileConversion.back(
            new Plane[] {encoded.first(), encoded.second(), encoded.third()},
            profile,
            Intent.COLORIMETRIC);
    double[] difference = Pictures.deltaE(byEngine, byMatrix);
    assertThat(difference[difference.length - 1]).isLessThan(0.1);
  }
}
