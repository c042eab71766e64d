package carezza.benchmarks;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

import carezza.codec.OutputProfile;
import carezza.codec.Photograph;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.model.LayerStack;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;

/** Opening a 24-megapixel JPEG beside the bare decoder, and saving a long retouch. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx4g")
@Warmup(iterations = 4)
@Measurement(iterations = 6)
public class FileWork {

  private byte[] jpeg;
  private Path folder;
  private Document embedded;
  private Document linked;
  private byte[] preview;

  @Setup(Level.Trial)
  public void prepare() throws Problem, IOException {
    LargePortrait portrait = LargePortrait.of24Megapixels();
    jpeg =
        PictureWriter.encode(
            portrait.pixels(),
            new PictureWriter.Settings(PictureFormat.JPEG, 95, 8, OutputProfile.SRGB),
            "large.jpg");
    folder = Files.createTempDirectory("carezza-benchmarks");
    Path photo = Files.write(folder.resolve("large.jpg"), jpeg);
    LayerStack stack = BeautyStack.on(portrait.faces());
    embedded = ProjectFile.start(jpeg, "large.jpg");
    embedded = embedded.with(embedded.project().withStack(stack), null);
    linked = embedded.linkedTo(photo);
    preview = new byte[30_000];
    System.out.println("JPEG of " + jpeg.length / 1_000_000 + " MB, stack of 1900 strokes");
  }

  @TearDown(Level.Trial)
  public void tidy() throws IOException {
    try (var files = Files.list(folder)) {
      for (Path p : files.toList()) {
        Files.delete(p);
      }
    }
    Files.delete(folder);
  }

  @Benchmark
  public BufferedImage bareDecode() throws IOException {
    return ImageIO.read(new ByteArrayInputStream(jpeg));
  }

  @Benchmark
  public Photograph open() throws Problem {
    return PictureReader.decode(jpeg, "large.jpg");
  }

  @Benchmark
  public void saveEmbedded() throws Problem {
    ProjectFile.save(embedded, AtomicFile.replacing(folder.resolve("embedded.carezza")), preview);
  }

  @Benchmark
  public void saveLinked() throws Problem {
    ProjectFile.save(linked, AtomicFile.replacing(folder.resolve("linked.carezza")), preview);
  }
}
