package carezza.desktop.view.bench;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Tooltip;

import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.state.MeasurementState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;
import carezza.model.FaceMap;
import carezza.model.Project;

/** Whose gauges are looked at; there where several people are in the picture. */
final class PersonChoice extends ComboBox<Integer> {

  private static final Texts TEXTS = Texts.of("bench");

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();

  /** Places in the project's faces, from left to right. */
  private List<Integer> fromTheLeft = List.of();

  PersonChoice(AppState state) {
    this.state = state;
    setId("whose-gauges");
    setAccessibleText(TEXTS.get("personChoice.whose"));
    setTooltip(new Tooltip(TEXTS.get("personChoice.whose-tip")));
    setConverter(new Titled<>(this::name));
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
    List<Integer> now =
        IntStream.range(0, faces.size())
            .boxed()
            .sorted(Comparator.comparingDouble(i -> faces.get(i).oval().x()))
            .toList();
    setVisible(now.size() > 1);
    if (!now.equals(fromTheLeft)) {
      fromTheLeft = now;
      int chosen = state.measurements().personProperty().get();
      // A value that was chosen among other items is not looked for among these.
      setValue(null);
      getItems().setAll(now);
      getItems().addFirst(MeasurementState.EVERYONE);
      setValue(chosen);
    }
  }

  private String name(int person) {
    if (person == MeasurementState.EVERYONE) {
      return TEXTS.get("personChoice.everyone");
    }
    int place = fromTheLeft.indexOf(person);
    if (fromTheLeft.size() == 2) {
      return TEXTS.get(place == 0 ? "personChoice.left" : "personChoice.right");
    }
    return TEXTS.get("personChoice.from-the-left", place + 1, fromTheLeft.size());
  }

  void close() {
    subscriptions.close();
  }
}
