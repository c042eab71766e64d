package carezza.desktop.app;

import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import javafx.stage.Stage;

/** The window. */
public final class CarezzaApp extends Application {

  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;

  private Shell view;

  /** Loads the fonts that ship with the application. */
  public static void loadFonts() {
    for (String font : new String[] {"Inter-Regular", "Inter-Medium"}) {
      Font.loadFont(
          CarezzaApp.class.getResourceAsStream("/carezza/desktop/fonts/" + font + ".otf"), 13);
    }
  }

  @Override
  public void start(Stage stage) {
    loadFonts();
    view = new Shell();
    stage.titleProperty().bind(view.windowTitleProperty());
    stage.setScene(new Scene(view, WIDTH, HEIGHT));
    stage.setOnCloseRequest(
        e -> {
          if (!view.mayClose()) {
            e.consume();
          }
        });
    WindowPlace place = new WindowPlace(view.settings());
    place.recall(stage);
    stage.setOnHiding(e -> place.keep(stage));
    stage.show();
    view.picture().requestFocus();
    String open = getParameters().getNamed().get("open");
    if (getParameters().getUnnamed().contains("demo")) {
      view.openUnderstudy();
    } else if (open != null) {
      view.open(java.nio.file.Path.of(open));
    }
  }

  @Override
  public void stop() {
    view.close();
  }
}
