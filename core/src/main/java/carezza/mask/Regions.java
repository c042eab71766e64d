package carezza.mask;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

import org.jspecify.annotations.Nullable;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * The regions of one photograph and face map, found once at a fixed level and given at any. They
 * are found on the photograph itself, so no edit moves them.
 */
public final class Regions {

  /**
   * Face width in pixels that regions are found at, where the photograph has as many: at most twice
   * that.
   */
  private static final double WORKING_FACE_WIDTH = 540;

  private final List<FaceMap> maps;
  private final int level;
  private final Map<SemanticRegion, StoredCoverage> found;
  private final Map<Key, StoredCoverage> coarser = new ConcurrentHashMap<>();

  private final Map<Integer, Regions> persons = new ConcurrentHashMap<>();

  private record Key(SemanticRegion region, int level) {}

  Regions(List<FaceMap> maps, int level, Map<SemanticRegion, StoredCoverage> found) {
    this.maps = List.copyOf(maps);
    this.level = level;
    this.found = found;
  }

  private static Map<SemanticRegion, StoredCoverage> stored(Map<SemanticRegion, Plane> planes) {
    Map<SemanticRegion, StoredCoverage> stored = new EnumMap<>(SemanticRegion.class);
    planes.forEach((region, plane) -> stored.put(region, StoredCoverage.of(plane)));
    return stored;
  }

  int level() {
    return level;
  }

  /** What was found, by name. */
  Map<SemanticRegion, StoredCoverage> found() {
    return Collections.unmodifiableMap(found);
  }

  /** For a photograph without a face map: every region is empty. */
  public static Regions none() {
    return new Regions(List.of(), 0, new EnumMap<>(SemanticRegion.class));
  }

  /** The level of the photograph that {@link #find} wants. */
  public static int level(FaceMap faces) {
    return Level.forZoom(Math.min(1, WORKING_FACE_WIDTH / faces.faceWidth()));
  }

  /**
   * @param photograph working-space pixels of the whole photograph at {@link #level}
   */
  public static Regions find(Picture photograph, FaceMap faces) {
    return find(photograph, faces, null);
  }

  /**
   * @param photograph working-space pixels of the whole photograph at {@link #level}
   * @param subject probability of the subject on any grid over the whole photograph, or null
   */
  public static Regions find(Picture photograph, FaceMap faces, @Nullable Plane subject) {
    return find(photograph, List.of(faces), subject);
  }

  /**
   * The regions of all faces together.
   *
   * @param photograph working-space pixels of the whole photograph at the first map's {@link
   *     #level}
   * @param faces at least one; the first is the one that is measured
   * @param subject probability of the subject on any grid over the whole photograph, or null
   */
  public static Regions find(Picture photograph, List<FaceMap> faces, @Nullable Plane subject) {
    FaceMap first = faces.getFirst();
    int level = level(first);
    Map<SemanticRegion, Plane> found = Map.of();
    for (FaceMap map : faces) {
      Map<SemanticRegion, Plane> own =
          RegionFinder.find(photograph, new FaceFrame(map, level), subject);
      found = found.isEmpty() ? own : together(found, own);
    }
    return new Regions(faces, level, stored(found));
  }

  private static Map<SemanticRegion, Plane> together(
      Map<SemanticRegion, Plane> one, Map<SemanticRegion, Plane> other) {
    Map<SemanticRegion, Plane> both = new EnumMap<>(SemanticRegion.class);
    for (SemanticRegion region : List.copyOf(one.keySet())) {
      // Large planes are let go as soon as they are joined.
      both.put(region, Planes.most(taken(one, region), taken(other, region)));
    }
    // What is hair, or neck, beside one face may be the other's face.
    both.put(
        SemanticRegion.HAIR,
        Planes.minus(
            Planes.minus(of(both, SemanticRegion.HAIR), of(both, SemanticRegion.SKIN)),
            Planes.or(of(both, SemanticRegion.LIPS), of(both, SemanticRegion.BROWS_LASHES))));
    for (SemanticRegion body :
        List.of(
            SemanticRegion.EARS,
            SemanticRegion.NECK_SKIN,
            SemanticRegion.SHOULDERS,
            SemanticRegion.HANDS)) {
      both.put(body, Planes.minus(of(both, body), of(both, SemanticRegion.FACE_SKIN)));
    }
    Plane subject = of(both, SemanticRegion.SUBJECT);
    both.put(SemanticRegion.BACKDROP, Planes.minus(Plane.filled(subject.area(), 1), subject));
    return both;
  }

  /** The finder names every region. */
  private static Plane of(Map<SemanticRegion, Plane> planes, SemanticRegion region) {
    return Objects.requireNonNull(planes.get(region));
  }

  private static Plane taken(Map<SemanticRegion, Plane> planes, SemanticRegion region) {
    return Objects.requireNonNull(planes.remove(region));
  }

  /** The face that is measured. */
  public Optional<FaceMap> faces() {
    return maps.stream().findFirst();
  }

  /** All faces. */
  public List<FaceMap> maps() {
    return maps;
  }

  /**
   * The regions of one of several people, with their face as the one that is measured; of one alone
   * these. What lies behind all of them stays whole.
   *
   * @param index a place in {@link #maps}
   */
  public Regions person(int index) {
    return maps.size() < 2 ? this : persons.computeIfAbsent(index, this::own);
  }

  /**
   * The regions of the person whose face, or body below it, is nearest to a place; all where that
   * is null.
   *
   * @param place in photograph pixels
   */
  public Regions at(@Nullable Point place) {
    return place == null || maps.size() < 2 ? this : person(Territory.nearest(maps, place));
  }

  private Regions own(int index) {
    Map<SemanticRegion, Plane> planes = new EnumMap<>(SemanticRegion.class);
    Plane share = Territory.of(maps, index, of(SemanticRegion.SUBJECT).area(), level);
    for (SemanticRegion region : found.keySet()) {
      Plane all = of(region).over(of(region).area());
      planes.put(region, region == SemanticRegion.BACKDROP ? all : all.times(share));
    }
    return new Regions(List.of(maps.get(index)), level, stored(planes));
  }

  private StoredCoverage of(SemanticRegion region) {
    return Objects.requireNonNull(found.get(region));
  }

  /** Coverage over an area of a level, bilinear between the pixels it was found at. */
  public Plane coverage(SemanticRegion region, Area area, int atLevel) {
    if (!found.containsKey(region)) {
      return Plane.of(area);
    }
    StoredCoverage from = reduced(region, Math.max(level, atLevel));
    if (atLevel >= level && from.area().contains(area)) {
      return from.over(area);
    }
    return resample(from, area, atLevel);
  }

  /** Area means down to a coarser level, so that fine outlines do not alias; made once. */
  private StoredCoverage reduced(SemanticRegion region, int atLevel) {
    return atLevel == level ? of(region) : coarse(region, atLevel);
  }

  private StoredCoverage coarse(SemanticRegion region, int atLevel) {
    Key key = new Key(region, atLevel);
    StoredCoverage known = coarser.get(key);
    if (known == null) {
      StoredCoverage finer = reduced(region, atLevel - 1);
      known = StoredCoverage.of(Resampling.half(finer.over(finer.area())));
      coarser.put(key, known);
    }
    return known;
  }

  private Plane resample(StoredCoverage stored, Area area, int atLevel) {
    int fromLevel = Math.max(level, atLevel);
    double ratio = Level.scale(fromLevel) / Level.scale(atLevel);
    Plane from = stored.over(needed(area, ratio, stored.area()));
    Plane out = Plane.of(area);
    if (fromLevel > atLevel) {
      Resampling.addExpanded(from, fromLevel - atLevel, out);
    } else {
      Planes.fill(out, area, (i, x, y) -> from.atNearest(x, y));
    }
    return out;
  }

  /** The pixels of the stored level that an area is interpolated from, at least one. */
  private static Area needed(Area area, double ratio, Area whole) {
    int left = Math.clamp((int) Math.floor(area.x() * ratio) - 1, whole.x(), whole.right() - 1);
    int top = Math.clamp((int) Math.floor(area.y() * ratio) - 1, whole.y(), whole.bottom() - 1);
    int right = Math.clamp((int) Math.ceil(area.right() * ratio) + 1, left + 1, whole.right());
    int bottom = Math.clamp((int) Math.ceil(area.bottom() * ratio) + 1, top + 1, whole.bottom());
    return new Area(left, top, right - left, bottom - top);
  }
}
