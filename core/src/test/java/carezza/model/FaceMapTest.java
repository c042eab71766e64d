package carezza.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;

import org.assertj.core.data.Offset;
import org.testng.annotations.Test;

import carezza.model.FaceMap.FaceOval;
import carezza.model.FaceMap.Part;
import carezza.model.FaceOutlines.Circle;

public class FaceMapTest {

  /** An almond of sixteen points, corners first and in the middle. */
  private static List<Point> almond(double x, double y, double width, double height) {
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < 16; i++) {
      double angle = Math.PI + 2 * Math.PI * i / 16;
      points.add(new Point(x + width / 2 * Math.cos(angle), y + height / 2 * Math.sin(angle)));
    }
    return points;
  }

  private static FaceMap face(double x) {
    FaceOutlines outlines =
        new FaceOutlines(
            almond(x, 180, 80, 40),
            almond(x, 180, 60, 10),
            almond(x - 40, 100, 40, 20),
            almond(x + 40, 100, 40, 20),
            almond(x - 40, 70, 50, 10),
            almond(x + 40, 70, 50, 10),
            almond(x, 130, 200, 260),
            new Circle(new Point(x - 40, 100), 9),
            new Circle(new Point(x + 40, 100), 9));
    return new FaceMap(
            new FaceOval(x, 130, 100, 130, 0),
            new Point(x - 40, 100),
            new Point(x + 40, 100),
            new Point(x - 40, 180),
            new Point(x + 40, 180))
        .withOutlines(outlines);
  }

  @Test
  public void aBentEdgePassesThroughItsHandleAndKeepsCornersAndTheOtherEdge() {
    List<Point> lid = almond(0, 0, 40, 20);
    Point to = new Point(3, -18);
    List<Point> bent = FaceOutlines.bent(lid, 4, to);
    assertThat(bent.get(4).distance(to)).isLessThan(1e-9);
    assertThat(bent.getFirst()).isEqualTo(lid.getFirst());
    assertThat(bent.subList(8, 16)).isEqualTo(lid.subList(8, 16));
    double moved = bent.get(2).distance(lid.get(2));
    assertThat(moved).isBetween(0.5, bent.get(4).distance(lid.get(4)));
    assertThat(bent.get(1).distance(lid.get(1))).isLessThan(moved);
  }

  @Test
  public void aCornerThatIsDraggedTakesTheOutlineAlong() {
    List<Point> lid = almond(0, 0, 40, 20);
    Point to = new Point(30, 10);
    List<Point> dragged = FaceOutlines.cornered(lid, false, to);
    assertThat(dragged.get(8).distance(to)).isLessThan(1e-9);
    assertThat(dragged.getFirst().distance(lid.getFirst())).isLessThan(1e-9);
    double stretch = dragged.getFirst().distance(to) / 40;
    assertThat(dragged.get(4).distance(dragged.get(12)))
        .isCloseTo(20 * stretch, Offset.offset(1e-9));
  }

  @Test
  public void whatWasPutRightByHandIsKeptAndNothingElse() {
    FaceMap found = face(300);
    List<Point> lips = FaceOutlines.bent(found.outlines().outerLips(), 4, new Point(300, 150));
    FaceMap corrected =
        found
            .withOutlines(found.outlines().withLips(lips, found.outlines().innerLips()))
            .correcting(Part.MOUTH);
    FaceMap anew = face(306);
    FaceMap kept = anew.keeping(corrected);
    assertThat(kept.outlines().outerLips()).isEqualTo(lips);
    assertThat(kept.leftMouth()).isEqualTo(corrected.leftMouth());
    assertThat(kept.oval()).isEqualTo(anew.oval());
    assertThat(kept.outlines().leftEye()).isEqualTo(anew.outlines().leftEye());
    assertThat(kept.corrected()).containsExactly(Part.MOUTH);
    assertThat(anew.keeping(found)).isEqualTo(anew);
  }

  @Test
  public void theSameFaceIsKnownByItsPlace() {
    assertThat(face(300).sameFaceAs(face(330))).isTrue();
    assertThat(face(300).sameFaceAs(face(520))).isFalse();
  }

  @Test
  public void pupilsOnOneAnotherAreNoFace() {
    FaceMap f = face(300);
    assertThatThrownBy(() -> f.withLeftPupil(f.rightPupil()))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
