package carezza.recipe;

import java.nio.file.Path;

import org.jspecify.annotations.Nullable;

import carezza.codec.PictureFormat;
import carezza.image.PictureSize;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.Project;

/**
 * One of the files that a recipe makes of a picture.
 *
 * @param name shown, and the word {@code {output}} of file names
 * @param folder below the recipe's, empty for that itself
 * @param exact size in pixels that the picture is cut to, or null for its own shape
 * @param sharpening of the shrunk picture, 0 none … 1 strong
 * @param pair writes the photograph beside the finished picture
 */
public record Output(
    String name,
    NamePattern pattern,
    String folder,
    PictureFormat format,
    Delivery delivery,
    @Nullable PictureSize exact,
    double sharpening,
    boolean pair) {

  public Output {
    if (name.isBlank()) {
      throw new IllegalArgumentException("an output has no name");
    }
    if (!(sharpening >= 0 && sharpening <= 1)) {
      throw new IllegalArgumentException(name + ": sharpening is to be 0 to 1");
    }
    Path below = Path.of(folder).normalize();
    if (below.isAbsolute() || below.startsWith("..")) {
      throw new IllegalArgumentException(name + ": its folder is to lie below that of the job");
    }
    if (exact != null && (exact.width() < 16 || exact.height() < 16)) {
      throw new IllegalArgumentException(name + ": a picture has at least 16 pixels a side");
    }
    if (delivery.colour().profile().inks() && format != PictureFormat.TIFF) {
      throw new IllegalArgumentException(name + ": only TIFF holds inks");
    }
  }

  /** Where the file goes. */
  public Path file(Path folderOfAll, NamePattern.Words words) {
    String ending =
        switch (format) {
          case JPEG -> ".jpg";
          case PNG -> ".png";
          case TIFF -> ".tif";
        };
    return folderOfAll.resolve(folder).resolve(pattern.name(words, name) + ending);
  }

  /** The project framed as this output asks for: the face keeps its place in the frame. */
  public Project framed(Project project, PictureSize photograph) {
    if (exact == null) {
      return project;
    }
    Crop all = project.crop() == null ? Crop.of(photograph) : project.crop();
    Crop cut = all.ofRatio((double) exact.width() / exact.height());
    FaceMap face = project.faces();
    if (face == null) {
      return project.withCrop(cut);
    }
    Point at = all.inside(face.oval().middle());
    // Where the face is between one side and the other, the cut's middle is, too.
    double across = Math.clamp(2 * at.x() / all.width(), -1, 1);
    double down = Math.clamp(2 * at.y() / all.height(), -1, 1);
    Point middle =
        all.at(across * (1 - cut.width() / all.width()), down * (1 - cut.height() / all.height()));
    return project.withCrop(cut.moved(middle.x(), middle.y()));
  }
}
