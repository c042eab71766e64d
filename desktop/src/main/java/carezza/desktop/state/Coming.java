package carezza.desktop.state;

import carezza.desktop.picture.PixelPatch;

/**
 * A photograph that is being opened, seen before it is whole.
 *
 * @param pixels all of it, small, in colours of the screen
 */
public record Coming(PixelPatch pixels) {}
