package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.lang.ref.Reference;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.mask.Regions;
import carezza.measure.Gauge;
import carezza.model.FaceMap;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Mask.Quantity;
import carezza.model.Project;
import carezza.model.RecordValue;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.render.Renderer;
import carezza.testing.Portrait;

public class SessionTest {

  private static Document started(Picture picture) throws Exception {
    byte[] file =
        PictureWriter.encode(
            picture,
            new PictureWriter.Settings(PictureFormat.PNG, 100, 16, OutputProfile.WIDE),
            "picture.png");
    return ProjectFile.start(file, "picture.png");
  }

  /** Left half dark, right half light. */
  private static Picture halves() {
    Picture picture = Picture.of(new Area(0, 0, 400, 200));
    for (int c = 0; c < 3; c++) {
      float[] v = picture.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        v[i] = i % 400 < 200 ? 0.1f : 0.8f;
      }
    }
    return picture;
  }

  private static Layer curve(Mask mask) {
    return LayerType.CURVE.fresh().with(LayerAttributes.of("curve", Stage.GRADE, mask));
  }

  @Test
  public void theHistogramOfHalvesHasTwoEqualPeaks() throws Exception {
    Document document = started(halves());
    Layer layer = curve(new Mask.Everything());
    Project project = document.project().withStack(LayerStack.of(layer));
    double[] shares =
        new Session(document.photograph())
            .readings()
            .histogram(project, layer.attributes().id(), Quantity.LIGHTNESS, 50, Cancellation.NONE);
    assertThat(Arrays.stream(shares).sum()).isCloseTo(1, offset(1e-9));
    int[] peaks = IntStream.range(0, 50).filter(i -> shares[i] > 0.45).toArray();
    assertThat(peaks).hasSize(2);
    assertThat(peaks[1] - peaks[0]).isGreaterThan(10);
  }

  @Test
  public void aThumbnailShowsWhereALayerActs() throws Exception {
    Document document = started(halves());
    Layer layer = curve(new Mask.Range(Quantity.LIGHTNESS, 60, 65, 100, 100));
    Project project = document.project().withStack(LayerStack.of(layer));
    Plane thumbnail =
        new Session(document.photograph())
            .readings()
            .thumbnail(project, layer.attributes().id(), 64, Cancellation.NONE);
    Area area = thumbnail.area();
    assertThat(area.width()).isLessThanOrEqualTo(64);
    assertThat(thumbnail.at(area.x() + 2, area.y() + 5)).isZero();
    assertThat(thumbnail.at(area.right() - 3, area.y() + 5)).isEqualTo(1);
  }

  @Test
  public void aProjectIsNotSavedWithTheGlanceOfAnotherOnItsPhotograph() throws Exception {
    Document document = started(halves());
    Layer bright = LayerType.EXPOSURE.fresh();
    Project lit =
        document.project().withStack(LayerStack.of(RecordValue.with(bright, "stops", 1.5)));
    Session first = Session.of(document);
    first.readings().gauges(lit, Cancellation.NONE);
    assertThat(first.store().glance(lit)).isNotEqualTo(first.store().asShot(lit, 400));

    Session second = Session.of(document);
    assertThat(second.store().glance(document.project()))
        .isEqualTo(new Session(document.photograph()).store().glance(document.project()));
    Reference.reachabilityFence(first);
  }

  /** Tiles that had to be made for the whole picture. */
  private static long computed(Session session, Project project) {
    long before = session.renderer().computedTiles();
    session
        .renderer()
        .render(
            session.scene(project),
            session.size().area(),
            0,
            Renderer.Readiness.EXACT,
            Cancellation.NONE);
    return session.renderer().computedTiles() - before;
  }

  @Test
  public void whatIsKnownOfAPhotographIsKnownWhenItIsOpenedAgain() throws Exception {
    Picture pixels = halves();
    Layer layer = curve(new Mask.Everything());
    Document document = started(pixels);
    Project project = document.project().withStack(LayerStack.of(layer));
    Session first = Session.of(document);
    assertThat(computed(first, project)).isPositive();

    Document again = started(pixels);
    assertThat(again.photograph().pixels()).isNotSameAs(document.photograph().pixels());
    Session second = Session.of(again);
    assertThat(second).isNotSameAs(first);
    assertThat(computed(second, project)).isZero();
    assertThat(again.sharing(second.photograph()).photograph().pixels())
        .isSameAs(document.photograph().pixels());

    pixels.first().values()[7] = 0.5f;
    Session another = Session.of(started(pixels));
    assertThat(computed(another, project)).isPositive();
    Reference.reachabilityFence(first);
  }

  /** What each of two people measures alone is what they measure beside one another. */
  @Test
  public void gaugesOfOneOfTwoPeopleAreTheirs() throws Exception {
    Picture left = Portrait.S04.picture("photo.jpg").map(Resampling::half);
    Picture right = Portrait.S01.picture("photo.jpg").map(Resampling::half);
    int width = left.area().width();
    Document document = started(beside(left, right));
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), Cancellation.NONE);
    Regions regions = session.scene(project).regions();
    assertThat(regions.maps()).hasSize(2);
    for (int i = 0; i < 2; i++) {
      boolean isLeft = regions.maps().get(i).oval().x() < width;
      Regions own = regions.person(i);
      assertThat(own).isSameAs(regions.person(i));
      Plane skin = own.coverage(SemanticRegion.SKIN, session.size().area(), 0);
      FaceMap.FaceOval oval = regions.maps().get(i).oval();
      Mask one = new Mask.RegionMask(SemanticRegion.SKIN, oval.middle());
      EvaluationContext site = new EvaluationContext(session.size(), 0, regions);
      assertThat(Masks.render(one, site.whole(), site)).isEqualTo(skin);
      double there = sum(skin, 0, width);
      double other = sum(skin, width, session.size().width());
      assertThat(isLeft ? other / there : there / other).isLessThan(0.01);

      Document lone = started(isLeft ? left : right);
      Session alone = new Session(lone.photograph());
      Project by = alone.faces().withFace(lone.project(), Cancellation.NONE);
      Map<String, Double> wanted = before(alone.readings().gauges(by, Cancellation.NONE));
      Map<String, Double> is = before(session.readings().gauges(project, i, Cancellation.NONE));
      for (String gauge : List.of("teethYellow", "scleraYellow", "neckMatch", "scleraBalance")) {
        assertThat(is.get(gauge)).as(gauge).isCloseTo(wanted.get(gauge), offset(1.0));
      }
    }
    assertThat(regions.person(0).coverage(SemanticRegion.BACKDROP, session.size().area(), 0))
        .isEqualTo(regions.coverage(SemanticRegion.BACKDROP, session.size().area(), 0));
  }

  private static Map<String, Double> before(List<Gauge> gauges) {
    return gauges.stream().collect(Collectors.toMap(Gauge::id, Gauge::before));
  }

  private static double sum(Plane plane, int from, int to) {
    double sum = 0;
    for (int y = 0; y < plane.height(); y++) {
      for (int x = from; x < to; x++) {
        sum += plane.at(x, y);
      }
    }
    return sum;
  }

  private static Picture beside(Picture left, Picture right) {
    int width = left.area().width();
    Picture both = Picture.of(new Area(0, 0, 2 * width, left.area().height()));
    for (int c = 0; c < 3; c++) {
      both.plane(c).copyFrom(left.plane(c));
      both.plane(c)
          .copyFrom(
              new Plane(
                  new Area(width, 0, right.area().width(), right.area().height()),
                  right.plane(c).values()));
    }
    return both;
  }

  /** The one face is brought to the other's colour, not to what lies between the two. */
  @Test
  public void theSecondFaceIsMatchedToTheFirstAlone() throws Exception {
    Picture left = Portrait.S04.picture("photo.jpg").map(Resampling::half);
    Picture right = Portrait.S01.picture("photo.jpg").map(Resampling::half);
    Document document = started(beside(left, right));
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), Cancellation.NONE);
    Finding found = secondFace(session, project);
    assertThat(found.state()).isEqualTo(Finding.State.OPEN);
    Project treated = session.treatments().treated(project, found, Cancellation.NONE);
    assertThat(secondFace(session, treated).now().value()).isLessThan(0.35 * found.now().value());
  }

  private static Finding secondFace(Session session, Project project) {
    return session.planning().plan(project, Cancellation.NONE).findings().stream()
        .filter(f -> f.kind() == FindingKind.MATCH && f.now().part().equals("face2"))
        .findFirst()
        .orElseThrow();
  }

  /** Two portraits beside one another, the second one corrected by hand. */
  @Test
  public void everyFaceOfAPictureIsMappedAndCorrectionsStayWithTheirFace() throws Exception {
    // At half size, for the memory of two sets of regions.
    Picture left = Portrait.S04.picture("photo.jpg").map(Resampling::half);
    Picture right = Portrait.S01.picture("photo.jpg").map(Resampling::half);
    int width = left.area().width();
    Document document = started(beside(left, right));
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), Cancellation.NONE);
    List<FaceMap> faces = project.allFaces();
    assertThat(faces).hasSize(2);
    Plane teeth = session.faces().region(project, SemanticRegion.TEETH);
    assertThat(share(teeth, Portrait.S01, width)).isGreaterThan(0.6);

    FaceMap second = faces.get(1);
    FaceMap corrected =
        second.withLeftPupil(second.leftPupil().plus(9, 0)).correcting(FaceMap.Part.LEFT_EYE);
    Project anew =
        session
            .faces()
            .withFacesAnew(
                project.withAllFaces(List.of(faces.get(0), corrected)), Cancellation.NONE);
    assertThat(anew.allFaces()).hasSize(2).contains(faces.get(0));
    assertThat(anew.allFaces().get(1).leftPupil()).isEqualTo(corrected.leftPupil());
    assertThat(anew.allFaces().get(1).rightPupil()).isEqualTo(second.rightPupil());
  }

  /** Share of the painted teeth, shifted to the right, that is covered. */
  private static double share(Plane found, Portrait portrait, int shift) {
    Plane truth = Resampling.half(portrait.mask("teeth.png"));
    double both = 0;
    double all = 0;
    for (int y = 0; y < truth.area().height(); y++) {
      for (int x = 0; x < truth.area().width(); x++) {
        both += Math.min(truth.at(x, y), found.at(x + shift, y));
        all += truth.at(x, y);
      }
    }
    return both / all;
  }
}
