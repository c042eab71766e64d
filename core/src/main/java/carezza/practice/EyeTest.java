package carezza.practice;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.practice.Sitter.Part;

/**
 * A two-alternative forced choice: two crops of one place, one of them with more of a quality, left
 * or right by chance. Which one it is, and of whom, follows from the seed. Not safe for several
 * threads.
 */
public final class EyeTest {

  /** Sides of a crop in pixels, shown one to one. */
  public static final int SIDE = 340;

  private static final int TRIES = 500;

  /** Mean encoded green of a place that has light on it. */
  private static final double LIT = 0.24;

  /** Answers after which a rest is offered. */
  public static final int REST_AFTER = 30;

  private final Quality quality;
  private final long seed;
  private final Random random;
  private final Staircase staircase;
  private final Map<Sitter, Sight> sights = new EnumMap<>(Sitter.class);

  private record Sight(Picture picture, Plane skin, Plane place) {}

  public EyeTest(Quality quality, long seed) {
    this.quality = quality;
    this.seed = seed;
    random = new Random(seed);
    staircase = quality.staircase();
  }

  /**
   * Two crops, working space.
   *
   * @param changedIsRight which of them has more of the quality
   * @param strength by how much
   */
  public record Pair(
      Picture left, Picture right, boolean changedIsRight, double strength, Sitter sitter) {}

  public Quality quality() {
    return quality;
  }

  public long seed() {
    return seed;
  }

  public Staircase staircase() {
    return staircase;
  }

  /** The next question. */
  public Pair next() {
    List<Sitter> all = quality.sitters();
    Sitter sitter = all.get(random.nextInt(all.size()));
    Sight sight = sights.computeIfAbsent(sitter, this::see);
    Area area = place(sitter, sight);
    Picture plain = sight.picture().crop(area);
    Picture more =
        quality.laidOn(plain, sight.place().crop(area), sitter.faceWidth(), staircase.strength());
    boolean right = random.nextBoolean();
    return new Pair(
        right ? plain : more, right ? more : plain, right, staircase.strength(), sitter);
  }

  /** Whether the one that was pointed at has more of it; the staircase goes on. */
  public boolean answer(Pair pair, boolean pointedRight) {
    boolean correct = pair.changedIsRight() == pointedRight;
    staircase.answer(correct);
    return correct;
  }

  private Sight see(Sitter sitter) {
    Plane skin = sitter.mask(Part.SKIN);
    Part part = quality.part();
    return new Sight(sitter.even(), skin, part == null ? skin : sitter.mask(part));
  }

  /** A square of skin, or one about the part that is asked for. */
  private Area place(Sitter sitter, Sight sight) {
    Area whole = sight.picture().area();
    Area best = null;
    double most = -1;
    for (int i = 0; i < TRIES && most < 0.97; i++) {
      Area covered =
          quality.part() == null
              ? new Area(
                  (int) sitter.left(),
                  (int) sitter.top(),
                  (int) sitter.faceWidth(),
                  (int) (sitter.bottom() - sitter.top()))
              : sight.place().covered();
      int x = covered.x() + random.nextInt(Math.max(1, covered.width())) - SIDE / 2;
      int y = covered.y() + random.nextInt(Math.max(1, covered.height())) - SIDE / 2;
      Area area =
          new Area(
              Math.clamp(x, 0, whole.width() - SIDE),
              Math.clamp(y, 0, whole.height() - SIDE),
              SIDE,
              SIDE);
      // Nothing is told apart in deep shade.
      boolean lit = share(sight.picture().second(), area) > LIT;
      double share = share(sight.place(), area) / (quality.part() == null ? 1 : 0.08);
      share = lit ? share : share / 4;
      if (share > most) {
        most = share;
        best = area;
      }
    }
    return best == null ? new Area(0, 0, SIDE, SIDE) : best;
  }

  private static double share(Plane place, Area area) {
    double sum = 0;
    int n = 0;
    for (int y = area.y(); y < area.bottom(); y += 8) {
      for (int x = area.x(); x < area.right(); x += 8) {
        sum += place.at(x, y);
        n++;
      }
    }
    return sum / n;
  }
}
