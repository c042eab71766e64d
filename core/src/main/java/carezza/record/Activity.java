package carezza.record;

import org.jspecify.annotations.Nullable;

/**
 * What was going on while time went by.
 *
 * @param layer that was selected, by its id; null for none
 * @param kind of that layer, as in files; null for none
 * @param inHand the tool, or the view where it is not the bench
 */
public record Activity(Phase phase, @Nullable String layer, @Nullable String kind, String inHand) {}
