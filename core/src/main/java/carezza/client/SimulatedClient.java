package carezza.client;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.CRC32;

import carezza.codec.PictureReader;
import carezza.problem.Problem;
import carezza.set.Answer.Kind;

/**
 * A stand-in for a client, for the demo and for trying a delivery out: takes every file that waits
 * in a drop-box and approves it, or asks for a change. What it says to a file depends on the file's
 * name and a seed alone.
 */
public final class SimulatedClient {

  /** One file of so many is to be changed. */
  private static final int CHANGES = 4;

  private final DropBox box;
  private final long seed;
  private final List<String> wishes;
  private final String unreadable;

  /**
   * @param wishes what it asks for where something is to be changed, at least one
   * @param unreadable what it says to a file that is no picture
   */
  public SimulatedClient(DropBox box, long seed, List<String> wishes, String unreadable) {
    this.box = box;
    this.seed = seed;
    this.wishes = List.copyOf(wishes);
    this.unreadable = unreadable;
  }

  /** Whether a folder is the simulated client's: it holds a file of that name. */
  public static boolean livesIn(Path folder) {
    return Files.exists(folder.resolve("simulated-client.txt"));
  }

  /**
   * Looks at all that waits.
   *
   * @return how many files were answered
   */
  public int answer() throws Problem {
    List<Path> waiting = box.waiting();
    for (Path file : waiting) {
      String name = PictureReader.name(file);
      int said = said(name);
      if (!isPicture(file)) {
        box.answer(file, Kind.CHANGE, unreadable);
      } else if (said % CHANGES == 0) {
        box.answer(file, Kind.CHANGE, wishes.get(said / CHANGES % wishes.size()));
      } else {
        box.answer(file, Kind.APPROVED, "");
      }
    }
    return waiting.size();
  }

  private int said(String name) {
    CRC32 sum = new CRC32();
    sum.update((seed + name).getBytes(StandardCharsets.UTF_8));
    return (int) (sum.getValue() % 1_000_003);
  }

  private static boolean isPicture(Path file) {
    try {
      PictureReader.decode(PictureReader.bytes(file), PictureReader.name(file));
      return true;
    } catch (Problem e) {
      return false;
    }
  }
}
