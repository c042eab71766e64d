package carezza.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.mask.Regions;
import carezza.model.DodgeBurnLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Stroke;
import carezza.render.IncrementalRenderer;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;

/**
 * A dab of a 200-pixel brush on the last dodge-and-burn layer of the long retouch, twelve layers
 * above it, in the view of the whole 24 megapixels; held against copying the view's pixels once a
 * layer.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class Dab {

  private static final int LEVEL = 3;
  private static final int LAYERS_ABOVE = 12;
  private static final Area VIEW = new Area(0, 0, 988, 605);

  private final List<RenderInput> dabs = new ArrayList<>();
  private IncrementalRenderer live;
  private int next;
  private Picture view;
  private Picture copy;

  @Setup(Level.Trial)
  public void prepare() {
    LargePortrait portrait = LargePortrait.of24Megapixels();
    Pyramid pyramid = new Pyramid(portrait.pixels());
    Regions regions =
        Regions.find(pyramid.level(Regions.level(portrait.faces())), portrait.faces());
    Renderer renderer = new Renderer(pyramid, new TileCache(1L << 28));
    LayerStack stack = BeautyStack.on(portrait.faces());
    Layer sculpt =
        stack.layers().stream()
            .filter(l -> LayerType.of(l) == LayerType.DODGE_BURN)
            .reduce((first, last) -> last)
            .orElseThrow();
    for (int i = 0; i < 64; i++) {
      Stroke dab = Stroke.dab(1700 + 20 * i, 2300 + 7 * i, 100, 1);
      DodgeBurnLayer own = (DodgeBurnLayer) sculpt;
      Layer with = own.withMasks(own.dodgeMask().painted(dab), own.burnMask());
      dabs.add(new RenderInput(stack.edit(sculpt.attributes().id(), l -> with), regions));
    }
    live =
        renderer.follow(
            new RenderInput(stack, regions),
            sculpt.attributes().id(),
            renderer.size().atLevel(LEVEL).area(),
            LEVEL,
            Cancellation.NONE);
    view = Picture.of(VIEW);
    copy = Picture.of(VIEW);
  }

  @Benchmark
  public Picture viewThroughLayers() {
    for (int i = 0; i < LAYERS_ABOVE; i++) {
      copy.copyFrom(view);
    }
    return copy;
  }

  /** Each takes the last one back, so it is two places that change. */
  @Benchmark
  public Area dab() {
    next = (next + 1) % dabs.size();
    return live.update(dabs.get(next));
  }
}
