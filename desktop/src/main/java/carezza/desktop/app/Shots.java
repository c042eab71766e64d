package carezza.desktop.app;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;

import carezza.desktop.demo.Demo;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.ToolKind;
import carezza.desktop.style.Look;
import carezza.desktop.view.picture.BesidePictures;
import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.measure.CheckView;
import carezza.model.Crop;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.SkinToneEveningLayer;
import carezza.problem.Problem;
import carezza.project.Document;

/** Pictures of the main views, 1280 x 800, made from the demo in a window that is never shown. */
public final class Shots {

  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;
  private static final long PATIENCE_SECONDS = 120;

  private final Path folder;
  private final Path home;
  private final boolean replaces;
  private Shell view;

  private Shots(Path folder, Path home, boolean replaces) {
    this.folder = folder;
    this.home = home;
    this.replaces = replaces;
  }

  /**
   * Takes all pictures; the toolkit must be allowed to run offscreen.
   *
   * @param replaces whether pictures that are there may be written over
   */
  public static void take(Path folder, boolean replaces) throws Problem {
    try {
      Files.createDirectories(folder);
      CountDownLatch up = new CountDownLatch(1);
      Platform.startup(up::countDown);
      up.await();
      // What is edited for a picture is nobody's unsaved work.
      Path home = Files.createTempDirectory("carezza-shots");
      try {
        new Shots(folder, home, replaces).all();
      } finally {
        remove(home);
      }
    } catch (IOException e) {
      throw new Problem(e, Problem.Kind.FILE_NOT_WRITTEN, folder, Reason.of(e));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("Interrupted while taking pictures", e);
    }
  }

  private static void remove(Path folder) throws IOException {
    try (Stream<Path> inside = Files.walk(folder)) {
      for (Path path : inside.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(path);
      }
    }
  }

  private void all() throws Problem, InterruptedException {
    Document demo = Demo.understudy();
    onStage(
        () -> {
          Look.load();
          view = new Shell(new Home(home), null);
          view.showStart();
          Stage stage = new Stage();
          stage.setScene(new Scene(view, WIDTH, HEIGHT));
          stage.show();
          return null;
        });
    shot("start");
    onStage(
        () -> {
          view.put(demo);
          return null;
        });
    await(
        () ->
            view.picture().isExact()
                && !view.state().measurements().gaugesProperty().get().isEmpty());
    shot("bench");
    select("sculpt");
    onStage(
        () -> {
          view.state().view().maskShownProperty().set(true);
          return null;
        });
    await(() -> view.picture().isExact());
    shot("mask");
    onStage(
        () -> {
          AppState state = view.state();
          state.selection().select("grade");
          state.part().add(MaskParts.Join.WITHIN, new Mask.RegionMask(SemanticRegion.FACE_SKIN));
          state
              .part()
              .add(
                  MaskParts.Join.WITHIN, new Mask.Range(Mask.Quantity.LIGHTNESS, 45, 60, 100, 100));
          ((ToggleButton) view.lookup("#page-where")).fire();
          return null;
        });
    await(() -> view.picture().isExact());
    shot("mask-parts");
    onStage(
        () -> {
          ((ToggleButton) view.lookup("#page-what")).fire();
          while (view.state().document().undoableProperty().get()) {
            view.state().document().undo();
          }
          return null;
        });
    onStage(
        () -> {
          view.state().view().maskShownProperty().set(false);
          view.picture().lookAt(new Point(860, 900), 1);
          return null;
        });
    select("spots");
    await(() -> view.picture().isExact());
    shot("heal");
    onStage(
        () -> {
          view.state().proposals().look();
          return null;
        });
    await(() -> !view.state().proposals().allProperty().get().isEmpty());
    onStage(
        () -> {
          view.state().proposals().next();
          return null;
        });
    await(() -> view.picture().isExact());
    shot("proposals");
    select("smooth");
    await(
        () ->
            view.picture().isExact()
                && view.lookup("#advice") instanceof Label words
                && words.getText().startsWith("Advised"));
    // Both bands of the patches follow the advice.
    Thread.sleep(1500);
    shot("smooth");
    select("sculpt");
    onStage(
        () -> {
          view.picture().fit();
          view.state().advice().turnContours();
          return null;
        });
    await(() -> view.picture().isExact());
    Thread.sleep(1500);
    shot("sculpt");
    onStage(
        () -> {
          view.state().advice().turnContours();
          view.state().view().checkProperty().set(CheckView.BLOTCH);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.REDNESS);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.HUE);
          return null;
        });
    await(() -> view.picture().isExact());
    Thread.sleep(1500);
    shot("check-view");
    onStage(
        () -> {
          view.state().view().checkProperty().set(null);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.REDNESS);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.HUE);
          return null;
        });
    onStage(
        () -> {
          view.picture().fit();
          view.state().selection().select(null);
          view.state().view().moveTo(0);
          view.state().tools().toolProperty().set(ToolKind.FACE);
          return null;
        });
    await(() -> view.picture().isExact());
    shot("face-map");
    colour();
    onStage(
        () -> {
          view.state().tools().toolProperty().set(ToolKind.HAND);
          view.showDeliver();
          return null;
        });
    await(() -> view.picture().isExact());
    shot("deliver");
    onStage(
        () -> {
          view.showBench();
          view.showCommands();
          return null;
        });
    await(() -> view.picture().isExact());
    shot("keys");
    onStage(
        () -> {
          view.close();
          view.getScene().getWindow().hide();
          return null;
        });
  }

  /** Skin, teeth, the frame, and the settled picture beside the finished one. */
  private void colour() throws Problem, InterruptedException {
    onStage(
        () -> {
          AppState state = view.state();
          state.view().moveTo(state.document().stack().size());
          state.selection().select("even");
          state
              .selection()
              .edit(
                  null,
                  l ->
                      ((SkinToneEveningLayer) l)
                          .withRange(new SkinToneEveningLayer.Wedge(54, 32, 6, 52)));
          return null;
        });
    await(() -> view.picture().isExact());
    scroll(1);
    Thread.sleep(2500);
    shot("even");
    onStage(
        () -> {
          view.state().document().undo();
          return null;
        });
    select("teeth");
    onStage(
        () -> {
          view.picture().lookAt(new Point(770, 1330), 1);
          return null;
        });
    await(() -> view.picture().isExact());
    Thread.sleep(2500);
    shot("teeth");
    onStage(
        () -> {
          AppState state = view.state();
          view.picture().fit();
          state.selection().select(null);
          state.tools().toolProperty().set(ToolKind.FRAME);
          state.document().edit(null, p -> p.withCrop(new Crop(780, 960, 1240, 1550, 2)));
          return null;
        });
    await(() -> view.picture().isExact());
    shot("frame");
    onStage(
        () -> {
          view.state().document().undo();
          view.state().tools().toolProperty().set(ToolKind.HAND);
          view.state().view().comparisonProperty().set(Comparison.BESIDE);
          return null;
        });
    await(() -> view.picture().isExact());
    Thread.sleep(2500);
    shot("compare");
    onStage(
        () -> {
          view.state().view().comparisonProperty().set(Comparison.NONE);
          view.state().selection().select("eyes");
          view.state().selection().group();
          view.state().selection().edit(null, l -> l.with(l.attributes().withAmount(0.7)));
          return null;
        });
    await(() -> view.picture().isExact());
    Thread.sleep(2500);
    shot("group");
  }

  /** How far down the panel is looked at, 0 … 1. */
  private void scroll(double share) {
    onStage(
        () -> {
          ((ScrollPane) view.lookup("#panel .scroll-pane")).setVvalue(share);
          return null;
        });
  }

  private void select(String id) {
    onStage(
        () -> {
          AppState state = view.state();
          state.selection().select(id);
          return null;
        });
  }

  private static <T> T onStage(Callable<T> work) {
    FutureTask<T> task = new FutureTask<>(work);
    Platform.runLater(task);
    try {
      return task.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("Interrupted", e);
    } catch (ExecutionException | TimeoutException e) {
      throw new IllegalStateException("The window did not answer", e);
    }
  }

  private static void await(BooleanSupplier ready) throws InterruptedException {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
    while (!onStage(ready::getAsBoolean)) {
      if (System.nanoTime() > end) {
        throw new IllegalStateException("The picture was not ready in time");
      }
      Thread.sleep(50);
    }
  }

  private void shot(String name) throws Problem, InterruptedException {
    // Layout and style settle over two pulses.
    Thread.sleep(300);
    BufferedImage image =
        onStage(
            () -> {
              WritableImage snapshot = view.getScene().snapshot(null);
              return toBuffered(snapshot);
            });
    AtomicFile.of(folder.resolve(name + ".png"), replaces)
        .write(out -> ImageIO.write(image, "png", out));
  }

  private static BufferedImage toBuffered(WritableImage snapshot) {
    int w = (int) snapshot.getWidth();
    int h = (int) snapshot.getHeight();
    BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    PixelReader reader = snapshot.getPixelReader();
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        image.setRGB(x, y, reader.getArgb(x, y));
      }
    }
    return image;
  }
}
