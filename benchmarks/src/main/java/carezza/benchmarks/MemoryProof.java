package carezza.benchmarks;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.mask.Regions;
import carezza.problem.Problem;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.render.TileCache;

/**
 * Shows that a long retouch of a large picture fits its heap: views, full render, sixteen-bit file.
 */
final class MemoryProof {

  private MemoryProof() {}

  /** Starts a program of its own for each size, with the heap that is promised. */
  static void run() throws IOException, InterruptedException {
    for (String[] size : new String[][] {{"24", "2g"}, {"100", "6g"}}) {
      int code =
          new ProcessBuilder(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-Xmx" + size[1],
                  "-cp",
                  System.getProperty("java.class.path"),
                  Main.class.getName(),
                  "memory-of",
                  size[0])
              .inheritIO()
              .start()
              .waitFor();
      if (code != 0) {
        throw new IOException(size[0] + " megapixels did not fit in " + size[1]);
      }
    }
  }

  /** The work itself, in this program's heap. */
  static void of(int megapixels) throws Problem, IOException {
    AtomicLong peak = watched();
    LargePortrait portrait =
        megapixels == 24 ? LargePortrait.of24Megapixels() : LargePortrait.of100Megapixels();
    Pyramid pyramid = new Pyramid(portrait.pixels());
    Regions regions =
        Regions.find(pyramid.level(Regions.level(portrait.faces())), portrait.faces());
    Renderer renderer = new Renderer(pyramid, TileCache.shared());
    RenderInput scene = new RenderInput(BeautyStack.on(portrait.faces()), regions);
    for (int level = 4; level >= 2; level--) {
      renderer.render(
          scene, renderer.size().atLevel(level).area(), level, Readiness.EXACT, Cancellation.NONE);
    }
    Picture picture = renderer.renderOnce(scene, 0, Cancellation.NONE);
    Path file = Files.createTempFile("carezza-memory", ".tif");
    PictureWriter.write(
        picture,
        AtomicFile.replacing(file),
        new PictureWriter.Settings(PictureFormat.TIFF, 90, 16, OutputProfile.WIDE));
    System.out.printf(
        "%d x %d pixels, %d layers, heap %d MB: peak %d MB, file %d MB%n",
        renderer.size().width(),
        renderer.size().height(),
        scene.stack().size(),
        Runtime.getRuntime().maxMemory() >> 20,
        peak.get() >> 20,
        Files.size(file) >> 20);
    Files.delete(file);
  }

  /** Most heap in use at once, looked at often; what is garbage already counts too. */
  private static AtomicLong watched() {
    AtomicLong most = new AtomicLong();
    Thread.ofPlatform()
        .daemon()
        .start(
            () -> {
              while (true) {
                long used = ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed();
                most.accumulateAndGet(used, Math::max);
                LockSupport.parkNanos(5_000_000);
              }
            });
    return most;
  }
}
