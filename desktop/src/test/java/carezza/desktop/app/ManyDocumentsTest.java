package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.List;

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

  private static final int DOCUMENTS = Thorough.ASKED ? 100 : 25;

  @Test
  public void nothingIsLeftOfDocumentsThatAreGone() throws Exception {
    List<WeakReference<Object>> gone = new ArrayList<>();
    for (int i = 0; i < DOCUMENTS; i++) {
      Document document = ProjectFile.start(file(i), "grey.png");
      LayerStack stack = LayerStack.of(LayerType.EXPOSURE.fresh(), LayerType.DODGE_BURN.fresh());
      onStage(
          () -> {
            view.put(document.with(document.project().withStack(stack), null));
            state().selection().select(stack.layers().getLast().attributes().id());
            return null;
          });
      await(() -> state().document().seenProperty().get());
      gone.add(new WeakReference<>(document.photograph()));
      gone.add(new WeakReference<>(state().document().session()));
    }
    // The last one is at work.
    List<WeakReference<Object>> before = gone.subList(0, gone.size() - 2);
    for (int i = 0; i < 20 && left(before) > 0; i++) {
      System.gc();
      Thread.sleep(100);
    }
    assertThat(left(before)).isZero();
  }

  private static long left(List<WeakReference<Object>> gone) {
    return gone.stream().filter(r -> r.get() != null).count();
  }

  /** Of a grey of its own: what is known of a photograph lives on while it is open again. */
  private static byte[] file(int number) throws Exception {
    Area area = new Area(0, 0, 480, 360);
    Plane level = Plane.filled(area, (100 + number) / 255f);
    Picture grey = new Picture(level, level, level);
    return PictureWriter.encode(
        grey, new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB), "grey.png");
  }
}
