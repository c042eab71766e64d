package carezza.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.image.Picture;
import carezza.job.Band;
import carezza.job.JobLevel;
import carezza.mask.EvaluationContext;
import carezza.model.LayerStack;
import carezza.model.RepairArea;
import carezza.model.SemanticRegion;

/**
 * Reads all gauges from two pictures of the analysis size: as settled, and at the end of the stack.
 * Every value is 'in this picture'; none speaks about the person.
 */
public final class Gauges {

  /** Chroma below which skin is grey: hue has no meaning there. */
  public static final double COLOURLESS = 2;

  private final JobLevel job;
  private final PictureStatistics before;
  private final PictureStatistics after;
  private final List<Gauge> found = new ArrayList<>();

  private Gauges(JobLevel job, PictureStatistics before, PictureStatistics after) {
    this.job = job;
    this.before = before;
    this.after = after;
  }

  /**
   * @param site at the analysis level
   * @param before the picture after stage Settle, whole, working space
   * @param after the picture at the end of the stack
   * @param stack whose healed areas do not count as texture
   */
  public static List<Gauge> read(
      EvaluationContext context, Picture before, Picture after, LayerStack stack, JobLevel job) {
    List<RepairArea> repaired = PictureStatistics.repaired(stack);
    return read(
        PictureStatistics.of(context, before, repaired),
        PictureStatistics.of(context, after, repaired),
        job);
  }

  static List<Gauge> read(PictureStatistics before, PictureStatistics after, JobLevel job) {
    Gauges gauges = new Gauges(job, before, after);
    gauges.skin();
    gauges.neck();
    gauges.mouthAndEyes();
    gauges.clipping();
    gauges.sight();
    return List.copyOf(gauges.found);
  }

  private void add(
      String id, String unit, SemanticRegion region, double was, double is, @Nullable Band band) {
    add(id, unit, region.name().toLowerCase(Locale.ROOT), was, is, band);
  }

  private void add(
      String id, String unit, String where, double was, double is, @Nullable Band band) {
    found.add(new Gauge(id, unit, where, was, is, band));
  }

  private void skin() {
    SemanticRegion f = SemanticRegion.FACE_SKIN;
    boolean there = !Double.isNaN(before.texture());
    double texture = 100 * after.texture() / before.texture();
    double form = there ? SkinGauges.slope(before.form(), after.form()) : Double.NaN;
    double full = there ? 100 : Double.NaN;
    add("textureKept", "%", f, full, texture, job.fixed("textureKept"));
    add("formKept", "", f, full / 100, form, job.fixed("formKept"));
    Lab was = before.face();
    Lab is = after.face();
    double colour = colour();
    fall("rednessBlotch", "mD", 1000 * before.redness(), 1000 * colour * after.redness());
    fall("pigmentBlotch", "mD", 1000 * before.pigment(), 1000 * colour * after.pigment());
    fall("toneBlotch", "L*", before.tone(), after.tone());
    boolean judged = job.judgesSkinInMono() || !(is.chroma() < COLOURLESS);
    Band lightness = judged ? around("skinLightness", was.l()) : null;
    add("skinLightness", "L*", f, was.l(), is.l(), lightness);
    add(
        "skinHue",
        "°",
        f,
        was.hue(),
        colour * is.hue(),
        judged ? around("skinHue", was.hue()) : null);
    add("skinIta", "° ITA", f, was.ita(), is.ita(), null);
  }

  /** 1, or NaN for a picture in grey, which has neither pigments nor hues. */
  private double colour() {
    return after.face().chroma() < COLOURLESS ? Double.NaN : 1;
  }

  private @Nullable Band around(String id, double was) {
    return Double.isNaN(was) ? null : job.around(id, was);
  }

  private void fall(String id, String unit, double was, double is) {
    Band band = Double.isNaN(was) ? null : job.fallen(id, was).orElse(null);
    add(id, unit, SemanticRegion.FACE_SKIN, was, is, band);
  }

  private void neck() {
    add(
        "neckMatch",
        "ΔE00",
        SemanticRegion.NECK_SKIN,
        match(before),
        match(after),
        job.fixed("neckMatch"));
  }

  private static double match(PictureStatistics of) {
    return Double.isNaN(of.face().l()) || Double.isNaN(of.neck().l())
        ? Double.NaN
        : SkinGauges.match(of.face(), of.neck());
  }

  private void mouthAndEyes() {
    Lab eyeWas = before.sclera();
    Lab eyeIs = after.sclera();
    Lab was = before.teeth();
    Lab is = after.teeth();
    SemanticRegion t = SemanticRegion.TEETH;
    add("teethYellow", "b*", t, was.b(), colour() * is.b(), teethYellow(was));
    Band rise = teethLightness(was, eyeIs);
    add("teethLightness", "L*", t, was.l(), is.l(), rise);
    add("teethWhiteness", "WI_D", t, whiteness(was), whiteness(is), null);
    SemanticRegion s = SemanticRegion.SCLERA;
    add("scleraYellow", "b*", s, eyeWas.b(), eyeIs.b(), job.fixed("scleraYellow"));
    add("scleraChroma", "C*", s, eyeWas.chroma(), eyeIs.chroma(), job.fixed("scleraChroma"));
    add("scleraRedness", "a*", s, eyeWas.a(), eyeIs.a(), null);
    add("scleraLightness", "L*", s, eyeWas.l(), eyeIs.l(), scleraLightness());
    add("scleraBalance", "L*", s, balance(before), balance(after), scleraBalance());
  }

  /** WI_D of Pérez and others 2016. */
  static double whiteness(Lab tooth) {
    return 0.511 * tooth.l() - 2.324 * tooth.a() - 1.100 * tooth.b();
  }

  private Band teethYellow(Lab was) {
    Band band = job.fixed("teethYellow");
    if (Double.isNaN(was.b())) {
      return band;
    }
    double own = job.limit("teethYellow", "ownShare") * was.b();
    return new Band(Math.max(band.low(), Math.min(own, band.high())), band.high());
  }

  private @Nullable Band teethLightness(Lab was, Lab eyes) {
    double top = was.l() + job.limit("teethLightness", "mostRise");
    if (!Double.isNaN(eyes.l())) {
      double beside = eyes.l() + job.limit("teethLightness", "aboveSclera");
      top = Math.min(top, Math.max(beside, was.l()));
    }
    return Double.isNaN(top) ? null : new Band(Double.NEGATIVE_INFINITY, top);
  }

  private @Nullable Band scleraLightness() {
    double was = before.sclera().l();
    double top = was + job.limit("scleraLightness", "mostRise");
    if (!Double.isNaN(after.skinLights())) {
      top = Math.min(top, Math.max(after.skinLights(), was));
    }
    return Double.isNaN(top) ? null : new Band(Double.NEGATIVE_INFINITY, top);
  }

  /**
   * A difference that the light makes was there before: the retouch may not widen it by more than
   * 1.
   */
  private Band scleraBalance() {
    Band band = job.fixed("scleraBalance");
    double was = balance(before);
    return new Band(band.low(), was + 1 > band.high() ? was + 1 : band.high());
  }

  private static double balance(PictureStatistics of) {
    return Math.abs(of.leftSclera().l() - of.rightSclera().l());
  }

  private void clipping() {
    add(
        "skinClipping",
        "%",
        SemanticRegion.FACE_SKIN,
        before.skinClipping(),
        after.skinClipping(),
        job.fixed("skinClipping"));
    add("pictureClipping", "%", "picture", before.pictureClipping(), after.pictureClipping(), null);
  }

  private void sight() {
    String where = "faceAgainstRest";
    add("leadLight", "stops", where, before.leadLight(), after.leadLight(), null);
    add("leadContrast", "×", where, before.leadContrast(), after.leadContrast(), null);
    add(
        "eyeFocus",
        "×",
        "eyesAgainstFace",
        before.eyeFocus(),
        after.eyeFocus(),
        new Band(job.limit("eyeFocus", "low"), Double.POSITIVE_INFINITY));
    glow("eyeGlow", SemanticRegion.SCLERA, before.eyeGlow(), after.eyeGlow());
    glow("teethGlow", SemanticRegion.TEETH, before.teethGlow(), after.teethGlow());
    SightGauges.Noise was = before.noise();
    SightGauges.Noise is = after.noise();
    add("noise", "L*", "picture", was.all(), is.all(), null);
    add("noiseDarks", "L*", "darks", was.darks(), is.darks(), null);
    add("noiseMiddles", "L*", "middles", was.middles(), is.middles(), null);
    add("noiseLights", "L*", "lights", was.lights(), is.lights(), null);
    add(
        "distractions",
        "places",
        "awayFromFace",
        before.distractions(),
        after.distractions(),
        null);
  }

  /** Over the lights of the skin only where it was before, and by hardly more. */
  private void glow(String id, SemanticRegion region, double was, double is) {
    double most = Math.max(job.limit(id, "most"), was + job.limit(id, "rise"));
    Band band = Double.isNaN(most) ? null : new Band(Double.NEGATIVE_INFINITY, most);
    add(id, "L* over skin", region, was, is, band);
  }
}
