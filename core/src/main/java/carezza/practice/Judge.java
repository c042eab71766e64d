package carezza.practice;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.filter.RobustStatistics;
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

  /** How far a neck is off at least, in ΔE00. */
  private static final double LEAST_OFF = 1;

  /** Error that may be left and counts as none, in ΔE00: a file's own rounding. */
  private static final double ROUNDING = 0.15;

  private final Task task;
  private final Versions pictures;
  private final double fw;
  private final List<Reading> readings = new ArrayList<>();
  private final List<Remark> remarks = new ArrayList<>();
  private double points = 1;

  private Judge(Task task, Picture before, Picture after, Picture truth) {
    this.task = task;
    pictures = new Versions(Lab.of(before), Lab.of(after), Lab.of(truth));
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
        fault(Score.MAP_LEVELS);
        texture(task.region());
        form();
        marks();
      }
      case LIGHT -> {
        light();
        texture(task.region());
      }
      case NECK -> {
        neck();
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
    boolean open = task.exercise() == Exercise.LIGHT || task.exercise() == Exercise.TEETH;
    Plane lost = places(task.marks().stream().filter(pictures::lost).toList());
    return scored(mapped ? pictures.map(open ? null : task.fault(), lost) : null);
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
    return Resampling.reduce(SkinPainter.coverage(task.region().area(), spots), Score.MAP_LEVELS);
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
    Plane place = Resampling.reduce(task.fault(), levels);
    removed(
        pictures.errorBefore(place, levels),
        pictures.errorAfter(place, levels),
        pictures.change(place, levels),
        1);
  }

  /**
   * @param was what was wrong, {@code is} what is left of it
   * @param change how much was done about it, in ΔE00
   * @param most share that may be removed: more than all of it where the truth is not the best
   */
  private void removed(double was, double is, double change, double most) {
    double removed = 1 - Math.max(0, is - ROUNDING) / Math.max(1e-9, was - ROUNDING);
    read(Measure.REMOVED, removed, 0.75, most);
    boolean untouched = change < ROUNDING / 10;
    say(untouched, Remark.UNTOUCHED);
    say(!untouched && removed < 0, Remark.WORSE);
    say(!untouched && removed >= 0 && removed < 0.75, Remark.FAULT_LEFT);
    points *= Math.clamp(removed, 0, 1);
  }

  /** How far the neck came towards the face, in the number of the gauge neck match. */
  private void neck() {
    Plane face = task.sitter().mask(Part.SKIN).copy();
    for (int i = 0; i < face.values().length; i++) {
      face.values()[i] *= 1 - task.region().values()[i];
    }
    double was = match(pictures.before(), face);
    double is = match(pictures.after(), face);
    double least = Math.min(match(pictures.truth(), face), was - LEAST_OFF);
    removed(was - least, is - least, pictures.change(task.region(), 0), 1.5);
  }

  private double match(Picture lab, Plane face) {
    return SkinGauges.match(SkinGauges.median(lab, face), SkinGauges.median(lab, task.region()));
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
    double slope = SkinGauges.form(pictures.before().first(), pictures.after().first(), skin, fw);
    double[] was = formAbout(pictures.before().first());
    double[] change = formAbout(pictures.after().first().minus(pictures.before().first()));
    double along = RobustStatistics.correlation(was, change);
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
        white += pictures.after().first().values()[i] > 99 ? 1 : 0;
      }
    }
    double share = (double) white / Math.max(1, all);
    double was = pictures.errorBefore(edge, 0);
    double is = pictures.errorAfter(edge, 0);
    read(Measure.WHITE, share, 0.98, 1);
    read(Measure.EDGE, is, 0, Math.max(4, 0.4 * was));
    boolean hurt = is > Math.max(4, 0.4 * was);
    say(hurt && !remarks.contains(Remark.UNTOUCHED), Remark.EDGE_HURT);
    points *= hurt ? Math.max(0.2, 1 - (is / Math.max(1, was) - 0.4)) : 1;
    spill(open);
  }

  private void teeth() {
    JobLevel job = JobLevel.portrait();
    double teeth = yellow(Measure.TEETH_YELLOW, Part.TEETH, job.fixed("teethYellow"), job);
    double sclera = yellow(Measure.SCLERA_YELLOW, Part.SCLERA, job.fixed("scleraYellow"), job);
    points = (teeth + sclera) / 2;
    say(pictures.change(task.region(), 0) < ROUNDING / 10, Remark.UNTOUCHED);
    spill(grown(task.region()));
  }

  private double yellow(Measure measure, Part part, Band band, JobLevel job) {
    Plane place = task.sitter().mask(part);
    Lab was = SkinGauges.median(pictures.before(), place);
    Lab is = SkinGauges.median(pictures.after(), place);
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
    double was = SkinGauges.texture(pictures.truth().first(), where, fw);
    double kept = SkinGauges.texture(pictures.after().first(), where, fw) / was;
    read(Measure.TEXTURE, kept, TEXTURE.low(), TEXTURE.high());
    say(kept < TEXTURE.low(), Remark.TEXTURE_LOST);
    say(kept > TEXTURE.high(), Remark.TEXTURE_ADDED);
    points *= share(kept, TEXTURE, TEXTURE_ENDS);
  }

  private void form() {
    double kept =
        SkinGauges.form(pictures.truth().first(), pictures.after().first(), task.region(), fw);
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
    double share = pictures.changedBeside(task.sitter().mask(Part.SUBJECT), place);
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
    long lost = task.marks().stream().filter(pictures::lost).count();
    read(Measure.MARKS_LOST, lost, 0, 0);
    say(lost > 0, Remark.MARKS_LOST);
    points *= Math.max(0, 1 - 0.15 * lost);
  }

  // --- what is said

  private void read(Measure measure, double value, double low, double high) {
    readings.add(new Reading(measure, value, low, high));
  }

  private void say(boolean so, Remark remark) {
    if (so && !remarks.contains(remark)) {
      remarks.add(remark);
    }
  }
}
