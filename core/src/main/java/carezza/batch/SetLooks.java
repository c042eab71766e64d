package carezza.batch;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

import carezza.colour.Lab;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.file.Reason;
import carezza.image.Cancellation;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;
import carezza.set.Figures;
import carezza.set.Member;

/**
 * How finished pictures look and what they measure, kept on disk by the state of their files, so
 * that a set that was seen before is shown at once.
 */
public final class SetLooks {

  /** Long edge of a small picture. */
  public static final int THUMBNAIL = 360;

  private static final int FACE = 200;

  /** Part of a face that is set beside others, in widths of it: eyes and nose. */
  private static final double FACE_WIDE = 0.95;

  private static final double FACE_HIGH = 0.62;

  /** Changes when looks are made otherwise. */
  private static final String VERSION = "1";

  private final Path kept;

  /**
   * @param kept folder that looks are kept in; made when it is needed
   */
  public SetLooks(Path kept) {
    this.kept = kept;
  }

  /**
   * @param thumbnail JPEG of the finished picture
   * @param face JPEG of eyes and nose, all of one size; empty where no face is
   */
  public record Look(byte[] thumbnail, byte[] face, Figures figures) {}

  /** The look of a member as its files are now, if it was made before. */
  public Optional<Look> known(SetFolder folder, Member member) {
    try {
      return Optional.of(read(Files.readAllBytes(file(folder, member))));
    } catch (IOException | IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  /**
   * The look of a member as its files are now, made where it was not.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Look at(SetFolder folder, Member member, Cancellation cancellation) throws Problem {
    cancellation.check();
    Optional<Look> known = known(folder, member);
    return known.isPresent() ? known.get() : made(folder, member, cancellation);
  }

  /**
   * A small picture before anything is measured: the project's own preview, or the photograph as it
   * is.
   *
   * @return JPEG
   */
  public byte[] glimpse(SetFolder folder, Member member) throws Problem {
    Path file = folder.path(member.file());
    if (ProjectFile.isProject(file)) {
      byte[] preview = ProjectFile.glance(file).preview();
      if (preview.length > 0) {
        return preview;
      }
    }
    Document document = ProjectFile.openOrStart(file);
    return new Session(document.photograph()).store().asShot(document.project(), THUMBNAIL);
  }

  /**
   * Makes the look of a member and keeps it.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Look made(SetFolder folder, Member member, Cancellation cancellation) throws Problem {
    Document document = ProjectFile.openOrStart(folder.path(member.file()));
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), cancellation);
    Figures figures = session.readings().figures(project, cancellation);
    byte[] thumbnail = session.store().finished(project, THUMBNAIL, cancellation);
    byte[] face =
        project.faces() == null
            ? new byte[0]
            : session
                .store()
                .finished(project.withCrop(about(project.faces())), FACE, cancellation);
    Look look = new Look(thumbnail, face, figures);
    try {
      Files.createDirectories(kept);
      byte[] bytes = bytes(look);
      AtomicFile.replacing(file(folder, member)).write(out -> out.write(bytes));
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, kept, Reason.of(e));
    }
    return look;
  }

  /** Upright, whatever way the head is held. */
  private static Crop about(FaceMap face) {
    double x = (face.leftPupil().x() + face.rightPupil().x()) / 2;
    double y = (face.leftPupil().y() + face.rightPupil().y()) / 2;
    double roll =
        Math.toDegrees(
            Math.atan2(
                face.rightPupil().y() - face.leftPupil().y(),
                face.rightPupil().x() - face.leftPupil().x()));
    double wide = face.faceWidth();
    double down = 0.12 * wide;
    double t = Math.toRadians(roll);
    return new Crop(
        x - down * Math.sin(t),
        y + down * Math.cos(t),
        Math.max(16, FACE_WIDE * wide),
        Math.max(16, FACE_HIGH * wide),
        Math.clamp(roll, -45, 45));
  }

  private Path file(SetFolder folder, Member member) throws IOException {
    StringBuilder state = new StringBuilder(VERSION);
    for (String name : new String[] {member.photograph(), member.file()}) {
      Path file = folder.path(name);
      state
          .append('\n')
          .append(file)
          .append(' ')
          .append(Files.size(file))
          .append(' ')
          .append(Files.getLastModifiedTime(file).toMillis());
    }
    String key = Originals.sha256(state.toString().getBytes(StandardCharsets.UTF_8));
    return kept.resolve(key.substring(0, 24) + ".look");
  }

  // --- as bytes

  private static byte[] bytes(Look look) throws IOException {
    Figures f = look.figures();
    Properties numbers = new Properties();
    Lab skin = f.skin();
    if (skin != null) {
      numbers.setProperty("l", Double.toString(skin.l()));
      numbers.setProperty("a", Double.toString(skin.a()));
      numbers.setProperty("b", Double.toString(skin.b()));
    }
    numbers.setProperty("stops", Double.toString(f.stops()));
    numbers.setProperty("contrast", Double.toString(f.contrast()));
    numbers.setProperty("castA", Double.toString(f.castA()));
    numbers.setProperty("castB", Double.toString(f.castB()));
    numbers.setProperty("layers", Integer.toString(f.layers()));
    ByteArrayOutputStream text = new ByteArrayOutputStream();
    numbers.store(text, null);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      put(zip, "figures", text.toByteArray());
      put(zip, "thumbnail.jpg", look.thumbnail());
      put(zip, "face.jpg", look.face());
    }
    return out.toByteArray();
  }

  private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(bytes);
    zip.closeEntry();
  }

  private static Look read(byte[] bytes) throws IOException {
    Map<String, byte[]> entries = new HashMap<>();
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        entries.put(e.getName(), zip.readAllBytes());
      }
    }
    byte[] figures = entries.get("figures");
    byte[] thumbnail = entries.get("thumbnail.jpg");
    byte[] face = entries.get("face.jpg");
    if (figures == null || thumbnail == null || face == null) {
      throw new IllegalArgumentException("no look of a picture");
    }
    Properties numbers = new Properties();
    numbers.load(new StringReader(new String(figures, StandardCharsets.ISO_8859_1)));
    Lab skin =
        numbers.containsKey("l")
            ? new Lab(number(numbers, "l"), number(numbers, "a"), number(numbers, "b"))
            : null;
    return new Look(
        thumbnail,
        face,
        new Figures(
            skin,
            number(numbers, "stops"),
            number(numbers, "contrast"),
            number(numbers, "castA"),
            number(numbers, "castB"),
            (int) number(numbers, "layers")));
  }

  private static double number(Properties numbers, String name) {
    return Double.parseDouble(numbers.getProperty(name, "0"));
  }
}
