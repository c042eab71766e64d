package carezza.codec;

import java.util.Locale;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/** Formats that pictures are written in, chosen by the ending of the file's name. */
public enum PictureFormat {
  JPEG("jpeg"),
  PNG("png"),
  TIFF("tiff");

  private final String writer;

  PictureFormat(String writer) {
    this.writer = writer;
  }

  String writer() {
    return writer;
  }

  public static PictureFormat of(String fileName) throws Problem {
    String name = fileName.toLowerCase(Locale.ROOT);
    if (name.endsWith(".jpg") || name.endsWith(".jpeg")) {
      return JPEG;
    }
    if (name.endsWith(".png")) {
      return PNG;
    }
    if (name.endsWith(".tif") || name.endsWith(".tiff")) {
      return TIFF;
    }
    throw new Problem(Kind.FORMAT_UNSUPPORTED, fileName);
  }
}
