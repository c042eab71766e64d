package carezza.desktop.view.journal;

import java.time.Duration;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;

import carezza.desktop.text.Names;
import carezza.record.Phase;

/** Time as a bar, a piece for each stage with its number; what no stage had is bare. */
final class PhaseBar extends HBox {

  private static final double NARROWEST_WITH_NUMBER = 14;
  private static final double HEIGHT = 16;

  /**
   * @param width of a minute in pixels
   */
  PhaseBar(Map<Phase, Duration> byPhase, double width) {
    super(1);
    setAlignment(Pos.CENTER_LEFT);
    for (Phase phase : Phase.values()) {
      Duration time = byPhase.getOrDefault(phase, Duration.ZERO);
      double wide = time.toMillis() / 60_000.0 * width;
      if (wide >= 1) {
        getChildren().add(piece(phase, time, wide));
      }
    }
  }

  private static Label piece(Phase phase, Duration time, double wide) {
    boolean numbered =
        phase != Phase.LOOK && phase != Phase.DELIVER && wide >= NARROWEST_WITH_NUMBER;
    Label piece = new Label(numbered ? Integer.toString(phase.ordinal()) : "");
    piece.getStyleClass().addAll("phase", phase.ordinal() % 2 == 0 ? "phase-even" : "phase-odd");
    if (phase == Phase.LOOK || phase == Phase.DELIVER) {
      piece.getStyleClass().add("phase-outer");
    }
    piece.setMinSize(wide, HEIGHT);
    piece.setPrefSize(wide, HEIGHT);
    piece.setMaxSize(wide, HEIGHT);
    piece.setTooltip(new Tooltip(Names.of(phase) + " · " + JournalWords.time(time)));
    return piece;
  }
}
