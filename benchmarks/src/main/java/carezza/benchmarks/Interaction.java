package carezza.benchmarks;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.locks.LockSupport;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.colour.MonotoneCurve;
import carezza.desktop.app.Display;
import carezza.desktop.app.Shell;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Brush;
import carezza.desktop.style.Look;
import carezza.kernel.LayerType;
import carezza.model.CurveLayer;
import carezza.model.GradientMapLayer;
import carezza.model.HueBandsLayer;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.MonochromeLayer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.RecordValue;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.Tint;
import carezza.project.Document;
import carezza.project.ProjectFile;

/**
 * Work in the real window, drawn in memory: how long it takes from an input event until the picture
 * that holds it is in the view. The 24-megapixel portrait with twenty layers, whole picture in the
 * view.
 */
final class Interaction {

  private static final int STROKES = 24;

  /** Strokes of a program just started, and of one that has run a few seconds. */
  private static final int COLD = 2;

  private static final int WARM = 10;
  private static final int MOVES = 100;

  /** What a hand takes from choosing a layer to its slider. */
  private static final long TO_THE_SLIDER_MILLIS = 1000;

  private final Map<Project, Long> asked = new IdentityHashMap<>();
  private final List<Long> latencies = new ArrayList<>();
  private int frames;
  private Shell view;

  /** Kinds of layer to be measured; none for all. */
  private List<String> wanted = List.of();

  /** A soft brush on a dodge-and-burn layer with twelve layers above it. */
  static void strokes() throws Exception {
    new Interaction().inWindow(Interaction::paint);
  }

  /** Strokes of a hand that shapes, over the whole stack. */
  static void pushes() throws Exception {
    new Interaction().inWindow(Interaction::push);
  }

  /** The amount of one layer after the other, moved as by a slider. */
  static void sliders() throws Exception {
    new Interaction().inWindow(Interaction::slide);
  }

  /** A wide brush that stays inside edges, and a range changed while its mask is shown. */
  static void masks() throws Exception {
    new Interaction().inWindow(Interaction::mask);
  }

  /**
   * A value of each layer of colour, range and eyes, put on top of its stage, moved as by a slider.
   *
   * @param kinds only these, by the names of {@link LayerType}; none for all
   */
  static void colours(List<String> kinds) throws Exception {
    new Interaction()
        .inWindow(
            here -> {
              here.wanted = kinds;
              here.colour();
            });
  }

  @FunctionalInterface
  private interface Work {
    void run(Interaction here) throws Exception;
  }

  private void inWindow(Work work) throws Exception {
    // What is kept of this work is no retoucher's.
    System.setProperty("carezza.home", Files.createTempDirectory("carezza-bench").toString());
    Display.useOffscreen();
    CountDownLatch up = new CountDownLatch(1);
    Platform.startup(up::countDown);
    up.await();
    Document document = retouch();
    Toolkit.on(
        () -> {
          Look.load();
          view = new Shell();
          Stage stage = new Stage();
          stage.setScene(new Scene(view, 1280, 800));
          stage.show();
          view.put(document);
          view.state().document().projectProperty().addListener((o, was, is) -> ask(is));
          view.picture().shownProperty().addListener((o, was, is) -> shown(is));
          return null;
        });
    try {
      rest();
      work.run(this);
      Toolkit.on(
          () -> {
            view.close();
            view.getScene().getWindow().hide();
            return null;
          });
    } finally {
      Platform.exit();
    }
  }

  private void select(String layer) throws Exception {
    Toolkit.on(
        () -> {
          view.state().selection().select(layer);
          return null;
        });
    rest();
  }

  private void selectTheLast(LayerType kind) throws Exception {
    select(
        view.state().document().stack().layers().stream()
            .filter(l -> LayerType.of(l) == kind)
            .reduce((first, last) -> last)
            .map(Layer::attributes)
            .orElseThrow()
            .id());
  }

  private void mask() throws Exception {
    selectTheLast(LayerType.DODGE_BURN);
    Toolkit.on(
        () -> {
          AppState state = view.state();
          state.tools().brushProperty().set(new Brush(400, 0.5, 0.1).staying(true));
          return null;
        });
    strokes("strokes of 400 px inside edges");
    selectTheLast(LayerType.CURVE);
    Toolkit.on(
        () -> {
          view.state().view().maskShownProperty().set(true);
          return null;
        });
    rest();
    slide(
        "range with its mask shown",
        (layer, t) ->
            layer.with(
                layer
                    .attributes()
                    .withMask(
                        new Mask.Range(
                            Mask.Quantity.LIGHTNESS, 20 + 30 * t, 35 + 30 * t, 80, 90))));
  }

  private void paint() throws Exception {
    selectTheLast(LayerType.DODGE_BURN);
    strokes("strokes");
  }

  private void strokes(String what) throws Exception {
    for (int s = 0; s < STROKES; s++) {
      if (s == COLD || s == WARM) {
        rest();
        if (s == WARM) {
          report(what + ", the first", 0);
        }
        Toolkit.on(() -> latencies.removeIf(l -> true));
      }
      Hand.stroke(view, s % 12);
    }
    rest();
    report(what + ", later", 0);
  }

  private void slide() throws Exception {
    for (Layer layer : view.state().document().stack().layers()) {
      select(layer.attributes().id());
      Thread.sleep(TO_THE_SLIDER_MILLIS);
      slide(
          LayerType.of(layer).toString(), (l, t) -> l.with(l.attributes().withAmount(1 - 0.8 * t)));
      rest();
      Toolkit.on(
          () -> {
            view.state().document().undo();
            return null;
          });
    }
  }

  private void colour() throws Exception {
    value(LayerType.SKIN_TONE_EVENING, "redness", 0.1, 0.9);
    value(LayerType.SKIN_MATCH, "colour", 0.1, 1);
    fresh(
        LayerType.HUE_BANDS,
        (l, t) ->
            ((HueBandsLayer) l)
                .with(HueBandsLayer.Family.ORANGE, new HueBandsLayer.Trim(20 * t, 0, 0)));
    value(LayerType.SKIN_DEPTH, "strength", 0.1, 1);
    value(LayerType.DESATURATE, "share", 0.1, 0.9);
    fresh(
        LayerType.COLOUR_BALANCE, (l, t) -> RecordValue.with(l, "shadows", new Tint(265, 20 * t)));
    fresh(
        LayerType.GRADIENT_MAP,
        (l, t) -> ((GradientMapLayer) l).with(1, new Target(50, 10 + 40 * t, 50)));
    fresh(
        LayerType.MONOCHROME,
        (l, t) -> ((MonochromeLayer) l).with(HueBandsLayer.Family.ORANGE, 30 * t));
    value(LayerType.SATURATION, "saturation", -0.5, 0.5);
    value(LayerType.HUE_SHIFT, "turn", 5, 40);
    fresh(
        LayerType.CURVE,
        (l, t) ->
            ((CurveLayer) l)
                .withLuminance(
                    List.of(
                        new MonotoneCurve.Point(0, 0),
                        new MonotoneCurve.Point(0.5, 0.4 + 0.2 * t),
                        new MonotoneCurve.Point(1, 1))));
    value(LayerType.TEETH, "target", 4, 14);
    value(LayerType.SCLERA, "target", 2, 9);
    value(LayerType.IRIS, "contrast", 0.1, 0.6);
    value(LayerType.CATCHLIGHT, "gain", 0.1, 0.9);
    value(LayerType.LIPS, "target", 20, 45);
    // Last, on a program that is warm: all the stack lies above them.
    value(LayerType.WHITE_BALANCE, "temperature", 5200, 7600);
    value(LayerType.EXPOSURE, "stops", -0.5, 0.5);
    value(LayerType.LEVELS, "black", 0, 0.1);
    value(LayerType.LEVELS, "shadows", 0.1, 1);
    value(LayerType.LOCAL_CONTRAST, "contrast", 0.1, 0.6);
    value(LayerType.LOCAL_CONTRAST, "haze", 0.1, 0.6);
    value(LayerType.BACKDROP, "texture", 0, 1);
    value(LayerType.VIGNETTE, "stops", -1.5, 0);
    value(LayerType.NOISE_REDUCTION, "lightness", 0.2, 2);
    value(LayerType.SHARPEN, "haloLimit", 1, 8);
    value(LayerType.GLOW, "glow", 0.1, 0.6);
    value(LayerType.FOCUS_FALLOFF, "radius", 5, 40);
    value(LayerType.OVERLAY, "x", 0.3, 0.7);
    value(LayerType.GRAIN, "strength", 0.5, 4);
    value(LayerType.SHAPE, "width", 0.97, 1.03);
    value(LayerType.SHAPE, "lens.k1", -0.06, 0.06);
  }

  /** A hand that pushes what is seen. */
  private void push() throws Exception {
    Toolkit.on(
        () -> {
          view.state().selection().add(LayerType.SHAPE);
          view.state().tools().brushProperty().set(new Brush(300, 0.5, 1));
          return null;
        });
    rest();
    strokes("pushes of 300 px");
  }

  private void value(LayerType kind, String name, double from, double to) throws Exception {
    fresh(kind, (l, t) -> RecordValue.with(l, name, from + t * (to - from)));
  }

  /** Adds a layer, moves one of its values, and takes it back. */
  private void fresh(LayerType kind, Slide slide) throws Exception {
    if (!wanted.isEmpty() && !wanted.contains(kind.name())) {
      return;
    }
    Toolkit.on(
        () -> {
          view.state().selection().add(kind);
          return null;
        });
    rest();
    Thread.sleep(TO_THE_SLIDER_MILLIS);
    slide(kind.key(), slide);
    rest();
    Toolkit.on(
        () -> {
          view.state().document().undo();
          view.state().document().undo();
          return null;
        });
    rest();
  }

  /** What a slider does to a layer, from 0 at one end to 1 at the other. */
  private interface Slide {
    Layer to(Layer layer, double t);
  }

  private void slide(String what, Slide slide) throws Exception {
    Toolkit.on(
        () -> {
          latencies.clear();
          return null;
        });
    long start = System.nanoTime();
    int first = frames();
    for (int i = 0; i < MOVES; i++) {
      double t = (double) i / MOVES;
      Toolkit.on(
          () -> {
            view.state().selection().edit("slide", l -> slide.to(l, t));
            return null;
          });
      LockSupport.parkNanos(2 * Hand.EVENT_NANOS);
    }
    double seconds = (System.nanoTime() - start) / 1e9;
    report(what, (frames() - first) / seconds);
  }

  private int frames() throws Exception {
    return Toolkit.on(() -> frames);
  }

  private void report(String what, double perSecond) throws Exception {
    long[] sorted =
        Toolkit.on(() -> latencies.stream().mapToLong(Long::longValue).sorted().toArray());
    System.out.printf(
        "%s: %d events shown: median %.1f ms, p95 %.1f ms, most %.1f ms%s%n",
        what,
        sorted.length,
        sorted[sorted.length / 2] / 1e6,
        sorted[sorted.length * 95 / 100] / 1e6,
        Arrays.stream(sorted).max().orElse(0) / 1e6,
        perSecond == 0 ? "" : ", %.0f frames per second".formatted(perSecond));
  }

  private static Document retouch() throws Exception {
    LargePortrait portrait = LargePortrait.of24Megapixels();
    byte[] file =
        PictureWriter.encode(
            portrait.pixels(),
            new PictureWriter.Settings(PictureFormat.JPEG, 95, 8, OutputProfile.SRGB),
            "large.jpg");
    Document started = ProjectFile.start(file, "large.jpg");
    return started.with(
        started.project().withFaces(portrait.faces()).withStack(BeautyStack.on(portrait.faces())),
        null);
  }

  private void ask(Project project) {
    asked.put(project, System.nanoTime());
  }

  /** All that was asked up to this project is in the view now. */
  private void shown(Project project) {
    Long at = asked.get(project);
    frames++;
    if (at == null) {
      return;
    }
    long now = System.nanoTime();
    asked
        .values()
        .removeIf(
            t -> {
              if (t <= at) {
                latencies.add(now - t);
              }
              return t <= at;
            });
  }

  /** Waits until the view is exact and the gauges are read. */
  private void rest() throws Exception {
    Thread.sleep(400);
    while (!Toolkit.on(
        () -> view.picture().isExact() && !view.state().measurements().underWayProperty().get())) {
      Thread.sleep(100);
    }
  }
}
