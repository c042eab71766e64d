package carezza.project;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.Photograph;
import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.image.Picture;
import carezza.model.FaceMap;
import carezza.model.LayerStack;
import carezza.model.PhotoReference;
import carezza.model.Project;
import carezza.model.Stroke;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.record.WorkRecord;

/**
 * The {@code .carezza} file: a ZIP with {@code project.json}, {@code strokes.bin}, {@code
 * preview.jpg}, where there was work {@code record.json} and, if embedded, the photograph under
 * {@code photograph/}. See docs/format.md.
 */
public final class ProjectFile {

  public static final String ENDING = ".carezza";

  private static final String PROJECT = "project.json";
  private static final String STROKES = "strokes.bin";
  private static final String RECORD = "record.json";
  private static final String PREVIEW = "preview.jpg";
  private static final String PHOTOGRAPH = "photograph/";

  /**
   * Most bytes of JSON or strokes that are unpacked: thousands of times what a long retouch needs.
   */
  static final int LARGEST_TEXT = 1 << 28;

  /** Most bytes of a photograph that are unpacked: more than any that fits in memory. */
  private static final int LARGEST_PHOTOGRAPH = 1 << 30;

  private static final int LARGEST_PREVIEW = 1 << 24;

  /** Most bytes of entries without a purpose that are read over. */
  private static final long MOST_JUNK = 1L << 28;

  private static final Map<String, Integer> WHOLE =
      Map.of(
          PROJECT,
          LARGEST_TEXT,
          STROKES,
          LARGEST_TEXT,
          RECORD,
          LARGEST_TEXT,
          PHOTOGRAPH,
          LARGEST_PHOTOGRAPH,
          OverlayContents.FOLDER,
          LARGEST_PHOTOGRAPH);

  /** Bytes of a photograph's file up to which it is embedded unless said otherwise. */
  static final int LARGEST_EMBEDDED = 1 << 24;

  private ProjectFile() {}

  /**
   * A new project on a photograph, nothing done yet. A small file will be embedded when it is
   * saved, a large one linked, so that saving takes no longer for it.
   */
  public static Document start(Path photograph) throws Problem {
    return start(photograph, null);
  }

  private static Document start(Path photograph, @Nullable Consumer<Picture> sight) throws Problem {
    byte[] bytes = PictureReader.bytes(photograph);
    Originals.protect(photograph);
    Path place = photograph.toAbsolutePath().normalize();
    Document started = start(bytes, PictureReader.name(photograph), sight).readFrom(place);
    return bytes.length <= LARGEST_EMBEDDED ? started : started.linkedTo(place);
  }

  /** As above, from the bytes of the photograph's file. */
  public static Document start(byte[] bytes, String name) throws Problem {
    return start(bytes, name, null);
  }

  private static Document start(byte[] bytes, String name, @Nullable Consumer<Picture> sight)
      throws Problem {
    Photograph photo = PictureReader.decode(bytes, name, sight);
    int dot = name.lastIndexOf('.');
    PhotoReference reference =
        new PhotoReference(
            name, Originals.sha256(bytes), true, photo.size().width(), photo.size().height());
    Project project = Project.begun(dot > 0 ? name.substring(0, dot) : name, reference);
    return new Document(project, photo, bytes, null, null, null, WorkRecord.of(reference.sha256()));
  }

  /**
   * Writes the project whole or not at all.
   *
   * @param preview a small JPEG of the picture as it stands
   */
  public static void save(Document document, AtomicFile file, byte[] preview) throws Problem {
    List<Stroke> strokes = new ArrayList<>();
    Project linked = linkedFrom(document, file.path());
    byte[] json = ModelJson.text(ModelJson.write(linked, strokes));
    byte[] packed = StrokesFile.write(strokes);
    file.ownerOnly()
        .write(
            out -> {
              ZipOutputStream zip = new ZipOutputStream(out);
              zip.setLevel(6);
              put(zip, PROJECT, json);
              put(zip, STROKES, packed);
              if (!document.work().isEmpty()) {
                put(zip, RECORD, RecordJson.text(document.work()));
              }
              store(zip, PREVIEW, preview);
              PhotoReference photo = document.project().photograph();
              if (photo.embedded()) {
                store(zip, PHOTOGRAPH + Path.of(photo.name()).getFileName(), document.file());
              }
              for (Map.Entry<String, byte[]> laid :
                  OverlayContents.of(document.project()).entrySet()) {
                store(zip, laid.getKey(), laid.getValue());
              }
              zip.finish();
            });
  }

  /** The project with the way from its file to a linked photograph. */
  private static Project linkedFrom(Document document, Path file) {
    PhotoReference photo = document.project().photograph();
    Path folder = file.toAbsolutePath().normalize().getParent();
    if (document.source() == null || folder == null) {
      return document.project();
    }
    String way = folder.relativize(document.source()).toString().replace('\\', '/');
    return document
        .project()
        .withPhotograph(
            new PhotoReference(way, photo.sha256(), false, photo.width(), photo.height()));
  }

  private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(bytes);
    zip.closeEntry();
  }

  /** Without another compression: pictures have their own, and saving stays fast. */
  private static void store(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    ZipEntry entry = new ZipEntry(name);
    CRC32 crc = new CRC32();
    crc.update(bytes);
    entry.setMethod(ZipEntry.STORED);
    entry.setSize(bytes.length);
    entry.setCrc(crc.getValue());
    zip.putNextEntry(entry);
    zip.write(bytes);
    zip.closeEntry();
  }

  /** Whether a file is a project by its name. */
  public static boolean isProject(Path file) {
    return PictureReader.name(file).endsWith(ENDING);
  }

  /** Opens a project, or starts one on a photograph, by the file's name. */
  public static Document openOrStart(Path file) throws Problem {
    return openOrStart(file, null);
  }

  /**
   * As above.
   *
   * @param sight sees a large photograph small, as it came, before all is read; null where nobody
   *     waits
   */
  public static Document openOrStart(Path file, @Nullable Consumer<Picture> sight) throws Problem {
    return isProject(file) ? open(file, sight) : start(file, sight);
  }

  /**
   * @throws Problem if the file is missing, damaged, of a newer version, or its photograph is
   *     missing or another one
   */
  public static Document open(Path file) throws Problem {
    return open(file, null);
  }

  private static Document open(Path file, @Nullable Consumer<Picture> sight) throws Problem {
    String name = PictureReader.name(file);
    Document document = read(PictureReader.bytes(file), name, file, sight);
    return document.with(document.project(), file);
  }

  /** As above, from bytes; a linked photograph is then looked for in the working folder. */
  public static Document open(byte[] bytes, String name) throws Problem {
    return read(bytes, name, Path.of(name), null);
  }

  private static Document read(
      byte[] bytes, String name, Path file, @Nullable Consumer<Picture> sight) throws Problem {
    Map<String, byte[]> entries = unzip(bytes, name, WHOLE);
    byte[] json = entries.get(PROJECT);
    if (json == null) {
      throw new Problem(Kind.PROJECT_DAMAGED, name, "it holds no " + PROJECT);
    }
    Project project;
    WorkRecord work;
    try {
      ObjectNode node = ModelJson.parse(json);
      int version = node.path("version").asInt(0);
      if (version > ModelJson.VERSION) {
        throw new Problem(Kind.PROJECT_NEWER, name, version, ModelJson.VERSION);
      }
      if (version < 1) {
        throw new IllegalArgumentException("it does not say its version");
      }
      byte[] strokes = entries.get(STROKES);
      project =
          OverlayContents.put(
              ModelJson.readProject(node, strokes == null ? List.of() : StrokesFile.read(strokes)),
              entries);
      byte[] record = entries.get(RECORD);
      work =
          record == null ? WorkRecord.of(project.photograph().sha256()) : RecordJson.read(record);
    } catch (IllegalArgumentException | IOException e) {
      String reason = e instanceof IOException ? "its strokes are cut short" : e.getMessage();
      throw new Problem(e, Kind.PROJECT_DAMAGED, name, reason);
    }
    byte[] photo = photograph(project.photograph(), entries, file, name);
    PhotoReference reference = project.photograph();
    String shown = Path.of(reference.name()).getFileName().toString();
    Document opened =
        new Document(
            project, PictureReader.decode(photo, shown, sight), photo, null, null, null, work);
    return reference.embedded()
        ? opened
        : opened.linkedTo(file.toAbsolutePath().resolveSibling(reference.name()).normalize());
  }

  private static byte[] photograph(
      PhotoReference reference, Map<String, byte[]> entries, Path file, String name)
      throws Problem {
    byte[] bytes;
    if (reference.embedded()) {
      bytes = entries.get(PHOTOGRAPH + Path.of(reference.name()).getFileName());
      if (bytes == null) {
        throw new Problem(Kind.PROJECT_DAMAGED, name, "its photograph is not inside");
      }
    } else {
      Path beside = file.toAbsolutePath().resolveSibling(reference.name());
      if (!Files.isRegularFile(beside)) {
        throw new Problem(Kind.PHOTOGRAPH_MISSING, name, reference.name());
      }
      bytes = PictureReader.bytes(beside);
      Originals.protect(beside);
    }
    if (!Originals.sha256(bytes).equals(reference.sha256())) {
      throw reference.embedded()
          ? new Problem(Kind.PROJECT_DAMAGED, name, "its photograph has changed inside")
          : new Problem(Kind.PHOTOGRAPH_CHANGED, name, reference.name());
    }
    Originals.protect(bytes.length, reference.sha256());
    return bytes;
  }

  /**
   * What a project shows before it is opened.
   *
   * @param preview a small JPEG; empty if there is none
   * @param unknown fields of the recipe that the format does not name
   */
  public record Glance(String title, byte[] preview, Map<String, Object> unknown) {}

  /**
   * Looks at a project's title and preview without its photograph.
   *
   * @throws Problem if the file is missing or damaged
   */
  public static Glance glance(Path file) throws Problem {
    String name = PictureReader.name(file);
    Map<String, byte[]> entries =
        unzip(
            PictureReader.bytes(file),
            name,
            Map.of(PROJECT, LARGEST_TEXT, PREVIEW, LARGEST_PREVIEW));
    if (!entries.containsKey(PROJECT)) {
      throw new Problem(Kind.PROJECT_DAMAGED, name, "it holds no " + PROJECT);
    }
    try {
      ObjectNode node = ModelJson.parse(entries.get(PROJECT));
      return new Glance(
          node.path("title").asString("Untitled"),
          entries.getOrDefault(PREVIEW, new byte[0]),
          ModelJson.unknownFields(node));
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.PROJECT_DAMAGED, name, e.getMessage());
    }
  }

  /**
   * Unpacks the entries that are wanted, each up to its limit; what else there is is passed over
   * unread.
   *
   * @param wanted limits by name; one that ends in / stands for entries below it, of the photograph
   *     for one
   */
  private static Map<String, byte[]> unzip(byte[] bytes, String name, Map<String, Integer> wanted)
      throws Problem {
    Map<String, byte[]> entries = new HashMap<>();
    long junk = 0;
    // Entries are only ever looked up by name in memory, so no name can point outside a folder.
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        String entry = e.getName();
        String purpose =
            entry.startsWith(PHOTOGRAPH)
                ? PHOTOGRAPH
                : entry.startsWith(OverlayContents.FOLDER) ? OverlayContents.FOLDER : entry;
        Integer most = wanted.get(purpose);
        if (most == null) {
          junk += skipped(zip, MOST_JUNK - junk);
          if (junk >= MOST_JUNK) {
            throw new Problem(Kind.PROJECT_DAMAGED, name, entry + " is more than a project holds");
          }
          continue;
        }
        boolean known =
            purpose.equals(PHOTOGRAPH)
                && entries.keySet().stream().anyMatch(k -> k.startsWith(PHOTOGRAPH));
        byte[] content = known || e.getSize() > most ? null : zip.readNBytes(most);
        if (content == null || zip.read() >= 0 || entries.put(entry, content) != null) {
          throw new Problem(Kind.PROJECT_DAMAGED, name, entry + " is too large or there twice");
        }
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new Problem(e, Kind.PROJECT_DAMAGED, name, "the file is cut short or changed");
    } catch (OutOfMemoryError e) {
      throw new Problem(e, Kind.PICTURE_TOO_DEMANDING, name);
    }
    if (entries.isEmpty()) {
      throw new Problem(Kind.PROJECT_DAMAGED, name, "it is no project file at all");
    }
    return entries;
  }

  /** Reads over an entry that nobody asked for; how long it is, or the most that is looked at. */
  private static long skipped(ZipInputStream zip, long most) throws IOException {
    byte[] buffer = new byte[1 << 16];
    long sum = 0;
    for (int n = zip.read(buffer); n >= 0 && sum < most; n = zip.read(buffer)) {
      sum += n;
    }
    return sum;
  }

  /** A stack and, if given, a face map, as {@code project.json} holds them. */
  public record StackFile(LayerStack stack, @Nullable FaceMap faces) {}

  /** Reads a JSON file with the fields {@code stack} and, if wanted, {@code faceMap}. */
  public static StackFile readStack(Path file) throws Problem {
    return readStack(PictureReader.bytes(file), PictureReader.name(file));
  }

  /** As above, from bytes. */
  public static StackFile readStack(byte[] json, String name) throws Problem {
    try {
      ObjectNode node = ModelJson.parse(json);
      return new StackFile(
          OverlayContents.read(LayerJson.readStack(node, List.of()), node),
          ModelJson.readFaceMap(node));
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.STACK_INVALID, name, e.getMessage());
    }
  }

  /**
   * Writes the stack and face map of a project with its strokes and overlays in full, for {@link
   * #readStack}.
   */
  public static void writeStack(Project project, OutputStream out) throws IOException {
    ObjectNode node = ModelJson.write(project, null);
    node.retain("stack", "faceMap");
    OverlayContents.write(project.stack(), node);
    out.write(ModelJson.text(node));
  }

  /** Writes the face map of a project. */
  public static void writeFaces(Project project, OutputStream out) throws IOException {
    ObjectNode node = ModelJson.write(project, null);
    node.retain("faceMap");
    out.write(ModelJson.text(node));
  }
}
