package carezza.desktop.app;

import java.util.Arrays;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;

import carezza.desktop.state.Settings;

/**
 * How large the window was, and whether it had the whole screen; where it stands is the system's
 * choice.
 */
final class WindowPlace {

  private static final String SIZE = "window.size";
  private static final String MAXIMIZED = "window.maximized";
  private static final double LEAST_WIDTH = 800;
  private static final double LEAST_HEIGHT = 560;

  private final Settings settings;

  WindowPlace(Settings settings) {
    this.settings = settings;
  }

  /** Makes the window as large as it was, if the screen has room for that. */
  void recall(Stage stage) {
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    try {
      double[] size =
          Arrays.stream(settings.get(SIZE, "").split(" "))
              .mapToDouble(Double::parseDouble)
              .toArray();
      Rectangle2D screen = Screen.getPrimary().getVisualBounds();
      if (size.length == 2 && size[0] <= screen.getWidth() && size[1] <= screen.getHeight()) {
        stage.setWidth(Math.max(LEAST_WIDTH, size[0]));
        stage.setHeight(Math.max(LEAST_HEIGHT, size[1]));
      }
    } catch (NumberFormatException e) {
      // Nothing was kept yet, or nothing that can be read.
      return;
    }
    stage.setMaximized(Boolean.parseBoolean(settings.get(MAXIMIZED, "false")));
  }

  void keep(Stage stage) {
    settings.set(MAXIMIZED, Boolean.toString(stage.isMaximized()));
    if (!stage.isMaximized() && !stage.isFullScreen() && !stage.isIconified()) {
      settings.set(SIZE, "%.0f %.0f".formatted(stage.getWidth(), stage.getHeight()));
    }
  }
}
