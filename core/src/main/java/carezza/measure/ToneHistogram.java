package carezza.measure;

import carezza.colour.WorkingSpace;
import carezza.filter.RobustStatistics;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * How often encoded sRGB values come in a place: as a histogram, and column by column as a
 * waveform.
 *
 * @param channels of red, green, blue: shares of the fullest of {@link #BINS} bins
 * @param columns waveform of the luma: for each of {@link #COLUMNS} columns of the place, from left
 *     to right, shares of the fullest of {@link #BINS} bins
 * @param black share of the pixels, in percent, of which no channel is above black
 * @param white share of the pixels, in percent, of which a channel is at white or above, to half a
 *     step of eight bits
 */
public record ToneHistogram(float[][] channels, float[][] columns, double black, double white) {

  public static final int BINS = 128;
  public static final int COLUMNS = 96;

  public static ToneHistogram of(Picture working, Plane where) {
    Picture srgb = WorkingSpace.toSrgb(working);
    float[][] channels = new float[3][BINS];
    float[][] columns = new float[COLUMNS][BINS];
    long all = 0;
    long black = 0;
    long white = 0;
    var box = where.covered();
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = where.index(x, y);
        if (where.values()[i] < RobustStatistics.TAKEN_IN) {
          continue;
        }
        float r = srgb.first().values()[i];
        float g = srgb.second().values()[i];
        float b = srgb.third().values()[i];
        float most = Math.max(r, Math.max(g, b));
        all++;
        black += Clipping.black(most) ? 1 : 0;
        white += Clipping.white(most) ? 1 : 0;
        channels[0][bin(r)]++;
        channels[1][bin(g)]++;
        channels[2][bin(b)]++;
        int column = (int) ((long) (x - box.x()) * COLUMNS / Math.max(1, box.width()));
        columns[column][bin(0.2126f * r + 0.7152f * g + 0.0722f * b)]++;
      }
    }
    for (float[] channel : channels) {
      scale(channel);
    }
    for (float[] column : columns) {
      scale(column);
    }
    return new ToneHistogram(
        channels, columns, 100.0 * black / Math.max(1, all), 100.0 * white / Math.max(1, all));
  }

  private static int bin(float v) {
    return Math.clamp((int) (v * BINS), 0, BINS - 1);
  }

  private static void scale(float[] counts) {
    float most = 0;
    for (float c : counts) {
      most = Math.max(most, c);
    }
    for (int i = 0; i < counts.length && most > 0; i++) {
      counts[i] /= most;
    }
  }
}
