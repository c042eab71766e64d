package carezza.file;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.nio.file.ReadOnlyFileSystemException;
import java.util.ResourceBundle;

/** Why a file could not be read or written, in words for its owner. */
public final class Reason {

  private Reason() {}

  public static String of(IOException e) {
    return switch (e) {
      case NoSuchFileException _ -> said("NO_FOLDER");
      case AccessDeniedException _ -> said("NOT_ALLOWED");
      case FileAlreadyExistsException _ -> said("THERE_ALREADY");
      case NotDirectoryException _ -> said("NO_FOLDER_IN_PATH");
      case FileSystemException f when f.getReason() != null -> f.getReason();
      default ->
          e.getCause() instanceof ReadOnlyFileSystemException
              ? said("READ_ONLY")
              : e.getMessage() == null ? said("DISK") : e.getMessage();
    };
  }

  private static String said(String name) {
    return ResourceBundle.getBundle("carezza.problems").getString("reason." + name);
  }
}
