package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.face.FaceAnalysis;
import carezza.image.Picture;
import carezza.mask.Regions;
import carezza.model.FaceMap;
import carezza.model.HealLayer.Patch;
import carezza.model.Point;
import carezza.project.SpotsFile;
import carezza.testing.Portrait;

public class BlemishFinderTest {

  private static Regions regions(Picture photo) {
    FaceAnalysis analysis = FaceAnalysis.shared();
    FaceMap map = analysis.faces(photo, 0).getFirst();
    return Regions.find(photo, map, analysis.subject(photo));
  }

  /** Least shares of the round blemishes that are found, and of the proposals that are right. */
  @DataProvider
  public Object[][] portraits() {
    return new Object[][] {
      {Portrait.S01, 0.85, 0.7},
      {Portrait.S02, 0.6, 0.7},
      {Portrait.S03, 0.7, 0.7},
      {Portrait.S04, 0.75, 0.9},
      {Portrait.S05, 0.84, 0.9},
      {Portrait.S06, 0.7, 0.7}
    };
  }

  @Test(dataProvider = "portraits")
  public void mostBlemishesAreProposedAndMostProposalsAreBlemishes(
      Portrait portrait, double recall, double precision) {
    Picture photo = portrait.picture("photo.jpg");
    List<Blemish> proposed =
        BlemishFinder.find(photo, regions(photo), 1).stream()
            .filter(b -> b.kind() == Blemish.Kind.TEMPORARY)
            .toList();
    List<Patch> truth = portrait.spots();
    long found = truth.stream().filter(t -> proposed.stream().anyMatch(p -> in(p, t))).count();
    long right = proposed.stream().filter(p -> truth.stream().anyMatch(t -> in(p, t))).count();
    assertThat((double) found / truth.size()).isGreaterThan(recall);
    assertThat((double) right / proposed.size()).isGreaterThan(precision);
  }

  private static boolean in(Blemish proposed, Patch truth) {
    Point middle = truth.area().centre();
    return middle.distance(new Point(proposed.x(), proposed.y())) < truth.area().radius();
  }

  @Test
  public void theCleanTwinHasFewerAndMoreSensitivityFindsMore() {
    Picture photo = Portrait.S04.picture("photo.jpg");
    Picture clean = Portrait.S04.picture("clean.jpg");
    Regions regions = regions(photo);
    int asShot = BlemishFinder.find(photo, regions, 1).size();
    assertThat(BlemishFinder.find(clean, regions, 1).size()).isLessThan(asShot / 2);
    assertThat(BlemishFinder.find(photo, regions, 1.5).size()).isGreaterThan(asShot);
  }

  @Test
  public void withoutAFaceNothingIsProposed() {
    assertThat(
            BlemishFinder.find(Portrait.S06.picture("photo.jpg"), Regions.none(), 1))
        .isEmpty();
  }

  @Test
  public void healingReadsTheProposalsAndLeavesMarksAlone() throws Exception {
    byte[] text =
        SpotsFile.text(
            List.of(
                new Blemish(10.04, 20, 5, Blemish.Kind.TEMPORARY, 0.6),
                new Blemish(30, 40, 4, Blemish.Kind.MARK, 0.9)));
    assertThat(new String(text, StandardCharsets.UTF_8)).contains("\"temporary\"").contains("\"mark\"");
    Path file = Files.createTempFile("spots", ".json");
    Files.write(file, text);
    List<Patch> patches = SpotsFile.read(file);
    Files.delete(file);
    assertThat(patches).hasSize(1);
    assertThat(patches.getFirst().area().centre().x()).isBetween(9.0, 11.0);
  }
}
