package carezza.benchmarks;

import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;

/**
 * Coverage-guided fuzzing of the readers by Jazzer, in a process of its own. Its instrumentation
 * does not know class files of this Java yet, so it is given copies that say they are of Java 21;
 * the code in them is the same.
 */
final class Fuzzing {

  private static final int KNOWN_VERSION = 65;

  private Fuzzing() {}

  /**
   * @param arguments seconds, and the folder that the corpus grows in
   */
  static void run(String[] arguments) throws Exception {
    Path corpus = Files.createDirectories(Path.of(arguments[1]));
    seed(corpus);
    Path classes = Files.createTempDirectory("carezza-fuzz");
    try {
      List<String> command =
          List.of(
              Path.of(System.getProperty("java.home"), "bin", "java").toString(),
              "-Xmx2g",
              "--enable-native-access=ALL-UNNAMED",
              "-cp",
              lowered(classes),
              "com.code_intelligence.jazzer.Jazzer",
              "--target_class=" + FuzzTarget.class.getName(),
              "--instrumentation_includes=carezza.**",
              "--keep_going=20",
              "-max_total_time=" + arguments[0],
              "-timeout=100",
              "-rss_limit_mb=6000",
              "-max_len=20000",
              "-artifact_prefix=" + corpus.toAbsolutePath().getParent() + "/",
              corpus.toString());
      int code = new ProcessBuilder(command).inheritIO().start().waitFor();
      System.out.println(code == 0 ? "No finding." : "Ended with code " + code + ".");
    } finally {
      try (Stream<Path> files = Files.walk(classes)) {
        for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
          Files.delete(p);
        }
      }
    }
  }

  /** The class path with our own classes copied. */
  private static String lowered(Path to) throws IOException {
    List<String> path = new ArrayList<>();
    int number = 0;
    for (String entry : System.getProperty("java.class.path").split(File.pathSeparator)) {
      Path from = Path.of(entry);
      if (!Files.isDirectory(from)) {
        path.add(entry);
        continue;
      }
      Path copy = to.resolve("classes" + number++);
      try (Stream<Path> files = Files.walk(from)) {
        for (Path file : files.filter(Files::isRegularFile).toList()) {
          byte[] bytes = Files.readAllBytes(file);
          if (file.toString().endsWith(".class") && bytes[7] > KNOWN_VERSION) {
            bytes[7] = KNOWN_VERSION;
          }
          Path target = copy.resolve(from.relativize(file).toString());
          Files.createDirectories(target.getParent());
          Files.write(target, bytes);
        }
      }
      path.add(copy.toString());
    }
    return String.join(File.pathSeparator, path);
  }

  /** A small file of each kind that we write, to begin with. */
  private static void seed(Path corpus) throws IOException, Problem {
    Area area = new Area(0, 0, 24, 20);
    Plane ramp = Plane.of(area);
    for (int i = 0; i < ramp.values().length; i++) {
      ramp.values()[i] = i % 24 / 24f;
    }
    Picture picture = new Picture(ramp, Plane.filled(area, 0.4f), Plane.filled(area, 0.3f));
    Object[][] kinds = {
      {PictureFormat.JPEG, 8, OutputProfile.WIDE},
      {PictureFormat.PNG, 8, OutputProfile.SRGB},
      {PictureFormat.PNG, 16, OutputProfile.WIDE},
      {PictureFormat.TIFF, 8, OutputProfile.SRGB},
      {PictureFormat.TIFF, 16, OutputProfile.WIDE}
    };
    for (int i = 0; i < kinds.length; i++) {
      byte[] file =
          PictureWriter.encode(
              picture,
              new PictureWriter.Settings(
                  (PictureFormat) kinds[i][0], 90, (int) kinds[i][1], (OutputProfile) kinds[i][2]),
              "seed");
      put(corpus, "picture" + i, 0, file);
      if (i == 1) {
        Document fresh = ProjectFile.start(file, "seed.png");
        List<Layer> layers = new ArrayList<>();
        for (LayerType kind : LayerType.values()) {
          layers.add(kind.fresh());
        }
        Document worked = fresh.with(fresh.project().withStack(new LayerStack(layers)), null);
        Path project = corpus.resolve("seed.carezza");
        ProjectFile.save(worked, AtomicFile.replacing(project), new byte[0]);
        put(corpus, "project", 2, Files.readAllBytes(project));
        Files.delete(project);
        ByteArrayOutputStream stack = new ByteArrayOutputStream();
        ProjectFile.writeStack(worked.project(), stack);
        put(corpus, "stack", 3, stack.toByteArray());
      }
    }
    put(
        corpus,
        "gif",
        0,
        "GIF89a\1\0\1\0\0\0\0,\0\0\0\0\1\0\1\0\0\2\2D\1\0;".getBytes(StandardCharsets.ISO_8859_1));
  }

  private static void put(Path corpus, String name, int kind, byte[] file) throws IOException {
    byte[] whole = new byte[file.length + 1];
    whole[0] = (byte) kind;
    System.arraycopy(file, 0, whole, 1, file.length);
    Files.write(corpus.resolve(name), whole);
  }
}
