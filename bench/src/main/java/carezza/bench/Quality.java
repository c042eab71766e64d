package carezza.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import carezza.codec.Photograph;
import carezza.codec.PictureReader;
import carezza.codec.SafeFile;
import carezza.image.Cancellation;
import carezza.image.Plane;
import carezza.model.Project;
import carezza.model.Region;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.session.Session;

/** How well regions that are found without a hand overlap those painted with the made-up portraits. */
final class Quality {

  private static final List<Region> REGIONS =
      List.of(
          Region.SUBJECT,
          Region.SKIN,
          Region.LIPS,
          Region.TEETH,
          Region.SCLERA,
          Region.IRIS,
          Region.BROWS_LASHES,
          Region.HAIR);
  private static final double[] BARS = {0.93, 0.90, 0.80, 0.75, 0.75, 0.75, 0, 0};

  private Quality() {}

  /**
   * @param portraits folder with a folder for each portrait
   * @param report file whose text between the marks is replaced
   */
  static void run(Path portraits, Path report) throws IOException, Problem {
    List<Path> folders;
    try (var all = Files.list(portraits)) {
      folders = all.filter(Files::isDirectory).sorted().toList();
    }
    List<String> lines = new ArrayList<>();
    lines.add("| | " + String.join(" | ", REGIONS.stream().map(Region::words).toList()) + " |");
    lines.add("|---".repeat(REGIONS.size() + 1) + "|");
    lines.add("| bar |" + cells(BARS));
    for (Path folder : folders) {
      lines.add("| " + folder.getFileName() + " |" + cells(overlaps(folder)));
    }
    String table = String.join("\n", lines) + "\n";
    System.out.print(table);
    String text = Files.readString(report);
    String begin = "<!-- regions -->\n";
    String end = "<!-- end -->";
    int from = text.indexOf(begin) + begin.length();
    String written = text.substring(0, from) + table + text.substring(text.indexOf(end, from));
    SafeFile.write(report, out -> out.write(written.getBytes(StandardCharsets.UTF_8)));
  }

  private static String cells(double[] values) {
    StringBuilder row = new StringBuilder();
    for (double v : values) {
      row.append(v == 0 ? "  |" : " %.3f |".formatted(v));
    }
    return row.toString();
  }

  private static double[] overlaps(Path folder) throws Problem {
    Photograph photograph = PictureReader.read(folder.resolve("photo.jpg"));
    Session session = new Session(photograph);
    Project project =
        session.withFace(
            ProjectFile.start(folder.resolve("photo.jpg")).project(), Cancellation.NONE);
    double[] out = new double[REGIONS.size()];
    for (int i = 0; i < out.length; i++) {
      Path truth =
          folder.resolve(REGIONS.get(i).name().toLowerCase(Locale.ROOT) + ".png");
      if (Files.exists(truth)) {
        // A neutral grey is the same number in every space here.
        Plane wanted = PictureReader.read(truth).pixels().first();
        out[i] = overlap(session.region(project, REGIONS.get(i)), wanted);
      }
    }
    return out;
  }

  /** Soft intersection over union. */
  private static double overlap(Plane one, Plane other) {
    double both = 0;
    double any = 0;
    for (int i = 0; i < one.values().length; i++) {
      both += Math.min(one.values()[i], other.values()[i]);
      any += Math.max(one.values()[i], other.values()[i]);
    }
    return both / Math.max(any, 1e-9);
  }
}
