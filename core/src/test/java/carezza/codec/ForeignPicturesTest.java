package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.stream.MemoryCacheImageOutputStream;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.testing.Pictures;

/** Kinds of files that other programs write, made here by hand from their specifications. */
public class ForeignPicturesTest {

  private static final Area AREA = new Area(0, 0, 64, 48);

  private static Picture colours() {
    return WorkingSpace.fromSrgb(
        new Picture(
            Pictures.plane(AREA, (x, y) -> 0.15 + x / 90.0),
            Pictures.plane(AREA, (x, y) -> 0.2 + y / 80.0),
            Pictures.plane(AREA, (x, y) -> 0.6 - x / 160.0)));
  }

  private static double[] srgb(Photograph photo, int x, int y) {
    Picture p = WorkingSpace.toSrgb(photo.pixels());
    return new double[] {p.first().at(x, y), p.second().at(x, y), p.third().at(x, y)};
  }

  private static Photograph read(byte[] file) throws Problem {
    return PictureReader.decode(file, "foreign");
  }

  // --- one picture, one profile, three containers

  @Test
  public void aWideProfileIsReadAlikeInEveryContainer() throws Exception {
    Picture green = Pictures.colour(AREA, 0.1, 0.85, 0.15);
    Picture[] read = new Picture[3];
    String[] names = {"x.jpg", "x.png", "x.tif"};
    for (int i = 0; i < 3; i++) {
      byte[] file =
          PictureWriter.encode(
              green,
              new PictureWriter.Settings(PictureFormat.of(names[i]), 100, 8, OutputProfile.WIDE),
              names[i]);
      Photograph photo = PictureReader.decode(file, names[i]);
      assertThat(photo.profile()).contains("2020");
      read[i] = photo.pixels();
    }
    for (int i = 0; i < 2; i++) {
      assertThat(Pictures.quantile(Pictures.deltaE(read[i], read[2]), 1)).isLessThan(0.5);
    }
    // A green that sRGB does not hold is still there.
    assertThat(Pictures.deltaE(green, read[0])[0]).isLessThan(0.5);
  }

  // --- PNG

  private static byte[] png(int type, int bits, byte[] rows, Object... chunks) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
    ByteBuffer header = ByteBuffer.allocate(13).putInt(4).putInt(4);
    header.put((byte) bits).put((byte) type);
    PngChunks.write(out, "IHDR", header.array());
    for (int i = 0; i < chunks.length; i += 2) {
      PngChunks.write(out, (String) chunks[i], (byte[]) chunks[i + 1]);
    }
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (DeflaterOutputStream deflater = new DeflaterOutputStream(packed)) {
      int row = rows.length / 4;
      for (int y = 0; y < 4; y++) {
        deflater.write(0);
        deflater.write(rows, y * row, row);
      }
    }
    PngChunks.write(out, "IDAT", packed.toByteArray());
    PngChunks.write(out, "IEND", new byte[0]);
    return bytes.toByteArray();
  }

  private static byte[] flat(int... pixel) {
    byte[] rows = new byte[16 * pixel.length];
    for (int i = 0; i < rows.length; i++) {
      rows[i] = (byte) pixel[i % pixel.length];
    }
    return rows;
  }

  private static byte[] ints(int... values) {
    ByteBuffer b = ByteBuffer.allocate(4 * values.length);
    for (int v : values) {
      b.putInt(v);
    }
    return b.array();
  }

  @Test
  public void aGammaIsAPower() throws Exception {
    // gAMA 1.0: the values are light; half the light is encoded as 0.735 in sRGB.
    Photograph photo = read(png(2, 8, flat(128, 128, 128), "gAMA", ints(100_000)));
    assertThat(srgb(photo, 1, 1)[1]).isCloseTo(0.7370, within(2e-3));
    assertThat(photo.profile()).contains("gamma");
  }

  @Test
  public void theGammaAndPointsOfSrgbAreSrgb() throws Exception {
    byte[] points = ints(31270, 32900, 64000, 33000, 30000, 60000, 15000, 6000);
    Photograph photo = read(png(2, 8, flat(200, 90, 30), "gAMA", ints(45455), "cHRM", points));
    assertThat(srgb(photo, 0, 0)[0]).isCloseTo(200 / 255.0, within(1e-4));
  }

  @Test
  public void primariesGivenAsPointsAreThose() throws Exception {
    byte[] wide = ints(31270, 32900, 70800, 29200, 17000, 79700, 13100, 4600);
    Photograph photo = read(png(2, 8, flat(0, 255, 0), "gAMA", ints(45455), "cHRM", wide));
    Picture p = photo.pixels();
    assertThat((double) p.first().at(0, 0)).isCloseTo(0, within(2e-3));
    assertThat((double) p.second().at(0, 0)).isCloseTo(1, within(2e-3));
  }

  @Test
  public void codedColoursComeBeforeAllElse() throws Exception {
    Photograph photo =
        read(png(2, 8, flat(0, 255, 0), "cICP", new byte[] {9, 13, 0, 1}, "gAMA", ints(100_000)));
    assertThat((double) photo.pixels().second().at(0, 0)).isCloseTo(1, within(2e-3));
    assertThat((double) photo.pixels().first().at(0, 0)).isCloseTo(0, within(2e-3));
  }

  @Test
  public void highDynamicRangeIsRefused() throws Exception {
    byte[] file = png(2, 8, flat(0, 255, 0), "cICP", new byte[] {9, 16, 0, 1});
    assertThatThrownBy(() -> read(file))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.kind()).isEqualTo(Kind.PICTURE_UNSUPPORTED));
  }

  @DataProvider
  public Object[][] transparent() throws IOException {
    byte[] palette = {10, 20, 30, (byte) 200, 100, 50};
    byte[] half = {(byte) 128, (byte) 255};
    return new Object[][] {
      // Colour with opacity; grey with opacity; a palette's opacity; a colour that is clear.
      {png(6, 8, flat(10, 20, 30, 128)), new double[] {10, 20, 30}, 128 / 255.0},
      {png(4, 8, flat(40, 128)), new double[] {40, 40, 40}, 128 / 255.0},
      {png(3, 8, flat(0), "PLTE", palette, "tRNS", half), new double[] {10, 20, 30}, 128 / 255.0},
      {png(2, 8, flat(9, 8, 7), "tRNS", new byte[] {0, 9, 0, 8, 0, 7}), new double[] {9, 8, 7}, 0.0}
    };
  }

  @Test(dataProvider = "transparent")
  public void whatIsTransparentLiesOnWhite(byte[] file, double[] colour, double opacity)
      throws Exception {
    Photograph photo = read(file);
    double[] found = srgb(photo, 2, 2);
    for (int c = 0; c < 3; c++) {
      assertThat(found[c]).isCloseTo(colour[c] / 255 * opacity + 1 - opacity, within(1e-3));
    }
    assertThat(photo.remarks()).contains(Remark.ON_WHITE);
  }

  @Test
  public void aPngIsTurnedByItsExif() throws Exception {
    byte[] exif = {
      'M', 'M', 0, 42, 0, 0, 0, 8, 0, 1, 1, 0x12, 0, 3, 0, 0, 0, 1, 0, 3, 0, 0, 0, 0, 0, 0
    };
    byte[] rows = flat(0);
    rows[0] = (byte) 255;
    Photograph photo = read(png(0, 8, rows, "eXIf", exif));
    assertThat(srgb(photo, 3, 3)[0]).isCloseTo(1, within(1e-4));
    assertThat(srgb(photo, 0, 0)[0]).isCloseTo(0, within(1e-4));
  }

  @Test
  public void anOrientationInXmpCounts() throws Exception {
    String xmp =
        "<x:xmpmeta xmlns:x='adobe:ns:meta/'><rdf:RDF"
            + " xmlns:rdf='http://www.w3.org/1999/02/22-rdf-syntax-ns#'><rdf:Description"
            + " rdf:about='' xmlns:tiff='http://ns.adobe.com/tiff/1.0/'"
            + " tiff:Orientation='3'/></rdf:RDF></x:xmpmeta>";
    ByteArrayOutputStream text = new ByteArrayOutputStream();
    text.write("XML:com.adobe.xmp".getBytes(StandardCharsets.US_ASCII));
    text.write(new byte[5]);
    text.write(xmp.getBytes(StandardCharsets.UTF_8));
    byte[] rows = flat(0);
    rows[0] = (byte) 255;
    assertThat(srgb(read(png(0, 8, rows, "iTXt", text.toByteArray())), 3, 3)[0])
        .isCloseTo(1, within(1e-4));
  }

  @Test
  public void chunksThatSwellOrLieAboutTheirLengthHarmNothing() throws Exception {
    ByteArrayOutputStream bomb = new ByteArrayOutputStream();
    bomb.write("x\0\0".getBytes(StandardCharsets.US_ASCII));
    try (DeflaterOutputStream deflater = new DeflaterOutputStream(bomb)) {
      for (int i = 0; i < 200; i++) {
        deflater.write(new byte[1 << 20]);
      }
    }
    byte[] swelling = png(0, 8, flat(90), "zTXt", bomb.toByteArray(), "iCCP", bomb.toByteArray());
    Photograph photo = read(swelling);
    assertThat(photo.remarks()).contains(Remark.PROFILE_UNUSABLE);
    assertThat(srgb(photo, 0, 0)[0]).isCloseTo(90 / 255.0, within(1e-4));
    byte[] lying = Arrays.copyOf(png(0, 8, flat(90)), 57);
    ByteBuffer.wrap(lying)
        .putInt(33, 0x7FFF0000)
        .put(37, "eXIf".getBytes(StandardCharsets.US_ASCII));
    assertThatThrownBy(() -> read(lying)).isInstanceOf(Problem.class);
  }

  @Test
  public void anUnusableProfileIsReplacedAndSaid() throws Exception {
    ByteArrayOutputStream chunk = new ByteArrayOutputStream();
    chunk.write("broken\0\0".getBytes(StandardCharsets.US_ASCII));
    try (DeflaterOutputStream deflater = new DeflaterOutputStream(chunk)) {
      deflater.write(new byte[300]);
    }
    Photograph photo = read(png(2, 8, flat(200, 90, 30), "iCCP", chunk.toByteArray()));
    assertThat(photo.profile()).contains("assumed");
    assertThat(photo.remarks()).containsExactly(Remark.PROFILE_UNUSABLE);
    assertThat(srgb(photo, 0, 0)[1]).isCloseTo(90 / 255.0, within(1e-4));
  }

  // --- TIFF

  /** An uncompressed, little-endian TIFF of 4 x 4 pixels. */
  private static byte[] tiff(int photometric, int bits, int samples, byte[] strip, int... more) {
    Map<Integer, int[]> fields = new TreeMap<>();
    fields.put(256, new int[] {4, 4});
    fields.put(257, new int[] {4, 4});
    fields.put(258, new int[] {3, bits});
    fields.put(259, new int[] {3, 1});
    fields.put(262, new int[] {3, photometric});
    fields.put(273, new int[] {4, 8});
    fields.put(277, new int[] {3, samples});
    fields.put(278, new int[] {4, 4});
    fields.put(279, new int[] {4, strip.length});
    for (int i = 0; i < more.length; i += 2) {
      fields.put(more[i], new int[] {3, more[i + 1]});
    }
    int at = 8 + strip.length;
    ByteBuffer b =
        ByteBuffer.allocate(at + 2 + 12 * fields.size() + 4 + 2 * samples)
            .order(ByteOrder.LITTLE_ENDIAN);
    b.put((byte) 'I').put((byte) 'I').putShort((short) 42).putInt(at).put(strip);
    b.putShort((short) fields.size());
    int tail = at + 2 + 12 * fields.size() + 4;
    fields.forEach(
        (tag, v) -> {
          boolean long2 = tag == 258 && samples > 2;
          b.putShort(tag.shortValue()).putShort((short) v[0]).putInt(tag == 258 ? samples : 1);
          if (long2) {
            b.putInt(tail);
          } else if (v[0] == 3) {
            b.putShort((short) v[1]).putShort((short) (tag == 258 ? v[1] : 0));
          } else {
            b.putInt(v[1]);
          }
        });
    b.putInt(0);
    for (int i = 0; i < samples; i++) {
      b.putShort((short) bits);
    }
    return b.array();
  }

  @Test
  public void integersOfThirtyTwoBitsAreUnsigned() throws Exception {
    ByteBuffer strip = ByteBuffer.allocate(4 * 48).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < 16; i++) {
      strip.putInt((int) 3_435_973_836L).putInt(0x40000000).putInt(0);
    }
    double[] found = srgb(read(tiff(2, 32, 3, strip.array())), 1, 1);
    assertThat(found[0]).isCloseTo(0.8, within(1e-3));
    assertThat(found[1]).isCloseTo(0.25, within(1e-3));
    assertThat(found[2]).isCloseTo(0, within(1e-3));
  }

  @Test
  public void coloursMultipliedByOpacityAreNotDarkened() throws Exception {
    // Half transparent white is white.
    Photograph photo = read(tiff(2, 8, 4, flat(128, 128, 128, 128), 338, 1));
    assertThat(srgb(photo, 1, 1)[0]).isCloseTo(1, within(1e-2));
    // Not multiplied: half transparent grey is lighter than it.
    Photograph straight = read(tiff(2, 8, 4, flat(128, 128, 128, 128), 338, 2));
    assertThat(srgb(straight, 1, 1)[0]).isCloseTo(0.75, within(1e-2));
  }

  @DataProvider
  public Object[][] labs() {
    // L* 60, a* 20, b* −30 in each way of writing it.
    ByteBuffer cie16 = ByteBuffer.allocate(96).order(ByteOrder.LITTLE_ENDIAN);
    ByteBuffer icc16 = ByteBuffer.allocate(96).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < 16; i++) {
      cie16
          .putShort((short) (60 * 65535 / 100))
          .putShort((short) (20 * 256))
          .putShort((short) (-30 * 256));
      icc16
          .putShort((short) (60 * 65280 / 100))
          .putShort((short) (148 * 256))
          .putShort((short) (98 * 256));
    }
    return new Object[][] {
      {tiff(8, 8, 3, flat(153, 20, 256 - 30))},
      {tiff(9, 8, 3, flat(153, 148, 98))},
      {tiff(8, 16, 3, cie16.array())},
      {tiff(9, 16, 3, icc16.array())}
    };
  }

  @Test(dataProvider = "labs")
  public void labIsReadAsItIs(byte[] file) throws Exception {
    Picture lab = Lab.of(read(file).pixels());
    assertThat((double) lab.first().at(1, 1)).isCloseTo(60, within(0.05));
    assertThat((double) lab.second().at(1, 1)).isCloseTo(20, within(0.05));
    assertThat((double) lab.third().at(1, 1)).isCloseTo(-30, within(0.05));
  }

  @Test
  public void whiteIsZeroInEveryDepth() throws Exception {
    assertThat(srgb(read(tiff(0, 8, 1, flat(255))), 1, 1)[0]).isCloseTo(0, within(1e-3));
    assertThat(srgb(read(tiff(0, 1, 1, new byte[] {0, 0, 0, 0})), 1, 1)[0])
        .isCloseTo(1, within(1e-3));
    assertThat(srgb(read(tiff(1, 1, 1, new byte[] {0, 0, 0, 0})), 1, 1)[0])
        .isCloseTo(0, within(1e-3));
  }

  @DataProvider
  public Object[][] unread() {
    byte[] plain = tiff(2, 8, 3, flat(1, 2, 3));
    return new Object[][] {
      {tiff(2, 8, 3, flat(1, 2, 3), 259, 50000), "zstd"},
      {tiff(2, 8, 3, flat(1, 2, 3), 259, 34925), "LZMA"},
      {tiff(2, 8, 3, flat(1, 2, 3), 259, 50001), "WebP"},
      {tiff(2, 16, 3, new byte[96], 339, 2), "signed"},
      {"\0\0\0\u0018ftypheic\0\0\0\0".getBytes(StandardCharsets.ISO_8859_1), "HEIF"},
      {"\0\0\0\u0018ftypavif\0\0\0\0".getBytes(StandardCharsets.ISO_8859_1), "AVIF"},
      {arithmetic(), "arithmetic"}
    };
  }

  /** The start of a JPEG whose frame says that it is coded arithmetically. */
  private static byte[] arithmetic() {
    byte[] jpeg = {
      (byte) 0xFF,
      (byte) 0xD8,
      (byte) 0xFF,
      (byte) 0xC9,
      0,
      11,
      8,
      0,
      4,
      0,
      4,
      1,
      1,
      0x11,
      0,
      (byte) 0xFF,
      (byte) 0xDA,
      0,
      8,
      1,
      1,
      0,
      0,
      63,
      0
    };
    return jpeg;
  }

  @Test(dataProvider = "unread")
  public void whatIsNotReadIsNotCalledDamaged(byte[] file, String named) {
    assertThatThrownBy(() -> read(file))
        .isInstanceOfSatisfying(
            Problem.class, p -> assertThat(p.kind()).isEqualTo(Kind.PICTURE_UNSUPPORTED))
        .hasMessageContaining(named)
        .hasMessageContaining("save it as");
  }

  // --- JPEG

  private static byte[] jpeg() throws Problem {
    return PictureWriter.encode(
        colours(),
        new PictureWriter.Settings(PictureFormat.JPEG, 95, 8, OutputProfile.SRGB),
        "x.jpg");
  }

  private static byte[] behindStart(byte[] jpeg, byte[] segment) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(jpeg, 0, 2);
    out.write(segment);
    out.write(jpeg, 2, jpeg.length - 2);
    return out.toByteArray();
  }

  @DataProvider
  public Object[][] untidy() throws Exception {
    byte[] jpeg = jpeg();
    byte[] leading = new byte[jpeg.length + 7];
    System.arraycopy(jpeg, 0, leading, 7, jpeg.length);
    byte[] trailing = Arrays.copyOf(jpeg, jpeg.length - 2);
    return new Object[][] {
      {
        behindStart(
            jpeg,
            new byte[] {(byte) 0xFF, (byte) 0xE1, 0, 12, 'E', 'x', 'i', 'f', 0, 0, 9, 9, 9, 9})
      },
      {
        behindStart(
            jpeg, new byte[] {(byte) 0xFF, (byte) 0xEE, 0, 9, 'A', 'd', 'o', 'b', 'e', 0, 100})
      },
      {behindStart(jpeg, new byte[] {1, 2, 3, 4})},
      {leading},
      {trailing}
    };
  }

  @Test(dataProvider = "untidy")
  public void whatIsBrokenBesideThePictureIsPassedOverAndSaid(byte[] file) throws Exception {
    Photograph photo = read(file);
    assertThat(photo.remarks()).contains(Remark.UNTIDY);
    assertThat(Pictures.largest(photo.pixels(), read(jpeg()).pixels())).isZero();
  }

  @Test
  public void inksInAJpegAreNotSrgb() throws Exception {
    // Adobe's mark, inks inverted: pure cyan is 0, 255, 255, 255.
    WritableRaster raster = Raster.createInterleavedRaster(0, 16, 16, 4, null);
    for (int y = 0; y < 16; y++) {
      for (int x = 0; x < 16; x++) {
        raster.setPixel(x, y, new int[] {0, 255, 255, 255});
      }
    }
    var writer = PictureWriter.writer(PictureFormat.JPEG);
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (var out = new MemoryCacheImageOutputStream(bytes)) {
      writer.setOutput(out);
      writer.write(null, new IIOImage(raster, null, null), null);
    }
    byte[] mark = {(byte) 0xFF, (byte) 0xEE, 0, 14, 'A', 'd', 'o', 'b', 'e', 0, 100, 0, 0, 0, 0, 0};
    Photograph photo = read(behindStart(bytes.toByteArray(), mark));
    assertThat(photo.profile()).contains("CMYK");
    assertThat(photo.remarks()).contains(Remark.INKS_ASSUMED);
    Lab cyan =
        Lab.ofWorking(
            photo.pixels().first().at(8, 8),
            photo.pixels().second().at(8, 8),
            photo.pixels().third().at(8, 8));
    assertThat(cyan.a()).isLessThan(-20);
    assertThat(cyan.b()).isLessThan(-25);
    assertThat(cyan.l()).isBetween(45.0, 70.0);
  }

  // --- the rest

  @Test
  public void gifsAndBitmapsAreRead() throws Exception {
    BufferedImage image = new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB);
    image.setRGB(3, 3, 0xC86432);
    for (String format : new String[] {"gif", "bmp"}) {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      ImageIO.write(image, format, out);
      double[] found = srgb(read(out.toByteArray()), 3, 3);
      assertThat(found[0]).as(format).isCloseTo(200 / 255.0, within(0.03));
      assertThat(found[2]).as(format).isCloseTo(50 / 255.0, within(0.03));
    }
  }
}
