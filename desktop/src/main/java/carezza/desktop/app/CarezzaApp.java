package carezza.desktop.app;

import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.stage.Stage;

import org.jspecify.annotations.Nullable;

import carezza.desktop.demo.Demo;
import carezza.desktop.style.Look;
import carezza.file.ApplicationFolder;
import carezza.project.Document;
import carezza.session.KeptFiles;

/** The window. */
public final class CarezzaApp extends Application {

  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;

  @SuppressWarnings("NullAway.Init")
  private Shell view;

  /** The demo, read while the window is made; null where another thing is opened. */
  private @Nullable FutureTask<Document> demo;

  @Override
  public void init() {
    if (getParameters().getUnnamed().contains("demo")) {
      demo = new FutureTask<>(Demo::cellist);
      Thread.ofPlatform().name("demo").daemon().start(demo);
    }
  }

  @Override
  public void start(Stage stage) {
    Look.load();
    KeptFiles.keepIn(ApplicationFolder.path().resolve("known"));
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
    view.follow(stage.focusedProperty());
    stage.show();
    String open = getParameters().getNamed().get("open");
    if (demo != null) {
      view.open("The Cellist", this::demo);
    } else if (open != null) {
      view.open(Path.of(open));
    } else {
      view.navigation().showStart();
    }
  }

  private Document demo() throws Exception {
    try {
      return Objects.requireNonNull(demo).get();
    } catch (ExecutionException e) {
      throw e.getCause() instanceof Exception cause ? cause : e;
    }
  }

  @Override
  public void stop() {
    view.close();
  }
}
