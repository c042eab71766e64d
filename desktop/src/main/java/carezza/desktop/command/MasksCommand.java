package carezza.desktop.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.Reason;
import carezza.image.Cancellation;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;

@Command(
    name = "masks",
    description =
        "Writes the regions of a photograph or a project, one grey PNG each, and its face map.")
final class MasksCommand implements Callable<Integer> {

  private static final List<SemanticRegion> WRITTEN =
      List.of(
          SemanticRegion.SKIN,
          SemanticRegion.LIPS,
          SemanticRegion.TEETH,
          SemanticRegion.SCLERA,
          SemanticRegion.IRIS,
          SemanticRegion.BROWS_LASHES,
          SemanticRegion.HAIR,
          SemanticRegion.SUBJECT);

  @Parameters(paramLabel = "PHOTO|P.carezza", description = "What to look at.")
  private Path file;

  @Option(names = "--out", required = true, paramLabel = "DIR", description = "Folder to write to.")
  private Path out;

  @Mixin private Writing writing;

  @Override
  public Integer call() throws Problem {
    Document document = Inputs.retouch(file);
    for (Path written : written()) {
      writing.to(written).check();
    }
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), Cancellation.NONE);
    if (project.faces() == null) {
      throw new Problem(Kind.NO_FACE, PictureReader.name(file));
    }
    try {
      Files.createDirectories(out);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, out, Reason.of(e));
    }
    for (SemanticRegion region : WRITTEN) {
      PictureWriter.writeGrey(session.faces().region(project, region), writing.to(place(region)));
    }
    writing.to(faces()).write(to -> ProjectFile.writeFaces(project, to));
    return 0;
  }

  private List<Path> written() {
    List<Path> all = new ArrayList<>(WRITTEN.stream().map(this::place).toList());
    all.add(faces());
    return all;
  }

  private Path place(SemanticRegion region) {
    return out.resolve(region.name().toLowerCase(Locale.ROOT) + ".png");
  }

  private Path faces() {
    return out.resolve("face.json");
  }
}
