package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;

/** A large photograph small, before it is whole. */
public class FirstSightTest {

  private static final int STEPS = 3;

  /** Red grows from left to right, green from top to bottom. */
  private static byte[] file(String format, int width, int height) throws Exception {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        image.setRGB(x, y, 255 * x / width << 16 | 255 * y / height << 8 | 60);
      }
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, format, out);
    return out.toByteArray();
  }

  @DataProvider
  public Object[] formats() {
    return new Object[] {"jpeg", "png"};
  }

  @Test(dataProvider = "formats")
  public void everyPixelIsTheMeanOfASquareOfTheWhole(String format) throws Exception {
    List<Picture> seen = new ArrayList<>();
    Picture whole = PictureReader.decode(file(format, 3601, 2403), "large", seen::add).pixels();
    assertThat(seen).hasSize(1);
    Picture small = seen.getFirst();
    assertThat(small.area()).isEqualTo(new Area(0, 0, 3601 / STEPS, 2403 / STEPS));
    double most = 0;
    for (int y = 0; y < small.area().height(); y += 7) {
      for (int x = 0; x < small.area().width(); x += 7) {
        for (int c = 0; c < 3; c++) {
          // The middle of a square of an even slope is its mean, but for steps of 8 bits.
          float middle = whole.plane(c).at(STEPS * x + 1, STEPS * y + 1);
          most = Math.max(most, Math.abs(small.plane(c).at(x, y) - middle));
        }
      }
    }
    assertThat(most).isLessThan(0.02);
  }

  @Test
  public void theSmallOneIsNotToldOf() throws Exception {
    List<Picture> seen = new ArrayList<>();
    PictureReader.decode(file("jpeg", 1200, 900), "small", seen::add);
    assertThat(seen).isEmpty();
  }
}
