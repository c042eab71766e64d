package carezza.desktop.view.picture;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.Glyph;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.CheckView;

/** Views kept beside the picture: the whole of it, small, each seen in its own way. */
public final class BesidePictures extends VBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("picture");

  /** As many as fit beside the picture of a small window. */
  private static final int MOST = 3;

  private static final double LONG_EDGE = 170;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final LinkedHashMap<CheckView, SmallPicture> kept = new LinkedHashMap<>();

  public BesidePictures(AppState state) {
    super(8);
    this.state = state;
    setId("beside");
    getStyleClass().add("beside");
    subscriptions.on(
        this::follow,
        state.document().projectProperty(),
        state.view().playheadProperty(),
        state.view().asShotProperty());
    layOut();
  }

  /** Keeps a view, or puts it away; the oldest goes when there are too many. */
  public void turn(CheckView view) {
    SmallPicture gone = kept.remove(view);
    if (gone == null) {
      if (kept.size() == MOST) {
        Objects.requireNonNull(kept.pollFirstEntry()).getValue().close();
      }
      kept.put(view, new SmallPicture(state));
    } else {
      gone.close();
    }
    layOut();
    follow();
  }

  private void layOut() {
    getChildren().clear();
    kept.forEach(
        (view, picture) -> {
          Button away = new Button("", Glyph.REMOVE.node());
          away.getStyleClass().add("part-out");
          away.setAccessibleText(TEXTS.get("besidePictures.put-away"));
          away.setTooltip(new Tooltip(TEXTS.get("besidePictures.puts-this-view-away")));
          away.setOnAction(e -> turn(view));
          Label title = new Label(Names.of(view));
          title.getStyleClass().add("row-name");
          VBox one = new VBox(3, new HBox(6, title, new Spring(), away), picture);
          one.setId("beside-" + view.name().toLowerCase(Locale.ROOT));
          getChildren().add(one);
        });
    setManaged(!kept.isEmpty());
    setVisible(!kept.isEmpty());
  }

  private void follow() {
    if (!state.document().isEmpty()) {
      kept.forEach((view, picture) -> picture.show(view, LONG_EDGE));
    }
  }

  @Override
  public void close() {
    subscriptions.close();
    kept.values().forEach(SmallPicture::close);
  }
}
