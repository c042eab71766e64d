package carezza.practice;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.job.Band;
import carezza.job.JobLevel;
import carezza.kernel.SeparationRadiusAdvisor;
import carezza.measure.SkinGauges;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.practice.Score.Measure;
import carezza.practice.Score.Reading;
import carezza.practice.Sitter.Part;

/**
 * Scores a piece of work against the truth. What is asked for earns points from 0, what it began
 * with, to 1, the truth; what it cost in texture, form or beside the place takes them away again.
 */
public final class Judge {

  /** Share of texture's power that may go or come; beyond it points fall to 0 at the ends. */
  private static final Band TEXTURE = new Band(0.85, 1.18);

  private static final Band TEXTURE_ENDS = new Band(0.4, 2.5);
  private static final Band FORM = new Band(0.94, 1.08);
  private static final Band FORM_ENDS = new Band(0.6, 1.6);

  /** How much more form light and shade along it should give. */
  private static final Band DEEPER = new Band(1.06, 1.35);

  private static final Band DEEPER_ENDS = new Band(1, 1.8);

  /** Change of colour beside the place that counts, in ΔE00. */
  private static final double SEEN = 2;

  /** Error that may be left and counts as none, in ΔE00: a file's own rounding. */
  private static final double ROUNDING = 0.15;

  private static final int MAP_LEVELS = 2;

  private final Task task;
  private final Picture before;
  private final Picture after;
  private final Picture truth;
  private final double fw;
  private final List<Reading> readings = new ArrayList<>();
  private final List<Remark> remarks = new ArrayList<>();
  private double points = 1;

  private Judge(Task task, Picture before, Picture after, Picture truth) {
    this.task = task;
    this.before = Lab.of(before);
    this.after = Lab.of(after);
    this.truth = Lab.of(truth);
    fw = task.sitter().faceWidth();
  }

  /**
   * @param before the task's photograph rendered through the stack it began with, working space
   * @param after the same through the stack as it stands
   * @param truth the task's truth, or its photograph through the stack that is its answer
   * @param stack as it stands
   * @param seconds of work
   */
  public static Score score(
      Task task, Picture before, Picture after, Picture truth, LayerStack stack, double seconds) {
    return new Judge(task, before, after, truth).judged(stack, seconds);
  }

  private Score judged(LayerStack stack, double seconds) {
    boolean mapped = true;
    switch (task.exercise()) {
      case FIND -> {
        return found(stack, seconds);
      }
      case HEAL -> {
        fault(1);
        texture(task.region());
        spill(grown(task.region()));
        marks();
        each(seconds);
      }
      case RADIUS -> {
        radius(stack);
        mapped = false;
      }
      case TRANSITIONS, EVEN -> {
        fault(MAP_LEVELS);
        texture(task.region());
        form();
        marks();
      }
      case LIGHT -> {
        light();
        texture(task.region());
      }
      case NECK -> {
        fault(MAP_LEVELS);
        texture(task.region());
        spill(task.region());
      }
      case BACKDROP -> backdrop();
      case TEETH -> teeth();
      case OVERDONE -> {
        fault(1);
        texture(task.sitter().mask(Part.SKIN));
      }
      default -> throw new IllegalStateException(task.exercise().name());
    }
    return scored(mapped ? map() : null);
  }

  private Score scored(Score.@Nullable Map map) {
    if (remarks.isEmpty()) {
      remarks.add(Remark.WELL_DONE);
    }
    double all = Double.isNaN(points) ? 0 : Math.clamp(points, 0, 1);
    return new Score(all, readings, remarks, map);
  }

  // --- what is asked for

  private Score found(LayerStack stack, double seconds) {
    List<Point> claims = new ArrayList<>();
    for (Layer layer : stack.layers()) {
      if (layer instanceof HealLayer heal && heal.attributes().on()) {
        heal.patches().stream().map(Patch::area).forEach(a -> claims.add(a.centre()));
      }
    }
    long found = task.blemishes().stream().filter(s -> meant(claims, s)).count();
    long right =
        claims.stream()
            .filter(c -> task.blemishes().stream().anyMatch(s -> s.covers(c.x(), c.y())))
            .count();
    long lost = task.marks().stream().filter(s -> meant(claims, s)).count();
    double recall = (double) found / task.count();
    double precision = claims.isEmpty() ? 0 : (double) right / claims.size();
    read(Measure.FOUND, recall, 0.9, 1);
    read(Measure.RIGHT, precision, 0.9, 1);
    read(Measure.MARKS_LOST, lost, 0, 0);
    points = recall + precision == 0 ? 0 : 2 * recall * precision / (recall + precision);
    points -= 0.15 * lost;
    say(claims.isEmpty(), Remark.UNTOUCHED);
    say(lost > 0, Remark.MARKS_LOST);
    say(!claims.isEmpty() && recall < 0.9, Remark.SPOTS_MISSED);
    say(!claims.isEmpty() && precision < 0.9, Remark.TOO_MANY);
    if (!claims.isEmpty()) {
      each(seconds / claims.size() * task.count());
    }
    List<Spot> wrong =
        claims.stream()
            .filter(c -> task.blemishes().stream().noneMatch(s -> s.covers(c.x(), c.y())))
            .map(c -> new Spot(c.x(), c.y(), fw / 60, 0, 0, 1, 0))
            .toList();
    return scored(
        new Score.Map(
            places(task.blemishes().stream().filter(s -> !meant(claims, s)).toList()),
            places(wrong),
            places(task.marks().stream().filter(s -> meant(claims, s)).toList())));
  }

  private Plane places(List<Spot> spots) {
    return Resampling.reduce(SkinPainter.coverage(task.region().area(), spots), MAP_LEVELS);
  }

  private static boolean meant(List<Point> claims, Spot spot) {
    return claims.stream().anyMatch(c -> spot.covers(c.x(), c.y()));
  }

  private void each(double seconds) {
    read(Measure.SECONDS_EACH, seconds / task.count(), Double.NaN, Double.NaN);
  }

  /**
   * How much of the fault is gone.
   *
   * @param levels halvings it is seen at: what is finer is texture, which is read by itself
   */
  private void fault(int levels) {
    Picture wanted = seen(truth, levels);
    Picture now = seen(after, levels);
    Picture then = seen(before, levels);
    Plane place = Resampling.reduce(task.fault(), levels);
    double was = DeltaE2000.mean(then, wanted, place);
    double is = DeltaE2000.mean(now, wanted, place);
    double removed = 1 - Math.max(0, is - ROUNDING) / Math.max(1e-9, was - ROUNDING);
    read(Measure.REMOVED, removed, 0.75, 1);
    boolean untouched = DeltaE2000.mean(now, then, place) < ROUNDING / 10;
    say(untouched, Remark.UNTOUCHED);
    say(!untouched && removed < 0, Remark.WORSE);
    say(!untouched && removed >= 0 && removed < 0.75, Remark.FAULT_LEFT);
    points *= Math.max(0, removed);
  }

  private static Picture seen(Picture lab, int levels) {
    return lab.map(p -> Resampling.reduce(p, levels));
  }

  private void radius(LayerStack stack) {
    Band band = radii(task.photograph(), task.region(), fw);
    double low = band.low();
    double high = band.high();
    double chosen =
        stack.layers().stream()
            .filter(FrequencySeparationLayer.class::isInstance)
            .map(l -> ((FrequencySeparationLayer) l).radius())
            .filter(r -> r != null)
            .mapToDouble(r -> r)
            .findFirst()
            .orElse(Double.NaN);
    read(Measure.RADIUS, chosen, low, high);
    double octaves = Math.max(0, Math.max(log2(low / chosen), log2(chosen / high)));
    points = 1 - octaves / 1.5;
    say(chosen < low, Remark.TOO_NARROW);
    say(chosen > high, Remark.TOO_WIDE);
  }

  /** Radii that part tone and texture well. */
  static Band radii(Picture picture, Plane skin, double fw) {
    SeparationRadiusAdvisor.Advice advice = SeparationRadiusAdvisor.advise(picture, skin, fw);
    return new Band(
        Math.min(advice.from(), advice.advised()), Math.max(advice.to(), advice.advised()));
  }

  private static double log2(double v) {
    return Math.log(v) / Math.log(2);
  }

  private void light() {
    Plane skin = task.region();
    double slope = SkinGauges.form(before.first(), after.first(), skin, fw);
    double[] was = formAbout(before.first());
    double[] change = formAbout(after.first().minus(before.first()));
    double along = correlation(was, change);
    read(Measure.FORM, slope, DEEPER.low(), DEEPER.high());
    read(Measure.ALONG_FORM, along, 0.5, 1);
    boolean untouched = Double.isNaN(along);
    say(untouched, Remark.UNTOUCHED);
    say(!untouched && slope < DEEPER.low(), Remark.FORM_LIKE_BEFORE);
    say(!untouched && slope > DEEPER.high(), Remark.FORM_TOO_STRONG);
    say(!untouched && along < 0.5, Remark.AGAINST_FORM);
    points = untouched ? 0 : share(slope, DEEPER, DEEPER_ENDS) * Math.clamp(2 * along, 0, 1);
  }

  /** Light of the size of a cheek over that of the whole face. */
  private double[] formAbout(Plane lightness) {
    Plane low = GaussianBlur.normalised(lightness, task.region(), fw / 18);
    return RobustStatistics.values(
        low.minus(GaussianBlur.normalised(lightness, task.region(), fw / 4)), task.region());
  }

  /** NaN where one of them is the same everywhere. */
  private static double correlation(double[] x, double[] y) {
    double mx = 0;
    double my = 0;
    for (int i = 0; i < x.length; i++) {
      mx += x[i] / x.length;
      my += y[i] / x.length;
    }
    double xx = 0;
    double yy = 0;
    double xy = 0;
    for (int i = 0; i < x.length; i++) {
      xx += (x[i] - mx) * (x[i] - mx);
      yy += (y[i] - my) * (y[i] - my);
      xy += (x[i] - mx) * (y[i] - my);
    }
    return yy / x.length < 1e-6 ? Double.NaN : xy / Math.sqrt(xx * yy);
  }

  private void backdrop() {
    fault(1);
    Plane open = task.region();
    Plane edge = open.copy();
    int white = 0;
    int all = 0;
    for (int i = 0; i < open.values().length; i++) {
      float o = open.values()[i];
      edge.values()[i] = o > 0.04f && o < 0.9f ? 1 : 0;
      if (o > 0.995f) {
        all++;
        white += after.first().values()[i] > 99 ? 1 : 0;
      }
    }
    double share = (double) white / Math.max(1, all);
    double was = DeltaE2000.mean(before, truth, edge);
    double is = DeltaE2000.mean(after, truth, edge);
    read(Measure.WHITE, share, 0.98, 1);
    read(Measure.EDGE, is, 0, Math.max(3, 0.35 * was));
    boolean hurt = is > Math.max(3, 0.35 * was);
    say(hurt && !remarks.contains(Remark.UNTOUCHED), Remark.EDGE_HURT);
    points *= hurt ? Math.max(0.2, 1 - (is / Math.max(1, was) - 0.35)) : 1;
    spill(open);
  }

  private void teeth() {
    JobLevel job = JobLevel.portrait();
    double teeth = yellow(Measure.TEETH_YELLOW, Part.TEETH, job.fixed("teethYellow"), job);
    double sclera = yellow(Measure.SCLERA_YELLOW, Part.SCLERA, job.fixed("scleraYellow"), job);
    points = (teeth + sclera) / 2;
    say(DeltaE2000.mean(after, before, task.region()) < ROUNDING / 10, Remark.UNTOUCHED);
    spill(grown(task.region()));
  }

  private double yellow(Measure measure, Part part, Band band, JobLevel job) {
    Plane place = task.sitter().mask(part);
    Lab was = SkinGauges.median(before, place);
    Lab is = SkinGauges.median(after, place);
    read(measure, is.b(), band.low(), band.high());
    double rise = is.l() - was.l();
    say(is.b() > band.high(), Remark.STILL_YELLOW);
    boolean lighter = rise > job.limit("teethLightness", "mostRise");
    say(is.b() < band.low() || lighter, Remark.TOO_WHITE);
    double off = Math.max(0, Math.max(band.low() - is.b(), is.b() - band.high()));
    double wasOff = Math.max(0, Math.max(band.low() - was.b(), was.b() - band.high()));
    double earned = wasOff == 0 ? (off == 0 ? 1 : 0) : Math.clamp(1 - off / wasOff, 0, 1);
    return lighter ? earned / 2 : earned;
  }

  // --- what it cost

  private void texture(Plane where) {
    double was = SkinGauges.texture(truth.first(), where, fw);
    double kept = SkinGauges.texture(after.first(), where, fw) / was;
    read(Measure.TEXTURE, kept, TEXTURE.low(), TEXTURE.high());
    say(kept < TEXTURE.low(), Remark.TEXTURE_LOST);
    say(kept > TEXTURE.high(), Remark.TEXTURE_ADDED);
    points *= share(kept, TEXTURE, TEXTURE_ENDS);
  }

  private void form() {
    double kept = SkinGauges.form(truth.first(), after.first(), task.region(), fw);
    read(Measure.FORM, kept, FORM.low(), FORM.high());
    say(kept < FORM.low(), Remark.FORM_LOST);
    say(kept > FORM.high(), Remark.FORM_TOO_STRONG);
    points *= share(kept, FORM, FORM_ENDS);
  }

  /** 1 inside a band, falling to 0 at its ends. */
  private static double share(double value, Band band, Band ends) {
    double below = (value - ends.low()) / (band.low() - ends.low());
    double above = (ends.high() - value) / (ends.high() - band.high());
    return Math.clamp(Math.min(below, above), 0, 1);
  }

  /** Share of the person outside the place that looks other than before. */
  private void spill(Plane place) {
    Plane beside = Resampling.reduce(task.sitter().mask(Part.SUBJECT), MAP_LEVELS);
    Plane own = Resampling.reduce(place, MAP_LEVELS);
    Picture was = seen(before, MAP_LEVELS);
    Picture is = seen(after, MAP_LEVELS);
    double all = 0;
    double touched = 0;
    for (int i = 0; i < beside.values().length; i++) {
      if (beside.values()[i] > 0.99f && own.values()[i] < 0.02f) {
        all++;
        touched += difference(is, was, i) > SEEN ? 1 : 0;
      }
    }
    double share = touched / Math.max(1, all);
    read(Measure.SPILL, share, 0, 0.05);
    say(share > 0.05, Remark.SPILLED);
    points *= 1 - Math.clamp(2 * (share - 0.05), 0, 1);
  }

  /** What touches a place counts as part of it. */
  private Plane grown(Plane place) {
    Plane out = GaussianBlur.blur(place, fw / 100);
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = Math.min(1, 4 * out.values()[i]);
    }
    return out;
  }

  /** Marks that were painted in and are hardly to be seen any more. */
  private void marks() {
    long lost = task.marks().stream().filter(this::gone).count();
    read(Measure.MARKS_LOST, lost, 0, 0);
    say(lost > 0, Remark.MARKS_LOST);
    points *= Math.max(0, 1 - 0.15 * lost);
  }

  private boolean gone(Spot mark) {
    return contrast(after, mark) < 0.5 * contrast(truth, mark);
  }

  /** How much darker a mark is than the skin about it, in L*. */
  private static double contrast(Picture lab, Spot mark) {
    double in = 0;
    double inWeight = 0;
    double out = 0;
    double outWeight = 0;
    int reach = (int) Math.ceil(2 * mark.radius());
    Area box =
        new Area((int) mark.x() - reach, (int) mark.y() - reach, 2 * reach + 1, 2 * reach + 1)
            .intersect(lab.area());
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        double r = Math.hypot(x + 0.5 - mark.x(), y + 0.5 - mark.y()) / mark.radius();
        if (r < 0.6) {
          in += lab.first().at(x, y);
          inWeight++;
        } else if (r > 1.4 && r < 2) {
          out += lab.first().at(x, y);
          outWeight++;
        }
      }
    }
    return out / Math.max(1, outWeight) - in / Math.max(1, inWeight);
  }

  // --- what is shown

  private Score.Map map() {
    Picture wanted = seen(truth, MAP_LEVELS);
    Picture was = seen(before, MAP_LEVELS);
    Picture is = seen(after, MAP_LEVELS);
    Plane place = Resampling.reduce(task.fault(), MAP_LEVELS);
    Plane missed = Plane.of(wanted.area());
    Plane overdone = Plane.of(wanted.area());
    boolean open = task.exercise() == Exercise.LIGHT || task.exercise() == Exercise.TEETH;
    for (int i = 0; !open && i < missed.values().length; i++) {
      double off = difference(is, wanted, i);
      double wasOff = difference(was, wanted, i);
      if (place.values()[i] > 0.2f) {
        missed.values()[i] = strength(Math.min(off, wasOff));
      }
      overdone.values()[i] = strength(off - wasOff);
    }
    List<Spot> gone = task.marks().stream().filter(this::gone).toList();
    return new Score.Map(missed, overdone, places(gone));
  }

  /** How clearly a difference in ΔE00 is shown. */
  private static float strength(double difference) {
    return (float) Math.clamp(difference / 4 - 0.25, 0, 1);
  }

  private static double difference(Picture one, Picture other, int i) {
    return DeltaE2000.between(
        one.first().values()[i],
        one.second().values()[i],
        one.third().values()[i],
        other.first().values()[i],
        other.second().values()[i],
        other.third().values()[i]);
  }

  private void read(Measure measure, double value, double low, double high) {
    readings.add(new Reading(measure, value, low, high));
  }

  private void say(boolean so, Remark remark) {
    if (so && !remarks.contains(remark)) {
      remarks.add(remark);
    }
  }
}
