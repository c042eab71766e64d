package carezza.desktop.state;

import carezza.desktop.picture.PixelPatch;

/**
 * A photograph that is being opened, seen before it is whole.
 *
 * @param words what is being done
 * @param pixels all of it, small, in colours of the screen
 */
public record Coming(String words, PixelPatch pixels) {}
