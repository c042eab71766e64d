package carezza.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;

/**
 * Noise of known strength, laid on a clean picture and calmed by a fresh layer: how near the clean
 * one it comes and in what time, beside OpenCV's non-local means at the best of nine strengths.
 * Both read the same file of 8 bits and are held against the clean one as such.
 */
final class NoiseQuality {

  private static final double[] SIGMAS = {5, 10, 20};
  private static final int ROUNDS = 5;
  private static final String SCRIPT = "peers_noise.py";

  private NoiseQuality() {}

  static void run(Path clean) throws IOException, Problem {
    Path folder = Files.createTempDirectory("carezza-noise");
    Path noisy = folder.resolve("noisy.png");
    Path calm = folder.resolve("calm.png");
    System.out.println("| σ of 255 | | PSNR, dB | s |");
    System.out.println("|---|---|---|---|");
    for (double sigma : SIGMAS) {
      if (Peers.ask(SCRIPT, "lay", clean, sigma, noisy).isEmpty()) {
        break;
      }
      double seconds = calmed(noisy, calm);
      Optional<String> held = Peers.ask(SCRIPT, "hold", clean, noisy, calm);
      if (held.isPresent()) {
        String[] said = held.get().strip().split(" ");
        System.out.printf("| %.0f | Carezza | %s | %.2f |%n", sigma, said[0], seconds);
        System.out.printf("| | OpenCV at %s | %s | %s |%n", said[3], said[1], said[2]);
      }
    }
    Files.deleteIfExists(noisy);
    Files.deleteIfExists(calm);
    Files.delete(folder);
  }

  /** Writes what becomes of a picture; the shortest time that it took, noise measured and all. */
  private static double calmed(Path noisy, Path calm) throws IOException, Problem {
    Document started = ProjectFile.start(noisy);
    LayerStack stack = LayerStack.of(LayerType.NOISE_REDUCTION.fresh());
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < ROUNDS; i++) {
      Session session = new Session(started.photograph());
      long start = System.nanoTime();
      Picture made =
          session
              .renderer()
              .renderOnce(session.scene(started.project().withStack(stack)), 0, Cancellation.NONE);
      least = Math.min(least, (System.nanoTime() - start) / 1e9);
      Files.write(
          calm,
          PictureWriter.encode(
              made,
              new PictureWriter.Settings(PictureFormat.PNG, 100, 8, OutputProfile.SRGB),
              "calm.png"));
    }
    return least;
  }
}
