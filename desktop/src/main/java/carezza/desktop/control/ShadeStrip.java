package carezza.desktop.control;

import java.util.function.DoubleConsumer;
import java.util.function.DoubleSupplier;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.colour.WorkingSpace;
import carezza.desktop.text.Texts;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/** Shades from as shot to the limit, with a mark where the aim stands; a press sets it. */
public final class ShadeStrip extends Region {

  private static final Texts TEXTS = Texts.of("controls");

  private static final double WIDTH = 256;
  private static final double HEIGHT = 30;
  private static final int SHADES = 9;

  private final Canvas canvas = new Canvas(WIDTH, HEIGHT);
  private final Supplier<@Nullable Lab> shot;
  private final Supplier<@Nullable Lab> limit;
  private final DoubleSupplier aim;

  /**
   * @param shot the colour as shot, or null while it is not known
   * @param limit the colour at the limit
   * @param aim b* aimed at
   * @param set takes another b*
   */
  public ShadeStrip(
      Supplier<@Nullable Lab> shot,
      Supplier<@Nullable Lab> limit,
      DoubleSupplier aim,
      DoubleConsumer set) {
    this.shot = shot;
    this.limit = limit;
    this.aim = aim;
    setId("shades");
    getChildren().add(canvas);
    setPrefSize(WIDTH, HEIGHT);
    setMinSize(WIDTH, HEIGHT);
    Tooltip.install(canvas, new Tooltip(TEXTS.get("shadeStrip.from-as-shot-left-to-the")));
    canvas.setOnMousePressed(e -> press(e.getX(), set));
    canvas.setOnMouseDragged(e -> press(e.getX(), set));
  }

  private void press(double x, DoubleConsumer set) {
    Lab from = shot.get();
    if (from != null) {
      double share = Math.clamp(x / WIDTH, 0, 1);
      set.accept(from.b() + share * (limit.get().b() - from.b()));
    }
  }

  public void refresh() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, WIDTH, HEIGHT);
    Lab from = shot.get();
    if (from == null) {
      return;
    }
    Lab to = limit.get();
    double step = WIDTH / SHADES;
    for (int i = 0; i < SHADES; i++) {
      double t = (double) i / (SHADES - 1);
      g.setFill(
          colour(
              new Lab(
                  from.l() + t * (to.l() - from.l()),
                  from.a() + t * (to.a() - from.a()),
                  from.b() + t * (to.b() - from.b()))));
      g.fillRect(i * step, 6, step - 2, HEIGHT - 6);
    }
    double share = Math.clamp((aim.getAsDouble() - from.b()) / (to.b() - from.b() - 1e-6), 0, 1);
    double x = share * (WIDTH - 8) + 4;
    g.setFill(Color.WHITE);
    g.fillPolygon(new double[] {x - 5, x + 5, x}, new double[] {0, 0, 6}, 3);
  }

  /** Two colours side by side. */
  public static Node pair(Lab dark, Lab light) {
    return new HBox(new Rectangle(16, 14, colour(dark)), new Rectangle(16, 14, colour(light)));
  }

  /** On the screen, which is taken for sRGB. */
  public static Color colour(Lab lab) {
    double[] working = lab.toWorking();
    Area one = new Area(0, 0, 1, 1);
    Picture srgb =
        WorkingSpace.toSrgb(
            new Picture(
                Plane.filled(one, (float) working[0]),
                Plane.filled(one, (float) working[1]),
                Plane.filled(one, (float) working[2])));
    return Color.color(
        Math.clamp(srgb.first().values()[0], 0f, 1f),
        Math.clamp(srgb.second().values()[0], 0f, 1f),
        Math.clamp(srgb.third().values()[0], 0f, 1f));
  }
}
