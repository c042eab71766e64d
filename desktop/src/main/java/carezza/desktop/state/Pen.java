package carezza.desktop.state;

import java.util.Arrays;

/**
 * Where a stroke's pressure comes from. The window toolkit tells none, so these are stand-ins; the
 * driver of a real pen would be one more.
 */
public interface Pen {

  /** A new stroke begins. */
  void down();

  /**
   * Pressure 0 … 1 at a place of the stroke.
   *
   * @param x in photograph pixels
   * @param seconds since the stroke began
   * @param brushRadius in photograph pixels, the length that speed is told in
   */
  double pressure(double x, double y, double seconds, double brushRadius);

  /** A mouse: always full. */
  Pen MOUSE =
      new Pen() {
        @Override
        public void down() {
          // Nothing to remember.
        }

        @Override
        public double pressure(double x, double y, double seconds, double brushRadius) {
          return 1;
        }
      };

  /**
   * Speed for pressure: a hand that goes slowly presses, one that hurries strokes lightly. Pressure
   * is {@code least + (1 − least) / (1 + (speed / half)^2)}, speed in brush radii per second,
   * followed with a lag so that it does not jitter.
   */
  final class OfSpeed implements Pen {

    private static final double LEAST = 0.15;

    /** Radii per second at which the pressure is half way. */
    private static final double HALF = 12;

    /** Seconds after which a change of speed is followed by two thirds. */
    private static final double LAG = 0.06;

    private double lastX;
    private double lastY;
    private double lastSeconds;
    private double pressure;
    private boolean first;

    @Override
    public void down() {
      first = true;
    }

    @Override
    public double pressure(double x, double y, double seconds, double brushRadius) {
      if (first) {
        // Lightly laid on; what the hand does then decides.
        pressure = 0.5;
        first = false;
      } else {
        double dt = Math.max(1e-3, seconds - lastSeconds);
        double speed = Math.hypot(x - lastX, y - lastY) / dt / brushRadius;
        double wanted = LEAST + (1 - LEAST) / (1 + speed * speed / (HALF * HALF));
        pressure += (wanted - pressure) * (1 - Math.exp(-dt / LAG));
      }
      lastX = x;
      lastY = y;
      lastSeconds = seconds;
      return pressure;
    }
  }

  /** A pressure track that was recorded: straight lines between its points, by time. */
  final class Recorded implements Pen {

    private final double[] seconds;
    private final double[] pressures;

    /**
     * @param seconds rising
     * @param pressures as many, 0 … 1
     */
    public Recorded(double[] seconds, double[] pressures) {
      if (seconds.length == 0 || seconds.length != pressures.length) {
        throw new IllegalArgumentException("A track needs as many times as pressures");
      }
      this.seconds = seconds.clone();
      this.pressures = pressures.clone();
    }

    @Override
    public void down() {
      // Each stroke plays the track from its beginning.
    }

    @Override
    public double pressure(double x, double y, double at, double brushRadius) {
      int i = Arrays.binarySearch(seconds, at);
      if (i >= 0) {
        return pressures[i];
      }
      int after = -i - 1;
      if (after == 0) {
        return pressures[0];
      }
      if (after == seconds.length) {
        return pressures[after - 1];
      }
      double t = (at - seconds[after - 1]) / (seconds[after] - seconds[after - 1]);
      return pressures[after - 1] + t * (pressures[after] - pressures[after - 1]);
    }
  }
}
