package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.xml.parsers.DocumentBuilderFactory;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata.Carried;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.recipe.Delivery;
import carezza.testing.Portrait;

public class LayeredDeliveryTest {

  private static final int LEVEL = 2;

  private Path folder;
  private Session session;
  private Project project;

  @BeforeClass
  public void make() throws Exception {
    folder = Files.createTempDirectory("carezza-layers");
    Document document = ProjectFile.start(Portrait.S06.bytes("photo.jpg"), "photo.jpg");
    Layer heal = ((HealLayer) LayerType.HEAL.fresh()).withPatches(Portrait.S06.spots());
    Layer shade = LayerType.VIGNETTE.fresh();
    Layer named = shade.with(shade.attributes().named("Shade <&'> of the day"));
    project =
        document
            .project()
            .withFaces(Portrait.S06.faces())
            .withStack(LayerStack.of(heal, LayerType.SKIN_TONE_EVENING.fresh(), named));
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

  private static Delivery delivery(OutputProfile profile, boolean layers) {
    return new Delivery(0, 90, 16, LEVEL, OutputColour.of(profile), Carried.WITHOUT_PLACE, layers);
  }

  private Path delivered(String name, boolean layers) throws Problem {
    Path file = folder.resolve(name);
    session
        .exports()
        .deliver(
            project,
            AtomicFile.replacing(file),
            delivery(OutputProfile.SRGB, layers),
            Cancellation.NONE);
    return file;
  }

  private static BufferedImage entry(ZipFile zip, String name) throws IOException {
    ZipEntry entry = zip.getEntry(name);
    assertThat(entry).as(name).isNotNull();
    return ImageIO.read(zip.getInputStream(entry));
  }

  private static int largestDifference(Raster a, Raster b) {
    int most = 0;
    for (int y = 0; y < a.getHeight(); y++) {
      for (int x = 0; x < a.getWidth(); x++) {
        for (int c = 0; c < 3; c++) {
          most = Math.max(most, Math.abs(a.getSample(x, y, c) - b.getSample(x, y, c)));
        }
      }
    }
    return most;
  }

  @Test
  public void openRasterLaidTogetherIsTheRenderedPicture() throws Exception {
    Raster wanted = ImageIO.read(delivered("plain.png", false).toFile()).getRaster();
    Path file = delivered("layers.ora", false);
    try (ZipInputStream first = new ZipInputStream(Files.newInputStream(file))) {
      ZipEntry kind = first.getNextEntry();
      assertThat(kind.getName()).isEqualTo("mimetype");
      assertThat(kind.getMethod()).isEqualTo(ZipEntry.STORED);
      assertThat(new String(first.readAllBytes(), StandardCharsets.US_ASCII))
          .isEqualTo("image/openraster");
    }
    try (ZipFile zip = new ZipFile(file.toFile())) {
      assertThat(largestDifference(entry(zip, "mergedimage.png").getRaster(), wanted)).isZero();
      assertThat(entry(zip, "Thumbnails/thumbnail.png").getHeight()).isEqualTo(256);
      Element image =
          DocumentBuilderFactory.newInstance()
              .newDocumentBuilder()
              .parse(zip.getInputStream(zip.getEntry("stack.xml")))
              .getDocumentElement();
      assertThat(image.getAttribute("w")).isEqualTo(Integer.toString(wanted.getWidth()));
      NodeList layers = image.getElementsByTagName("layer");
      assertThat(layers.getLength()).isEqualTo(4);
      assertThat(((Element) layers.item(0)).getAttribute("name"))
          .isEqualTo("Shade <&'> of the day");
      assertThat(((Element) layers.item(3)).getAttribute("name")).isEqualTo("Photograph");
      Raster merged = null;
      for (int i = layers.getLength() - 1; i >= 0; i--) {
        Raster own = entry(zip, ((Element) layers.item(i)).getAttribute("src")).getRaster();
        merged = merged == null ? own : over(own, (WritableRaster) merged);
      }
      assertThat(largestDifference(merged, wanted)).isLessThanOrEqualTo(1);
    }
  }

  /** Source over of layers that are opaque or clear. */
  private static Raster over(Raster top, WritableRaster under) {
    int changed = 0;
    for (int y = 0; y < top.getHeight(); y++) {
      for (int x = 0; x < top.getWidth(); x++) {
        int alpha = top.getSample(x, y, 3);
        assertThat(alpha).isIn(0, 65535);
        if (alpha > 0) {
          changed++;
          for (int c = 0; c < 3; c++) {
            under.setSample(x, y, c, top.getSample(x, y, c));
          }
        }
      }
    }
    assertThat(changed).isPositive();
    return under;
  }

  @Test
  public void aTiffHasAPageForEachLayer() throws Exception {
    Raster wanted = ImageIO.read(delivered("plain.tif", false).toFile()).getRaster();
    Path file = delivered("layers.tif", true);
    ImageReader reader = ImageIO.getImageReadersByFormatName("tiff").next();
    try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
      reader.setInput(in);
      assertThat(reader.getNumImages(true)).isEqualTo(5);
      assertThat(reader.read(0).getColorModel().hasAlpha()).isTrue();
      assertThat(largestDifference(reader.read(4).getRaster(), wanted)).isZero();
    } finally {
      reader.dispose();
    }
  }

  @Test
  public void whatAFileCannotHoldIsSaidBeforeAnyWork() {
    for (Object[] wrong :
        List.of(
            new Object[] {"x.jpg", OutputProfile.SRGB, true, ".ora"},
            new Object[] {"x.ora", OutputProfile.COATED, false, "RGB"},
            new Object[] {"x.tif", OutputProfile.COATED, true, "RGB"},
            new Object[] {"x.png", OutputProfile.COATED, false, ".tif"},
            new Object[] {"x.xyz", OutputProfile.SRGB, false, ".ora"})) {
      Path file = folder.resolve((String) wrong[0]);
      assertThatThrownBy(
              () ->
                  session
                      .exports()
                      .deliver(
                          project,
                          AtomicFile.replacing(file),
                          delivery((OutputProfile) wrong[1], (boolean) wrong[2]),
                          Cancellation.NONE))
          .isInstanceOf(Problem.class)
          .hasMessageContaining((String) wrong[0])
          .hasMessageContaining((String) wrong[3]);
      assertThat(file).doesNotExist();
    }
  }

  @Test
  public void aStoppedDeliveryLeavesNothingBehind() throws IOException {
    Path file = folder.resolve("stopped.ora");
    assertThatThrownBy(
            () ->
                session
                    .exports()
                    .deliver(
                        project,
                        AtomicFile.replacing(file),
                        delivery(OutputProfile.SRGB, false),
                        () -> true))
        .isInstanceOf(CancellationException.class);
    try (var files = Files.list(folder)) {
      assertThat(files.map(p -> p.getFileName().toString())).noneMatch(n -> n.contains("stopped"));
    }
  }
}
