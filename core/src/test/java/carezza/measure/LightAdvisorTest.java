package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.PictureReader;
import carezza.colour.Lab;
import carezza.colour.MonotoneCurve.Point;
import carezza.filter.Robust;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.measure.ContourGuides.Guide;
import carezza.model.CurveLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.KeptMark;
import carezza.model.Layer;
import carezza.model.LayerKind;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.Region;
import carezza.model.Stage;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.render.Renderer;
import carezza.session.Session;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** Proposals of light and shade, and pushed layers, judged by the gauges on the portraits. */
public class LightAdvisorTest {

  private static final DodgeBurnLayer FRESH = (DodgeBurnLayer) LayerKind.DODGE_BURN.fresh();

  /** A portrait at work, its face found as for anyone. */
  private record Bench(Session session, Project plain) {
    static Bench of(Portrait portrait) {
      byte[] photo = portrait.bytes("photo.jpg");
      try {
        Session session = new Session(PictureReader.decode(photo, "photo.jpg"));
        Project project = ProjectFile.start(photo, "photo.jpg").project();
        return new Bench(session, session.withFace(project, Cancellation.NONE));
      } catch (Problem e) {
        throw new IllegalStateException(e);
      }
    }

    Project with(Layer... layers) {
      return plain.withStack(LayerStack.of(layers));
    }

    LightAdvisor advisor(Layer... layers) {
      return session.advice().light(with(layers), FRESH.head().id(), Cancellation.NONE);
    }

    double read(String id, Layer... layers) {
      return gauge(id, layers).after();
    }

    List<Gauge> gauges(Layer... layers) {
      return session.gauges(with(layers), Cancellation.NONE);
    }

    Gauge gauge(String id, Layer... layers) {
      return gauges(layers).stream()
          .filter(g -> g.id().equals(id))
          .findFirst()
          .orElseThrow();
    }
  }

  @DataProvider
  public Object[][] portraits() {
    return Arrays.stream(Portrait.values()).map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "portraits")
  public void evenedBlotchesFallByAQuarterWhileTextureAndFormStay(Portrait portrait) {
    Bench bench = Bench.of(portrait);
    DodgeBurnLayer evened = bench.advisor(FRESH).evened();
    Gauge blotch = bench.gauge("toneBlotch", evened);
    assertThat(blotch.after()).isLessThanOrEqualTo(0.75 * blotch.before());
    assertThat(bench.read("textureKept", evened)).isGreaterThanOrEqualTo(97);
    assertThat(bench.read("formKept", evened)).isBetween(0.97, 1.03);
  }

  /** A mark that is kept is no blotch: what is proposed leaves it as it is. */
  @Test
  public void keptMarksAreNotEvened() {
    Bench bench = Bench.of(Portrait.S04);
    Project kept = bench.with(FRESH).keeping(new KeptMark(700, 900, 30));
    DodgeBurnLayer evened =
        bench.session().advice().light(kept, FRESH.head().id(), Cancellation.NONE).evened();
    Area mark = new Area(690, 890, 20, 20);
    assertThat(change(bench, evened, mark)).isZero();
    assertThat(change(bench, bench.advisor(FRESH).evened(), mark)).isPositive();
  }

  /** Largest change of a channel that a layer makes in an area. */
  private static double change(Bench bench, Layer layer, Area area) {
    var renderer = bench.session().renderer();
    Picture with =
        renderer.render(
            bench.session().scene(bench.with(layer)),
            area,
            0,
            Renderer.Readiness.EXACT,
            Cancellation.NONE);
    return Pictures.largest(with, renderer.photograph().level(0).crop(area));
  }

  @Test
  public void strokesThatWerePaintedStayOnTheProposal() {
    Bench bench = Bench.of(Portrait.S04);
    Mask painted =
        new Mask.Nothing().painted(carezza.model.Stroke.dab(700, 1000, 40, 1));
    DodgeBurnLayer before = FRESH.withMasks(painted, new Mask.Nothing());
    DodgeBurnLayer evened = bench.advisor(before).evened();
    assertThat(((Mask.Strokes) evened.dodgeMask()).strokes())
        .isEqualTo(((Mask.Strokes) painted).strokes());
  }

  /** A skin made flat on purpose is reported flat, and gets its form back. */
  @Test(dataProvider = "portraits")
  public void formThatWasTakenComesBack(Portrait portrait) {
    Bench bench = Bench.of(portrait);
    CurveLayer curve = (CurveLayer) LayerKind.CURVE.fresh();
    CurveLayer flat =
        new CurveLayer(
            curve.head().withStage(Stage.SMOOTH).withMask(new Mask.Named(Region.SKIN)),
            List.of(new Point(0, 0.15), new Point(1, 0.9)),
            null,
            null,
            null, 0);
    assertThat(bench.read("formKept", flat)).isLessThan(0.9);
    DodgeBurnLayer restored = bench.advisor(flat, FRESH).formRestored();
    assertThat(bench.read("formKept", flat, restored)).isCloseTo(1, within(0.03));
  }

  /** Oily places of the face come nearer to its middle tone, and keep their pores. */
  @Test
  public void tamedShineLiesNearerTheMiddleToneAndKeepsItsTexture() {
    Bench bench = Bench.of(Portrait.S02);
    DodgeBurnLayer tamed = bench.advisor(FRESH).shineTamed();
    assertThat(shine(bench, tamed)).isLessThan(0.88 * shine(bench, FRESH));
    assertThat(bench.read("textureKept", tamed)).isBetween(90.0, 110.0);
    assertThat(bench.read("formKept", tamed)).isGreaterThan(0.9);
  }

  /** How far the lightest hundredth of the face's skin lies above its median, L*. */
  private static double shine(Bench bench, Layer layer) {
    Project project = bench.with(layer);
    var scene = bench.session().scene(project);
    Picture picture =
        bench
            .session()
            .renderer()
            .render(
                scene,
                bench.session().size().atLevel(2).area(),
                2,
                Renderer.Readiness.EXACT,
                Cancellation.NONE);
    Plane skin = scene.regions().coverage(Region.FACE_SKIN, picture.area(), 2);
    double[] tones = Robust.values(Lab.lightness(picture), skin);
    return Robust.quantile(tones, 0.99) - Robust.quantile(tones, 0.5);
  }

  /** Lit from one side, the shaded cheek gets no guide that would lift it. */
  @Test
  public void contourGuidesFollowTheLight() {
    Bench bench = Bench.of(Portrait.S04);
    var lit = bench.session().advice().contours(bench.with(FRESH), FRESH.head().id(), Cancellation.NONE);
    assertThat(lit).extracting(Guide::name).contains("forehead", "bridge of the nose");
    assertThat(lit).extracting(Guide::lift).contains(true, false);
    double middle =
        (bench.plain().faces().leftPupil().x() + bench.plain().faces().rightPupil().x()) / 2;
    DodgeBurnLayer halfDark =
        FRESH
            .withStrengths(0, 0.4)
            .withMasks(
                new Mask.Nothing(),
                new Mask.Gradient(
                    new carezza.model.Point(middle - 40, 900),
                    new carezza.model.Point(middle + 40, 900)));
    Layer above = LayerKind.DODGE_BURN.fresh();
    var half =
        bench
            .session()
            .advice()
            .contours(bench.with(halfDark, above), above.head().id(), Cancellation.NONE);
    assertThat(half.stream().filter(Guide::lift).map(g -> g.outline().getFirst().x()))
        .allMatch(x -> x < middle + 260)
        .hasSizeLessThan((int) lit.stream().filter(Guide::lift).count());
  }

  // --- over-push

  private static OverPush push(Bench bench, Layer layer) {
    return bench
        .session()
        .advice()
        .pushed(bench.with(layer), layer.head().id(), done -> {}, Cancellation.NONE);
  }

  @Test
  public void aTextureThatIsTakenAwayIsAdvisedUpToTheEndOfItsBand() {
    Bench bench = Bench.of(Portrait.S04);
    FrequencySeparationLayer plain =
        (FrequencySeparationLayer) LayerKind.FREQUENCY_SEPARATION.fresh();
    FrequencySeparationLayer layer =
        plain.withRadius(15.0).withTextureGain(0.5).withEvening(0);
    OverPush push = push(bench, layer);
    OptionalDouble advised = push.advised();
    assertThat(advised).isPresent();
    assertThat(outside(bench, layer, 0, advised.getAsDouble())).doesNotContain("textureKept");
    assertThat(outside(bench, layer, 0, advised.getAsDouble() + 0.15)).isNotEmpty();
    assertThat(outside(bench, layer, 0, 2)).contains("textureKept");
  }

  /** Gauges that are in their bands at one amount and not at another. */
  private static List<String> outside(Bench bench, Layer layer, double from, double to) {
    List<Gauge> was = bench.gauges(layer.with(layer.head().withAmount(from)));
    List<Gauge> is = bench.gauges(layer.with(layer.head().withAmount(to)));
    List<String> out = new ArrayList<>();
    for (int i = 0; i < is.size(); i++) {
      if (was.get(i).verdict() == Gauge.Verdict.INSIDE
          && is.get(i).verdict() != Gauge.Verdict.INSIDE) {
        out.add(is.get(i).id());
      }
    }
    return out;
  }

  @Test
  public void aLayerThatDoesNothingMovesNoGauge() {
    Bench bench = Bench.of(Portrait.S04);
    OverPush push = push(bench, FRESH);
    assertThat(push.moved()).isEmpty();
    assertThat(push.advised()).isEmpty();
  }
}
