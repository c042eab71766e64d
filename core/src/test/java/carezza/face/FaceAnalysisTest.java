package carezza.face;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

public class FaceAnalysisTest {

  private final FaceAnalysis analysis = FaceAnalysis.shared();

  @DataProvider
  public Object[][] portraits() {
    Object[][] rows = new Object[Portrait.values().length][];
    for (int i = 0; i < rows.length; i++) {
      rows[i] = new Object[] {Portrait.values()[i]};
    }
    return rows;
  }

  @Test(dataProvider = "portraits")
  public void theOneFaceIsFoundWhereItIs(Portrait portrait) {
    List<FaceMap> found = analysis.faces(portrait.picture("photo.jpg"), 0);
    assertThat(found).hasSize(1);
    agree(found.getFirst(), portrait.faces(), 0);
  }

  /** Landmarks within shares of the distance of the pupils. */
  private static void agree(FaceMap found, FaceMap truth, double more) {
    double ipd = truth.pupilDistance();
    assertThat(found.leftPupil().distance(truth.leftPupil()) / ipd).isLessThan(0.05 + more);
    assertThat(found.rightPupil().distance(truth.rightPupil()) / ipd).isLessThan(0.05 + more);
    assertThat(found.leftMouth().distance(truth.leftMouth()) / ipd).isLessThan(0.09 + more);
    assertThat(found.rightMouth().distance(truth.rightMouth()) / ipd).isLessThan(0.09 + more);
    assertThat(found.faceWidth() / truth.faceWidth()).isBetween(0.9 - more, 1.1 + more);
    assertThat(found.outlines().leftIris().radius() / ipd).isBetween(0.06, 0.12);
  }

  @Test
  public void aDarkAndGreenPictureIsNoHindrance() {
    Picture photo = Portrait.S04.picture("photo.jpg");
    float[] factors = {0.35f, 0.45f, 0.3f};
    for (int c = 0; c < 3; c++) {
      float[] v = photo.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        v[i] *= factors[c];
      }
    }
    List<FaceMap> found = analysis.faces(photo, 0);
    assertThat(found).hasSize(1);
    agree(found.getFirst(), Portrait.S04.faces(), 0.02);
  }

  @Test
  public void aMirroredPictureGivesTheMirroredMap() {
    Picture photo = Portrait.S01.picture("photo.jpg");
    Area area = photo.area();
    Picture mirrored =
        photo.map(p -> Pictures.plane(area, (x, y) -> p.at(area.width() - 1 - (int) x, (int) y)));
    FaceMap there = analysis.faces(mirrored, 0).getFirst();
    FaceMap truth = Portrait.S01.faces();
    Point left = new Point(area.width() - truth.rightPupil().x(), truth.rightPupil().y());
    assertThat(there.leftPupil().distance(left)).isLessThan(0.05 * truth.pupilDistance());
  }

  @Test
  public void aTurnedHeadIsFollowed() {
    Picture photo = Portrait.S06.picture("photo.jpg");
    Area area = photo.area();
    double angle = Math.toRadians(25);
    double cx = area.width() / 2.0;
    double cy = area.height() / 2.0;
    Picture turned =
        photo.map(
            p ->
                Pictures.plane(
                    area,
                    (x, y) -> {
                      double dx = x + 0.5 - cx;
                      double dy = y + 0.5 - cy;
                      return p.sample(
                          Math.clamp(
                              cx + dx * Math.cos(angle) + dy * Math.sin(angle),
                              0.5,
                              area.width() - 0.5),
                          Math.clamp(
                              cy - dx * Math.sin(angle) + dy * Math.cos(angle),
                              0.5,
                              area.height() - 0.5));
                    }));
    FaceMap there = analysis.faces(turned, 0).getFirst();
    assertThat(there.oval().angle()).isBetween(18.0, 32.0);
    double slope =
        Math.toDegrees(
            Math.atan2(
                there.rightPupil().y() - there.leftPupil().y(),
                there.rightPupil().x() - there.leftPupil().x()));
    assertThat(slope).isBetween(20.0, 30.0);
  }

  @Test
  public void noFaceIsSeenWhereThereIsNone() {
    Area area = new Area(0, 0, 600, 400);
    Picture sky =
        new Picture(
            Pictures.plane(area, (x, y) -> 0.4 + x / 2000.0),
            Pictures.plane(area, (x, y) -> 0.5 + y / 1500.0),
            Pictures.plane(area, (x, y) -> 0.7 + 0.05 * Math.sin(x / 7.0)));
    assertThat(analysis.faces(sky, 0)).isEmpty();
  }

  @Test
  public void coordinatesAreOfTheFullSizeWhateverTheLevel() {
    Picture photo = Portrait.S02.picture("photo.jpg");
    Picture half = photo.map(Resampling::half);
    agree(analysis.faces(half, 1).getFirst(), Portrait.S02.faces(), 0.01);
  }
}
