package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

import com.drew.imaging.ImageMetadataReader;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifSubIFDDirectory;
import com.drew.metadata.exif.ExifThumbnailDirectory;
import com.drew.metadata.exif.GpsDirectory;
import com.drew.metadata.iptc.IptcDirectory;
import com.drew.metadata.xmp.XmpDirectory;
import org.apache.commons.imaging.common.RationalNumber;
import org.apache.commons.imaging.formats.jpeg.exif.ExifRewriter;
import org.apache.commons.imaging.formats.jpeg.iptc.IptcRecord;
import org.apache.commons.imaging.formats.jpeg.iptc.IptcTypes;
import org.apache.commons.imaging.formats.jpeg.iptc.JpegIptcRewriter;
import org.apache.commons.imaging.formats.jpeg.iptc.PhotoshopApp13Data;
import org.apache.commons.imaging.formats.jpeg.xmp.JpegXmpRewriter;
import org.apache.commons.imaging.formats.tiff.constants.ExifTagConstants;
import org.apache.commons.imaging.formats.tiff.constants.TiffTagConstants;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputSet;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.metadata.Metadata.Carried;
import carezza.problem.Problem;

public class MetadataTest {

  private static final String XMP =
      "<?xpacket begin='' id='W5M0MpCehiHzreSzNTczkc9d'?><x:xmpmeta xmlns:x='adobe:ns:meta/'>"
          + "<rdf:RDF xmlns:rdf='http://www.w3.org/1999/02/22-rdf-syntax-ns#'>"
          + "<rdf:Description rdf:about='' xmlns:xmp='http://ns.adobe.com/xap/1.0/'"
          + " xmlns:exif='http://ns.adobe.com/exif/1.0/' exif:GPSLatitude=\"48,1.5N\""
          + " xmp:CreatorTool='Made-up camera'><exif:GPSLongitude>11,2.5E</exif:GPSLongitude>"
          + "</rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end='w'?>";

  private Photograph photograph;

  /** A JPEG as a camera might leave it, written by a library that is not used for writing notes. */
  @BeforeClass
  public void make() throws Exception {
    byte[] plain =
        PictureWriter.encode(
            Picture.of(new Area(0, 0, 40, 30)),
            new PictureWriter.Settings(PictureFormat.JPEG, 90, 8, OutputProfile.SRGB),
            "plain.jpg");
    TiffOutputSet exif = new TiffOutputSet();
    exif.getOrCreateRootDirectory().add(TiffTagConstants.TIFF_TAG_ARTIST, "Ines Marlow");
    exif.getOrCreateRootDirectory().add(TiffTagConstants.TIFF_TAG_ORIENTATION, (short) 6);
    exif.getOrCreateExifDirectory()
        .add(ExifTagConstants.EXIF_TAG_EXPOSURE_TIME, RationalNumber.valueOf(1 / 125.0));
    exif.getOrCreateExifDirectory().add(ExifTagConstants.EXIF_TAG_EXIF_IMAGE_WIDTH, (short) 40);
    exif.setGpsInDegrees(11.04, 48.02);
    ByteArrayOutputStream withExif = new ByteArrayOutputStream();
    new ExifRewriter().updateExifMetadataLossless(plain, withExif, exif);
    ByteArrayOutputStream withXmp = new ByteArrayOutputStream();
    new JpegXmpRewriter().updateXmpXml(withExif.toByteArray(), withXmp, XMP);
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    new JpegIptcRewriter()
        .writeIptc(
            withXmp.toByteArray(),
            all,
            new PhotoshopApp13Data(
                List.of(new IptcRecord(IptcTypes.COPYRIGHT_NOTICE, "Studio Quay 9")), List.of()));
    photograph = PictureReader.decode(all.toByteArray(), "camera.jpg");
  }

  @DataProvider
  public Object[][] files() {
    return new Object[][] {
      {"x.jpg", Carried.NOTHING},
      {"x.jpg", Carried.WITHOUT_PLACE},
      {"x.jpg", Carried.ALL},
      {"x.png", Carried.NOTHING},
      {"x.png", Carried.WITHOUT_PLACE},
      {"x.png", Carried.ALL},
      {"x.tif", Carried.NOTHING},
      {"x.tif", Carried.WITHOUT_PLACE},
      {"x.tif", Carried.ALL}
    };
  }

  private byte[] written(String name, Carried carried) throws Problem {
    return written(name, carried, photograph.metadata());
  }

  private byte[] written(String name, Carried carried, carezza.metadata.Metadata metadata)
      throws Problem {
    return PictureWriter.encode(
        photograph.pixels(),
        new PictureWriter.Settings(
            PictureFormat.of(name), 90, 8, OutputColour.of(OutputProfile.SRGB), metadata, carried),
        name);
  }

  @Test(dataProvider = "files")
  public void whatIsCarriedIsReadByAnotherLibrary(String name, Carried carried) throws Exception {
    Metadata read =
        ImageMetadataReader.readMetadata(new ByteArrayInputStream(written(name, carried)));
    boolean some = carried != Carried.NOTHING;
    assertThat(
            read.getDirectoriesOfType(ExifIFD0Directory.class).stream()
                .map(d -> d.getString(ExifIFD0Directory.TAG_ARTIST))
                .anyMatch("Ines Marlow"::equals))
        .isEqualTo(some);
    ExifSubIFDDirectory exif = read.getFirstDirectoryOfType(ExifSubIFDDirectory.class);
    assertThat(exif != null && exif.containsTag(ExifSubIFDDirectory.TAG_EXPOSURE_TIME))
        .isEqualTo(some);
    XmpDirectory xmp = read.getFirstDirectoryOfType(XmpDirectory.class);
    assertThat(xmp != null && xmp.getXmpProperties().containsValue("Made-up camera"))
        .isEqualTo(some);
    if (!name.endsWith("png")) {
      IptcDirectory iptc = read.getFirstDirectoryOfType(IptcDirectory.class);
      assertThat(
              iptc != null
                  && "Studio Quay 9".equals(iptc.getString(IptcDirectory.TAG_COPYRIGHT_NOTICE)))
          .isEqualTo(some);
    }
  }

  @Test(dataProvider = "files")
  public void theFactThatItWasRetouchedIsReadByAnotherLibrary(String name, Carried carried)
      throws Exception {
    byte[] file = written(name, carried, photograph.metadata().retouched());
    Metadata read = ImageMetadataReader.readMetadata(new ByteArrayInputStream(file));
    XmpDirectory xmp = read.getFirstDirectoryOfType(XmpDirectory.class);

    assertThat(xmp.getXmpProperties().get("Iptc4xmpExt:DigitalSourceType"))
        .isEqualTo("http://cv.iptc.org/newscodes/digitalsourcetype/humanEdits");
    assertThat(xmp.getXmpProperties().containsValue("Made-up camera"))
        .isEqualTo(carried != Carried.NOTHING);
    assertThat(new String(written(name, carried), StandardCharsets.ISO_8859_1))
        .doesNotContain("DigitalSourceType");
  }

  @Test(dataProvider = "files")
  public void thePlaceIsCarriedOnlyOnRequest(String name, Carried carried) throws Exception {
    Metadata read =
        ImageMetadataReader.readMetadata(new ByteArrayInputStream(written(name, carried)));
    boolean all = carried == Carried.ALL;
    GpsDirectory place = read.getFirstDirectoryOfType(GpsDirectory.class);
    assertThat(place != null && place.getGeoLocation() != null).isEqualTo(all);
    XmpDirectory xmp = read.getFirstDirectoryOfType(XmpDirectory.class);
    assertThat(
            xmp != null
                && xmp.getXmpProperties().keySet().stream().anyMatch(k -> k.contains("GPS")))
        .isEqualTo(all);
  }

  @Test(dataProvider = "files")
  public void whatDescribesTheOldFileIsLeftBehind(String name, Carried carried) throws Exception {
    Metadata read =
        ImageMetadataReader.readMetadata(new ByteArrayInputStream(written(name, carried)));
    assertThat(read.containsDirectoryOfType(ExifThumbnailDirectory.class)).isFalse();
    for (ExifIFD0Directory d : read.getDirectoriesOfType(ExifIFD0Directory.class)) {
      assertThat(d.containsTag(ExifIFD0Directory.TAG_ORIENTATION)).isFalse();
    }
    ExifSubIFDDirectory exif = read.getFirstDirectoryOfType(ExifSubIFDDirectory.class);
    assertThat(exif != null && exif.containsTag(ExifSubIFDDirectory.TAG_EXIF_IMAGE_WIDTH))
        .isFalse();
    // Turned upright when it was read, and not once more.
    assertThat(PictureReader.decode(written(name, carried), name).size())
        .isEqualTo(photograph.size());
    assertThat(photograph.size().width()).isEqualTo(30);
  }

  @Test
  public void metadataThatIsDamagedDoesNotStopThePicture() throws Problem, IOException {
    byte[] file = written("x.jpg", Carried.ALL);
    // The first segment after the JFIF one is EXIF; its directory is made nonsense.
    for (int i = 40; i < 60; i++) {
      file[i] = (byte) 0xFE;
    }
    assertThat(PictureReader.decode(file, "x.jpg").size()).isEqualTo(photograph.size());
  }
}
