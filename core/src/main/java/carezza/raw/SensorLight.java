package carezza.raw;

import carezza.colour.Matrix3;
import carezza.image.Plane;

/**
 * What a raw photograph knows of the light on the sensor.
 *
 * @param toWorking linear working light of balanced channels
 * @param kelvin correlated colour temperature that the camera balanced for; NaN where the file does
 *     not tell
 * @param clipped upright, at half size: share of a place's pixels with a channel that the sensor
 *     could not count further
 */
public record SensorLight(Matrix3 toWorking, double kelvin, Plane clipped) {

  /** Whether a channel was full at the middle of a level's pixel. */
  public boolean isClipped(int x, int y, int level) {
    // The plane is that of level 1.
    double step = Math.pow(2, level - 1);
    int cx = Math.min((int) ((x + 0.5) * step), clipped.width() - 1);
    int cy = Math.min((int) ((y + 0.5) * step), clipped.height() - 1);
    return clipped.values()[cy * clipped.width() + cx] >= 0.5f;
  }

  /** Share of the photograph with a full channel. */
  public double clippedShare() {
    double sum = 0;
    for (float v : clipped.values()) {
      sum += v;
    }
    return sum / Math.max(1, clipped.values().length);
  }
}
