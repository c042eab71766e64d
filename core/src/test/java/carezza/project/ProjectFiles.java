package carezza.project;

import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.node.ObjectNode;

import carezza.file.AtomicFile;
import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stroke;
import carezza.problem.Problem;
import carezza.testing.Portrait;

/** A project with a layer of every kind, in a folder of its own, and ways into its file. */
abstract class ProjectFiles {
  static final byte[] PREVIEW = {1, 2, 3};

  Path folder;
  Document document;

  @BeforeClass
  public void start() throws Exception {
    folder = Files.createTempDirectory("carezza-project-test");
    Files.write(folder.resolve("sitter.jpg"), Portrait.S06.bytes("photo.jpg"));
    Document fresh = ProjectFile.start(folder.resolve("sitter.jpg"));
    document = fresh.with(worked(fresh.project()), null);
  }

  @AfterClass
  public void tidy() throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  /** One layer of every kind, with every kind of mask somewhere. */
  private static Project worked(Project fresh) {
    List<Layer> layers = new ArrayList<>();
    for (LayerType kind : LayerType.values()) {
      layers.add(kind.fresh());
    }
    LayerStack stack = new LayerStack(layers);
    Stroke stroke =
        Stroke.path(List.of(new Point(600, 700), new Point(700, 800)), 40, 0.8, 0.5, false);
    Mask painted = new Mask.RegionMask(SemanticRegion.FACE_SKIN).painted(stroke);
    Mask deep =
        new Mask.Or(
            new Mask.And(
                new Mask.Feather(new Mask.Ellipse(500, 500, 90, 60, 10, 0.4), 12),
                new Mask.Range(Mask.Quantity.LIGHTNESS, 10, 20, 60, 80)),
            new Mask.Minus(
                new Mask.Invert(
                    new Mask.And(
                        new Mask.RegionMask(SemanticRegion.TEETH, new Point(640, 820.5)),
                        new Mask.Gradient(new Point(0, 0), new Point(0, 900)))),
                new Mask.Opacity(
                    new Mask.Refine(
                        new Mask.Polygon(
                            List.of(new Point(1, 1), new Point(90, 1), new Point(50, 80)), 3),
                        9),
                    0.5)));
    String sculpt = layers.get(LayerType.DODGE_BURN.ordinal()).attributes().id();
    String curve = layers.get(LayerType.CURVE.ordinal()).attributes().id();
    return fresh
        .withFaces(Portrait.S06.faces())
        .withStack(stack)
        .edit(sculpt, l -> ((DodgeBurnLayer) l).withMasks(painted, deep))
        .edit(curve, l -> l.with(l.attributes().withMask(deep).withAmount(0.4).named("Mood")));
  }

  Path saved(String name) throws Problem {
    Path file = folder.resolve(name);
    ProjectFile.save(document, AtomicFile.replacing(file), PREVIEW);
    return file;
  }

  static Map<String, byte[]> entries(Path file) throws IOException {
    Map<String, byte[]> entries = new TreeMap<>();
    try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(file))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        entries.put(e.getName(), zip.readAllBytes());
      }
    }
    return entries;
  }

  Path packed(String name, Map<String, byte[]> entries) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (Map.Entry<String, byte[]> e : entries.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
      }
    }
    return Files.write(folder.resolve(name), bytes.toByteArray());
  }

  Path withJson(String name, UnaryOperator<String> change) throws Exception {
    Map<String, byte[]> entries = entries(saved("whole.carezza"));
    String json = new String(entries.get("project.json"), StandardCharsets.UTF_8);
    entries.put("project.json", change.apply(json).getBytes(StandardCharsets.UTF_8));
    return packed(name, entries);
  }

  static Problem problem(Path file) {
    return catchThrowableOfType(Problem.class, () -> ProjectFile.open(file));
  }

  // --- round trip

  static ObjectNode json(Path file) throws IOException {
    return ModelJson.parse(entries(file).get("project.json"));
  }

  Path savedAgain(Path file) throws Problem {
    Path again = folder.resolve("again.carezza");
    ProjectFile.save(ProjectFile.open(file), AtomicFile.replacing(again), PREVIEW);
    return again;
  }
}
