package carezza.overlay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;

import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.colour.BlendMode;
import carezza.colour.Transfer;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.kernel.Kernels;
import carezza.kernel.LayerType;
import carezza.kernel.Measurements;
import carezza.kernel.Probe;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.LayerStack;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.model.SemanticRegion;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

public class OverlayTest {

  private static final PictureSize SIZE = new PictureSize(400, 300);
  private static final EvaluationContext SITE = new EvaluationContext(SIZE, 0, Regions.none());

  /** 400 x 300: left half red and there, right half clear. */
  private static byte[] halfClear() throws IOException {
    BufferedImage image = new BufferedImage(400, 300, BufferedImage.TYPE_INT_ARGB);
    for (int y = 0; y < 300; y++) {
      for (int x = 0; x < 200; x++) {
        image.setRGB(x, y, 0xFFFF0000);
      }
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "png", out);
    return out.toByteArray();
  }

  private static OverlayLayer layer(byte[] file) {
    OverlayLayer fresh = (OverlayLayer) LayerType.OVERLAY.fresh();
    return fresh
        .with(fresh.attributes().withBlend(BlendMode.NORMAL))
        .with(OverlayPicture.of("own.png", Originals.sha256(file), "", file));
  }

  private static Picture render(OverlayLayer layer, Picture input, EvaluationContext site) {
    Probe probe = new Probe(site, input, (area, level) -> input.crop(area));
    Measurements read = Kernels.measure(layer, probe);
    return Kernels.effect(layer, read, site).render(input, input.area());
  }

  private static boolean isRed(Picture picture, int x, int y) {
    return picture.first().at(x, y) > picture.third().at(x, y) + 0.3;
  }

  @Test
  public void itsOwnTransparencyItsPlaceAndItsSidesCount() throws IOException {
    Picture grey = Pictures.grey(SIZE.area(), 0.5);
    OverlayLayer own = layer(halfClear());
    Picture plain = render(own, grey, SITE);
    assertThat(isRed(plain, 100, 150)).isTrue();
    assertThat((double) plain.first().at(300, 150)).isCloseTo(0.5, within(1e-3));

    assertThat(isRed(render(own.withMirrored(true), grey, SITE), 300, 150)).isTrue();
    // Its middle at three quarters: what was left of it begins at a quarter.
    Picture moved = render(own.at(0.75, 0.5), grey, SITE);
    assertThat(isRed(moved, 50, 150)).isFalse();
    assertThat(isRed(moved, 150, 150)).isTrue();
    OverlayLayer turned =
        new OverlayLayer(
            own.attributes(), own.picture(), false, 0.5, 0.5, 1, 90, false, 0, 0, null);
    // Clockwise: what was on the left is above.
    assertThat(isRed(render(turned, grey, SITE), 200, 50)).isTrue();
    assertThat(isRed(render(turned, grey, SITE), 200, 250)).isFalse();
  }

  @Test
  public void halfTheAmountIsHalfTheChange() throws IOException {
    Picture grey = Pictures.grey(SIZE.area(), 0.5);
    OverlayLayer own = layer(halfClear());
    double whole = render(own, grey, SITE).first().at(100, 150) - 0.5;
    double half =
        render(own.with(own.attributes().withAmount(0.5)), grey, SITE).first().at(100, 150) - 0.5;
    assertThat(half).isCloseTo(whole / 2, within(1e-4));
  }

  @Test
  public void lightsOnBlackOnlyAddLight() {
    Picture grey = Pictures.grey(SIZE.area(), 0.4);
    for (OverlayPicture.Shipped one : OverlayPicture.Shipped.values()) {
      OverlayLayer fresh = (OverlayLayer) LayerType.OVERLAY.fresh();
      Plane lit = render(fresh.with(OverlayPicture.of(one)), grey, SITE).first();
      int brighter = 0;
      for (float v : lit.values()) {
        assertThat(v).isBetween(0.3999f, 1.0001f);
        brighter += v > 0.41f ? 1 : 0;
      }
      assertThat((double) brighter / lit.values().length).as(one.name()).isBetween(0.001, 0.95);
    }
  }

  /** A person of one colour before a backdrop of one: the edge becomes what it would have been. */
  @Test
  public void behindThePersonTheOldBackdropLeavesTheEdge() throws Exception {
    Regions regions = Portrait.S04.found();
    PictureSize size = new PictureSize(1600, 2000);
    Area part = new Area(200, 100, 1200, 1000);
    EvaluationContext site = new EvaluationContext(size, 0, regions);
    float[] person = {0.2f, 0.12f, 0.08f};
    float[] old = {0.25f, 0.35f, 0.5f};
    Picture light = Picture.of(size.area());
    Plane open = regions.coverage(SemanticRegion.BACKDROP, size.area(), 0);
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < open.values().length; i++) {
        float t = open.values()[i];
        light.plane(c).values()[i] = (1 - t) * person[c] + t * old[c];
      }
    }
    Picture input = Transfer.toEncoded(light);
    Picture fresh = Pictures.colour(new Area(0, 0, 160, 200), 0.75, 0.7, 0.4);
    byte[] file = encoded(fresh);
    Picture result = render(layer(file).withBehind(true), input, site);

    double most = 0;
    for (int c = 0; c < 3; c++) {
      double laid = Transfer.toLinear(fresh.plane(c).values()[0]);
      for (int y = part.y(); y < part.bottom(); y += 3) {
        for (int x = part.x(); x < part.right(); x += 3) {
          double t = open.at(x, y);
          double right = Transfer.toEncoded((float) ((1 - t) * person[c] + t * laid));
          most = Math.max(most, Math.abs(result.plane(c).at(x, y) - right));
        }
      }
    }
    assertThat(most).isLessThan(0.03);
  }

  @Test
  public void itsLightIsBroughtToTheBackdrops() throws Exception {
    EvaluationContext site =
        new EvaluationContext(new PictureSize(1600, 2000), 0, Portrait.S04.found());
    Picture input = Portrait.S04.picture("photo.jpg");
    Picture fresh = Pictures.colour(new Area(0, 0, 160, 200), 0.2, 0.5, 0.2);
    byte[] file = encoded(fresh);
    OverlayLayer own = layer(file).withBehind(true);
    OverlayLayer matched =
        new OverlayLayer(own.attributes(), own.picture(), true, 0.5, 0.5, 1, 0, false, 0, 1, null);
    double before = input.first().at(60, 200);
    assertThat((double) render(own, input, site).first().at(60, 200)).isLessThan(before - 0.1);
    assertThat((double) render(matched, input, site).first().at(60, 200))
        .isCloseTo(before, within(0.12));
  }

  /** Its blend mode is its own: the stack does not lay the result over once more. */
  @Test
  public void whatIsBlackAndScreenedLeavesTheRenderedPicture() throws IOException {
    Picture grey = Pictures.grey(SIZE.area(), 0.3);
    byte[] black = encoded(Pictures.grey(new Area(0, 0, 80, 60), 0));
    OverlayLayer screened = (OverlayLayer) LayerType.OVERLAY.fresh();
    assertThat(screened.attributes().blend()).isEqualTo(BlendMode.SCREEN);
    Renderer renderer = new Renderer(new Pyramid(grey), TileCache.shared());
    RenderInput scene =
        new RenderInput(
            LayerStack.of(
                screened.with(OverlayPicture.of("black.png", Originals.sha256(black), "", black))),
            Regions.none());
    Picture whole = renderer.renderOnce(scene, 0, Cancellation.NONE);
    assertThat(Pictures.largest(whole.first(), grey.first())).isLessThan(1e-4);
  }

  private static byte[] encoded(Picture picture) throws IOException {
    try {
      return PictureWriter.encode(
          picture,
          new PictureWriter.Settings(PictureFormat.PNG, 100, 16, OutputProfile.WIDE),
          "made.png");
    } catch (Problem e) {
      throw new IOException(e);
    }
  }

  @Test
  public void whatIsMissingLeavesTheRestWhole() {
    Picture grey = Pictures.grey(SIZE.area(), 0.5);
    OverlayLayer gone =
        ((OverlayLayer) LayerType.OVERLAY.fresh())
            .with(OverlayPicture.of("gone.png", "0".repeat(64), "/nowhere/gone.png", null));
    assertThat(OverlayPixels.of(gone.picture())).isEmpty();
    assertThat(Pictures.largest(render(gone, grey, SITE).first(), grey.first())).isZero();
  }

  @Test
  public void aFileThatChangedIsAnotherPicture() throws IOException {
    Path file = Files.createTempFile("overlay", ".png");
    byte[] bytes = halfClear();
    Files.write(file, bytes);
    OverlayPicture linked =
        OverlayPicture.of("own.png", Originals.sha256(bytes), file.toString(), null);
    assertThat(OverlayPixels.of(linked)).isPresent();
    OverlayPicture other = OverlayPicture.of("own.png", "1".repeat(64), file.toString(), null);
    assertThat(OverlayPixels.of(other)).isEmpty();
  }

  @Test
  public void itsContentsTravelInTheProject() throws Exception {
    byte[] photo =
        PictureWriter.encode(
            Pictures.grey(new Area(0, 0, 64, 48), 0.5),
            new PictureWriter.Settings(PictureFormat.PNG, 100, 8, OutputProfile.SRGB),
            "grey.png");
    Document started = ProjectFile.start(photo, "grey.png");
    OverlayLayer own = layer(halfClear());
    Path file = Files.createTempDirectory("overlay").resolve("laid.carezza");
    ProjectFile.save(
        started.with(started.project().withStack(LayerStack.of(own)), null),
        AtomicFile.fresh(file),
        new byte[0]);
    OverlayLayer read = (OverlayLayer) ProjectFile.open(file).project().stack().layers().getFirst();
    assertThat(read.picture().bytes()).isEqualTo(own.picture().bytes());
    assertThat(read).isEqualTo(own);
  }
}
