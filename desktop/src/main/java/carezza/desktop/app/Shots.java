package carezza.desktop.app;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;

import org.jspecify.annotations.Nullable;

import carezza.desktop.demo.Demo;
import carezza.desktop.demo.DemoJournal;
import carezza.desktop.file.Home;
import carezza.desktop.journal.Period;
import carezza.desktop.set.SetState;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.PlanState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.style.Look;
import carezza.desktop.view.picture.BesidePictures;
import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.kernel.LayerType;
import carezza.measure.CheckView;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.OverlayLayer;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stroke;
import carezza.practice.Exercise;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.studio.StudioJournal;

/** Pictures of the main views, 1280 x 800, made from the demo in a window that is never shown. */
public final class Shots {

  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;

  private final Path folder;
  private final Path home;
  private final boolean replaces;

  @SuppressWarnings("NullAway.Init")
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

  static void remove(Path folder) throws IOException {
    try (Stream<Path> inside = Files.walk(folder)) {
      for (Path path : inside.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(path);
      }
    }
  }

  private void all() throws Problem, InterruptedException {
    Document demo = Demo.cellist();
    ToolkitThread.call(
        () -> {
          Look.load();
          view = new Shell(new Home(home), null);
          view.navigation().showStart();
          Stage stage = new Stage();
          stage.setScene(new Scene(view, WIDTH, HEIGHT));
          stage.show();
          return null;
        });
    shot("start");
    ToolkitThread.call(
        () -> {
          view.put(demo);
          return null;
        });
    ToolkitThread.await(
        () ->
            view.picture().isExact()
                && view.state().plan().planProperty().get() != null
                && !view.state().measurements().gaugesProperty().get().isEmpty());
    ToolkitThread.await(this::findingsAreDrawn);
    shot("bench");
    ToolkitThread.call(
        () -> {
          AppState state = view.state();
          state.view().maskShownProperty().set(true);
          state.selection().select("grade");
          state.part().add(MaskParts.Join.WITHIN, new Mask.RegionMask(SemanticRegion.FACE_SKIN));
          state
              .part()
              .add(
                  MaskParts.Join.WITHIN, new Mask.Range(Mask.Quantity.LIGHTNESS, 45, 60, 100, 100));
          ((ToggleButton) view.lookup("#page-where")).fire();
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    shot("mask-parts");
    ToolkitThread.call(
        () -> {
          ((ToggleButton) view.lookup("#page-what")).fire();
          while (view.state().document().undoableProperty().get()) {
            view.state().document().undo();
          }
          return null;
        });
    ToolkitThread.call(
        () -> {
          view.state().view().maskShownProperty().set(false);
          view.picture().lookAt(new Point(620, 960), 1);
          return null;
        });
    select("spots");
    ToolkitThread.await(() -> view.picture().isExact());
    shot("heal");
    select("smooth");
    ToolkitThread.await(
        () ->
            view.picture().isExact()
                && view.state().plan().planProperty().get() != null
                && view.lookup("#advice") instanceof Label words
                && words.getText().startsWith("Advised"));
    // Both bands of the patches follow the advice.
    Thread.sleep(1500);
    shot("smooth");
    select("sculpt");
    ToolkitThread.call(
        () -> {
          view.picture().fit();
          view.state().advice().turnContours();
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    Thread.sleep(1500);
    shot("sculpt");
    ToolkitThread.call(
        () -> {
          view.state().advice().turnContours();
          view.state().view().checkProperty().set(CheckView.BLOTCH);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.REDNESS);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.HUE);
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    Thread.sleep(1500);
    shot("check-view");
    ToolkitThread.call(
        () -> {
          view.state().view().checkProperty().set(null);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.REDNESS);
          ((BesidePictures) view.lookup("#beside")).turn(CheckView.HUE);
          return null;
        });
    ToolkitThread.call(
        () -> {
          view.picture().fit();
          view.state().selection().select(null);
          view.state().view().moveTo(0);
          view.state().tools().toolProperty().set(ToolKind.FACE);
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    shot("face-map");
    colour();
    ToolkitThread.call(
        () -> {
          view.state().tools().toolProperty().set(ToolKind.HAND);
          view.navigation().show(Navigation.DELIVER);
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    shot("deliver");
    ToolkitThread.call(
        () -> {
          view.navigation().showBench();
          view.showCommands();
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    shot("keys");
    plan();
    journal(demo);
    set();
    practice();
    ToolkitThread.call(
        () -> {
          view.close();
          view.getScene().getWindow().hide();
          return null;
        });
  }

  private boolean findingsAreDrawn() {
    return view.lookupAll(".finding-crop").stream()
        .map(ImageView.class::cast)
        .allMatch(crop -> crop.getImage() != null);
  }

  /** Skin, teeth, the frame, and the settled picture beside the finished one. */
  private void colour() throws Problem, InterruptedException {
    ToolkitThread.call(
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
    ToolkitThread.await(() -> view.picture().isExact());
    scroll(1);
    Thread.sleep(2500);
    shot("even");
    ToolkitThread.call(
        () -> {
          view.state().document().undo();
          return null;
        });
    select("teeth");
    ToolkitThread.call(
        () -> {
          view.picture().lookAt(new Point(830, 1100), 1);
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    Thread.sleep(2500);
    shot("teeth");
    ToolkitThread.call(
        () -> {
          view.picture().fit();
          view.state().selection().select(null);
          view.state().view().comparisonProperty().set(Comparison.BESIDE);
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    Thread.sleep(2500);
    shot("compare");
    ToolkitThread.call(
        () -> {
          view.state().view().comparisonProperty().set(Comparison.NONE);
          return null;
        });
    finish();
  }

  /** Lights behind the person, and a hand that shapes. */
  private void finish() throws Problem, InterruptedException {
    ToolkitThread.call(
        () -> {
          AppState state = view.state();
          state.selection().add(LayerType.OVERLAY);
          state.selection().edit(null, l -> ((OverlayLayer) l).withBehind(true));
          state.selection().add(LayerType.SHAPE);
          Stroke push =
              Stroke.path(List.of(new Point(440, 1270), new Point(452, 1266)), 150, 0.5, 1, false);
          state
              .selection()
              .edit(
                  null,
                  l -> ((ShapeLayer) l).plus(new ShapeLayer.Nudge(ShapeLayer.Hand.PUSH, push)));
          return null;
        });
    ToolkitThread.await(
        () ->
            view.picture().isExact()
                && view.lookup("#strain") instanceof Label words
                && words.getText().contains("%"));
    shot("finish");
    ToolkitThread.call(
        () -> {
          while (view.state().document().undoableProperty().get()) {
            view.state().document().undo();
          }
          return null;
        });
  }

  /** The plan of the portrait that waits untouched, with its draft. */
  private void plan() throws Problem, InterruptedException {
    Document prompter = Demo.prompter();
    ToolkitThread.call(
        () -> {
          view.sheets().close();
          view.put(prompter);
          return null;
        });
    PlanState plan = view.state().plan();
    ToolkitThread.await(
        () -> plan.planProperty().get() != null && !plan.planProperty().get().marks().isEmpty());
    ToolkitThread.call(
        () -> {
          view.navigation().toggle(Navigation.PLAN);
          plan.look(plan.planProperty().get().proposed());
          return null;
        });
    ToolkitThread.await(() -> plan.draftProperty().get() != null && findingsAreDrawn());
    Thread.sleep(3000);
    shot("plan");
  }

  /** The season's pictures beside one another. */
  private void set() throws Problem, InterruptedException {
    ToolkitThread.call(
        () -> {
          view.sheets().close();
          view.files().openDemoSet();
          return null;
        });
    SetState set = view.sets().set();
    ToolkitThread.await(() -> set.setProperty().get() != null);
    for (int i = 1; i <= set.setProperty().get().members().size(); i++) {
      int measured = i;
      ToolkitThread.await(
          () ->
              set.looks().values().stream().filter(look -> look.figures() != null).count()
                  >= measured);
    }
    ToolkitThread.call(
        () -> {
          set.choose(List.of("The Prompter.jpg"));
          return null;
        });
    Thread.sleep(1000);
    shot("set");
  }

  /** An exercise that was half done, beside its truth. */
  private void practice() throws Problem, InterruptedException {
    ToolkitThread.call(
        () -> {
          view.practice().open(Exercise.EVEN, 5);
          return null;
        });
    ToolkitThread.await(
        () ->
            view.practice().state().isAtWork()
                && view.state().document().project().faces() != null
                && view.picture().isExact());
    ToolkitThread.call(
        () -> {
          view.state().selection().add(LayerType.SKIN_TONE_EVENING);
          return null;
        });
    ToolkitThread.await(() -> view.picture().isExact());
    ToolkitThread.call(
        () -> {
          view.practice().finish();
          return null;
        });
    ToolkitThread.await(() -> view.practice().state().outcomeProperty().get() != null);
    Thread.sleep(1000);
    shot("practice");
  }

  /** Some days of work, and what a client reads of one picture. */
  private void journal(Document demo) throws Problem, InterruptedException {
    try (StudioJournal journal = StudioJournal.open(home)) {
      DemoJournal.fill(journal, Instant.now());
    }
    ToolkitThread.call(
        () -> {
          view.records().journal().periodProperty().set(Period.ALL);
          view.navigation().toggle(Navigation.JOURNAL);
          view.records().journal().selectedProperty().set(demo.project().photograph().sha256());
          return null;
        });
    Thread.sleep(2500);
    shot("journal");
    ToolkitThread.call(
        () -> {
          view.put(demo);
          view.records().showSheet(SheetKind.CLIENT);
          return null;
        });
    ToolkitThread.await(() -> view.lookup("#sheet-write") instanceof Button b && !b.isDisabled());
    shot("sheet");
  }

  /** How far down the panel is looked at, 0 … 1. */
  private void scroll(double share) {
    ToolkitThread.call(
        () -> {
          ((ScrollPane) view.lookup("#panel .scroll-pane")).setVvalue(share);
          return null;
        });
  }

  private void select(@Nullable String id) {
    ToolkitThread.call(
        () -> {
          AppState state = view.state();
          state.selection().select(id);
          return null;
        });
  }

  private void shot(String name) throws Problem, InterruptedException {
    // Layout and style settle over two pulses.
    Thread.sleep(300);
    BufferedImage image =
        ToolkitThread.call(
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
