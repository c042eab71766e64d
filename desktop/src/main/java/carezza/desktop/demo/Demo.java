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
 * Understudy is retouched through all eight stages; the Apothecary waits untouched.
 */
public final class Demo {

  private Demo() {}

  /** The finished project. */
  public static Document understudy() throws Problem {
    Document started = ProjectFile.start(bytes("understudy.jpg"), "understudy.jpg");
    StackFile stack = ProjectFile.readStack(bytes("understudy.json"), "understudy.json");
    Project blank = started.project();
    Project project =
        new Project(
            "The Understudy",
            blank.photograph(),
            stack.faces(),
            null,
            null,
            null,
            null,
            stack.stack(),
            null,
            "Lumen Court, Autumn cards. Moles and freckles stay, as agreed.",
            null);
    return started.with(project, null);
  }

  /** A portrait as it comes from the camera; its face is found when it is opened. */
  public static Document apothecary() throws Problem {
    Document started = ProjectFile.start(bytes("apothecary.jpg"), "apothecary.jpg");
    Project blank = started.project();
    Project project =
        new Project(
            "The Apothecary",
            blank.photograph(),
            null,
            null,
            null,
            null,
            null,
            blank.stack(),
            null,
            "Not begun.",
            null);
    return started.with(project, null);
  }

  private static byte[] bytes(String name) {
    try (InputStream in = Demo.class.getResourceAsStream("/carezza/desktop/demo/" + name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
