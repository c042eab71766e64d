package carezza.record;

import java.time.Instant;

import org.jspecify.annotations.Nullable;

import carezza.plan.Finding;
import carezza.plan.FindingKind;

/**
 * A finding's state changed.
 *
 * @param key which one, as {@link Finding#key}
 * @param layer that brought it back; null where none did
 * @param before its reading as shot; null where there was nothing to read
 * @param after its reading then
 * @param minutes that the job's table has for it
 */
public record FindingEnd(
    Instant at,
    String key,
    FindingKind kind,
    Finding.State state,
    @Nullable String layer,
    @Nullable Double before,
    @Nullable Double after,
    double minutes) {}
