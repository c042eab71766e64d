package carezza.codec;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/** Writes a file whole or not at all: to a temporary beside it, flushed to disk, then renamed. */
public final class SafeFile {

  private SafeFile() {}

  /** Writes the contents. */
  @FunctionalInterface
  public interface Contents {
    void writeTo(OutputStream out) throws IOException;
  }

  /**
   * @throws Problem if it could not be written; what was there before is still there
   */
  public static void write(Path file, Contents contents) throws Problem {
    Path target = file.toAbsolutePath();
    Path temporary = null;
    try {
      String name = target.getFileName() + "." + Long.toHexString(System.nanoTime()) + ".part";
      temporary = target.resolveSibling(name);
      try (FileChannel channel =
          FileChannel.open(temporary, StandardOpenOption.WRITE, StandardOpenOption.CREATE_NEW)) {
        OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel), 1 << 16);
        contents.writeTo(out);
        out.flush();
        channel.force(true);
      }
      Files.move(
          temporary, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (RuntimeException e) {
      delete(temporary);
      throw e;
    } catch (IOException e) {
      delete(temporary);
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, file, reason(e));
    }
  }

  private static String reason(IOException e) {
    if (e instanceof java.nio.file.NoSuchFileException) {
      return "the folder does not exist";
    }
    if (e instanceof java.nio.file.AccessDeniedException) {
      return "writing is not allowed there";
    }
    return e.getMessage();
  }

  private static void delete(Path temporary) {
    if (temporary != null) {
      try {
        Files.deleteIfExists(temporary);
      } catch (IOException e) {
        // The message about the write says what matters; a stray .part file harms nobody.
      }
    }
  }
}
