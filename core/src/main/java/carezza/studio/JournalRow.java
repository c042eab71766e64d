package carezza.studio;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;

import carezza.record.Phase;

/**
 * A picture, or several, in a stretch of time.
 *
 * @param key the picture's id, the job's, or the week as ISO 8601 writes it
 * @param title of the picture; else the key
 * @param pictures how many there are
 * @param last when something was done last
 * @param byPhase time that was worked
 * @param active all of it
 * @param waiting time that was waited
 * @param ratio of worked to estimated, the median of those that were delivered; NaN where none was
 */
public record JournalRow(
    String key,
    String title,
    int pictures,
    Instant last,
    Map<Phase, Duration> byPhase,
    Duration active,
    Duration waiting,
    double ratio) {}
