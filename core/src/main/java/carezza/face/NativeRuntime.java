package carezza.face;

import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.Field;
import java.net.URL;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;

import ai.onnxruntime.OrtEnvironment;

import carezza.file.ApplicationFolder;
import carezza.file.AtomicFile;
import carezza.problem.Problem;

/**
 * The native library that runs the networks, unpacked once for each version into the application's
 * folder. Left to itself the runtime unpacks it into the temporary folder at every start, and
 * leaves it there when the program is killed.
 */
final class NativeRuntime {

  private static final System.Logger LOG = System.getLogger(NativeRuntime.class.getName());

  /** The runtime's own property for where its libraries lie. */
  private static final String PATH = "onnxruntime.native.path";

  /**
   * Enough for the longest command line that a system takes; pages that are not touched cost
   * nothing.
   */
  private static final long STACK_BYTES = 1L << 30;

  private NativeRuntime() {}

  /**
   * The runtime's environment, with its library from the application's folder wherever that can be
   * written.
   */
  static OrtEnvironment environment() {
    if (System.getProperty(PATH) == null) {
      try {
        System.setProperty(PATH, unpacked().toString());
      } catch (IOException | Problem e) {
        LOG.log(System.Logger.Level.WARNING, "The runtime unpacks its library itself", e);
      }
    }
    OrtEnvironment environment = withRoom(OrtEnvironment::getEnvironment);
    removeTemporary();
    return environment;
  }

  /** Work that may throw. */
  @FunctionalInterface
  interface Call<T> {
    T run() throws Exception;
  }

  /**
   * Calls the runtime where there is room for its recursion: it looks through the program's command
   * line letter by letter and each in another, and a class path of four thousand letters is more
   * than an ordinary thread's stack holds. That ends the program without a word.
   */
  static <T> T withRoom(Call<T> call) {
    FutureTask<T> task = new FutureTask<>(call::run);
    Thread thread = new Thread(null, task, "networks", STACK_BYTES);
    thread.setDaemon(true);
    thread.start();
    try {
      return task.get();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new CancellationException();
    } catch (ExecutionException e) {
      throw new IllegalStateException("The networks cannot be started", e.getCause());
    }
  }

  private static Path unpacked() throws IOException, Problem {
    String platform = platform();
    String version = OrtEnvironment.class.getPackage().getImplementationVersion();
    Path folder = ApplicationFolder.path().resolve("native").resolve("onnxruntime-" + version);
    ApplicationFolder.makePrivate(ApplicationFolder.path());
    Files.createDirectories(folder);
    for (String library : new String[] {"onnxruntime", "onnxruntime4j_jni"}) {
      String name = System.mapLibraryName(library);
      URL resource =
          OrtEnvironment.class.getResource("/ai/onnxruntime/native/" + platform + "/" + name);
      if (resource == null) {
        throw new IOException("No library for " + platform);
      }
      long length = resource.openConnection().getContentLengthLong();
      Path file = folder.resolve(name);
      if (!Files.isRegularFile(file) || Files.size(file) != length) {
        AtomicFile.replacing(file)
            .write(
                out -> {
                  try (InputStream in = resource.openStream()) {
                    in.transferTo(out);
                  }
                });
      }
    }
    return folder.toAbsolutePath();
  }

  private static String platform() {
    String system = System.getProperty("os.name").toLowerCase(Locale.ROOT);
    String machine = System.getProperty("os.arch");
    String family = system.contains("win") ? "win" : system.contains("mac") ? "osx" : "linux";
    return family
        + (machine.contains("aarch64") || machine.contains("arm64") ? "-aarch64" : "-x64");
  }

  /**
   * The runtime makes a folder even if it has nothing to unpack, and removes it only if the program
   * ends in peace.
   */
  private static void removeTemporary() {
    try {
      Field field = Class.forName("ai.onnxruntime.OnnxRuntime").getDeclaredField("tempDirectory");
      field.setAccessible(true);
      if (field.get(null) instanceof Path made) {
        Files.deleteIfExists(made);
      }
    } catch (ReflectiveOperationException | IOException e) {
      LOG.log(System.Logger.Level.DEBUG, "The runtime's folder stays", e);
    }
  }
}
