package carezza.session;

import java.io.BufferedOutputStream;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.lang.System.Logger.Level;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;

import carezza.file.ApplicationFolder;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.mask.Regions;
import carezza.mask.RegionsFile;
import carezza.model.FaceMap;
import carezza.problem.Problem;

/**
 * Regions that were found, kept in a folder: a photograph that is opened again need not be looked
 * through again. They are found anew where the faces, the photograph or the program are other ones,
 * and where their file cannot be read; a file that cannot be written is no reason to stop. Safe for
 * many threads and several programs.
 */
public final class KeptRegions {

  private static final System.Logger LOG = System.getLogger(KeptRegions.class.getName());

  private static final String ENDING = ".areas";

  /** Kept in all; those that were not asked for longest go first. */
  static final long MOST_BYTES = 1L << 30;

  /** By then the picture is on the screen, and what else was looked for in it known. */
  private static final long REST_SECONDS = 15;

  /** Where nothing is kept. */
  public static final KeptRegions NOWHERE = new KeptRegions(null, REST_SECONDS, MOST_BYTES);

  private static volatile KeptRegions shared = NOWHERE;

  private static final ScheduledExecutorService LATER = later();

  private final @Nullable Path folder;
  private final long restSeconds;
  private final long mostBytes;

  /** What is to be written, by photograph: a correction takes the place of what it corrected. */
  private final Map<String, Future<?>> waiting = new ConcurrentHashMap<>();

  KeptRegions(@Nullable Path folder, long restSeconds, long mostBytes) {
    this.folder = folder;
    this.restSeconds = restSeconds;
    this.mostBytes = mostBytes;
  }

  private static ScheduledExecutorService later() {
    ScheduledThreadPoolExecutor executor =
        new ScheduledThreadPoolExecutor(
            1,
            work -> {
              Thread thread = Thread.ofPlatform().daemon().name("areas").unstarted(work);
              thread.setPriority(Thread.MIN_PRIORITY);
              return thread;
            });
    executor.setRemoveOnCancelPolicy(true);
    return executor;
  }

  /** What sessions that are opened from now on keep theirs in. */
  public static void keepIn(Path folder) {
    shared = new KeptRegions(folder, REST_SECONDS, MOST_BYTES);
  }

  static KeptRegions shared() {
    return shared;
  }

  /**
   * @param content fingerprint of the photograph's file
   * @param find finds them where they are not known
   */
  Regions of(String content, List<FaceMap> faces, Supplier<Regions> find) {
    if (folder == null) {
      return find.get();
    }
    Path file = folder.resolve(key(content, faces) + ENDING);
    Regions known = read(file, faces);
    if (known != null) {
      return known;
    }
    Regions found = find.get();
    Future<?> before =
        waiting.put(
            content, LATER.schedule(() -> write(file, found), restSeconds, TimeUnit.SECONDS));
    if (before != null) {
      before.cancel(false);
    }
    return found;
  }

  /** Of all that regions follow from: which parts were put right by hand is not among it. */
  private static String key(String content, List<FaceMap> faces) {
    StringBuilder text = new StringBuilder(content).append(Program.STAMP);
    for (FaceMap face : faces) {
      text.append(face.oval())
          .append(face.leftPupil())
          .append(face.rightPupil())
          .append(face.leftMouth())
          .append(face.rightMouth())
          .append(face.outlines());
    }
    return Originals.sha256(text.toString().getBytes(StandardCharsets.UTF_8));
  }

  private static @Nullable Regions read(Path file, List<FaceMap> faces) {
    try {
      byte[] bytes = Files.readAllBytes(file);
      Regions known = RegionsFile.read(new DataInputStream(new ByteArrayInputStream(bytes)), faces);
      Files.setLastModifiedTime(file, FileTime.fromMillis(System.currentTimeMillis()));
      return known;
    } catch (NoSuchFileException e) {
      return null;
    } catch (IOException e) {
      LOG.log(Level.WARNING, "Areas not read", e);
      return null;
    }
  }

  private void write(Path file, Regions regions) {
    try {
      Path parent = file.getParent();
      ApplicationFolder.makePrivate(parent);
      AtomicFile.replacing(file)
          .ownerOnly()
          .write(
              out -> {
                DataOutputStream data = new DataOutputStream(new BufferedOutputStream(out));
                RegionsFile.write(regions, data);
                data.flush();
              });
      prune(parent);
    } catch (IOException | Problem | RuntimeException e) {
      LOG.log(Level.WARNING, "Areas not kept", e);
    }
  }

  private record Kept(Path file, long bytes, FileTime asked) {}

  private void prune(Path parent) throws IOException {
    List<Kept> all = new ArrayList<>();
    try (Stream<Path> files = Files.list(parent)) {
      for (Path file : files.filter(f -> f.toString().endsWith(ENDING)).toList()) {
        all.add(new Kept(file, Files.size(file), Files.getLastModifiedTime(file)));
      }
    }
    long left = all.stream().mapToLong(Kept::bytes).sum();
    all.sort(Comparator.comparing(Kept::asked));
    for (Kept oldest : all) {
      if (left <= mostBytes) {
        break;
      }
      Files.deleteIfExists(oldest.file());
      left -= oldest.bytes();
    }
  }

  /** The program as it was built: another one may find other regions. */
  private static final class Program {

    static final String STAMP = stamp();

    private static String stamp() {
      try {
        Path place =
            Path.of(Regions.class.getProtectionDomain().getCodeSource().getLocation().toURI());
        try (Stream<Path> files = Files.walk(place)) {
          long count = 0;
          long bytes = 0;
          long newest = 0;
          for (Path file : files.filter(Files::isRegularFile).toList()) {
            count++;
            bytes += Files.size(file);
            newest = Math.max(newest, Files.getLastModifiedTime(file).toMillis());
          }
          return "%d %d %d".formatted(count, bytes, newest);
        }
      } catch (IOException | URISyntaxException e) {
        // Of this run alone.
        return Long.toString(System.nanoTime());
      }
    }
  }
}
