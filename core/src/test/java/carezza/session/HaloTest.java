package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.model.SharpenLayer;
import carezza.model.SharpenLayer.Band;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.testing.Pictures;

public class HaloTest {

  private static double halo(double gain, double limit, double amount) throws Exception {
    Picture edge =
        new Picture(
            Pictures.plane(new Area(0, 0, 400, 300), (x, y) -> x < 200 ? 0.3 : 0.7),
            Pictures.plane(new Area(0, 0, 400, 300), (x, y) -> x < 200 ? 0.3 : 0.7),
            Pictures.plane(new Area(0, 0, 400, 300), (x, y) -> x < 200 ? 0.3 : 0.7));
    byte[] file =
        PictureWriter.encode(
            edge,
            new PictureWriter.Settings(PictureFormat.PNG, 100, 16, OutputProfile.WIDE),
            "edge.png");
    Document document = ProjectFile.start(file, "edge.png");
    SharpenLayer layer =
        new SharpenLayer(
            LayerType.SHARPEN.fresh().attributes().withAmount(amount),
            List.of(new Band(3, gain)),
            limit);
    return new Session(document.photograph())
        .advice()
        .halo(
            document.project().withStack(LayerStack.of(layer)),
            layer.attributes().id(),
            Cancellation.NONE);
  }

  /** Beside a step of height s a Gaussian leaves nearly half of it as detail. */
  @Test
  public void aSmallOvershootIsReadAsItIs() throws Exception {
    double one = halo(0.1, 20, 1);
    double two = halo(0.2, 20, 1);
    assertThat(one).isBetween(1.0, 3.0);
    assertThat(two / one).isCloseTo(2, within(0.05));
  }

  @Test
  public void itNeverPassesTheLimitAndFollowsTheAmount() throws Exception {
    double whole = halo(3, 4, 1);
    assertThat(whole).isCloseTo(4, within(0.1));
    assertThat(halo(3, 4, 0.5)).isBetween(0.4 * whole, 0.6 * whole);
  }
}
