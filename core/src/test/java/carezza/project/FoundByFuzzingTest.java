package carezza.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;

import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.PictureReader;
import carezza.problem.Problem;

/**
 * Inputs that a coverage-guided fuzzer found its way with: each is opened or refused in a sentence.
 * The first byte says what the rest is given to.
 */
public class FoundByFuzzingTest {

  private static final int PATIENCE_SECONDS = 20;

  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(w -> Thread.ofPlatform().daemon().unstarted(w));

  @AfterClass(alwaysRun = true)
  public void stop() {
    worker.shutdownNow();
  }

  @DataProvider
  public Object[][] inputs() throws Exception {
    Path folder = Path.of(FoundByFuzzingTest.class.getResource("/fuzz").toURI());
    try (var files = Files.list(folder)) {
      return files.sorted().map(f -> new Object[] {f.getFileName(), f}).toArray(Object[][]::new);
    }
  }

  @Test(dataProvider = "inputs")
  public void anInputIsOpenedOrRefusedInASentence(Path name, Path input) throws Exception {
    byte[] data = Files.readAllBytes(input);
    byte[] file = Arrays.copyOfRange(data, 1, data.length);
    try {
      assertThat(
              worker.submit(() -> open(data[0] & 3, file)).get(PATIENCE_SECONDS, TimeUnit.SECONDS))
          .isNotNull();
    } catch (ExecutionException e) {
      assertThat(e.getCause()).as(name.toString()).isInstanceOf(Problem.class);
      assertThat(e.getCause().getMessage())
          .endsWith(".")
          .doesNotContain("Exception")
          .doesNotContain("carezza.");
    }
  }

  private static Object open(int kind, byte[] file) throws Problem {
    return switch (kind) {
      case 2 -> ProjectFile.open(file, "x.carezza");
      case 3 -> ProjectFile.readStack(file, "x.json");
      default -> PictureReader.decode(file, "x");
    };
  }
}
