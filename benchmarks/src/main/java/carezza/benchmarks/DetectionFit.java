package carezza.benchmarks;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiPredicate;

import carezza.codec.PictureReader;
import carezza.filter.Cholesky;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.measure.BlemishFinder;
import carezza.measure.BlemishFinder.Looked;
import carezza.model.FaceMap;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.session.Session;

/**
 * Fits the weights by which blemishes are told to the painted truth: a logistic regression with a
 * ridge, by Newton's method. What weights from five portraits find on the sixth shows how far they
 * can be trusted.
 */
final class DetectionFit {

  private static final int STEPS = 40;

  /** Ridge on the weights of traits with a spread of 1. */
  private static final double RIDGE = 0.5;

  /** Log odds at which the portraits that were left out are counted. */
  private static final double[] LIMITS = {-2, -1.75, -1.5, -1.25, -1, -0.5, 0};

  /** What was looked at in one portrait, and which painted blemish each place means, or −1. */
  private record Sample(String name, int blemishes, List<Looked> places, int[] meant) {

    static Sample of(Path folder) throws Problem {
      Session session = new Session(PictureReader.read(folder.resolve("photo.jpg")));
      Project project =
          session
              .faces()
              .withFace(
                  ProjectFile.start(folder.resolve("photo.jpg")).project(), Cancellation.NONE);
      FaceMap faces = project.faces();
      int level = BlemishFinder.level(faces);
      Picture picture =
          session
              .readings()
              .settled(project, session.size().atLevel(level).area(), level, Cancellation.NONE);
      List<Looked> places = BlemishFinder.places(picture, session.scene(project).regions());
      Truth truth = Truth.of(folder);
      int[] meant = new int[places.size()];
      for (int i = 0; i < meant.length; i++) {
        meant[i] = truth.blemishAt(places.get(i).x(), places.get(i).y());
      }
      return new Sample(folder.getFileName().toString(), truth.blemishes().size(), places, meant);
    }
  }

  /** A weight for each trait, and last what is added. */
  private record Weights(double[] values) {

    double odds(Looked place) {
      List<Double> row = place.traits().row();
      double sum = values[row.size()];
      for (int i = 0; i < row.size(); i++) {
        sum += values[i] * row.get(i);
      }
      return sum;
    }
  }

  private DetectionFit() {}

  /**
   * @param families folders with a folder for each portrait, each family by another renderer
   */
  static void run(List<Path> families) throws IOException, Problem {
    List<Sample> all = new ArrayList<>();
    Map<Sample, Path> from = new LinkedHashMap<>();
    for (Path family : families) {
      for (Path folder : Quality.folders(family)) {
        Sample sample = Sample.of(folder);
        all.add(sample);
        from.put(sample, family);
      }
    }
    System.out.println("Found / right with weights from the other portraits, by limit:");
    print(all, (s, other) -> s != other);
    if (families.size() > 1) {
      System.out.println("With weights from the other family:");
      print(all, (s, other) -> !from.get(s).equals(from.get(other)));
    }
    System.out.println("With weights from all:");
    print(all, (s, other) -> true);
    System.out.println("Weights, and what is added: " + text(fit(all).values(), "%.2f"));
  }

  /**
   * @param learns whether the first sample's weights are fitted to the second
   */
  private static void print(List<Sample> samples, BiPredicate<Sample, Sample> learns) {
    List<Weights> weights = new ArrayList<>();
    for (Sample s : samples) {
      weights.add(fit(samples.stream().filter(o -> learns.test(s, o)).toList()));
    }
    for (double limit : LIMITS) {
      StringBuilder line = new StringBuilder(String.format(Locale.ROOT, "%6.2f", limit));
      for (int i = 0; i < samples.size(); i++) {
        line.append("  ").append(counted(samples.get(i), weights.get(i), limit));
      }
      System.out.println(line);
    }
  }

  private static String counted(Sample s, Weights weights, double limit) {
    boolean[] found = new boolean[s.blemishes()];
    int proposed = 0;
    int right = 0;
    for (int i = 0; i < s.meant().length; i++) {
      if (weights.odds(s.places().get(i)) > limit) {
        proposed++;
        if (s.meant()[i] >= 0) {
          right++;
          found[s.meant()[i]] = true;
        }
      }
    }
    int hits = 0;
    for (boolean f : found) {
      hits += f ? 1 : 0;
    }
    return String.format(
        Locale.ROOT,
        "%s %.2f/%.2f",
        s.name(),
        (double) hits / s.blemishes(),
        (double) right / Math.max(1, proposed));
  }

  private static Weights fit(List<Sample> samples) {
    List<double[]> rows = new ArrayList<>();
    List<Double> truth = new ArrayList<>();
    for (Sample s : samples) {
      for (int i = 0; i < s.meant().length; i++) {
        rows.add(
            s.places().get(i).traits().row().stream().mapToDouble(Double::doubleValue).toArray());
        truth.add(s.meant()[i] >= 0 ? 1.0 : 0.0);
      }
    }
    int n = rows.getFirst().length;
    double[] mean = new double[n];
    double[] spread = new double[n];
    for (int k = 0; k < n; k++) {
      int trait = k;
      mean[k] = rows.stream().mapToDouble(r -> r[trait]).average().orElseThrow();
      spread[k] =
          Math.sqrt(
              rows.stream()
                  .mapToDouble(r -> Math.pow(r[trait] - mean[trait], 2))
                  .average()
                  .orElseThrow());
    }
    double[] w = new double[n + 1];
    for (int step = 0; step < STEPS; step++) {
      double[][] second = new double[n + 1][n + 1];
      double[] first = new double[n + 1];
      for (int k = 0; k < n; k++) {
        second[k][k] = RIDGE;
        first[k] = -RIDGE * w[k];
      }
      for (int i = 0; i < rows.size(); i++) {
        add(rows.get(i), mean, spread, truth.get(i), w, first, second);
      }
      double[] by = Cholesky.of(second).solve(first);
      for (int k = 0; k <= n; k++) {
        w[k] += by[k];
      }
    }
    for (int k = 0; k < n; k++) {
      w[k] /= spread[k];
      w[n] -= w[k] * mean[k];
    }
    return new Weights(w);
  }

  /** Adds one place to the first and the second derivatives. */
  private static void add(
      double[] row,
      double[] mean,
      double[] spread,
      double truth,
      double[] w,
      double[] first,
      double[][] second) {
    int n = row.length;
    double[] x = new double[n + 1];
    double odds = w[n];
    for (int k = 0; k < n; k++) {
      x[k] = (row[k] - mean[k]) / spread[k];
      odds += w[k] * x[k];
    }
    x[n] = 1;
    double p = 1 / (1 + Math.exp(-odds));
    for (int k = 0; k <= n; k++) {
      for (int j = 0; j <= n; j++) {
        second[k][j] += p * (1 - p) * x[k] * x[j];
      }
      first[k] += (truth - p) * x[k];
    }
  }

  private static String text(double[] values, String format) {
    return String.join(
        ", ", Arrays.stream(values).mapToObj(v -> String.format(Locale.ROOT, format, v)).toList());
  }
}
