package carezza.desktop.command;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

import carezza.file.ApplicationFolder;
import carezza.problem.Problem;
import carezza.studio.JournalEntry;
import carezza.studio.JournalFile;
import carezza.studio.StudioJournal;

@Command(
    name = "journal",
    description = "Writes what was worked on this machine, and how long it took.")
final class JournalCommand implements Callable<Integer> {

  @Option(
      names = "--csv",
      paramLabel = "FILE|-",
      description = "Where to write a line for each picture and day; - for standard output.")
  private String csv;

  @Option(
      names = "--json",
      paramLabel = "FILE|-",
      description = "Where to write all there is; - for standard output.")
  private String json;

  @Option(
      names = "--since",
      paramLabel = "DATE",
      description = "First day that counts, as 2026-11-02; all days without it.")
  private LocalDate since;

  @Mixin private Writing writing;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws Problem {
    if (csv == null && json == null) {
      throw new ParameterException(
          spec.commandLine(), "Say where to write: --csv FILE or --json FILE, - for here.");
    }
    for (String place : new String[] {csv, json}) {
      if (place != null) {
        writing.check(place);
      }
    }
    ZoneId zone = ZoneId.systemDefault();
    List<JournalEntry> entries = entries(zone);
    if (csv != null) {
      writing.text(csv, JournalFile.csv(entries, zone));
    }
    if (json != null) {
      writing.text(json, JournalFile.json(entries));
    }
    return 0;
  }

  private List<JournalEntry> entries(ZoneId zone) throws Problem {
    Instant from = since == null ? Instant.EPOCH : since.atStartOfDay(zone).toInstant();
    try (StudioJournal journal = StudioJournal.open(ApplicationFolder.path())) {
      if (journal.setAside().isPresent()) {
        throw journal.setAside().get();
      }
      return journal.between(from, Instant.now().plus(1, ChronoUnit.DAYS));
    }
  }
}
