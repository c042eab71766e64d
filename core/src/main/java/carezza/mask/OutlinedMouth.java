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

  /** Gaps between teeth are narrower than this, as a share of the face width. */
  private static final double CLOSED = 0.01;

  /** How far beyond the network's opening of the mouth teeth are looked for. */
  private static final double GAP = 3;

  /** Sigma by which the outline of the lips is looked for, as a share of the face width. */
  private static final double CALM = 0.005;

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
    Histogram lipHue = new Histogram(-0.5, 1.5);
    Histogram openHue = new Histogram(-0.5, 1.5);
    Histogram openL = new Histogram(0, 100);
    float[] l = lab.first().values();
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = outer.index(x, y);
        if (around.values()[i] > 0.9 && wide.values()[i] < 0.1) {
          lipHue.add(saturation(i));
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
    Plane lit = Plane.of(area);
    Plane gap = Plane.of(area);
    Plane teeth = Plane.of(area);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = outer.index(x, y);
        float pale = teethShow ? Smoothstep.step((split - saturation(i)) / width + 0.5) : 0;
        gap.values()[i] = Smoothstep.step(GAP * wide.values()[i]);
        lit.values()[i] = Smoothstep.step((l[i] - shade) / (0.3 * shade + 1e-3) + 0.5);
        teeth.values()[i] = gap.values()[i] * pale * lit.values()[i];
      }
    }
    close(teeth, gap, box);
    Plane lips = Plane.of(area);
    for (int x = box.x(); x < box.right(); x++) {
      // Above the teeth all that is dark is lip in shadow, below them the mouth's inside.
      boolean below = !teethShow;
      for (int y = box.y(); y < box.bottom(); y++) {
        int i = outer.index(x, y);
        below |= teeth.values()[i] > 0.4f;
        float opening = teethShow ? teeth.values()[i] : inner.values()[i];
        if (below && open) {
          opening =
              Math.max(opening, (teethShow ? gap : inner).values()[i] * (1 - lit.values()[i]));
        }
        lips.values()[i] = outer.values()[i] * (1 - opening);
      }
    }
    return new Mouth(lips, teeth, around);
  }

  /**
   * Teeth stand side by side: what is narrow and dark between them, and their shaded edges, are
   * teeth.
   */
  private void close(Plane teeth, Plane gap, Area box) {
    Plane near = GaussianBlur.blur(teeth.crop(box), CLOSED * faceWidth);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = teeth.index(x, y);
        float closed = gap.values()[i] * Smoothstep.step((near.at(x, y) - 0.5) / 0.2 + 0.5);
        teeth.values()[i] = Math.max(teeth.values()[i], closed);
      }
    }
  }

  private List<Point> fittedLips() {
    return new LipOutline(calm(), on.scale(), outlines.outerLips()).fitted();
  }

  /** The mouth without stubble, pores and the finest lights. */
  private Picture calm() {
    double sigma = CALM * faceWidth;
    Area box = PolygonCoverage.of(outlines.outerLips(), area, on.scale()).covered();
    Area wide = box.grow(box.width() / 3 + GaussianBlur.reach(sigma)).intersect(area);
    Picture picture = Picture.of(area);
    for (int c = 0; c < 3; c++) {
      picture.plane(c).copyFrom(GaussianBlur.blur(lab.plane(c).crop(wide), sigma));
    }
    return picture;
  }

  /** Redness over lightness: the same for lips in the light and in shadow. */
  private double saturation(int i) {
    return lab.second().values()[i] / Math.max(12, lab.first().values()[i]);
  }
}
