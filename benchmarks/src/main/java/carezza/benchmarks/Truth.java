package carezza.benchmarks;

import java.awt.geom.Line2D;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import carezza.codec.PictureReader;
import carezza.problem.Problem;

/**
 * What was painted into a made-up portrait: its round blemishes, its moles, and its stray hairs.
 */
record Truth(List<Spot> blemishes, List<Spot> marks, List<Line2D> hairs) {

  private static final List<String> ROUND =
      List.of("pimple", "red_spot", "scar_pit", "flake_patch");

  /** Pixels that a proposal may lie beside a small blemish, and beside a small mark. */
  private static final double BESIDE_BLEMISH = 8;

  private static final double BESIDE_MARK = 5;

  /** Half the width of the widest hair, with its soft edge. */
  private static final double HAIR = 3;

  /** A painted place, in photograph pixels; a proposal within {@code reach} of it means it. */
  record Spot(double x, double y, double radius, double reach) {

    boolean meant(double px, double py) {
      return Math.hypot(px - x, py - y) < reach;
    }
  }

  /**
   * @param folder of the portrait, with its {@code truth.json}
   */
  static Truth of(Path folder) throws Problem {
    JsonNode truth =
        JsonMapper.shared().readTree(PictureReader.bytes(folder.resolve("truth.json")));
    List<Spot> blemishes = new ArrayList<>();
    for (JsonNode b : truth.get("temporary_blemishes")) {
      if (ROUND.contains(b.get("type").asString()) && b.path("radius").isNumber()) {
        blemishes.add(spot(b, BESIDE_BLEMISH));
      }
    }
    List<Line2D> hairs = new ArrayList<>();
    for (JsonNode b : truth.get("temporary_blemishes")) {
      JsonNode path = b.path("path");
      for (int i = 1; b.get("type").asString().equals("stray_hair") && i < path.size(); i++) {
        hairs.add(
            new Line2D.Double(
                path.get(i - 1).get(0).asDouble(),
                path.get(i - 1).get(1).asDouble(),
                path.get(i).get(0).asDouble(),
                path.get(i).get(1).asDouble()));
      }
    }
    List<Spot> marks = new ArrayList<>();
    for (JsonNode m : truth.get("natural_marks").get("moles")) {
      Spot mark = spot(m, BESIDE_MARK);
      // A mole within a blemish is healed with it.
      if (blemishes.stream()
          .noneMatch(b -> Math.hypot(b.x() - mark.x(), b.y() - mark.y()) < b.radius())) {
        marks.add(mark);
      }
    }
    return new Truth(blemishes, marks, hairs);
  }

  /** Which of the blemishes is meant by a place, the first if several; −1 for none. */
  int blemishAt(double x, double y) {
    for (int i = 0; i < blemishes.size(); i++) {
      if (blemishes.get(i).meant(x, y)) {
        return i;
      }
    }
    return -1;
  }

  /** Whether a stray hair runs over a pixel, or its soft edge does. */
  boolean onHair(int x, int y) {
    return hairs.stream().anyMatch(h -> h.ptSegDist(x + 0.5, y + 0.5) < HAIR);
  }

  private static Spot spot(JsonNode node, double least) {
    double radius = node.get("radius").asDouble();
    return new Spot(
        node.get("x").asDouble(), node.get("y").asDouble(), radius, Math.max(least, radius));
  }
}
