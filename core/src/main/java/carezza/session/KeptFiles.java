package carezza.session;

import java.io.BufferedOutputStream;
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
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;

import carezza.file.ApplicationFolder;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.mask.Regions;
import carezza.problem.Problem;

/**
 * What was found out about photographs, kept in a folder: one that is opened again need not be
 * looked through again. A file's name is made of all that its contents follow from, the program as
 * it was built among it, so that nothing in the folder can be out of date; it may be emptied at any
 * time. A file that cannot be read or written is no reason to stop. Safe for many threads and
 * several programs.
 */
public final class KeptFiles {

  private static final System.Logger LOG = System.getLogger(KeptFiles.class.getName());

  private static final String ENDING = ".known";

  /** Kept in all; those that were not asked for longest go first. */
  private static final long MOST_BYTES = 1L << 30;

  /** By then the picture is on the screen, and what else was looked for in it known. */
  private static final long REST_SECONDS = 15;

  private static final ScheduledExecutorService LATER = later();

  private static volatile KeptFiles shared = new KeptFiles(null, REST_SECONDS, MOST_BYTES);

  private final @Nullable Path folder;
  private final long restSeconds;
  private final long mostBytes;

  /** What is to be written. */
  private final Map<String, Future<?>> waiting = new ConcurrentHashMap<>();

  /**
   * @param folder null to keep nothing
   */
  KeptFiles(@Nullable Path folder, long restSeconds, long mostBytes) {
    this.folder = folder;
    this.restSeconds = restSeconds;
    this.mostBytes = mostBytes;
  }

  private static ScheduledExecutorService later() {
    ScheduledThreadPoolExecutor executor =
        new ScheduledThreadPoolExecutor(
            1,
            work -> {
              Thread thread = Thread.ofPlatform().daemon().name("kept files").unstarted(work);
              thread.setPriority(Thread.MIN_PRIORITY);
              return thread;
            });
    executor.setRemoveOnCancelPolicy(true);
    return executor;
  }

  /** Where sessions that are opened from now on keep what they find; nowhere before. */
  public static void keepIn(Path folder) {
    shared.close();
    shared = new KeptFiles(folder, REST_SECONDS, MOST_BYTES);
  }

  static KeptFiles shared() {
    return shared;
  }

  /** Writes contents. */
  @FunctionalInterface
  interface Contents {
    void writeTo(DataOutputStream out) throws IOException;
  }

  /**
   * What is kept under all that it follows from, or null.
   *
   * @param from has equal text for equal things
   */
  byte @Nullable [] read(Object... from) {
    if (folder == null) {
      return null;
    }
    Path file = file(folder, from);
    try {
      byte[] bytes = Files.readAllBytes(file);
      Files.setLastModifiedTime(file, FileTime.fromMillis(System.currentTimeMillis()));
      return bytes;
    } catch (NoSuchFileException e) {
      return null;
    } catch (IOException e) {
      LOG.log(Level.WARNING, "Kept file not read", e);
      return null;
    }
  }

  /**
   * Keeps contents after a while.
   *
   * @param slot what they are about: of several that wait under one, the last is written
   */
  void write(String slot, Contents contents, Object... from) {
    if (folder == null) {
      return;
    }
    Path into = folder;
    Path file = file(into, from);
    Future<?> before =
        waiting.put(
            slot, LATER.schedule(() -> write(into, file, contents), restSeconds, TimeUnit.SECONDS));
    if (before != null) {
      before.cancel(false);
    }
  }

  /** Nothing more is written to the folder; what is being written is done when this returns. */
  void close() {
    waiting.values().forEach(one -> one.cancel(false));
    try {
      LATER.submit(() -> {}).get();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException e) {
      throw new IllegalStateException(e);
    }
  }

  private static Path file(Path folder, Object... from) {
    StringBuilder text = new StringBuilder(Program.STAMP);
    for (Object one : from) {
      text.append('\n').append(one);
    }
    byte[] all = text.toString().getBytes(StandardCharsets.UTF_8);
    return folder.resolve(Originals.sha256(all) + ENDING);
  }

  private void write(Path into, Path file, Contents contents) {
    try {
      ApplicationFolder.makePrivate(into);
      AtomicFile.replacing(file)
          .ownerOnly()
          .write(
              out -> {
                DataOutputStream data = new DataOutputStream(new BufferedOutputStream(out));
                contents.writeTo(data);
                data.flush();
              });
      prune(into);
    } catch (IOException | Problem | RuntimeException e) {
      LOG.log(Level.WARNING, "File not kept", e);
    }
  }

  private record Kept(Path file, long bytes, FileTime asked) {}

  private void prune(Path into) throws IOException {
    List<Kept> all = new ArrayList<>();
    try (Stream<Path> files = Files.list(into)) {
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
