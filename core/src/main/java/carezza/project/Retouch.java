package carezza.project;

import java.nio.file.Path;

import carezza.codec.Photograph;
import carezza.model.Project;

/**
 * A project together with its photograph, as opened.
 *
 * @param project the recipe
 * @param photograph the pixels
 * @param file the photograph's own bytes, to be embedded on saving
 * @param path where the project was opened from or saved to last; null before
 */
public record Retouch(Project project, Photograph photograph, byte[] file, Path path) {

  public Retouch with(Project newProject, Path newPath) {
    return new Retouch(newProject, photograph, file, newPath);
  }
}
