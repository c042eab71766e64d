package carezza.image;

import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Three planes over the same area. What the planes mean (working RGB, linear RGB, L*a*b*) is said
 * where the picture is made.
 */
public record Picture(Plane first, Plane second, Plane third) {

  public Picture {
    if (!first.area().equals(second.area()) || !first.area().equals(third.area())) {
      throw new IllegalArgumentException("Planes of one picture over different areas");
    }
  }

  public static Picture of(Area area) {
    return new Picture(Plane.of(area), Plane.of(area), Plane.of(area));
  }

  public Area area() {
    return first.area();
  }

  public Plane plane(int channel) {
    return switch (channel) {
      case 0 -> first;
      case 1 -> second;
      case 2 -> third;
      default -> throw new IndexOutOfBoundsException(channel);
    };
  }

  public Picture map(UnaryOperator<Plane> operation) {
    return new Picture(operation.apply(first), operation.apply(second), operation.apply(third));
  }

  /** Red, green and blue, or what the picture has in their place. */
  public List<Plane> planes() {
    return List.of(first, second, third);
  }

  /** The part inside {@code area}, which must lie inside the picture's. */
  public Picture crop(Area area) {
    return area.equals(area()) ? this : map(p -> p.crop(area));
  }

  public void copyFrom(Picture other) {
    first.copyFrom(other.first);
    second.copyFrom(other.second);
    third.copyFrom(other.third);
  }

  public Picture copy() {
    return map(Plane::copy);
  }

  /** Memory held by the pixels. */
  public long bytes() {
    return 12L * area().pixels();
  }
}
