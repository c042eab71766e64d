package carezza.measure;

import java.util.ArrayList;
import java.util.List;

import carezza.colour.Lab;
import carezza.colour.Pigments;
import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.RepairCoverage;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.RepairArea;
import carezza.model.SemanticRegion;

/**
 * What the gauges need to know of one picture at the analysis level. NaN, or a colour of NaN, where
 * there is nothing to measure.
 *
 * @param texture variance of the pore band outside repairs
 * @param form low band of the skin's lightness, pixel by pixel
 * @param redness spread of haemoglobin's blotches, in density
 * @param pigment spread of melanin's blotches, in density
 * @param tone spread of blotches of L*
 * @param skinLights the L* that 2 % of the face's skin exceed
 * @param skinClipping percent
 * @param pictureClipping percent
 * @param leadLight of the face over the rest, in stops
 * @param leadContrast of the face over the rest
 * @param eyeFocus sharpness of the eyes over that of the rest of the face
 * @param eyeGlow L* of the whites of the eyes over the lights of the face's skin, at arm's length
 * @param teethGlow the same of the teeth
 * @param distractions number of places
 */
public record PictureStatistics(
    double texture,
    double[] form,
    double redness,
    double pigment,
    double tone,
    Lab face,
    double skinLights,
    Lab neck,
    Lab teeth,
    Lab sclera,
    Lab leftSclera,
    Lab rightSclera,
    double skinClipping,
    double pictureClipping,
    double leadLight,
    double leadContrast,
    double eyeFocus,
    double eyeGlow,
    double teethGlow,
    SightGauges.Noise noise,
    int distractions) {

  /** Fewest pixels that a region must have to be measured. */
  private static final int FEWEST = 40;

  /** Height in pixels of a picture at arm's length. */
  private static final int ARMS_LENGTH = 160;

  private static final Lab NOTHING = new Lab(Double.NaN, Double.NaN, Double.NaN);

  /** Sigma of the noise in L*. */
  public double noiseSigma() {
    return noise.all();
  }

  /** Areas of a stack's repairs, whose skin does not count as the person's texture. */
  public static List<RepairArea> repaired(LayerStack stack) {
    List<RepairArea> areas = new ArrayList<>();
    for (Layer layer : stack.layers()) {
      if (layer instanceof HealLayer heal && heal.acts()) {
        heal.patches().forEach(p -> areas.add(p.area()));
      }
    }
    return areas;
  }

  /**
   * @param picture whole, working space
   */
  public static PictureStatistics of(
      EvaluationContext context, Picture picture, List<RepairArea> repaired) {
    return new Reading(context, picture).figures(repaired);
  }

  /**
   * Colours of skin, teeth and eyes alone, and how far eyes and teeth shine; the rest is not looked
   * at.
   *
   * @param picture whole, working space
   * @param settled whose form it is taken to have
   */
  static PictureStatistics tones(
      EvaluationContext context, Picture picture, PictureStatistics settled) {
    return new Reading(context, picture).tones(settled.form());
  }

  /** Regions and pixels while they are read. */
  private record Reading(EvaluationContext site, Picture picture, Picture lab, double fw) {

    Reading(EvaluationContext site, Picture picture) {
      this(site, picture, Lab.of(picture), site.faceWidth());
    }

    PictureStatistics figures(List<RepairArea> repaired) {
      Plane skin = region(SemanticRegion.FACE_SKIN);
      Plane unhealed = without(skin, repaired);
      boolean there = measurable(unhealed);
      // Nothing outside the skin counts but what the pore band's filter reaches.
      Area box = skin.covered().grow(GaussianBlur.reach(fw / 110)).intersect(site.whole());
      Plane inBox = skin.crop(box);
      Plane lightness = lab.first().crop(box);
      Pigments.Maps maps = Pigments.of(there ? picture.crop(box) : Picture.of(Area.EMPTY));
      double nan = Double.NaN;
      Plane face =
          together(
              SemanticRegion.FACE_SKIN,
              SemanticRegion.LIPS,
              SemanticRegion.TEETH,
              SemanticRegion.IRIS,
              SemanticRegion.SCLERA);
      Plane eyes = together(SemanticRegion.IRIS, SemanticRegion.SCLERA);
      Plane rest = together(SemanticRegion.FACE_SKIN, SemanticRegion.LIPS, SemanticRegion.TEETH);
      boolean focus = measurable(eyes) && measurable(rest);
      Plane clipped = Clipping.of(picture, site);
      return new PictureStatistics(
          there ? SkinGauges.texture(lightness, unhealed.crop(box), fw) : nan,
          there ? SkinGauges.formBand(lightness, inBox, fw) : new double[0],
          there ? SkinGauges.blotch(maps.haemoglobin(), inBox, fw / 60, fw / 8) : nan,
          there ? SkinGauges.blotch(maps.melanin(), inBox, fw / 60, fw / 8) : nan,
          there ? SkinGauges.blotch(lightness, inBox, fw / 110, fw / 40) : nan,
          tone(skin),
          RobustStatistics.quantile(RobustStatistics.values(lightness, inBox), 0.98),
          tone(region(SemanticRegion.NECK_SKIN)),
          tone(region(SemanticRegion.TEETH)),
          tone(region(SemanticRegion.SCLERA)),
          tone(region(SemanticRegion.LEFT_SCLERA)),
          tone(region(SemanticRegion.RIGHT_SCLERA)),
          Clipping.share(clipped, skin),
          Clipping.share(clipped, Plane.filled(site.whole(), 1)),
          there ? SightGauges.lead(light(), face) : nan,
          there ? SightGauges.contrastLead(lab.first(), face, fw) : nan,
          focus
              ? SightGauges.acutance(lab.first(), eyes) / SightGauges.acutance(lab.first(), rest)
              : nan,
          glow(SemanticRegion.SCLERA),
          glow(SemanticRegion.TEETH),
          SightGauges.noise(lab.first()),
          Distractions.of(lab, site).size());
    }

    PictureStatistics tones(double[] form) {
      Plane skin = region(SemanticRegion.FACE_SKIN);
      double nan = Double.NaN;
      return new PictureStatistics(
          nan,
          form,
          nan,
          nan,
          nan,
          tone(skin),
          RobustStatistics.quantile(RobustStatistics.values(lab.first(), skin), 0.98),
          tone(region(SemanticRegion.NECK_SKIN)),
          tone(region(SemanticRegion.TEETH)),
          tone(region(SemanticRegion.SCLERA)),
          tone(region(SemanticRegion.LEFT_SCLERA)),
          tone(region(SemanticRegion.RIGHT_SCLERA)),
          nan,
          nan,
          nan,
          nan,
          nan,
          glow(SemanticRegion.SCLERA),
          glow(SemanticRegion.TEETH),
          new SightGauges.Noise(nan, nan, nan, nan),
          0);
    }

    /**
     * Seen at a height of about 160 pixels, where small bright things run into what is around them.
     */
    private double glow(SemanticRegion region) {
      int down = 0;
      while (site.whole().height() >> down > 1.4 * ARMS_LENGTH) {
        down++;
      }
      Plane small = lab.first();
      for (int i = 0; i < down; i++) {
        small = Resampling.half(small);
      }
      Plane where = site.regions().coverage(region, small.area(), site.level() + down);
      Plane skin =
          site.regions().coverage(SemanticRegion.FACE_SKIN, small.area(), site.level() + down);
      return SightGauges.glow(small, where, skin);
    }

    private Plane region(SemanticRegion region) {
      return site.regions().coverage(region, site.whole(), site.level());
    }

    private Plane without(Plane skin, List<RepairArea> repaired) {
      Plane healed = Plane.of(skin.area());
      repaired.forEach(a -> RepairCoverage.apply(a, healed, site.scale()));
      Plane rest = skin.copy();
      for (int i = 0; i < rest.values().length; i++) {
        rest.values()[i] *= 1 - healed.values()[i];
      }
      return rest;
    }

    private static boolean measurable(Plane where) {
      int n = 0;
      for (float v : where.values()) {
        n += v >= RobustStatistics.TAKEN_IN ? 1 : 0;
      }
      return n >= FEWEST;
    }

    private Lab tone(Plane where) {
      return measurable(where) ? SkinGauges.median(lab, where) : NOTHING;
    }

    private Plane together(SemanticRegion... regions) {
      Plane sum = Plane.of(site.whole());
      for (SemanticRegion r : regions) {
        Plane own = region(r);
        for (int i = 0; i < sum.values().length; i++) {
          sum.values()[i] = Math.max(sum.values()[i], own.values()[i]);
        }
      }
      return sum;
    }

    private Plane light() {
      Plane y = Plane.of(picture.area());
      for (int i = 0; i < y.values().length; i++) {
        y.values()[i] =
            Transfer.toLinear(
                WorkingSpace.luminance(
                    picture.first().values()[i],
                    picture.second().values()[i],
                    picture.third().values()[i]));
      }
      return y;
    }
  }
}
