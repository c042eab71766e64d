package carezza.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.file.Originals;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.PictureSize;
import carezza.job.Band;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.RecordValue;
import carezza.model.SemanticRegion;
import carezza.project.BatchFile;
import carezza.recipe.Delivery;
import carezza.recipe.NamePattern;
import carezza.recipe.Output;
import carezza.recipe.Preflight;
import carezza.recipe.Recipe;
import carezza.routine.BatchEntry;
import carezza.routine.BatchEntry.State;
import carezza.routine.Routine;
import carezza.testing.Pictures;

/** Batches of small pictures without faces, so that files are what is tested. */
public class RoutineBatchTest {

  private static final Layer LIFTED = RecordValue.with(LayerType.EXPOSURE.fresh(), "stops", 0.5);

  private static final Layer OF_TEETH = LayerType.TEETH.fresh();

  private static final Routine ROUTINE =
      new Routine(
          "Brighter", "", "portrait", LayerStack.of(LIFTED, OF_TEETH), Map.of(), 0.5, false);

  private Path folder;
  private List<Path> photographs;

  @BeforeMethod
  public void photographs() throws Exception {
    folder = Files.createTempDirectory("carezza-batch-test");
    photographs = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      byte[] png =
          PictureWriter.encode(
              Pictures.skin(new Area(0, 0, 60, 40), i),
              new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
              "x.png");
      Path file = folder.resolve("photo" + i + ".png");
      Files.write(file, png);
      photographs.add(file);
    }
  }

  @AfterMethod(alwaysRun = true)
  public void tidy() throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private static Recipe recipe(PictureFormat format) {
    Delivery small =
        new Delivery(30, 90, 8, 0, Delivery.full().colour(), Delivery.full().carried(), false);
    return new Recipe(
        "two",
        List.of(
            new Output(
                "small",
                new NamePattern("{photograph}-{number}"),
                "s",
                format,
                small,
                null,
                0.5,
                false),
            new Output(
                "pair",
                new NamePattern("{photograph}-{output}"),
                "",
                format,
                Delivery.full(),
                new PictureSize(40, 40),
                0,
                true)));
  }

  private List<BatchEntry> run(Path out, int shard, int shards, boolean resumes) {
    RoutineBatch.Settings settings =
        new RoutineBatch.Settings(out, 2, shard, shards, resumes, false, true, 0);
    return new RoutineBatch(ROUTINE, recipe(PictureFormat.PNG), settings)
        .run(photographs, e -> {}, Cancellation.NONE);
  }

  /** What is written, by name, without the projects: they hold ids made up for each. */
  private static Map<String, String> pictures(Path out) throws IOException {
    Map<String, String> found = new TreeMap<>();
    try (Stream<Path> files = Files.walk(out)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".png")).toList()) {
        found.put(out.relativize(file).toString(), Originals.sha256(Files.readAllBytes(file)));
      }
    }
    return found;
  }

  @Test
  public void everyPhotographIsDeliveredOneBrokenOrNot() throws Exception {
    Files.writeString(photographs.get(2), "no picture");
    Path out = folder.resolve("out");
    List<BatchEntry> entries = run(out, 0, 1, false);
    assertThat(entries).extracting(BatchEntry::number).containsExactly(1, 2, 3, 4, 5);
    assertThat(entries)
        .extracting(BatchEntry::state)
        .containsExactly(State.DONE, State.DONE, State.FAILED, State.DONE, State.DONE);
    assertThat(entries.get(2).problem()).startsWith("photo2.png").endsWith(".");
    assertThat(entries.get(0).idle()).containsExactly("teeth");
    assertThat(pictures(out)).hasSize(8).containsKeys("s/photo4-005.png", "photo0-pair.png");
    assertThat(out.resolve("photo1.carezza")).exists();
    assertThat(PictureReader.read(out.resolve("s/photo0-001.png")).size())
        .isEqualTo(new PictureSize(30, 20));
    // Two squares of 40 and a gap between them.
    assertThat(PictureReader.read(out.resolve("photo0-pair.png")).size())
        .isEqualTo(new PictureSize(81, 40));
  }

  @Test
  public void shardsTogetherWriteWhatOneProcessWrites() throws Exception {
    run(folder.resolve("one"), 0, 1, false);
    List<BatchEntry> all = new ArrayList<>();
    for (int shard = 0; shard < 4; shard++) {
      all.addAll(run(folder.resolve("four"), shard, 4, false));
    }
    assertThat(all).hasSize(5).noneMatch(BatchEntry::failed);
    assertThat(pictures(folder.resolve("four"))).isEqualTo(pictures(folder.resolve("one")));
  }

  /**
   * A run that was killed between the files of a photograph goes on with those that are missing.
   */
  @Test
  public void aKilledRunGoesOnWhereItWas() throws Exception {
    Path out = folder.resolve("out");
    run(out, 0, 1, false);
    Map<String, String> whole = pictures(out);
    Path ledger;
    try (Stream<Path> inside = Files.list(out)) {
      ledger =
          inside.filter(f -> f.getFileName().toString().startsWith(".")).findFirst().orElseThrow();
    }
    // As if it had been killed within the second photograph, before the third.
    List<Path> marks;
    try (Stream<Path> inside = Files.list(ledger)) {
      marks = inside.sorted().toList();
    }
    for (Path mark : marks) {
      String name = mark.getFileName().toString();
      if (name.startsWith("0002") && name.endsWith("done") || name.startsWith("0003")) {
        Files.delete(mark);
      }
    }
    Files.delete(out.resolve("photo1-pair.png"));
    Files.delete(out.resolve("s/photo2-003.png"));
    Files.delete(out.resolve("photo2-pair.png"));
    Files.delete(out.resolve("photo2.carezza"));
    Path kept = out.resolve("s/photo1-002.png");
    Object before = Files.getLastModifiedTime(kept);
    List<BatchEntry> entries = run(out, 0, 1, true);
    assertThat(entries)
        .extracting(BatchEntry::state)
        .containsExactly(State.EARLIER, State.DONE, State.DONE, State.EARLIER, State.EARLIER);
    assertThat(pictures(out)).isEqualTo(whole);
    assertThat((Object) Files.getLastModifiedTime(kept)).isEqualTo(before);
  }

  /** Files of another run are nobody's to replace. */
  @Test
  public void whatIsThereAlreadyIsNotReplaced() throws Exception {
    Path out = folder.resolve("out");
    run(out, 0, 1, false);
    Map<String, String> before = pictures(out);
    assertThat(run(out, 0, 1, false)).allMatch(BatchEntry::failed);
    assertThat(pictures(out)).isEqualTo(before);
  }

  /** Folders of several cameras hold files of one name. */
  @Test
  public void photographsOfOneNameAreToldApartByTheirNumbers() throws Exception {
    Path other = Files.createDirectory(folder.resolve("other")).resolve("photo1.png");
    Files.copy(photographs.get(0), other);
    photographs.add(other);
    assertThat(run(folder.resolve("out"), 0, 1, false)).noneMatch(BatchEntry::failed);
    assertThat(pictures(folder.resolve("out")))
        .containsKeys("photo1-002-pair.png", "photo1-006-pair.png", "photo2-pair.png");
  }

  /** A report can be read back, with what was found in it. */
  @Test
  public void anEntryComesBackFromItsText() {
    Gauge open = new Gauge("eyeFocus", "", "eyes", 0.8, 0.9, new Band(1, Double.POSITIVE_INFINITY));
    BatchEntry entry =
        new BatchEntry(
            3,
            "a.png",
            State.DONE,
            "",
            List.of("/x/a.jpg"),
            new Preflight(
                List.of(open), List.of(new Preflight.Remark(Preflight.Check.INK, "press", 331))),
            List.of("teeth"),
            1.5);
    assertThat(BatchFile.read(BatchFile.text(entry))).isEqualTo(entry);
  }

  @Test
  public void aLayerOfARegionIsIdleAndSaid() {
    Layer onLips =
        LIFTED.with(LIFTED.attributes().withMask(new Mask.RegionMask(SemanticRegion.LIPS)));
    Routine routine =
        new Routine("Lips", "", "portrait", LayerStack.of(onLips), Map.of(), 0.5, true);
    RoutineBatch.Settings settings =
        new RoutineBatch.Settings(folder.resolve("o"), 1, 0, 5, false, false, false, 0);
    assertThat(
            new RoutineBatch(routine, recipe(PictureFormat.JPEG), settings)
                .run(photographs, e -> {}, Cancellation.NONE))
        .singleElement()
        .satisfies(e -> assertThat(e.idle()).containsExactly("exposure"));
  }
}
