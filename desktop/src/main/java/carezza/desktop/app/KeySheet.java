package carezza.desktop.app;

import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** All keys and wheel turns, on one sheet. */
final class KeySheet extends VBox {

  private static final String[][] KEYS = {
    {"1 … 8", "Go to a stage"},
    {"Page Up, Page Down", "Playhead one layer back, forth"},
    {"A held", "As shot"},
    {"M held", "Show the mask"},
    {"V", "Show it another way: grey outside, hatch, alone"},
    {"O", "Layer on or off"},
    {"L", "Brush and shapes take away instead of adding"},
    {"E", "Brush stays inside the edge it starts in"},
    {"W", "What the layer does, or where it acts"},
    {"P", "Paint the layer's mask"},
    {"R", "Repairs in hand: choose, move, re-source them; again to mend"},
    {"T", "Another source for the chosen repair"},
    {"N", "Next proposal"},
    {"Enter, K", "Heal the proposal, or keep it as the person's own"},
    {"Ctrl + click while mending", "Where clones are taken from"},
    {"F", "Face map handles"},
    {"Z", "Whole picture, or 100 % at the pointer"},
    {"Space held, drag", "Move the view (so does the middle button)"},
    {"Wheel", "Zoom at the pointer"},
    {"Ctrl + wheel", "Brush radius"},
    {"Shift + wheel", "Brush strength"},
    {"Alt + wheel", "Brush softness"},
    {"Shift while painting light", "Paint shade, and the other way round"},
    {"Delete", "Remove the chosen repairs, or the layer"},
    {"Ctrl + Z, Ctrl + Shift + Z", "Undo, redo"},
    {"Ctrl + O, Ctrl + S, Ctrl + Shift + S", "Open, save, save under another name"},
    {"Ctrl + D", "To the delivery and back"},
    {"Ctrl + Q", "End; asks about what is not saved"},
    {"Escape", "Put the tool down, close a sheet"},
    {"F2 … F12, Shift + F2 … F5", "See the picture in one of the ways above it; again: as it is"},
    {"I", "Take what is advised: radius of the split or of the spot, or the amount after a push"},
    {"C", "Compare with the settled picture: wipe, side by side, blink, not"},
    {"X", "The picture mirrored, to see it afresh; again: as it is"},
    {"G", "Contour guides for light and shade"},
    {"Hold the name of a stage", "The picture without that stage"},
    {"F1", "This sheet"},
  };

  KeySheet() {
    super(14);
    setId("keys");
    Label heading = new Label("Keys");
    heading.getStyleClass().add("title");
    int half = (KEYS.length + 1) / 2;
    getChildren()
        .addAll(heading, new HBox(36, grid(0, half), grid(half, KEYS.length)));
  }

  private static GridPane grid(int from, int to) {
    GridPane grid = new GridPane(18, 7);
    for (int i = from; i < to; i++) {
      Label key = new Label(KEYS[i][0]);
      key.getStyleClass().add("key");
      Label words = new Label(KEYS[i][1]);
      words.setWrapText(true);
      words.setMaxWidth(300);
      grid.addRow(i - from, key, words);
    }
    return grid;
  }
}
