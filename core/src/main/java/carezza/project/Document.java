package carezza.project;

import java.nio.file.Path;
import java.util.Objects;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;

import carezza.codec.Photograph;
import carezza.model.PhotoReference;
import carezza.model.Project;
import carezza.record.WorkRecord;

/**
 * A project together with its photograph, as opened.
 *
 * @param project the recipe
 * @param photograph the pixels
 * @param file the photograph's own bytes
 * @param source where the photograph's file lies, if the project links to it; null if it is
 *     embedded
 * @param path where the project was opened from or saved to last; null before
 * @param origin where the photograph was read from, embedded or not; null where that is not known
 * @param work what was done to it so far
 */
public record Document(
    Project project,
    Photograph photograph,
    byte[] file,
    @Nullable Path source,
    @Nullable Path path,
    @Nullable Path origin,
    WorkRecord work) {

  public Document with(Project newProject, @Nullable Path newPath) {
    return new Document(newProject, photograph, file, source, newPath, origin, work);
  }

  /** The same with the same photograph's pixels, read at another time. */
  public Document sharing(Photograph same) {
    return new Document(project, same, file, source, path, origin, work);
  }

  /** The same with another name of the photograph's file. */
  public Document named(String name) {
    PhotoReference photo = project.photograph();
    return new Document(
        project.withPhotograph(
            new PhotoReference(
                name, photo.sha256(), photo.embedded(), photo.width(), photo.height())),
        photograph,
        file,
        source,
        path,
        origin,
        work);
  }

  /** The same with the photograph linked where it lies, or embedded if that is null. */
  public Document linkedTo(@Nullable Path newSource) {
    PhotoReference photo = project.photograph();
    return new Document(
        project.withPhotograph(
            new PhotoReference(
                newSource == null ? photo.name() : newSource.getFileName().toString(),
                photo.sha256(),
                newSource == null,
                photo.width(),
                photo.height())),
        photograph,
        file,
        newSource,
        path,
        newSource == null ? origin : newSource,
        work);
  }

  /** The same with another record of what was done. */
  public Document worked(WorkRecord record) {
    return new Document(project, photograph, file, source, path, origin, record);
  }

  /** The same, its photograph read from this file; null where that is not known. */
  public Document readFrom(@Nullable Path newOrigin) {
    return new Document(project, photograph, file, source, path, newOrigin, work);
  }

  /** Whether it was opened from this file, or is kept in it. */
  public boolean liesIn(Path place) {
    Path wanted = place.toAbsolutePath().normalize();
    return Stream.of(path, origin)
        .filter(Objects::nonNull)
        .anyMatch(p -> p.toAbsolutePath().normalize().equals(wanted));
  }
}
