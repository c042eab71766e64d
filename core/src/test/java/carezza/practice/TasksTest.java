package carezza.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Picture;
import carezza.image.Plane;
import carezza.practice.Sitter.Part;

/** Exercises that a seed makes: the same again, never the same twice, and nothing implausible. */
public class TasksTest {

  @DataProvider
  public Object[][] seeds() {
    return new Object[][] {{1L}, {2L}, {3L}, {5L}};
  }

  @Test
  public void aSeedMakesTheSameExerciseAgainAndAnotherAnother() {
    Task one = Tasks.of(Exercise.HEAL, 11);
    Task again = Tasks.of(Exercise.HEAL, 11);
    assertThat(again.blemishes()).isEqualTo(one.blemishes());
    assertThat(again.photograph()).isEqualTo(one.photograph());
    assertThat(Tasks.of(Exercise.HEAL, 12).blemishes())
        .isNotEqualTo(one.blemishes())
        .doesNotContainAnyElementsOf(one.blemishes());
  }

  @Test(dataProvider = "seeds")
  public void whatIsPaintedIsPlausibleAndOnSkinAlone(long seed) {
    Task task = Tasks.of(Exercise.FIND, seed);
    double fw = task.sitter().faceWidth();
    assertThat(task.blemishes()).hasSizeBetween(14, 20);
    assertThat(task.marks()).hasSizeBetween(4, 6);
    for (Spot spot : task.blemishes()) {
      assertThat(spot.radius() / fw).isBetween(0.013, 0.024);
      assertThat(spot.haemoglobin()).isBetween(0.3, 0.5);
      assertThat(spot.melanin()).isBetween(0.02, 0.4);
    }
    Plane changed = changed(task.photograph(), task.sitter().even());
    for (Part part :
        List.of(Part.LIPS, Part.TEETH, Part.SCLERA, Part.IRIS, Part.BROWS_LASHES, Part.HAIR)) {
      Plane mask = task.sitter().mask(part);
      for (int i = 0; i < changed.values().length; i++) {
        if (changed.values()[i] > 0.02f) {
          assertThat(mask.values()[i]).as("%s at %d", part, i).isLessThan(0.5f);
        }
      }
    }
  }

  @Test
  public void spotsAndMarksKeepApart() {
    Task task = Tasks.of(Exercise.FIND, 4);
    for (Spot spot : task.blemishes()) {
      for (Spot mark : task.marks()) {
        assertThat(Math.hypot(spot.x() - mark.x(), spot.y() - mark.y()))
            .isGreaterThan(2 * (spot.radius() + mark.radius()));
      }
    }
  }

  @Test
  public void redSpotsAreRedderAndNotLighter() {
    Task task = Tasks.of(Exercise.HEAL, 21);
    for (Spot spot : task.blemishes()) {
      int i =
          task.photograph().first().index((int) Math.round(spot.x()), (int) Math.round(spot.y()));
      float red = task.photograph().first().values()[i] - task.truth().first().values()[i];
      float green = task.photograph().second().values()[i] - task.truth().second().values()[i];
      assertThat(green).isLessThan(red).isLessThan(-0.01f);
    }
  }

  @Test
  public void aBackdropBehindTheSamePersonTakesOnlyTheBackdrop() {
    Task task = Tasks.of(Exercise.BACKDROP, 3);
    Plane subject = task.sitter().mask(Part.SUBJECT);
    Plane changed = changed(task.photograph(), task.truth());
    for (int i = 0; i < changed.values().length; i++) {
      if (subject.values()[i] > 0.999f) {
        assertThat(changed.values()[i]).isLessThan(1e-3f);
      } else if (subject.values()[i] == 0) {
        assertThat(changed.values()[i]).isGreaterThan(0.05f);
      }
    }
  }

  private static Plane changed(Picture one, Picture other) {
    Plane out = Plane.of(one.area());
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < out.values().length; i++) {
        out.values()[i] =
            Math.max(
                out.values()[i], Math.abs(one.plane(c).values()[i] - other.plane(c).values()[i]));
      }
    }
    return out;
  }
}
