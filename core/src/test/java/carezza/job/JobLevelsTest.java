package carezza.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.model.Brief;

/** All jobs against the table that their files were made from. */
public class JobLevelsTest {

  @DataProvider
  public Object[][] table() {
    return new Object[][] {
      {"event", 2, 3, 88, 112, 0.97, 1.15},
      {"headshot", 2, 5, 78, 112, 0.95, 1.20},
      {"portrait", 10, 20, 80, 115, 0.95, 1.25},
      {"fashion", 20, 30, 75, 112, 0.95, 1.35},
      {"beauty", 60, 120, 95, 110, 0.97, 1.20},
      {"character", 20, 30, 100, 190, 1.0, 1.7}
    };
  }

  @Test(dataProvider = "table")
  public void aJobHasTheBandsAndMinutesOfTheTable(
      String id, double least, double most, double low, double high, double flat, double carved) {
    JobLevel job = JobLevel.of(id);

    assertThat(job.id()).isEqualTo(id);
    assertThat(job.fixed("minutes")).isEqualTo(new Band(least, most));
    assertThat(job.fixed("textureKept")).isEqualTo(new Band(low, high));
    assertThat(job.fixed("formKept")).isEqualTo(new Band(flat, carved));
  }

  @DataProvider
  public Object[][] falls() {
    return new Object[][] {
      {"event", 0.0, 0.30, 0.0, 0.15, 0.0, 0.15},
      {"headshot", 0.10, 0.40, 0.0, 0.25, 0.05, 0.25},
      {"fashion", 0.15, 0.50, 0.05, 0.40, 0.10, 0.40},
      {"beauty", 0.25, 0.60, 0.10, 0.50, 0.25, 0.60}
    };
  }

  @Test(dataProvider = "falls")
  public void blotchesFallAsFarAsTheTableSays(
      String id,
      double red,
      double mostRed,
      double brown,
      double mostBrown,
      double tone,
      double mostTone) {
    JobLevel job = JobLevel.of(id);

    assertThat(job.limit("rednessBlotch", "leastFall")).isEqualTo(red);
    assertThat(job.limit("rednessBlotch", "mostFall")).isEqualTo(mostRed);
    assertThat(job.limit("pigmentBlotch", "leastFall")).isEqualTo(brown);
    assertThat(job.limit("pigmentBlotch", "mostFall")).isEqualTo(mostBrown);
    assertThat(job.limit("toneBlotch", "leastFall")).isEqualTo(tone);
    assertThat(job.limit("toneBlotch", "mostFall")).isEqualTo(mostTone);
  }

  @Test
  public void characterDoesNotJudgeBlotchesNorSkinInMono() {
    JobLevel job = JobLevel.of("character");

    assertThat(job.fallen("rednessBlotch", 100)).isEmpty();
    assertThat(job.judgesSkinInMono()).isFalse();
    assertThat(JobLevel.portrait().judgesSkinInMono()).isTrue();
  }

  @Test
  public void fashionMayDeepenSkinAndHardlyLightenIt() {
    Band band = JobLevel.of("fashion").around("skinLightness", 60);

    assertThat(band.low()).isEqualTo(55);
    assertThat(band.high()).isLessThan(61);
  }

  @Test
  public void anEventLooksOnlyForWhatItsMinutesAllow() {
    JobLevel job = JobLevel.of("event");

    assertThat(job.has("cast")).isTrue();
    assertThat(job.has("blemishes")).isTrue();
    assertThat(job.has("shine")).isFalse();
    assertThat(job.has("redness")).isFalse();
  }

  @Test
  public void beautyTakesEightTimesTheMinutesForBlotches() {
    for (String kind : new String[] {"redness", "pigment", "tone"}) {
      assertThat(JobLevel.of("beauty").limit(kind, "minutes"))
          .isEqualTo(8 * JobLevel.portrait().limit(kind, "minutes"));
    }
  }

  @Test
  public void aBriefChangesNumbersOfItsJobAndNothingElse() {
    Brief brief =
        Brief.USUAL.withJob("portrait", Map.of("textureKept.high", 150.0, "no.such", 3.0));

    JobLevel changed = JobLevel.of(brief);

    assertThat(changed.fixed("textureKept")).isEqualTo(new Band(80, 150));
    assertThat(changed.fixed("formKept")).isEqualTo(JobLevel.portrait().fixed("formKept"));
    assertThat(changed.numbers()).doesNotContainKey("no.such");
    assertThat(changed).isNotEqualTo(JobLevel.portrait());
    assertThat(JobLevel.of(brief.withJob("portrait", Map.of()))).isEqualTo(JobLevel.portrait());
  }

  @Test
  public void aJobThatDoesNotShipIsReadAsThePortraits() {
    assertThat(JobLevel.of("of-a-newer-version")).isEqualTo(JobLevel.portrait());
  }

  @Test(dataProvider = "table")
  public void everyNumberCanBeReadByItsName(
      String id, double least, double most, double low, double high, double flat, double carved) {
    JobLevel job = JobLevel.of(id);

    assertThat(job.numbers()).containsEntry("textureKept.low", low).hasSizeGreaterThan(50);
    job.numbers()
        .forEach(
            (name, value) -> {
              String[] parts = name.split("\\.");
              assertThat(job.limit(parts[0], parts[1])).isEqualTo(value);
            });
  }
}
