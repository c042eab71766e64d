package carezza.mask;

import java.util.List;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceOutlines;
import carezza.model.Point;

/** Lips and teeth from the outlines of the mouth. */
final class OutlinedMouth {

  /**
   * Half width of the band around lips that were put right by hand, as a share of the face width.
   */
  private static final double BAND_BY_HAND = 0.01;

  /**
   * Steps and look to either side, in mouth widths, and the cost of leaving the network's outline.
   */
  private static final double LIP_STEP = 0.008;

  private static final double LIP_LOOK = 0.02;
  private static final double LIP_FAITH = 0.03;

  /** Difference of L* that says as much as a whole step of colour. */
  private static final double LIP_LIGHT = 14;

  private final Outlined on;
  private final Picture lab;
  private final Area area;
  private final double faceWidth;
  private final FaceOutlines outlines;
  private final boolean right;

  /**
   * @param right whether the outlines were put right by hand
   */
  OutlinedMouth(Outlined on, FaceOutlines outlines, boolean right) {
    this.on = on;
    this.lab = on.lab();
    this.area = lab.area();
    this.faceWidth = on.faceWidth();
    this.outlines = outlines;
    this.right = right;
  }

  /** Lips and teeth. */
  record Mouth(Plane lips, Plane teeth, Plane whole) {}

  Mouth mouth() {
    double band = (right ? BAND_BY_HAND : Outlined.BAND) * faceWidth;
    List<Point> outline = right ? outlines.outerLips() : fittedLips();
    Plane outer = on.soft(outline, 1);
    Plane around = on.soft(outline, band);
    Plane inner = on.soft(outlines.innerLips(), 1);
    Plane wide = on.soft(outlines.innerLips(), band);
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
        float pale = teethShow ? Smoothstep.step((split - saturation(i)) / width + 0.5) : 0;
        float gap = Smoothstep.step(1.6 * wide.values()[i]);
        float lit = Smoothstep.step((l[i] - shade) / (0.3 * shade + 1e-3) + 0.5);
        teeth.values()[i] = gap * pale * lit;
        below |= teeth.values()[i] > 0.4f;
        float opening = teethShow ? teeth.values()[i] : inner.values()[i];
        if (below && open) {
          opening = Math.max(opening, (teethShow ? gap : inner.values()[i]) * (1 - lit));
        }
        lips.values()[i] =
            lip(lipsOnSkin, around.values()[i], outer.values()[i], i) * (1 - opening);
      }
    }
    return new Mouth(lips, teeth, around);
  }

  /**
   * The outer outline with its upper and its lower edge moved to where, on the mean along the edge,
   * the colours of lips and skin part most; or, where lips have the colour of the skin, the light
   * on them.
   */
  private List<Point> fittedLips() {
    List<Point> outer = outlines.outerLips();
    double band = Outlined.BAND * faceWidth;
    Plane around = on.soft(outer, band);
    Plane opening = on.soft(outlines.innerLips(), band);
    Area box = around.covered();
    Contrast contrast = new Contrast(box);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = around.index(x, y);
        if (around.values()[i] > 0.9 && opening.values()[i] < 0.1) {
          contrast.inside(i);
        } else if (around.values()[i] < 0.15 && around.values()[i] > 0) {
          contrast.outside(i);
        }
      }
    }
    contrast.settle();
    double trust = contrast.trust();
    BoundaryRefiner edges = new BoundaryRefiner(outer, 4);
    BoundaryRefiner.Score score =
        (inside, outside) -> {
          double colour = 0;
          double light = 0;
          for (int i = 0; i < inside.size(); i++) {
            colour += contrast.towards(inside.get(i)) - contrast.towards(outside.get(i));
            light += contrast.lightness(inside.get(i)) - contrast.lightness(outside.get(i));
          }
          return trust * colour + (1 - trust) * Math.abs(light) / LIP_LIGHT;
        };
    for (int edge = 0; edge < 2; edge++) {
      edges.fit(edge, new BoundaryRefiner.Search(-8, 10, LIP_STEP, LIP_LOOK, LIP_FAITH), score);
    }
    return edges.outline();
  }

  /** Well inside the outline colour has no say, far outside neither; in the band it decides. */
  private static float lip(Contrast onSkin, float near, float outline, int i) {
    float inside = Smoothstep.step((near - 0.75) / 0.2);
    float outside = Smoothstep.step((0.25 - near) / 0.2);
    float byColour = inside + (1 - inside) * (1 - outside) * onSkin.likeness(i);
    // Where colour says nothing: lips reach a little further than the network draws them.
    float drawn = Math.max(outline, Smoothstep.step((near - 0.18) / 0.25));
    return onSkin.trust() * byColour + (1 - onSkin.trust()) * drawn;
  }

  /** Redness over lightness: the same for lips in the light and in shadow. */
  private double saturation(int i) {
    return lab.second().values()[i] / Math.max(12, lab.first().values()[i]);
  }

  /**
   * What tells two areas apart by colour, whatever light falls on them: the distance of their
   * medians of a* and b* over L*, each in units of the spread they have in common.
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
    private final Outlined calm;

    private Contrast(Area box) {
      double sigma = CALM * faceWidth;
      Area wide = box.grow(GaussianBlur.reach(sigma)).intersect(area);
      Picture picture = Picture.of(area);
      for (int c = 0; c < 3; c++) {
        picture.plane(c).copyFrom(GaussianBlur.blur(lab.plane(c).crop(wide), sigma));
      }
      calm = new Outlined(picture, on.scale(), faceWidth);
    }

    private static Histogram[] histograms() {
      return new Histogram[] {new Histogram(-1, 2), new Histogram(-1, 2)};
    }

    private double value(int c, int i) {
      return calm.lab().plane(c + 1).values()[i] / Math.max(12, calm.lab().first().values()[i]);
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
            (in[c].quantile(0.84)
                    - in[c].quantile(0.16)
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

    private double lightness(Point p) {
      return calm.at(0, p);
    }

    /** 0 for colours as outside, 1 as inside, at a place of the photograph. */
    private double towards(Point p) {
      double t = 0;
      double l = Math.max(12, calm.at(0, p));
      for (int c = 0; c < 2; c++) {
        double v = calm.at(c + 1, p) / l;
        t += weight[c] * (v - middle[c]);
      }
      return Math.clamp(t, -1, 2);
    }

    /** 0 for colours as outside, 1 as inside, in between by their place on the way. */
    private float likeness(int i) {
      double t = 0;
      for (int c = 0; c < 2; c++) {
        t += weight[c] * (value(c, i) - middle[c]);
      }
      return Smoothstep.step((t - SPLIT) / WIDTH + 0.5);
    }

    /** How far colour can be believed: not where the medians lie within the spread. */
    private float trust() {
      return Smoothstep.step((apart - 0.8) / 1.6);
    }
  }
}
