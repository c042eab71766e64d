package carezza.benchmarks;

import java.util.concurrent.TimeUnit;

import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.mask.Regions;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;

/**
 * Each kind of layer by itself on six megapixels, as the long retouch uses it, or as it begins;
 * beside it a copy.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
public class LayerKernels {

  private static final int LEVEL = 1;

  @Param public LayerType kind;

  private Renderer renderer;
  private RenderInput scene;
  private Picture photo;
  private Picture copy;

  @Setup(Level.Trial)
  public void prepare() {
    LargePortrait portrait = LargePortrait.of24Megapixels();
    Pyramid pyramid = new Pyramid(portrait.pixels());
    Regions regions =
        Regions.find(pyramid.level(Regions.level(portrait.faces())), portrait.faces());
    Layer layer =
        BeautyStack.on(portrait.faces()).layers().stream()
            .filter(l -> LayerType.of(l) == kind)
            .findFirst()
            .orElseGet(kind::fresh);
    renderer = new Renderer(pyramid, new TileCache(1L << 28));
    scene = new RenderInput(LayerStack.of(layer), regions);
    photo = pyramid.level(LEVEL);
    copy = Picture.of(photo.area());
    renderer.renderOnce(scene, LEVEL, Cancellation.NONE);
  }

  @Benchmark
  public Picture copy() {
    copy.copyFrom(photo);
    return copy;
  }

  @Benchmark
  public Picture layer() {
    return renderer.renderOnce(scene, LEVEL, Cancellation.NONE);
  }
}
