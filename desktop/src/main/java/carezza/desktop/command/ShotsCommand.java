package carezza.desktop.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

import carezza.desktop.app.Display;
import carezza.desktop.app.Shots;
import carezza.problem.Problem;

@Command(name = "shots", description = "Writes a PNG of each main view, made from the demo.")
final class ShotsCommand implements Callable<Integer> {

  @Parameters(paramLabel = "DIR", description = "Folder to write to; made if it is not there.")
  private Path folder;

  @Mixin private Writing writing;

  @Override
  public Integer call() throws Problem {
    Display.useOffscreen();
    Shots.take(folder, writing.replaces());
    return 0;
  }
}
