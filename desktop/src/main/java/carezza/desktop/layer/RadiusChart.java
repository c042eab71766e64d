package carezza.desktop.layer;

import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.desktop.picture.MaskView;
import carezza.desktop.picture.ViewPixels;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AdviceState.Radius;
import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.kernel.SeparationRadiusAdvisor.Advice;
import carezza.kernel.SeparationRadiusAdvisor.Step;
import carezza.model.FrequencySeparationLayer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.session.Session;

/**
 * Where the radius of a separation stands: how much of the pores is left in the tone, which falls
 * with the radius, and how much of the blotches has gone into the texture, which rises; the band
 * between; and both bands at 100 % of a place of skin and of an eye.
 */
final class RadiusChart extends VBox {

  private static final Texts TEXTS = Texts.of("panels");

  private static final double WIDTH = 252;
  private static final double HEIGHT = 74;

  /** Side of a patch, in pixels of the photograph and of the screen. */
  private static final int PATCH = 122;

  /** Shares that the advice goes by are low: the chart stretches them. */
  private static final double HIGHEST = 0.6;

  private final AppState state;
  private final String layer;
  private final Canvas canvas = new Canvas(WIDTH, HEIGHT);
  private final Label words = new Label();
  private final ImageView[] patches = new ImageView[4];
  private final Lane drawing;
  private @Nullable Object asked;
  private @Nullable Object shown;

  /**
   * @param drawing lane for the patches
   */
  RadiusChart(AppState state, Lane drawing, String layer) {
    super(5);
    this.state = state;
    this.drawing = drawing;
    this.layer = layer;
    setId("radius-chart");
    Tooltip.install(canvas, new Tooltip(TEXTS.get("radiusChart.falling-pores-left-in-the-tone")));
    words.setId("advice");
    words.setWrapText(true);
    words.getStyleClass().add("row-words");
    GridPane grid = new GridPane(6, 4);
    String[] names = {
      TEXTS.get("radiusChart.tone-of-skin"),
      TEXTS.get("radiusChart.texture-of-skin"),
      TEXTS.get("radiusChart.tone-at-the-eye"),
      TEXTS.get("radiusChart.texture-at-the-eye")
    };
    for (int i = 0; i < 4; i++) {
      patches[i] = new ImageView();
      Label name = new Label(names[i]);
      name.getStyleClass().add("row-value");
      grid.add(new VBox(1, patches[i], name), i % 2, i / 2);
    }
    getChildren().addAll(canvas, words, grid);
  }

  /** Follows the layer, and what lies below it. */
  void refresh() {
    Project project = state.document().project();
    if (!(state.document().stack().find(layer).orElse(null)
        instanceof FrequencySeparationLayer own)) {
      return;
    }
    Object below =
        List.of(
            project.stack().lowest(state.document().stack().indexOf(layer)), project.allFaces());
    if (!below.equals(asked)) {
      asked = below;
      state.advice().measureRadius(layer);
    }
    Radius radius = state.advice().radiusProperty().get();
    if (radius == null || !radius.layer().equals(layer)) {
      words.setText(TEXTS.get("radiusChart.measuring-pores-and-blotches"));
      return;
    }
    Advice advice = radius.advice().curve();
    double now = own.radius() == null ? advice.advised() : own.radius();
    draw(advice, now);
    words.setText(said(advice, own.radius(), now));
    Object wanted = List.of(below, now);
    if (!wanted.equals(shown)) {
      shown = wanted;
      patches(project, radius, now);
    }
  }

  private static String said(Advice advice, @Nullable Double set, double now) {
    if (advice.curve().isEmpty()) {
      return TEXTS.get("radiusChart.no-skin-to-measure-px-suits", now);
    }
    String band =
        advice.from() <= advice.to()
            ? TEXTS.get("radiusChart.advised-px-good-up-to-px", advice.advised(), advice.to())
            : TEXTS.get("radiusChart.no-radius-parts-this-skin-cleanly", advice.advised());
    if (set == null) {
      return band + TEXTS.get("radiusChart.the-layer-follows-the-advice");
    }
    if (now < 0.95 * Math.min(advice.from(), advice.advised())) {
      return band + TEXTS.get("radiusChart.here-too-small-pores-stay-in");
    }
    return now > 1.05 * Math.max(advice.to(), advice.advised())
        ? band + TEXTS.get("radiusChart.here-too-large-blotches-go-into")
        : band + TEXTS.get("radiusChart.set-by-hand-inside-the-band");
  }

  private void draw(Advice advice, double now) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, WIDTH, HEIGHT);
    g.setFill(Color.gray(0, 0.3));
    g.fillRect(0, 0, WIDTH, HEIGHT);
    List<Step> curve = advice.curve();
    if (curve.isEmpty()) {
      return;
    }
    double low = Math.log(curve.getFirst().sigma());
    double span = Math.log(curve.getLast().sigma()) - low;
    double from = (Math.log(advice.from()) - low) / span * WIDTH;
    double to = (Math.log(advice.to()) - low) / span * WIDTH;
    g.setFill(Color.gray(1, 0.28));
    g.fillRect(Math.min(from, to), 0, Math.max(2, Math.abs(to - from)), HEIGHT);
    double[] x = new double[curve.size()];
    double[] pores = new double[x.length];
    double[] blotches = new double[x.length];
    for (int i = 0; i < x.length; i++) {
      x[i] = (Math.log(curve.get(i).sigma()) - low) / span * WIDTH;
      pores[i] = HEIGHT - Math.min(1, curve.get(i).residual() / HIGHEST) * (HEIGHT - 4) - 2;
      blotches[i] = HEIGHT - Math.min(1, curve.get(i).leak() / HIGHEST) * (HEIGHT - 4) - 2;
    }
    g.setStroke(Color.WHITE);
    g.setLineWidth(1.6);
    g.strokePolyline(x, pores, x.length);
    g.setLineDashes(5, 3);
    g.strokePolyline(x, blotches, x.length);
    g.setLineDashes();
    double at = Math.clamp((Math.log(now) - low) / span, 0, 1) * WIDTH;
    g.setStroke(Color.BLACK);
    g.setLineWidth(3.5);
    g.strokeLine(at, 0, at, HEIGHT);
    g.setStroke(Color.WHITE);
    g.setLineWidth(1.5);
    g.strokeLine(at, 0, at, HEIGHT);
  }

  private void patches(Project project, Radius radius, double sigma) {
    Session session = state.document().session();
    Area[] areas = {
      around(session, radius.advice().skin()), around(session, radius.advice().eye())
    };
    drawing.newest(
        cancellation -> {
          Picture[] made = new Picture[4];
          for (int i = 0; i < 2; i++) {
            List<Picture> bands =
                session.advice().bands(project, layer, areas[i], sigma, cancellation);
            made[2 * i] = bands.get(0);
            made[2 * i + 1] = bands.get(1);
          }
          return made;
        },
        made -> {
          for (int i = 0; i < 4; i++) {
            patches[i].setImage(image(made[i], state.view().screenProperty().get()));
          }
        },
        state.status()::fail);
  }

  private static Area around(Session session, Point place) {
    Area whole = session.size().area();
    int w = Math.min(PATCH, whole.width());
    int h = Math.min(PATCH * 3 / 4, whole.height());
    int x = Math.clamp((int) place.x() - w / 2, 0, whole.width() - w);
    int y = Math.clamp((int) place.y() - h / 2, 0, whole.height() - h);
    return new Area(x, y, w, h);
  }

  private static WritableImage image(Picture picture, ScreenColour screen) {
    Area a = picture.area();
    ViewPort port = new ViewPort(a.x(), a.y(), 1, a.width(), a.height());
    int[] argb = ViewPixels.of(picture, null, MaskView.GREY_OUTSIDE, screen, port, 0, a).argb();
    WritableImage image = new WritableImage(a.width(), a.height());
    image
        .getPixelWriter()
        .setPixels(
            0, 0, a.width(), a.height(), PixelFormat.getIntArgbPreInstance(), argb, 0, a.width());
    return image;
  }
}
