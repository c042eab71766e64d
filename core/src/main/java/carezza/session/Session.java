package carezza.session;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

import carezza.codec.LayeredWriter;
import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.Photograph;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.face.FaceAnalysis;
import carezza.file.AtomicFile;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.job.JobLevel;
import carezza.kernel.LayerCoverage;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.mask.Regions;
import carezza.measure.Blemish;
import carezza.measure.BlemishFinder;
import carezza.measure.Gauge;
import carezza.measure.GaugeReader;
import carezza.measure.HairFinder;
import carezza.metadata.Metadata;
import carezza.metadata.Metadata.Carried;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask.Quantity;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.render.Cropper;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.render.TileCache;

/**
 * One photograph being retouched. Holds what is worth keeping between edits, renderer and regions; the
 * project itself comes with each call. Safe for many threads.
 */
public final class Session {

  private static final int PREVIEW_LONG_EDGE = 512;
  private static final int PREVIEW_QUALITY = 85;
  private static final int HISTOGRAM_LONG_EDGE = 600;

  /** What is looked at around a stroke for hairs. */
  private static final int HAIR_MARGIN = 16;

  private final Renderer renderer;
  private final GaugeReader examination;
  private final Metadata metadata;
  private List<FaceMap> regionsOf = List.of();
  private Regions regions = Regions.none();
  private Plane subject;

  /** The finished picture as it was measured last; kept for the preview of a save. */
  private volatile Picture measured;

  public Session(Photograph photograph) {
    renderer = new Renderer(
            new Pyramid(photograph.pixels()), TileCache.forThisMachine(), photograph.sensor());
    examination = new GaugeReader(renderer);
    metadata = photograph.metadata();
  }

  public Renderer renderer() {
    return renderer;
  }

  public PictureSize size() {
    return renderer.size();
  }

  /** The whole stack over the regions of the project's face map; finds these when it is new. */
  public RenderInput scene(Project project) {
    return new RenderInput(project.stack(), regions(project.allFaces()));
  }

  private synchronized Regions regions(List<FaceMap> faces) {
    if (faces.isEmpty()) {
      return Regions.none();
    }
    if (!faces.equals(regionsOf)) {
      int level = Regions.level(faces.getFirst());
      regions = Regions.find(renderer.photograph().level(level), faces, subject());
      regionsOf = faces;
    }
    return regions;
  }

  private synchronized Plane subject() {
    if (subject == null) {
      subject =
          FaceAnalysis.shared().subject(renderer.photograph().level(FaceAnalysis.level(size())));
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
            new RenderInput(settled, Regions.none()),
            size().atLevel(level).area(),
            level,
            Readiness.EXACT,
            cancellation);
    return FaceAnalysis.shared().faces(picture, level);
  }

  /** The project with the maps of its faces, if it had none and there are any. */
  public Project withFace(Project project, Cancellation cancellation) {
    return project.faces() != null
        ? project
        : project.withAllFaces(findFaces(project, cancellation));
  }

  /**
   * The project with its faces looked for anew. Parts that were put right by hand stay; so do, where a
   * face is not found again, maps with such parts.
   */
  public Project withFacesAnew(Project project, Cancellation cancellation) {
    List<FaceMap> earlier = new ArrayList<>(project.allFaces());
    List<FaceMap> maps = new ArrayList<>();
    for (FaceMap found : findFaces(project, cancellation)) {
      FaceMap same = earlier.stream().filter(found::sameFaceAs).findFirst().orElse(null);
      earlier.remove(same);
      maps.add(same == null ? found : found.keeping(same));
    }
    earlier.stream().filter(f -> !f.corrected().isEmpty()).forEach(maps::add);
    return maps.isEmpty() ? project : project.withAllFaces(maps);
  }

  /**
   * Proposals on what the Settle stage makes of the photograph, but for marks that are kept as the
   * person's own; none without a face map.
   *
   * @param sensitivity 1 as usual, more for fainter ones
   */
  public List<Blemish> blemishes(Project project, double sensitivity, Cancellation cancellation) {
    if (project.faces() == null) {
      return List.of();
    }
    int level = BlemishFinder.level(project.faces());
    LayerStack settled = project.stack().lowest(project.stack().through(Stage.SETTLE));
    RenderInput scene = new RenderInput(settled, regions(project.allFaces()));
    Picture picture =
        renderer.render(scene, size().atLevel(level).area(), level, Readiness.EXACT, cancellation);
    return BlemishFinder.find(picture, scene.regions(), sensitivity).stream()
        .filter(b -> project.kept().stream().noneMatch(k -> k.holds(new Point(b.x(), b.y()))))
        .toList();
  }

  /**
   * How often each value of a quantity comes in a layer's input, over the whole picture.
   *
   * @param bins from 0 to the quantity's span
   * @return shares of the pixels; hues count by their chroma, as greys have none
   */
  public double[] histogram(
      Project project, String layer, Quantity quantity, int bins, Cancellation cancellation) {
    RenderInput scene = scene(project);
    int level = Level.forZoom(Math.min(1, (double) HISTOGRAM_LONG_EDGE / size().longEdge()));
    Picture input =
        renderer.render(
            scene.through(Math.max(0, scene.stack().indexOf(layer))),
            size().atLevel(level).area(),
            level,
            Readiness.QUICK,
            cancellation);
    float[] values = Masks.quantity(quantity, input).values();
    float[] weights =
        quantity == Quantity.HUE ? Masks.quantity(Quantity.CHROMA, input).values() : null;
    double[] shares = new double[bins];
    double sum = 0;
    for (int i = 0; i < values.length; i++) {
      double weight = weights == null ? 1 : weights[i];
      shares[Math.clamp((int) (values[i] / quantity.span() * bins), 0, bins - 1)] += weight;
      sum += weight;
    }
    for (int i = 0; i < bins; i++) {
      shares[i] /= Math.max(1e-9, sum);
    }
    return shares;
  }

  /** Where a layer acts, small: coverage over the picture with its long edge at most this. */
  public Plane thumbnail(Project project, String layer, int longEdge, Cancellation cancellation) {
    RenderInput scene = scene(project);
    int index = scene.stack().indexOf(layer);
    int level = 0;
    while (level < Level.COARSEST && size().atLevel(level).longEdge() > longEdge) {
      level++;
    }
    EvaluationContext context = renderer.site(scene, level);
    Picture input =
        renderer.render(scene.through(index), context.whole(), level, Readiness.QUICK, cancellation);
    return LayerCoverage.of(scene.stack().layers().get(index), context.whole(), context, input);
  }

  /** Coverage of a region at full size. */
  public Plane region(Project project, SemanticRegion region) {
    return regions(project.allFaces()).coverage(region, size().area(), 0);
  }

  /** All gauges at the portrait job's bands. */
  public List<Gauge> gauges(Project project, Cancellation cancellation) {
    GaugeReader.Findings findings =
        examination.of(scene(project), JobLevel.portrait(), cancellation);
    measured = findings.picture();
    return findings.gauges();
  }

  /** What is measured of colour. */
  public ColourAdvice colour() {
    return new ColourAdvice(this);
  }

  GaugeReader examination() {
    return examination;
  }

  /** What is measured for the retoucher who asks for advice. */
  public Advice advice() {
    return new Advice(this);
  }

  /** An area of a level as stage Settle leaves it; what gauges and check views compare with. */
  public Picture settled(Project project, Area area, int level, Cancellation cancellation) {
    RenderInput scene = scene(project);
    return renderer.render(
        scene.through(scene.stack().through(Stage.SETTLE)),
        area,
        level,
        Readiness.QUICK,
        cancellation);
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
              && heal.patches().stream().anyMatch(Patch::open);
      if (open) {
        String id = layer.attributes().id();
        RenderInput below = scene(settled).through(settled.stack().indexOf(id) + 1);
        HealLayer found = (HealLayer) renderer.resolved(below, id, cancellation);
        settled = settled.edit(id, l -> ((HealLayer) l).withPatches(found.patches()));
      }
    }
    return settled;
  }

  /**
   * Places that a piece of a repair could take its skin from, the best first; none if none is allowed.
   *
   * @param most how many at most
   */
  public List<Source> sources(
      Project project, String layer, Piece piece, int most, Cancellation cancellation) {
    RenderInput scene = scene(project);
    return renderer.sources(
        scene.through(scene.stack().indexOf(layer) + 1), layer, piece, most, cancellation);
  }

  /**
   * The stray hair that a stroke was drawn along, on what lies below a layer; nothing if none stands out.
   *
   * @param drawn its radius says how far off the hair may be
   */
  public Optional<Stroke> hair(
      Project project, String layer, Stroke drawn, Cancellation cancellation) {
    RenderInput scene = scene(project);
    Area around = drawn.bounds().grow(HAIR_MARGIN).intersect(size().area());
    if (around.isEmpty()) {
      return Optional.empty();
    }
    Picture below =
        renderer.render(
            scene.through(scene.stack().indexOf(layer)), around, 0, Readiness.EXACT, cancellation);
    return HairFinder.along(drawn, below);
  }

  /** Sigma of every separation that acts, by layer, in photograph pixels: as set, or as advised. */
  public Map<String, Double> separationRadii(Project project, Cancellation cancellation) {
    Map<String, Double> radii = new HashMap<>();
    RenderInput scene = scene(project);
    for (Layer layer : project.stack().layers()) {
      if (layer instanceof FrequencySeparationLayer && layer.acts()) {
        String id = layer.attributes().id();
        RenderInput below = scene.through(project.stack().indexOf(id) + 1);
        FrequencySeparationLayer found =
            (FrequencySeparationLayer) renderer.resolved(below, id, cancellation);
        radii.put(id, found.radius());
      }
    }
    return radii;
  }

  /** The finished picture at its delivered size, working space. */
  public Picture picture(Project project, Delivery delivery, Cancellation cancellation) {
    return sized(
        project,
        delivery,
        renderer.renderOnce(scene(project), delivery.level(), cancellation));
  }

  /** A finished picture of any level cut to the project's frame, at its delivered size. */
  private Picture sized(Project project, Delivery delivery, Picture whole) {
    Crop crop = project.crop();
    if (crop == null) {
      return delivery.sized(whole, size());
    }
    double halvings = Math.log((double) size().width() / whole.area().width()) / Math.log(2);
    double scale = Level.scale((int) Math.rint(halvings));
    return delivery.sized(Cropper.cut(whole, crop, scale), crop.size(1));
  }

  /** Renders and writes the file whole or not at all. */
  public void deliver(
      Project project, AtomicFile file, Delivery delivery, Cancellation cancellation)
      throws Problem {
    delivery.check(file.path());
    file.check();
    if (delivery.layers() || Delivery.isOpenRaster(file.path())) {
      deliverLayers(project, file, delivery, cancellation);
      return;
    }
    PictureFormat format = PictureFormat.of(PictureReader.name(file.path()));
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
            metadata,
            delivery.carried()));
  }

  /** OpenRaster, or a TIFF with a page for each layer; at the full size of the level. */
  private void deliverLayers(
      Project project, AtomicFile file, Delivery delivery, Cancellation cancellation)
      throws Problem {
    RenderInput scene = scene(project);
    file.write(
        out -> {
          try (LayeredWriter writer =
              Delivery.isOpenRaster(file.path())
                  ? LayeredWriter.openRaster(out, delivery.colour())
                  : LayeredWriter.tiff(out, delivery.colour())) {
            UnaryOperator<Picture> framed =
                p ->
                    project.crop() == null
                        ? p
                        : Cropper.cut(p, project.crop(), Level.scale(delivery.level()));
            writer.photograph(framed.apply(renderer.photograph().level(delivery.level())));
            writer.finish(
                framed.apply(
                    renderer.renderOnce(
                        scene,
                        delivery.level(),
                        (layer, before, after) -> {
                          cancellation.check();
                          writer.layer(
                              layer.attributes().name(), framed.apply(before), framed.apply(after));
                        },
                        cancellation)));
          }
        });
  }

  /**
   * Saves the project. Its preview is the picture as it was measured last, so that saving waits for no
   * rendering; only before the first measurement it is rendered.
   */
  public void save(Document document, AtomicFile file, Cancellation cancellation)
      throws Problem {
    file.check();
    Picture last = measured;
    Picture shown =
        last == null
            ? picture(document.project(), small(), cancellation)
            : sized(document.project(), small(), last);
    ProjectFile.save(document, file, encoded(shown));
  }

  /** A small JPEG of the picture as it was measured last, or else of the photograph; waits for no rendering. */
  public byte[] glance(Project project) throws Problem {
    Picture last = measured;
    return encoded(
        sized(
            project, small(), last == null ? renderer.photograph().level(previewLevel()) : last));
  }

  private Delivery small() {
    return new Delivery(
        PREVIEW_LONG_EDGE,
        PREVIEW_QUALITY,
        8,
        previewLevel(),
        OutputColour.of(OutputProfile.SRGB),
        Carried.NOTHING,
        false);
  }

  private static byte[] encoded(Picture preview) throws Problem {
    return PictureWriter.encode(
        preview,
        new PictureWriter.Settings(PictureFormat.JPEG, PREVIEW_QUALITY, 8, OutputProfile.SRGB),
        "the preview");
  }

  private int previewLevel() {
    return Level.forZoom(Math.min(1, (double) PREVIEW_LONG_EDGE / size().longEdge()));
  }
}
