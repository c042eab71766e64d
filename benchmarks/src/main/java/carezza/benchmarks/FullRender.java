package carezza.benchmarks;

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

import carezza.filter.GaussianBlur;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.mask.Regions;
import carezza.render.Pyramid;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.TileCache;

/** The twenty-layer stack on 24 megapixels, and what it is held against. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx5g")
@Warmup(iterations = 3)
@Measurement(iterations = 5)
public class FullRender {

  private Picture photo;
  private Picture copy;
  private Renderer renderer;
  private RenderInput scene;

  @Setup(Level.Trial)
  public void prepare() {
    LargePortrait portrait = LargePortrait.of24Megapixels();
    photo = portrait.pixels();
    copy = Picture.of(photo.area());
    Pyramid pyramid = new Pyramid(photo);
    Regions regions =
        Regions.find(pyramid.level(Regions.level(portrait.faces())), portrait.faces());
    renderer = new Renderer(pyramid, new TileCache(1L << 29));
    scene = new RenderInput(BeautyStack.on(portrait.faces()), regions);
  }

  @Benchmark
  public Picture copy() {
    copy.copyFrom(photo);
    return copy;
  }

  @Benchmark
  public Picture blur12() {
    return photo.map(p -> GaussianBlur.blur(p, 12));
  }

  @Benchmark
  public Picture blur60() {
    return photo.map(p -> GaussianBlur.blur(p, 60));
  }

  @Benchmark
  public Picture twentyLayers() {
    return renderer.renderOnce(scene, 0, Cancellation.NONE);
  }
}
