package carezza.desktop.app;

import java.util.Arrays;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;

import carezza.desktop.state.Settings;

/** Where the window stood, and whether it had the whole screen. */
final class WindowPlace {

  private static final String PLACE = "window.place";
  private static final String MAXIMIZED = "window.maximized";
  private static final double LEAST_WIDTH = 800;
  private static final double LEAST_HEIGHT = 560;

  private final Settings settings;

  WindowPlace(Settings settings) {
    this.settings = settings;
  }

  /** Puts the window where it was, if enough of that is on a screen. */
  void recall(Stage stage) {
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    try {
      double[] at =
          Arrays.stream(settings.get(PLACE, "").split(" "))
              .mapToDouble(Double::parseDouble)
              .toArray();
      if (at.length == 4 && onScreen(at)) {
        stage.setX(at[0]);
        stage.setY(at[1]);
        stage.setWidth(at[2]);
        stage.setHeight(at[3]);
      }
    } catch (NumberFormatException e) {
      // Nothing was kept yet, or nothing that can be read.
      return;
    }
    stage.setMaximized(Boolean.parseBoolean(settings.get(MAXIMIZED, "false")));
  }

  private static boolean onScreen(double[] at) {
    Rectangle2D place = new Rectangle2D(at[0], at[1], at[2], at[3]);
    return at[2] >= LEAST_WIDTH
        && at[3] >= LEAST_HEIGHT
        && Screen.getScreens().stream()
            .map(Screen::getVisualBounds)
            .anyMatch(s -> s.intersects(place) && s.contains(at[0] + at[2] / 2, at[1] + 10));
  }

  void keep(Stage stage) {
    settings.set(MAXIMIZED, Boolean.toString(stage.isMaximized()));
    if (!stage.isMaximized() && !stage.isFullScreen() && !stage.isIconified()) {
      settings.set(
          PLACE,
          "%.0f %.0f %.0f %.0f"
              .formatted(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight()));
    }
  }
}
