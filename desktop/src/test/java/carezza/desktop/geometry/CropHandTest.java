package carezza.desktop.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

import carezza.image.PictureSize;
import carezza.model.Crop;
import carezza.model.Point;

/** Frames dragged by hand, and curves bent by it. */
public class CropHandTest {

  private static final Crop FRAME = new Crop(100, 100, 80, 60, 0);

  private static Crop drag(Crop crop, Point from, Point to, double ratio) {
    return new CropHand(crop, from, 5, ratio).dragged(to);
  }

  @Test
  public void aCornerIsDraggedAndTheOppositeOneStays() {
    Crop dragged = drag(FRAME, new Point(140, 130), new Point(160, 150), 0);
    assertThat(dragged).isEqualTo(new Crop(110, 110, 100, 80, 0));
  }

  @Test
  public void aRatioIsKeptFromASide() {
    Crop dragged = drag(FRAME, new Point(140, 100), new Point(180, 100), 2);
    assertThat(dragged.width()).isEqualTo(120);
    assertThat(dragged.height()).isEqualTo(60);
  }

  @Test
  public void insideItMovesAndOutsideItTurns() {
    assertThat(drag(FRAME, new Point(100, 90), new Point(105, 80), 0))
        .isEqualTo(new Crop(105, 90, 80, 60, 0));
    Crop turned = drag(FRAME, new Point(200, 100), new Point(200, 110), 0);
    assertThat(turned.angle()).isCloseTo(Math.toDegrees(Math.atan2(10, 100)), within(1e-9));
  }

  @Test
  public void aTurnedFrameIsDraggedAlongItsOwnSides() {
    Crop turned = FRAME.turned(30);
    Point corner = turned.at(1, 1);
    Point opposite = turned.at(-1, -1);
    Crop dragged = drag(turned, corner, corner.plus(13, 4), 0);
    assertThat(dragged.at(-1, -1).distance(opposite)).isCloseTo(0, within(1e-9));
    assertThat(dragged.at(1, 1).distance(corner.plus(13, 4))).isCloseTo(0, within(1e-9));
  }

  @Test
  public void anUprightLineLevelsAsWellAsALevelOne() {
    PictureSize size = new PictureSize(400, 300);
    Crop by = CropHand.levelled(Crop.of(size), new Point(10, 10), new Point(16, 110), size);
    assertThat(by.angle()).isCloseTo(-Math.toDegrees(Math.atan2(6, 100)), within(1e-9));
  }
}
