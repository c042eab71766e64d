package carezza.mask;

import org.jspecify.annotations.Nullable;

import carezza.filter.Cholesky;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * This person's hair, if any, against this person's skin: two normal distributions of colour and of
 * how rough the surface is, learned from the top of the head and from the cheeks. Colour alone does
 * not tell grey hair from pale skin, nor dark coils from deep skin.
 */
final class HairModel {

  private static final int FEATURES = 4;

  /** Sigmas of the roughness and of its mean, in shares of the face width. */
  private static final double FINE = 1 / 200.0;

  private static final double MEAN = 1 / 140.0;

  /** Where the top of the head lies, in ovals of the face. */
  private static final double TOP = 1.15;

  /** And how far hair reaches; beyond nothing is looked for. */
  private static final double FAR = 2.2;

  /** One pixel in so many, along both axes, is learned from. */
  private static final int STRIDE = 3;

  /** Least share of the picture of a face that is learned from. */
  private static final double FEWEST = 0.01;

  /** Of L*, a*, b*, and of the logarithm of the roughness. */
  private static final double[] NOISE = {8, 1.5, 1.5, 0.25};

  private static final int PASSES = 3;

  /**
   * Log odds that hair must have over skin: little where it looks like skin to {@link SkinModel},
   * much where that tells them apart already.
   */
  private static final double LEAST_CAUTION = 3;

  private static final double MOST_CAUTION = 8;

  private final Picture lab;
  private final Area head;
  private final SkinModel tone;
  private final Plane rough;
  private final Normal skin;
  private @Nullable Normal hair;

  /** How far this hair looks like skin to {@link SkinModel}: 0 never, 1 often. */
  private double alike;

  private HairModel(Picture lab, FaceFrame face, SkinModel tone, int[] samples) {
    this.lab = lab;
    this.tone = tone;
    this.head = face.oval(FAR).bounds().intersect(lab.area());
    this.rough = roughness(lab.first().crop(head), face.faceWidth());
    Normal.Sum sum = new Normal.Sum();
    int width = lab.area().width();
    for (int i : samples) {
      sum.add(features(lab.area().x() + i % width, lab.area().y() + i / width), 1);
    }
    this.skin = sum.normal();
  }

  /**
   * @param person the subject
   * @param likely how much each place looks like skin by colour and light alone
   * @param samples places that are skin
   */
  static HairModel of(
      Picture lab, FaceFrame face, Plane person, Plane likely, SkinModel tone, int[] samples) {
    HairModel model = new HairModel(lab, face, tone, samples);
    model.learn(face, person, likely);
    return model;
  }

  private static Plane roughness(Plane light, double faceWidth) {
    Plane smooth = GaussianBlur.blur(light, FINE * faceWidth);
    Plane rough = Plane.of(light.area());
    for (int i = 0; i < rough.values().length; i++) {
      rough.values()[i] = Math.abs(light.values()[i] - smooth.values()[i]);
    }
    return GaussianBlur.blur(rough, MEAN * faceWidth);
  }

  private double[] features(int x, int y) {
    int i = lab.first().index(x, y);
    double l = lab.first().values()[i];
    return new double[] {
      l,
      lab.second().values()[i] - tone.expectedA(l),
      lab.third().values()[i] - tone.expectedB(l),
      Math.log(rough.at(x, y) + 0.1)
    };
  }

  /** First what does not look like skin is hair, then what the model says. */
  private void learn(FaceFrame face, Plane person, Plane likely) {
    FaceFrame.Ellipse oval = face.oval(1);
    double least = FEWEST * oval.rx() * oval.ry() * Math.PI;
    for (int pass = 0; pass < PASSES; pass++) {
      Normal.Sum sum = new Normal.Sum();
      double confused = 0;
      for (int y = head.y(); y < head.bottom(); y += STRIDE) {
        for (int x = head.x(); x < head.right(); x += STRIDE) {
          int i = likely.index(x, y);
          if (person.values()[i] > 0.9f && top(face, oval, x + 0.5, y + 0.5)) {
            double w = hair == null ? 1 - likely.values()[i] : likeness(x, y);
            confused += w * likely.values()[i];
            sum.add(features(x, y), w);
          }
        }
      }
      if (STRIDE * STRIDE * sum.weight() < least) {
        hair = null;
        return;
      }
      hair = sum.normal();
      if (pass == 0) {
        alike = Math.clamp((confused / sum.weight() - 0.1) / 0.25, 0, 1);
      }
    }
  }

  private static boolean top(FaceFrame face, FaceFrame.Ellipse oval, double x, double y) {
    double distance = oval.distance(x, y);
    return distance > TOP && distance < FAR && face.below(x, y) < -0.5 * face.pupilDistance();
  }

  /** How far this hair looks like skin by colour and light alone: 0 never, 1 often. */
  float alike() {
    return (float) alike;
  }

  /** 1 for hair, 0 for skin, and for what lies far from the head. */
  float likeness(int x, int y) {
    if (hair == null || !head.contains(x, y)) {
      return 0;
    }
    double[] f = features(x, y);
    double caution = MOST_CAUTION + (LEAST_CAUTION - MOST_CAUTION) * alike;
    double odds = caution + skin.logDensity(f) - hair.logDensity(f);
    return (float) (1 / (1 + Math.exp(Math.clamp(odds, -20, 20))));
  }

  private record Normal(double[] mean, Cholesky covariance, double logDeterminant) {

    double logDensity(double[] f) {
      double[] away = new double[FEATURES];
      for (int i = 0; i < FEATURES; i++) {
        away[i] = f[i] - mean[i];
      }
      return -(covariance.squaredLength(away) + logDeterminant) / 2;
    }

    static final class Sum {
      private final double[] first = new double[FEATURES];
      private final double[][] second = new double[FEATURES][FEATURES];
      private double weight;

      void add(double[] f, double by) {
        weight += by;
        for (int i = 0; i < FEATURES; i++) {
          first[i] += by * f[i];
          for (int j = 0; j < FEATURES; j++) {
            second[i][j] += by * f[i] * f[j];
          }
        }
      }

      double weight() {
        return weight;
      }

      Normal normal() {
        double[] mean = new double[FEATURES];
        double[][] covariance = new double[FEATURES][FEATURES];
        for (int i = 0; i < FEATURES; i++) {
          mean[i] = first[i] / weight;
        }
        for (int i = 0; i < FEATURES; i++) {
          for (int j = 0; j < FEATURES; j++) {
            covariance[i][j] = second[i][j] / weight - mean[i] * mean[j];
          }
          covariance[i][i] += NOISE[i] * NOISE[i];
        }
        Cholesky parts = Cholesky.of(covariance);
        return new Normal(mean, parts, parts.logDeterminant());
      }
    }
  }
}
