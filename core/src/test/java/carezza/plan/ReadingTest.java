package carezza.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.Test;

import carezza.job.Band;
import carezza.measure.Blemish;

public class ReadingTest {

  private static Reading reading(double value, double low, double high) {
    return new Reading(FindingKind.CAST, "", value, new Band(low, high), null, 0, List.of());
  }

  @Test
  public void excessIsCountedInWidthsOfTheBand() {
    assertThat(reading(14, 4, 8).excess()).isCloseTo(1.5, within(1e-12));
    assertThat(reading(2, 4, 8).excess()).isCloseTo(0.5, within(1e-12));
  }

  @Test
  public void whereOneEndIsOpenItIsCountedInSizesOfTheOther() {
    assertThat(reading(6, Double.NEGATIVE_INFINITY, 3).excess()).isCloseTo(1, within(1e-12));
    assertThat(reading(-9, -6, Double.POSITIVE_INFINITY).excess()).isCloseTo(0.5, within(1e-12));
  }

  @Test
  public void bothEndsBelongToTheBand() {
    assertThat(reading(3, 0, 3).isOut()).isFalse();
    assertThat(reading(3, 0, 3).excess()).isZero();
    assertThat(reading(0, 0, 3).isOut()).isFalse();
  }

  @Test
  public void whatIsNotToBeSeenIsNotOut() {
    assertThat(reading(Double.NaN, 0, 3).isOut()).isFalse();
  }

  @Test
  public void whatWasCountedCountsByHowSureEachIs() {
    List<Blemish> spots =
        List.of(
            new Blemish(0, 0, 4, Blemish.Kind.TEMPORARY, 0.9),
            new Blemish(50, 0, 4, Blemish.Kind.TEMPORARY, 0.6));
    Reading two = new Reading(FindingKind.BLEMISHES, "", 2, new Band(0, 0), null, 0, spots);

    assertThat(two.excess()).isCloseTo(1.5, within(1e-12));
  }

  @Test
  public void aPartIsNamedAfterItsKind() {
    Reading neck =
        new Reading(FindingKind.MATCH, "neck_skin", 2, new Band(0, 1), null, 0, List.of());

    assertThat(neck.key()).isEqualTo("match.neck_skin");
    assertThat(reading(1, 0, 2).key()).isEqualTo("cast");
  }
}
