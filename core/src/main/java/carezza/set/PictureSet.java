package carezza.set;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

/**
 * A folder's photographs as one piece of work.
 *
 * @param name shown
 * @param reference photograph of the member that the others are compared with, or null
 * @param members in the retoucher's order
 */
public record PictureSet(String name, @Nullable String reference, List<Member> members) {

  /** Most photographs of a set: more than anyone works at as one. */
  public static final int MOST = 10_000;

  public PictureSet {
    members = List.copyOf(members);
    if (members.size() > MOST) {
      throw new IllegalArgumentException("a set holds at most " + MOST + " photographs");
    }
    Set<String> photographs = new HashSet<>();
    for (Member member : members) {
      if (!photographs.add(member.photograph())) {
        throw new IllegalArgumentException("'" + member.photograph() + "' is in the set twice");
      }
    }
  }

  public Optional<Member> find(String photograph) {
    return members.stream().filter(m -> m.photograph().equals(photograph)).findFirst();
  }

  /** The reference, if one is chosen and there. */
  public Optional<Member> referenceMember() {
    return Optional.ofNullable(reference).flatMap(this::find);
  }

  public PictureSet comparedWith(@Nullable String photograph) {
    return new PictureSet(name, photograph, members);
  }

  public PictureSet with(List<Member> newMembers) {
    return new PictureSet(name, reference, newMembers);
  }

  public PictureSet edit(String photograph, UnaryOperator<Member> change) {
    return with(
        members.stream()
            .map(m -> m.photograph().equals(photograph) ? change.apply(m) : m)
            .toList());
  }

  /** With the fingerprints of members that were read meanwhile. */
  public PictureSet knowing(List<Member> read) {
    Map<String, Member> known = new HashMap<>();
    read.forEach(m -> known.put(m.photograph(), m));
    return with(
        members.stream()
            .map(
                m -> {
                  Member now = known.get(m.photograph());
                  String sha256 = now == null ? null : now.sha256();
                  return now == null || sha256 == null ? m : m.known(sha256, now.bytes());
                })
            .toList());
  }

  /**
   * With a member at another place.
   *
   * @param place 0 for the first; more than there are for the last
   */
  public PictureSet moved(String photograph, int place) {
    List<Member> moved = new ArrayList<>(members);
    Member member = find(photograph).orElseThrow();
    moved.remove(member);
    moved.add(Math.clamp(place, 0, moved.size()), member);
    return with(moved);
  }

  /** Minutes of all that is not finished. */
  public double minutesLeft() {
    return members.stream()
        .filter(m -> m.state().compareTo(Member.State.FINISHED) < 0)
        .mapToDouble(Member::minutes)
        .sum();
  }
}
