package carezza.recipe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.time.LocalDate;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.PictureFormat;
import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.PhotoReference;
import carezza.model.Project;
import carezza.recipe.NamePattern.Words;
import carezza.testing.Pictures;

public class OutputTest {

  private static final PictureSize PHOTOGRAPH = new PictureSize(1600, 2000);

  private static final Words WORDS = new Words("The Prompter", 7, LocalDate.of(2031, 3, 9), "p14");

  private static Output output(String folder, PictureSize exact) {
    return new Output(
        "card",
        new NamePattern("{sitter}"),
        folder,
        PictureFormat.JPEG,
        Delivery.full(),
        exact,
        0,
        false);
  }

  private static Project project(FaceMap face) {
    return Project.begun(
            "The Prompter", new PhotoReference("p.png", "0".repeat(64), true, 1600, 2000))
        .withFaces(face);
  }

  @DataProvider
  public Object[][] patterns() {
    return new Object[][] {
      {"{sitter}-{number}", "The Prompter-007"},
      {"{date} {photograph} {output}", "2031-03-09 p14 card"},
      {"a:b*c", "a-b-c"},
      {"..{sitter}.", "The Prompter"},
      {"...", "picture"}
    };
  }

  @Test(dataProvider = "patterns")
  public void wordsStandForWhatTheySay(String pattern, String name) {
    assertThat(new NamePattern(pattern).name(WORDS, "card")).isEqualTo(name);
  }

  /** A sitter's name may hold anything; a file's name then holds no folder. */
  @Test
  public void aNameNeverLeavesItsFolder() {
    Words sly = new Words("../../etc", 1, LocalDate.EPOCH, "x");
    Path file =
        new Output(
                "o",
                new NamePattern("{sitter}"),
                "",
                PictureFormat.PNG,
                Delivery.full(),
                null,
                0,
                false)
            .file(Path.of("/out"), sly);
    assertThat(file.normalize().getParent()).isEqualTo(Path.of("/out"));
  }

  @Test
  public void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> new NamePattern("{colour}")).hasMessageContaining("'colour'");
    assertThatThrownBy(() -> new NamePattern("a/b")).hasMessageContaining("no folder");
    assertThatThrownBy(() -> output("../up", null)).hasMessageContaining("below");
    assertThatThrownBy(() -> output("/abs", null)).hasMessageContaining("below");
  }

  @DataProvider
  public Object[][] sizes() {
    return new Object[][] {{1080, 1350}, {1080, 1080}, {333, 444}, {1200, 628}, {101, 307}};
  }

  /** The cut has the wanted ratio, so that shrinking it gives the wanted pixels exactly. */
  @Test(dataProvider = "sizes")
  public void anExactSizeIsMet(int width, int height) {
    PictureSize exact = new PictureSize(width, height);
    Project framed = output("", exact).framed(project(null), PHOTOGRAPH);
    Delivery shrunk =
        new Delivery(
            exact.longEdge(), 90, 8, 0, Delivery.full().colour(), Delivery.full().carried(), false);
    assertThat(shrunk.size(framed, PHOTOGRAPH)).isEqualTo(exact);
  }

  @Test
  public void theFaceKeepsItsPlaceInTheFrame() {
    FaceMap face = FaceMap.guess(1600, 800);
    Crop cut = output("", new PictureSize(500, 500)).framed(project(face), PHOTOGRAPH).crop();
    double before = face.oval().y() / 2000;
    double after = (face.oval().y() - (cut.y() - cut.height() / 2)) / cut.height();
    assertThat(after).isCloseTo(before, within(1e-9));
    assertThat(cut.y() - cut.height() / 2).isGreaterThanOrEqualTo(0);
  }
}
