package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

import org.testng.SkipException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.Photograph;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata.Carried;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.recipe.Delivery;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/**
 * What other people's programs say of the files that are written; skipped where they are not
 * installed.
 */
@Test(groups = {"independent", "elsewhere"})
public class IndependentReadersTest {

  private Path folder;
  private Session session;
  private Project project;

  @BeforeClass
  public void make() throws Exception {
    folder = Files.createTempDirectory("carezza-readers");
    Document document = ProjectFile.start(Portrait.S06.bytes("photo.jpg"), "photo.jpg");
    project = document.project().withStack(LayerStack.of(LayerType.VIGNETTE.fresh()));
    session = new Session(document.photograph());
  }

  @AfterClass(alwaysRun = true)
  public void tidy() throws IOException {
    try (var files = Files.list(folder)) {
      for (Path p : files.toList()) {
        Files.delete(p);
      }
    }
    Files.delete(folder);
  }

  private Path delivered(String name, OutputProfile profile, int bits, boolean layers)
      throws Exception {
    Path file = folder.resolve(name);
    session
        .exports()
        .deliver(
            project,
            AtomicFile.replacing(file),
            new Delivery(0, 90, bits, 2, OutputColour.of(profile), Carried.WITHOUT_PLACE, layers),
            Cancellation.NONE);
    return file;
  }

  private static String said(String program, List<String> arguments) throws Exception {
    Path found = null;
    for (String place : System.getenv().getOrDefault("PATH", "").split(":")) {
      Path p = Path.of(place, program);
      found = Files.isExecutable(p) ? p : found;
    }
    if (found == null) {
      throw new SkipException(program + " is not installed, so it was not asked.");
    }
    List<String> command = new ArrayList<>(arguments);
    command.addFirst(found.toString());
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String words = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(process.exitValue()).as(words).isZero();
    return words;
  }

  @DataProvider
  public Object[][] files() {
    return new Object[][] {
      {"a.jpg", OutputProfile.SRGB, 8, "8", "sRGB", "Carezza sRGB"},
      {"b.png", OutputProfile.WIDE, 16, "16", "sRGB", "Carezza Wide RGB (Rec. 2020)"},
      {"c.tif", OutputProfile.SRGB, 16, "16", "sRGB", "Carezza sRGB"},
      {"d.tif", OutputProfile.COATED, 8, "8", "CMYK", "Carezza coated paper, made-up press"}
    };
  }

  /** ImageMagick calls every RGB space sRGB; the profile is what tells them apart. */
  @Test(dataProvider = "files")
  public void identifyAndExiftoolSeeDepthSpaceAndProfile(
      String name, OutputProfile profile, int bits, String depth, String space, String title)
      throws Exception {
    String file = delivered(name, profile, bits, false).toString();
    assertThat(said("identify", List.of("-format", "%w %h %z %[colorspace]", file)))
        .isEqualTo("400 500 " + depth + " " + space);
    assertThat(said("exiftool", List.of("-s3", "-ProfileDescription", file)).strip())
        .isEqualTo(title);
    assertThat(said("exiftool", List.of("-validate", "-s3", file))).doesNotContain("Error");
  }

  /**
   * A camera's file that names its place and its body in every way there is, written by ExifTool.
   */
  private Path placed() throws Exception {
    Path file = folder.resolve("placed.jpg");
    byte[] plain =
        PictureWriter.encode(
            Pictures.skin(new Area(0, 0, 40, 30), 1),
            new PictureWriter.Settings(PictureFormat.JPEG, 90, 8, OutputProfile.SRGB),
            "placed.jpg");
    Files.write(file, plain);
    said(
        "exiftool",
        List.of(
            "-overwrite_original",
            "-GPSLatitude=48.1",
            "-GPSLatitudeRef=N",
            "-GPSLongitude=11.2",
            "-GPSLongitudeRef=E",
            "-IPTC:City=Placename",
            "-IPTC:Sub-location=Placename",
            "-IPTC:Province-State=Placename",
            "-IPTC:Country-PrimaryLocationName=Placename",
            "-IPTC:ContentLocationName=Placename",
            "-XMP-photoshop:City=Placename",
            "-XMP-photoshop:State=Placename",
            "-XMP-photoshop:Country=Placename",
            "-XMP-iptcCore:Location=Placename",
            "-XMP-iptcCore:CountryCode=PLA",
            "-XMP-iptcExt:LocationCreatedCity=Placename",
            "-XMP-iptcExt:LocationShownCity=Placename",
            "-XMP-dc:Coverage=Placename",
            "-XMP-exif:GPSLatitude=48.1",
            "-XMP-iptcCore:CreatorCity=Placename",
            "-SerialNumber=Bodynumber",
            "-XMP-aux:SerialNumber=Bodynumber",
            "-UserComment=Placename",
            "-LensModel=Made-up 85",
            "-Artist=Ines Marlow",
            "-IPTC:Caption-Abstract=A sitter",
            "-XMP-dc:Title=Autumn card",
            file.toString()));
    return file;
  }

  @DataProvider
  public Object[][] pairs() {
    List<Object[]> rows = new ArrayList<>();
    for (String from : new String[] {"jpg", "png", "tif"}) {
      for (String to : new String[] {"jpg", "png", "tif"}) {
        rows.add(new Object[] {from, to});
      }
    }
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "pairs")
  public void withoutThePlaceMeansWithoutAnyPlaceOrBody(String from, String to) throws Exception {
    Path first = placed();
    Photograph camera = PictureReader.read(first);
    Path between = folder.resolve("between." + from);
    write(camera, between, Carried.ALL);
    assertThat(said("exiftool", List.of("-a", "-G1", between.toString()))).contains("Placename");
    Photograph again = PictureReader.read(between);
    Path bare = folder.resolve("bare." + to);
    write(again, bare, Carried.WITHOUT_PLACE);
    String words = said("exiftool", List.of("-a", "-G1", "-n", bare.toString()));
    assertThat(words)
        .doesNotContain("Placename")
        .doesNotContain("Bodynumber")
        .doesNotContain("GPS")
        .doesNotContain("PLA\n")
        .contains("Ines Marlow")
        .contains("Made-up 85")
        .contains("Autumn card");
    Path all = folder.resolve("all." + to);
    write(again, all, Carried.ALL);
    assertThat(said("exiftool", List.of("-a", "-G1", "-n", all.toString())))
        .contains("Placename")
        .contains("GPS Latitude");
    for (Path p : List.of(first, between, bare, all)) {
      Files.delete(p);
    }
  }

  private static void write(Photograph photo, Path file, Carried carried) throws Problem {
    PictureWriter.write(
        photo.pixels(),
        AtomicFile.replacing(file),
        new PictureWriter.Settings(
            PictureFormat.of(file.getFileName().toString()),
            90,
            8,
            OutputColour.of(OutputProfile.SRGB),
            photo.metadata(),
            carried));
  }

  @Test
  public void tiffinfoReadsEveryPage() throws Exception {
    String words =
        said("tiffinfo", List.of(delivered("p.tif", OutputProfile.SRGB, 16, true).toString()));
    assertThat(words).doesNotContain("Warning").doesNotContain("Error");
    assertThat(words.split("Bits/Sample: 16", -1)).hasSize(4);
    assertThat(words).contains("Finished picture").contains("Photograph");
  }

  @Test
  public void openRasterIsAWholeZip() throws Exception {
    String file = delivered("o.ora", OutputProfile.SRGB, 16, false).toString();
    assertThat(said("unzip", List.of("-tq", file))).contains("No errors");
  }
}
