package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

import org.testng.SkipException;
import org.testng.annotations.Test;

public class RehearsalTest {

  private static Path file(Path folder, String name, long second) throws IOException {
    Path file = Files.writeString(folder.resolve(name), "");
    return Files.setLastModifiedTime(file, FileTime.from(Instant.ofEpochSecond(second)));
  }

  @Test
  public void aRehearsalIsOldWhenAnArchiveIsAnother() throws IOException {
    Path folder = Files.createTempDirectory("rehearsal");
    Path recorded = file(folder, "recorded", 1000);
    List<Path> archives = List.of(file(folder, "a.jar", 900), file(folder, "b.jar", 1100));
    assertThat(Rehearsal.isStale(recorded, archives)).isTrue();
    Rehearsal.describe(recorded, archives);

    assertThat(Rehearsal.isStale(recorded, archives)).isFalse();
    assertThat(Rehearsal.isStale(recorded, archives.subList(0, 1))).isTrue();
    assertThat(Rehearsal.isStale(recorded, archives.reversed())).isTrue();
    // An older archive in its place is another, too.
    file(folder, "b.jar", 800);
    assertThat(Rehearsal.isStale(recorded, archives)).isTrue();
    file(folder, "b.jar", 1100);
    assertThat(Rehearsal.isStale(recorded, archives)).isFalse();
    Files.delete(recorded);
    assertThat(Rehearsal.isStale(recorded, archives)).isTrue();
  }

  /** In this mode the runtime refuses to start where it cannot use the file. */
  @Test
  public void theBuildsOwnRehearsalIsOneThatTheRuntimeTakes() throws Exception {
    Path recorded = Path.of(System.getProperty("carezza.rehearsed"));
    List<Path> archives =
        Stream.of(System.getProperty("carezza.start").split(File.pathSeparator))
            .map(Path::of)
            .toList();
    if (Rehearsal.isStale(recorded, archives)) {
      throw new SkipException("Single tests were chosen, so nothing was rehearsed");
    }
    Path said = Files.createTempFile("carezza-start", ".txt");
    Process process =
        new ProcessBuilder(
                ProcessHandle.current().info().command().orElseThrow(),
                "-Xmx4g",
                "--enable-native-access=ALL-UNNAMED",
                "--sun-misc-unsafe-memory-access=allow",
                "-XX:AOTMode=on",
                "-XX:AOTCache=" + recorded,
                "-Dcarezza.home=" + Files.createTempDirectory("home"),
                "-cp",
                System.getProperty("carezza.start"),
                "carezza.desktop.Main",
                "--help")
            .redirectErrorStream(true)
            .redirectOutput(said.toFile())
            .start();

    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(Files.readString(said)).contains("render").doesNotContain("[error]");
    assertThat(process.exitValue()).isZero();
  }
}
