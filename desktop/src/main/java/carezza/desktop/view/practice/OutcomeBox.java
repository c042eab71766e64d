package carezza.desktop.view.practice;

import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.codec.ScreenColour;
import carezza.desktop.practice.PracticeState.Outcome;
import carezza.desktop.text.Texts;
import carezza.practice.Remark;
import carezza.practice.Score;
import carezza.practice.Score.Reading;

/** What became of an exercise: points, what they are made of, the truth beside the work. */
final class OutcomeBox extends VBox {

  private static final Texts TEXTS = Texts.of("practice");

  private static final double WIDTH = 300;

  OutcomeBox(Outcome outcome, ScreenColour screen) {
    super(10);
    setId("practice-outcome");
    Score score = outcome.score();
    Label points = new Label(Math.round(100 * score.points()) + " %");
    points.setId("practice-points");
    points.getStyleClass().add("journal-number");
    VBox remarks = new VBox(4);
    for (Remark remark : score.remarks()) {
      Label words = new Label(TEXTS.get("remark." + remark));
      words.setWrapText(true);
      remarks.getChildren().add(words);
    }
    getChildren().addAll(points, remarks, readings(score));
    HBox pictures =
        new HBox(
            12,
            titled(TEXTS.get("outcome.work"), Drawn.of(outcome.work(), screen)),
            titled(TEXTS.get("outcome.truth"), Drawn.of(outcome.truth(), screen)));
    Score.Map map = score.map();
    if (map != null) {
      pictures
          .getChildren()
          .add(titled(TEXTS.get("outcome.map"), Drawn.of(outcome.work(), map, screen)));
    }
    getChildren().add(pictures);
  }

  private static Node readings(Score score) {
    GridPane grid = new GridPane(18, 4);
    int row = 0;
    for (Reading reading : score.readings()) {
      Label name = new Label(TEXTS.get("measure." + reading.measure()));
      Label value = new Label(written(reading));
      Label band = new Label(band(reading));
      band.getStyleClass().add("hint");
      grid.addRow(row++, name, value, band);
    }
    return grid;
  }

  private static String band(Reading reading) {
    return Double.isNaN(reading.low())
        ? ""
        : TEXTS.get(
            reading.inside() ? "band.inside" : "band.outside",
            number(reading, reading.low()),
            number(reading, reading.high()));
  }

  private static String written(Reading reading) {
    return Double.isNaN(reading.value()) ? "–" : number(reading, reading.value());
  }

  private static String number(Reading reading, double value) {
    return switch (reading.measure()) {
      case FOUND, RIGHT, REMOVED, TEXTURE, FORM, SPILL, WHITE -> Math.round(100 * value) + " %";
      case ALONG_FORM -> String.format(Locale.ROOT, "%.2f", value);
      case MARKS_LOST -> String.format(Locale.ROOT, "%.0f", value);
      case RADIUS -> String.format(Locale.ROOT, "%.1f px", value);
      case EDGE -> String.format(Locale.ROOT, "%.1f ΔE00", value);
      case TEETH_YELLOW, SCLERA_YELLOW -> String.format(Locale.ROOT, "%.1f b*", value);
      case SECONDS_EACH -> String.format(Locale.ROOT, "%.0f s", value);
    };
  }

  private static VBox titled(String words, Image image) {
    Label title = new Label(words);
    title.getStyleClass().add("heading");
    ImageView view = new ImageView(image);
    view.setPreserveRatio(true);
    view.setFitWidth(WIDTH);
    view.setAccessibleText(words);
    return new VBox(4, title, view);
  }
}
