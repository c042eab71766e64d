package carezza.desktop.bench;

import java.util.Objects;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

import carezza.model.FaceMap;
import carezza.model.Layer;
import carezza.model.LayerKind;
import carezza.model.Mask;
import carezza.model.Region;

/** The panel of the selected layer: its name, switch and amount, its parameters, its mask; below, the gauges. */
public final class PanelView extends VBox {

  private final BenchModel model;
  private final VBox editor = new VBox(9);
  private PanelRows rows;
  private String shown = "";

  public PanelView(BenchModel model) {
    this.model = model;
    setId("panel");
    getStyleClass().add("panel");
    editor.setPadding(new Insets(12, 14, 12, 14));
    ScrollPane upper = new ScrollPane(editor);
    upper.setFitToWidth(true);
    upper.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(upper, Priority.ALWAYS);
    Label heading = new Label("Gauges, as settled → now");
    heading.getStyleClass().add("heading");
    GaugeList gauges = new GaugeList(model);
    ScrollPane lower = new ScrollPane(gauges);
    lower.setFitToWidth(true);
    lower.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox foot = new VBox(6, heading, lower);
    foot.getStyleClass().add("foot");
    foot.setPadding(new Insets(10, 14, 8, 14));
    foot.setPrefHeight(270);
    foot.setMinHeight(160);
    VBox.setVgrow(lower, Priority.ALWAYS);
    getChildren().addAll(upper, foot);
    model.selectedProperty().addListener((o, was, is) -> show());
    model.projectProperty().addListener((o, was, is) -> show());
    model.toolProperty().addListener((o, was, is) -> refresh());
    model.radiiProperty().addListener((o, was, is) -> refresh());
    show();
  }

  private void refresh() {
    if (rows != null) {
      rows.refresh();
    }
  }

  /** Builds the rows anew for another layer; for the same one only its values follow. */
  private void show() {
    String id =
        model.isEmpty()
            ? "empty"
            : model.selectedLayer().map(l -> "layer " + l.head().id()).orElse("photograph");
    if (!Objects.equals(id, shown)) {
      shown = id;
      rows = new PanelRows(model);
      model.selectedLayer().ifPresentOrElse(this::layer, this::photograph);
      editor.getChildren().setAll(rows.nodes());
    }
    rows.refresh();
  }

  // --- nothing selected

  private void photograph() {
    Label title = new Label("The photograph");
    title.getStyleClass().add("title");
    Label words = new Label();
    words.setWrapText(true);
    rows.custom(title, () -> {});
    rows.custom(
        words,
        () -> {
          if (!model.isEmpty()) {
            var r = model.retouch();
            words.setText(
                "%s\n%d × %d pixels, %d bit, %s\n%d layers\n\n%s"
                    .formatted(
                        r.project().photograph().name(),
                        r.photograph().size().width(),
                        r.photograph().size().height(),
                        r.photograph().bits(),
                        r.photograph().profile(),
                        r.project().stack().size(),
                        r.project().notes()));
          }
        });
    if (model.isEmpty()) {
      return;
    }
    rows.action(
        "face-map",
        "Face map",
        "Oval, pupils and mouth corners; skin, teeth and eyes are found from them (F)",
        this::placeFace);
    rows.action(
        "find-face",
        "Find the face",
        "Looks for the face anew; the map you have comes back with undo",
        model::findFace);
    Label hint =
        new Label(
            "Pick a layer below, or add one with the + of its stage. Keys 1 to 8 go to a stage, F1"
                + " shows all keys.");
    hint.setWrapText(true);
    hint.getStyleClass().add("hint");
    rows.custom(hint, () -> {});
  }

  /** Shows the handles; places a first guess where there is no map yet. */
  public void placeFace() {
    if (model.projectProperty().get().faces() == null) {
      var size = model.session().size();
      model.edit(null, p -> p.withFaces(FaceMap.guess(size.width(), size.height())));
    }
    model.toolProperty().set(model.toolProperty().get() == Tool.FACE ? Tool.HAND : Tool.FACE);
  }

  // --- a layer

  private void layer(Layer layer) {
    rows.custom(head(layer), () -> {});
    rows.number(
        "amount",
        "Amount",
        "How much of the change is taken, in percent; above 100 pushes it",
        0,
        200,
        "%.0f %%",
        Layer.class,
        l -> 100 * l.head().amount(),
        (l, v) -> l.with(l.head().withAmount(v / 100)));
    Editors.build(layer, rows, model);
    mask();
  }

  private HBox head(Layer layer) {
    TextField name = new TextField(layer.head().name());
    name.setId("layer-name");
    name.getStyleClass().add("title-field");
    name.setTooltip(new Tooltip("The layer's name; Enter takes it"));
    name.setOnAction(e -> model.editSelected(null, l -> l.with(l.head().named(name.getText()))));
    HBox.setHgrow(name, Priority.ALWAYS);
    ToggleButton on = new ToggleButton("On");
    on.setId("layer-on");
    on.setTooltip(new Tooltip("Whether the layer takes part (O)"));
    on.setOnAction(e -> model.editSelected(null, l -> l.with(l.head().switched(on.isSelected()))));
    rows.custom(
        new HBox(),
        () ->
            model
                .selectedLayer()
                .ifPresent(
                    l -> {
                      on.setSelected(l.head().on());
                      on.setText(l.head().on() ? "On" : "Off");
                    }));
    rows.nodes().removeLast();
    HBox box = new HBox(8, Icon.of(LayerKind.of(layer)).node(), name, on);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private void mask() {
    Label heading = new Label("Where it acts");
    heading.getStyleClass().add("heading");
    rows.custom(heading, () -> {});
    rows.words("mask-sentence", Layer.class, l -> sentence(l.head().mask()));
    ComboBox<Region> regions = new ComboBox<>();
    regions.setId("mask-region");
    regions.getItems().add(null);
    regions.getItems().addAll(Region.values());
    regions.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(Region region) {
            return region == null ? "Everywhere" : region.title();
          }

          @Override
          public Region fromString(String text) {
            throw new UnsupportedOperationException("The list is picked from, not typed into");
          }
        });
    regions.setTooltip(new Tooltip("Starts the mask from an area that the face map names"));
    boolean[] following = new boolean[1];
    regions.setOnAction(
        e -> {
          if (!following[0]) {
            Region picked = regions.getValue();
            Mask base = picked == null ? new Mask.Everything() : new Mask.Named(picked);
            model.editSelected(null, l -> l.with(l.head().withMask(base)));
          }
        });
    Button invert = new Button("Invert");
    invert.setId("mask-invert");
    invert.setTooltip(new Tooltip("Acts where it did not, and the other way round"));
    invert.setOnAction(
        e -> model.editSelected(null, l -> l.with(l.head().withMask(inverted(l.head().mask())))));
    rows.custom(
        new HBox(6, regions, invert),
        () -> {
          following[0] = true;
          model
              .selectedLayer()
              .ifPresent(
                  l ->
                      regions.setValue(l.head().mask() instanceof Mask.Named(Region r) ? r : null));
          following[0] = false;
        });
    rows.tools(Tool.MASK);
    ToggleButton lift = new ToggleButton("Lift");
    lift.setId("lift");
    lift.setTooltip(new Tooltip("The brush takes away instead of adding (L)"));
    lift.selectedProperty().bindBidirectional(model.liftingProperty());
    ToggleButton view = new ToggleButton("Show mask");
    view.setId("show-mask");
    view.setGraphic(Icon.MASK.node());
    view.setTooltip(new Tooltip("Greys what lies outside the mask (hold M)"));
    view.selectedProperty().bindBidirectional(model.maskShownProperty());
    ((HBox) rows.nodes().getLast()).getChildren().addAll(lift, view);
    ComboBox<MaskView> how = new ComboBox<>();
    how.setId("mask-view");
    how.getItems().addAll(MaskView.values());
    how.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(MaskView v) {
            return v == null ? "" : v.title();
          }

          @Override
          public MaskView fromString(String words) {
            throw new IllegalStateException("Chosen from, not typed in");
          }
        });
    how.setTooltip(new Tooltip("How the mask is shown (V goes on to the next)"));
    how.valueProperty().bindBidirectional(model.maskViewProperty());
    ToggleButton pen = new ToggleButton("Pressure");
    pen.setId("pen");
    pen.setSelected(model.penProperty().get() != Pen.MOUSE);
    pen.setTooltip(
        new Tooltip("Slow strokes press, quick ones go lightly: a stand-in for a pen"));
    pen.setOnAction(
        e -> model.penProperty().set(pen.isSelected() ? new Pen.OfSpeed() : Pen.MOUSE));
    rows.custom(new HBox(6, how, pen), () -> {});
  }

  private static Mask inverted(Mask mask) {
    return mask instanceof Mask.Invert(Mask of) ? of : new Mask.Invert(mask);
  }

  private static String sentence(Mask mask) {
    String words = mask.sentence();
    return Character.toUpperCase(words.charAt(0)) + words.substring(1) + ".";
  }
}
