package carezza.desktop.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;

import org.testng.annotations.Test;

import carezza.job.Band;
import carezza.job.JobLevel;
import carezza.kernel.LayerType;
import carezza.measure.Blemish;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.plan.Reading;

public class PlanWordsTest {

  private static Finding finding(FindingKind kind, String part, double was, double is, Band band) {
    return new Finding(
        new Reading(kind, part, was, band, null, 0, List.of()),
        new Reading(kind, part, is, band, null, 0, List.of()),
        is > band.high() ? Finding.State.OPEN : Finding.State.TREATED,
        null,
        null,
        1,
        1,
        1,
        1);
  }

  private static Finding spots(int was, int is) {
    Blemish spot = new Blemish(0, 0, 3, Blemish.Kind.TEMPORARY, 1);
    Band none = new Band(0, 0);
    return new Finding(
        new Reading(FindingKind.BLEMISHES, "", was, none, null, 0, Collections.nCopies(was, spot)),
        new Reading(FindingKind.BLEMISHES, "", is, none, null, 0, Collections.nCopies(is, spot)),
        is > 0 ? Finding.State.OPEN : Finding.State.TREATED,
        null,
        null,
        1,
        1,
        1,
        1);
  }

  @Test
  public void everyKindHasATitle() {
    for (FindingKind kind : FindingKind.values()) {
      String part =
          switch (kind) {
            case UNDER_EYES -> "left";
            case MATCH -> "neck_skin";
            case BACKDROP -> "white";
            case DISTRACTIONS -> "sharp-10-20";
            default -> "";
          };
      assertThat(PlanWords.title(finding(kind, part, 1, 1, new Band(0, 2)))).isNotBlank();
    }
    assertThat(PlanWords.title(finding(FindingKind.MATCH, "face2", 1, 1, new Band(0, 2))))
        .isEqualTo("Face 2 to the first");
  }

  @Test
  public void aReadingSaysWhatWasWhatIsAndWhereItShouldLie() {
    Band upTo = new Band(Double.NEGATIVE_INFINITY, 3);

    assertThat(PlanWords.reading(finding(FindingKind.CAST, "", 7.04, 7.04, upTo)))
        .isEqualTo("7 C*, up to 3");
    assertThat(PlanWords.reading(finding(FindingKind.CAST, "", 7.04, 1.25, upTo)))
        .isEqualTo("7 → 1.25 C*, up to 3");
    assertThat(
            PlanWords.reading(
                finding(
                    FindingKind.UNDER_EYES,
                    "left",
                    -8.13,
                    -8.13,
                    new Band(-6, Double.POSITIVE_INFINITY))))
        .isEqualTo("−8.1 L*, from −6");
    assertThat(PlanWords.reading(finding(FindingKind.EXPOSURE, "", 0.9, 0.9, new Band(-0.5, 0.5))))
        .isEqualTo("0.9 stops, −0.5 to 0.5");
  }

  @Test
  public void spotsAreCounted() {
    assertThat(PlanWords.title(spots(9, 9))).isEqualTo("9 spots that pass");
    assertThat(PlanWords.title(spots(9, 1))).isEqualTo("1 spot that passes");
    assertThat(PlanWords.title(spots(9, 0))).isEqualTo("Spots that pass");
    assertThat(PlanWords.reading(spots(9, 2))).isEqualTo("9 as shot, 2 now");
  }

  @Test
  public void everyJobHasANameAndASentence() {
    for (String id : JobLevel.IDS) {
      assertThat(PlanWords.job(id)).isNotBlank();
      assertThat(PlanWords.aboutJob(id)).isNotBlank();
    }
  }

  @Test
  public void minutesHaveNoMoreThanATenth() {
    assertThat(PlanWords.minutes(0.5)).isEqualTo("0.5 min");
    assertThat(PlanWords.minutes(12)).isEqualTo("12 min");
    assertThat(PlanWords.minutes(7.9000001)).isEqualTo("7.9 min");
  }

  @Test
  public void aLayerIsCalledByWhatItTreatsOrByItsKind() {
    Finding teeth = finding(FindingKind.TEETH, "", 20, 20, new Band(0, 10));
    Finding shine = finding(FindingKind.SHINE, "", 2, 2, new Band(0, 1));

    assertThat(PlanWords.named(LayerType.DODGE_BURN.fresh(), shine).attributes().name())
        .isEqualTo("Tame shine");
    assertThat(PlanWords.named(LayerType.TEETH.fresh(), teeth).attributes().name())
        .isEqualTo(Names.of(LayerType.TEETH));
    assertThat(PlanWords.named(LayerType.CURVE.fresh(), null).attributes().name())
        .isEqualTo(Names.of(LayerType.CURVE));
  }
}
