package carezza.image;

/** Width and height in pixels, both at least 1. */
public record PictureSize(int width, int height) {

  public PictureSize {
    if (width < 1 || height < 1) {
      throw new IllegalArgumentException("A picture of " + width + " x " + height + " pixels");
    }
  }

  /** The size at a level of the pyramid: halves, rounded up. */
  public PictureSize atLevel(int level) {
    int step = 1 << level;
    return new PictureSize((width + step - 1) / step, (height + step - 1) / step);
  }

  public Area area() {
    return new Area(0, 0, width, height);
  }

  public int longEdge() {
    return Math.max(width, height);
  }

  public long pixels() {
    return (long) width * height;
  }
}
