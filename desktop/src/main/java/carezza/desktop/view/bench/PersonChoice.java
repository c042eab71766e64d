package carezza.desktop.view.bench;

import java.util.List;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Tooltip;

import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Persons;
import carezza.desktop.text.Texts;
import carezza.model.FaceMap;
import carezza.model.Project;

/** Whose gauges are looked at; there where several people are in the picture. */
final class PersonChoice extends ComboBox<Integer> {

  private static final Texts TEXTS = Texts.of("bench");

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();

  private Persons persons = Persons.of(List.of());

  PersonChoice(AppState state) {
    this.state = state;
    setId("whose-gauges");
    setAccessibleText(TEXTS.get("personChoice.whose"));
    setTooltip(new Tooltip(TEXTS.get("personChoice.whose-tip")));
    setConverter(new Titled<>(person -> persons.name(person)));
    managedProperty().bind(visibleProperty());
    valueProperty()
        .subscribe(
            is -> {
              if (is != null) {
                state.measurements().personProperty().set(is);
              }
            });
    subscriptions.on(this::follow, state.document().projectProperty());
    subscriptions.on(state.measurements().personProperty(), is -> setValue(is.intValue()));
    follow();
  }

  private void follow() {
    Project project = state.document().isEmpty() ? null : state.document().project();
    List<FaceMap> faces = project == null ? List.of() : project.allFaces();
    Persons now = Persons.of(faces);
    setVisible(now.several());
    if (!now.equals(persons)) {
      persons = now;
      int chosen = state.measurements().personProperty().get();
      // A value that was chosen among other items is not looked for among these.
      setValue(null);
      getItems().setAll(now.choices());
      setValue(chosen);
    }
  }

  void close() {
    subscriptions.close();
  }
}
