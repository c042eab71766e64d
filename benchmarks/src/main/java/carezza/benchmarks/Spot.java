package carezza.benchmarks;

import java.nio.file.Path;
import java.util.List;
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

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.render.IncrementalRenderer;
import carezza.render.RenderInput;
import carezza.session.Session;

/**
 * A spot of 40 px radius is healed: its source chosen and the view drawn anew, close up; held
 * against copying the view's pixels.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class Spot {

  private static final Path PORTRAIT = Path.of("core/src/test/resources/portraits/s01/photo.jpg");
  private static final Area VIEW = new Area(420, 900, 800, 605);
  private static final double RADIUS = 40;

  /** A red spot, which keeps its texture, or bare skin, which takes another's. */
  @Param({"red", "bare"})
  String place;

  private Session session;
  private Project project;
  private final HealLayer heal = (HealLayer) LayerType.HEAL.fresh();
  private IncrementalRenderer live;
  private int next;
  private Picture view;
  private Picture copy;

  @Setup(Level.Trial)
  public void prepare() throws Problem {
    Document started = ProjectFile.start(PORTRAIT);
    session = new Session(started.photograph());
    project = session.faces().withFace(started.project(), Cancellation.NONE);
    live =
        session
            .renderer()
            .follow(
                with(List.of(Patch.spot(600, 1400, 5))),
                heal.attributes().id(),
                VIEW,
                0,
                Cancellation.NONE);
    view = live.picture().copy();
    copy = view.copy();
  }

  private RenderInput with(List<Patch> patches) {
    return session.scene(project.withStack(LayerStack.of(heal.withPatches(patches))));
  }

  /** Each a little beside the last, so that nothing of it is known; the last one is taken back. */
  @Benchmark
  public Area healed() {
    next++;
    double aside = next % 4001 * 0.002;
    return live.update(
        with(
            List.of(
                place.equals("red")
                    ? Patch.spot(513 + aside, 1140, RADIUS)
                    : Patch.spot(860 + aside, 1090, RADIUS))));
  }

  @Benchmark
  public Picture copy() {
    copy.copyFrom(view);
    return copy;
  }
}
