package carezza.benchmarks;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.measure.Blemish;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.session.Session;

/** Blemishes found without a hand, and what heals them, against the truth of the portraits. */
final class Quality {

  private Quality() {}

  /**
   * @param portraits folder with a folder for each portrait
   * @param report file whose text between the marks is replaced
   */
  static void run(Path portraits, Path report) throws IOException, Problem {
    List<Path> folders = folders(portraits);
    List<String> lines = new ArrayList<>();
    lines.add("| | blemishes | found | of the proposals, right | marks proposed as blemishes |");
    lines.add("|---|---|---|---|---|");
    lines.add("| bar | | 0.85 | 0.70 | ≤ 0.10 |");
    for (Path folder : folders) {
      lines.add("| " + folder.getFileName() + " |" + detection(folder));
    }
    put(report, "<!-- blemishes -->\n", lines);
    lines.clear();
    lines.add("| | | ΔE00 left | share left | texture | seam |");
    lines.add("|---|---|---|---|---|---|");
    for (Path folder : folders) {
      lines.addAll(HealQuality.rows(folder));
    }
    put(report, "<!-- healing -->\n", lines);
  }

  static List<Path> folders(Path portraits) throws IOException {
    try (var all = Files.list(portraits)) {
      return all.filter(Files::isDirectory).sorted().toList();
    }
  }

  static void put(Path report, String begin, List<String> lines) throws IOException, Problem {
    String table = String.join("\n", lines) + "\n";
    System.out.print(table);
    String text = Files.readString(report);
    int from = text.indexOf(begin) + begin.length();
    String written =
        text.substring(0, from) + table + text.substring(text.indexOf("<!-- end -->", from));
    AtomicFile.replacing(report).write(out -> out.write(written.getBytes(StandardCharsets.UTF_8)));
  }

  /** Round blemishes of the truth against the proposals at the usual sensitivity. */
  private static String detection(Path folder) throws Problem {
    Session session = new Session(PictureReader.read(folder.resolve("photo.jpg")));
    Project project =
        session
            .faces()
            .withFace(ProjectFile.start(folder.resolve("photo.jpg")).project(), Cancellation.NONE);
    List<Blemish> proposed =
        session.repairs().blemishes(project, 1, Cancellation.NONE).stream()
            .filter(b -> b.kind() == Blemish.Kind.TEMPORARY)
            .toList();
    Truth truth = Truth.of(folder);
    long found =
        truth.blemishes().stream()
            .filter(t -> proposed.stream().anyMatch(p -> t.meant(p.x(), p.y())))
            .count();
    long right = proposed.stream().filter(p -> truth.blemishAt(p.x(), p.y()) >= 0).count();
    long wronged =
        truth.marks().stream()
            .filter(m -> proposed.stream().anyMatch(p -> m.meant(p.x(), p.y())))
            .count();
    return " %d | %.2f | %.2f | %d of %d |"
        .formatted(
            truth.blemishes().size(),
            (double) found / truth.blemishes().size(),
            (double) right / Math.max(1, proposed.size()),
            wronged,
            truth.marks().size());
  }
}
