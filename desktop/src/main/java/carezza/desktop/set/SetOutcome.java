package carezza.desktop.set;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.measure.Gauge;
import carezza.model.Layer;
import carezza.set.Member;

/**
 * What became of a member when something was done to it.
 *
 * @param member as it is now, or null where it failed
 * @param routine that was laid on, or empty
 * @param outside gauges that ended outside their bands
 * @param measured layers with values that were measured on this picture
 * @param problem the sentence, or empty
 */
public record SetOutcome(
    @Nullable Member member,
    String routine,
    List<Gauge> outside,
    List<Layer> measured,
    String problem) {

  static SetOutcome of(Member member) {
    return new SetOutcome(member, "", List.of(), List.of(), "");
  }

  static SetOutcome failed(String problem) {
    return new SetOutcome(null, "", List.of(), List.of(), problem);
  }
}
