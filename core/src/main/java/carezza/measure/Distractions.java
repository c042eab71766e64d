package carezza.measure;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * Finds what draws the eye away from the face: places outside face and hair that are among the
 * brightest, the sharpest or the most colourful 2 % of the picture and stand out from around them.
 */
public final class Distractions {

  /** Part of the picture that may be called outstanding in one respect. */
  private static final double MOST_SHARE = 0.02;

  /** L* or C* by which a place must differ from around it. */
  private static final double STANDS_OUT = 9;

  /** Local contrast, in L*, from which a place is sharp. */
  private static final double SHARP = 5;

  /**
   * Diameters as shares of the face width: what is finer is texture, what is broader is the scene.
   */
  private static final double FINE = 1 / 60.0;

  private static final double BROAD = 1 / 2.5;

  private static final double SMALLEST = 1 / 30.0;
  private static final int MOST = 12;

  private Distractions() {}

  /**
   * @param lab the whole picture at the analysis level
   * @return the strongest first
   */
  public static List<Distraction> of(Picture lab, EvaluationContext context) {
    Picture small = lab.map(Resampling::half);
    double fw = context.faceWidth() / 2;
    Plane elsewhere = elsewhere(context).crop(small.area());
    Picture fine = small.map(p -> GaussianBlur.blur(p, fw * FINE));
    Plane chroma = chroma(fine);
    Plane contrast = small.first().minus(fine.first());
    for (int i = 0; i < contrast.values().length; i++) {
      contrast.values()[i] = Math.abs(contrast.values()[i]);
    }
    Plane sharp = GaussianBlur.blur(contrast, fw * FINE * 2);
    double scale = context.scale() / 2;
    List<Distraction> found = new ArrayList<>();
    places(
        fine.first(),
        around(fine.first(), fw, STANDS_OUT),
        elsewhere,
        Distraction.Kind.BRIGHT,
        fw,
        scale,
        found);
    places(
        sharp,
        Plane.filled(sharp.area(), (float) SHARP),
        elsewhere,
        Distraction.Kind.SHARP,
        fw,
        scale,
        found);
    places(
        chroma,
        around(chroma, fw, STANDS_OUT),
        elsewhere,
        Distraction.Kind.COLOURFUL,
        fw,
        scale,
        found);
    found.sort(Comparator.comparingDouble(Distraction::strength).reversed());
    return List.copyOf(found.subList(0, Math.min(MOST, found.size())));
  }

  /** What a place must reach to stand out from around it. */
  private static Plane around(Plane plane, double fw, double by) {
    Plane level = GaussianBlur.blur(plane, fw * BROAD / 2);
    for (int i = 0; i < level.values().length; i++) {
      level.values()[i] += (float) by;
    }
    return level;
  }

  private static Plane elsewhere(EvaluationContext context) {
    Plane out = Plane.filled(Resampling.half(Plane.of(context.whole())).area(), 1);
    for (SemanticRegion region :
        List.of(
            SemanticRegion.FACE_SKIN,
            SemanticRegion.LIPS,
            SemanticRegion.TEETH,
            SemanticRegion.SCLERA,
            SemanticRegion.IRIS,
            SemanticRegion.BROWS_LASHES,
            SemanticRegion.HAIR)) {
      Plane own = context.regions().coverage(region, out.area(), context.level() + 1);
      for (int i = 0; i < out.values().length; i++) {
        out.values()[i] *= 1 - own.values()[i];
      }
    }
    return out;
  }

  private static Plane chroma(Picture lab) {
    Plane out = Plane.of(lab.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = (float) Math.hypot(lab.second().values()[i], lab.third().values()[i]);
    }
    return out;
  }

  /** Connected places above both the share's limit and their own. */
  private static void places(
      Plane values,
      Plane limit,
      Plane where,
      Distraction.Kind kind,
      double fw,
      double scale,
      List<Distraction> found) {
    Area area = values.area();
    double top =
        RobustStatistics.quantile(
            RobustStatistics.values(values, Plane.filled(area, 1)), 1 - MOST_SHARE);
    boolean[] open = new boolean[area.pixels()];
    for (int i = 0; i < open.length; i++) {
      open[i] = where.values()[i] > 0.5f && values.values()[i] > Math.max(top, limit.values()[i]);
    }
    double least = Math.PI / 4 * Math.pow(fw * SMALLEST, 2);
    for (int i = 0; i < open.length; i++) {
      if (open[i]) {
        List<Integer> members = connected(i, open, area.width());
        if (members.size() >= least) {
          found.add(place(members, values, limit, area.width(), kind, scale));
        }
      }
    }
  }

  /** Takes the members of one place out of those that are open. */
  private static List<Integer> connected(int start, boolean[] open, int width) {
    List<Integer> members = new ArrayList<>();
    ArrayDeque<Integer> next = new ArrayDeque<>(List.of(start));
    open[start] = false;
    while (!next.isEmpty()) {
      int i = next.poll();
      members.add(i);
      int x = i % width;
      for (int n :
          new int[] {i - width, i + width, x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1}) {
        if (n >= 0 && n < open.length && open[n]) {
          open[n] = false;
          next.add(n);
        }
      }
    }
    return members;
  }

  private static Distraction place(
      List<Integer> members,
      Plane values,
      Plane limit,
      int width,
      Distraction.Kind kind,
      double scale) {
    double x = 0;
    double y = 0;
    double above = 0;
    for (int i : members) {
      x += i % width + 0.5;
      y += i / width + 0.5;
      above += values.values()[i] - limit.values()[i];
    }
    int n = members.size();
    double far = 0;
    for (int i : members) {
      far = Math.max(far, Math.hypot(i % width + 0.5 - x / n, i / width + 0.5 - y / n));
    }
    return new Distraction(
        new Point(x / n / scale, y / n / scale), (far + 1) / scale, kind, STANDS_OUT + above / n);
  }
}
