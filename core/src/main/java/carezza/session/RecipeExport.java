package carezza.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;

import org.jspecify.annotations.Nullable;

import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.recipe.Delivery;
import carezza.recipe.NamePattern.Words;
import carezza.recipe.Output;
import carezza.recipe.OutputSharpening;
import carezza.recipe.Recipe;

/** All files of a recipe from one rendering. */
final class RecipeExport {

  /** White between the pictures of a pair, as a share of one's width. */
  private static final double GAP = 0.01;

  private final Session session;
  private final Metadata metadata;

  RecipeExport(Session session, Metadata metadata) {
    this.session = session;
    this.metadata = metadata;
  }

  /** Where a recipe's files go, and which of them are there already and stay. */
  record Place(Path folder, Words words, boolean replaces, Predicate<Path> kept) {}

  /** A file that is to be written. */
  private record Wanted(Output output, Path file) {}

  /** Every output of every variant, each variant rendered once. */
  List<Path> written(Project project, Recipe recipe, Place place, Cancellation cancellation)
      throws Problem {
    List<Path> files = new ArrayList<>();
    List<String> names = project.variants().names();
    List<List<Wanted>> missing = new ArrayList<>();
    for (int i = 0; i < Math.max(1, names.size()); i++) {
      Words words = names.isEmpty() ? place.words() : place.words().of(names.get(i));
      missing.add(missing(recipe, place, words, files));
    }
    for (int i = 0; i < missing.size(); i++) {
      if (!missing.get(i).isEmpty()) {
        write(project.atVariant(i), missing.get(i), place, cancellation);
      }
    }
    return files;
  }

  /** What is not there yet; looked at before anything is rendered. */
  private static List<Wanted> missing(Recipe recipe, Place place, Words words, List<Path> files)
      throws Problem {
    List<Wanted> missing = new ArrayList<>();
    for (Output output : recipe.outputs()) {
      Path file = output.file(place.folder(), words);
      if (files.contains(file)) {
        throw new Problem(Kind.FILE_EXISTS, file.toString());
      }
      files.add(file);
      if (!place.kept().test(file)) {
        makeFolder(file.toAbsolutePath().getParent());
        AtomicFile.of(file, place.replaces()).check();
        missing.add(new Wanted(output, file));
      }
    }
    return missing;
  }

  private void write(Project project, List<Wanted> wanted, Place place, Cancellation cancellation)
      throws Problem {
    Picture whole = session.renderer().renderOnce(session.scene(project), 0, cancellation);
    for (Wanted one : wanted) {
      cancellation.check();
      Delivery how = one.output().delivery();
      PictureWriter.write(
          picture(project, one.output(), whole),
          AtomicFile.of(one.file(), place.replaces()),
          new PictureWriter.Settings(
              one.output().format(),
              how.quality(),
              how.bits(),
              how.colour(),
              how.retouched() ? metadata.retouched() : metadata,
              how.carried()));
    }
  }

  /** An output's picture in the working space. */
  private Picture picture(Project project, Output output, Picture whole) {
    Project framed = output.framed(project, session.size());
    Picture finished = sized(framed, output, whole);
    return output.pair()
        ? beside(sized(framed, output, session.renderer().photograph().level(0)), finished)
        : finished;
  }

  private Picture sized(Project framed, Output output, Picture whole) {
    Picture sized = session.exports().sized(framed, output.delivery(), whole);
    boolean shrunk = output.delivery().longEdge() > 0;
    return OutputSharpening.of(sized, shrunk ? output.sharpening() : 0);
  }

  private static Picture beside(Picture left, Picture right) {
    int w = left.area().width();
    int gap = (int) Math.ceil(GAP * w);
    int h = left.area().height();
    Area both = new Area(0, 0, 2 * w + gap, h);
    Plane[] planes = new Plane[3];
    for (int c = 0; c < 3; c++) {
      float[] values = new float[both.pixels()];
      Arrays.fill(values, 1);
      for (int y = 0; y < h; y++) {
        System.arraycopy(left.plane(c).values(), y * w, values, y * both.width(), w);
        System.arraycopy(right.plane(c).values(), y * w, values, y * both.width() + w + gap, w);
      }
      planes[c] = new Plane(both, values);
    }
    return new Picture(planes[0], planes[1], planes[2]);
  }

  private static void makeFolder(@Nullable Path folder) throws Problem {
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, folder, Reason.of(e));
    }
  }
}
