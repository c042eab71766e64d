package carezza.desktop.picture;

import carezza.image.Area;

/**
 * Part of the view's pixels: ARGB, row by row.
 *
 * @param area in pixels of the view
 */
public record PixelPatch(Area area, int[] argb) {}
