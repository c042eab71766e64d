package carezza.desktop.layer;

import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

import carezza.desktop.control.ShadeStrip;
import carezza.desktop.state.AppState;
import carezza.model.GradientMapLayer;
import carezza.model.Tint;

/** The colours that the selected gradient map gives, from dark to light. */
final class GradientStrip extends Region {

  private static final double WIDTH = 256;
  private static final double HEIGHT = 22;

  private final AppState state;
  private final Canvas canvas = new Canvas(WIDTH, HEIGHT);

  GradientStrip(AppState state) {
    this.state = state;
    getChildren().add(canvas);
    setPrefSize(WIDTH, HEIGHT);
    setMinSize(WIDTH, HEIGHT);
  }

  void refresh() {
    EvenPanels.own(state, GradientMapLayer.class).ifPresent(this::draw);
  }

  private void draw(GradientMapLayer layer) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    for (int x = 0; x < WIDTH; x++) {
      g.setFill(ShadeStrip.colour(layer.at(x / (WIDTH - 1))));
      g.fillRect(x, 0, 1, HEIGHT);
    }
  }

  /** Two tones side by side. */
  static Node pair(Tint darks, Tint lights) {
    return new HBox(
        new Rectangle(16, 14, ShadeStrip.colour(GradePanels.tinted(30, darks))),
        new Rectangle(16, 14, ShadeStrip.colour(GradePanels.tinted(78, lights))));
  }
}
