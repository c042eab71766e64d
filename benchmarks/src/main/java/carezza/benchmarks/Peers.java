package carezza.benchmarks;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Asks OpenCV the same, through a script, where Debian's {@code python3-opencv} is there. */
final class Peers {

  private static final String SCRIPTS = "benchmarks/src/main/python/";

  private Peers() {}

  /**
   * @param script its name
   * @return what it printed, or empty, which is said, if it could not be run
   */
  static Optional<String> ask(String script, Object... arguments) {
    for (String python : List.of("/usr/bin/python3", "python3")) {
      List<String> command = new ArrayList<>(List.of(python, SCRIPTS + script));
      for (Object argument : arguments) {
        command.add(argument.toString());
      }
      try {
        Process asked = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(asked.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        if (asked.waitFor() == 0) {
          return Optional.of(said);
        }
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return Optional.empty();
      } catch (IOException e) {
        // Not there; the next may be.
        continue;
      }
    }
    System.out.println("OpenCV could not be asked; its rows are left out.");
    return Optional.empty();
  }
}
