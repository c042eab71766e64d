package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.model.HealLayer.Source;

/** What layers measured, in a file. */
public class MeasurementsFileTest {

  private static final Measurements.Tone TONE = new Measurements.Tone(true, 71.25, 3, 9.5, 4);
  private static final Measurements.Backdrop BACKDROP =
      new Measurements.Backdrop(Picture.of(new Area(0, 0, 2, 2)), 0.1, 0.2, 0.3, 0.4);

  private static final List<Measurements> ONE_OF_EACH =
      List.of(
          new Measurements.None(),
          new Measurements.NoiseByTone(0.01, 0.02, 0.03, 0.1, 0.2, 0),
          new Measurements.HealSources(
              List.of(List.of(new Source(3.5, -4, 90, 1.5, true), Source.OWN), List.of())),
          new Measurements.Separation(7.125),
          new Measurements.SkinTone(0, 1, 2, 3, 4, 5, 6, 7, -0.5),
          TONE,
          new Measurements.Eyes(TONE, Measurements.Tone.NOWHERE, 84),
          new Measurements.Neutrals(
              List.of(new Measurements.Neutrals.Colour(0.1, 1.0 / 3, Math.nextUp(1)))),
          new Measurements.Depth(40, 42),
          new Measurements.Match(TONE, TONE),
          BACKDROP,
          new Measurements.Border(BACKDROP, 0.5),
          new Measurements.Haze(0.03));

  @DataProvider
  public Object[] kinds() {
    Map<Class<?>, Measurements> known =
        ONE_OF_EACH.stream().collect(Collectors.toMap(Measurements::getClass, Function.identity()));
    return Arrays.stream(Measurements.class.getPermittedSubclasses()).map(known::get).toArray();
  }

  private static byte[] written(Measurements read) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    MeasurementsFile.write(read, new DataOutputStream(out));
    return out.toByteArray();
  }

  private static Measurements read(byte[] bytes) throws IOException {
    return MeasurementsFile.read(new DataInputStream(new ByteArrayInputStream(bytes)));
  }

  @Test(dataProvider = "kinds")
  public void everyKindComesBackOrIsKnownNotTo(Measurements kind) throws IOException {
    if (kind == BACKDROP || kind instanceof Measurements.Border) {
      assertThat(MeasurementsFile.holds(kind)).isFalse();
    } else {
      assertThat(MeasurementsFile.holds(kind)).isTrue();
      assertThat(read(written(kind))).isEqualTo(kind);
    }
  }

  @Test
  public void whatIsCutShortIsRefused() throws IOException {
    byte[] whole = written(ONE_OF_EACH.get(2));
    for (int length = 0; length < whole.length; length++) {
      byte[] part = Arrays.copyOf(whole, length);
      assertThatThrownBy(() -> read(part)).as("%d bytes", length).isInstanceOf(IOException.class);
    }
  }

  @Test
  public void noOtherClassIsMade() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.writeByte(3);
    out.writeUTF("carezza.image.Area");
    for (int i = 0; i < 4; i++) {
      out.writeByte(0);
      out.writeDouble(1);
    }
    assertThatThrownBy(() -> read(bytes.toByteArray())).isInstanceOf(IOException.class);
  }

  @Test
  public void numbersThatCannotBeAreRefused() throws IOException {
    byte[] bytes = written(new Measurements.HealSources(List.of(List.of(new Source(1, 2)))));
    // The scale, before the one byte and its mark of what is mirrored.
    int scale = bytes.length - 2 - 8;
    Arrays.fill(bytes, scale, scale + 8, (byte) 0);
    assertThatThrownBy(() -> read(bytes)).isInstanceOf(IOException.class);
  }
}
