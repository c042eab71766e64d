package carezza.desktop.view.bench;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;
import carezza.desktop.variant.VariantDesk;
import carezza.model.Project;
import carezza.model.Variants;

/** The variants over the course, the one at work marked; nothing while there is only one. */
final class VariantStrip extends HBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("variants");

  private final DocumentState document;
  private final VariantDesk desk;
  private final Subscriptions subscriptions = new Subscriptions();
  private List<String> shown = List.of();

  VariantStrip(DocumentState document, VariantDesk desk) {
    super(6);
    this.document = document;
    this.desk = desk;
    setId("variants");
    getStyleClass().add("variant-strip");
    setAlignment(Pos.CENTER_LEFT);
    managedProperty().bind(visibleProperty());
    subscriptions.on(this::show, document.projectProperty());
    show();
  }

  private void show() {
    Project project = document.project();
    Variants variants = project == null ? Variants.NONE : project.variants();
    if (!variants.names().equals(shown)) {
      shown = variants.names();
      getChildren().clear();
      Label heading = new Label(TEXTS.get("heading"));
      heading.getStyleClass().add("heading");
      getChildren().add(heading);
      for (int i = 0; i < shown.size(); i++) {
        getChildren().add(chip(i));
      }
    }
    setVisible(!shown.isEmpty());
    for (int i = 0; i < shown.size(); i++) {
      ((ToggleButton) getChildren().get(i + 1)).setSelected(i == variants.place());
    }
  }

  private ToggleButton chip(int place) {
    ToggleButton chip = new ToggleButton(shown.get(place));
    chip.setId("variant-" + place);
    chip.setTooltip(new Tooltip(TEXTS.get("chip.tip")));
    chip.setOnAction(
        e -> {
          desk.goTo(place);
          // The one at work stays marked when it is pressed again.
          show();
        });
    return chip;
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
