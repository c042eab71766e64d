package carezza.benchmarks;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;
import javax.imageio.ImageIO;

import carezza.codec.PictureReader;
import carezza.colour.WorkingSpace;
import carezza.face.FaceAnalysis;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.model.FaceMap;
import carezza.model.SemanticRegion;
import carezza.problem.Problem;

/**
 * Regions found without a hand against the painted masks, on the photograph as it is and on what
 * other cameras, other light and other hands would have made of it.
 */
final class RegionTruth {

  private static final Map<SemanticRegion, Double> BARS = new EnumMap<>(SemanticRegion.class);

  static {
    BARS.put(SemanticRegion.SUBJECT, 0.97);
    BARS.put(SemanticRegion.SKIN, 0.93);
    BARS.put(SemanticRegion.LIPS, 0.82);
    BARS.put(SemanticRegion.TEETH, 0.80);
    BARS.put(SemanticRegion.SCLERA, 0.76);
    BARS.put(SemanticRegion.IRIS, 0.82);
    BARS.put(SemanticRegion.BROWS_LASHES, 0.55);
    BARS.put(SemanticRegion.HAIR, 0.80);
  }

  private static final List<SemanticRegion> REGIONS = List.copyOf(BARS.keySet());

  /** What a photograph could have been instead. */
  private enum Variant {
    DARKER("1.5 stops darker", p -> lit(p, 0.354, 0.354, 0.354)),
    GREEN("green", p -> lit(p, 0.75, 1, 0.75)),
    TURNED("turned by 20°", p -> p.map(RegionTruth::turned)),
    MIRRORED("mirrored", p -> p.map(RegionTruth::mirrored)),
    HALF("half size", p -> p.map(Resampling::half)),
    NOISE("noise σ 8", RegionTruth::noisy),
    MONO("mono", RegionTruth::mono);

    private final String text;
    private final UnaryOperator<Picture> change;

    Variant(String text, UnaryOperator<Picture> change) {
      this.text = text;
      this.change = change;
    }

    Plane truth(Plane mask) {
      return switch (this) {
        case TURNED -> turned(mask);
        case MIRRORED -> mirrored(mask);
        case HALF -> Resampling.half(mask);
        default -> mask;
      };
    }
  }

  private RegionTruth() {}

  /**
   * @param portraits folders with a folder for each portrait
   * @param report file whose text between the marks is replaced
   * @param sheet folder for a picture of each face, the truth's outlines in green and those found
   *     in magenta
   */
  static void run(List<Path> portraits, Path report, Path sheet) throws IOException, Problem {
    List<Path> folders = new ArrayList<>();
    for (Path family : portraits) {
      folders.addAll(Quality.folders(family));
    }
    List<String> lines = new ArrayList<>();
    StringBuilder head = new StringBuilder("| |");
    StringBuilder bars = new StringBuilder("| bar |");
    for (SemanticRegion region : REGIONS) {
      head.append(' ').append(region.name().toLowerCase(Locale.ROOT)).append(" |");
      bars.append(" %.2f |".formatted(BARS.get(region)));
    }
    lines.add(head.toString());
    lines.add("|---".repeat(REGIONS.size() + 1) + "|");
    lines.add(bars.toString());
    double[][] sums = new double[Variant.values().length][REGIONS.size()];
    double[][] worst = new double[Variant.values().length][REGIONS.size()];
    for (Path folder : folders) {
      Map<SemanticRegion, Plane> truth = truth(folder);
      Picture photo = PictureReader.read(folder.resolve("photo.jpg")).pixels();
      Regions regions = found(photo);
      double[] plain = overlaps(regions, photo.area(), truth);
      lines.add("| " + folder.getFileName() + " |" + cells(plain));
      draw(photo, regions, truth, sheet.resolve(folder.getFileName() + ".png"));
      for (Variant v : Variant.values()) {
        Map<SemanticRegion, Plane> wanted = new EnumMap<>(SemanticRegion.class);
        truth.forEach((region, mask) -> wanted.put(region, v.truth(mask)));
        Picture changed = v.change.apply(photo);
        double[] then = overlaps(found(changed), changed.area(), wanted);
        System.out.println(folder.getFileName() + " " + v + cells(then));
        for (int i = 0; i < then.length; i++) {
          double lost = Math.max(0, plain[i] - then[i]);
          sums[v.ordinal()][i] += lost / folders.size();
          worst[v.ordinal()][i] = Math.max(worst[v.ordinal()][i], lost);
        }
      }
    }
    for (Variant v : Variant.values()) {
      StringBuilder row = new StringBuilder("| lost when " + v.text + ": mean, most |");
      for (int i = 0; i < REGIONS.size(); i++) {
        row.append(" %.2f, %.2f |".formatted(sums[v.ordinal()][i], worst[v.ordinal()][i]));
      }
      lines.add(row.toString());
    }
    Quality.put(report, "<!-- regions -->\n", lines);
  }

  private static Map<SemanticRegion, Plane> truth(Path folder) throws Problem {
    Map<SemanticRegion, Plane> truth = new EnumMap<>(SemanticRegion.class);
    for (SemanticRegion region : REGIONS) {
      Path mask = folder.resolve(region.name().toLowerCase(Locale.ROOT) + ".png");
      if (Files.exists(mask)) {
        // A neutral grey is the same number in every space here.
        truth.put(region, PictureReader.read(mask).pixels().first());
      }
    }
    return truth;
  }

  private static Regions found(Picture photo) {
    int seen = FaceAnalysis.level(new PictureSize(photo.area().width(), photo.area().height()));
    Picture analysed = atLevel(photo, seen);
    List<FaceMap> faces = FaceAnalysis.shared().faces(analysed, seen);
    if (faces.isEmpty()) {
      return Regions.none();
    }
    Plane subject = FaceAnalysis.shared().subject(analysed);
    return Regions.find(atLevel(photo, Regions.level(faces.getFirst())), faces, subject);
  }

  private static Picture atLevel(Picture photo, int level) {
    Picture p = photo;
    for (int k = 0; k < level; k++) {
      p = p.map(Resampling::half);
    }
    return p;
  }

  private static double[] overlaps(Regions regions, Area area, Map<SemanticRegion, Plane> truth) {
    double[] out = new double[REGIONS.size()];
    for (int i = 0; i < out.length; i++) {
      Plane wanted = truth.get(REGIONS.get(i));
      if (wanted != null) {
        out[i] = overlap(regions.coverage(REGIONS.get(i), area, 0), wanted);
      }
    }
    return out;
  }

  /** Soft intersection over union. */
  private static double overlap(Plane one, Plane other) {
    double both = 0;
    double any = 0;
    for (int i = 0; i < one.values().length; i++) {
      both += Math.min(one.values()[i], other.values()[i]);
      any += Math.max(one.values()[i], other.values()[i]);
    }
    return both / Math.max(any, 1e-9);
  }

  private static String cells(double[] values) {
    StringBuilder row = new StringBuilder();
    for (double v : values) {
      row.append(v == 0 ? "  |" : " %.3f |".formatted(v));
    }
    return row.toString();
  }

  private static Picture lit(Picture photo, double red, double green, double blue) {
    Picture linear = WorkingSpace.toLinearSrgb(photo);
    double[] by = {red, green, blue};
    for (int c = 0; c < 3; c++) {
      float[] v = linear.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        v[i] *= (float) by[c];
      }
    }
    return WorkingSpace.fromLinearSrgb(linear);
  }

  private static Picture mono(Picture photo) {
    Picture linear = WorkingSpace.toLinearSrgb(photo);
    for (int i = 0; i < linear.first().values().length; i++) {
      float y =
          0.2126f * linear.first().values()[i]
              + 0.7152f * linear.second().values()[i]
              + 0.0722f * linear.third().values()[i];
      for (int c = 0; c < 3; c++) {
        linear.plane(c).values()[i] = y;
      }
    }
    return WorkingSpace.fromLinearSrgb(linear);
  }

  private static Picture noisy(Picture photo) {
    Picture noisy = photo.copy();
    Random random = new Random(8);
    for (int c = 0; c < 3; c++) {
      float[] v = noisy.plane(c).values();
      for (int i = 0; i < v.length; i++) {
        v[i] = Math.clamp(v[i] + (float) (random.nextGaussian() * 8 / 255), 0f, 1f);
      }
    }
    return noisy;
  }

  private static Plane turned(Plane plane) {
    double cos = Math.cos(Math.toRadians(20));
    double sin = Math.sin(Math.toRadians(20));
    double mx = plane.width() / 2.0;
    double my = plane.height() / 2.0;
    Plane out = Plane.of(plane.area());
    for (int y = 0; y < plane.height(); y++) {
      for (int x = 0; x < plane.width(); x++) {
        double dx = x + 0.5 - mx;
        double dy = y + 0.5 - my;
        out.values()[out.index(x, y)] =
            plane.sample(mx + cos * dx + sin * dy, my - sin * dx + cos * dy);
      }
    }
    return out;
  }

  private static Plane mirrored(Plane plane) {
    Plane out = Plane.of(plane.area());
    for (int y = 0; y < plane.height(); y++) {
      for (int x = 0; x < plane.width(); x++) {
        out.values()[out.index(x, y)] = plane.at(plane.width() - 1 - x, y);
      }
    }
    return out;
  }

  /** The face with the halves of the truth's masks outlined in green, those found in magenta. */
  private static void draw(
      Picture photo, Regions regions, Map<SemanticRegion, Plane> truth, Path file)
      throws IOException {
    Picture srgb = WorkingSpace.toSrgb(photo);
    Area all = photo.area();
    BufferedImage image = new BufferedImage(all.width(), all.height(), BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < all.height(); y++) {
      for (int x = 0; x < all.width(); x++) {
        int rgb = 0;
        for (int c = 0; c < 3; c++) {
          rgb = rgb << 8 | (int) (255 * Math.clamp(srgb.plane(c).at(x, y), 0f, 1f));
        }
        image.setRGB(x, y, rgb);
      }
    }
    truth.forEach(
        (region, mask) -> {
          outline(image, mask, 0x00ff00);
          outline(image, regions.coverage(region, all, 0), 0xff00ff);
        });
    ImageIO.write(image, "png", file.toFile());
  }

  private static void outline(BufferedImage image, Plane mask, int colour) {
    for (int y = 0; y < mask.height() - 1; y++) {
      for (int x = 0; x < mask.width() - 1; x++) {
        boolean in = mask.at(x, y) > 0.5f;
        if (in != mask.at(x + 1, y) > 0.5f || in != mask.at(x, y + 1) > 0.5f) {
          image.setRGB(x, y, colour);
        }
      }
    }
  }
}
