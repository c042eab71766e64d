package carezza.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.data.Offset.offset;

import java.util.List;
import java.util.Set;

import org.testng.annotations.Test;

import carezza.kernel.LayerType;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;

public class HealLayerTest {

  private static final Stroke SCAR =
      Stroke.path(
          List.of(new Point(10, 10), new Point(110, 10), new Point(110, 210)), 10, 0.3, 1, false);

  @Test
  public void aLongStrokeIsHealedInPiecesOfEvenLength() {
    List<Piece> pieces = new Patch(SCAR, null).pieces();
    assertThat(pieces).hasSize(6);
    double sum = 0;
    for (Piece piece : pieces) {
      Stroke part = (Stroke) piece.area();
      assertThat(part.length()).isCloseTo(SCAR.length() / 6, offset(1e-3));
      assertThat(part.radius()).isEqualTo(10);
      sum += part.length();
    }
    assertThat(sum).isCloseTo(SCAR.length(), offset(1e-2));
    Stroke first = (Stroke) pieces.get(0).area();
    Stroke second = (Stroke) pieces.get(1).area();
    assertThat(first.x(first.size() - 1)).isEqualTo(second.x(0));
    assertThat(second.x(second.size() - 1)).isEqualTo(110);
  }

  @Test
  public void aSpotACloneAndAStrokeWithOneSourceAreOnePiece() {
    assertThat(Patch.spot(5, 5, 9).pieces()).hasSize(1);
    assertThat(new Patch(SCAR, List.of(), RepairMethod.CLONE, 1).pieces()).hasSize(1);
    assertThat(new Patch(SCAR, new Source(30, 0)).pieces())
        .containsExactly(new Piece(SCAR, new Source(30, 0)));
  }

  @Test
  public void aReductionIsNeverOpen() {
    assertThat(new Patch(SCAR, List.of(), RepairMethod.REDUCE, 0.4).open()).isFalse();
    assertThat(new Patch(SCAR, List.of(), RepairMethod.HEAL, 0.4).open()).isTrue();
  }

  @Test
  public void sourcesThatDoNotFitThePiecesAreRefused() {
    Source s = new Source(4, 4);
    assertThatThrownBy(() -> new Patch(SCAR, List.of(s, s), RepairMethod.HEAL, 1))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("pieces");
    assertThatThrownBy(() -> new Patch(SCAR, List.of(), RepairMethod.HEAL, 1.5))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void anotherWayKeepsOnlyTheSourcesThatStillFit() {
    Source s = new Source(4, 4);
    Patch healed = new Patch(SCAR, List.of(s, s, s, s, s, s), RepairMethod.HEAL, 1);
    assertThat(healed.withWay(RepairMethod.CLONE).sources()).isEmpty();
    assertThat(healed.withWay(RepairMethod.REDUCE).sources()).isEmpty();
    assertThat(new Patch(SCAR, s).withWay(RepairMethod.MATCH).sources()).containsExactly(s);
  }

  @Test
  public void repairsAreChangedAndTakenOutByTheirPlace() {
    HealLayer layer =
        ((HealLayer) LayerType.HEAL.fresh())
            .withPatches(List.of(Patch.spot(1, 1, 5), Patch.spot(2, 2, 5), Patch.spot(3, 3, 5)));
    assertThat(layer.changed(1, p -> p.withAmount(0.4)).patches().get(1).amount()).isEqualTo(0.4);
    assertThat(layer.without(Set.of(0, 2)).patches()).containsExactly(Patch.spot(2, 2, 5));
  }
}
