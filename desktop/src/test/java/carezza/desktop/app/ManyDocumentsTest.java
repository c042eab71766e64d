package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.project.Document;
import carezza.project.ProjectFile;

/** A window that many documents come and go in. */
public class ManyDocumentsTest extends WindowDriver {

  private static final int FIRST = 20;
  private static final int ALL = 120;

  /**
   * What may be left of a hundred documents whose pictures alone take more than 200 million bytes.
   */
  private static final long MOST_LEFT_BYTES = 80_000_000;

  @Test
  public void nothingIsLeftOfDocumentsThatAreGone() throws Exception {
    byte[] file = file();
    long after = 0;
    for (int i = 1; i <= ALL; i++) {
      Document document = ProjectFile.start(file, "grey.png");
      LayerStack stack = LayerStack.of(LayerType.EXPOSURE.fresh(), LayerType.DODGE_BURN.fresh());
      onStage(
          () -> {
            view.put(document.with(document.project().withStack(stack), null));
            state().selection().select(stack.layers().getLast().attributes().id());
            return null;
          });
      await(() -> state().document().seenProperty().get());
      if (i == FIRST) {
        after = used();
      }
    }
    assertThat(used() - after).isLessThan(MOST_LEFT_BYTES);
  }

  private static byte[] file() throws Exception {
    Area area = new Area(0, 0, 480, 360);
    Picture grey =
        new Picture(Plane.filled(area, 0.5f), Plane.filled(area, 0.5f), Plane.filled(area, 0.5f));
    return PictureWriter.encode(
        grey, new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB), "grey.png");
  }

  /** What the heap holds that something still needs. */
  private static long used() throws InterruptedException {
    long least = Long.MAX_VALUE;
    for (int i = 0; i < 5; i++) {
      System.gc();
      Thread.sleep(100);
      least =
          Math.min(least, Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory());
    }
    return least;
  }
}
