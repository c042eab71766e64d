package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.model.Promise;
import carezza.model.Promise.Rule;
import carezza.model.SaturationLayer;
import carezza.model.SemanticRegion;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Promises.Broken;

public class PromisesTest {

  private static final Mask.Ellipse SCAR = new Mask.Ellipse(120, 80, 14, 14, 0, 0);

  private Session session;
  private Project project;

  /** A brown field, with nobody in it. */
  @BeforeClass
  public void open() throws Exception {
    Area area = new Area(0, 0, 240, 160);
    Picture brown =
        new Picture(Plane.filled(area, 0.6f), Plane.filled(area, 0.45f), Plane.filled(area, 0.35f));
    byte[] file =
        PictureWriter.encode(
            brown,
            new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
            "brown.png");
    Document document = ProjectFile.start(file, "brown.png");
    session = new Session(document.photograph());
    project = document.project();
  }

  private static Layer light(double dodge, double burn, Mask where) {
    DodgeBurnLayer fresh = (DodgeBurnLayer) LayerType.DODGE_BURN.fresh();
    return new DodgeBurnLayer(
        fresh.attributes().withId(dodge + "-" + burn),
        fresh.method(),
        dodge,
        burn,
        dodge > 0 ? where : new Mask.Nothing(),
        burn > 0 ? where : new Mask.Nothing(),
        fresh.keepColour(),
        null,
        null);
  }

  private static Layer faded(Mask where) {
    SaturationLayer fresh = (SaturationLayer) LayerType.SATURATION.fresh();
    return new SaturationLayer(
        fresh.attributes().withId("faded").withMask(where), -0.7, fresh.skin());
  }

  private List<Broken> broken(Promise promise, Layer... layers) {
    return session
        .promises()
        .broken(
            project.withStack(LayerStack.of(layers)).withBrief(project.brief().promising(promise)),
            Cancellation.NONE);
  }

  private static Promise scar(Rule rule) {
    return new Promise("keep the scar", rule, null, SCAR);
  }

  @Test
  public void aLayerThatChangesAPromisedPlaceIsNamed() {
    List<Broken> broken = broken(scar(Rule.UNCHANGED), faded(new Mask.Everything()));

    assertThat(broken)
        .singleElement()
        .satisfies(
            b -> {
              assertThat(b.layer()).isEqualTo("faded");
              assertThat(b.change()).isGreaterThan(1);
              assertThat(b.promise().words()).isEqualTo("keep the scar");
            });
  }

  @Test
  public void aLayerThatActsElsewhereKeepsIt() {
    assertThat(broken(scar(Rule.UNCHANGED), faded(new Mask.Ellipse(30, 30, 20, 20, 0, 0))))
        .isEmpty();
  }

  @Test
  public void lightAndColourAsSettledAreThePictureItself() {
    Layer darker = new ExposureLayer(LayerType.EXPOSURE.fresh().attributes(), -1, 0);

    assertThat(broken(scar(Rule.UNCHANGED), darker)).isEmpty();
  }

  @Test
  public void whatMustNotBeLighterMayBeDarker() {
    assertThat(broken(scar(Rule.NOT_LIGHTER), light(0, 0.12, new Mask.Everything()))).isEmpty();
    assertThat(broken(scar(Rule.NOT_LIGHTER), light(0.12, 0, new Mask.Everything())))
        .singleElement()
        .satisfies(b -> assertThat(b.change()).isGreaterThan(1));
  }

  @Test
  public void whatMustNotBeDarkerSaysHowFarItFell() {
    assertThat(broken(scar(Rule.NOT_DARKER), light(0, 0.12, new Mask.Everything())))
        .singleElement()
        .satisfies(b -> assertThat(b.change()).isLessThan(-1));
  }

  @Test
  public void theLayerThatMovesItMostIsTheOneThatIsNamed() {
    List<Broken> broken =
        broken(
            scar(Rule.NOT_LIGHTER),
            light(0.02, 0, new Mask.Everything()),
            light(0.2, 0, new Mask.Everything()));

    assertThat(broken).singleElement().satisfies(b -> assertThat(b.layer()).isEqualTo("0.2-0.0"));
  }

  @Test
  public void whatIsTakenBackLaterIsKept() {
    List<Broken> broken =
        broken(
            scar(Rule.NOT_LIGHTER),
            light(0.1, 0, new Mask.Everything()),
            light(0, 0.12, new Mask.Everything()));

    assertThat(broken).isEmpty();
  }

  @Test
  public void aRegionThatIsNotThereIsNotTouched() {
    Promise skin = new Promise("skin stays", Rule.UNCHANGED, SemanticRegion.FACE_SKIN, null);

    assertThat(broken(skin, faded(new Mask.Everything()))).isEmpty();
  }

  @Test
  public void aPlaceOutsideThePictureIsNotTouched() {
    Promise outside =
        new Promise("there", Rule.UNCHANGED, null, new Mask.Ellipse(900, 900, 9, 9, 0, 0));

    assertThat(broken(outside, faded(new Mask.Everything()))).isEmpty();
  }

  @Test
  public void theChangeIsTheMeanDifferenceOfColourThere() {
    double full = broken(scar(Rule.UNCHANGED), faded(new Mask.Everything())).getFirst().change();
    Layer half = faded(new Mask.Everything());
    double weaker =
        broken(scar(Rule.UNCHANGED), half.with(half.attributes().withAmount(0.5)))
            .getFirst()
            .change();

    assertThat(weaker).isCloseTo(full / 2, within(full / 5));
  }
}
