package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.List;

import org.testng.annotations.Test;

import carezza.model.Stroke;

public class StrokesFileTest {

  private static final float[] PATH = {1, 2, 1, 0, 5, 6, 0.5f, 0.25f};

  @Test
  public void strokesComeBackAsTheyWere() throws IOException {
    List<Stroke> strokes =
        List.of(new Stroke(PATH, 7, 0.5, 0.25, true, 14), Stroke.dab(3, 4, 2, 0.3));
    assertThat(StrokesFile.read(StrokesFile.write(strokes))).isEqualTo(strokes);
  }

  /** As written before strokes could stay inside edges. */
  @Test
  public void theFirstVersionIsStillRead() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.writeBytes("CZST");
    out.writeInt(1);
    out.writeInt(1);
    out.writeDouble(7);
    out.writeDouble(0.5);
    out.writeDouble(0.25);
    out.writeByte(1);
    out.writeInt(2);
    for (float v : PATH) {
      out.writeFloat(v);
    }
    assertThat(StrokesFile.read(bytes.toByteArray()))
        .containsExactly(new Stroke(PATH, 7, 0.5, 0.25, true, 0));
  }

  @Test
  public void aLaterVersionIsRefused() {
    byte[] bytes = StrokesFile.write(List.of());
    bytes[7] = 99;
    assertThatThrownBy(() -> StrokesFile.read(bytes)).hasMessageContaining("version");
  }
}
