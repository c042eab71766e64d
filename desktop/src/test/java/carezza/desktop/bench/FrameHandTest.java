package carezza.desktop.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.Test;

import carezza.colour.MonotoneCurve;
import carezza.image.PictureSize;
import carezza.model.Frame;
import carezza.model.Point;

/** Frames dragged by hand, and curves bent by it. */
public class FrameHandTest {

  private static final Frame FRAME = new Frame(100, 100, 80, 60, 0);

  private static Frame drag(Frame frame, Point from, Point to, double ratio) {
    return new FrameHand(frame, from, 5, ratio).dragged(to);
  }

  @Test
  public void aCornerIsDraggedAndTheOppositeOneStays() {
    Frame dragged = drag(FRAME, new Point(140, 130), new Point(160, 150), 0);
    assertThat(dragged).isEqualTo(new Frame(110, 110, 100, 80, 0));
  }

  @Test
  public void aRatioIsKeptFromASide() {
    Frame dragged = drag(FRAME, new Point(140, 100), new Point(180, 100), 2);
    assertThat(dragged.width()).isEqualTo(120);
    assertThat(dragged.height()).isEqualTo(60);
  }

  @Test
  public void insideItMovesAndOutsideItTurns() {
    assertThat(drag(FRAME, new Point(100, 90), new Point(105, 80), 0))
        .isEqualTo(new Frame(105, 90, 80, 60, 0));
    Frame turned = drag(FRAME, new Point(200, 100), new Point(200, 110), 0);
    assertThat(turned.angle()).isCloseTo(Math.toDegrees(Math.atan2(10, 100)), within(1e-9));
  }

  @Test
  public void aTurnedFrameIsDraggedAlongItsOwnSides() {
    Frame turned = FRAME.turned(30);
    Point corner = turned.at(1, 1);
    Point opposite = turned.at(-1, -1);
    Frame dragged = drag(turned, corner, corner.plus(13, 4), 0);
    assertThat(dragged.at(-1, -1).distance(opposite)).isCloseTo(0, within(1e-9));
    assertThat(dragged.at(1, 1).distance(corner.plus(13, 4))).isCloseTo(0, within(1e-9));
  }

  @Test
  public void anUprightLineLevelsAsWellAsALevelOne() {
    PictureSize size = new PictureSize(400, 300);
    Frame by = FrameHand.levelled(Frame.of(size), new Point(10, 10), new Point(16, 110), size);
    assertThat(by.angle()).isCloseTo(-Math.toDegrees(Math.atan2(6, 100)), within(1e-9));
  }

  @Test
  public void aCurveBendsAtItsToneAndStaysRising() {
    List<MonotoneCurve.Point> straight =
        List.of(new MonotoneCurve.Point(0, 0), new MonotoneCurve.Point(1, 1));
    List<MonotoneCurve.Point> bent = Picking.bent(straight, 0.4, 0.1);
    assertThat(new MonotoneCurve(bent).at(0.4)).isCloseTo(0.5, within(1e-9));
    List<MonotoneCurve.Point> far = Picking.bent(bent, 0.42, 5);
    assertThat(far).hasSize(3);
    assertThat(far.get(1).y()).isEqualTo(1);
  }
}
