package carezza.desktop.control;

import java.util.function.DoubleFunction;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

import carezza.colour.Lab;

/** Colours from one end of a scale to the other. */
public final class GradientStrip extends Region {

  private static final double WIDTH = 256;
  private static final double HEIGHT = 22;

  private final Canvas canvas = new Canvas(WIDTH, HEIGHT);

  public GradientStrip() {
    getChildren().add(canvas);
    setPrefSize(WIDTH, HEIGHT);
    setMinSize(WIDTH, HEIGHT);
  }

  /**
   * @param colours by place, 0 … 1
   */
  public void show(DoubleFunction<Lab> colours) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    for (int x = 0; x < WIDTH; x++) {
      g.setFill(ShadeStrip.colour(colours.apply(x / (WIDTH - 1))));
      g.fillRect(x, 0, 1, HEIGHT);
    }
  }

  /** Two colours side by side. */
  public static Node pair(Lab dark, Lab light) {
    return new HBox(
        new Rectangle(16, 14, ShadeStrip.colour(dark)),
        new Rectangle(16, 14, ShadeStrip.colour(light)));
  }
}
