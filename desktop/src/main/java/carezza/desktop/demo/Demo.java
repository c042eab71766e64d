package carezza.desktop.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.project.ProjectFile.StackFile;

/**
 * Lumen Court, Sant'Orsola, season 'Autumn cards': head shots of a small theatre's cast. The
 * Cellist and the Understudy are retouched through all eight stages; the others are as they come
 * from the camera, and their faces are found when they are opened.
 */
public final class Demo {

  private static final String AGREED =
      "Lumen Court, Autumn cards. Moles and freckles stay, as agreed.";

  private Demo() {}

  /** A finished project. */
  public static Document cellist() throws Problem {
    return finished("cellist", "The Cellist");
  }

  /** Another finished project, of the season's first picture. */
  public static Document understudy() throws Problem {
    return finished("understudy", "The Understudy");
  }

  public static Document prompter() throws Problem {
    return asShot("prompter", "The Prompter");
  }

  public static Document apothecary() throws Problem {
    return asShot("apothecary", "The Apothecary");
  }

  private static Document finished(String id, String title) throws Problem {
    Document started = ProjectFile.start(bytes(id + ".jpg"), id + ".jpg");
    StackFile stack = ProjectFile.readStack(bytes(id + ".json"), id + ".json");
    Project project = titled(started.project(), title, AGREED);
    return started.with(project.withFaces(stack.faces()).withStack(stack.stack()), null);
  }

  static Document asShot(String id, String title) throws Problem {
    Document started = ProjectFile.start(bytes(id + ".jpg"), id + ".jpg");
    return started.with(titled(started.project(), title, "Not begun."), null);
  }

  private static Project titled(Project blank, String title, String notes) {
    return Project.begun(title, blank.photograph()).noted(notes);
  }

  static byte[] bytes(String name) {
    try (InputStream in = Demo.class.getResourceAsStream("/carezza/desktop/demo/" + name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
