package carezza.raw;

import carezza.image.Plane;

/**
 * What a sensor counted behind its colour filters, black at 0 and full at 1, before any balance.
 *
 * @param counts one value a pixel; the area begins at 0, 0
 * @param pattern channel 0 … 2 of the four pixels of a cell: top left, top right, bottom left,
 *     bottom right
 */
record Mosaic(Plane counts, int[] pattern) {

  /** Channel of a pixel. */
  int channel(int x, int y) {
    return pattern[(y & 1) << 1 | x & 1];
  }

  /** Whether the cell has two greens across from one another, a red and a blue. */
  static boolean isBayer(int[] pattern) {
    if (pattern.length != 4) {
      return false;
    }
    boolean straight = pattern[0] == 1 && pattern[3] == 1 && pattern[1] + pattern[2] == 2;
    boolean turned = pattern[1] == 1 && pattern[2] == 1 && pattern[0] + pattern[3] == 2;
    return (straight && pattern[1] != 1) || (turned && pattern[0] != 1);
  }
}
