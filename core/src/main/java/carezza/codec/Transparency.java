package carezza.codec;

import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

import carezza.image.Area;
import carezza.image.Plane;

/** What of a picture's file can be seen through. */
public final class Transparency {

  private Transparency() {}

  /**
   * Coverage 0 … 1 as the file has it, 1 everywhere where it has none.
   *
   * @param area of the picture as it was decoded
   */
  public static Plane of(byte[] bytes, Area area) throws IOException {
    BufferedImage image = ImageIO.read(new ByteArrayInputStream(bytes));
    boolean there =
        image != null
            && image.getColorModel().hasAlpha()
            && image.getWidth() == area.width()
            && image.getHeight() == area.height();
    if (!there) {
      return Plane.filled(area, 1);
    }
    Raster raster = image.getAlphaRaster();
    if (raster == null) {
      return Plane.filled(area, 1);
    }
    float most = (1 << raster.getSampleModel().getSampleSize(0)) - 1;
    Plane alpha = Plane.of(area);
    float[] row = new float[area.width()];
    for (int y = 0; y < area.height(); y++) {
      raster.getSamples(0, y, area.width(), 1, 0, row);
      for (int x = 0; x < row.length; x++) {
        alpha.values()[y * area.width() + x] = row[x] / most;
      }
    }
    return alpha;
  }
}
