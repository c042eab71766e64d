package carezza.desktop.command;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Locale;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.codec.PictureReader;
import carezza.desktop.sheet.Paper;
import carezza.desktop.sheet.SheetFacts;
import carezza.desktop.sheet.SheetKind;
import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.session.Session;

@Command(
    name = "sheet",
    description = "Writes a sheet about a picture for the client or the studio.")
final class SheetCommand implements Callable<Integer> {

  @Parameters(paramLabel = "P.carezza", description = "A project, or a photograph.")
  private Path file;

  @Option(
      names = "--for",
      required = true,
      paramLabel = "WHOM",
      description = "client: in plain words; studio: with all values, gauges and minutes.")
  private SheetKind kind;

  @Option(names = "--out", required = true, paramLabel = "FILE.pdf", description = "What to write.")
  private Path out;

  @Option(names = "--page", paramLabel = "SIZE", description = "a4 or letter; a4 without it.")
  private Paper paper = Paper.A4;

  @Mixin private Writing writing;

  @Override
  public Integer call() throws Problem, IOException {
    if (!PictureReader.name(out).toLowerCase(Locale.ROOT).endsWith(".pdf")) {
      throw new Problem(Kind.SHEET_ENDING, PictureReader.name(out));
    }
    Document document = Inputs.retouch(file);
    writing.to(out).check();
    Session session = new Session(document.photograph());
    Document faced =
        document.with(
            session.faces().withFace(document.project(), Cancellation.NONE), document.path());
    byte[] pdf = kind.pdf(SheetFacts.of(session, faced, LocalDate.now(), Cancellation.NONE), paper);
    writing.to(out).write(stream -> stream.write(pdf));
    return 0;
  }
}
