package carezza.model;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

import carezza.image.Area;

/**
 * A stroke of the brush in photograph coordinates. Its coverage at a place is strength x pressure x
 * falloff of the distance to its path, so it means the same at every level; strokes build up on one
 * another, a stroke does not build up on itself.
 */
public final class Stroke implements RepairArea {

  /** Most points of one stroke: minutes of painting without lifting the pen. */
  public static final int MOST_POINTS = 65_536;

  private static final int FIELDS = 4;

  private final float[] points;
  private final double radius;
  private final double softness;
  private final double strength;
  private final boolean erase;
  private final double edge;
  private final long digest;
  private final Area bounds;

  /**
   * @param points x, y in photograph pixels, pressure 0 … 1 and time in seconds, packed
   * @param radius in photograph pixels, above 0
   * @param softness share of the radius over which the edge falls off, 0 hard … 1 from the centre
   * @param strength coverage of one pass at full pressure, 0 … 1
   * @param lift takes coverage away instead of adding it
   */
  public Stroke(float[] points, double radius, double softness, double strength, boolean lift) {
    this(points, radius, softness, strength, lift, 0);
  }

  /**
   * @param edge stays inside the edge it started in: the difference of colour, in L*a*b* of the
   *     photograph, that it stops at, 0 … 100; 0 passes over edges
   */
  public Stroke(
      float[] points, double radius, double softness, double strength, boolean lift, double edge) {
    if (points.length == 0 || points.length % FIELDS != 0) {
      throw new IllegalArgumentException("A stroke needs points of x, y, pressure and time");
    }
    Require.most("a stroke", points.length / FIELDS, MOST_POINTS);
    for (float v : points) {
      if (!(Math.abs(v) <= Require.FARTHEST)) {
        throw new IllegalArgumentException(
            "A stroke's points must be numbers up to " + Require.FARTHEST);
      }
    }
    Require.range("radius", radius, 1e-3, Require.LARGEST_RADIUS);
    Require.range("softness", softness, 0, 1);
    Require.range("strength", strength, 0, 1);
    Require.range("edge", edge, 0, 100);
    this.points = points.clone();
    this.radius = radius;
    this.softness = softness;
    this.strength = strength;
    this.erase = lift;
    this.edge = edge;
    this.digest = digest(points);
    this.bounds = reached();
  }

  /** A single dab at full pressure and strength. */
  public static Stroke dab(double x, double y, double radius, double softness) {
    return new Stroke(new float[] {(float) x, (float) y, 1, 0}, radius, softness, 1, false);
  }

  /** A path at full pressure. */
  public static Stroke path(
      List<Point> path, double radius, double softness, double strength, boolean lift) {
    float[] packed = new float[path.size() * FIELDS];
    for (int i = 0; i < path.size(); i++) {
      packed[i * FIELDS] = (float) path.get(i).x();
      packed[i * FIELDS + 1] = (float) path.get(i).y();
      packed[i * FIELDS + 2] = 1;
    }
    return new Stroke(packed, radius, softness, strength, lift);
  }

  /** SplitMix64 over the bits of the points. */
  private static long digest(float[] points) {
    long d = points.length;
    for (float v : points) {
      d += Float.floatToRawIntBits(v) + 0x9E3779B97F4A7C15L;
      d = (d ^ d >>> 30) * 0xBF58476D1CE4E5B9L;
      d = (d ^ d >>> 27) * 0x94D049BB133111EBL;
      d ^= d >>> 31;
    }
    return d;
  }

  /** A 64-bit hash of the points, the same in every run. */
  public long digest() {
    return digest;
  }

  public int size() {
    return points.length / FIELDS;
  }

  public float x(int i) {
    return points[i * FIELDS];
  }

  public float y(int i) {
    return points[i * FIELDS + 1];
  }

  public float pressure(int i) {
    return points[i * FIELDS + 2];
  }

  public float time(int i) {
    return points[i * FIELDS + 3];
  }

  @Override
  public double radius() {
    return radius;
  }

  public double softness() {
    return softness;
  }

  public double strength() {
    return strength;
  }

  public boolean erase() {
    return erase;
  }

  /** Difference of colour that the stroke stops at; 0 if it passes over edges. */
  public double edge() {
    return edge;
  }

  /** The stroke as far as its first {@code count} points. */
  public Stroke first(int count) {
    return count == size() ? this : of(Arrays.copyOf(points, count * FIELDS));
  }

  /** Length of the path in photograph pixels. */
  public double length() {
    double sum = 0;
    for (int i = 1; i < size(); i++) {
      sum += Math.hypot(x(i) - x(i - 1), y(i) - y(i - 1));
    }
    return sum;
  }

  /** The stroke in parts of the same length, each beginning where the one before it ends. */
  public List<Stroke> parts(int count) {
    double step = length() / count;
    if (count < 2 || step == 0) {
      return List.of(this);
    }
    List<Stroke> parts = new ArrayList<>();
    float[] part = Arrays.copyOf(points, FIELDS);
    double left = step;
    for (int i = 1; i < size(); i++) {
      double from = 0;
      double whole = Math.hypot(x(i) - x(i - 1), y(i) - y(i - 1));
      while (parts.size() < count - 1 && whole - from >= left) {
        from += left;
        float[] cut = between(i, from / whole);
        parts.add(of(joined(part, cut)));
        part = cut;
        left = step;
      }
      left -= whole - from;
      part = joined(part, Arrays.copyOfRange(points, i * FIELDS, (i + 1) * FIELDS));
    }
    parts.add(of(part));
    return parts;
  }

  private float[] between(int i, double t) {
    float[] at = new float[FIELDS];
    for (int f = 0; f < FIELDS; f++) {
      float a = points[(i - 1) * FIELDS + f];
      at[f] = (float) (a + t * (points[i * FIELDS + f] - a));
    }
    return at;
  }

  private static float[] joined(float[] one, float[] other) {
    float[] both = Arrays.copyOf(one, one.length + other.length);
    System.arraycopy(other, 0, both, one.length, other.length);
    return both;
  }

  private Stroke of(float[] path) {
    return new Stroke(path, radius, softness, strength, erase, edge);
  }

  /** Moved by a shift in photograph pixels. */
  public Stroke moved(double dx, double dy) {
    float[] path = points.clone();
    for (int i = 0; i < path.length; i += FIELDS) {
      path[i] += (float) dx;
      path[i + 1] += (float) dy;
    }
    return of(path);
  }

  @Override
  public Stroke scaled(double factor) {
    return withRadius(radius * factor);
  }

  /** The same path with another radius. */
  public Stroke withRadius(double newRadius) {
    return new Stroke(points, newRadius, softness, strength, erase, edge);
  }

  /** A copy of the packed points: x, y, pressure, time. */
  public float[] packed() {
    return points.clone();
  }

  /** All photograph pixels the stroke can reach. */
  @Override
  public Area bounds() {
    return bounds;
  }

  private Area reached() {
    double left = Double.MAX_VALUE;
    double top = Double.MAX_VALUE;
    double right = -Double.MAX_VALUE;
    double bottom = -Double.MAX_VALUE;
    for (int i = 0; i < size(); i++) {
      left = Math.min(left, x(i));
      right = Math.max(right, x(i));
      top = Math.min(top, y(i));
      bottom = Math.max(bottom, y(i));
    }
    return Area.around(left - radius, top - radius, right + radius, bottom + radius);
  }

  /** Middle of the bounds. */
  @Override
  public Point centre() {
    Area b = bounds();
    return new Point(b.x() + b.width() / 2.0, b.y() + b.height() / 2.0);
  }

  @Override
  public boolean equals(Object other) {
    return other == this
        || other instanceof Stroke s
            && digest == s.digest
            && radius == s.radius
            && softness == s.softness
            && strength == s.strength
            && erase == s.erase
            && edge == s.edge
            && Arrays.equals(points, s.points);
  }

  @Override
  public int hashCode() {
    return Long.hashCode(digest) * 31 + Double.hashCode(radius);
  }

  @Override
  public String toString() {
    return "Stroke[" + size() + " points, radius " + radius + "]";
  }
}
