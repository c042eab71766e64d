package carezza.render;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.atomic.LongAdder;
import java.util.stream.IntStream;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.kernel.Kernels;
import carezza.kernel.LayerCoverage;
import carezza.kernel.Measurements;
import carezza.kernel.Probe;
import carezza.mask.Edges;
import carezza.mask.EvaluationContext;
import carezza.mask.LayerChanges;
import carezza.mask.MaskCache;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.raw.SensorLight;

/**
 * Renders scenes of one photograph: area and level in, planes out. Pulls from the top layer down;
 * each layer asks the one below for the area it needs. Tiles are kept by the fingerprint of the
 * layer, cut to the tile, and of everything under it, so an edit renders anew only what it touches,
 * from its layer up. Safe for many threads.
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
  private final @Nullable SensorLight sensor;
  private final Edges edges;
  private final TileCache cache;
  private static final AtomicLong COUNT = new AtomicLong();

  /** Readings that are kept; each is a few numbers. */
  private static final int MOST_READINGS = 2000;

  /** Tells the tiles of this photograph from those of others in the same cache. */
  private final long number = COUNT.incrementAndGet();

  private final Map<Fingerprint, Measurements> readings =
      Collections.synchronizedMap(
          new LinkedHashMap<>(64, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<Fingerprint, Measurements> eldest) {
              return size() > MOST_READINGS;
            }
          });
  private final ReadingStore kept;
  private final OneAtATime measuring = new OneAtATime();
  private final Map<String, Measurements> latest = new ConcurrentHashMap<>();
  private final LongAdder computed = new LongAdder();

  public Renderer(Pyramid photograph, TileCache cache) {
    this(photograph, cache, null, ReadingStore.NONE);
  }

  /**
   * @param sensor what the camera's sensor saw, or null
   * @param kept where readings of this photograph outlast the renderer
   */
  public Renderer(
      Pyramid photograph, TileCache cache, @Nullable SensorLight sensor, ReadingStore kept) {
    this.photograph = photograph;
    this.kept = kept;
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

  /**
   * Another document begins on the photograph: what was last measured for a layer of one before
   * will not do for its own.
   */
  public void begin() {
    latest.clear();
  }

  /** Where a scene is rendered at a level. */
  public EvaluationContext site(RenderInput scene, int level) {
    return context(scene, level)
        .with(
            (layer, area, l) ->
                changes(prepare(scene, Readiness.QUICK, Cancellation.NONE), scene)
                    .of(layer, area, l));
  }

  private EvaluationContext context(RenderInput scene, int level) {
    return new EvaluationContext(
        size(), level, scene.regions(), edges, null, sensor, LayerChanges.NONE, scene.job());
  }

  /** What layers changed, each asked of those below it alone. */
  private LayerChanges changes(List<PreparedLayer> below, RenderInput scene) {
    return (layer, area, level) -> {
      int place = PreparedLayer.place(below, layer);
      if (place < 0) {
        return Plane.of(area);
      }
      TileRenderer run = tiles(below.subList(0, place + 1), scene, level, Cancellation.NONE);
      return LayerChanges.between(
          run.after(place, area).crop(area), run.after(place + 1, area).crop(area));
    };
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
    List<PreparedLayer> layers = prepare(scene, readiness, cancellation);
    return tiles(layers, scene, level, cancellation).after(layers.size(), area);
  }

  /**
   * Makes ready to follow edits of one layer closely, over an area of a level that has just been
   * rendered.
   *
   * @param scene ends with the top layer that is shown
   * @param layerId the layer being edited; it must act
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public IncrementalRenderer follow(
      RenderInput scene, String layerId, Area area, int level, Cancellation cancellation) {
    List<PreparedLayer> layers = prepare(scene, Readiness.EXACT, cancellation);
    int edited = PreparedLayer.place(layers, layerId);
    TileRenderer run = tiles(layers, scene, level, cancellation);
    EvaluationContext context = context(scene, level).with(new MaskCache(area.pixels()));
    AtomicReference<IncrementalRenderer> made = new AtomicReference<>();
    List<IncrementalRenderer.Step> steps = new ArrayList<>();
    Area wanted = area;
    for (int i = layers.size(); i > edited; i--) {
      LayerPass pass =
          PreparedLayer.pass(
              layers, i - 1, context.with(following(made, layers, i - 1, edited, level, scene)));
      LayerPass ready =
          pass.steady(run.after(pass.floor(), pass.needed(wanted).union(wanted)), wanted);
      steps.addFirst(new IncrementalRenderer.Step(ready, run.after(i, wanted).crop(wanted).copy()));
      wanted = ready.needed(wanted).union(wanted).intersect(context.whole());
    }
    PreparedLayer first = layers.get(edited);
    LayerPass pass = steps.getFirst().pass();
    Area all = steps.getFirst().result().area();
    EvaluationContext own = context.with(changes(layers.subList(0, edited), scene));
    LayerCoverage.remember(
        first.layer(), all, own, run.after(pass.floor(), pass.needed(all).union(all)));
    List<PreparedLayer> below = List.copyOf(layers.subList(0, edited));
    TileRenderer input = tiles(below, scene, level, Cancellation.NONE);
    IncrementalRenderer follower =
        new IncrementalRenderer(
            scene,
            layerId,
            own,
            edited,
            input,
            steps,
            layer -> read(layer, below, first.under(), scene, Readiness.EXACT, Cancellation.NONE));
    made.set(follower);
    return follower;
  }

  /** What layers below one changed, as the view that follows an edit has them now. */
  private LayerChanges following(
      AtomicReference<IncrementalRenderer> made,
      List<PreparedLayer> layers,
      int asking,
      int edited,
      int level,
      RenderInput scene) {
    List<PreparedLayer> below = layers.subList(0, asking);
    return (layer, area, l) -> {
      IncrementalRenderer own = made.get();
      return own != null && l == level && PreparedLayer.place(below, layer) >= edited
          ? own.change(layer, area)
          : changes(below, scene).of(layer, area, l);
    };
  }

  /** Renders a whole level without keeping tiles: for files. */
  public Picture renderOnce(RenderInput scene, int level, Cancellation cancellation) {
    return renderOnce(scene, level, (LayerResult<RuntimeException>) null, cancellation);
  }

  /** As above, and shows what each layer makes of the picture; to nobody if that is null. */
  public <X extends Exception> Picture renderOnce(
      RenderInput scene, int level, @Nullable LayerResult<X> each, Cancellation cancellation)
      throws X {
    StripRenderer strips = new StripRenderer(size().atLevel(level).area(), cancellation);
    return strips.render(photograph.level(level), passes(strips, scene, level, cancellation), each);
  }

  private List<LayerPass> passes(
      StripRenderer strips, RenderInput scene, int level, Cancellation cancellation) {
    List<PreparedLayer> layers = prepare(scene, Readiness.EXACT, cancellation);
    EvaluationContext context = context(scene, level);
    List<LayerPass> passes = new ArrayList<>();
    for (int i = 0; i < layers.size(); i++) {
      LayerChanges others = changes(layers.subList(0, i), scene);
      passes.add(
          PreparedLayer.pass(
              layers,
              i,
              context.with(
                  (layer, area, l) ->
                      l == level ? strips.change(layer, area) : others.of(layer, area, l))));
    }
    return passes;
  }

  /** The scene with everything filled in that its layers leave to be found: sources and radii. */
  public Layer resolved(RenderInput scene, String layerId, Cancellation cancellation) {
    return prepare(scene, Readiness.EXACT, cancellation).stream()
        .map(PreparedLayer::layer)
        .filter(l -> l.attributes().id().equals(layerId))
        .findFirst()
        .orElseThrow();
  }

  /** What a layer that acts measured on what it gets. */
  public Measurements readings(RenderInput scene, String layerId, Cancellation cancellation) {
    return prepare(scene, Readiness.EXACT, cancellation).stream()
        .filter(p -> p.layer().attributes().id().equals(layerId))
        .findFirst()
        .map(PreparedLayer::readings)
        .orElseGet(Measurements.None::new);
  }

  private List<PreparedLayer> prepare(
      RenderInput scene, Readiness readiness, Cancellation cancellation) {
    List<PreparedLayer> prepared = new ArrayList<>();
    Fingerprint under = Fingerprint.of(scene.regions().maps(), scene.job().content());
    for (Layer layer : scene.stack().layers()) {
      if (!layer.acts()) {
        continue;
      }
      Measurements read = read(layer, prepared, under, scene, readiness, cancellation);
      PreparedLayer made =
          new PreparedLayer(
              Kernels.resolve(layer, read),
              read,
              under,
              PreparedLayer.floor(layer, prepared, scene.stack()),
              PreparedLayer.order(layer, prepared));
      under = made.result(prepared.size());
      prepared.add(made);
    }
    return prepared;
  }

  /**
   * @param below what lies under the layer
   * @param under its fingerprint
   */
  private Measurements read(
      Layer layer,
      List<PreparedLayer> below,
      Fingerprint under,
      RenderInput scene,
      Readiness readiness,
      Cancellation cancellation) {
    if (!Kernels.measures(layer)) {
      return new Measurements.None();
    }
    Fingerprint key =
        Fingerprint.of(Kernels.measured(layer), PreparedLayer.order(layer, below), under);
    Measurements read = readings.get(key);
    if (read == null && readiness == Readiness.QUICK) {
      read = usable(latest.get(layer.attributes().id()), layer);
    }
    if (read == null) {
      // Views, gauges and plan ask for the same at once: one of them measures, the others wait.
      read =
          measuring.run(
              key,
              cancellation,
              () -> {
                Measurements known = readings.get(key);
                return known == null ? measured(key, layer, below, scene, cancellation) : known;
              });
    }
    return read;
  }

  /**
   * Earlier readings fit unless the repairs have other pieces now than were looked at: a stroke
   * grows under the hand.
   */
  private static @Nullable Measurements usable(@Nullable Measurements earlier, Layer layer) {
    return earlier instanceof Measurements.HealSources found
            && layer instanceof HealLayer heal
            && !fits(found.sources(), heal.patches())
        ? null
        : earlier;
  }

  private static boolean fits(List<List<Source>> sources, List<Patch> patches) {
    return sources.size() == patches.size()
        && IntStream.range(0, sources.size())
            .allMatch(
                i ->
                    sources.get(i).size() <= 1
                        || sources.get(i).size() == patches.get(i).pieces().size());
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
    List<PreparedLayer> under = prepare(scene.through(index), Readiness.EXACT, cancellation);
    return Kernels.sources(
        (HealLayer) layers.get(index), piece, most, probe(under, scene, cancellation));
  }

  private Measurements measured(
      Fingerprint key,
      Layer layer,
      List<PreparedLayer> below,
      RenderInput scene,
      Cancellation cancellation) {
    Measurements before = kept.find(key);
    Measurements read =
        before == null ? Kernels.measure(layer, probe(below, scene, cancellation)) : before;
    if (before == null) {
      kept.keep(key, read);
    }
    readings.put(key, read);
    latest.put(layer.attributes().id(), read);
    return read;
  }

  private Probe probe(List<PreparedLayer> under, RenderInput scene, Cancellation cancellation) {
    double faceWidth = context(scene, 0).faceWidth();
    int level = analysisLevel(faceWidth);
    EvaluationContext context = context(scene, level).with(changes(under, scene));
    Picture input = tiles(under, scene, level, cancellation).after(under.size(), context.whole());
    return new Probe(
        context, input, (a, l) -> tiles(under, scene, l, cancellation).after(under.size(), a));
  }

  private TileRenderer tiles(
      List<PreparedLayer> layers, RenderInput scene, int level, Cancellation cancellation) {
    EvaluationContext context = context(scene, level);
    List<LayerPass> passes = new ArrayList<>();
    for (int i = 0; i < layers.size(); i++) {
      passes.add(PreparedLayer.pass(layers, i, context.with(changes(layers.subList(0, i), scene))));
    }
    Fingerprint root = Fingerprint.of(number, level, scene.regions().maps(), scene.job().content());
    return new TileRenderer(
        photograph.level(level), passes, context, root, cache, computed, cancellation);
  }
}
