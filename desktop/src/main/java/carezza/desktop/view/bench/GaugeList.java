package carezza.desktop.view.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Children;
import carezza.desktop.control.GaugeBar;
import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.CheckView;
import carezza.measure.Gauge;
import carezza.measure.Gauge.Verdict;

/**
 * The gauges: each a line with before → after and a scale on which the band is a bracket, before a
 * hollow mark, after a full one. What lies outside its band says so in a word and an arrow.
 */
final class GaugeList extends VBox {

  private static final Texts TEXTS = Texts.of("bench");

  private static final double WIDTH = 244;

  private final AppState state;
  private final BooleanProperty all = new SimpleBooleanProperty();

  /** Of the gauges as they are read now; what has not changed is not drawn anew. */
  private final Map<Gauge, VBox> lines = new HashMap<>();

  private final Subscriptions subscriptions = new Subscriptions();

  GaugeList(AppState state) {
    super(7);
    this.state = state;
    setId("gauges");
    getStyleClass().add("gauges");
    subscriptions.on(
        this::refresh,
        state.measurements().personsProperty(),
        state.selection().selectedProperty(),
        all);
    subscriptions.on(state.measurements().underWayProperty(), is -> setOpacity(is ? 0.65 : 1));
    refresh();
  }

  /** Whether all gauges are shown, not those of the layer in hand alone. */
  BooleanProperty allProperty() {
    return all;
  }

  private void refresh() {
    List<Gauge> read = state.measurements().personsProperty().get();
    List<String> own =
        all.get() ? List.of() : state.selection().layer().map(LayerGauges::of).orElse(List.of());
    List<Gauge> first =
        own.stream()
            .flatMap(id -> read.stream().filter(g -> g.id().equals(id) && g.measured()))
            .toList();
    lines.keySet().retainAll(read);
    show(first.isEmpty() ? read : first);
  }

  void close() {
    subscriptions.close();
  }

  private void show(List<Gauge> gauges) {
    List<Node> wanted = new ArrayList<>();
    gauges.stream()
        .filter(Gauge::measured)
        .forEach(g -> wanted.add(lines.computeIfAbsent(g, this::line)));
    if (wanted.isEmpty()) {
      Label none =
          new Label(
              gauges.isEmpty()
                  ? TEXTS.get("gaugeList.reading-the-gauges")
                  : TEXTS.get("gaugeList.place-the-face-map-to-read"));
      none.setWrapText(true);
      wanted.add(none);
    }
    Children.show(this, wanted);
  }

  private VBox line(Gauge gauge) {
    Label title = new Label(Names.of(gauge));
    title.getStyleClass().add("row-name");
    Label values =
        new Label(number(gauge.before()) + " → " + number(gauge.after()) + " " + Names.unit(gauge));
    values.getStyleClass().add("row-value");
    Label verdict = new Label(verdict(gauge.verdict()));
    verdict.getStyleClass().add("verdict");
    HBox top = new HBox(6, title, new Spring(), values, verdict);
    VBox line = new VBox(2, top);
    line.setId("gauge-" + gauge.id());
    if (gauge.band() != null) {
      line.getChildren()
          .add(
              new GaugeBar(
                  WIDTH, gauge.before(), gauge.after(), gauge.band().low(), gauge.band().high()));
    }
    CheckView map = map(gauge);
    Tooltip.install(
        line,
        new Tooltip(
            TEXTS.get("gaugeList.click-see-it-on-the-picture", words(gauge), Names.of(map))));
    line.getStyleClass().add("gauge");
    line.setOnMouseClicked(e -> state.view().turn(map));
    return line;
  }

  /** The way of seeing the picture that shows what a gauge reads. */
  private static CheckView map(Gauge gauge) {
    return switch (gauge.id()) {
      case "textureKept" -> CheckView.TEXTURE;
      case "formKept" -> CheckView.FORM;
      case "rednessBlotch", "scleraRedness" -> CheckView.REDNESS;
      case "pigmentBlotch" -> CheckView.PIGMENT;
      case "toneBlotch" -> CheckView.BLOTCH;
      case "skinHue", "neckMatch" -> CheckView.HUE;
      case "skinClipping", "pictureClipping" -> CheckView.CLIPPING;
      case "leadLight", "leadContrast" -> CheckView.ATTENTION;
      case "eyeFocus", "noise" -> CheckView.HIGH;
      case "skinLightness", "teethLightness", "scleraLightness", "scleraBalance" -> CheckView.LIGHT;
      default -> CheckView.COLOUR;
    };
  }

  private static String verdict(Verdict verdict) {
    return switch (verdict) {
      case INSIDE -> "●";
      case BELOW -> TEXTS.get("gaugeList.low");
      case ABOVE -> TEXTS.get("gaugeList.high");
      case OPEN -> "";
    };
  }

  private static String words(Gauge g) {
    String band =
        g.band() == null
            ? TEXTS.get("gaugeList.no-band-for-information")
            : TEXTS.get("gaugeList.band-to", number(g.band().low()), number(g.band().high()));
    return TEXTS.get("gaugeList.measured-on-in-this-picture", Names.of(g), Names.where(g), band);
  }

  private static String number(double v) {
    if (Double.isInfinite(v)) {
      return "any";
    }
    double size = Math.abs(v);
    return String.format(Locale.ROOT, size >= 100 ? "%.0f" : size >= 10 ? "%.1f" : "%.2f", v);
  }
}
