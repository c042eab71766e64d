package carezza.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javax.imageio.ImageIO;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import carezza.codec.OutputProfile;
import carezza.codec.Photograph;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.colour.Lab;
import carezza.colour.MonotoneCurve.Point;
import carezza.desktop.demo.Demo;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.image.PictureSize;
import carezza.kernel.LayerType;
import carezza.metadata.TiffDirectory;
import carezza.model.CurveLayer;
import carezza.model.ExposureLayer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.render.Pyramid;
import carezza.session.Session;

/** Every verb, as scripts use them. */
@Test(groups = "beside")
public class CommandLineTest {

  private Path folder;
  private Path photo;
  private Path demo;

  /** A quarter of the demo's pixels, and few layers: for what is not about the demo itself. */
  private Path small;

  @BeforeClass(alwaysRun = true)
  public void prepare() throws Exception {
    folder = Files.createTempDirectory("carezza-command-test");
    photo = folder.resolve("sitter.jpg");
    Document apothecary = Demo.apothecary();
    Files.write(photo, apothecary.file());
    demo = folder.resolve("demo.carezza");
    Document understudy = Demo.understudy();
    new Session(understudy.photograph())
        .store()
        .save(understudy, AtomicFile.replacing(demo), Cancellation.NONE);
    small = folder.resolve("small.carezza");
    Document quarter = ProjectFile.start(quarter(understudy), "quarter.png");
    LayerStack few =
        LayerStack.of(
            new ExposureLayer(LayerType.EXPOSURE.fresh().attributes(), 0.5, 0),
            LayerType.SATURATION.fresh(),
            ((CurveLayer) LayerType.CURVE.fresh())
                .withLuminance(List.of(new Point(0, 0), new Point(0.5, 0.35), new Point(1, 1))));
    ProjectFile.save(
        quarter.with(quarter.project().withStack(few), null),
        AtomicFile.replacing(small),
        new byte[0]);
  }

  private static byte[] quarter(Document document) throws Problem {
    return PictureWriter.encode(
        new Pyramid(document.photograph().pixels()).level(1),
        new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
        "quarter.png");
  }

  @AfterClass(alwaysRun = true)
  public void tidy() throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private static CommandRun run(Object... arguments) {
    return CommandRun.of(arguments);
  }

  private static void assertSentence(CommandRun outcome, int code, String... parts) {
    assertThat(outcome.code()).isEqualTo(code);
    assertThat(outcome.err().strip().lines()).hasSize(1);
    assertThat(outcome.err()).contains(parts).doesNotContain("Exception");
  }

  // --- what each verb does

  @Test
  public void newMakesAProjectThatRendersAsThePhotograph() throws Problem {
    Path project = folder.resolve("fresh.carezza");
    assertThat(run("new", photo, "--out", project).code()).isZero();
    Path picture = folder.resolve("fresh.png");
    assertThat(run("render", project, "--out", picture).code()).isZero();
    assertThat(difference(PictureReader.read(picture), PictureReader.read(photo))).isLessThan(0.01);
  }

  private static double difference(Photograph a, Photograph b) {
    Lab.of(a.pixels());
    double sum = 0;
    int n = a.pixels().area().pixels();
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < n; i++) {
        sum += Math.abs(a.pixels().plane(c).values()[i] - b.pixels().plane(c).values()[i]);
      }
    }
    return sum / n;
  }

  @Test
  public void renderFitsTheLongEdgeAndTakesTheFormatOfTheName() throws Problem {
    Path picture = folder.resolve("small.tif");
    CommandRun outcome = run("render", small, "--out", picture, "--long-edge", 500, "--bits", 16);
    assertThat(outcome.code()).isZero();
    Photograph read = PictureReader.read(picture);
    assertThat(read.size()).isEqualTo(new PictureSize(400, 500));
    assertThat(read.bits()).isEqualTo(16);
  }

  @Test
  public void masksWritesEveryRegionAndTheMap() throws Exception {
    Path masks = folder.resolve("masks");
    assertThat(run("masks", photo, "--out", masks).code()).isZero();
    PictureSize size = PictureReader.read(photo).size();
    for (String name :
        new String[] {
          "skin", "lips", "teeth", "sclera", "iris", "brows_lashes", "hair", "subject"
        }) {
      Photograph mask = PictureReader.read(masks.resolve(name + ".png"));
      assertThat(mask.size()).isEqualTo(size);
      double covered = 0;
      for (float v : mask.pixels().first().values()) {
        covered += v / mask.pixels().area().pixels();
      }
      assertThat(covered).as(name).isBetween(0.0002, 0.8);
    }
    assertThat(Files.readString(masks.resolve("face.json")))
        .contains("leftPupil")
        .contains("outerLips");
  }

  @Test
  public void detectProposesWhatHealTakesAsItIs() throws Exception {
    Path spots = folder.resolve("proposed.json");
    assertThat(run("detect", photo, "--json", spots).code()).isZero();
    JsonNode proposed = JsonMapper.shared().readTree(Files.readAllBytes(spots)).get("spots");
    assertThat(proposed.size()).isGreaterThan(6);
    for (JsonNode spot : proposed) {
      assertThat(spot.get("kind").asString()).isIn("temporary", "mark");
      assertThat(spot.get("confidence").asDouble()).isBetween(0.2, 1.0);
      assertThat(spot.get("radius").asDouble()).isPositive();
    }
    Path healed = folder.resolve("proposals-healed.png");
    assertThat(run("heal", photo, "--spots", spots, "--out", healed).code()).isZero();
    assertThat(difference(PictureReader.read(healed), PictureReader.read(photo))).isPositive();
    assertSentence(
        run("detect", photo, "--json", spots, "--sensitivity", 9), 1, "--sensitivity", "0.3 to 3");
  }

  @Test
  public void masksOfAPictureWithoutAFaceSaysHowToGoOn() throws Exception {
    Path grey = folder.resolve("grey.png");
    BufferedImage image = new BufferedImage(300, 200, BufferedImage.TYPE_BYTE_GRAY);
    ImageIO.write(image, "png", grey.toFile());
    assertSentence(run("masks", grey, "--out", folder.resolve("none")), 1, "grey.png", "by hand");
    assertThat(folder.resolve("none")).doesNotExist();
  }

  @Test
  public void renderWritesForPrintAndWithLayers() throws Problem {
    Path print = folder.resolve("print.tif");
    assertThat(
            run("render", small, "--out", print, "--scale-level", 1, "--profile", "coated").code())
        .isZero();
    assertThat(PictureReader.read(print).profile()).contains("coated");
    Path layers = folder.resolve("demo.ora");
    assertThat(run("render", small, "--out", layers, "--scale-level", 2).code()).isZero();
    assertThat(layers).isRegularFile();
    assertSentence(
        run("render", small, "--out", folder.resolve("p.jpg"), "--profile", "coated"),
        1,
        "p.jpg",
        ".tif");
  }

  @Test
  public void aLinkedProjectHoldsNoPhotograph() throws Exception {
    Path linked = folder.resolve("linked.carezza");
    assertThat(run("new", photo, "--out", linked, "--link", "true").code()).isZero();
    assertThat(Files.size(linked)).isLessThan(Files.size(photo) / 2);
    assertThat(ProjectFile.open(linked).source()).isEqualTo(photo.toAbsolutePath());
  }

  @Test
  public void renderThroughAStageStopsThere() throws Problem {
    Path settled = folder.resolve("settled.png");
    Path all = folder.resolve("all.png");
    assertThat(
            run("render", small, "--out", settled, "--through", "settle", "--scale-level", 1)
                .code())
        .isZero();
    assertThat(run("render", small, "--out", all, "--scale-level", 1).code()).isZero();
    Photograph first = PictureReader.read(settled);
    assertThat(first.size()).isEqualTo(new PictureSize(400, 500));
    assertThat(difference(first, PictureReader.read(all))).isGreaterThan(0.005);
  }

  @Test
  public void healChangesTheSpotsAndNothingElse() throws Exception {
    Path spots = folder.resolve("spots.json");
    Files.writeString(spots, "{\"spots\":[{\"x\":700,\"y\":900,\"radius\":18}]}");
    Path healed = folder.resolve("healed.png");
    assertThat(run("heal", photo, "--spots", spots, "--out", healed).code()).isZero();
    Photograph after = PictureReader.read(healed);
    Photograph before = PictureReader.read(photo);
    float step = 0.6f / 255;
    assertThat(after.pixels().first().at(700, 900))
        .isNotEqualTo(before.pixels().first().at(700, 900));
    for (int x = 0; x < 1600; x += 3) {
      if (Math.abs(x - 700) > 20) {
        assertThat(after.pixels().first().at(x, 900))
            .isBetween(
                before.pixels().first().at(x, 900) - step,
                before.pixels().first().at(x, 900) + step);
      }
    }
  }

  @Test
  public void applyOfTheDemosStackIsTheDemosPicture() throws Exception {
    Path stack = folder.resolve("stack.json");
    try (OutputStream out = Files.newOutputStream(stack)) {
      ProjectFile.writeStack(Demo.understudy().project(), out);
    }
    Path understudy = folder.resolve("understudy.jpg");
    Files.write(understudy, Demo.understudy().file());
    Path applied = folder.resolve("applied.png");
    Path rendered = folder.resolve("rendered.png");
    assertThat(
            run("apply", understudy, "--stack", stack, "--out", applied, "--scale-level", 2).code())
        .isZero();
    assertThat(run("render", demo, "--out", rendered, "--scale-level", 2).code()).isZero();
    assertThat(Files.readAllBytes(applied)).isEqualTo(Files.readAllBytes(rendered));
  }

  @Test
  public void measureWritesEveryGaugeAndTheDemoLiesInsideItsBands() throws Exception {
    Path json = folder.resolve("gauges.json");
    assertThat(run("measure", demo, "--json", json).code()).isZero();
    JsonNode gauges = JsonMapper.shared().readTree(Files.readAllBytes(json)).get("gauges");
    assertThat(gauges.size()).isGreaterThan(12);
    for (JsonNode gauge : gauges) {
      assertThat(gauge.get("region").asString()).isNotBlank();
      assertThat(gauge.has("before") && gauge.has("after") && gauge.has("band")).isTrue();
      assertThat(gauge.get("verdict").asString())
          .as(gauge.get("id").asString())
          .isIn("inside", "open");
    }
  }

  @Test
  public void measureAdvisesARadiusAndComparesWithAnotherPicture() throws Exception {
    Path json = folder.resolve("against.json");
    Path soft = folder.resolve("soft.png");
    assertThat(run("render", demo, "--out", soft).code()).isZero();
    assertThat(run("measure", demo, "--against", soft, "--json", json).code()).isZero();
    JsonNode root = JsonMapper.shared().readTree(Files.readAllBytes(json));
    JsonNode radius = root.get("separationRadius");
    assertThat(radius.get("advised").asDouble()).isBetween(7.0, 13.0);
    assertThat(radius.get("curve").size()).isGreaterThan(8);
    for (JsonNode gauge : root.get("gauges")) {
      // Against its own finished picture nothing has changed.
      if (gauge.get("id").asString().equals("formKept")) {
        assertThat(gauge.get("after").asDouble()).isBetween(0.995, 1.005);
      }
    }
  }

  @Test
  public void picturesOfOtherSizesAreNotCompared() throws Exception {
    Path small = folder.resolve("small.png");
    ImageIO.write(new BufferedImage(300, 200, BufferedImage.TYPE_BYTE_GRAY), "png", small.toFile());
    var ran = run("measure", demo, "--against", small, "--json", folder.resolve("no.json"));
    assertThat(ran.code()).isNotZero();
    assertThat(ran.err()).contains("small.png").contains("300 x 200");
  }

  @Test
  public void measureOfAPictureWithoutAFaceSaysNullNotNought() throws Exception {
    Path json = folder.resolve("bare.json");
    Path empty = folder.resolve("empty.png");
    ImageIO.write(new BufferedImage(300, 200, BufferedImage.TYPE_BYTE_GRAY), "png", empty.toFile());
    assertThat(run("measure", empty, "--json", json).code()).isZero();
    JsonNode gauges = JsonMapper.shared().readTree(Files.readAllBytes(json)).get("gauges");
    for (JsonNode gauge : gauges) {
      if (gauge.get("id").asString().equals("textureKept")) {
        assertThat(gauge.get("after").isNull()).isTrue();
      }
    }
  }

  // --- help and errors

  @DataProvider
  public Object[][] verbs() {
    return new Object[][] {
      {"open"},
      {"demo"},
      {"new"},
      {"render"},
      {"heal"},
      {"apply"},
      {"measure"},
      {"masks"},
      {"detect"},
      {"shots"}
    };
  }

  @Test(dataProvider = "verbs")
  public void everyVerbHasHelp(String verb) {
    CommandRun outcome = run(verb, "--help");
    assertThat(outcome.code()).isZero();
    assertThat(outcome.out()).contains("Usage: carezza " + verb);
  }

  @Test
  public void aMissingPhotographIsOneSentence() {
    assertSentence(
        run("new", folder.resolve("gone.jpg"), "--out", folder.resolve("x.carezza")),
        1,
        "gone.jpg");
  }

  @Test
  public void aMissingProjectIsOneSentence() {
    assertSentence(
        run("render", folder.resolve("gone.carezza"), "--out", folder.resolve("x.png")),
        1,
        "gone.carezza");
  }

  @Test
  public void anUnknownFormatIsSaidBeforeAnyWork() {
    assertSentence(run("render", demo, "--out", folder.resolve("x.webp")), 1, "x.webp");
  }

  @Test
  public void anUnknownOptionIsAMisuse() {
    assertSentence(run("render", demo, "--shiny"), 2, "--help");
  }

  @Test
  public void anUnknownVerbIsAMisuse() {
    assertSentence(run("polish"), 2, "polish");
  }

  @Test
  public void qualityOutOfRangeNamesItsRange() {
    assertSentence(
        run("render", demo, "--out", folder.resolve("x.jpg"), "--quality", 140), 1, "140", "100");
  }

  @Test
  public void aStackThatIsNoneIsOneSentence() throws IOException {
    Path stack = folder.resolve("bad.json");
    Files.writeString(stack, "{\"stack\":[{\"kind\":\"teeth\",\"target\":\"white\"}]}");
    assertSentence(
        run("apply", photo, "--stack", stack, "--out", folder.resolve("x.png")), 1, "bad.json");
  }

  @Test
  public void aFolderThatIsNotThereIsOneSentence() {
    assertSentence(
        run("render", small, "--out", folder.resolve("no/where.png"), "--scale-level", 2),
        1,
        "where.png",
        "folder");
  }

  @Test
  public void planSaysWhatThereIsToDoAndDraftsIt() throws Exception {
    Path json = folder.resolve("plan.json");
    Path draft = folder.resolve("draft.carezza");
    CommandRun outcome =
        run(
            "plan",
            photo,
            "--job",
            "headshot",
            "--budget",
            2,
            "--json",
            json,
            "--draft",
            "--out",
            draft);
    assertThat(outcome.err()).isEmpty();
    assertThat(outcome.code()).isZero();
    JsonNode plan = JsonMapper.shared().readTree(Files.readAllBytes(json));
    assertThat(plan.get("job").asString()).isEqualTo("headshot");
    assertThat(plan.get("budget").asDouble()).isEqualTo(2);
    assertThat(plan.get("proposedMinutes").asDouble()).isLessThanOrEqualTo(2);
    assertThat(plan.get("findings")).isNotEmpty();
    for (JsonNode finding : plan.get("findings")) {
      assertThat(finding.get("state").asString()).isEqualTo("open");
      assertThat(finding.get("key").asString()).startsWith(finding.get("kind").asString());
    }
    Project drafted = ProjectFile.openOrStart(draft).project();
    assertThat(drafted.brief().job()).isEqualTo("headshot");
    assertThat(drafted.stack().layers()).isNotEmpty();
  }

  @Test
  public void aJobThatIsNoneIsOneSentence() {
    assertSentence(run("measure", small, "--json", "-", "--job", "wedding"), 2, "event", "wedding");
  }

  @Test
  public void aPlanThatWouldWriteNothingIsOneSentence() {
    assertSentence(run("plan", small), 2, "--json", "--draft");
    assertSentence(run("plan", small, "--json", "-", "--draft"), 2, "--out");
    assertSentence(run("plan", small, "--json", "-", "--budget", -1), 1, "--budget");
  }

  @Test
  public void applyFindsTheFaceThatAStackNeeds() throws Exception {
    Path stack =
        Files.writeString(folder.resolve("teeth.json"), "{\"stack\":[{\"kind\":\"teeth\"}]}");
    Path out = folder.resolve("teeth.png");
    CommandRun outcome = run("apply", photo, "--stack", stack, "--out", out, "--scale-level", 2);
    assertThat(outcome.code()).isZero();
    assertThat(outcome.err()).isEmpty();
    Path plain = folder.resolve("plain.png");
    Path none = Files.writeString(folder.resolve("none.json"), "{\"stack\":[]}");
    run("apply", photo, "--stack", none, "--out", plain, "--scale-level", 2);
    assertThat(Files.readAllBytes(out)).isNotEqualTo(Files.readAllBytes(plain));
  }

  // --- nothing that is there is harmed

  private record Kept(Path file, byte[] bytes) {
    void assertSame() throws IOException {
      assertThat(Files.readAllBytes(file)).as(file.toString()).isEqualTo(bytes);
    }
  }

  private Kept kept(Path file) throws IOException {
    return new Kept(file, Files.readAllBytes(file));
  }

  @Test
  public void noCommandWritesOverItsOwnInputsEvenByForce() throws Exception {
    Path stack = Files.writeString(folder.resolve("kept.json"), "{\"stack\":[]}");
    Path spots = Files.writeString(folder.resolve("spots-kept.json"), "{\"spots\":[]}");
    Kept[] all = {kept(photo), kept(demo), kept(stack), kept(spots)};
    Path link = Files.createSymbolicLink(folder.resolve("link.jpg"), photo);
    assertSentence(
        run("apply", photo, "--stack", stack, "--out", photo, "--force"), 1, "never written to");
    assertSentence(
        run("heal", photo, "--spots", spots, "--out", photo, "--force"), 1, "never written to");
    assertSentence(
        run("apply", photo, "--stack", stack, "--out", link, "--force"), 1, "never written to");
    assertSentence(
        run("measure", photo, "--stack", stack, "--json", stack, "--force"), 1, "never written to");
    assertSentence(run("measure", demo, "--json", demo, "--force"), 1, "never written to");
    assertSentence(run("detect", photo, "--json", photo, "--force"), 1, "never written to");
    assertSentence(run("new", photo, "--out", photo, "--force"), 1, ".carezza");
    assertSentence(run("render", demo, "--out", photo, "--force"), 1, "never written to");
    for (Kept k : all) {
      k.assertSame();
    }
    Files.delete(link);
  }

  @Test
  public void whatIsThereIsReplacedByForceOnly() throws Exception {
    Path picture = Files.writeString(folder.resolve("there.png"), "somebody's");
    assertSentence(run("render", small, "--out", picture, "--scale-level", 2), 1, "--force");
    assertThat(Files.readString(picture)).isEqualTo("somebody's");
    assertThat(run("render", small, "--out", picture, "--scale-level", 2, "--force").code())
        .isZero();
    assertThat(Files.size(picture)).isGreaterThan(100);
    Path project = Files.writeString(folder.resolve("there.carezza"), "somebody's");
    assertSentence(run("new", photo, "--out", project), 1, "--force");
    assertThat(Files.readString(project)).isEqualTo("somebody's");
  }

  @Test
  public void aRootAndAFolderAreNoFiles() {
    for (String verb : new String[] {"open", "measure", "detect", "new", "render"}) {
      List<Object> words = new ArrayList<>(List.of(verb, "/"));
      switch (verb) {
        case "measure", "detect" -> words.addAll(List.of("--json", "-"));
        case "new" -> words.addAll(List.of("--out", folder.resolve("root.carezza")));
        case "render" -> words.addAll(List.of("--out", folder.resolve("root.png")));
        default -> {
          // Nothing more to say.
        }
      }
      assertSentence(run(words.toArray()), 1, "folder");
    }
  }

  @Test
  public void wrongValuesAreAnsweredByTheRightOnes() {
    Path out = folder.resolve("never.png");
    assertSentence(
        run("render", small, "--out", out, "--notes", "some"), 2, "nothing, without-place or all");
    assertSentence(
        run("render", small, "--out", out, "--profile", "paper"), 2, "srgb, wide, coated");
    assertSentence(
        run("render", small, "--out", out, "--intent", "best"), 2, "COLORIMETRIC", "PERCEPTUAL");
    assertSentence(run("render", small, "--out", out, "--profile", photo), 2, "no colour profile");
  }

  @Test
  public void aPrintersOwnProfileIsWritten() throws Exception {
    Path first = folder.resolve("own.tif");
    assertThat(
            run("render", small, "--out", first, "--profile", "coated", "--scale-level", 2).code())
        .isZero();
    Path icc = folder.resolve("own.icc");
    Files.write(icc, TiffDirectory.read(Files.readAllBytes(first)).bytes(34675));
    Path second = folder.resolve("own2.tif");
    assertThat(run("render", small, "--out", second, "--profile", icc, "--scale-level", 2).code())
        .isZero();
    // The same press by another way through its tables: the prints look alike.
    assertThat(difference(PictureReader.read(first), PictureReader.read(second))).isLessThan(0.06);
    assertSentence(
        run("render", small, "--out", folder.resolve("own.jpg"), "--profile", icc), 1, ".tif");
  }
}
