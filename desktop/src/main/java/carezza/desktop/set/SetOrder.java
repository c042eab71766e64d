package carezza.desktop.set;

import java.util.Comparator;
import java.util.List;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.set.Figures;
import carezza.set.Member;

/** How members are sorted for looking at; the set's own order stays what it is. */
public enum SetOrder {
  SET,
  OUTLIERS,
  STATE,
  MINUTES;

  /**
   * @param looks by photograph
   * @param reference figures that members are compared with, or null
   */
  List<Member> sorted(
      List<Member> members, Map<String, SetLook> looks, @Nullable Figures reference) {
    Comparator<Member> by =
        switch (this) {
          case SET -> null;
          case OUTLIERS ->
              Comparator.comparingDouble(
                  m -> {
                    SetLook look = looks.get(m.photograph());
                    Figures own = look == null ? null : look.figures();
                    return own == null || reference == null ? 0 : -own.worst(reference);
                  });
          case STATE -> Comparator.comparing(Member::state);
          case MINUTES ->
              Comparator.comparing((Member m) -> m.state().compareTo(Member.State.FINISHED) >= 0)
                  .thenComparingDouble(Member::minutes);
        };
    return by == null ? members : members.stream().sorted(by).toList();
  }
}
