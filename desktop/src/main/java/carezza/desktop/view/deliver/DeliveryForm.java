package carezza.desktop.view.deliver;

import java.util.function.Consumer;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;
import carezza.image.PictureSize;
import carezza.metadata.Metadata.Carried;
import carezza.recipe.Delivery;

/**
 * How the finished picture is written: its size, format, colours and what its file says.
 * Remembered.
 */
final class DeliveryForm extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");

  private static final int[] EDGES = {0, 4096, 2048, 1080};
  private static final String SETTING = "deliver.";

  private final AppState state;
  private final Settings settings;
  private final Subscriptions subscriptions = new Subscriptions();
  private final ComboBox<String> edge = new ComboBox<>();
  private final Label size = DeliverPanel.words("");
  private final Label qualityCaption = DeliverPanel.caption("");
  private final Slider quality = new Slider(50, 100, 92);
  private final ComboBox<String> bits = new ComboBox<>();
  private final ColourChoice colours;
  private final ComboBox<Carried> notes = new ComboBox<>();
  private final CheckBox layers =
      new CheckBox(TEXTS.get("deliveryForm.a-page-for-each-layer-tiff"));
  private final CheckBox retouched = new CheckBox(TEXTS.get("deliveryForm.say-retouched"));

  /**
   * @param say what cannot be used, and why
   */
  DeliveryForm(AppState state, Settings settings, Consumer<String> say) {
    super(10);
    this.state = state;
    this.settings = settings;
    colours = new ColourChoice(state, settings, say);
    getChildren()
        .addAll(
            DeliverPanel.caption(TEXTS.get("deliveryForm.long-edge")),
            edge,
            size,
            qualityCaption,
            quality,
            DeliverPanel.caption(TEXTS.get("deliveryForm.bits-per-channel-png-and-tiff")),
            bits,
            DeliverPanel.caption(TEXTS.get("deliveryForm.colour-space")),
            colours,
            DeliverPanel.caption(TEXTS.get("deliveryForm.what-the-photograph-s-file-says")),
            notes,
            retouched,
            layers);
    build();
    recall();
    subscriptions.on(this::saySize, state.document().projectProperty());
  }

  private void build() {
    edge.setId("deliver-edge");
    edge.setAccessibleText(TEXTS.get("deliveryForm.long-edge"));
    edge.getItems().add(TEXTS.get("deliveryForm.full-size"));
    for (int i = 1; i < EDGES.length; i++) {
      edge.getItems().add(TEXTS.get("deliveryForm.pixels-2", EDGES[i]));
    }
    edge.getSelectionModel().select(0);
    edge.setTooltip(new Tooltip(TEXTS.get("deliveryForm.most-pixels-along-the-long-edge")));
    edge.getSelectionModel().selectedIndexProperty().addListener((o, was, is) -> saySize());
    size.setId("deliver-size");
    quality.setId("deliver-quality");
    quality.setAccessibleText(TEXTS.get("deliveryForm.jpeg-quality-2"));
    quality.setTooltip(new Tooltip(TEXTS.get("deliveryForm.jpeg-quality-50-to-100")));
    quality.valueProperty().addListener((o, was, is) -> sayQuality());
    sayQuality();
    bits.setId("deliver-bits");
    bits.setAccessibleText(TEXTS.get("deliveryForm.bits-per-channel"));
    bits.getItems().addAll("8", "16");
    bits.getSelectionModel().select(0);
    bits.setTooltip(new Tooltip(TEXTS.get("deliveryForm.bits-per-channel-jpeg-always-has")));
    notes.setId("deliver-notes");
    notes.setAccessibleText(TEXTS.get("deliveryForm.what-the-photograph-s-file-says"));
    notes.getItems().addAll(Carried.values());
    notes.setConverter(
        new Titled<>(
            c ->
                switch (c) {
                  case NOTHING -> TEXTS.get("deliveryForm.leave-out");
                  case WITHOUT_PLACE ->
                      TEXTS.get("deliveryForm.carry-over-without-place-and-serial");
                  case ALL -> TEXTS.get("deliveryForm.carry-over-place-included");
                }));
    notes.getSelectionModel().select(Carried.WITHOUT_PLACE);
    notes.setTooltip(new Tooltip(TEXTS.get("deliveryForm.exif-iptc-and-xmp-camera-date")));
    retouched.setId("deliver-retouched");
    retouched.setTooltip(new Tooltip(TEXTS.get("deliveryForm.say-retouched.tip")));
    // Files with layers carry no words about the picture.
    retouched.disableProperty().bind(layers.selectedProperty());
    layers.setId("deliver-layers");
    layers.setTooltip(new Tooltip(TEXTS.get("deliveryForm.the-photograph-each-layer-and-the")));
  }

  ColourChoice colours() {
    return colours;
  }

  private void sayQuality() {
    qualityCaption.setText(TEXTS.get("deliveryForm.jpeg-quality", Math.round(quality.getValue())));
  }

  /** The pixels of the file as things stand. */
  void saySize() {
    if (state.document().isEmpty() || state.document().project() == null) {
      return;
    }
    PictureSize out =
        delivery().size(state.document().project(), state.document().session().size());
    int wanted = EDGES[edge.getSelectionModel().getSelectedIndex()];
    size.setText(
        wanted > out.longEdge()
            ? TEXTS.get("deliveryForm.pixels-there-are-no-more-in", out.width(), out.height())
            : TEXTS.get("deliveryForm.pixels", out.width(), out.height()));
  }

  /** What was chosen. */
  Delivery delivery() {
    return new Delivery(
        EDGES[edge.getSelectionModel().getSelectedIndex()],
        (int) Math.round(quality.getValue()),
        Integer.parseInt(bits.getValue()),
        0,
        colours.colour(),
        notes.getValue(),
        layers.isSelected(),
        retouched.isSelected());
  }

  private void recall() {
    edge.getSelectionModel().select(Math.clamp(number("edge", 0), 0, EDGES.length - 1));
    quality.setValue(Math.clamp(number("quality", 92), 50, 100));
    bits.getSelectionModel().select(number("bits", 8) == 16 ? 1 : 0);
    retouched.setSelected(number("retouched", 0) == 1);
    colours.recall();
  }

  private int number(String name, int otherwise) {
    try {
      return Integer.parseInt(settings.get(SETTING + name, Integer.toString(otherwise)));
    } catch (NumberFormatException e) {
      return otherwise;
    }
  }

  /** From the next delivery on it begins with what was chosen. */
  void remember() {
    settings.set(SETTING + "edge", Integer.toString(edge.getSelectionModel().getSelectedIndex()));
    settings.set(SETTING + "quality", Long.toString(Math.round(quality.getValue())));
    settings.set(SETTING + "bits", bits.getValue());
    settings.set(SETTING + "retouched", retouched.isSelected() ? "1" : "0");
    colours.remember();
  }

  void close() {
    subscriptions.close();
  }
}
