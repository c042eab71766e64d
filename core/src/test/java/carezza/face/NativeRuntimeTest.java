package carezza.face;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

import org.testng.annotations.Test;

/** The networks' runtime in programs that are started in unusual ways. */
public class NativeRuntimeTest {

  private static final int LETTERS = 60_000;

  /** Started as a program of its own. */
  public static final class Starting {

    private Starting() {}

    public static void main(String[] arguments) {
      System.out.println(new Network("face_detection_short_range", 128).side());
    }
  }

  @Test
  public void aLongCommandLineDoesNotEndTheProgram() throws Exception {
    Process program =
        new ProcessBuilder(
                List.of(
                    Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                    "--enable-native-access=ALL-UNNAMED",
                    "-Dlong=" + "x".repeat(LETTERS),
                    "-Dcarezza.home=" + System.getProperty("carezza.home", "target/home"),
                    "-cp",
                    System.getProperty(
                        "surefire.test.class.path", System.getProperty("java.class.path")),
                    Starting.class.getName()))
            .redirectErrorStream(true)
            .start();
    assertThat(new String(program.getInputStream().readAllBytes()).strip()).endsWith("128");
    assertThat(program.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(program.exitValue()).isZero();
  }
}
