package carezza.line;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Point;

/**
 * A way along a ridge: the longest within all of it that touches.
 *
 * @param places its pixels, as indices of the plane it lies in
 * @param area of that plane
 */
public record RidgeWay(List<Integer> places, Area area) {

  /** Pixels of a way that a point of its path goes on by. */
  private static final int STRIDE = 6;

  public RidgeWay {
    places = List.copyOf(places);
  }

  /**
   * The ways of all ridges of a plane.
   *
   * @param ridges above 0 where one is
   * @param least pixels of a ridge
   */
  public static List<RidgeWay> of(Plane ridges, double least) {
    List<RidgeWay> ways = new ArrayList<>();
    boolean[] seen = new boolean[ridges.values().length];
    for (int i = 0; i < seen.length; i++) {
      if (ridges.values()[i] > 0 && !seen[i]) {
        List<Integer> ridge = component(ridges, i, seen);
        if (ridge.size() >= least) {
          ways.add(new RidgeWay(longest(ridge, ridges), ridges.area()));
        }
      }
    }
    return ways;
  }

  /** The median of a plane over the same area along it. */
  public double median(Plane of) {
    return RobustStatistics.interpolated(
        places.stream().map(i -> (double) of.values()[i]).toList(), 0.5);
  }

  /** Points along it, each the mean of those about it, in the plane's pixels. */
  public List<Point> path() {
    List<Point> path = new ArrayList<>();
    for (int k = 0; k < places.size(); k += STRIDE) {
      int low = Math.max(0, k - STRIDE / 2);
      int high = Math.min(places.size(), k + STRIDE / 2 + 1);
      double x = 0;
      double y = 0;
      for (int i : places.subList(low, high)) {
        x += area.x() + i % area.width();
        y += area.y() + i / area.width();
      }
      path.add(new Point(x / (high - low), y / (high - low)));
    }
    return path;
  }

  /** Indices of all that touches, in the order they are come to. */
  private static List<Integer> component(Plane ridges, int first, boolean[] seen) {
    List<Integer> found = new ArrayList<>();
    Deque<Integer> open = new ArrayDeque<>(List.of(first));
    seen[first] = true;
    int w = ridges.width();
    while (!open.isEmpty()) {
      int i = open.poll();
      found.add(i);
      for (int next : around(i, w, ridges.values().length)) {
        if (!seen[next] && ridges.values()[next] > 0) {
          seen[next] = true;
          open.add(next);
        }
      }
    }
    return found;
  }

  private static int[] around(int i, int w, int count) {
    int[] next = new int[8];
    int n = 0;
    for (int v = -1; v <= 1; v++) {
      for (int u = -1; u <= 1; u++) {
        int k = i + v * w + u;
        boolean sameRow = i % w + u >= 0 && i % w + u < w;
        if ((u != 0 || v != 0) && sameRow && k >= 0 && k < count) {
          next[n++] = k;
        }
      }
    }
    return Arrays.copyOf(next, n);
  }

  /** The longest way within a ridge: from the farthest of any to the farthest of that. */
  private static List<Integer> longest(List<Integer> ridge, Plane ridges) {
    List<Integer> there = way(ridge.getFirst(), ridges);
    return way(there.getLast(), ridges);
  }

  private static List<Integer> way(int start, Plane ridges) {
    Map<Integer, Integer> from = new HashMap<>();
    from.put(start, start);
    Deque<Integer> open = new ArrayDeque<>(List.of(start));
    int last = start;
    while (!open.isEmpty()) {
      last = open.poll();
      for (int next : around(last, ridges.width(), ridges.values().length)) {
        if (ridges.values()[next] > 0 && from.putIfAbsent(next, last) == null) {
          open.add(next);
        }
      }
    }
    List<Integer> back = new ArrayList<>(List.of(last));
    int at = last;
    while (at != start) {
      at = from.getOrDefault(at, start);
      back.add(at);
    }
    return back.reversed();
  }
}
