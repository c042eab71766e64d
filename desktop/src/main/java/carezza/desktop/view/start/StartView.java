package carezza.desktop.view.start;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Supplier;
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

import carezza.desktop.action.Scope;
import carezza.desktop.state.Status;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.desktop.view.WorkLine;

/**
 * What stands in the window before a picture is open: the demo, recent projects, a file of one's
 * own.
 */
public final class StartView implements AppView {

  private static final Texts TEXTS = Texts.of("start");

  private static final double PICTURE_HEIGHT = 230;

  /** A card's height: a button does not ask its wrapped words how tall they are. */
  private static final double CARD_HEIGHT = PICTURE_HEIGHT + 92;

  private static final int MOST_RECENT = 4;

  /** What can be opened. */
  public interface Opening {

    void askOpen();

    void open(Path file);

    /** Shows what earlier runs did not save, if there is anything. */
    void offerRecovery();

    /** The demo that is finished. */
    void openFinished();

    /** The demo that is as the camera made it. */
    void openAsShot();

    /** The demo of many pictures. */
    void openDemoSet();

    /** Asks for a folder to open as a set. */
    void askSet();
  }

  private final Opening opening;
  private final Supplier<List<Path>> recent;
  private final VBox box = new VBox(26);
  private final VBox files = new VBox(8);
  private final WorkLine line;

  /**
   * @param recent projects, the newest first
   * @param status what is under way
   */
  public StartView(Opening opening, Supplier<List<Path>> recent, Status status) {
    line = new WorkLine(status, "start-");
    this.opening = opening;
    this.recent = recent;
    box.setId("start");
    box.getStyleClass().add("start");
    box.setAlignment(Pos.CENTER);
    box.setPadding(new Insets(30));
  }

  /**
   * The demos' pictures are read when they are first seen: a program opened with a file waits for
   * none.
   */
  private void fill() {
    Label name = new Label("Carezza");
    name.getStyleClass().add("wordmark");
    Label motto = new Label(TEXTS.get("startView.every-touch-is-a-recipe-never"));
    motto.getStyleClass().add("motto");
    VBox top = new VBox(2, name, motto);
    top.setAlignment(Pos.CENTER);
    HBox demos =
        new HBox(
            22,
            demo(
                "demo-cellist",
                "cellist",
                "The Cellist",
                TEXTS.get("startView.a-finished-retouch-through-all-eight"),
                opening::openFinished),
            demo(
                "demo-prompter",
                "prompter",
                "The Prompter",
                TEXTS.get("startView.as-shot-begin-here"),
                opening::openAsShot),
            demo(
                "demo-set",
                "lighthouse-keeper",
                TEXTS.get("startView.autumn-cards"),
                TEXTS.get("startView.many-pictures-as-one-piece-of"),
                opening::openDemoSet));
    demos.setAlignment(Pos.CENTER);
    files.setAlignment(Pos.CENTER);
    Label place = new Label(TEXTS.get("startView.lumen-court-sant-orsola-autumn-cards"));
    place.getStyleClass().add("hint");
    line.setAlignment(Pos.CENTER);
    box.getChildren().addAll(top, demos, files, place, line);
  }

  @Override
  public String id() {
    return "start";
  }

  @Override
  public String title() {
    return TEXTS.get("startView.start");
  }

  @Override
  public String hint() {
    return TEXTS.get("startView.demos-recent-projects-a-file-of");
  }

  @Override
  public boolean listed() {
    return false;
  }

  @Override
  public boolean needsDocument() {
    return false;
  }

  @Override
  public Node node() {
    return box;
  }

  @Override
  public void activate() {
    if (box.getChildren().isEmpty()) {
      fill();
    }
    Button open = new Button(TEXTS.get("startView.open-a-photograph-or-a-project"));
    open.setId("open-file");
    open.getStyleClass().add("strong");
    open.setTooltip(new Tooltip(TEXTS.get("startView.jpeg-png-tiff-webp-dng-or")));
    open.setOnAction(e -> opening.askOpen());
    Button folder = new Button(TEXTS.get("startView.open-a-folder"));
    folder.setId("open-folder");
    folder.setTooltip(new Tooltip(TEXTS.get("startView.open-a-folder.tip")));
    folder.setOnAction(e -> opening.askSet());
    HBox ways = new HBox(10, open, folder);
    ways.setAlignment(Pos.CENTER);
    files.getChildren().setAll(ways, recovery(opening));
    List<Path> known = recent.get();
    if (!known.isEmpty()) {
      Label heading = new Label(TEXTS.get("startView.recent"));
      heading.getStyleClass().add("heading");
      files.getChildren().add(heading);
      known.stream().limit(MOST_RECENT).forEach(p -> files.getChildren().add(recent(p, opening)));
    }
    takeFocus();
  }

  @Override
  public void takeFocus() {
    Node open = files.lookup("#open-file");
    if (open != null) {
      open.requestFocus();
    }
  }

  @Override
  public Scope scope() {
    return Scope.APPLICATION;
  }

  @Override
  public void close() {
    line.close();
  }

  private static Node demo(String id, String picture, String title, String words, Runnable open) {
    Image image =
        new Image(
            StartView.class
                .getResource("/carezza/desktop/demo/" + picture + ".jpg")
                .toExternalForm(),
            0,
            PICTURE_HEIGHT * 2,
            true,
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
    button.setTooltip(new Tooltip(TEXTS.get("startView.opens-this-demo")));
    button.setAccessibleText(title);
    button.setOnAction(e -> open.run());
    return button;
  }

  private static Button recent(Path file, Opening actions) {
    Button button = new Button(file.getFileName().toString());
    button.setTooltip(new Tooltip(file.toString()));
    button.setOnAction(e -> actions.open(file));
    return button;
  }

  private static Button recovery(Opening actions) {
    Button button = new Button(TEXTS.get("startView.work-that-was-not-saved"));
    button.setId("recover");
    button.setTooltip(new Tooltip(TEXTS.get("startView.what-was-kept-when-carezza-ended")));
    button.setOnAction(e -> actions.offerRecovery());
    return button;
  }
}
