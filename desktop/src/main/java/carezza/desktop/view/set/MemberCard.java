package carezza.desktop.view.set;

import javafx.geometry.Rectangle2D;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Spring;
import carezza.desktop.set.SetLook;
import carezza.desktop.style.TextSize;
import carezza.set.Figures;
import carezza.set.Figures.Axis;
import carezza.set.Member;
import carezza.set.Member.State;

/** A picture of a set: how it looks, how far it is, and where it is out of line. */
final class MemberCard extends VBox {

  static final double SIDE = 150;
  static final double HEIGHT = 198;

  private static final double BAR = 3;

  private final StackPane frame = new StackPane();
  private final ImageView picture = new ImageView();
  private final Label waiting = new Label("…");
  private final Region done = new Region();
  private final Label title = new Label();
  private final Label about = new Label();
  private final Label flag = new Label();
  private @Nullable Member member;

  MemberCard() {
    double side = TextSize.px(SIDE);
    getStyleClass().add("member");
    setAccessibleRole(AccessibleRole.LIST_ITEM);
    setMinWidth(side + 4);
    setMaxWidth(side + 4);
    picture.setFitWidth(side);
    picture.setFitHeight(side);
    picture.setSmooth(true);
    frame.setMinSize(side, side);
    frame.setMaxSize(side, side);
    frame.getStyleClass().add("member-frame");
    frame.getChildren().addAll(waiting, picture);
    done.getStyleClass().add("member-done");
    done.setMinHeight(BAR);
    done.setMaxHeight(BAR);
    title.getStyleClass().add("member-title");
    about.getStyleClass().add("hint");
    flag.getStyleClass().add("member-flag");
    HBox line = new HBox(4, about, new Spring(), flag);
    VBox words = new VBox(1, title, line);
    words.getStyleClass().add("member-words");
    getChildren().addAll(frame, done, words);
  }

  @Nullable Member member() {
    return member;
  }

  /**
   * @param look null while it is being made
   * @param reference figures that it is compared with, or null
   */
  void show(
      Member shown,
      @Nullable SetLook look,
      @Nullable Figures reference,
      boolean isReference,
      boolean chosen,
      boolean missing) {
    member = shown;
    title.setText(shown.title());
    about.setText(missing ? SetWords.TEXTS.get("missing") : SetWords.about(shown));
    picture.setImage(look == null ? null : look.thumbnail());
    picture.setViewport(look == null ? null : square(look.thumbnail()));
    waiting.setVisible(look == null && !missing);
    double share = (double) shown.state().ordinal() / (State.values().length - 1);
    done.setMaxWidth(TextSize.px(SIDE) * share);
    done.setMinWidth(TextSize.px(SIDE) * share);
    flag.setText(
        isReference
            ? SetWords.TEXTS.get("reference.short")
            : flags(look == null ? null : look.figures(), reference));
    if (chosen != getStyleClass().contains("chosen")) {
      if (chosen) {
        getStyleClass().add("chosen");
      } else {
        getStyleClass().remove("chosen");
      }
    }
    setAccessibleText(shown.title() + ", " + about.getText() + " " + flag.getText());
  }

  /** The axis along which it is most out of line. */
  private static String flags(@Nullable Figures own, @Nullable Figures reference) {
    if (own == null || reference == null) {
      return "";
    }
    Axis worst = null;
    for (Axis axis : Axis.values()) {
      boolean more =
          worst == null
              || Math.abs(own.off(reference, axis)) / axis.limit()
                  > Math.abs(own.off(reference, worst)) / worst.limit();
      worst = own.isOut(reference, axis) && more ? axis : worst;
    }
    return worst == null ? "" : "▲ " + SetWords.axis(worst);
  }

  /** The upper middle, where faces are. */
  private static Rectangle2D square(Image image) {
    double side = Math.min(image.getWidth(), image.getHeight());
    return new Rectangle2D(
        (image.getWidth() - side) / 2, 0.25 * (image.getHeight() - side), side, side);
  }
}
