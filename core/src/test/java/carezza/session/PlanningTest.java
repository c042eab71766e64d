package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.job.JobLevel;
import carezza.kernel.LayerType;
import carezza.measure.Blemish;
import carezza.measure.Gauge;
import carezza.model.Brief;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.NoiseReductionLayer;
import carezza.model.Project;
import carezza.model.SaturationLayer;
import carezza.model.SemanticRegion;
import carezza.model.SkinMatchLayer;
import carezza.model.TeethLayer;
import carezza.plan.Finding;
import carezza.plan.Finding.State;
import carezza.plan.FindingKind;
import carezza.plan.Plan;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** What is found in made-up portraits whose faults are known, and what becomes of it. */
@Test(groups = "elsewhere")
public class PlanningTest {

  private Session session;
  private Project project;
  private Plan asShot;

  @BeforeClass
  public void look() throws Exception {
    Document document = ProjectFile.start(Portrait.S01.bytes("photo.jpg"), "s01.jpg");
    session = new Session(document.photograph());
    project = session.faces().withFace(document.project(), Cancellation.NONE);
    asShot = session.planning().plan(project, Cancellation.NONE);
  }

  @AfterClass
  public void letGo() {
    session = null;
  }

  private Plan plan(Project of) {
    return session.planning().plan(of, Cancellation.NONE);
  }

  private static Set<FindingKind> open(Plan plan) {
    return plan.open().stream().map(Finding::kind).collect(Collectors.toSet());
  }

  private static Finding finding(Plan plan, String key) {
    return plan.findings().stream()
        .filter(f -> f.key().equals(key))
        .findFirst()
        .orElseThrow(() -> new AssertionError(key + " is not in " + keys(plan)));
  }

  private static List<String> keys(Plan plan) {
    return plan.findings().stream().map(Finding::key).toList();
  }

  @Test
  public void faultsThatWerePaintedAreFound() {
    assertThat(open(asShot))
        .contains(FindingKind.REDNESS, FindingKind.MATCH, FindingKind.TEETH, FindingKind.BLEMISHES);
  }

  @Test
  public void aLightThatIsRightIsNoFault() {
    assertThat(open(asShot)).doesNotContain(FindingKind.CAST, FindingKind.EXPOSURE);
  }

  @Test
  public void anUnderexposedGreenPictureIsFoundToBeBoth() throws Exception {
    Document dark = ProjectFile.start(Portrait.S05.bytes("photo.jpg"), "s05.jpg");
    Plan plan =
        new Session(dark.photograph())
            .planning()
            .plan(dark.project().withFaces(Portrait.S05.faces()), Cancellation.NONE);

    assertThat(open(plan)).contains(FindingKind.CAST, FindingKind.EXPOSURE);
    assertThat(finding(plan, "exposure").now().value()).isBetween(0.6, 1.3);
  }

  @Test
  public void theEvenedTwinHasHardlyAnyOfIt() throws Exception {
    Document even = ProjectFile.start(Portrait.S01.bytes("even.jpg"), "even.jpg");
    Plan plan =
        new Session(even.photograph())
            .planning()
            .plan(even.project().withFaces(project.faces()), Cancellation.NONE);

    assertThat(open(plan))
        .doesNotContain(FindingKind.REDNESS, FindingKind.PIGMENT, FindingKind.MATCH);
  }

  @Test
  public void findingsStandByStageAndTheMostSevereOfAStageFirst() {
    List<Finding> all = asShot.findings();
    for (int i = 1; i < all.size(); i++) {
      int stages = all.get(i - 1).kind().stage().compareTo(all.get(i).kind().stage());
      assertThat(stages).isLessThanOrEqualTo(0);
      if (stages == 0) {
        assertThat(all.get(i - 1).severity()).isGreaterThanOrEqualTo(all.get(i).severity());
      }
    }
  }

  @Test
  public void everyFindingIsOutOfItsBandAndCostsMinutes() {
    assertThat(asShot.findings())
        .allSatisfy(
            f -> {
              assertThat(f.now().isOut()).isTrue();
              assertThat(f.severity()).isPositive();
              assertThat(f.minutes()).isPositive();
            });
    assertThat(asShot.budget()).isEqualTo(20);
  }

  @Test
  public void marksOfThePersonsOwnAreNotAmongTheSpots() {
    List<Blemish> spots = finding(asShot, "blemishes").now().spots();

    assertThat(asShot.marks()).isNotEmpty().allMatch(b -> b.kind() == Blemish.Kind.MARK);
    assertThat(spots).allMatch(b -> b.kind() == Blemish.Kind.TEMPORARY);
    assertThat(
            Portrait.S01.moles().stream()
                .filter(
                    m ->
                        spots.stream()
                            .anyMatch(s -> Math.hypot(s.x() - m.x(), s.y() - m.y()) < s.radius())))
        .isEmpty();
  }

  @Test
  public void healingTheSpotsTreatsTheFinding() {
    Project healed =
        session.treatments().treated(project, finding(asShot, "blemishes"), Cancellation.NONE);

    assertThat(healed.stack().layers()).hasSize(1).first().isInstanceOf(HealLayer.class);
    Finding spots = finding(plan(healed), "blemishes");
    assertThat(spots.now().value()).isLessThan(0.35 * spots.asShot().value());
  }

  @Test
  public void aMatchTreatsTheNeckAndALaterGradeOfTheNeckBringsItBack() {
    Project matched =
        session
            .treatments()
            .treated(project, finding(asShot, "match.neck_skin"), Cancellation.NONE);
    assertThat(matched.stack().layers()).first().isInstanceOf(SkinMatchLayer.class);
    Finding neck = finding(plan(matched), "match.neck_skin");
    assertThat(neck.state()).isEqualTo(State.TREATED);
    assertThat(neck.now().value()).isLessThan(neck.asShot().value());

    SaturationLayer fresh = (SaturationLayer) LayerType.SATURATION.fresh();
    Layer strong =
        new SaturationLayer(fresh.attributes(), -0.6, 0)
            .with(
                fresh
                    .attributes()
                    .withId("faded")
                    .withMask(new Mask.RegionMask(SemanticRegion.NECK_SKIN)));
    Project undone = matched.withStack(matched.stack().with(strong));
    Finding back = finding(plan(undone), "match.neck_skin");

    assertThat(back.state()).isEqualTo(State.BACK);
    assertThat(back.undoneBy()).isEqualTo("faded");
  }

  @Test
  public void aTiltedWallIsFoundAndLevelled() throws Exception {
    Area area = new Area(0, 0, 600, 750);
    Plane grey = Plane.of(area);
    byte[] file =
        PictureWriter.encode(
            Lab.toWorking(new Picture(Pictures.wall(area, 2.5, 0.3), grey, grey)),
            new PictureWriter.Settings(PictureFormat.PNG, 100, 8, OutputProfile.SRGB),
            "wall.png");
    Document document = ProjectFile.start(file, "wall.png");
    Session own = new Session(document.photograph());
    Finding tilt = finding(own.planning().plan(document.project(), Cancellation.NONE), "tilt");
    assertThat(tilt.state()).isEqualTo(State.OPEN);
    assertThat(tilt.now().value()).isCloseTo(2.5, within(0.2));

    Project level = own.treatments().treated(document.project(), tilt, Cancellation.NONE);
    assertThat(level.crop().angle()).isCloseTo(2.5, within(0.2));
    Finding after = finding(own.planning().plan(level, Cancellation.NONE), "tilt");
    assertThat(after.state()).isEqualTo(State.TREATED);
  }

  @Test
  public void noiseIsFoundAndCalmed() throws Exception {
    Picture clean = Portrait.S01.picture("photo.jpg");
    Picture noisy = Picture.of(clean.area());
    for (int c = 0; c < 3; c++) {
      Plane noise = Pictures.noise(clean.area(), 0, 0.07, 40 + c);
      for (int i = 0; i < noise.values().length; i++) {
        noisy.plane(c).values()[i] = clean.plane(c).values()[i] + noise.values()[i];
      }
    }
    byte[] file =
        PictureWriter.encode(
            noisy,
            new PictureWriter.Settings(PictureFormat.PNG, 100, 8, OutputProfile.SRGB),
            "noisy.png");
    Document document = ProjectFile.start(file, "noisy.png");
    Session own = new Session(document.photograph());
    Project begun = document.project().withFaces(project.faces());
    Finding noise = finding(own.planning().plan(begun, Cancellation.NONE), "noise");
    assertThat(noise.state()).isEqualTo(State.OPEN);

    Project calmed = own.treatments().treated(begun, noise, Cancellation.NONE);
    assertThat(calmed.stack().layers()).first().isInstanceOf(NoiseReductionLayer.class);
    Finding after = finding(own.planning().plan(calmed, Cancellation.NONE), "noise");
    assertThat(after.state()).isEqualTo(State.TREATED);
  }

  @Test
  public void whatIsLeftAsItIsSaysWhyAndIsNotProposed() {
    Project left = project.withBrief(project.brief().leaving("teeth", "a smoker's part"));

    Plan plan = plan(left);

    Finding teeth = finding(plan, "teeth");
    assertThat(teeth.state()).isEqualTo(State.LEFT);
    assertThat(teeth.reason()).isEqualTo("a smoker's part");
    assertThat(plan.proposed()).doesNotContain(teeth);
    assertThat(plan.leftOut()).doesNotContain(teeth);
  }

  @Test
  public void aSmallerDeliveryMakesSpotsLessSevereAndThenCostsNothing() {
    Brief brief = project.brief();
    Finding full = finding(asShot, "blemishes");
    Finding small = finding(plan(project.withBrief(brief.withLongEdge(300))), "blemishes");
    Finding tiny = finding(plan(project.withBrief(brief.withLongEdge(60))), "blemishes");

    assertThat(small.severity()).isLessThan(full.severity());
    assertThat(tiny.onlyPixels()).isTrue();
    assertThat(tiny.minutes()).isZero();
  }

  @Test
  public void aBudgetLeavesOutWhatDoesNotFit() {
    Plan plan = plan(project.withBrief(project.brief().withMinutes(1)));

    assertThat(plan.budget()).isEqualTo(1);
    assertThat(plan.minutes(plan.proposed())).isLessThanOrEqualTo(1);
    assertThat(plan.leftOut()).isNotEmpty();
    assertThat(plan.minutes(plan.open()))
        .isEqualTo(plan.minutes(plan.proposed()) + plan.minutes(plan.leftOut()));
  }

  @Test
  public void anEventLooksForLess() {
    Plan event = plan(project.withBrief(project.brief().withJob("event", Map.of())));

    assertThat(event.job()).isEqualTo(JobLevel.of("event"));
    assertThat(open(event)).doesNotContain(FindingKind.REDNESS, FindingKind.MATCH);
    assertThat(event.findings().size()).isLessThan(asShot.findings().size());
  }

  @Test
  public void withoutAFaceWhatNeedsNoneIsFoundAndTheRestIsSaid() {
    Plan plan = plan(project.withFaces(null));

    assertThat(open(plan)).isSubsetOf(FindingKind.EXPOSURE, FindingKind.RANGE, FindingKind.NOISE);
    assertThat(plan.unseen()).contains(SemanticRegion.FACE_SKIN, SemanticRegion.TEETH);
    assertThat(asShot.unseen()).doesNotContain(SemanticRegion.FACE_SKIN, SemanticRegion.TEETH);
  }

  @Test
  public void aDraftIsOrdinaryLayersThatBringTheGaugesInside() {
    Project drafted =
        session
            .treatments()
            .draft(project, asShot.proposed(), new Treatments.Guide() {}, Cancellation.NONE);

    assertThat(drafted.stack().layers()).anyMatch(TeethLayer.class::isInstance);
    List<Gauge> out =
        session.readings().gauges(drafted, Cancellation.NONE).stream()
            .filter(g -> g.verdict() == Gauge.Verdict.ABOVE || g.verdict() == Gauge.Verdict.BELOW)
            .toList();
    assertThat(out).isEmpty();
    Gauge tone = gauge(drafted, "toneBlotch");
    double width = tone.band().high() - tone.band().low();
    assertThat(tone.after())
        .as("no smoother than asked")
        .isGreaterThan(tone.band().high() - width / 2);
    Plan after = plan(drafted);
    assertThat(after.open().size()).isLessThan(asShot.open().size() / 2);
  }

  private Gauge gauge(Project of, String id) {
    return session.readings().gauges(of, Cancellation.NONE).stream()
        .filter(g -> g.id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void layersOfADraftAreNamedByWhatTheyTreat() {
    Finding teeth = finding(asShot, "teeth");
    Project drafted =
        session
            .treatments()
            .draft(
                project,
                List.of(teeth),
                new Treatments.Guide() {
                  @Override
                  public Layer named(Layer layer, Finding finding) {
                    String name = finding == null ? "the job's" : finding.key();
                    return layer.with(layer.attributes().named(name));
                  }
                },
                Cancellation.NONE);

    assertThat(drafted.stack().layers())
        .anySatisfy(
            l -> {
              assertThat(l).isInstanceOf(TeethLayer.class);
              assertThat(l.attributes().name()).isEqualTo("teeth");
            })
        .allMatch(
            l ->
                l.attributes().name().equals("teeth") || l.attributes().name().equals("the job's"));
  }

  @Test
  public void aLookThatIsCalledOffEnds() {
    Project other = project.withBrief(project.brief().withJob("beauty", Map.of()));

    assertThatThrownBy(() -> session.planning().plan(other, () -> true))
        .isInstanceOf(CancellationException.class);
  }
}
