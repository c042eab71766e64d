package carezza.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import carezza.codec.PictureReader;
import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.mask.RepairCoverage;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;

/**
 * Heals the round blemishes of a portrait and compares with its clean twin, and with what OpenCV
 * makes of them where Debian's {@code python3-opencv} is there.
 */
final class HealQuality {

  private static final List<String> PEERS = List.of("telea", "ns", "clone");
  private static final double LARGEST = 60;

  private final Path folder;
  private final Picture photo;
  private final Picture clean;
  private final List<Patch> spots = new ArrayList<>();
  private final boolean[] inside;
  private final boolean[] edge;

  private HealQuality(Path folder) throws Problem {
    this.folder = folder;
    photo = PictureReader.read(folder.resolve("photo.jpg")).pixels();
    clean = PictureReader.read(folder.resolve("clean.jpg")).pixels();
    Truth truth = Truth.of(folder);
    for (Truth.Spot b : truth.blemishes()) {
      if (b.radius() < LARGEST) {
        spots.add(Patch.spot(b.x(), b.y(), b.radius() * 1.25 + 2));
      }
    }
    Plane blemish = PictureReader.read(folder.resolve("blemish.png")).pixels().first();
    Plane asked = Plane.of(blemish.area());
    spots.forEach(p -> RepairCoverage.apply(p.area(), asked, 1));
    Plane around = Plane.of(blemish.area());
    spots.forEach(
        p -> {
          Plane own = RepairCoverage.grown(p.area(), 2, around.area(), 1);
          Area a = own.area();
          for (int y = a.y(); y < a.bottom(); y++) {
            for (int x = a.x(); x < a.right(); x++) {
              int i = around.index(x, y);
              around.values()[i] = Math.max(around.values()[i], own.at(x, y));
            }
          }
        });
    inside = new boolean[blemish.values().length];
    edge = new boolean[inside.length];
    for (int i = 0; i < inside.length; i++) {
      boolean hair =
          around.values()[i] > 0 && truth.onHair(i % blemish.width(), i / blemish.width());
      inside[i] = !hair && blemish.values()[i] > 0.5f && asked.values()[i] > 0.02f;
      edge[i] = !hair && around.values()[i] > 0.5f && asked.values()[i] < 0.1f;
    }
  }

  /** Rows of the table: ours, and those of the peers that could be asked. */
  static List<String> rows(Path folder) throws IOException, Problem {
    HealQuality q = new HealQuality(folder);
    List<String> rows = new ArrayList<>();
    rows.add(q.row("Carezza", q.healed()));
    Path out = Files.createTempDirectory("carezza-peers");
    if (q.askPeers(out)) {
      for (String peer : PEERS) {
        Path file = out.resolve(peer + ".png");
        rows.add(q.row("OpenCV " + peer, PictureReader.read(file).pixels()));
        Files.delete(file);
      }
    }
    Files.deleteIfExists(out.resolve("spots"));
    Files.delete(out);
    return rows;
  }

  private Picture healed() throws Problem {
    Document started = ProjectFile.start(folder.resolve("photo.jpg"));
    Session session = new Session(started.photograph());
    Project project = session.faces().withFace(started.project(), Cancellation.NONE);
    HealLayer layer = ((HealLayer) LayerType.HEAL.fresh()).withPatches(spots);
    Project with = project.withStack(LayerStack.of(layer));
    return session.renderer().renderOnce(session.scene(with), 0, Cancellation.NONE);
  }

  private boolean askPeers(Path out) throws IOException {
    StringBuilder lines = new StringBuilder();
    for (Patch p : spots) {
      lines.append(
          String.format(
              Locale.ROOT,
              "%f %f %f%n",
              p.area().centre().x(),
              p.area().centre().y(),
              p.area().radius()));
    }
    Path list = out.resolve("spots");
    Files.writeString(list, lines);
    return Peers.ask("peers.py", folder.resolve("photo.jpg"), list, out).isPresent();
  }

  private String row(String who, Picture result) {
    double before = difference(photo);
    double after = difference(result);
    return "| %s | %s | %.2f | %.2f | %.2f | %.2f |"
        .formatted(
            folder.getFileName(),
            who,
            after,
            after / before,
            detail(result, inside) / detail(clean, inside),
            slope(result) / slope(clean));
  }

  /** Mean ΔE00 to the clean twin inside, of what is broader than noise. */
  private double difference(Picture picture) {
    Picture one = Lab.of(picture).map(p -> GaussianBlur.blur(p, 2));
    Picture other = Lab.of(clean).map(p -> GaussianBlur.blur(p, 2));
    double sum = 0;
    int n = 0;
    for (int i = 0; i < inside.length; i++) {
      if (inside[i]) {
        sum += DeltaE2000.at(one, other, i);
        n++;
      }
    }
    return sum / n;
  }

  /** Standard deviation of the texture. */
  private static double detail(Picture picture, boolean[] where) {
    Plane l = Lab.lightness(picture);
    Plane low = GaussianBlur.blur(l, 3);
    double sum = 0;
    double square = 0;
    int n = 0;
    for (int i = 0; i < where.length; i++) {
      if (where[i]) {
        double d = l.values()[i] - low.values()[i];
        sum += d;
        square += d * d;
        n++;
      }
    }
    return Math.sqrt(square / n - sum / n * sum / n);
  }

  /** Mean gradient energy along the borders of the repairs: above the clean twin's it is a seam. */
  private double slope(Picture picture) {
    Plane l = Lab.lightness(picture);
    double sum = 0;
    int n = 0;
    for (int y = 1; y < l.height() - 1; y++) {
      for (int x = 1; x < l.width() - 1; x++) {
        if (edge[l.index(x, y)]) {
          double gx = l.at(x + 1, y) - l.at(x - 1, y);
          double gy = l.at(x, y + 1) - l.at(x, y - 1);
          sum += gx * gx + gy * gy;
          n++;
        }
      }
    }
    return sum / Math.max(1, n);
  }
}
