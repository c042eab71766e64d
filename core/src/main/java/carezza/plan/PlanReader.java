package carezza.plan;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.job.Band;
import carezza.job.JobLevel;
import carezza.mask.EvaluationContext;
import carezza.measure.Blemish;
import carezza.measure.EndPoints;
import carezza.measure.PictureStatistics;
import carezza.measure.StrayHairs.Hair;
import carezza.measure.fault.BackdropReading;
import carezza.measure.fault.CastEstimate;
import carezza.measure.fault.ExposureEstimate;
import carezza.measure.fault.Headroom;
import carezza.measure.fault.Places;
import carezza.measure.fault.ShinePatches;
import carezza.measure.fault.SpotContrast;
import carezza.measure.fault.Tilt;
import carezza.measure.fault.UnderEye;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.RepairArea;
import carezza.model.SemanticRegion;

/**
 * Reads in one picture what findings rest on, at the bands of a job; what the job does not name is
 * not read.
 */
public final class PlanReader {

  private static final double INFINITE = Double.POSITIVE_INFINITY;

  /**
   * L* that blotches of pigment are stated at: the density of dark skin spreads more for the same
   * look.
   */
  private static final double USUAL_LIGHTNESS = 55;

  /** How sure a hair is that was found: it is long and narrow. */
  private static final double HAIR_CONFIDENCE = 0.8;

  /**
   * Width of the head at the picture's upper edge, in face widths, from which it is cut on purpose.
   */
  private static final double CUT = 0.5;

  /** Headroom below which a head touches the edge, in percent of the frame's height. */
  private static final double TOUCHES = 0.5;

  /**
   * Part of a spot's contrast above which it is still there, and the least that is seen, in a*, b*.
   */
  private static final double STILL_THERE = 0.45;

  private static final double LEAST_CONTRAST = 1;

  private final EvaluationContext context;
  private final Picture working;
  private final Picture lab;
  private final List<RepairArea> repaired;
  private final @Nullable Lab wanted;
  private @Nullable PictureStatistics figures;
  private final JobLevel job;
  private final double faceWidth;
  private final List<Reading> found = new ArrayList<>();

  /**
   * @param working the whole picture at the context's level
   * @param repaired areas whose skin is not the person's own texture
   * @param backdrop colour of it that is wanted, or null where none was chosen
   */
  public PlanReader(
      EvaluationContext context,
      Picture working,
      List<RepairArea> repaired,
      @Nullable Lab backdrop) {
    this.context = context;
    this.working = working;
    this.job = context.job();
    lab = Lab.of(working);
    this.repaired = repaired;
    this.wanted = backdrop;
    faceWidth = context.faceWidth() / context.scale();
  }

  /** What gauges rest on. */
  public PictureStatistics figures() {
    if (figures == null) {
      figures = PictureStatistics.of(context, working, repaired);
    }
    return figures;
  }

  private void add(
      FindingKind kind, String part, double value, Band band, @Nullable Point place, double size) {
    if (!Double.isNaN(value)) {
      found.add(new Reading(kind, part, value, band, place, size * faceWidth, List.of()));
    }
  }

  private Band upTo(FindingKind kind) {
    return new Band(-INFINITE, job.limit(kind.key(), "above"));
  }

  private Band from(FindingKind kind) {
    return new Band(job.limit(kind.key(), "below"), INFINITE);
  }

  private boolean wants(FindingKind kind) {
    return job.has(kind.key());
  }

  private @Nullable Point middle(SemanticRegion region) {
    Plane coverage = context.regions().coverage(region, context.whole(), context.level());
    return Places.middle(coverage, context.scale());
  }

  /** What is read of the picture as settled. */
  public List<Reading> settled(@Nullable Crop frame) {
    found.clear();
    if (wants(FindingKind.CAST)) {
      CastEstimate.of(context, working)
          .ifPresent(
              c -> add(FindingKind.CAST, "", c.chroma(), upTo(FindingKind.CAST), c.place(), 0.1));
    }
    EndPoints ends = EndPoints.of(working);
    double stops = ExposureEstimate.stops(ends, figures().sclera());
    double most = job.limit(FindingKind.EXPOSURE.key(), "above", INFINITE);
    add(FindingKind.EXPOSURE, "", stops, new Band(-most, most), null, 0);
    if (wants(FindingKind.RANGE) && Math.abs(stops) <= most) {
      double unused = 100 * Math.max(ends.black(), 1 - ends.white());
      add(FindingKind.RANGE, "", unused, upTo(FindingKind.RANGE), null, 0);
    }
    if (wants(FindingKind.TILT)) {
      Tilt.degrees(context, lab.first()).ifPresent(t -> tilt(t, frame));
    }
    if (wants(FindingKind.HEADROOM)) {
      Headroom.percent(context, frame).ifPresent(this::headroom);
    }
    return List.copyOf(found);
  }

  private void tilt(double degrees, @Nullable Crop frame) {
    double most = job.limit(FindingKind.TILT.key(), "above");
    double left = frame == null ? degrees : degrees - frame.angle();
    add(FindingKind.TILT, "", left, new Band(-most, most), null, 0);
  }

  private void headroom(double percent) {
    Band band = new Band(TOUCHES, job.limit(FindingKind.HEADROOM.key(), "above"));
    Point head = context.regions().faces().map(f -> new Point(f.oval().x(), top(f))).orElse(null);
    add(FindingKind.HEADROOM, "", percent, band, head, 0.3);
  }

  private static double top(FaceMap face) {
    return face.oval().y() - face.oval().radiusY();
  }

  /** What was proposed to be mended in this picture. */
  public Reading blemishes(List<Blemish> proposed) {
    double likelihood = job.limit(FindingKind.BLEMISHES.key(), "likelihood");
    return counted(
        proposed.stream()
            .filter(b -> b.kind() == Blemish.Kind.TEMPORARY && b.confidence() >= likelihood)
            .toList());
  }

  /** What of that is still to be seen in another picture: spots that stand out as they did. */
  public Reading blemishesLeft(Reading were, PlanReader before) {
    return counted(
        were.spots().stream()
            .filter(
                spot -> {
                  double is = SpotContrast.of(lab, spot, context.scale());
                  double was = SpotContrast.of(before.lab, spot, context.scale());
                  return is > Math.max(STILL_THERE * was, LEAST_CONTRAST);
                })
            .toList());
  }

  private Reading counted(List<Blemish> spots) {
    return counted(FindingKind.BLEMISHES, new Band(0, 0), spots);
  }

  private Reading counted(FindingKind kind, Band band, List<Blemish> places) {
    Point first = places.stream().findFirst().map(b -> new Point(b.x(), b.y())).orElse(null);
    return new Reading(kind, "", places.size(), band, first, 0.15 * faceWidth, places);
  }

  /** Hairs that lie loose, each as a place about its middle; a few are anybody's. */
  public Reading strayHairs(List<Hair> hairs) {
    List<Blemish> places =
        hairs.stream()
            .map(
                h ->
                    new Blemish(
                        h.middle().x(),
                        h.middle().y(),
                        h.length() / 2,
                        Blemish.Kind.TEMPORARY,
                        HAIR_CONFIDENCE))
            .toList();
    double most = job.limit(FindingKind.STRAY_HAIRS.key(), "above");
    return counted(FindingKind.STRAY_HAIRS, new Band(0, most), places);
  }

  /**
   * What is read of the finished picture.
   *
   * @param before figures as settled, which a fall of blotches is told by; null for the settled
   *     picture itself
   * @param asShot readings of the settled picture, whose distractions are followed; empty for
   *     itself
   */
  public List<Reading> finished(@Nullable PictureStatistics before, List<Reading> asShot) {
    found.clear();
    Point cheeks = middle(SemanticRegion.FACE_SKIN);
    double darkness = figures().face().l() / USUAL_LIGHTNESS;
    blotches(
        FindingKind.TONE,
        "toneBlotch",
        figures().tone(),
        before == null ? Double.NaN : before.tone(),
        cheeks);
    blotches(
        FindingKind.REDNESS,
        "rednessBlotch",
        1000 * figures().redness() * darkness,
        before == null ? Double.NaN : 1000 * before.redness() * darkness,
        cheeks);
    blotches(
        FindingKind.PIGMENT,
        "pigmentBlotch",
        1000 * figures().pigment() * darkness,
        before == null ? Double.NaN : 1000 * before.pigment() * darkness,
        cheeks);
    if (wants(FindingKind.SHINE)) {
      ShinePatches shine = ShinePatches.of(context, lab);
      add(FindingKind.SHINE, "", shine.share(), upTo(FindingKind.SHINE), shine.place(), 0.15);
    }
    context.regions().faces().filter(f -> wants(FindingKind.UNDER_EYES)).ifPresent(this::underEyes);
    if (wants(FindingKind.MATCH)) {
      MatchReadings match = new MatchReadings(context, lab);
      found.addAll(match.of(figures().face(), upTo(FindingKind.MATCH)));
    }
    mouthAndEyes();
    // Away from the face is nowhere while no face is known.
    if (wants(FindingKind.DISTRACTIONS) && context.regions().faces().isPresent()) {
      found.addAll(new DistractionReadings(context, working, lab, wanted).of(asShot));
    }
    if (wants(FindingKind.BACKDROP)) {
      backdrop();
    }
    if (wants(FindingKind.SOFT_EYES)) {
      Band band = new Band(job.limit("eyeFocus", "low"), INFINITE);
      add(FindingKind.SOFT_EYES, "", figures().eyeFocus(), band, middle(SemanticRegion.IRIS), 0.3);
    }
    if (wants(FindingKind.NOISE)) {
      add(FindingKind.NOISE, "", figures().noiseSigma(), upTo(FindingKind.NOISE), null, 0);
    }
    return List.copyOf(found);
  }

  /** A blotchiness is right where it is small, or has fallen as far as the job asks. */
  private void blotches(
      FindingKind kind, String gauge, double value, double before, @Nullable Point place) {
    if (wants(kind)) {
      double most = job.limit(kind.key(), "above");
      if (!Double.isNaN(before)) {
        most = Math.max(most, job.fallen(gauge, before).map(Band::high).orElse(most));
      }
      add(kind, "", value, new Band(-INFINITE, most), place, 0.5);
    }
  }

  private void underEyes(FaceMap face) {
    for (boolean left : new boolean[] {true, false}) {
      UnderEye eye = UnderEye.of(context, face, left, working);
      add(
          FindingKind.UNDER_EYES,
          left ? "left" : "right",
          eye.darker(),
          from(FindingKind.UNDER_EYES),
          eye.place(),
          0.15);
    }
  }

  private void mouthAndEyes() {
    if (wants(FindingKind.TEETH)) {
      add(
          FindingKind.TEETH,
          "",
          figures().teeth().b(),
          new Band(-INFINITE, job.fixed("teethYellow").high()),
          middle(SemanticRegion.TEETH),
          0.2);
    }
    if (wants(FindingKind.SCLERA)) {
      Point eyes = middle(SemanticRegion.SCLERA);
      Band yellow = new Band(-INFINITE, job.fixed("scleraYellow").high());
      add(FindingKind.SCLERA, "", figures().sclera().b(), yellow, eyes, 0.3);
      Band chroma = new Band(-INFINITE, job.fixed("scleraChroma").high());
      if (figures().sclera().b() <= yellow.high()) {
        add(FindingKind.SCLERA, "red", figures().sclera().chroma(), chroma, eyes, 0.3);
      }
    }
    if (wants(FindingKind.IRISES)) {
      Plane iris =
          context.regions().coverage(SemanticRegion.IRIS, context.whole(), context.level());
      Point eyes = middle(SemanticRegion.IRIS);
      // Where no iris is seen there is no spread, which is not a small one.
      double spread = eyes == null ? Double.NaN : RobustStatistics.sigma(lab.first(), iris);
      add(FindingKind.IRISES, "", spread, from(FindingKind.IRISES), eyes, 0.3);
    }
  }

  private void backdrop() {
    BackdropReading backdrop = BackdropReading.of(context, working, lab, wanted);
    if (backdrop.white() || wanted != null) {
      add(
          FindingKind.BACKDROP,
          backdrop.white() ? "white" : "colour",
          backdrop.pure(),
          new Band(100, INFINITE),
          backdrop.place(),
          0.5);
    } else {
      Band band = new Band(-INFINITE, job.limit(FindingKind.BACKDROP.key(), "across"));
      add(FindingKind.BACKDROP, "across", backdrop.across(), band, backdrop.place(), 0.5);
    }
  }
}
