package carezza.desktop.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.batch.SetFolder;
import carezza.batch.SetLooks;
import carezza.codec.PictureReader;
import carezza.desktop.sheet.ContactSheet;
import carezza.desktop.sheet.Paper;
import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.set.Member;
import carezza.set.PictureSet;

@Command(
    name = "contact-sheet",
    description = "Writes the finished pictures of a set on pages, as a PDF or as JPEGs.")
final class ContactSheetCommand implements Callable<Integer> {

  @Parameters(paramLabel = "FOLDER", description = "Folder of the set.")
  private Path folder;

  @Option(
      names = "--out",
      required = true,
      paramLabel = "FILE.pdf|.jpg",
      description = "What to write; further pages of a .jpg are numbered.")
  private Path out;

  @Option(names = "--page", paramLabel = "SIZE", description = "a4 or letter; a4 without it.")
  private Paper paper = Paper.A4;

  @Mixin private Writing writing;

  @Override
  public Integer call() throws Problem, IOException {
    String name = PictureReader.name(out);
    boolean pdf = name.toLowerCase(Locale.ROOT).endsWith(".pdf");
    if (!pdf && !name.toLowerCase(Locale.ROOT).endsWith(".jpg")) {
      throw new Problem(Kind.SHEET_ENDING, name);
    }
    writing.to(out).check();
    SetFolder set = new SetFolder(folder);
    SetFolder.Contents contents = set.open();
    PictureSet pictures = contents.set();
    Path kept = Files.createTempDirectory("carezza-looks");
    try {
      byte[] pages = pages(set, contents, pictures, new SetLooks(kept));
      if (pdf) {
        writing.to(out).write(stream -> stream.write(pages));
        return 0;
      }
      List<byte[]> all = ContactSheet.pages(pages);
      for (int i = 0; i < all.size(); i++) {
        byte[] page = all.get(i);
        String stem = name.substring(0, name.length() - ".jpg".length());
        Path file = i == 0 ? out : out.resolveSibling("%s-%d.jpg".formatted(stem, i + 1));
        writing.to(file).write(stream -> stream.write(page));
      }
      return 0;
    } finally {
      remove(kept);
    }
  }

  private byte[] pages(
      SetFolder set, SetFolder.Contents contents, PictureSet pictures, SetLooks looks)
      throws Problem, IOException {
    List<ContactSheet.Entry> entries = new ArrayList<>();
    for (Member member : pictures.members()) {
      if (!contents.missing().contains(member.photograph())) {
        entries.add(
            new ContactSheet.Entry(
                member.title(),
                member.state().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                looks.at(set, member, Cancellation.NONE).thumbnail()));
      }
    }
    String below = "%d pictures, %s".formatted(entries.size(), LocalDate.now());
    return ContactSheet.pdf(pictures.name(), below, entries, paper);
  }

  private static void remove(Path folder) throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path file : files.sorted((a, b) -> b.compareTo(a)).toList()) {
        Files.deleteIfExists(file);
      }
    }
  }
}
