package carezza.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.client.DropBox;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.model.RecordValue;
import carezza.project.Document;
import carezza.project.ProjectFile;

public class SetCommandsTest {

  private Path folder;

  @BeforeClass
  public void makeSet() throws Exception {
    folder = Files.createTempDirectory("carezza-set-commands");
    Files.createDirectory(folder.resolve("set"));
    for (int i = 0; i < 9; i++) {
      Files.write(folder.resolve("set").resolve("p" + i + ".png"), grey(0.2f + 0.08f * i));
    }
  }

  private static byte[] grey(float value) throws Exception {
    Plane plane = Plane.filled(new Area(0, 0, 72, 48), value);
    return PictureWriter.encode(
        new Picture(plane, plane, plane),
        new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
        "x.png");
  }

  @Test
  public void aContactSheetHasAllPicturesOfTheSet() throws Exception {
    Path pdf = folder.resolve("sheet.pdf");
    assertThat(CommandRun.of("contact-sheet", folder.resolve("set"), "--out", pdf).code()).isZero();
    try (PDDocument pages = Loader.loadPDF(pdf.toFile())) {
      String words = new PDFTextStripper().getText(pages);
      for (int i = 0; i < 9; i++) {
        assertThat(words).contains("p" + i);
      }
    }
    Path jpeg = folder.resolve("sheet.jpg");
    assertThat(
            CommandRun.of("contact-sheet", folder.resolve("set"), "--out", jpeg, "--page", "letter")
                .code())
        .isZero();
    var page = ImageIO.read(jpeg.toFile());
    assertThat((double) page.getHeight() / page.getWidth())
        .isCloseTo(11 / 8.5, org.assertj.core.api.Assertions.within(0.01));
    CommandRun again = CommandRun.of("contact-sheet", folder.resolve("set"), "--out", jpeg);
    assertThat(again.code()).isEqualTo(1);
    assertThat(again.err()).contains("sheet.jpg");
  }

  @Test
  public void theDropBoxIsAnsweredAndListed() throws Exception {
    DropBox box = new DropBox(folder.resolve("box"));
    box.send(List.of(folder.resolve("set").resolve("p1.png")), "p1.png");
    assertThat(CommandRun.of("drop-box", box.folder(), "--only-list").out())
        .contains("p1.png: sent");
    assertThat(CommandRun.of("drop-box", box.folder()).out())
        .containsAnyOf("p1.png: approved", "p1.png: to be changed");
  }

  @Test
  public void aVariantIsRenderedByItsName() throws Exception {
    Path file = folder.resolve("two.carezza");
    Document document = ProjectFile.start(grey(0.4f), "grey.png");
    LayerStack lit = LayerStack.of(RecordValue.with(LayerType.EXPOSURE.fresh(), "stops", 1.0));
    Document two = document.with(document.project().doubled("Dark", "Light").withStack(lit), null);
    ProjectFile.save(two, AtomicFile.fresh(file), new byte[0]);
    assertThat(brightness(file, "Dark"))
        .isCloseTo(0.4f, org.assertj.core.api.Assertions.within(0.01f));
    assertThat(brightness(file, "Light")).isGreaterThan(0.5f);
    CommandRun wrong =
        CommandRun.of("render", file, "--out", folder.resolve("x.png"), "--variant", "Mono");
    assertThat(wrong.code()).isEqualTo(1);
    assertThat(wrong.err()).contains("Mono").contains("Dark, Light");
  }

  private float brightness(Path project, String variant) throws Exception {
    Path out = folder.resolve(variant + ".png");
    assertThat(CommandRun.of("render", project, "--out", out, "--variant", variant).code())
        .isZero();
    return middle(Files.readAllBytes(out));
  }

  private static float middle(byte[] png) throws Exception {
    Picture picture = PictureReader.decode(png, "x.png").pixels();
    return picture.first().values()[picture.area().pixels() / 2];
  }

  @Test
  public void aFolderThatIsNotThereIsSaid() throws IOException {
    CommandRun run =
        CommandRun.of("contact-sheet", folder.resolve("nowhere"), "--out", folder.resolve("n.pdf"));
    assertThat(run.code()).isEqualTo(1);
    assertThat(run.err()).contains("nowhere");
    assertThat(folder.resolve("n.pdf")).doesNotExist();
  }
}
