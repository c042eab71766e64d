package carezza.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.kernel.Measurements;
import carezza.mask.Regions;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.render.Fingerprint;
import carezza.render.Pyramid;
import carezza.render.ReadingStore;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;
import carezza.testing.Portrait;

/** What layers measured, after the program ended. */
public class KeptReadingsTest {

  private static final int PATIENCE_MILLIS = 30_000;
  private static final Fingerprint KEY = new Fingerprint(1, 2);

  private Path folder;
  private final List<KeptFiles> opened = new ArrayList<>();

  @BeforeMethod
  public void find() throws IOException {
    folder = Files.createTempDirectory("carezza-known").resolve("known");
  }

  @AfterMethod(alwaysRun = true)
  public void tidy() throws IOException {
    opened.forEach(KeptFiles::close);
    opened.clear();
    try (Stream<Path> files = Files.walk(folder.getParent())) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }

  private KeptReadings anew(String content) {
    KeptFiles files = new KeptFiles(folder, 0, 1 << 20);
    opened.add(files);
    return new KeptReadings(files, content);
  }

  private void awaitKept() throws InterruptedException, IOException {
    long end = System.currentTimeMillis() + PATIENCE_MILLIS;
    while (System.currentTimeMillis() < end) {
      if (Files.isDirectory(folder)) {
        try (Stream<Path> files = Files.list(folder)) {
          if (files.anyMatch(f -> f.toString().endsWith(".known"))) {
            return;
          }
        }
      }
      Thread.sleep(10);
    }
    throw new AssertionError("Nothing was kept");
  }

  @Test
  public void areThereAgainForTheSamePhotographAlone() throws Exception {
    anew("a").keep(KEY, new Measurements.Haze(0.25));
    awaitKept();
    assertThat(anew("a").find(KEY)).isEqualTo(new Measurements.Haze(0.25));
    assertThat(anew("a").find(new Fingerprint(2, 1))).isNull();
    assertThat(anew("b").find(KEY)).isNull();
  }

  @Test
  public void aDamagedFileIsAsNone() throws Exception {
    anew("a").keep(KEY, new Measurements.Haze(0.25));
    awaitKept();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Files.write(file, new byte[] {0, 0, 0, 9, 1});
      }
    }
    assertThat(anew("a").find(KEY)).isNull();
  }

  /** Remembers all, and what it was asked to keep. */
  private static final class Memory implements ReadingStore {

    private final List<Fingerprint> kept = new ArrayList<>();
    private final List<Measurements> all = new ArrayList<>();

    @Override
    public @Nullable Measurements find(Fingerprint key) {
      int at = kept.indexOf(key);
      return at < 0 ? null : all.get(at);
    }

    @Override
    public void keep(Fingerprint key, Measurements read) {
      kept.add(key);
      all.add(read);
    }
  }

  @Test
  public void aRendererThatIsMadeAnewMeasuresNothingTwice() {
    Regions regions = Portrait.S03.found();
    Pyramid photograph = new Pyramid(Portrait.S03.picture("photo.jpg"));
    Layer layer = LayerType.SKIN_TONE_EVENING.fresh();
    RenderInput scene = new RenderInput(LayerStack.EMPTY.with(layer), regions);
    Memory memory = new Memory();
    String id = layer.attributes().id();
    Measurements first =
        new Renderer(photograph, TileCache.shared(), null, memory)
            .readings(scene, id, Cancellation.NONE);
    assertThat(memory.all).containsExactly(first);
    Measurements again =
        new Renderer(photograph, TileCache.shared(), null, memory)
            .readings(scene, id, Cancellation.NONE);
    assertThat(again).isSameAs(first);
    assertThat(memory.all).hasSize(1);
  }
}
