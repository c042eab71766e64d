package carezza.desktop.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import javafx.application.Application;

import picocli.CommandLine.Command;

import carezza.desktop.app.CarezzaApp;
import carezza.desktop.app.Display;
import carezza.desktop.app.Shots;
import carezza.desktop.demo.Demo;
import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.recipe.Delivery;
import carezza.session.Session;

@Command(
    name = "demo",
    description = "Opens the demo; without a display, writes its pictures to a folder instead.")
final class DemoCommand implements Callable<Integer> {

  @Override
  public Integer call() throws Problem {
    if (Display.present()) {
      Application.launch(CarezzaApp.class, "demo");
      return 0;
    }
    Path folder = folder();
    System.out.println("There is no display, so the demo runs offscreen and writes to " + folder);
    Display.useOffscreen();
    Shots.take(folder, false);
    Document demo = Demo.cellist();
    new Session(demo.photograph())
        .exports()
        .deliver(
            demo.project(),
            AtomicFile.replacing(folder.resolve("the-cellist.jpg")),
            Delivery.full(),
            Cancellation.NONE);
    return 0;
  }

  private static Path folder() throws Problem {
    try {
      return Files.createTempDirectory("carezza-demo-");
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, "The folder for the demo", Reason.of(e));
    }
  }
}
