package carezza.mask;

import java.util.List;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceOutlines.Circle;
import carezza.model.Point;

/** An open eye from the outline of its lids and the circle of its iris. */
final class OutlinedEye {

  /** Half width of the band around lids, as a share of the face width. */
  private static final double LID_BAND = 0.008;

  /** Rays of a lid; offsets that are looked at, outwards in eye widths; samples of a mean. */
  private static final int LID_RAYS = 12;

  private static final double LID_FIRST = -0.1;
  private static final double LID_STEP = 0.005;
  private static final int LID_STEPS = 49;
  private static final int LID_SAMPLES = 4;

  /** How far to either side of a lid is looked, and where skin is sure, in eye widths. */
  private static final double LID_LOOK = 0.03;

  private static final double[] LID_SKIN = {0.1, 0.16};

  /** Where lids lie outside of the network's on most eyes, and the spread of it, in eye widths. */
  private static final double ASIDE = 0.02;

  private static final double BELOW = 0.03;
  private static final double BELOW_SPREAD = 0.04;
  private static final double ABOVE = -0.025;
  private static final double ABOVE_SPREAD = 0.02;

  /** What a sure step of colour counts against a likely place, and what a bend costs. */
  private static final double LID_EVIDENCE = 6;

  private static final double LID_STIFFNESS = 0.05;

  /** Distance in L*a*b* of what is surely not the same. */
  private static final double SURELY = 20;

  /** What is darker than the white of the eye by more than this share is all the same. */
  private static final double DARKER = 0.58;

  /** An iris that is this much less red and yellow than the skin is told from it by colour. */
  private static final double PALE = 6;

  /** The rim of the iris is as soft as this share of its radius. */
  private static final double RIM = 0.12;

  private final Outlined on;
  private final Picture lab;
  private final Area area;
  private final double scale;
  private final double faceWidth;
  private final SkinModel skin;

  OutlinedEye(Outlined on, SkinModel skin) {
    this.on = on;
    this.lab = on.lab();
    this.area = lab.area();
    this.scale = on.scale();
    this.faceWidth = on.faceWidth();
    this.skin = skin;
  }

  /** An eye with its parts. */
  record Eye(Plane open, Plane iris, Plane sclera) {}

  /**
   * An outline put right by hand is where it should be; one of the networks is moved to the edges.
   */
  Eye eye(List<Point> lids, Circle found, boolean right) {
    Plane open = on.soft(right ? lids : fitted(lids), LID_BAND * faceWidth / 2);
    Circle iris = right ? found : snapped(found, open);
    double r = iris.radius() * scale;
    FaceFrame.Ellipse disc =
        new FaceFrame.Ellipse(iris.middle().x() * scale, iris.middle().y() * scale, r, r, 1, 0);
    Plane round = disc.soft(area, RIM);
    Plane irisPlane = Plane.of(area);
    Plane sclera = Plane.of(area);
    Area box = open.covered();
    float[] l = lab.first().values();
    Histogram light = new Histogram(0, 100);
    Histogram white = new Histogram(-30, 60);
    Histogram colour = new Histogram(-30, 60);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = open.index(x, y);
        if (open.values()[i] > 0.5f && round.values()[i] < 0.1f) {
          light.add(l[i]);
        }
        if (open.values()[i] > 0.5f && round.values()[i] > 0.9f && y > disc.y()) {
          colour.add(whiteness(i));
        }
      }
    }
    double bright = light.quantile(0.85);
    double lashes = 0.36 * bright;
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = open.index(x, y);
        if (open.values()[i] > 0.5f && round.values()[i] < 0.1f && l[i] > lashes) {
          white.add(whiteness(i));
        }
      }
    }
    double split = white.otsu();
    double pink = white.meanBelow(split);
    double pale = white.meanAbove(split);
    // Where white and pink are one colour, the lids alone decide.
    float sure = Smoothstep.step((pale - pink - 4) / 6);
    // A hooded lid and its lashes hang over the iris: they have the colour of skin, which a blue
    // iris has not.
    double blue = right || colour.count() == 0 ? 0 : colour.quantile(0.5);
    Plane pupil = new FaceFrame.Ellipse(disc.x(), disc.y(), 0.6 * r, 0.6 * r, 1, 0).soft(area, RIM);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = open.index(x, y);
        float inside = open.values()[i];
        float own =
            blue < PALE ? 1 : Smoothstep.step((whiteness(i) - 0.2 * blue) / (0.3 * blue) + 0.5);
        irisPlane.values()[i] = inside * round.values()[i] * Math.max(own, pupil.values()[i]);
        float lit = Smoothstep.step((l[i] - lashes) / (0.3 * lashes + 1e-3) + 0.5);
        // The pink of the inner corner and of the lids is skin.
        float clean =
            Smoothstep.step(
                (whiteness(i) - pink - 0.3 * (pale - pink)) / (0.35 * Math.max(2, pale - pink))
                    + 0.5);
        clean = 1 - sure * (1 - clean);
        sclera.values()[i] = inside * (1 - round.values()[i]) * lit * clean;
      }
    }
    return new Eye(open, irisPlane, sclera);
  }

  /**
   * The lids moved to where skin begins: what lies inside is unlike the skin a little further out
   * on the same ray, what lies outside is like it. Every ray has its own skin, so a lid in shadow
   * is found as one in light. The network draws the lower lid too high, above all in smiles; above
   * the upper lid lashes are as unlike skin as the eye itself.
   */
  private List<Point> fitted(List<Point> lids) {
    ContourFit rays = new ContourFit(lids, LID_RAYS);
    double[][] cost = new double[rays.rays()][LID_STEPS];
    for (int r = 0; r < cost.length; r++) {
      int corner = Math.min(r % LID_RAYS, LID_RAYS - r % LID_RAYS);
      double heard = Math.min(1, corner / 2.0);
      double likely = corner == 0 ? ASIDE : r < LID_RAYS ? BELOW : ABOVE;
      double spread = (r < LID_RAYS ? BELOW_SPREAD : ABOVE_SPREAD) * (0.4 + 0.6 * heard);
      double[] beyond = mean(rays, r, LID_SKIN[0], LID_SKIN[1]);
      for (int k = 0; k < LID_STEPS; k++) {
        double o = lidOffset(k);
        double step =
            unlike(mean(rays, r, o - LID_LOOK, o), beyond)
                - unlike(mean(rays, r, o, o + LID_LOOK), beyond);
        double away = (o - likely) / spread;
        cost[r][k] = away * away / 2 - LID_EVIDENCE * heard * step;
      }
    }
    return rays.smooth(
        rays.least(LID_STEPS, (r, k) -> cost[r][k], LID_STIFFNESS), OutlinedEye::lidOffset);
  }

  private static double lidOffset(double step) {
    return LID_FIRST + LID_STEP * step;
  }

  /** Mean colour on a piece of a ray, offsets in eye widths. */
  private double[] mean(ContourFit rays, int ray, double from, double to) {
    double[] sum = new double[3];
    for (int i = 0; i < LID_SAMPLES; i++) {
      Point p = rays.at(ray, from + (to - from) * (i + 0.5) / LID_SAMPLES);
      for (int c = 0; c < 3; c++) {
        sum[c] += on.at(c, p) / LID_SAMPLES;
      }
    }
    return sum;
  }

  /** 0 for the same colour, 1 for one that is surely another. */
  private static double unlike(double[] one, double[] other) {
    double away = Math.hypot(one[0] - other[0], Math.hypot(one[1] - other[1], one[2] - other[2]));
    return Math.min(1, away / SURELY);
  }

  /**
   * The circle moved and sized to the strongest step from dark to light along its visible rim. What
   * is much darker than the white is all the same: the rim of a pupil is none of a pale iris.
   */
  private Circle snapped(Circle found, Plane open) {
    double white = white(found, open);
    double best = -Double.MAX_VALUE;
    Circle snapped = found;
    double step = found.radius() * 0.05;
    for (int dr = -3; dr <= 5; dr++) {
      for (int dx = -4; dx <= 4; dx++) {
        for (int dy = -2; dy <= 4; dy++) {
          Circle tried =
              new Circle(found.middle().plus(dx * step, dy * step), found.radius() + dr * step);
          double rise = rise(tried, open, white) - 0.03 * (dr * dr + dx * dx + dy * dy);
          if (rise > best) {
            best = rise;
            snapped = tried;
          }
        }
      }
    }
    return snapped;
  }

  /** Lightness of the open eye well outside the iris. */
  private double white(Circle found, Plane open) {
    Area box = open.covered();
    Histogram light = new Histogram(0, 100);
    double r = 1.3 * found.radius() * scale;
    double mx = found.middle().x() * scale;
    double my = found.middle().y() * scale;
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        if (open.at(x, y) > 0.8f && Math.hypot(x + 0.5 - mx, y + 0.5 - my) > r) {
          light.add(lab.first().at(x, y));
        }
      }
    }
    return light.count() == 0 ? 100 : light.quantile(0.6);
  }

  /** Mean difference of L* across the visible rim, from inside to outside. */
  private double rise(Circle iris, Plane open, double white) {
    double sum = 0;
    int n = 0;
    double r = iris.radius() * scale;
    double x = iris.middle().x() * scale;
    double y = iris.middle().y() * scale;
    for (int k = 0; k < 48; k++) {
      double angle = Math.PI * 2 * k / 48;
      double c = Math.cos(angle);
      double s = Math.sin(angle);
      if (open.sample(x + 1.15 * r * c, y + 1.15 * r * s) > 0.6
          && open.sample(x + 0.85 * r * c, y + 0.85 * r * s) > 0.6) {
        sum +=
            lit(white, x + 1.12 * r * c, y + 1.12 * r * s)
                - lit(white, x + 0.88 * r * c, y + 0.88 * r * s);
        n++;
      }
    }
    return n < 6 ? -1e6 : sum / n;
  }

  private double lit(double white, double x, double y) {
    return Math.max(lab.first().sample(x, y), white * (1 - DARKER));
  }

  /** How much less red and yellow than this skin at the same lightness. */
  private double whiteness(int i) {
    double l = lab.first().values()[i];
    double da = skin.expectedA(l) - lab.second().values()[i];
    double db = skin.expectedB(l) - lab.third().values()[i];
    return 1.2 * da + 0.5 * db;
  }
}
