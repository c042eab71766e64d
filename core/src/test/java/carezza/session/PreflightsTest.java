package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;

import org.testng.annotations.Test;

import carezza.codec.Photograph;
import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata;
import carezza.model.LayerStack;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.model.PhotoReference;
import carezza.model.Project;
import carezza.project.RecipeFile;
import carezza.recipe.Preflight;
import carezza.recipe.Preflight.Check;

public class PreflightsTest {

  private static Preflight of(Picture picture, String recipe) {
    return of(picture, recipe, LayerStack.EMPTY);
  }

  private static Preflight of(Picture picture, String recipe, LayerStack stack) {
    Photograph photograph = new Photograph(picture, 8, "sRGB", Metadata.NONE, Set.of(), null);
    Project project =
        Project.begun(
            "t",
            new PhotoReference(
                "a.jpg", "0".repeat(64), true, picture.area().width(), picture.area().height()));
    return new Session(photograph)
        .preflights()
        .of(project.withStack(stack), RecipeFile.shipped(recipe), Cancellation.NONE);
  }

  private static Picture flat(float r, float g, float b) {
    Area area = new Area(0, 0, 90, 60);
    return new Picture(Plane.filled(area, r), Plane.filled(area, g), Plane.filled(area, b));
  }

  /** A border of two white sides of four, of corners counted once. */
  @Test
  public void whiteOfTheBorderIsCounted() {
    Area area = new Area(0, 0, 10, 6);
    Plane plane = Plane.of(area);
    for (int x = 0; x < 10; x++) {
      plane.values()[x] = 1;
    }
    Picture picture = new Picture(plane, plane, plane);
    assertThat(Preflights.white(picture)).isCloseTo(10.0 / 28, within(1e-9));
  }

  @Test
  public void aGreyPictureIsClear() {
    assertThat(of(flat(0.4f, 0.4f, 0.4f), "web-and-print")).isEqualTo(Preflight.CLEAR);
  }

  @Test
  public void aPictureToBeLaidOverThatIsGoneIsTold() {
    OverlayLayer gone =
        ((OverlayLayer) LayerType.OVERLAY.fresh())
            .with(OverlayPicture.of("gone.png", "0".repeat(64), "/nowhere/gone.png", null));
    assertThat(of(flat(0.4f, 0.4f, 0.4f), "web-and-print", LayerStack.of(gone)).remarks())
        .containsExactly(new Preflight.Remark(Check.MISSING_OVERLAYS, "", 1));
    LayerStack off = LayerStack.of(gone.with(gone.attributes().switched(false)));
    assertThat(of(flat(0.4f, 0.4f, 0.4f), "web-and-print", off)).isEqualTo(Preflight.CLEAR);
  }

  @Test
  public void aWhitePictureLosesItsEdgeAndIsClipped() {
    List<Check> checks =
        of(flat(1, 1, 1), "web-and-print").remarks().stream()
            .map(Preflight.Remark::check)
            .distinct()
            .toList();
    assertThat(checks).contains(Check.WHITE_BORDER, Check.CLIPPED);
  }

  /** A green that no screen of sRGB shows is told for the web and not for a wide print. */
  @Test
  public void coloursBeyondTheSpaceAreToldOfThatOutput() {
    List<Preflight.Remark> found =
        of(Lab.toWorking(flat(60, -80, 30)), "web-and-print").remarks().stream()
            .filter(r -> r.check() == Check.OUTSIDE_SPACE)
            .toList();
    assertThat(found).extracting(Preflight.Remark::output).contains("web").doesNotContain("print");
  }
}
