package carezza.practice;

import java.util.ArrayList;
import java.util.List;

/**
 * A two-down-one-up staircase on a scale of ratios (Levitt 1971): two right answers in a row make
 * the next difference smaller, a wrong one larger, so that it settles where 70.7 % are right. The
 * threshold is the mean of the last six of eight reversals, of their logarithms.
 */
public final class Staircase {

  static final int REVERSALS = 8;

  private static final int COUNTED = 6;

  /** Factors of a step before the second reversal, and after it. */
  private static final double WIDE = 1.6;

  private static final double NARROW = 1.25;

  private final double most;
  private final double least;
  private final List<Double> reversals = new ArrayList<>();
  private double strength;
  private int rightInRow;
  private int answers;

  /** −1 while it goes down, 1 while it goes up, 0 at the beginning. */
  private int direction;

  /**
   * @param start strength that anybody sees
   * @param least smallest strength that can be made
   * @param most largest strength
   */
  public Staircase(double start, double least, double most) {
    this.strength = start;
    this.least = least;
    this.most = most;
  }

  /** What is shown next. */
  public double strength() {
    return strength;
  }

  public boolean finished() {
    return reversals.size() >= REVERSALS;
  }

  public int answers() {
    return answers;
  }

  public int reversals() {
    return reversals.size();
  }

  public void answer(boolean right) {
    answers++;
    if (!right) {
      rightInRow = 0;
      step(1);
    } else if (++rightInRow == 2) {
      rightInRow = 0;
      step(-1);
    }
  }

  private void step(int way) {
    if (direction != 0 && way != direction) {
      reversals.add(strength);
    }
    direction = way;
    double factor = reversals.size() < 2 ? WIDE : NARROW;
    strength = Math.clamp(way > 0 ? strength * factor : strength / factor, least, most);
  }

  /** The strength that is seen seven times of ten; NaN before it is finished. */
  public double threshold() {
    return finished() ? Math.exp(mean()) : Double.NaN;
  }

  /**
   * The factor that two thirds of such reversals lie within, to either side; NaN before it is
   * finished.
   */
  public double spread() {
    if (!finished()) {
      return Double.NaN;
    }
    double mean = mean();
    double sum = 0;
    for (double r : counted()) {
      sum += Math.pow(Math.log(r) - mean, 2);
    }
    return Math.exp(Math.sqrt(sum / (COUNTED - 1)));
  }

  private double mean() {
    return counted().stream().mapToDouble(Math::log).average().orElseThrow();
  }

  private List<Double> counted() {
    return reversals.subList(reversals.size() - COUNTED, reversals.size());
  }
}
