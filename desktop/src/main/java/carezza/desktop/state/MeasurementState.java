package carezza.desktop.state;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleIntegerProperty;

import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Persons;
import carezza.desktop.text.Texts;
import carezza.measure.Gauge;
import carezza.model.Project;
import carezza.session.Session;

/**
 * What the gauges read; follows each step once the hand rests, and gives way to a stroke under way.
 */
public final class MeasurementState {

  /** Pause in the work after which the gauges are read: the picture comes before its numbers. */
  private static final Duration REST = Duration.ofMillis(200);

  private static final Texts TEXTS = Texts.of("state");

  private final DocumentState document;
  private final Status status;
  private final Lane measuring;
  private final ReadOnlyObjectWrapper<List<Gauge>> gauges = new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Map<String, Double>> radii =
      new ReadOnlyObjectWrapper<>(Map.of());
  private final ReadOnlyObjectWrapper<List<String>> missing =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyBooleanWrapper underWay = new ReadOnlyBooleanWrapper();
  private final IntegerProperty person = new SimpleIntegerProperty(Persons.EVERYONE);
  private final ReadOnlyObjectWrapper<List<Gauge>> persons = new ReadOnlyObjectWrapper<>(List.of());

  public MeasurementState(DocumentState document, Status status, TaskRunner tasks) {
    this.document = document;
    this.status = status;
    measuring = tasks.droppable("gauges");
    document
        .sessionProperty()
        .subscribe(
            (was, is) -> {
              measuring.cancel();
              person.set(Persons.EVERYONE);
              gauges.set(List.of());
              persons.set(List.of());
              radii.set(Map.of());
              missing.set(List.of());
            });
    document.projectProperty().subscribe((was, is) -> measuring.cancel());
    document.commitsProperty().subscribe((was, is) -> measure());
    document.seenProperty().subscribe((was, is) -> measure());
    person.subscribe((was, is) -> measure());
  }

  private record Measured(
      List<Gauge> gauges, List<Gauge> persons, Map<String, Double> radii, List<String> missing) {}

  private void measure() {
    if (!document.seenProperty().get()) {
      return;
    }
    Project asked = document.project();
    Session here = document.session();
    if (person.get() >= asked.allFaces().size()) {
      person.set(Persons.EVERYONE);
      return;
    }
    int whose = asked.allFaces().size() < 2 ? Persons.EVERYONE : person.get();
    underWay.set(true);
    measuring.rested(
        REST,
        cancellation ->
            new Measured(
                here.readings().gauges(asked, cancellation),
                whose == Persons.EVERYONE
                    ? List.of()
                    : here.readings().gauges(asked, whose, cancellation),
                here.readings().separationRadii(asked, cancellation),
                here.readings().missingOverlays(asked)),
        read -> {
          underWay.set(false);
          radii.set(read.radii());
          say(read.missing());
          gauges.set(read.gauges());
          persons.set(whose == Persons.EVERYONE ? read.gauges() : read.persons());
        },
        e -> {
          underWay.set(false);
          status.fail(e);
        });
  }

  /** Names of pictures that are to be laid over this one and are not to be had. */
  public ReadOnlyObjectProperty<List<String>> missingProperty() {
    return missing.getReadOnlyProperty();
  }

  private void say(List<String> gone) {
    if (!gone.isEmpty() && !gone.equals(missing.get())) {
      status.say(TEXTS.get("measurementState.missing", String.join(", ", gone)));
    }
    missing.set(gone);
  }

  /** As read last; empty until the first reading of a document. */
  public ReadOnlyObjectProperty<List<Gauge>> gaugesProperty() {
    return gauges.getReadOnlyProperty();
  }

  /** Whose gauges are looked at: a place in the project's faces, or {@link Persons#EVERYONE}. */
  public IntegerProperty personProperty() {
    return person;
  }

  /** The gauges of whom is looked at; what is judged is everyone's all the same. */
  public ReadOnlyObjectProperty<List<Gauge>> personsProperty() {
    return persons.getReadOnlyProperty();
  }

  /** Sigma that each separation works with, by layer, in photograph pixels; as last measured. */
  public ReadOnlyObjectProperty<Map<String, Double>> radiiProperty() {
    return radii.getReadOnlyProperty();
  }

  /** Whether what is shown is being read anew. */
  public ReadOnlyBooleanProperty underWayProperty() {
    return underWay.getReadOnlyProperty();
  }
}
