package carezza.session;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import carezza.codec.FileNotes;
import carezza.codec.FileNotes.Carried;
import carezza.codec.LayeredWriter;
import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.Photograph;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.codec.SafeFile;
import carezza.face.FaceAnalysis;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.measure.Blemish;
import carezza.measure.BlemishFinder;
import carezza.measure.Examination;
import carezza.measure.Gauge;
import carezza.measure.JobLevel;
import carezza.model.FaceMap;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.model.Region;
import carezza.model.Stage;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.project.Retouch;
import carezza.render.Pyramid;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.render.Scene;
import carezza.render.TileCache;

/**
 * One photograph being retouched. Holds what is worth keeping between edits, renderer and regions; the
 * project itself comes with each call. Safe for many threads.
 */
public final class Session {

  private static final int PREVIEW_LONG_EDGE = 512;
  private static final int PREVIEW_QUALITY = 85;

  private final Renderer renderer;
  private final FileNotes notes;
  private FaceMap regionsOf;
  private Regions regions = Regions.none();
  private Plane subject;

  /** The finished picture as it was measured last; kept for the preview of a save. */
  private volatile Picture measured;

  public Session(Photograph photograph) {
    renderer = new Renderer(new Pyramid(photograph.pixels()), TileCache.forThisMachine());
    notes = photograph.notes();
  }

  public Renderer renderer() {
    return renderer;
  }

  public PictureSize size() {
    return renderer.size();
  }

  /** The whole stack over the regions of the project's face map; finds these when it is new. */
  public Scene scene(Project project) {
    return new Scene(project.stack(), regions(project.faces()));
  }

  private synchronized Regions regions(FaceMap faces) {
    if (faces == null) {
      return Regions.none();
    }
    if (!faces.equals(regionsOf)) {
      regions =
          Regions.find(renderer.photograph().level(Regions.level(faces)), faces, subject());
      regionsOf = faces;
    }
    return regions;
  }

  private synchronized Plane subject() {
    if (subject == null) {
      subject =
          FaceAnalysis.shared()
              .subject(renderer.photograph().level(FaceAnalysis.level(size())));
    }
    return subject;
  }

  /**
   * Faces as the networks find them on what the Settle stage makes of the photograph, so that a dark or
   * green one works, too; the largest first, none if there is none.
   */
  public List<FaceMap> findFaces(Project project, Cancellation cancellation) {
    int level = FaceAnalysis.level(size());
    LayerStack settled = project.stack().lowest(project.stack().through(Stage.SETTLE));
    Picture picture =
        renderer.render(
            new Scene(settled, Regions.none()),
            size().atLevel(level).area(),
            level,
            Readiness.EXACT,
            cancellation);
    return FaceAnalysis.shared().faces(picture, level);
  }

  /** The project with the map of its largest face, if it had none and there is one. */
  public Project withFace(Project project, Cancellation cancellation) {
    if (project.faces() != null) {
      return project;
    }
    List<FaceMap> found = findFaces(project, cancellation);
    return found.isEmpty() ? project : project.withFaces(found.getFirst());
  }

  /**
   * Proposals on what the Settle stage makes of the photograph; none without a face map.
   *
   * @param sensitivity 1 as usual, more for fainter ones
   */
  public List<Blemish> blemishes(
      Project project, double sensitivity, Cancellation cancellation) {
    if (project.faces() == null) {
      return List.of();
    }
    int level = BlemishFinder.level(project.faces());
    LayerStack settled = project.stack().lowest(project.stack().through(Stage.SETTLE));
    Scene scene = new Scene(settled, regions(project.faces()));
    Picture picture =
        renderer.render(
            scene, size().atLevel(level).area(), level, Readiness.EXACT, cancellation);
    return BlemishFinder.find(picture, scene.regions(), sensitivity);
  }

  /** Coverage of a region at full size. */
  public Plane region(Project project, Region region) {
    return regions(project.faces()).coverage(region, size().area(), 0);
  }

  /** All gauges at the portrait job's bands. */
  public List<Gauge> gauges(Project project, Cancellation cancellation) {
    Examination.Findings findings =
        Examination.of(renderer, scene(project), JobLevel.portrait(), cancellation);
    measured = findings.picture();
    return findings.gauges();
  }

  /**
   * The project with a source for every repair that had none, so that they stay where they are from
   * now on.
   */
  public Project withSources(Project project, Cancellation cancellation) {
    Project settled = project;
    for (Layer layer : project.stack().layers()) {
      boolean open =
          layer instanceof HealLayer heal
              && heal.acts()
              && heal.patches().stream().anyMatch(p -> p.source() == null);
      if (open) {
        String id = layer.head().id();
        Scene below = scene(settled).through(settled.stack().indexOf(id) + 1);
        HealLayer found = (HealLayer) renderer.resolved(below, id, cancellation);
        settled = settled.edit(id, l -> ((HealLayer) l).withPatches(found.patches()));
      }
    }
    return settled;
  }

  /** Sigma of every separation that acts, by layer, in photograph pixels: as set, or as advised. */
  public Map<String, Double> separationRadii(Project project, Cancellation cancellation) {
    Map<String, Double> radii = new HashMap<>();
    Scene scene = scene(project);
    for (Layer layer : project.stack().layers()) {
      if (layer instanceof FrequencySeparationLayer && layer.acts()) {
        String id = layer.head().id();
        Scene below = scene.through(project.stack().indexOf(id) + 1);
        FrequencySeparationLayer found =
            (FrequencySeparationLayer) renderer.resolved(below, id, cancellation);
        radii.put(id, found.radius());
      }
    }
    return radii;
  }

  /** The finished picture at its delivered size, working space. */
  public Picture picture(Project project, Delivery delivery, Cancellation cancellation) {
    return delivery.sized(
        renderer.renderOnce(scene(project), delivery.level(), cancellation), size());
  }

  /** Renders and writes the file whole or not at all. */
  public void deliver(Project project, Path file, Delivery delivery, Cancellation cancellation)
      throws Problem {
    delivery.check(file);
    if (delivery.layers() || Delivery.isOpenRaster(file)) {
      deliverLayers(project, file, delivery, cancellation);
      return;
    }
    PictureFormat format = PictureFormat.of(file.getFileName().toString());
    Picture picture = picture(project, delivery, cancellation);
    cancellation.check();
    PictureWriter.write(
        picture,
        file,
        new PictureWriter.Settings(
            format,
            delivery.quality(),
            delivery.bits(),
            delivery.colour(),
            notes,
            delivery.carried()));
  }

  /** OpenRaster, or a TIFF with a page for each layer; at the full size of the level. */
  private void deliverLayers(
      Project project, Path file, Delivery delivery, Cancellation cancellation) throws Problem {
    Scene scene = scene(project);
    SafeFile.write(
        file,
        out -> {
          try (LayeredWriter writer =
              Delivery.isOpenRaster(file)
                  ? LayeredWriter.openRaster(out, delivery.colour())
                  : LayeredWriter.tiff(out, delivery.colour())) {
            writer.photograph(renderer.photograph().level(delivery.level()));
            writer.finish(
                renderer.renderOnce(
                    scene,
                    delivery.level(),
                    (layer, before, after) -> {
                      cancellation.check();
                      writer.layer(layer.head().name(), before, after);
                    },
                    cancellation));
          }
        });
  }

  /**
   * Saves the project. Its preview is the picture as it was measured last, so that saving waits for no
   * rendering; only before the first measurement it is rendered.
   */
  public void save(Retouch retouch, Path file, Cancellation cancellation) throws Problem {
    Delivery small =
        new Delivery(
            PREVIEW_LONG_EDGE,
            PREVIEW_QUALITY,
            8,
            previewLevel(),
            OutputColour.of(OutputProfile.SRGB),
            Carried.NOTHING,
            false);
    Picture last = measured;
    Picture shown =
        last == null
            ? picture(retouch.project(), small, cancellation)
            : small.sized(last, size());
    byte[] preview =
        PictureWriter.encode(
            shown,
            new PictureWriter.Settings(
                PictureFormat.JPEG, PREVIEW_QUALITY, 8, OutputProfile.SRGB),
            "the preview");
    ProjectFile.save(retouch, file, preview);
  }

  private int previewLevel() {
    return carezza.image.Level.forZoom(Math.min(1, (double) PREVIEW_LONG_EDGE / size().longEdge()));
  }
}
