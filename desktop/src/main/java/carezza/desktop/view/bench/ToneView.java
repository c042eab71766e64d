package carezza.desktop.view.bench;

import java.time.Duration;
import java.util.Arrays;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.ToneHistogram;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.session.Session;

/** Tones of what is shown, of the whole picture or of a region: as a histogram or as a waveform. */
final class ToneView extends VBox {

  private static final Texts TEXTS = Texts.of("bench");

  private static final double WIDTH = 272;
  private static final double HEIGHT = 52;
  private static final Duration REST = Duration.ofMillis(250);

  private final AppState state;
  private final Canvas canvas = new Canvas(WIDTH, HEIGHT);
  private final ComboBox<SemanticRegion> where = new ComboBox<>();
  private final ToggleButton waveform = new ToggleButton(TEXTS.get("toneView.waveform"));
  private final Lane counting;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Label black = new Label();
  private final Label white = new Label();
  private @Nullable Object counted;
  private ToneHistogram counts;

  ToneView(AppState state) {
    super(3);
    this.state = state;
    counting = state.tasks().droppable("tones");
    setId("tones");
    setPadding(new Insets(8, 14, 0, 14));
    waveform.setMinWidth(USE_PREF_SIZE);
    waveform.getStyleClass().add("check");
    where.setPrefWidth(TextSize.px(118));
    where.setId("tones-of");
    where.getStyleClass().add("check");
    where.getItems().add(null);
    where.getItems().addAll(SemanticRegion.values());
    where.setConverter(new Titled<>(TEXTS.get("toneView.whole-picture"), Names::title));
    where.setTooltip(new Tooltip(TEXTS.get("toneView.the-place-whose-tones-are-counted")));
    where.setAccessibleText(TEXTS.get("toneView.tones-of"));
    where.setOnAction(e -> refresh());
    waveform.setId("waveform");
    waveform.setTooltip(new Tooltip(TEXTS.get("toneView.tones-column-by-column-from-left")));
    waveform.setOnAction(e -> draw());
    black.getStyleClass().add("row-value");
    black.setId("clipped-black");
    white.getStyleClass().add("row-value");
    white.setId("clipped-white");
    black.setTooltip(new Tooltip(TEXTS.get("toneView.share-of-the-place-that-is-2")));
    white.setTooltip(new Tooltip(TEXTS.get("toneView.share-of-the-place-that-is")));
    HBox row = new HBox(6, where, waveform);
    row.setAlignment(Pos.CENTER_LEFT);
    Tooltip.install(canvas, new Tooltip(TEXTS.get("toneView.srgb-values-dark-to-light-red")));
    StackPane tones = new StackPane(canvas, black, white);
    StackPane.setAlignment(black, Pos.TOP_LEFT);
    StackPane.setAlignment(white, Pos.TOP_RIGHT);
    for (Label share : new Label[] {black, white}) {
      share.setPadding(new Insets(2, 5, 2, 5));
      share.getStyleClass().add("over-tones");
    }
    getChildren().addAll(tones, row);
    // With a layer in hand its values need the room.
    row.visibleProperty().bind(state.selection().selectedProperty().isNull());
    row.managedProperty().bind(row.visibleProperty());
    subscriptions.on(
        this::begin,
        state.document().commitsProperty(),
        state.document().seenProperty(),
        state.view().playheadProperty(),
        state.view().asShotProperty());
    draw();
  }

  private void begin() {
    counting.cancel();
    counted = null;
    refresh();
  }

  void close() {
    subscriptions.close();
  }

  /** Counts anew if what is shown has changed. */
  void refresh() {
    if (!state.document().seenProperty().get()) {
      return;
    }
    Project project = state.document().project();
    int layers = state.view().shownLayers();
    SemanticRegion region = where.getValue();
    Session session = state.document().session();
    Object wanted = Arrays.asList(project, layers, region, session);
    if (wanted.equals(counted)) {
      return;
    }
    counted = wanted;
    counting.rested(
        REST,
        cancellation -> session.colour().tones(project, layers, region, cancellation),
        found -> {
          counts = found;
          draw();
        },
        state.status()::fail);
  }

  private void draw() {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.setFill(Color.gray(0.2));
    g.fillRect(0, 0, WIDTH, HEIGHT);
    if (counts == null) {
      return;
    }
    black.setText("%.1f %%".formatted(counts.black()));
    white.setText("%.1f %%".formatted(counts.white()));
    if (waveform.isSelected()) {
      wave(g);
    } else {
      lines(g);
    }
  }

  private void wave(GraphicsContext g) {
    double step = WIDTH / ToneHistogram.COLUMNS;
    double height = HEIGHT / ToneHistogram.BINS;
    for (int c = 0; c < ToneHistogram.COLUMNS; c++) {
      for (int bin = 0; bin < ToneHistogram.BINS; bin++) {
        float share = counts.columns()[c][bin];
        if (share > 0.02f) {
          g.setFill(Color.gray(Math.min(1, 0.3 + 0.7 * Math.sqrt(share))));
          g.fillRect(c * step, HEIGHT - (bin + 1) * height, step + 0.3, height + 0.3);
        }
      }
    }
  }

  private void lines(GraphicsContext g) {
    Color[] colours = {
      Color.rgb(255, 120, 110), Color.rgb(120, 230, 120), Color.rgb(130, 165, 255)
    };
    for (int c = 0; c < 3; c++) {
      g.setStroke(colours[c]);
      g.setLineWidth(1.3);
      g.beginPath();
      for (int bin = 0; bin < ToneHistogram.BINS; bin++) {
        double x = (bin + 0.5) * WIDTH / ToneHistogram.BINS;
        double y = HEIGHT - 2 - (HEIGHT - 6) * Math.sqrt(counts.channels()[c][bin]);
        if (bin == 0) {
          g.moveTo(x, y);
        } else {
          g.lineTo(x, y);
        }
      }
      g.stroke();
    }
  }
}
