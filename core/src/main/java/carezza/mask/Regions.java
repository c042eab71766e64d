package carezza.mask;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceMap;
import carezza.model.Region;

/**
 * The regions of one photograph and face map, found once at a fixed level and given at any. They are
 * found on the photograph itself, so no edit moves them.
 */
public final class Regions {

  /** Face width in pixels that regions are found at, where the photograph has as many. */
  private static final double WORKING_FACE_WIDTH = 600;

  private final FaceMap faces;
  private final int level;
  private final Map<Region, Plane> planes;
  private final Map<Key, Plane> coarser = new ConcurrentHashMap<>();

  private record Key(Region region, int level) {}

  private Regions(FaceMap faces, int level, Map<Region, Plane> planes) {
    this.faces = faces;
    this.level = level;
    this.planes = planes;
  }

  /** For a photograph without a face map: every region is empty. */
  public static Regions none() {
    return new Regions(null, 0, new EnumMap<>(Region.class));
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
  public static Regions find(Picture photograph, FaceMap faces, Plane subject) {
    int level = level(faces);
    return new Regions(
        faces, level, RegionFinder.find(photograph, new FaceFrame(faces, level), subject));
  }

  public Optional<FaceMap> faces() {
    return Optional.ofNullable(faces);
  }

  /** Coverage over an area of a level, bilinear between the pixels it was found at. */
  public Plane coverage(Region region, Area area, int atLevel) {
    if (!planes.containsKey(region)) {
      return Plane.of(area);
    }
    Plane from = reduced(region, Math.max(level, atLevel));
    if (atLevel >= level && from.area().contains(area)) {
      return from.crop(area);
    }
    return resample(from, area, atLevel);
  }

  /** Area means down to a coarser level, so that fine outlines do not alias; made once. */
  private Plane reduced(Region region, int atLevel) {
    return atLevel == level
        ? planes.get(region)
        : coarse(region, atLevel);
  }

  private Plane coarse(Region region, int atLevel) {
    Key key = new Key(region, atLevel);
    Plane known = coarser.get(key);
    if (known == null) {
      known = carezza.filter.Resampling.half(reduced(region, atLevel - 1));
      coarser.put(key, known);
    }
    return known;
  }

  private Plane resample(Plane from, Area area, int atLevel) {
    int fromLevel = Math.max(level, atLevel);
    double ratio = Level.scale(fromLevel) / Level.scale(atLevel);
    Plane out = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        out.values()[out.index(x, y)] =
            ratio == 1 ? from.atNearest(x, y) : from.sample((x + 0.5) * ratio, (y + 0.5) * ratio);
      }
    }
    return out;
  }
}
