package carezza.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.set.Figures.Axis;
import carezza.set.Member.State;

public class PictureSetTest {

  private static PictureSet set(double... minutes) {
    return new PictureSet(
        "s",
        null,
        IntStream.range(0, minutes.length)
            .mapToObj(i -> Member.fresh("p" + i + ".jpg").taking(minutes[i]))
            .toList());
  }

  @Test
  public void membersMoveAndAreKeptOnce() {
    PictureSet set = set(1, 2, 3);
    assertThat(set.moved("p2.jpg", 0).members())
        .extracting(Member::title)
        .containsExactly("p2", "p0", "p1");
    assertThat(set.moved("p0.jpg", 99).members().getLast().title()).isEqualTo("p0");
    assertThat(set.edit("p1.jpg", m -> m.in(State.DELIVERED)).minutesLeft()).isEqualTo(4);
    List<Member> twice = new ArrayList<>(set.members());
    twice.add(Member.fresh("p1.jpg"));
    assertThatThrownBy(() -> set.with(twice)).hasMessageContaining("'p1.jpg' is in the set twice");
  }

  /** No other order finishes more in time: all orders of a few are tried. */
  @Test
  public void theDayPlanFinishesTheMostInTime() {
    Random random = new Random(5);
    for (int round = 0; round < 50; round++) {
      double[] minutes = random.doubles(5, 1, 30).toArray();
      double available = 10 + random.nextInt(60);
      DayPlan plan = DayPlan.of(set(minutes), available);
      assertThat(plan.inTime()).isEqualTo(most(minutes, available, 0));
      assertThat(plan.minutes())
          .isCloseTo(IntStream.range(0, 5).mapToDouble(i -> minutes[i]).sum(), within(1e-9));
    }
  }

  /** Most of these, from one on, that fit: each is taken or left. */
  private static int most(double[] minutes, double available, int from) {
    if (from == minutes.length) {
      return 0;
    }
    int without = most(minutes, available, from + 1);
    return minutes[from] > available
        ? without
        : Math.max(without, 1 + most(minutes, available - minutes[from], from + 1));
  }

  @Test
  public void whatIsFinishedIsNotPlanned() {
    PictureSet set = set(5, 6).edit("p0.jpg", m -> m.in(State.FINISHED));
    assertThat(DayPlan.of(set, 10).order()).extracting(Member::title).containsExactly("p1");
  }

  @Test
  public void figuresAreComparedAlongTheirAxes() {
    Figures reference = new Figures(new Lab(60, 15, 20), 0, 60, 1, 2, 4);
    Figures own = new Figures(new Lab(60, 15, 20), -0.8, 50, 4, 6, 0);
    assertThat(own.off(reference, Axis.SKIN)).isZero();
    assertThat(own.off(reference, Axis.EXPOSURE)).isEqualTo(-0.8);
    assertThat(own.off(reference, Axis.CONTRAST)).isEqualTo(-10);
    assertThat(own.off(reference, Axis.BALANCE)).isEqualTo(5);
    assertThat(own.isOut(reference, Axis.EXPOSURE)).isTrue();
    assertThat(own.isOut(reference, Axis.BALANCE)).isFalse();
    assertThat(own.worst(reference)).isCloseTo(1.6, within(1e-9));
    // Another person's skin is no fault of a picture.
    Figures deep = new Figures(new Lab(30, 12, 16), 0, 60, 1, 2, 0);
    assertThat(deep.off(reference, Axis.SKIN)).isGreaterThan(20);
    assertThat(deep.isOut(reference, Axis.SKIN)).isFalse();
    assertThat(deep.worst(reference)).isZero();
    Figures faceless = new Figures(null, 0, 60, 1, 2, 0);
    assertThat(faceless.off(reference, Axis.SKIN)).isNaN();
    assertThat(faceless.worst(reference)).isZero();
  }
}
