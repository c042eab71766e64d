package carezza.set;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What can be finished in the time there is.
 *
 * @param order of what is not finished, such that the most are finished in time: the shortest first
 *     (Smith 1956), where two take as long as they stand in the set
 * @param inTime how many of them
 * @param minutes of all of them
 */
public record DayPlan(List<Member> order, int inTime, double minutes) {

  /**
   * @param available minutes
   */
  public static DayPlan of(PictureSet set, double available) {
    List<Member> order = new ArrayList<>(set.members());
    order.removeIf(m -> m.state().compareTo(Member.State.FINISHED) >= 0);
    order.sort(Comparator.comparingDouble(Member::minutes));
    double sum = 0;
    int inTime = 0;
    for (Member member : order) {
      sum += member.minutes();
      inTime += sum <= available ? 1 : 0;
    }
    return new DayPlan(List.copyOf(order), inTime, sum);
  }
}
