package carezza.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.kernel.SeparationRadiusAdvisor;
import carezza.mask.Regions;
import carezza.measure.SkinGauges;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.LayerStack;
import carezza.practice.Score.Measure;
import carezza.practice.Sitter.Part;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.testing.Portrait;
import carezza.testing.Thorough;

/** The truth itself scores full, what is untouched nothing, and what is lost is told. */
@Test(groups = "elsewhere")
public class JudgeTest {

  private static final List<Exercise> BY_TRUTH =
      List.of(Exercise.HEAL, Exercise.TRANSITIONS, Exercise.EVEN, Exercise.NECK, Exercise.BACKDROP);

  @DataProvider
  public Object[][] byTruth() {
    return Thorough.of(BY_TRUTH.stream().map(e -> new Object[] {e}).toArray(Object[][]::new));
  }

  private static Score score(Task task, Picture after) {
    return Judge.score(task, task.photograph(), after, task.truth(), task.start(), 60);
  }

  @Test(dataProvider = "byTruth")
  public void theTruthScoresFullAndTheUntouchedNothing(Exercise exercise) {
    Task task = Tasks.of(exercise, 7);
    Score full = score(task, task.truth());
    assertThat(full.points()).isGreaterThan(0.97);
    assertThat(full.remarks()).containsExactly(Remark.WELL_DONE);
    assertThat(full.readings()).allMatch(Score.Reading::inside);
    assertThat(full.readings())
        .extracting(Score.Reading::measure)
        .containsExactlyElementsOf(exercise.measures());
    Score none = score(task, task.photograph());
    assertThat(none.points()).isZero();
    assertThat(none.remarks().getFirst()).isEqualTo(Remark.UNTOUCHED);
    Plane missed = Objects.requireNonNull(none.map()).missed();
    assertThat(most(missed)).isGreaterThan(0.3f);
    assertThat(most(Objects.requireNonNull(full.map()).missed())).isZero();
  }

  @Test(dataProvider = "byTruth")
  public void halfOfTheWayEarnsAboutHalf(Exercise exercise) {
    Task task = Tasks.of(exercise, 8);
    Score half = score(task, between(task.photograph(), task.truth(), 0.5f));
    assertThat(half.points()).isBetween(0.2, 0.75);
    assertThat(half.remarks()).contains(Remark.FAULT_LEFT);
  }

  @Test
  public void whatIsBlurredIsToldOffForTexture() {
    Exercise[] all = {Exercise.EVEN, Exercise.HEAL, Exercise.TRANSITIONS};
    for (Exercise exercise : Thorough.of(all)) {
      Task task = Tasks.of(exercise, 9);
      double sigma = task.sitter().faceWidth() / 120;
      Score blurred = score(task, task.truth().map(p -> GaussianBlur.blur(p, sigma)));
      assertThat(blurred.remarks()).contains(Remark.TEXTURE_LOST);
      assertThat(blurred.points()).isLessThan(0.15);
    }
  }

  @Test
  public void whatIsFlattenedIsToldOffForForm() {
    Task task = Tasks.of(Exercise.EVEN, 10);
    Score flat = score(task, formed(task, task.truth(), -0.4f));
    assertThat(flat.remarks()).contains(Remark.FORM_LOST);
    assertThat(flat.points()).isLessThan(0.6);
  }

  @Test
  public void aMarkThatIsHealedAwayIsMissed() {
    Task task = Tasks.of(Exercise.HEAL, 13);
    Score score = score(task, task.sitter().even());
    assertThat(score.remarks()).contains(Remark.MARKS_LOST);
    assertThat(most(Objects.requireNonNull(score.map()).lost())).isEqualTo(1);
    assertThat(score.points()).isLessThan(0.5);
  }

  @Test
  public void spotsThatAreMeantCountAndMarksThatAreHitCost() {
    Task task = Tasks.of(Exercise.FIND, 14);
    Score all = claimed(task, task.blemishes());
    assertThat(all.points()).isEqualTo(1);
    assertThat(all.remarks()).containsExactly(Remark.WELL_DONE);
    Score half = claimed(task, task.blemishes().subList(0, task.count() / 2));
    assertThat(half.points()).isBetween(0.6, 0.72);
    assertThat(half.remarks()).containsExactly(Remark.SPOTS_MISSED);
    List<Spot> marksToo = new ArrayList<>(task.blemishes());
    marksToo.addAll(task.marks());
    Score lost = claimed(task, marksToo);
    assertThat(lost.remarks()).startsWith(Remark.MARKS_LOST).contains(Remark.TOO_MANY);
    assertThat(lost.points()).isLessThan(0.3);
    assertThat(claimed(task, List.of()).points()).isZero();
  }

  private static Score claimed(Task task, List<Spot> spots) {
    HealLayer heal = (HealLayer) LayerType.HEAL.fresh();
    for (Spot spot : spots) {
      heal = heal.plus(Patch.spot(spot.x(), spot.y(), spot.radius()));
    }
    return Judge.score(
        task, task.photograph(), task.photograph(), task.truth(), LayerStack.of(heal), 60);
  }

  @Test
  public void theAdvisedRadiusScoresFullAndTheOneItBeginsWithNothing() {
    Task task = Tasks.of(Exercise.RADIUS, 15);
    double advised =
        SeparationRadiusAdvisor.advise(task.photograph(), task.region(), task.sitter().faceWidth())
            .advised();
    FrequencySeparationLayer layer = (FrequencySeparationLayer) task.start().layers().getFirst();
    assertThat(radius(task, layer.withRadius(advised)).points()).isEqualTo(1);
    assertThat(radius(task, layer).points()).isLessThan(0.2);
    assertThat(radius(task, layer.withRadius(advised * 8)).remarks())
        .containsExactly(Remark.TOO_WIDE);
    assertThat(radius(task, layer.withRadius(advised / 8)).remarks())
        .containsExactly(Remark.TOO_NARROW);
  }

  private static Score radius(Task task, FrequencySeparationLayer layer) {
    return Judge.score(
        task, task.photograph(), task.photograph(), task.truth(), LayerStack.of(layer), 60);
  }

  @Test
  public void lightAlongTheFormScoresAndAgainstItDoesNot() {
    Task task = Tasks.of(Exercise.LIGHT, 16);
    Score deeper = score(task, formed(task, task.photograph(), 0.18f));
    assertThat(deeper.points()).isGreaterThan(0.9);
    assertThat(score(task, task.photograph()).points()).isZero();
    Score flatter = score(task, formed(task, task.photograph(), -0.18f));
    assertThat(flatter.points()).isZero();
    assertThat(flatter.remarks()).contains(Remark.AGAINST_FORM, Remark.FORM_LIKE_BEFORE);
  }

  @Test
  public void teethAndEyesInTheirBandsScoreAndBeyondThemDoNot() {
    Task task = Tasks.of(Exercise.TEETH, 17);
    // As if the grade had been rendered: everything somewhat yellower.
    Picture before = yellowed(task.photograph(), ones(task), 5);
    assertThat(SkinSample.b(before, task.sitter().mask(Part.TEETH))).isGreaterThan(10);
    Picture right = brought(before, task, 6.5f, 3);
    Score full = Judge.score(task, before, right, task.truth(), task.start(), 60);
    assertThat(full.points()).isEqualTo(1);
    assertThat(full.remarks()).containsExactly(Remark.WELL_DONE);
    Score none = Judge.score(task, before, before, task.truth(), task.start(), 60);
    assertThat(none.points()).isZero();
    assertThat(none.remarks()).contains(Remark.UNTOUCHED, Remark.STILL_YELLOW);
    Score chalk =
        Judge.score(task, before, brought(before, task, -4, -6), task.truth(), task.start(), 60);
    assertThat(chalk.remarks()).contains(Remark.TOO_WHITE);
    assertThat(chalk.points()).isLessThan(0.7);
  }

  private static Plane ones(Task task) {
    return Plane.filled(task.photograph().area(), 1);
  }

  private static Picture brought(Picture picture, Task task, float teeth, float sclera) {
    Picture one = moved(picture, task.sitter().mask(Part.TEETH), teeth);
    return moved(one, task.sitter().mask(Part.SCLERA), sclera);
  }

  private static Picture moved(Picture picture, Plane place, float b) {
    return yellowed(picture, place, b - SkinSample.b(picture, place));
  }

  private static Picture yellowed(Picture picture, Plane place, float by) {
    Picture lab = Lab.of(picture);
    for (int i = 0; i < place.values().length; i++) {
      lab.third().values()[i] += by * place.values()[i];
    }
    return Lab.toWorking(lab);
  }

  @Test
  public void whatWasOverdoneGivenBackScoresFullAndTheRestGivenBackDoesNot() {
    Task task = Tasks.of(Exercise.OVERDONE, OF_UNDERSTUDY);
    assertThat(task.sitter()).isEqualTo(Sitter.UNDERSTUDY);
    Regions regions = Regions.find(task.photograph(), Portrait.S01.faces());
    Renderer renderer = new Renderer(new Pyramid(task.photograph()), new TileCache(1L << 26));
    Picture before = rendered(renderer, task.start(), regions);
    Picture truth = rendered(renderer, Objects.requireNonNull(task.answer()), regions);
    assertThat(Judge.score(task, before, truth, truth, task.start(), 60).points())
        .isGreaterThan(0.97);
    assertThat(Judge.score(task, before, before, truth, task.start(), 60).points()).isZero();
    Picture nothing = task.photograph();
    assertThat(Judge.score(task, before, nothing, truth, task.start(), 60).points())
        .isLessThan(0.9);
  }

  /** A seed whose sitter's face is known to the tests. */
  private static final long OF_UNDERSTUDY = 3;

  private static Picture rendered(Renderer renderer, LayerStack stack, Regions regions) {
    return renderer.renderOnce(new RenderInput(stack, regions), 0, Cancellation.NONE);
  }

  // --- pictures

  private static float most(Plane plane) {
    float most = 0;
    for (float v : plane.values()) {
      most = Math.max(most, v);
    }
    return most;
  }

  private static Picture between(Picture one, Picture other, float share) {
    Picture out = one.copy();
    for (int c = 0; c < 3; c++) {
      float[] to = out.plane(c).values();
      float[] from = other.plane(c).values();
      for (int i = 0; i < to.length; i++) {
        to[i] += share * (from[i] - to[i]);
      }
    }
    return out;
  }

  /** The picture with its light on the face made stronger by a share, or weaker. */
  private static Picture formed(Task task, Picture picture, float share) {
    Picture lab = Lab.of(picture);
    double fw = task.sitter().faceWidth();
    Plane low = GaussianBlur.normalised(lab.first(), task.region(), fw / 18);
    Plane wide = GaussianBlur.normalised(lab.first(), task.region(), fw);
    for (int i = 0; i < low.values().length; i++) {
      lab.first().values()[i] +=
          share * task.region().values()[i] * (low.values()[i] - wide.values()[i]);
    }
    return Lab.toWorking(lab);
  }

  /** What is read of a place. */
  private static final class SkinSample {

    static float b(Picture picture, Plane place) {
      return (float) SkinGauges.median(Lab.of(picture), place).b();
    }
  }
}
