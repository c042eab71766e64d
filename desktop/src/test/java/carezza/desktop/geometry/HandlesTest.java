package carezza.desktop.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;

import org.assertj.core.data.Offset;
import org.testng.annotations.Test;

import carezza.desktop.state.Brush;
import carezza.model.FaceMap;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Source;
import carezza.model.Mask;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Gradient;
import carezza.model.Mask.Polygon;
import carezza.model.Point;

/** Handles of masks, repairs and faces, and what dragging them makes. */
public class HandlesTest {

  private static final Offset<Double> EXACT = within(1e-9);
  private static final Ellipse OVAL = new Ellipse(100, 80, 40, 20, 30, 0.5);

  private static Mask dragged(Mask part, int handle, Point to) {
    return PartHandles.of(part).get(handle).move().apply(to);
  }

  private static void together(Point one, Point other) {
    assertThat(one.distance(other)).isCloseTo(0, EXACT);
  }

  @Test
  public void anOvalsRimTurnsItAndStaysUnderTheHand() {
    Point to = new Point(100, 140);
    Ellipse turned = (Ellipse) dragged(OVAL, 1, to);
    assertThat(turned.angle()).isCloseTo(90, EXACT);
    assertThat(turned.radiusX()).isCloseTo(60, EXACT);
    assertThat(turned.radiusY()).isEqualTo(20);
    together(PartHandles.of(turned).get(1).place(), to);
  }

  @Test
  public void itsOtherRimOnlyWidensAndItsMiddleMoves() {
    Ellipse wide =
        (Ellipse) dragged(OVAL, 2, PartHandles.of(OVAL).get(2).place().plus(-15, 25.98076));
    assertThat(wide.angle()).isEqualTo(30);
    assertThat(wide.radiusX()).isEqualTo(40);
    assertThat(wide.radiusY()).isCloseTo(50, within(1e-4));
    assertThat(dragged(OVAL, 0, new Point(7, 9))).isEqualTo(new Ellipse(7, 9, 40, 20, 30, 0.5));
  }

  @Test
  public void anOvalDoesNotVanish() {
    assertThat(((Ellipse) dragged(OVAL, 1, new Point(100, 80))).radiusX()).isEqualTo(2);
    assertThat(((Ellipse) dragged(OVAL, 2, new Point(100, 80))).radiusY()).isEqualTo(2);
  }

  @Test
  public void aGradientsEndsMoveByThemselves() {
    Gradient gradient = new Gradient(new Point(0, 0), new Point(0, 100));
    assertThat(dragged(gradient, 0, new Point(5, 5)))
        .isEqualTo(new Gradient(new Point(5, 5), new Point(0, 100)));
    assertThat(dragged(gradient, 1, new Point(5, 5)))
        .isEqualTo(new Gradient(new Point(0, 0), new Point(5, 5)));
  }

  @Test
  public void aLassosPointCarriesItsNeighboursAndTheFarOnesStay() {
    List<Point> circle = new ArrayList<>();
    for (int i = 0; i < 96; i++) {
      double a = 2 * Math.PI * i / 96;
      circle.add(new Point(100 * Math.cos(a), 100 * Math.sin(a)));
    }
    Polygon lasso = new Polygon(circle, 3);
    assertThat(PartHandles.of(lasso)).hasSize(24);
    List<Point> after = ((Polygon) dragged(lasso, 2, circle.get(8).plus(8, 0))).points();
    together(after.get(8), circle.get(8).plus(8, 0));
    together(after.get(10), circle.get(10).plus(4, 0));
    together(after.get(12), circle.get(12));
    together(after.get(60), circle.get(60));
  }

  @Test
  public void theNearestHandleInReachIsMeant() {
    assertThat(PartHandles.near(OVAL, new Point(101, 81), 6)).isZero();
    assertThat(PartHandles.near(OVAL, new Point(300, 300), 6)).isEqualTo(-1);
    assertThat(PartHandles.near(new Mask.Everything(), new Point(0, 0), 1e6)).isEqualTo(-1);
  }

  private static Patch spot(Source source) {
    return Patch.spot(50, 50, 10).withSources(List.of(source));
  }

  @Test
  public void aSourceIsDraggedTurnedAndScaled() {
    Patch patch = spot(new Source(40, 0));
    Point at = RepairHandles.sourceCentre(patch.pieces().getFirst());
    together(at, new Point(90, 50));
    RepairHandles.Grip source = RepairHandles.grip(patch, at, 3);
    assertThat(source.part()).isEqualTo(RepairHandles.Part.SOURCE);
    assertThat(source.dragged(at.plus(5, -7)).sources().getFirst()).isEqualTo(new Source(45, -7));
    Point handle = RepairHandles.turnHandle(patch.pieces().getFirst());
    together(handle, new Point(104, 50));
    RepairHandles.Grip turn = RepairHandles.grip(patch, handle, 3);
    assertThat(turn.part()).isEqualTo(RepairHandles.Part.TURN);
    Source turned = turn.dragged(new Point(90, 78)).sources().getFirst();
    assertThat(turned.angle()).isCloseTo(90, EXACT);
    assertThat(turned.scale()).isCloseTo(2, EXACT);
    together(RepairHandles.turnHandle(spot(turned).pieces().getFirst()), new Point(90, 78));
  }

  @Test
  public void aRepairWithoutASourceHasOnlyItsPlace() {
    Patch own = spot(Source.OWN);
    RepairHandles.Grip grip = RepairHandles.grip(own, new Point(52, 50), 3);
    assertThat(grip.part()).isEqualTo(RepairHandles.Part.AREA);
    Patch moved = grip.dragged(new Point(62, 45));
    together(moved.area().centre(), new Point(60, 45));
    assertThat(RepairHandles.grip(own, new Point(64, 50), 3)).isNull();
  }

  @Test
  public void aMirroredSourceTakesFromItsOtherSide() {
    Patch patch = spot(new Source(40, 0, 0, 1, true));
    together(RepairHandles.taken(patch.pieces().getFirst(), new Point(55, 53)), new Point(85, 53));
  }

  @Test
  public void insideIsEvenOdd() {
    List<Point> square =
        List.of(new Point(0, 0), new Point(10, 0), new Point(10, 10), new Point(0, 10));
    assertThat(RepairHandles.inside(square, new Point(5, 5))).isTrue();
    assertThat(RepairHandles.inside(square, new Point(15, 5))).isFalse();
    assertThat(RepairHandles.inside(square, new Point(-1, 5))).isFalse();
  }

  @Test
  public void fiveClicksAndOneMakeAFaceWhateverTheirOrder() {
    FacePlacing placing = new FacePlacing();
    assertThat(placing.next()).isEqualTo(FacePlacing.START);
    placing.add(new Point(200, 300));
    assertThat(placing.boxOpen()).isTrue();
    placing.add(new Point(100, 100));
    placing.add(new Point(175, 180));
    placing.add(new Point(125, 180));
    placing.add(new Point(130, 250));
    assertThat(placing.complete()).isFalse();
    placing.add(new Point(170, 250));
    assertThat(placing.complete()).isTrue();
    FaceMap face = placing.map().orElseThrow();
    together(face.leftPupil(), new Point(125, 180));
    together(face.rightPupil(), new Point(175, 180));
    assertThat(face.oval().radiusX()).isEqualTo(50);
    assertThat(face.oval().radiusY()).isEqualTo(100);
    assertThat(face.corrected()).containsExactlyInAnyOrder(FaceMap.Part.values());
  }

  @Test
  public void sixClicksOnOneSpotMakeNone() {
    FacePlacing placing = new FacePlacing();
    for (int i = 0; i < 6; i++) {
      placing.add(new Point(10, 10));
    }
    assertThat(placing.map()).isEmpty();
  }

  @Test
  public void aBrushStaysWithinItsBounds() {
    Brush brush = new Brush(24, 0.5, 1);
    assertThat(brush.radiusTimes(1e6).radius()).isEqualTo(800);
    assertThat(brush.radiusTimes(1e-6).radius()).isEqualTo(1);
    assertThat(brush.softer(9).softness()).isEqualTo(1);
    assertThat(brush.stronger(-9).strength()).isEqualTo(0.01);
    assertThat(brush.staying(true).softer(0.1).inside()).isTrue();
  }
}
