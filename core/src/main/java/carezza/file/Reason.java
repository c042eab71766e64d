package carezza.file;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.nio.file.ReadOnlyFileSystemException;

/** Why a file could not be read or written, in words for its owner. */
public final class Reason {

  private Reason() {}

  public static String of(IOException e) {
    return switch (e) {
      case NoSuchFileException _ -> "the folder does not exist";
      case AccessDeniedException _ -> "that is not allowed there";
      case FileAlreadyExistsException _ -> "something of that name is there already";
      case NotDirectoryException _ -> "part of its path is no folder";
      case FileSystemException f when f.getReason() != null -> f.getReason();
      default ->
          e.getCause() instanceof ReadOnlyFileSystemException
              ? "the disk is read-only"
              : e.getMessage() == null ? "the disk did not do it" : e.getMessage();
    };
  }
}
