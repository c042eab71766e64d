package carezza.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.measure.Blemish.Kind;
import carezza.model.FaceMap;

/**
 * Proposes blemishes: places of the face's skin that are redder than what surrounds them and look
 * like blood under skin rather than like the rim of a nostril, a lash or a fold ({@link
 * BlemishClassifier}). Redness is the difference of optical density of green and red light, which
 * shading leaves alone and which tells blood from melanin on light and deep skin alike. What takes
 * red light as well is brown: a mark of the person's own if it is small, a fold or a shadow if not.
 * Marks stand out in red light at the smallest size, too.
 */
public final class BlemishFinder {

  /** Face width in pixels that is looked at, where the photograph has as many. */
  private static final double FACE_WIDTH = 800;

  /**
   * Spreads of this skin from which a place is looked at, and the least of them however sensitive.
   */
  private static final double LEAST_RED = 2.7;

  private static final double LEAST_OF_ALL = 1.6;

  /**
   * Darkness at the smallest size to redness, and blue to redness, from which both are no blood.
   */
  private static final double SMALL_DARK = 1.3;

  private static final double BLUER = 1.9;

  /** Spreads by which a mark is dark in red light. */
  private static final double DARKER = 9;

  /**
   * Blue light that melanin takes at least, as a share of red: hairs and shadows take them alike.
   */
  private static final double MELANIN = 1.6;

  private static final double MARK_ROUNDNESS = 0.25;

  /** Share of skin around a mark, which single hairs at the hairline do not have. */
  private static final double SKIN_AROUND = 0.9;

  /**
   * Spreads of redness, roundness and share of sure skin around it that a brown spot has at least.
   */
  private static final double BROWN_SPREADS = 4.5;

  private static final double BROWN_ROUNDNESS = 0.4;
  private static final double BROWN_INSIDE = 0.95;

  /**
   * Most darkening in red light for redness, on light skin, and its rise with the skin's own
   * density.
   */
  private static final double PIGMENT_LIGHT = 0.65;

  private static final double PIGMENT_DEEPER = 0.2;

  /** What is brown and larger than this share of the face width is a fold or a shadow. */
  private static final double MARK_RADIUS = 0.025;

  /**
   * Where the wings of the nose join the cheek, which is red and dark in everybody: across from its
   * bridge in distances of the pupils, and down from there as a share of the way to the mouth.
   */
  private static final double[] WING_ACROSS = {0.15, 0.45};

  private static final double[] WING_DOWN = {0.52, 0.7};

  /** By how much the log odds must be higher there. */
  private static final double WING_DOUBT = 5;

  private final List<FaceMap> faces;
  private final SkinMaps maps;
  private final RednessCandidates red;
  private final double scale;

  /** A place that was looked at, in photograph pixels, and what it looks like. */
  public record Looked(double x, double y, BlemishFeatures traits) {}

  private BlemishFinder(Picture working, Regions regions, FaceMap faces) {
    int level = level(faces);
    this.faces = regions.maps();
    this.scale = Level.scale(level);
    this.maps = SkinMaps.of(working, regions, level, faces.faceWidth() * scale);
    this.red = new RednessCandidates(maps);
  }

  /** The level of the photograph that {@link #find} wants. */
  public static int level(FaceMap faces) {
    return Level.forZoom(Math.min(1, FACE_WIDTH / faces.faceWidth()));
  }

  /**
   * @param working the whole picture at {@link #level}
   * @param sensitivity 1 as usual; 2 proposes what is an eighth as likely, and marks that stand out
   *     0.7 times as far
   * @return the surest first, then marks
   */
  public static List<Blemish> find(Picture working, Regions regions, double sensitivity) {
    return regions
        .faces()
        .map(faces -> new BlemishFinder(working, regions, faces).proposals(sensitivity))
        .orElse(List.of());
  }

  /**
   * All places that a blemish is looked for in, the reddest first: what {@link BlemishClassifier}
   * is fitted to.
   *
   * @param working the whole picture at {@link #level}
   */
  public static List<Looked> places(Picture working, Regions regions) {
    return regions
        .faces()
        .map(faces -> new BlemishFinder(working, regions, faces).places())
        .orElse(List.of());
  }

  private List<Looked> places() {
    return red.find(LEAST_RED).stream()
        .filter(p -> !smallAndDark(p))
        .map(p -> new Looked(inPhotograph(p.x()), inPhotograph(p.y()), p.traits()))
        .toList();
  }

  private List<Blemish> proposals(double sensitivity) {
    double limit = BlemishClassifier.limit(sensitivity);
    double most = PIGMENT_LIGHT + PIGMENT_DEEPER * RobustStatistics.median(maps.red(), maps.skin());
    List<Blemish> found = new ArrayList<>();
    List<Blemish> marks = new ArrayList<>();
    for (RednessCandidates.Place p : red.find(Math.max(LEAST_OF_ALL, LEAST_RED / sensitivity))) {
      double odds = BlemishClassifier.odds(p.traits()) - (atWing(p) ? WING_DOUBT : 0);
      double reach = RednessCandidates.REACH * p.radius();
      if (!smallAndDark(p) && odds > limit) {
        found.add(
            proposal(p.x(), p.y(), reach, Kind.TEMPORARY, BlemishClassifier.probability(odds)));
      } else if (p.brown() >= most && looksLikeAMark(p, BROWN_SPREADS / Math.sqrt(sensitivity))) {
        marks.add(proposal(p.x(), p.y(), reach, Kind.MARK, sureness(p.spreads(), BROWN_SPREADS)));
      }
    }
    marks.addAll(smallMarks(DARKER / Math.sqrt(sensitivity)));
    found.sort(Comparator.comparingDouble(Blemish::confidence).reversed());
    marks.sort(Comparator.comparingDouble(Blemish::confidence).reversed());
    for (Blemish mark : marks) {
      if (found.stream().noneMatch(b -> near(b, mark))) {
        found.add(mark);
      }
    }
    List<Blemish> kept = found.stream().filter(b -> b.kind() == Kind.MARK).toList();
    return found.stream().map(b -> b.kind() == Kind.MARK ? b : withHalo(b, kept)).toList();
  }

  /** As far as the redness goes, but not onto a mark. */
  private Blemish withHalo(Blemish spot, List<Blemish> marks) {
    double room =
        marks.stream()
            .mapToDouble(m -> Math.hypot(m.x() - spot.x(), m.y() - spot.y()) - m.radius())
            .min()
            .orElse(Double.POSITIVE_INFINITY);
    int x = (int) Math.floor(spot.x() * scale);
    int y = (int) Math.floor(spot.y() * scale);
    double halo = maps.halo(x, y, spot.radius() * scale) / scale;
    double radius = Math.min(halo, Math.max(spot.radius(), room));
    return new Blemish(spot.x(), spot.y(), radius, spot.kind(), spot.confidence());
  }

  private boolean atWing(RednessCandidates.Place p) {
    return faces.stream().anyMatch(f -> atWing(f, inPhotograph(p.x()), inPhotograph(p.y())));
  }

  private static boolean atWing(FaceMap face, double x, double y) {
    double ux = face.rightPupil().x() - face.leftPupil().x();
    double uy = face.rightPupil().y() - face.leftPupil().y();
    double px = x - (face.leftPupil().x() + ux / 2);
    double py = y - (face.leftPupil().y() + uy / 2);
    double vx = face.mouthCentre().x() - (face.leftPupil().x() + ux / 2);
    double vy = face.mouthCentre().y() - (face.leftPupil().y() + uy / 2);
    double area = ux * vy - uy * vx;
    double across = Math.abs((px * vy - py * vx) / area);
    double down = (ux * py - uy * px) / area;
    return across >= WING_ACROSS[0]
        && across <= WING_ACROSS[1]
        && down >= WING_DOWN[0]
        && down <= WING_DOWN[1];
  }

  private static boolean smallAndDark(RednessCandidates.Place p) {
    return p.smallDark() > SMALL_DARK && p.blue() > BLUER;
  }

  private boolean looksLikeAMark(RednessCandidates.Place p, double least) {
    return p.spreads() >= least
        && p.traits().roundness() >= BROWN_ROUNDNESS
        && p.traits().inside() >= BROWN_INSIDE
        && p.radius() <= MARK_RADIUS * maps.faceWidth();
  }

  private List<Blemish> smallMarks(double least) {
    Plane deep = GaussianBlur.blur(maps.skin(), maps.faceWidth() * MARK_RADIUS);
    double radius = RednessCandidates.SMALLEST * maps.faceWidth();
    List<Blemish> marks = new ArrayList<>();
    for (RednessCandidates.Peak p : red.dark(least)) {
      if (deep.at(p.x(), p.y()) > SKIN_AROUND && melanin(p, radius)) {
        marks.add(
            proposal(
                p.x(),
                p.y(),
                RednessCandidates.REACH * radius,
                Kind.MARK,
                sureness(p.height(), least)));
      }
    }
    return marks;
  }

  private boolean melanin(RednessCandidates.Peak p, double radius) {
    return maps.rise(maps.blue(), p.x(), p.y(), radius)
            >= MELANIN * maps.rise(maps.red(), p.x(), p.y(), radius)
        && maps.roundness(maps.red(), p.x(), p.y(), SkinMaps.INNER * radius) >= MARK_ROUNDNESS;
  }

  /** Rises with how far a mark stands out: one half at the least. */
  private static double sureness(double spreads, double least) {
    return spreads / (spreads + least);
  }

  private Blemish proposal(int x, int y, double radius, Kind kind, double confidence) {
    return new Blemish(inPhotograph(x), inPhotograph(y), radius / scale, kind, confidence);
  }

  private double inPhotograph(int pixel) {
    return (pixel + 0.5) / scale;
  }

  private static boolean near(Blemish one, Blemish other) {
    return Math.hypot(one.x() - other.x(), one.y() - other.y())
        < Math.max(one.radius(), other.radius());
  }
}
