package carezza.press;

import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;

import carezza.colour.Lab;

/**
 * The press as tables of sixteen bits, laid out as the ICC's lut16Type wants them: from inks to
 * colour and back by each intent.
 */
public final class PressTables {

  /** Grid points for each ink, and for each of L*, a*, b*. */
  public static final int INK_GRID = 9;

  public static final int LAB_GRID = 33;

  /** Entries of the dot-gain curves. */
  public static final int CURVE = 1024;

  private static final double TOP = 65535;

  /** L* of the press's deepest black; the perceptual intent ends there. */
  public static final double BLACKEST = CoatedPress.lab(new double[] {0.72, 0.74, 0.74, 1}).l();

  /** Share of chroma from which the perceptual intent bends, and what it tends to. */
  private static final double KNEE = 35;

  private static final double WIDEST = 92;

  private PressTables() {}

  /** Nominal to effective coverage. */
  public static int[] gain() {
    return curve(CoatedPress::gained);
  }

  /** Effective to nominal coverage. */
  public static int[] inverseGain() {
    return curve(CoatedPress::nominal);
  }

  private static int[] curve(DoubleUnaryOperator f) {
    return IntStream.range(0, CURVE)
        .map(i -> (int) Math.round(TOP * Math.clamp(f.applyAsDouble(i / (CURVE - 1.0)), 0, 1)))
        .toArray();
  }

  /** XYZ of the paper, D50. */
  public static double[] paper() {
    return CoatedPress.paper();
  }

  /** L*a*b* for effective inks; cyan varies slowest, black fastest. */
  public static int[] toLab() {
    int n = INK_GRID;
    int[] out = new int[n * n * n * n * 3];
    IntStream.range(0, n * n * n * n)
        .parallel()
        .forEach(
            i -> {
              double[] inks = {
                i / (n * n * n) / (n - 1.0),
                i / (n * n) % n / (n - 1.0),
                i / n % n / (n - 1.0),
                i % n / (n - 1.0)
              };
              double[] packed = LabCode.packed(CoatedPress.lab(inks));
              for (int c = 0; c < 3; c++) {
                out[3 * i + c] = (int) Math.round(packed[c] * TOP);
              }
            });
    return out;
  }

  /** Effective inks for L*a*b*; L* varies slowest, b* fastest. */
  public static int[] toInks(Intent intent) {
    int n = LAB_GRID;
    int[] out = new int[n * n * n * 4];
    IntStream.range(0, n * n * n)
        .parallel()
        .forEach(
            i -> {
              Lab colour =
                  LabCode.unpacked(
                      i / (n * n) / (n - 1.0), i / n % n / (n - 1.0), i % n / (n - 1.0));
              double[] inks =
                  Separation.of(intent == Intent.PERCEPTUAL ? compressed(colour) : colour);
              for (int k = 0; k < 4; k++) {
                out[4 * i + k] = (int) Math.round(Math.clamp(inks[k], 0, 1) * TOP);
              }
            });
    return out;
  }

  /** The lightness range into that of the press, strong chroma bent under its reach. */
  private static Lab compressed(Lab colour) {
    double l = BLACKEST + (100 - BLACKEST) * Math.clamp(colour.l(), 0, 100) / 100;
    double c = colour.chroma();
    if (c <= KNEE) {
      return new Lab(l, colour.a(), colour.b());
    }
    double room = WIDEST - KNEE;
    double bent = KNEE + room * Math.tanh((c - KNEE) / room);
    return new Lab(l, colour.a() * bent / c, colour.b() * bent / c);
  }
}
