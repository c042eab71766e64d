package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.WorkingSpace;
import carezza.face.FaceAnalysis;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.measure.Blemish.Kind;
import carezza.model.FaceMap;
import carezza.model.HealLayer.Patch;
import carezza.model.Point;
import carezza.project.SpotsFile;
import carezza.render.Pyramid;
import carezza.testing.Portrait;

public class BlemishFinderTest {

  private static Regions regions(Picture photo) {
    FaceAnalysis analysis = FaceAnalysis.shared();
    FaceMap map = analysis.faces(photo, 0).getFirst();
    return Regions.find(photo, map, analysis.subject(photo));
  }

  /** Most is found where the truth lies, and no mole is taken for a blemish. */
  @Test(dataProvider = "portraits")
  public void mostBlemishesAreProposedAndMostProposalsAreBlemishes(Portrait portrait) {
    Picture photo = portrait.picture("photo.jpg");
    List<Blemish> proposed =
        BlemishFinder.find(photo, portrait.found(), 1).stream()
            .filter(b -> b.kind() == Kind.TEMPORARY)
            .toList();
    List<Patch> truth = portrait.spots();
    long found = truth.stream().filter(t -> proposed.stream().anyMatch(p -> in(p, t))).count();
    long right = proposed.stream().filter(p -> truth.stream().anyMatch(t -> in(p, t))).count();
    assertThat((double) found / truth.size()).isGreaterThan(0.84);
    assertThat((double) right / proposed.size()).isGreaterThan(0.75);
    for (Point mole : portrait.moles()) {
      assertThat(proposed).noneMatch(p -> mole.distance(new Point(p.x(), p.y())) < 5);
    }
  }

  @DataProvider
  public Object[] portraits() {
    return Portrait.values();
  }

  /**
   * Where a mark is proposed there is a small brown spot: never lashes, stubble or the hair at the
   * hairline.
   */
  @Test
  public void molesAreMarksAndHairsAreNot() {
    for (Portrait portrait : List.of(Portrait.S01, Portrait.S05, Portrait.S06)) {
      Picture photo = portrait.picture("photo.jpg");
      List<Blemish> marks =
          BlemishFinder.find(photo, portrait.found(), 1).stream()
              .filter(b -> b.kind() == Kind.MARK)
              .toList();
      for (Point mole : portrait.moles()) {
        assertThat(marks).anyMatch(m -> mole.distance(new Point(m.x(), m.y())) < m.radius());
      }
      Plane hair = portrait.mask("hair.png");
      assertThat(marks).noneMatch(m -> hair.at((int) m.x(), (int) m.y()) > 0.5);
    }
  }

  private static boolean in(Blemish proposed, Patch truth) {
    Point middle = truth.area().centre();
    return middle.distance(new Point(proposed.x(), proposed.y())) < truth.area().radius();
  }

  /**
   * What is found hangs neither on the size of the photograph nor on its exposure, which is two
   * thirds of a stop less.
   */
  @Test
  public void atHalfTheSizeAndInLessLightAsMuchIsFound() {
    Picture half = Pyramid.half(Portrait.S04.picture("photo.jpg"));
    List<Point> halved =
        Portrait.S04.spots().stream()
            .map(s -> s.area().centre())
            .map(BlemishFinderTest::half)
            .toList();
    assertThat(found(half, halved, 8)).isGreaterThan(0.84);
    Picture light = WorkingSpace.toLinearSrgb(half);
    for (int c = 0; c < 3; c++) {
      float[] v = light.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        v[i] *= 0.63f;
      }
    }
    assertThat(found(WorkingSpace.fromLinearSrgb(light), halved, 8)).isGreaterThan(0.84);
  }

  private static Point half(Point p) {
    return new Point(p.x() / 2, p.y() / 2);
  }

  private static double found(Picture photo, List<Point> truth, double within) {
    List<Blemish> proposed = BlemishFinder.find(photo, regions(photo), 1);
    return truth.stream()
            .filter(
                t -> proposed.stream().anyMatch(p -> t.distance(new Point(p.x(), p.y())) < within))
            .count()
        / (double) truth.size();
  }

  @Test
  public void theCleanTwinHasFewerAndMoreSensitivityFindsMore() {
    Picture photo = Portrait.S04.picture("photo.jpg");
    Picture clean = Portrait.S04.picture("clean.jpg");
    Regions regions = Portrait.S04.found();
    int asShot = BlemishFinder.find(photo, regions, 1).size();
    assertThat(BlemishFinder.find(clean, regions, 1).size()).isLessThan(asShot / 2);
    assertThat(BlemishFinder.find(photo, regions, 1.5).size()).isGreaterThan(asShot);
    assertThat(BlemishFinder.find(photo, regions, 0.5).size()).isLessThan(asShot);
  }

  /** The fold between nose and cheek is red in everybody. */
  @Test
  public void theWingsOfTheNoseAreNotProposed() {
    Picture photo = Portrait.S03.picture("photo.jpg");
    Point wing = new Point(511, 711);
    assertThat(BlemishFinder.find(photo, Portrait.S03.found(), 1))
        .noneMatch(b -> wing.distance(new Point(b.x(), b.y())) < 20 && b.kind() == Kind.TEMPORARY);
  }

  @Test
  public void withoutAFaceNothingIsProposed() {
    assertThat(BlemishFinder.find(Portrait.S06.picture("photo.jpg"), Regions.none(), 1)).isEmpty();
  }

  @Test
  public void healingReadsTheProposalsAndLeavesMarksAlone() throws Exception {
    byte[] text =
        SpotsFile.text(
            List.of(
                new Blemish(10.04, 20, 5, Kind.TEMPORARY, 0.6),
                new Blemish(30, 40, 4, Kind.MARK, 0.9)));
    assertThat(new String(text, StandardCharsets.UTF_8))
        .contains("\"temporary\"")
        .contains("\"mark\"");
    Path file = Files.createTempFile("spots", ".json");
    Files.write(file, text);
    List<Patch> patches = SpotsFile.read(file);
    Files.delete(file);
    assertThat(patches).hasSize(1);
    assertThat(patches.getFirst().area().centre().x()).isBetween(9.0, 11.0);
  }
}
