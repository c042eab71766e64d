package carezza.desktop.view.start;

import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import carezza.desktop.app.Actions;
import carezza.desktop.app.Home;

/** What stands in the window before a picture is open: the demo, recent projects, a file of one's own. */
public final class StartView extends VBox {

  private static final double PICTURE_HEIGHT = 230;

  /** A card's height: a button does not ask its wrapped words how tall they are. */
  private static final double CARD_HEIGHT = PICTURE_HEIGHT + 92;

  public StartView(Actions actions, Home home) {
    super(26);
    setId("start");
    getStyleClass().add("start");
    setAlignment(Pos.CENTER);
    setPadding(new Insets(30));
    Label name = new Label("Carezza");
    name.getStyleClass().add("wordmark");
    Label line = new Label("Every touch is a recipe, never a pixel.");
    line.getStyleClass().add("motto");
    HBox demos =
        new HBox(
            22,
            demo(
                "demo-understudy",
                "understudy",
                "The Understudy",
                "A finished retouch through all eight stages",
                actions::openUnderstudy),
            demo(
                "demo-apothecary",
                "apothecary",
                "The Apothecary",
                "As shot, face map placed: begin here",
                actions::openApothecary));
    demos.setAlignment(Pos.CENTER);
    Button open = new Button("Open a photograph or a project …");
    open.setId("open-file");
    open.getStyleClass().add("strong");
    open.setTooltip(new Tooltip("JPEG, PNG, TIFF, WebP, DNG or .carezza (Ctrl + O)"));
    open.setOnAction(e -> actions.askOpen());
    VBox files = new VBox(8, open);
    files.setAlignment(Pos.CENTER);
    files.getChildren().add(recovery(actions));
    List<Path> recent = home.recent();
    if (!recent.isEmpty()) {
      Label heading = new Label("Recent");
      heading.getStyleClass().add("heading");
      files.getChildren().add(heading);
      recent.stream().limit(4).forEach(p -> files.getChildren().add(recent(p, actions)));
    }
    Label place = new Label("Lumen Court, Sant’Orsola · Autumn cards · all people are made up");
    place.getStyleClass().add("hint");
    getChildren().addAll(new VBox(2, name, line), demos, files, place);
    ((VBox) getChildren().getFirst()).setAlignment(Pos.CENTER);
  }

  private static Node demo(String id, String picture, String title, String words, Runnable open) {
    Image image =
        new Image(
            StartView.class.getResourceAsStream("/carezza/desktop/demo/" + picture + ".jpg"),
            0,
            PICTURE_HEIGHT * 2,
            true,
            true);
    ImageView view = new ImageView(image);
    view.setFitHeight(PICTURE_HEIGHT);
    view.setPreserveRatio(true);
    Label name = new Label(title);
    name.getStyleClass().add("title");
    Label line = new Label(words);
    line.setWrapText(true);
    line.setMaxWidth(190);
    line.setMinHeight(Region.USE_PREF_SIZE);
    Button button = new Button();
    button.setId(id);
    button.getStyleClass().add("demo-card");
    button.setMinHeight(CARD_HEIGHT);
    button.setMaxHeight(CARD_HEIGHT);
    button.setGraphic(new VBox(8, view, name, line));
    button.setTooltip(new Tooltip("Opens this demo"));
    button.setAccessibleText(title);
    button.setOnAction(e -> open.run());
    return button;
  }

  private static Button recent(Path file, Actions actions) {
    Button button = new Button(file.getFileName().toString());
    button.setTooltip(new Tooltip(file.toString()));
    button.setOnAction(e -> actions.open(file));
    return button;
  }

  private static Button recovery(Actions actions) {
    Button button = new Button("Work that was not saved …");
    button.setId("recover");
    button.setTooltip(new Tooltip("What was kept when Carezza ended without saving, if there is any"));
    button.setOnAction(e -> actions.offerRecovery());
    return button;
  }
}
