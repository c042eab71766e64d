package carezza.file;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

import org.jspecify.annotations.Nullable;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/**
 * The one writer of files: whole or not at all, to a part beside the target, flushed to disk, then
 * renamed. It refuses {@link Originals}, and files that are there already unless told to replace
 * them. A symbolic link is written through to what it points to. A file that is replaced passes on
 * its rights and owner.
 *
 * <p>A part is locked while it is written, and the lock dies with the program: parts that nobody
 * holds are swept when something is next written to their folder.
 */
public final class AtomicFile {

  private static final String PART = ".carezza-part";

  /** Parts that this program is writing now, which are nobody's to sweep. */
  private static final Set<Path> OWN = ConcurrentHashMap.newKeySet();

  /** Folders already swept in this run. */
  private static final Set<Path> SWEPT = ConcurrentHashMap.newKeySet();

  private final Path file;
  private final boolean replaces;
  private final boolean ownerOnly;

  private AtomicFile(Path file, boolean replaces, boolean ownerOnly) {
    this.file = file;
    this.replaces = replaces;
    this.ownerOnly = ownerOnly;
  }

  /** A file that must not be there yet. */
  public static AtomicFile fresh(Path file) {
    return new AtomicFile(file, false, false);
  }

  /** A file that may be there; what it held is replaced. */
  public static AtomicFile replacing(Path file) {
    return new AtomicFile(file, true, false);
  }

  /** As either, by a choice that was made elsewhere. */
  public static AtomicFile of(Path file, boolean replaces) {
    return new AtomicFile(file, replaces, false);
  }

  /** The same; if the file is new, nobody but its owner may read it. */
  public AtomicFile ownerOnly() {
    return new AtomicFile(file, replaces, true);
  }

  /** Where it lies, as it was named. */
  public Path path() {
    return file;
  }

  /** Writes the contents. */
  @FunctionalInterface
  public interface Contents {
    void writeTo(OutputStream out) throws IOException;
  }

  /**
   * Looks beforehand whether it may be written.
   *
   * @throws Problem if it is an original, or there already and not to be replaced
   */
  public void check() throws Problem {
    if (Originals.holds(file)) {
      throw new Problem(Kind.FILE_IS_ORIGINAL, file);
    }
    if (!replaces && Files.exists(file)) {
      throw new Problem(Kind.FILE_EXISTS, file);
    }
    if (Files.isDirectory(file)) {
      throw new Problem(Kind.FILE_NOT_WRITTEN, file, "it is a folder");
    }
  }

  /**
   * @throws Problem if it may not or could not be written; what was there before is still there
   */
  public void write(Contents contents) throws Problem {
    check();
    Path part = null;
    try {
      Path target = target(file.toAbsolutePath());
      sweep(target.getParent());
      part = target.resolveSibling(name(target) + "." + Long.toHexString(System.nanoTime()) + PART);
      OWN.add(part);
      writePart(part, target, contents);
      place(part, target);
    } catch (RuntimeException | Error e) {
      delete(part);
      throw e;
    } catch (FileAlreadyExistsException e) {
      delete(part);
      throw new Problem(e, Kind.FILE_EXISTS, file);
    } catch (IOException e) {
      delete(part);
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, file, Reason.of(e));
    } finally {
      if (part != null) {
        OWN.remove(part);
      }
    }
  }

  /** What a link, or a chain of links, points to, whether or not that is there. */
  private static Path target(Path file) throws IOException {
    Path at = file;
    for (int links = 0; Files.isSymbolicLink(at); links++) {
      if (links == 40) {
        throw new IOException("its links lead in a circle");
      }
      at = at.resolveSibling(Files.readSymbolicLink(at));
    }
    return at;
  }

  /** The target's name, cut where the part's would be longer than file systems take. */
  private static String name(Path target) throws IOException {
    if (target.getFileName() == null) {
      throw new IOException("it is no file's name");
    }
    String name = target.getFileName().toString();
    return name.length() > 40 ? name.substring(0, 40) : name;
  }

  private void writePart(Path part, Path target, Contents contents) throws IOException {
    PosixFileAttributeView rights =
        Files.getFileAttributeView(part, PosixFileAttributeView.class, LinkOption.NOFOLLOW_LINKS);
    try (FileChannel channel =
        FileChannel.open(part, StandardOpenOption.WRITE, StandardOpenOption.CREATE_NEW)) {
      channel.tryLock();
      if (rights != null && (ownerOnly || Files.exists(target))) {
        // Before there is anything to read.
        rights.setPermissions(PosixFilePermissions.fromString("rw-------"));
      }
      OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel), 1 << 16);
      contents.writeTo(out);
      out.flush();
      channel.force(true);
      if (rights != null && Files.exists(target)) {
        inherit(target, rights);
      }
    }
  }

  /**
   * Rights, owner and group as the file had that is replaced; an owner that cannot be set stays
   * ours.
   */
  private static void inherit(Path target, PosixFileAttributeView part) throws IOException {
    PosixFileAttributes was = Files.readAttributes(target, PosixFileAttributes.class);
    PosixFileAttributes is = part.readAttributes();
    try {
      if (!was.group().equals(is.group())) {
        part.setGroup(was.group());
      }
      if (!was.owner().equals(is.owner())) {
        part.setOwner(was.owner());
      }
    } catch (FileSystemException e) {
      // Only a privileged user may give a file away.
      System.getLogger(AtomicFile.class.getName())
          .log(System.Logger.Level.DEBUG, "Owner not kept", e);
    }
    part.setPermissions(was.permissions());
  }

  /**
   * Renames in one step; where nothing may be replaced, by a second name, which fails if there is
   * one.
   */
  private void place(Path part, Path target) throws IOException {
    if (replaces) {
      Files.move(part, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
      return;
    }
    try {
      Files.createLink(target, part);
    } catch (FileAlreadyExistsException e) {
      throw e;
    } catch (UnsupportedOperationException | IOException e) {
      // Some file systems know no second names.
      Files.move(part, target);
      return;
    }
    Files.delete(part);
  }

  /** Deletes the parts in a folder that no running program holds. */
  private static void sweep(@Nullable Path folder) {
    if (!SWEPT.add(folder)) {
      return;
    }
    try (var parts = Files.newDirectoryStream(folder, "*" + PART)) {
      for (Path part : parts) {
        if (!OWN.contains(part) && abandoned(part)) {
          delete(part);
        }
      }
    } catch (IOException e) {
      // The folder is not there or not to be listed; the write will say so if it matters.
      SWEPT.remove(folder);
    }
  }

  private static boolean abandoned(Path part) {
    try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE);
        var lock = channel.tryLock()) {
      return lock != null;
    } catch (IOException | OverlappingFileLockException e) {
      return false;
    }
  }

  private static void delete(@Nullable Path part) {
    if (part != null) {
      try {
        Files.deleteIfExists(part);
      } catch (IOException e) {
        // The message about the write says what matters; the next run sweeps the part.
        return;
      }
    }
  }
}
