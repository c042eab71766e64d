package carezza.testing;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.lang.ref.SoftReference;
import java.net.URL;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import carezza.codec.PictureReader;
import carezza.face.FaceAnalysis;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.HealLayer.Patch;
import carezza.model.Point;
import carezza.problem.Problem;

/** The six made-up portraits with their ground truth. */
public enum Portrait {
  S01(566, 932, 934, 913, 596, 1310, 954, 1291, 325, 614, 1130, 1570),
  S02(674, 812, 1097, 835, 748, 1268, 1069, 1275, 297, 441, 1306, 1572),
  S03(506, 521, 790, 528, 473, 829, 751, 852, 403, 255, 1055, 1084),
  S04(635, 880, 1112, 909, 659, 1381, 1026, 1404, 350, 484, 1421, 1706),
  S05(652, 760, 957, 752, 660, 1063, 958, 1049, 465, 492, 1180, 1297),
  S06(524, 780, 876, 752, 535, 1143, 868, 1121, 362, 453, 1191, 1401);

  private final FaceMap faces;
  private SoftReference<Regions> found = new SoftReference<>(null);

  /** Pupils, mouth corners and the oval's box, as a retoucher would place them. */
  Portrait(double... p) {
    faces =
        new FaceMap(
            new FaceOval(
                (p[8] + p[10]) / 2, (p[9] + p[11]) / 2, (p[10] - p[8]) / 2, (p[11] - p[9]) / 2, 0),
            new Point(p[0], p[1]),
            new Point(p[2], p[3]),
            new Point(p[4], p[5]),
            new Point(p[6], p[7]));
  }

  public FaceMap faces() {
    return faces;
  }

  public byte[] bytes(String name) {
    try (InputStream in = resource(name).openStream()) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** {@code photo.jpg}, {@code clean.jpg} or {@code even.jpg} in the working space. */
  public Picture picture(String name) {
    try {
      return PictureReader.decode(bytes(name), name).pixels();
    } catch (Problem e) {
      throw new IllegalStateException(e);
    }
  }

  /**
   * The regions of {@code photo.jpg} as they are found without a hand; made once for all tests that
   * ask, while there is room.
   */
  public synchronized Regions found() {
    Regions known = found.get();
    if (known == null) {
      Picture photo = picture("photo.jpg");
      FaceAnalysis analysis = FaceAnalysis.shared();
      known = Regions.find(photo, analysis.faces(photo, 0).getFirst(), analysis.subject(photo));
      found = new SoftReference<>(known);
    }
    return known;
  }

  /** What practice ships lies with it. */
  private URL resource(String name) {
    String path = name().toLowerCase(Locale.ROOT) + "/" + name;
    URL shipped = Portrait.class.getResource("/carezza/practice/" + path);
    return shipped != null ? shipped : Portrait.class.getResource("/portraits/" + path);
  }

  public boolean has(String name) {
    return resource(name) != null;
  }

  /** A mask of the ground truth, 0 … 1. */
  public Plane mask(String name) {
    try {
      BufferedImage image = ImageIO.read(new ByteArrayInputStream(bytes(name)));
      int w = image.getWidth();
      int h = image.getHeight();
      int[] grey = image.getRaster().getSamples(0, 0, w, h, 0, (int[]) null);
      Plane plane = Plane.of(new Area(0, 0, w, h));
      for (int i = 0; i < grey.length; i++) {
        plane.values()[i] = grey[i] / 255f;
      }
      return plane;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The moles of the truth. */
  public List<Point> moles() {
    List<Point> moles = new ArrayList<>();
    JsonNode truth = JsonMapper.shared().readTree(bytes("truth.json"));
    for (JsonNode m : truth.get("natural_marks").get("moles")) {
      moles.add(new Point(m.get("x").asDouble(), m.get("y").asDouble()));
    }
    return moles;
  }

  /** The round blemishes of the truth, each a little wider than it is seen. */
  public List<Patch> spots() {
    List<Patch> spots = new ArrayList<>();
    JsonNode truth = JsonMapper.shared().readTree(bytes("truth.json"));
    for (JsonNode b : truth.get("temporary_blemishes")) {
      boolean round =
          List.of("pimple", "red_spot", "scar_pit", "flake_patch")
              .contains(b.get("type").asString());
      if (round && b.get("radius").asDouble() < 60) {
        spots.add(
            Patch.spot(
                b.get("x").asDouble(),
                b.get("y").asDouble(),
                b.get("radius").asDouble() * 1.25 + 2));
      }
    }
    return spots;
  }

  /** Paths of the stray hairs of the truth. */
  public List<List<Point>> hairs() {
    List<List<Point>> hairs = new ArrayList<>();
    JsonNode truth = JsonMapper.shared().readTree(bytes("truth.json"));
    for (JsonNode b : truth.get("temporary_blemishes")) {
      if (b.get("type").asString().equals("stray_hair")) {
        List<Point> path = new ArrayList<>();
        b.get("path").forEach(p -> path.add(new Point(p.get(0).asDouble(), p.get(1).asDouble())));
        hairs.add(path);
      }
    }
    return hairs;
  }
}
