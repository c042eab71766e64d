package carezza.kernel;

import java.util.function.Function;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.mask.Site;

/**
 * What a layer measures on: its input on the analysis size, and on request at full size.
 *
 * @param site at the analysis level
 * @param input working-space pixels of the whole picture at that level; not to be modified
 * @param fine gives the layer's input over an area of the photograph at full size
 */
public record Probe(Site site, Picture input, Function<Area, Picture> fine) {}
