package carezza.render;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.LongAdder;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.kernel.Kernels;
import carezza.kernel.LayerCoverage;
import carezza.kernel.Measurements;
import carezza.kernel.Probe;
import carezza.mask.Edges;
import carezza.mask.EvaluationContext;
import carezza.mask.MaskCache;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.raw.SensorLight;
import carezza.render.TileGrid.Tile;

/**
 * Renders scenes of one photograph: area and level in, planes out. Pulls from the top layer down; each
 * layer asks the one below for the area it needs. Tiles are kept by the fingerprint of the layer, cut to
 * the tile, and of everything under it, so an edit renders anew only what it touches, from its layer
 * up. Safe for many threads.
 */
public final class Renderer {

  /** Face width in pixels that layers measure at, where the photograph has as many. */
  private static final double ANALYSIS_FACE_WIDTH = 300;

  /** How current the readings of the layers must be. */
  public enum Readiness {
    /** Measured on what is under the layer now. */
    EXACT,
    /** Those last taken for the layer will do where new ones would have to be waited for. */
    QUICK
  }

  private final Pyramid photograph;
  private final SensorLight sensor;
  private final Edges edges;
  private final TileCache cache;
  private final Map<Fingerprint, Measurements> readings = new ConcurrentHashMap<>();
  private final Map<String, Measurements> latest = new ConcurrentHashMap<>();
  private final LongAdder computed = new LongAdder();

  public Renderer(Pyramid photograph, TileCache cache) {
    this(photograph, cache, null);
  }

  /**
   * @param sensor what the camera's sensor saw, or null
   */
  public Renderer(Pyramid photograph, TileCache cache, SensorLight sensor) {
    this.photograph = photograph;
    this.sensor = sensor;
    this.edges = new Edges(photograph::level);
    this.cache = cache;
  }

  public PictureSize size() {
    return photograph.size();
  }

  public Pyramid photograph() {
    return photograph;
  }

  /** Where a scene is rendered at a level. */
  public EvaluationContext site(RenderInput scene, int level) {
    return new EvaluationContext(size(), level, scene.regions(), edges, null, sensor);
  }

  /** Tiles computed by kernels so far, rather than found: what an edit really cost. */
  public long computedTiles() {
    return computed.sum();
  }

  /** The level that measurements are taken at, for a face of this width in photograph pixels. */
  public static int analysisLevel(double faceWidth) {
    return Level.forZoom(Math.min(1, ANALYSIS_FACE_WIDTH / faceWidth));
  }

  /**
   * Renders an area of a level, keeping tiles.
   *
   * @param area in pixels of the level, inside the picture
   * @return working-space pixels, not to be modified
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Picture render(
      RenderInput scene, Area area, int level, Readiness readiness, Cancellation cancellation) {
    List<Prepared> layers = prepare(scene, readiness, cancellation);
    return new Run(layers, scene, level, cancellation).render(layers.size(), area);
  }

  /**
   * Makes ready to follow edits of one layer closely, over an area of a level that has just been rendered.
   *
   * @param scene ends with the top layer that is shown
   * @param layerId the layer being edited; it must act
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public IncrementalRenderer follow(
      RenderInput scene, String layerId, Area area, int level, Cancellation cancellation) {
    List<Prepared> layers = prepare(scene, Readiness.EXACT, cancellation);
    int edited = 0;
    while (!layers.get(edited).layer().attributes().id().equals(layerId)) {
      edited++;
    }
    Run run = new Run(layers, scene, level, cancellation);
    EvaluationContext context = new EvaluationContext(size(), level, scene.regions(), edges, new MaskCache(area.pixels()), sensor);
    List<IncrementalRenderer.Step> steps = new ArrayList<>();
    Area wanted = area;
    for (int i = layers.size(); i > edited; i--) {
      Prepared p = layers.get(i - 1);
      LayerPass pass = new LayerPass(p.layer(), p.readings(), context);
      LayerPass ready = pass.steady(run.render(i - 1, pass.needed(wanted).union(wanted)), wanted);
      steps.addFirst(new IncrementalRenderer.Step(ready, run.render(i, wanted).crop(wanted).copy()));
      wanted = ready.needed(wanted).union(wanted).intersect(context.whole());
    }
    Prepared first = layers.get(edited);
    Area all = steps.getFirst().result().area();
    Area read = steps.getFirst().pass().needed(all).union(all);
    LayerCoverage.remember(first.layer(), all, context, run.render(edited, read));
    List<Prepared> below = List.copyOf(layers.subList(0, edited));
    int under = edited;
    Run input = new Run(below, scene, level, Cancellation.NONE);
    return new IncrementalRenderer(
        scene,
        layerId,
        context,
        a -> input.render(under, a),
        steps,
        layer -> read(layer, below, first.under(), scene, Readiness.EXACT, Cancellation.NONE));
  }

  /** Renders a whole level without keeping tiles: for files. */
  public Picture renderOnce(RenderInput scene, int level, Cancellation cancellation) {
    return renderOnce(scene, level, (layer, before, after) -> {}, cancellation);
  }

  /** As above, and shows what each layer makes of the picture. */
  public <X extends Exception> Picture renderOnce(
      RenderInput scene, int level, LayerResult<X> each, Cancellation cancellation) throws X {
    List<Prepared> layers = prepare(scene, Readiness.EXACT, cancellation);
    EvaluationContext context = site(scene, level);
    List<LayerPass> passes =
        layers.stream().map(p -> new LayerPass(p.layer(), p.readings(), context)).toList();
    return new StripRenderer(context.whole(), cancellation)
        .render(photograph.level(level), passes, each);
  }

  /** The scene with everything filled in that its layers leave to be found: sources and radii. */
  public Layer resolved(RenderInput scene, String layerId, Cancellation cancellation) {
    return prepare(scene, Readiness.EXACT, cancellation).stream()
        .map(Prepared::layer)
        .filter(l -> l.attributes().id().equals(layerId))
        .findFirst()
        .orElseThrow();
  }

  /** What a layer that acts measured on what it gets. */
  public Measurements readings(RenderInput scene, String layerId, Cancellation cancellation) {
    return prepare(scene, Readiness.EXACT, cancellation).stream()
        .filter(p -> p.layer().attributes().id().equals(layerId))
        .findFirst()
        .map(Prepared::readings)
        .orElseGet(Measurements.None::new);
  }

  /**
   * A layer that acts, with its readings.
   *
   * @param under what lies below it
   */
  private record Prepared(Layer layer, Measurements readings, Fingerprint under) {}

  private List<Prepared> prepare(RenderInput scene, Readiness readiness, Cancellation cancellation) {
    List<Prepared> prepared = new ArrayList<>();
    Fingerprint under = Fingerprint.of(scene.regions().maps());
    for (Layer layer : scene.stack().layers()) {
      if (!layer.acts()) {
        continue;
      }
      Measurements read = read(layer, prepared, under, scene, readiness, cancellation);
      Layer resolved = Kernels.resolve(layer, read);
      prepared.add(new Prepared(resolved, read, under));
      under = Fingerprint.of(under, resolved);
    }
    return prepared;
  }

  /**
   * @param below what lies under the layer
   * @param under its fingerprint
   */
  private Measurements read(
      Layer layer,
      List<Prepared> below,
      Fingerprint under,
      RenderInput scene,
      Readiness readiness,
      Cancellation cancellation) {
    if (!Kernels.measures(layer)) {
      return new Measurements.None();
    }
    Fingerprint key = Fingerprint.of(Kernels.measured(layer), under);
    Measurements read = readings.get(key);
    if (read == null && readiness == Readiness.QUICK) {
      read = usable(latest.get(layer.attributes().id()), layer);
    }
    if (read == null) {
      read = measure(layer, below, scene, cancellation);
      readings.put(key, read);
      latest.put(layer.attributes().id(), read);
    }
    return read;
  }

  /** Earlier readings fit unless there are more patches now than were looked at. */
  private static Measurements usable(Measurements earlier, Layer layer) {
    if (earlier instanceof Measurements.HealSources found
        && layer instanceof HealLayer heal
        && found.sources().size() != heal.patches().size()) {
      return null;
    }
    return earlier;
  }

  /**
   * Places that a piece of a repair could take its skin from, the best first.
   *
   * @param layerId the layer of repairs that it belongs to
   */
  public List<Source> sources(
      RenderInput scene, String layerId, Piece piece, int most, Cancellation cancellation) {
    List<Layer> layers = scene.stack().layers();
    int index = scene.stack().indexOf(layerId);
    List<Prepared> under = prepare(scene.through(index), Readiness.EXACT, cancellation);
    return Kernels.sources(
        (HealLayer) layers.get(index), piece, most, probe(under, scene, cancellation));
  }

  private Measurements measure(
      Layer layer, List<Prepared> under, RenderInput scene, Cancellation cancellation) {
    return Kernels.measure(layer, probe(under, scene, cancellation));
  }

  private Probe probe(List<Prepared> under, RenderInput scene, Cancellation cancellation) {
    double faceWidth = site(scene, 0).faceWidth();
    int level = analysisLevel(faceWidth);
    EvaluationContext context = site(scene, level);
    Picture input = new Run(under, scene, level, cancellation).render(under.size(), context.whole());
    return new Probe(
        context,
        input,
        (a, l) -> new Run(under, scene, l, cancellation).render(under.size(), a));
  }

  /** One rendering of one scene at one level, tile by tile. */
  private final class Run {
    private final EvaluationContext context;
    private final TileGrid grid;
    private final Cancellation cancellation;
    private final Fingerprint root;
    private final List<LayerPass> passes = new ArrayList<>();
    private final List<Map<Tile, Fingerprint>> keys = new ArrayList<>();

    Run(List<Prepared> layers, RenderInput scene, int level, Cancellation cancellation) {
      this.context = site(scene, level);
      this.grid = new TileGrid(context.whole());
      this.cancellation = cancellation;
      this.root = Fingerprint.of(level, scene.regions().maps());
      for (Prepared p : layers) {
        passes.add(new LayerPass(p.layer(), p.readings(), context));
        keys.add(new HashMap<>());
      }
    }

    /** The picture after the lowest {@code count} layers. */
    Picture render(int count, Area area) {
      cancellation.check();
      if (count == 0) {
        return photograph.level(context.level()).crop(area);
      }
      if (Kernels.idle(passes.get(count - 1).within(area))) {
        return render(count - 1, area);
      }
      return assemble(count, area);
    }

    private Picture assemble(int count, Area area) {
      Area missing = Area.EMPTY;
      Map<Tile, Picture> found = new HashMap<>();
      List<Tile> tiles = grid.touching(area);
      for (Tile tile : tiles) {
        Picture kept = cache.get(key(count, tile));
        if (kept == null) {
          missing = missing.union(grid.area(tile));
        } else {
          found.put(tile, kept);
        }
      }
      if (!missing.isEmpty()) {
        Picture made =
            passes.get(count - 1).compute(missing, a -> render(count - 1, a), cancellation);
        computed.add(grid.touching(missing).size());
        for (Tile tile : grid.touching(missing)) {
          if (!found.containsKey(tile)) {
            Picture own = made.crop(grid.area(tile));
            cache.put(key(count, tile), own);
            found.put(tile, own);
          }
        }
      }
      if (tiles.size() == 1 && grid.area(tiles.getFirst()).equals(area)) {
        return found.get(tiles.getFirst());
      }
      Picture out = Picture.of(area);
      tiles.forEach(tile -> out.copyFrom(found.get(tile)));
      return out;
    }

    /** What a tile is made of: the layer as far as it matters here, and all tiles it reads. */
    private Fingerprint key(int count, Tile tile) {
      if (count == 0) {
        return Fingerprint.of(root, tile);
      }
      Fingerprint known = keys.get(count - 1).get(tile);
      if (known != null) {
        return known;
      }
      LayerPass pass = passes.get(count - 1);
      Area area = grid.area(tile);
      Layer layer = pass.within(area);
      Fingerprint key;
      if (Kernels.idle(layer)) {
        key = key(count - 1, tile);
      } else {
        List<Fingerprint> parts = new ArrayList<>();
        parts.add(Fingerprint.of(root, tile, layer));
        if (!(pass.readings() instanceof Measurements.HealSources)) {
          parts.add(Fingerprint.of(pass.readings()));
        }
        for (Tile under : grid.touching(pass.needed(area))) {
          parts.add(key(count - 1, under));
        }
        key = Fingerprint.of(parts);
      }
      keys.get(count - 1).put(tile, key);
      return key;
    }
  }
}
