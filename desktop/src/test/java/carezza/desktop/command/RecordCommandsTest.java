package carezza.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import carezza.desktop.state.Documents;
import carezza.file.ApplicationFolder;
import carezza.file.AtomicFile;
import carezza.kernel.LayerType;
import carezza.project.ProjectFile;
import carezza.record.Activity;
import carezza.record.Phase;
import carezza.record.Span;
import carezza.record.WorkRecord;
import carezza.studio.JournalEntry;
import carezza.studio.StudioJournal;

/** The verbs that write what was done; the home that they read is their own meanwhile. */
public class RecordCommandsTest {

  private static final String TITLE = "The Bell Founder";

  private Path folder;
  private String home;
  private Path project;

  @BeforeClass
  public void prepare() throws Exception {
    folder = Files.createTempDirectory("records");
    home = System.setProperty("carezza.home", folder.resolve("home").toString());
    project = folder.resolve("grey.carezza");
    ProjectFile.save(
        Documents.with(LayerType.EXPOSURE, LayerType.TEETH),
        AtomicFile.of(project, false),
        new byte[0]);
    try (StudioJournal journal = StudioJournal.open(ApplicationFolder.path())) {
      WorkRecord work = WorkRecord.of("bell founder").estimated(4);
      journal.keep(new JournalEntry(TITLE, "bell.jpg", "fashion", work));
      journal.add(
          work.id(),
          new Span(
              Instant.parse("2026-03-04T12:00:00Z"),
              Duration.ofSeconds(90),
              Duration.ZERO,
              new Activity(Phase.SCULPT, "a", "dodgeBurn", "dodge")));
    }
  }

  @AfterClass(alwaysRun = true)
  public void giveBack() {
    if (home == null) {
      System.clearProperty("carezza.home");
    } else {
      System.setProperty("carezza.home", home);
    }
  }

  private static String run(int code, Object... arguments) {
    CommandRun run = CommandRun.of(arguments);
    assertThat(run.code()).as(run.err()).isEqualTo(code);
    assertThat(run.err().strip().lines().count()).isEqualTo(code == 0 ? 0 : 1);
    return run.err();
  }

  @Test
  public void theJournalIsWrittenAsATable() throws Exception {
    Path csv = folder.resolve("journal.csv");
    run(0, "journal", "--csv", csv);

    assertThat(Files.readAllLines(csv))
        .filteredOn(l -> l.contains(TITLE))
        .singleElement()
        .asString()
        .startsWith(
            "2026-03-04,The Bell Founder,bell.jpg,fashion,4.00,1.50,0.00,0.00,0.00,0.00,0.00,1.50");
    assertThat(run(1, "journal", "--csv", csv)).contains("journal.csv", "--force");
    run(0, "journal", "--csv", csv, "--since", "2026-03-05", "--force");
    assertThat(Files.readString(csv)).startsWith("date,title").doesNotContain(TITLE);
  }

  @Test
  public void theJournalIsWrittenWhole() throws Exception {
    Path json = folder.resolve("journal.json");
    run(0, "journal", "--json", json, "--since", "2026-03-04");

    JsonNode pictures = JsonMapper.shared().readTree(Files.readAllBytes(json)).get("pictures");
    JsonNode founder =
        pictures
            .valueStream()
            .filter(p -> p.get("title").asString().equals(TITLE))
            .findFirst()
            .orElseThrow();
    assertThat(founder.get("work").get("spans").get(0).get("active").asString())
        .isEqualTo("PT1M30S");
  }

  @Test
  public void theJournalAsksWhereTo() {
    assertThat(run(2, "journal")).contains("--csv", "--json");
    assertThat(run(2, "journal", "--csv", "-", "--since", "yesterday")).contains("--since");
  }

  @Test
  public void aSheetIsWrittenForWhomItIs() throws Exception {
    Path client = folder.resolve("client.pdf");
    Path studio = folder.resolve("studio.PDF");
    run(0, "sheet", project, "--for", "client", "--out", client);
    run(0, "sheet", project, "--for", "studio", "--out", studio, "--page", "letter");

    try (PDDocument sheet = Loader.loadPDF(client.toFile())) {
      assertThat(new PDFTextStripper().getText(sheet)).contains("In plain words");
    }
    try (PDDocument sheet = Loader.loadPDF(studio.toFile())) {
      assertThat(new PDFTextStripper().getText(sheet)).contains("Gauges");
      assertThat(sheet.getPage(0).getMediaBox().getWidth()).isEqualTo(612);
    }
  }

  @Test
  public void aSheetIsNeverWrittenOverWhatItTellsOf() throws Exception {
    byte[] before = Files.readAllBytes(project);
    assertThat(run(1, "sheet", project, "--for", "client", "--out", project))
        .contains("grey.carezza", ".pdf");
    Path link = folder.resolve("link.pdf");
    Files.createLink(link, project);
    run(1, "sheet", project, "--for", "client", "--out", link, "--force");

    assertThat(Files.readAllBytes(project)).isEqualTo(before);
    assertThat(run(2, "sheet", project, "--for", "nobody", "--out", "a.pdf")).contains("--for");
  }
}
