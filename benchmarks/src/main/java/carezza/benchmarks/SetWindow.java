package carezza.benchmarks;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CountDownLatch;
import java.util.stream.IntStream;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Scene;
import javafx.scene.control.ListView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.ScrollEvent;
import javafx.stage.Stage;

import carezza.batch.SetFolder;
import carezza.batch.SetLooks;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.desktop.app.Display;
import carezza.desktop.set.SetJobs;
import carezza.desktop.set.SetState;
import carezza.desktop.state.Status;
import carezza.desktop.style.Look;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.view.set.SetView;
import carezza.filter.Resampling;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.set.Member;

/** A set of two hundred pictures that were seen before: how soon it is there, how it scrolls. */
final class SetWindow {

  private static final int PICTURES = 200;
  private static final int OPENINGS = 4;

  /** Pulses of a scroll down and up again, as fast as a wheel turns. */
  private static final int PULSES = 360;

  private static final double STEP = 60;

  private final Path kept;
  private final Path folder;
  private final TaskRunner tasks = TaskRunner.ofToolkit();

  private SetWindow(Path place) throws IOException {
    kept = Files.createDirectories(place.resolve("kept"));
    folder = Files.createDirectories(place.resolve("set"));
  }

  /**
   * @param place folder for the set, kept for another run; made where it is not there
   */
  static void run(Path place) throws Exception {
    boolean known = Files.isDirectory(place);
    SetWindow here = new SetWindow(place);
    if (!known) {
      here.fill();
    }
    Display.useOffscreen();
    CountDownLatch up = new CountDownLatch(1);
    Platform.startup(up::countDown);
    up.await();
    Platform.setImplicitExit(false);
    for (int i = 0; i < OPENINGS; i++) {
      here.open(i == OPENINGS - 1);
    }
    here.tasks.close();
    Platform.exit();
  }

  /** Photographs that differ by what follows their last byte, and how each looks. */
  private void fill() throws Exception {
    byte[] photograph = small();
    for (int i = 0; i < PICTURES; i++) {
      ByteArrayOutputStream one = new ByteArrayOutputStream();
      one.write(photograph);
      one.write(Integer.toString(i).getBytes(StandardCharsets.US_ASCII));
      Files.write(folder.resolve("picture-%03d.jpg".formatted(i)), one.toByteArray());
    }
    SetFolder set = new SetFolder(folder);
    SetLooks looks = new SetLooks(kept);
    List<Member> members = set.open().set().members();
    long start = System.nanoTime();
    IntStream.range(0, members.size())
        .parallel()
        .forEach(
            i -> {
              try {
                looks.made(set, members.get(i), Cancellation.NONE);
              } catch (carezza.problem.Problem e) {
                throw new IllegalStateException(e);
              }
            });
    System.out.printf(
        "%d looks made in %.1f s%n", members.size(), (System.nanoTime() - start) / 1e9);
  }

  private static byte[] small() throws Exception {
    try (InputStream in = SetWindow.class.getResourceAsStream("/portraits/s04/photo.jpg")) {
      Picture full =
          PictureReader.decode(Objects.requireNonNull(in).readAllBytes(), "photo.jpg").pixels();
      return PictureWriter.encode(
          Resampling.shrink(
              full, new PictureSize(full.area().width() / 3, full.area().height() / 3)),
          new PictureWriter.Settings(PictureFormat.JPEG, 92, 8, OutputProfile.SRGB),
          "small.jpg");
    }
  }

  private void open(boolean scrolls) throws Exception {
    SetState set =
        Toolkit.on(() -> new SetState(kept, SetView.thumbnailSide(), new Status(), tasks));
    SetView view =
        Toolkit.on(
            () -> {
              Look.load();
              return view(set);
            });
    Stage stage =
        Toolkit.on(
            () -> {
              Stage own = new Stage();
              own.setScene(new Scene(new javafx.scene.layout.StackPane(view.node()), 1280, 800));
              own.show();
              view.activate();
              return own;
            });
    Thread.sleep(1000);
    long start = System.nanoTime();
    Toolkit.on(
        () -> {
          set.open(folder, () -> {});
          return null;
        });
    while (Toolkit.on(() -> set.looks().size()) < PICTURES) {
      Thread.sleep(5);
    }
    Toolkit.on(() -> stage.getScene().snapshot(new WritableImage(1280, 800)));
    System.out.printf(
        "%d pictures open and drawn in %.2f s%n", PICTURES, (System.nanoTime() - start) / 1e9);
    if (scrolls) {
      Thread.sleep(2000);
      scroll(stage);
    }
    Toolkit.on(
        () -> {
          stage.hide();
          view.close();
          set.close();
          return null;
        });
  }

  private SetView view(SetState set) {
    Status status = new Status();
    return new SetView(
        set,
        new SetJobs(set, status, tasks, List::of, List::of, file -> false),
        status,
        new SetView.Opening() {
          @Override
          public void open(Path file) {
            throw new UnsupportedOperationException();
          }

          @Override
          public void askSet() {
            throw new UnsupportedOperationException();
          }

          @Override
          public void openDemoSet() {
            throw new UnsupportedOperationException();
          }
        },
        file -> {});
  }

  /** A wheel turned down and up: time between pulses, each of which moves the pictures on. */
  private void scroll(Stage stage) throws Exception {
    ListView<?> grid = (ListView<?>) stage.getScene().lookup("#set-grid");
    long[] times = new long[PULSES + 1];
    CountDownLatch done = new CountDownLatch(1);
    AnimationTimer turning =
        new AnimationTimer() {
          private int pulse;

          @Override
          public void handle(long now) {
            times[pulse] = System.nanoTime();
            if (pulse == PULSES) {
              stop();
              done.countDown();
              return;
            }
            Event.fireEvent(grid.lookup(".virtual-flow"), wheel(pulse < PULSES / 2 ? -STEP : STEP));
            pulse++;
          }
        };
    Toolkit.on(
        () -> {
          turning.start();
          return null;
        });
    done.await();
    long[] between =
        IntStream.range(0, PULSES).mapToLong(i -> times[i + 1] - times[i]).sorted().toArray();
    System.out.printf(
        "scrolling: %.1f frames a second, a frame median %.1f ms, p95 %.1f ms, most %.1f ms%n",
        PULSES * 1e9 / (times[PULSES] - times[0]),
        between[PULSES / 2] / 1e6,
        between[PULSES * 95 / 100] / 1e6,
        Arrays.stream(between).max().orElse(0) / 1e6);
  }

  private static ScrollEvent wheel(double by) {
    return new ScrollEvent(
        ScrollEvent.SCROLL,
        400,
        300,
        400,
        300,
        false,
        false,
        false,
        false,
        false,
        false,
        0,
        by,
        0,
        by,
        ScrollEvent.HorizontalTextScrollUnits.NONE,
        0,
        ScrollEvent.VerticalTextScrollUnits.NONE,
        0,
        0,
        null);
  }
}
