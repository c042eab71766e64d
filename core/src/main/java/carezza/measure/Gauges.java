package carezza.measure;

import java.util.ArrayList;
import java.util.List;

import carezza.colour.Lab;
import carezza.colour.Pigments;
import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.filter.Robust;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.RepairCoverage;
import carezza.mask.Site;
import carezza.measure.Gauge.Band;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Region;

/**
 * Reads all gauges from two pictures of the analysis size: as settled, and at the end of the stack.
 * Every value is 'in this picture'; none speaks about the person.
 */
public final class Gauges {

  /** Fewest pixels that a region must have to be measured. */
  private static final int FEWEST = 40;

  private final Site site;
  private final JobLevel job;
  private final Picture before;
  private final Picture after;
  private final Picture labBefore;
  private final Picture labAfter;
  private final List<Gauge> found = new ArrayList<>();

  private Gauges(Site site, JobLevel job, Picture before, Picture after) {
    this.site = site;
    this.job = job;
    this.before = before;
    this.after = after;
    this.labBefore = Lab.of(before);
    this.labAfter = before == after ? labBefore : Lab.of(after);
  }

  /**
   * @param site at the analysis level
   * @param before the picture after stage Settle, whole, working space
   * @param after the picture at the end of the stack
   * @param stack whose healed areas do not count as texture
   */
  public static List<Gauge> read(
      Site site, Picture before, Picture after, LayerStack stack, JobLevel job) {
    Gauges gauges = new Gauges(site, job, before, after);
    Plane face = gauges.region(Region.FACE_SKIN);
    gauges.skin(face, unhealed(face, stack, site));
    gauges.neck(face);
    gauges.mouthAndEyes();
    gauges.clipping(face);
    gauges.sight(face);
    return List.copyOf(gauges.found);
  }

  private static Plane unhealed(Plane face, LayerStack stack, Site site) {
    Plane healed = Plane.of(face.area());
    for (Layer layer : stack.layers()) {
      if (layer instanceof HealLayer heal && heal.acts()) {
        heal.patches().forEach(p -> RepairCoverage.apply(p.area(), healed, site.scale()));
      }
    }
    Plane rest = face.copy();
    for (int i = 0; i < rest.values().length; i++) {
      rest.values()[i] *= 1 - healed.values()[i];
    }
    return rest;
  }

  private Plane region(Region region) {
    Area whole = site.whole();
    return site.regions().coverage(region, whole, site.level());
  }

  private boolean measurable(Plane where) {
    int n = 0;
    for (float v : where.values()) {
      n += v >= Robust.TAKEN_IN ? 1 : 0;
    }
    return n >= FEWEST;
  }

  private void add(
      String id, String title, String unit, Region region, double was, double is, Band band) {
    found.add(new Gauge(id, title, unit, region.words(), was, is, band));
  }

  private void skin(Plane face, Plane unhealed) {
    double fw = site.faceWidth();
    boolean there = measurable(unhealed);
    double nan = Double.NaN;
    double texture = nan;
    double form = nan;
    double[] red = {nan, nan};
    double[] brown = {nan, nan};
    double[] tone = {nan, nan};
    Lab was = new Lab(nan, nan, nan);
    Lab is = was;
    if (there) {
      texture =
          100
              * SkinGauges.texture(labAfter.first(), unhealed, fw)
              / SkinGauges.texture(labBefore.first(), unhealed, fw);
      form = SkinGauges.form(labBefore.first(), labAfter.first(), face, fw);
      Pigments.Maps mapsBefore = Pigments.of(before);
      Pigments.Maps mapsAfter = Pigments.of(after);
      red = blotch(mapsBefore.haemoglobin(), mapsAfter.haemoglobin(), face, fw / 60, fw / 8);
      brown = blotch(mapsBefore.melanin(), mapsAfter.melanin(), face, fw / 60, fw / 8);
      tone = blotch(labBefore.first(), labAfter.first(), face, fw / 110, fw / 40);
      was = SkinGauges.median(labBefore, face);
      is = SkinGauges.median(labAfter, face);
    }
    Region f = Region.FACE_SKIN;
    double full = there ? 100 : nan;
    add("textureKept", "Texture kept", "%", f, full, texture, job.fixed("textureKept"));
    add("formKept", "Form kept", "", f, there ? 1 : nan, form, job.fixed("formKept"));
    fall("rednessBlotch", "Redness, blotches", "mD", red, 1000);
    fall("pigmentBlotch", "Pigment, blotches", "mD", brown, 1000);
    fall("toneBlotch", "Tone, blotches", "L*", tone, 1);
    add(
        "skinLightness",
        "Skin lightness",
        "L*",
        f,
        was.l(),
        is.l(),
        around("skinLightness", was.l()));
    add("skinHue", "Skin hue", "°", f, was.hue(), is.hue(), around("skinHue", was.hue()));
    add("skinIta", "Skin tone angle", "° ITA", f, was.ita(), is.ita(), null);
  }

  private Band around(String id, double was) {
    return Double.isNaN(was) ? null : job.around(id, was);
  }

  private static double[] blotch(Plane was, Plane is, Plane face, double fine, double coarse) {
    return new double[] {
      SkinGauges.blotch(was, face, fine, coarse), SkinGauges.blotch(is, face, fine, coarse)
    };
  }

  private void fall(String id, String title, String unit, double[] values, double scale) {
    double was = values[0] * scale;
    add(
        id,
        title,
        unit,
        Region.FACE_SKIN,
        was,
        values[1] * scale,
        Double.isNaN(was) ? null : job.fallen(id, was));
  }

  private void neck(Plane face) {
    Plane neck = region(Region.NECK_SKIN);
    double was = Double.NaN;
    double is = Double.NaN;
    if (measurable(neck) && measurable(face)) {
      was =
          SkinGauges.match(SkinGauges.median(labBefore, face), SkinGauges.median(labBefore, neck));
      is = SkinGauges.match(SkinGauges.median(labAfter, face), SkinGauges.median(labAfter, neck));
    }
    add("neckMatch", "Neck to face", "ΔE00", Region.NECK_SKIN, was, is, job.fixed("neckMatch"));
  }

  private void mouthAndEyes() {
    Plane teeth = region(Region.TEETH);
    Plane sclera = region(Region.SCLERA);
    Lab eyeWas = tone(labBefore, sclera);
    Lab eyeIs = tone(labAfter, sclera);
    Lab was = tone(labBefore, teeth);
    Lab is = tone(labAfter, teeth);
    Region t = Region.TEETH;
    add("teethYellow", "Teeth, yellow", "b*", t, was.b(), is.b(), teethYellow(was));
    Band rise = teethLightness(was, eyeIs);
    add("teethLightness", "Teeth, lightness", "L*", t, was.l(), is.l(), rise);
    add("teethWhiteness", "Teeth, whiteness", "WI_D", t, whiteness(was), whiteness(is), null);
    Region s = Region.SCLERA;
    add("scleraYellow", "Eyes, yellow", "b*", s, eyeWas.b(), eyeIs.b(), job.fixed("scleraYellow"));
    add(
        "scleraChroma",
        "Eyes, colour",
        "C*",
        s,
        eyeWas.chroma(),
        eyeIs.chroma(),
        job.fixed("scleraChroma"));
    add("scleraRedness", "Eyes, redness", "a*", s, eyeWas.a(), eyeIs.a(), null);
    Band lights = scleraLightness(eyeWas);
    add("scleraLightness", "Eyes, lightness", "L*", s, eyeWas.l(), eyeIs.l(), lights);
    add(
        "scleraBalance",
        "Eyes, left to right",
        "L*",
        s,
        balance(labBefore),
        balance(labAfter),
        scleraBalance());
  }

  private Lab tone(Picture lab, Plane where) {
    return measurable(where)
        ? SkinGauges.median(lab, where)
        : new Lab(Double.NaN, Double.NaN, Double.NaN);
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

  private Band teethLightness(Lab was, Lab eyes) {
    double top = was.l() + job.limit("teethLightness", "mostRise");
    if (!Double.isNaN(eyes.l())) {
      double beside = eyes.l() + job.limit("teethLightness", "aboveSclera");
      top = Math.min(top, Math.max(beside, was.l()));
    }
    return Double.isNaN(top) ? null : new Band(Double.NEGATIVE_INFINITY, top);
  }

  private Band scleraLightness(Lab was) {
    Plane face = region(Region.FACE_SKIN);
    double lights = Robust.quantile(Robust.values(labAfter.first(), face), 0.98);
    double top = was.l() + job.limit("scleraLightness", "mostRise");
    if (!Double.isNaN(lights)) {
      top = Math.min(top, Math.max(lights, was.l()));
    }
    return Double.isNaN(top) ? null : new Band(Double.NEGATIVE_INFINITY, top);
  }

  /** A difference that the light makes was there before: the retouch may not widen it by more than 1. */
  private Band scleraBalance() {
    Band band = job.fixed("scleraBalance");
    double was = balance(labBefore);
    return new Band(band.low(), was + 1 > band.high() ? was + 1 : band.high());
  }

  private double balance(Picture lab) {
    Lab left = tone(lab, region(Region.LEFT_SCLERA));
    Lab right = tone(lab, region(Region.RIGHT_SCLERA));
    return Math.abs(left.l() - right.l());
  }

  private void clipping(Plane face) {
    add(
        "skinClipping",
        "Clipped skin",
        "%",
        Region.FACE_SKIN,
        Clipping.share(before, face),
        Clipping.share(after, face),
        job.fixed("skinClipping"));
    Plane everywhere = Plane.filled(site.whole(), 1);
    found.add(
        new Gauge(
            "pictureClipping",
            "Clipped picture",
            "%",
            "the whole picture",
            Clipping.share(before, everywhere),
            Clipping.share(after, everywhere),
            null));
  }

  private void sight(Plane skin) {
    Plane eyes = together(Region.IRIS, Region.SCLERA);
    Plane rest = together(Region.FACE_SKIN, Region.LIPS, Region.TEETH);
    Plane face = together(Region.FACE_SKIN, Region.LIPS, Region.TEETH, Region.IRIS, Region.SCLERA);
    boolean there = measurable(skin);
    Plane was = labBefore.first();
    Plane is = labAfter.first();
    double fw = site.faceWidth();
    String where = "the face against the rest";
    double nan = Double.NaN;
    found.add(
        new Gauge(
            "leadLight",
            "Face leads, light",
            "stops",
            where,
            there ? SightGauges.lead(light(before), face) : nan,
            there ? SightGauges.lead(light(after), face) : nan,
            null));
    found.add(
        new Gauge(
            "leadContrast",
            "Face leads, contrast",
            "×",
            where,
            there ? SightGauges.contrastLead(was, face, fw) : nan,
            there ? SightGauges.contrastLead(is, face, fw) : nan,
            null));
    boolean focus = measurable(eyes) && measurable(rest);
    found.add(
        new Gauge(
            "eyeFocus",
            "Eyes, sharpness",
            "×",
            "the eyes against the rest of the face",
            focus ? SightGauges.acutance(was, eyes) / SightGauges.acutance(was, rest) : nan,
            focus ? SightGauges.acutance(is, eyes) / SightGauges.acutance(is, rest) : nan,
            new Band(job.limit("eyeFocus", "low"), Double.POSITIVE_INFINITY)));
    found.add(
        new Gauge(
            "noise",
            "Noise",
            "L*",
            "the whole picture",
            SightGauges.noise(was),
            SightGauges.noise(is),
            null));
  }

  private Plane together(Region... regions) {
    Plane sum = Plane.of(site.whole());
    for (Region r : regions) {
      Plane own = region(r);
      for (int i = 0; i < sum.values().length; i++) {
        sum.values()[i] = Math.max(sum.values()[i], own.values()[i]);
      }
    }
    return sum;
  }

  private static Plane light(Picture working) {
    Plane y = Plane.of(working.area());
    for (int i = 0; i < y.values().length; i++) {
      y.values()[i] =
          Transfer.toLinear(
              WorkingSpace.luminance(
                  working.first().values()[i],
                  working.second().values()[i],
                  working.third().values()[i]));
    }
    return y;
  }
}
