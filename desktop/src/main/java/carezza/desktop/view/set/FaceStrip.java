package carezza.desktop.view.set;

import javafx.geometry.Orientation;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.image.ImageView;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;

import org.jspecify.annotations.Nullable;

import carezza.desktop.set.SetLook;
import carezza.desktop.set.SetState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.set.Figures;
import carezza.set.Figures.Axis;
import carezza.set.Member;

/** Faces at one size beside one another, and under each how far it is from the reference. */
final class FaceStrip extends HBox implements AutoCloseable {

  private static final double WIDE = 92;
  private static final double HIGH = 60;
  private static final double AXIS = 30;
  private static final double BAR = 16;

  private final SetState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final ListView<Member> faces = new ListView<>();

  FaceStrip(SetState state) {
    super(8);
    this.state = state;
    setId("set-faces");
    VBox names = new VBox(name(SetWords.TEXTS.get("faces"), HIGH + 4));
    for (Axis axis : Axis.values()) {
      names.getChildren().add(name(SetWords.axis(axis) + ", " + axis.unit(), AXIS));
    }
    names.setMinWidth(TextSize.px(118));
    faces.setOrientation(Orientation.HORIZONTAL);
    faces.setFixedCellSize(TextSize.px(WIDE) + 6);
    faces.setCellFactory(list -> new Column());
    faces.getStyleClass().add("set-faces");
    faces.setAccessibleText(SetWords.TEXTS.get("strip"));
    double high = TextSize.px(HIGH + 4 + AXIS * Axis.values().length) + 18;
    faces.setMinHeight(high);
    faces.setPrefHeight(high);
    faces.setMaxHeight(high);
    HBox.setHgrow(faces, Priority.ALWAYS);
    getChildren().addAll(names, faces);
    subscriptions.on(
        () -> faces.getItems().setAll(state.shownProperty().get()), state.shownProperty());
    subscriptions.on(faces::refresh, state.chosenProperty(), state.setProperty());
    faces.getItems().setAll(state.shownProperty().get());
  }

  void looked() {
    faces.refresh();
  }

  private static Label name(String words, double high) {
    Label label = new Label(words);
    label.setMinHeight(TextSize.px(high));
    label.setMaxHeight(TextSize.px(high));
    label.setAlignment(Pos.CENTER_LEFT);
    return label;
  }

  @Override
  public void close() {
    subscriptions.close();
  }

  private final class Column extends ListCell<Member> {

    private final ImageView face = new ImageView();
    private final StackPane frame = new StackPane(face);
    private final VBox column = new VBox(frame);

    Column() {
      face.setFitWidth(TextSize.px(WIDE));
      face.setFitHeight(TextSize.px(HIGH));
      frame.setMinHeight(TextSize.px(HIGH) + 4);
      frame.setMaxHeight(TextSize.px(HIGH) + 4);
      frame.getStyleClass().add("set-face");
      addEventHandler(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            if (getItem() != null) {
              state.choose(java.util.List.of(getItem().photograph()));
            }
          });
    }

    @Override
    protected void updateItem(Member member, boolean empty) {
      super.updateItem(member, empty);
      if (empty || member == null) {
        setGraphic(null);
        return;
      }
      SetLook look = state.looks().get(member.photograph());
      face.setImage(look == null ? null : look.face());
      frame.getStyleClass().remove("chosen");
      if (state.chosenProperty().get().contains(member.photograph())) {
        frame.getStyleClass().add("chosen");
      }
      column.getChildren().setAll(frame);
      Figures reference = state.reference().orElse(null);
      for (Axis axis : Axis.values()) {
        column.getChildren().add(bar(look == null ? null : look.figures(), reference, axis));
      }
      setGraphic(column);
    }

    /** From a line that is the reference: up for more, down for less, larger where it is out. */
    private Pane bar(@Nullable Figures own, @Nullable Figures reference, Axis axis) {
      double wide = TextSize.px(WIDE);
      double high = TextSize.px(AXIS);
      Rectangle line = new Rectangle(0, high / 2, wide, 1);
      line.getStyleClass().add("set-line");
      Pane pane = new Pane(line);
      pane.setMinSize(wide, high);
      pane.setMaxSize(wide, high);
      if (own == null || reference == null || Double.isNaN(own.off(reference, axis))) {
        return pane;
      }
      double share = Math.clamp(own.off(reference, axis) / axis.limit(), -2, 2);
      boolean out = own.isOut(reference, axis);
      double length = Math.max(2, Math.abs(share) * high / 4);
      Rectangle bar =
          new Rectangle(
              (wide - TextSize.px(BAR)) / 2 - 18,
              share > 0 ? high / 2 - length : high / 2,
              TextSize.px(BAR),
              length);
      bar.getStyleClass().add(out ? "set-out" : "set-in");
      Label number = new Label(SetWords.off(own, reference, axis));
      number.getStyleClass().add(out ? "set-number-out" : "set-number");
      number.relocate(wide / 2 - 4, high / 2 - TextSize.px(15));
      pane.getChildren().addAll(bar, number);
      return pane;
    }
  }
}
