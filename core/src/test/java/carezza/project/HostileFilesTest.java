package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.metadata.Metadata.Carried;
import carezza.model.HealLayer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.recipe.Delivery;
import carezza.session.Session;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/**
 * Files changed at random are opened or refused in one sentence: they crash nothing, take no long
 * time and no memory, and write nothing. {@code -Dfuzz.rounds} sets how many of each kind are
 * tried.
 */
public class HostileFilesTest {

  private static final int ROUNDS = Integer.getInteger("fuzz.rounds", 60);
  private static final long SEED = Long.getLong("fuzz.seed", 20261125);
  private static final int PATIENCE_SECONDS = 10;

  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(w -> Thread.ofPlatform().daemon().unstarted(w));
  private final List<Object[]> seeds = new ArrayList<>();
  private Path folder;

  @BeforeClass
  public void seeds() throws Exception {
    folder = Files.createTempDirectory("carezza-hostile");
    Area area = new Area(0, 0, 40, 50);
    Picture picture =
        new Picture(
            Pictures.plane(area, (x, y) -> x / 40.0),
            Pictures.plane(area, (x, y) -> y / 50.0),
            Pictures.plane(area, (x, y) -> 0.4));
    seed("a.jpg", picture, 8, OutputProfile.SRGB);
    seed("b.png", picture, 16, OutputProfile.WIDE);
    seed("c.tif", picture, 16, OutputProfile.SRGB);
    seed("d.tif", picture, 8, OutputProfile.COATED);
    Document small = ProjectFile.start((byte[]) seeds.getFirst()[1], "a.jpg");
    Project project =
        small
            .project()
            .withStack(
                LayerStack.of(
                    ((HealLayer) LayerType.HEAL.fresh()).withPatches(Portrait.S06.spots()),
                    LayerType.SKIN_TONE_EVENING.fresh()));
    Path file = folder.resolve("e.carezza");
    ProjectFile.save(small.with(project, null), AtomicFile.replacing(file), new byte[0]);
    seeds.add(new Object[] {"e.carezza", Files.readAllBytes(file)});
    Path layers = folder.resolve("f.ora");
    new Session(small.photograph())
        .exports()
        .deliver(
            project,
            AtomicFile.replacing(layers),
            new Delivery(0, 90, 16, 0, OutputColour.of(OutputProfile.SRGB), Carried.NOTHING, true),
            Cancellation.NONE);
    seeds.add(new Object[] {"f.ora", Files.readAllBytes(layers)});
    seeds.add(
        new Object[] {
          "g.json",
          "{\"stack\":[{\"kind\":\"vignette\",\"stops\":-0.5,\"head\":{\"amount\":1}}]}"
              .getBytes(StandardCharsets.UTF_8)
        });
    Files.delete(file);
    Files.delete(layers);
  }

  private void seed(String name, Picture picture, int bits, OutputProfile profile) throws Problem {
    byte[] file =
        PictureWriter.encode(
            picture, new PictureWriter.Settings(PictureFormat.of(name), 90, bits, profile), name);
    seeds.add(new Object[] {name, file});
  }

  @AfterClass(alwaysRun = true)
  public void tidy() throws Exception {
    worker.shutdownNow();
    Files.deleteIfExists(folder);
  }

  @DataProvider
  public Object[][] files() {
    return seeds.toArray(Object[][]::new);
  }

  @Test(dataProvider = "files")
  public void aChangedFileIsOpenedOrRefusedInOneSentence(String name, byte[] whole)
      throws Exception {
    SplittableRandom random = new SplittableRandom(SEED + name.hashCode());
    int refused = 0;
    for (int round = 0; round < ROUNDS; round++) {
      byte[] changed = changed(whole, random);
      try {
        worker.submit(() -> open(name, changed)).get(PATIENCE_SECONDS, TimeUnit.SECONDS);
      } catch (TimeoutException e) {
        fail("%s, round %d of seed %d took longer than %d s", name, round, SEED, PATIENCE_SECONDS);
      } catch (ExecutionException e) {
        assertThat(e.getCause())
            .as("%s, round %d of seed %d", name, round, SEED)
            .isInstanceOf(Problem.class);
        assertThat(e.getCause().getMessage())
            .contains(name)
            .endsWith(".")
            .doesNotContain("\n")
            .doesNotContain("Exception");
        refused++;
      }
    }
    assertThat(refused).isPositive();
    try (var files = Files.list(folder)) {
      assertThat(files).isEmpty();
    }
  }

  private static Object open(String name, byte[] file) throws Problem {
    if (name.endsWith(ProjectFile.ENDING)) {
      return ProjectFile.open(file, name);
    }
    return name.endsWith(".json")
        ? ProjectFile.readStack(file, name)
        : PictureReader.decode(file, name);
  }

  /** Bytes and whole numbers overwritten, the end cut off, a part doubled or left out. */
  private static byte[] changed(byte[] whole, SplittableRandom random) {
    byte[] out = whole.clone();
    switch (random.nextInt(5)) {
      case 0 -> {
        for (int i = random.nextInt(1, 12); i > 0; i--) {
          out[random.nextInt(out.length)] = (byte) random.nextInt(256);
        }
      }
      case 1 -> out = Arrays.copyOf(out, random.nextInt(out.length));
      case 2 -> {
        // Sizes and offsets live near the start and near the end.
        int near = Math.min(out.length - 4, 200);
        int at =
            random.nextBoolean() ? random.nextInt(near) : out.length - 4 - random.nextInt(near);
        int[] values = {0, -1, Integer.MAX_VALUE, Integer.MIN_VALUE, 0x00FFFFFF, 0xFFFF0000};
        int v = values[random.nextInt(values.length)];
        for (int i = 0; i < 4; i++) {
          out[at + i] = (byte) (v >> 8 * i);
        }
      }
      case 3 -> {
        int from = random.nextInt(out.length);
        int length = random.nextInt(1, out.length - from + 1);
        int to = random.nextInt(out.length - length + 1);
        System.arraycopy(whole, from, out, to, length);
      }
      default -> {
        int from = random.nextInt(out.length);
        int length = random.nextInt(1, Math.min(500, out.length - from) + 1);
        byte[] shorter = new byte[out.length - length];
        System.arraycopy(out, 0, shorter, 0, from);
        System.arraycopy(out, from + length, shorter, from, shorter.length - from);
        out = shorter;
      }
    }
    return out;
  }
}
