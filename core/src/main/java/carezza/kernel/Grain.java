package carezza.kernel;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.HealLayer.Source;

/** Which way the texture runs: the doubled angle of its gradients and how far they agree. */
final class Grain {
  private final Plane along;
  private final Plane across;
  private final Plane all;

  Grain(Plane lightness) {
    Area area = lightness.area();
    Plane fine = GaussianBlur.blur(lightness, 1);
    along = Plane.of(area);
    across = Plane.of(area);
    all = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        float gx = fine.atNearest(x + 1, y) - fine.atNearest(x - 1, y);
        float gy = fine.atNearest(x, y + 1) - fine.atNearest(x, y - 1);
        int i = along.index(x, y);
        along.values()[i] = gx * gx - gy * gy;
        across.values()[i] = 2 * gx * gy;
        all.values()[i] = gx * gx + gy * gy;
      }
    }
  }

  double[] over(List<int[]> places, @Nullable Placement place) {
    double energy = SourceSearch.mean(all, places, place) + 1e-9;
    return new double[] {
      SourceSearch.mean(along, places, place) / energy,
      SourceSearch.mean(across, places, place) / energy
    };
  }

  /** As it runs once it is turned and mirrored into the repair. */
  double[] turned(double[] runs, Source source) {
    double flip = Math.abs(source.angle() % 180) == 90 ? -1 : 1;
    return new double[] {flip * runs[0], (source.mirrored() ? -flip : flip) * runs[1]};
  }
}
