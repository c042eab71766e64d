package carezza.mask;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceMap.Part;
import carezza.model.FaceOutlines;
import carezza.model.FaceOutlines.Circle;
import carezza.model.Point;

/**
 * Eyes, mouth and brows from their outlines. An outline is right to a few pixels of the network that drew
 * it, so it says where to look and what must lie inside; the edge itself is drawn by this picture's
 * colours within a band around it.
 */
final class OutlinedParts {

  /** Half width of the band, as a share of the face width, for lids and for lips. */
  private static final double LID_BAND = 0.008;

  private static final double LIP_BAND = 0.03;

  /** The same for lips that were put right by hand. */
  private static final double LIP_BAND_BY_HAND = 0.01;

  /** Farthest that a lid is moved, corners' reach, and half the step looked at, in eye widths. */
  private static final double FARTHEST = 0.12;

  private static final double CORNER = 0.03;
  private static final double STEP = 0.025;

  /** The rim of the iris is as soft as this share of its radius. */
  private static final double RIM = 0.12;

  private final Picture lab;
  private final Area area;
  private final FaceOutlines outlines;
  private final Set<Part> byHand;
  private final SkinModel skin;
  private final double scale;
  private final double faceWidth;

  OutlinedParts(Picture lab, FaceFrame face, FaceOutlines outlines, SkinModel skin) {
    this.lab = lab;
    this.area = lab.area();
    this.outlines = outlines;
    this.byHand = face.map().corrected();
    this.skin = skin;
    this.scale = face.scale();
    this.faceWidth = face.faceWidth();
  }

  // --- eyes

  /** An eye with its parts. */
  record Eye(Plane open, Plane iris, Plane sclera) {}

  Eye left() {
    return eye(outlines.leftEye(), outlines.leftIris(), byHand.contains(Part.LEFT_EYE));
  }

  Eye right() {
    return eye(outlines.rightEye(), outlines.rightIris(), byHand.contains(Part.RIGHT_EYE));
  }

  /** An outline put right by hand is where it should be; one of the networks is moved to the edges. */
  private Eye eye(List<Point> lids, Circle found, boolean right) {
    Plane open = soft(right ? lids : fitted(lids), LID_BAND * faceWidth / 2);
    Circle iris = right ? found : snapped(found, open);
    double r = iris.radius() * scale;
    FaceFrame.Ellipse disc =
        new FaceFrame.Ellipse(
            iris.middle().x() * scale, iris.middle().y() * scale, r, r, 1, 0);
    Plane round = disc.soft(area, RIM);
    Plane irisPlane = Plane.of(area);
    Plane sclera = Plane.of(area);
    Area box = open.covered();
    float[] l = lab.first().values();
    Histogram light = new Histogram(0, 100);
    Histogram white = new Histogram(-30, 60);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = open.index(x, y);
        if (open.values()[i] > 0.5f && round.values()[i] < 0.1f) {
          light.add(l[i]);
          white.add(whiteness(i));
        }
      }
    }
    double bright = light.quantile(0.85);
    double lashes = 0.36 * bright;
    double pale = white.quantile(0.7);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = open.index(x, y);
        float inside = open.values()[i];
        irisPlane.values()[i] = inside * round.values()[i];
        float lit = Smooth.step((l[i] - lashes) / (0.3 * lashes + 1e-3) + 0.5);
        // The pink of the inner corner and of the lids is skin.
        float clean = Smooth.step((whiteness(i) - 0.15 * pale) / (0.3 * Math.max(2, pale)) + 0.5);
        sclera.values()[i] = inside * (1 - round.values()[i]) * lit * clean;
      }
    }
    return new Eye(open, irisPlane, sclera);
  }

  /**
   * The lids moved to where skin begins: each by the offset, greatest in its middle, at which the colours
   * inside and outside differ most. The network draws the lower lid too high, above all in smiles.
   */
  private List<Point> fitted(List<Point> lids) {
    int half = lids.size() / 2;
    Point from = lids.get(0);
    Point to = lids.get(half);
    double length = from.distance(to);
    double ux = (to.x() - from.x()) / length;
    double uy = (to.y() - from.y()) / length;
    double side = Math.signum(across(lids.get(half / 2), from, ux, uy));
    List<Point> out = new ArrayList<>(lids);
    // The corners reach a little further than the network's.
    out.set(0, from.plus(-CORNER * length * ux, -CORNER * length * uy));
    out.set(half, to.plus(CORNER * length * ux, CORNER * length * uy));
    for (int lid = 0; lid < 2; lid++) {
      int first = lid * half;
      double way = lid == 0 ? side : -side;
      double best = -Double.MAX_VALUE;
      double chosen = 0;
      // Above the upper lid lashes are as unlike skin as the eye itself.
      int least = lid == 0 ? -6 : -16;
      int most = lid == 0 ? 24 : 5;
      for (int k = least; k <= most; k++) {
        double d = k / 24.0 * FARTHEST * length;
        double score = 0;
        for (int i = 2; i <= half - 2; i++) {
          Point p = shifted(lids, first, i, half, way * d, ux, uy);
          score += step(p, way * length, ux, uy);
        }
        score -= 0.002 * k * k;
        if (score > best) {
          best = score;
          chosen = d;
        }
      }
      for (int i = 1; i < half; i++) {
        out.set(first + i, shifted(lids, first, i, half, way * chosen, ux, uy));
      }
    }
    return out;
  }

  private static double across(Point p, Point from, double ux, double uy) {
    return (p.y() - from.y()) * ux - (p.x() - from.x()) * uy;
  }

  private static Point shifted(
      List<Point> lids, int first, int i, int half, double d, double ux, double uy) {
    double t = 2.0 * i / half - 1;
    double w = 1 - t * t;
    return lids.get(first + i).plus(-d * w * uy, d * w * ux);
  }

  /** How much less like skin it is inside of a lid's point than outside. */
  private double step(Point p, double out, double ux, double uy) {
    double d = STEP * out;
    return unlike(p.plus(d * uy, -d * ux)) - unlike(p.plus(-d * uy, d * ux));
  }

  private double unlike(Point p) {
    double x = p.x() * scale;
    double y = p.y() * scale;
    double distance =
        skin.distance(
            lab.first().sample(x, y), lab.second().sample(x, y), lab.third().sample(x, y));
    return Math.min(distance, 6);
  }

  /** The circle moved and sized to the strongest step from dark to light along its sides. */
  private Circle snapped(Circle found, Plane open) {
    double best = -Double.MAX_VALUE;
    Circle snapped = found;
    double step = found.radius() * 0.05;
    for (int dr = -3; dr <= 5; dr++) {
      for (int dx = -3; dx <= 3; dx++) {
        for (int dy = -2; dy <= 4; dy++) {
          Circle tried =
              new Circle(found.middle().plus(dx * step, dy * step), found.radius() + dr * step);
          double rise = rise(tried, open) - 0.03 * (dr * dr + dx * dx + dy * dy);
          if (rise > best) {
            best = rise;
            snapped = tried;
          }
        }
      }
    }
    return snapped;
  }

  /** Mean difference of L* across the visible rim, from inside to outside. */
  private double rise(Circle iris, Plane open) {
    double sum = 0;
    int n = 0;
    double r = iris.radius() * scale;
    for (int k = 0; k < 48; k++) {
      double angle = Math.PI * 2 * k / 48;
      double c = Math.cos(angle);
      double s = Math.sin(angle);
      double x = iris.middle().x() * scale;
      double y = iris.middle().y() * scale;
      if (open.sample(x + 1.15 * r * c, y + 1.15 * r * s) > 0.6
          && open.sample(x + 0.85 * r * c, y + 0.85 * r * s) > 0.6) {
        sum +=
            lab.first().sample(x + 1.12 * r * c, y + 1.12 * r * s)
                - lab.first().sample(x + 0.88 * r * c, y + 0.88 * r * s);
        n++;
      }
    }
    return n < 6 ? -1e6 : sum / n;
  }

  /** How much less red and yellow than this skin at the same lightness. */
  private double whiteness(int i) {
    double l = lab.first().values()[i];
    double da = skin.expectedA(l) - lab.second().values()[i];
    double db = skin.expectedB(l) - lab.third().values()[i];
    return 1.2 * da + 0.5 * db;
  }

  // --- mouth

  /** Lips and teeth. */
  record Mouth(Plane lips, Plane teeth, Plane whole) {}

  Mouth mouth() {
    double band = (byHand.contains(Part.MOUTH) ? LIP_BAND_BY_HAND : LIP_BAND) * faceWidth;
    Plane outer = soft(outlines.outerLips(), 1);
    Plane around = soft(outlines.outerLips(), band);
    Plane inner = soft(outlines.innerLips(), 1);
    Plane wide = soft(outlines.innerLips(), band);
    Area box = around.covered();
    Contrast lipsOnSkin = new Contrast(box);
    Histogram lipHue = new Histogram(-0.5, 1.5);
    Histogram openHue = new Histogram(-0.5, 1.5);
    Histogram openL = new Histogram(0, 100);
    float[] l = lab.first().values();
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = outer.index(x, y);
        if (around.values()[i] > 0.9 && wide.values()[i] < 0.1) {
          lipsOnSkin.inside(i);
          lipHue.add(saturation(i));
        } else if (around.values()[i] < 0.15 && around.values()[i] > 0) {
          lipsOnSkin.outside(i);
        }
        if (inner.values()[i] > 0.9) {
          openHue.add(saturation(i));
          openL.add(l[i]);
        }
      }
    }
    // The inner outline is wide where teeth or the dark of the mouth show; elsewhere it is a line.
    boolean open = openHue.count() > 30;
    double tooth = open ? openHue.quantile(0.2) : 0;
    double lip = open ? lipHue.quantile(0.3) : 0;
    double split = tooth + 0.45 * (lip - tooth);
    double width = 0.4 * Math.max(0.05, lip - tooth);
    double shade = open ? 0.4 * openL.quantile(0.9) : 0;
    boolean teethShow = open && lip - tooth > 0.12;
    Plane lips = Plane.of(area);
    Plane teeth = Plane.of(area);
    lipsOnSkin.settle();
    for (int x = box.x(); x < box.right(); x++) {
      // Above the teeth all that is dark is lip in shadow, below them the mouth's inside.
      boolean below = !teethShow;
      for (int y = box.y(); y < box.bottom(); y++) {
        int i = outer.index(x, y);
        float pale = teethShow ? Smooth.step((split - saturation(i)) / width + 0.5) : 0;
        float gap = Smooth.step(1.6 * wide.values()[i]);
        float lit = Smooth.step((l[i] - shade) / (0.3 * shade + 1e-3) + 0.5);
        teeth.values()[i] = gap * pale * lit;
        below |= teeth.values()[i] > 0.4f;
        float opening = teethShow ? teeth.values()[i] : inner.values()[i];
        if (below && open) {
          opening = Math.max(opening, (teethShow ? gap : inner.values()[i]) * (1 - lit));
        }
        lips.values()[i] = lip(lipsOnSkin, around.values()[i], outer.values()[i], i) * (1 - opening);
      }
    }
    return new Mouth(lips, teeth, around);
  }

  /** Well inside the outline colour has no say, far outside neither; in the band it decides. */
  private static float lip(Contrast onSkin, float near, float outline, int i) {
    float inside = Smooth.step((near - 0.75) / 0.2);
    float outside = Smooth.step((0.25 - near) / 0.2);
    float byColour = inside + (1 - inside) * (1 - outside) * onSkin.likeness(i);
    // Where colour says nothing: lips reach a little further than the network draws them.
    float drawn = Math.max(outline, Smooth.step((near - 0.3) / 0.25));
    return onSkin.trust() * byColour + (1 - onSkin.trust()) * drawn;
  }

  /** Redness over lightness: the same for lips in the light and in shadow. */
  private double saturation(int i) {
    return lab.second().values()[i] / Math.max(12, lab.first().values()[i]);
  }

  /**
   * What tells two areas apart by colour, whatever light falls on them: the distance of their medians of a*
   * and b* over L*, each in units of the spread they have in common.
   */
  private final class Contrast {
    private static final double SPLIT = 0.4;
    private static final double WIDTH = 0.7;
    private static final double CALM = 0.005;

    private final Histogram[] in = histograms();
    private final Histogram[] out = histograms();
    private final double[] weight = new double[2];
    private final double[] middle = new double[2];
    private double apart;

    /** Without stubble, pores and the finest lights. */
    private final Picture calm;

    private Contrast(Area box) {
      double sigma = CALM * faceWidth;
      Area wide = box.grow(GaussianBlur.reach(sigma)).intersect(area);
      calm = Picture.of(area);
      for (int c = 0; c < 3; c++) {
        calm.plane(c).copyFrom(GaussianBlur.blur(lab.plane(c).crop(wide), sigma));
      }
    }

    private static Histogram[] histograms() {
      return new Histogram[] {new Histogram(-1, 2), new Histogram(-1, 2)};
    }

    private double value(int c, int i) {
      return calm.plane(c + 1).values()[i] / Math.max(12, calm.first().values()[i]);
    }

    private void inside(int i) {
      add(in, i);
    }

    private void outside(int i) {
      add(out, i);
    }

    private void add(Histogram[] to, int i) {
      for (int c = 0; c < 2; c++) {
        to[c].add(value(c, i));
      }
    }

    private void settle() {
      double sum = 0;
      for (int c = 0; c < 2; c++) {
        middle[c] = out[c].quantile(0.5);
        double difference = in[c].quantile(0.5) - middle[c];
        double spread =
            (in[c].quantile(0.84) - in[c].quantile(0.16)
                    + out[c].quantile(0.84)
                    - out[c].quantile(0.16))
                / 4;
        weight[c] = difference / Math.max(1e-4, spread * spread);
        sum += difference * weight[c];
      }
      apart = Math.sqrt(Math.max(0, sum));
      for (int c = 0; c < 2; c++) {
        weight[c] /= Math.max(1e-6, sum);
      }
    }

    /** 0 for colours as outside, 1 as inside, in between by their place on the way. */
    private float likeness(int i) {
      double t = 0;
      for (int c = 0; c < 2; c++) {
        t += weight[c] * (value(c, i) - middle[c]);
      }
      return Smooth.step((t - SPLIT) / WIDTH + 0.5);
    }

    /** How far colour can be believed: not where the medians lie within the spread. */
    private float trust() {
      return Smooth.step((apart - 0.8) / 1.6);
    }
  }

  // --- brows

  /** Dark hair in the bands of the brows and along the lids. */
  Plane browsAndLashes(Plane openEyes) {
    Plane brows = Plane.of(area);
    add(brows, soft(outlines.leftBrow(), LIP_BAND * faceWidth));
    add(brows, soft(outlines.rightBrow(), LIP_BAND * faceWidth));
    Plane lids = GaussianBlur.blur(openEyes, 0.012 * faceWidth);
    Plane around = GaussianBlur.blur(lab.first(), faceWidth / 25);
    for (int i = 0; i < brows.values().length; i++) {
      float rim = Smooth.step(6 * lids.values()[i]) * (1 - openEyes.values()[i]);
      float where = Math.max(brows.values()[i], rim);
      double drop = around.values()[i] - lab.first().values()[i];
      brows.values()[i] = where * Smooth.step((drop / around.values()[i] - 0.04) / 0.14);
    }
    return brows;
  }

  private static void add(Plane to, Plane other) {
    for (int i = 0; i < to.values().length; i++) {
      to.values()[i] = Math.max(to.values()[i], other.values()[i]);
    }
  }

  /** The outline's inside with an edge that runs from 0 to 1 over about twice {@code band} pixels. */
  private Plane soft(List<Point> outline, double band) {
    Plane hard = PolygonCoverage.of(outline, area, scale);
    Area box = hard.covered().grow((int) Math.ceil(4 * band) + 2).intersect(area);
    Plane out = Plane.of(area);
    out.copyFrom(GaussianBlur.blur(hard.crop(box), Math.max(0.5, band / 1.5)));
    return out;
  }
}
