package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.Point;
import carezza.testing.AtWork;
import carezza.testing.Portrait;
import carezza.testing.Thorough;

/** What is proposed, healed, against the same skin without it. */
public class ProposedRepairsTest {

  /** Pixels from a repair's middle within which a blemish is the one that it is about. */
  private static final double ABOUT = 70;

  @DataProvider
  public Object[] portraits() {
    return Thorough.of(Portrait.values());
  }

  /** A repair goes as far as the redness around its spot does, so that no rim stays. */
  @Test(dataProvider = "portraits")
  public void aRepairReachesOverItsHalo(Portrait portrait) {
    AtWork bench = AtWork.on(portrait);
    List<Patch> patches =
        bench.session().repairs().blemishes(bench.plain(), 1, Cancellation.NONE).stream()
            .filter(b -> b.kind() == Blemish.Kind.TEMPORARY)
            .map(b -> Patch.spot(b.x(), b.y(), b.radius()))
            .toList();
    Picture healed =
        Lab.of(bench.finished(0, ((HealLayer) LayerType.HEAL.fresh()).withPatches(patches)));
    Picture clean = Lab.of(portrait.picture("clean.jpg"));
    Picture photo = Lab.of(portrait.picture("photo.jpg"));
    Plane where = portrait.mask("blemish.png");
    double before = 0;
    double after = 0;
    for (int y = 0; y < where.height(); y++) {
      for (int x = 0; x < where.width(); x++) {
        Point here = new Point(x, y);
        if (where.at(x, y) > 0
            && patches.stream().anyMatch(p -> p.area().centre().distance(here) < ABOUT)) {
          before += where.at(x, y) * squared(photo, clean, x, y);
          after += where.at(x, y) * squared(healed, clean, x, y);
        }
      }
    }
    assertThat(Math.sqrt(after / before)).isLessThan(0.64);
  }

  private static double squared(Picture a, Picture b, int x, int y) {
    double sum = 0;
    for (int c = 0; c < 3; c++) {
      double d = a.plane(c).at(x, y) - b.plane(c).at(x, y);
      sum += d * d;
    }
    return sum;
  }
}
