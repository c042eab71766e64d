package carezza.benchmarks;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.Photograph;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.colour.WorkingSpace;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.metadata.Metadata;
import carezza.metadata.Metadata.Carried;
import carezza.metadata.TiffDirectory;
import carezza.problem.Problem;
import carezza.project.ProjectFile;

/**
 * Reads every file of a folder of other people's files, and beside it the same with an independent
 * reader, ImageMagick, where that is installed. What it finds goes into docs/reliability.md.
 */
final class ForeignFiles {

  private static final Set<String> ENDINGS =
      Set.of(
          "jpg", "jpeg", "jpe", "png", "tif", "tiff", "webp", "gif", "bmp", "dng", "avif", "heic",
          "jp2", "jxl", "nef", "cr2", "cr3", "arw", "raf", "orf", "rw2", "pef", "carezza");

  private static final int PATIENCE_SECONDS = 30;

  /** Mean difference up to which two readers agree. */
  private static final double AGREED = 0.5;

  private static final String BEGIN = "<!-- foreign files -->\n";

  /** What became of a file. */
  private enum End {
    EQUAL,
    DIFFERENT,
    READ,
    REFUSED,
    CRASHED
  }

  private record Outcome(Path file, End end, String words) {}

  private final Path folder;
  private final ExecutorService worker =
      Executors.newCachedThreadPool(w -> Thread.ofPlatform().daemon().unstarted(w));
  private final Path profile;

  private ForeignFiles(Path folder, Path profile) {
    this.folder = folder;
    this.profile = profile;
  }

  /**
   * @param arguments folder, and if wanted the report to put the table into
   */
  static void main(String[] arguments) throws Exception {
    Path profile = Files.createTempFile("carezza", ".icc");
    try {
      byte[] png =
          PictureWriter.encode(
              Picture.of(new Area(0, 0, 1, 1)),
              new PictureWriter.Settings(
                  PictureFormat.TIFF,
                  90,
                  8,
                  OutputColour.of(OutputProfile.SRGB),
                  Metadata.NONE,
                  Carried.NOTHING),
              "x");
      Files.write(profile, TiffDirectory.read(png).bytes(34675));
      ForeignFiles run = new ForeignFiles(Path.of(arguments[0]), profile);
      List<Outcome> outcomes = run.all();
      String table = run.table(outcomes);
      System.out.print(table);
      for (Outcome o : outcomes) {
        if (o.end() != End.EQUAL) {
          System.out.printf("%s  %s  %s%n", o.end(), run.folder.relativize(o.file()), o.words());
        }
      }
      if (arguments.length > 1) {
        put(Path.of(arguments[1]), table);
      }
    } finally {
      Files.delete(profile);
    }
  }

  private static void put(Path report, String table) throws IOException, Problem {
    String text = Files.readString(report);
    int from = text.indexOf(BEGIN) + BEGIN.length();
    String written =
        text.substring(0, from) + table + text.substring(text.indexOf("<!-- end -->", from));
    AtomicFile.replacing(report).write(out -> out.write(written.getBytes(StandardCharsets.UTF_8)));
  }

  private List<Outcome> all() throws IOException {
    List<Path> files;
    try (Stream<Path> found = Files.walk(folder)) {
      files =
          found
              .filter(Files::isRegularFile)
              .filter(f -> ENDINGS.contains(ending(f)))
              .sorted()
              .toList();
    }
    List<Outcome> outcomes = new ArrayList<>();
    for (Path file : files) {
      outcomes.add(one(file));
    }
    return outcomes;
  }

  private static String ending(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return name.substring(name.lastIndexOf('.') + 1);
  }

  private Outcome one(Path file) {
    Future<Photograph> work =
        worker.submit(
            () ->
                ProjectFile.isProject(file)
                    ? ProjectFile.open(file).photograph()
                    : PictureReader.read(file));
    try {
      Photograph photo = work.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
      return compared(file, photo);
    } catch (TimeoutException e) {
      work.cancel(true);
      return new Outcome(file, End.CRASHED, "longer than %d s".formatted(PATIENCE_SECONDS));
    } catch (Exception e) {
      Throwable cause = e.getCause() == null ? e : e.getCause();
      return cause instanceof Problem p
          ? new Outcome(file, End.REFUSED, "%s%s".formatted(p.getMessage(), readByPeer(file)))
          : new Outcome(file, End.CRASHED, cause.toString());
    }
  }

  /** What is refused here and read there is worth a look. */
  private String readByPeer(Path file) {
    try {
      byPeer(file);
      return " The other reader reads it.";
    } catch (IOException | InterruptedException e) {
      return "";
    }
  }

  private Outcome compared(Path file, Photograph photo) {
    Picture peer;
    try {
      peer = byPeer(file);
    } catch (IOException | InterruptedException e) {
      return new Outcome(file, End.READ, photo.profile() + "; no other reader: " + e.getMessage());
    }
    int w = photo.size().width();
    int h = photo.size().height();
    if (peer.area().width() != w || peer.area().height() != h) {
      return new Outcome(
          file,
          End.DIFFERENT,
          "%d x %d, there %d x %d".formatted(w, h, peer.area().width(), peer.area().height()));
    }
    Picture srgb = WorkingSpace.toSrgb(photo.pixels());
    Picture clipped =
        srgb.map(
            p -> {
              for (int i = 0; i < p.values().length; i++) {
                p.values()[i] = Math.clamp(p.values()[i], 0f, 1f);
              }
              return p;
            });
    double mean = difference(WorkingSpace.fromSrgb(clipped), peer);
    return new Outcome(
        file,
        mean <= AGREED ? End.EQUAL : End.DIFFERENT,
        "%s, mean %.2f %s".formatted(photo.profile(), mean, photo.remarks()));
  }

  private static double difference(Picture one, Picture other) {
    Picture a = Lab.of(one);
    Picture b = Lab.of(other);
    double sum = 0;
    int count = a.area().pixels();
    int step = Math.max(1, count / 200_000);
    int seen = 0;
    for (int i = 0; i < count; i += step) {
      sum += DeltaE2000.between(lab(a, i), lab(b, i));
      seen++;
    }
    return sum / seen;
  }

  private static Lab lab(Picture p, int i) {
    return new Lab(p.first().values()[i], p.second().values()[i], p.third().values()[i]);
  }

  /** ImageMagick's reading, laid on white, turned upright, in sRGB of sixteen bits. */
  private Picture byPeer(Path file) throws IOException, InterruptedException {
    Path size = Files.createTempFile("carezza", ".txt");
    Path pixels = Files.createTempFile("carezza", ".rgb");
    try {
      Process process =
          new ProcessBuilder(
                  "convert",
                  file + "[0]",
                  "-auto-orient",
                  "-background",
                  "white",
                  "-alpha",
                  "remove",
                  "-profile",
                  profile.toString(),
                  "-colorspace",
                  "sRGB",
                  "-depth",
                  "16",
                  "-endian",
                  "LSB",
                  "-write",
                  "rgb:" + pixels,
                  "-format",
                  "%w %h",
                  "info:" + size)
              .redirectErrorStream(true)
              .redirectOutput(ProcessBuilder.Redirect.DISCARD)
              .start();
      if (!process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
        process.destroyForcibly();
        throw new IOException("it takes too long");
      }
      String[] sides = Files.readString(size).strip().split(" ");
      if (sides.length != 2) {
        throw new IOException("it reads nothing");
      }
      int w = Integer.parseInt(sides[0]);
      int h = Integer.parseInt(sides[1]);
      ByteBuffer in = ByteBuffer.wrap(Files.readAllBytes(pixels)).order(ByteOrder.LITTLE_ENDIAN);
      if (in.remaining() != 6 * w * h) {
        throw new IOException("it reads nothing");
      }
      Picture out = Picture.of(new Area(0, 0, w, h));
      for (int i = 0; i < w * h; i++) {
        for (int c = 0; c < 3; c++) {
          out.plane(c).values()[i] = (in.getShort() & 0xFFFF) / 65535f;
        }
      }
      return WorkingSpace.fromSrgbInPlace(out);
    } finally {
      Files.deleteIfExists(size);
      Files.deleteIfExists(pixels);
    }
  }

  private String table(List<Outcome> outcomes) {
    Map<String, int[]> rows = new TreeMap<>();
    for (Outcome o : outcomes) {
      for (String row : new String[] {ending(o.file()), "~all"}) {
        rows.computeIfAbsent(row, r -> new int[End.values().length])[o.end().ordinal()]++;
      }
    }
    StringBuilder out =
        new StringBuilder(
            "| Files | Read and equal | Read and different | Read, no other reader | Refused in a sentence | Crashed |\n|---|---|---|---|---|---|\n");
    rows.forEach(
        (row, n) ->
            out.append(
                "| %s | %d | %d | %d | %d | %d |%n"
                    .formatted(row.equals("~all") ? "all" : row, n[0], n[1], n[2], n[3], n[4])));
    return out.toString();
  }
}
