package carezza.desktop.tool;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.Test;

import carezza.colour.MonotoneCurve;

/** Bending a curve at a tone. */
public class CurveToolTest {

  @Test
  public void aCurveBendsAtItsToneAndStaysRising() {
    List<MonotoneCurve.Point> straight =
        List.of(new MonotoneCurve.Point(0, 0), new MonotoneCurve.Point(1, 1));
    List<MonotoneCurve.Point> bent = CurveTool.bent(straight, 0.4, 0.1);
    assertThat(new MonotoneCurve(bent).at(0.4)).isCloseTo(0.5, within(1e-9));
    List<MonotoneCurve.Point> far = CurveTool.bent(bent, 0.42, 5);
    assertThat(far).hasSize(3);
    assertThat(far.get(1).y()).isEqualTo(1);
  }
}
