package carezza.desktop.view.deliver;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.codec.OutputCheck;
import carezza.codec.OutputColour;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Lane;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.measure.Gauge;
import carezza.measure.Gauge.Verdict;
import carezza.model.Project;
import carezza.plan.Plan;
import carezza.session.Promises.Broken;
import carezza.session.Session;

/** What stands against a delivery: gauges, the plan, promises, and what the colour space does. */
final class DeliveryChecks extends VBox {

  private static final Texts TEXTS = Texts.of("deliver");

  /** Share of a picture that is worth a word. */
  private static final double SOME = 0.0005;

  private final AppState state;
  private final ColourChoice colours;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Lane checking;
  private final VBox said = new VBox(5);
  private final Label colourCheck = DeliverPanel.words("");

  /** The document that is to be delivered. */
  private @Nullable Session delivered;

  DeliveryChecks(AppState state, ColourChoice colours) {
    super(10);
    this.state = state;
    this.colours = colours;
    checking = state.tasks().droppable("delivery check");
    colourCheck.setId("deliver-colours");
    getChildren().addAll(said, colourCheck);
    colours.onChange(this::checkColours);
    subscriptions.on(
        this::check,
        state.measurements().gaugesProperty(),
        state.measurements().missingProperty(),
        state.plan().planProperty(),
        state.plan().brokenProperty());
    subscriptions.on(
        state.document().projectProperty(),
        is -> {
          if (getScene() != null) {
            checkColours();
          }
        });
    check();
  }

  /** From now on it is about this document. */
  void follow(Session session) {
    delivered = session;
    checkColours();
  }

  private void say(String words) {
    said.getChildren().add(DeliverPanel.words(words));
  }

  private void check() {
    said.getChildren().clear();
    List<Gauge> gauges = state.measurements().gaugesProperty().get();
    long inside = gauges.stream().filter(g -> g.verdict() == Verdict.INSIDE).count();
    say(TEXTS.get("deliveryChecks.gauges-lie-inside-their-bands", inside));
    gauges.stream().filter(Gauge::isOutside).forEach(g -> say(PreflightWords.outside(g)));
    state
        .measurements()
        .missingProperty()
        .get()
        .forEach(name -> say(TEXTS.get("preflight.missing-overlay", name)));
    plan();
  }

  /** What the plan has open, and what was promised and is not kept. */
  private void plan() {
    Plan plan = state.plan().planProperty().get();
    if (plan != null && !plan.open().isEmpty()) {
      say(TEXTS.get("deliveryChecks.open-in-the-plan", plan.open().size()));
    }
    state.plan().brokenProperty().get().stream()
        .collect(Collectors.groupingBy(Broken::promise, LinkedHashMap::new, Collectors.toList()))
        .values()
        .forEach(broken -> say(PlanWords.broken(broken, this::layerName)));
  }

  private String layerName(String id) {
    return state.document().stack().find(id).map(l -> l.attributes().name()).orElse(id);
  }

  /** What the chosen space does to the picture; behind, as it renders. */
  private void checkColours() {
    Session session = state.document().session();
    if (state.document().isEmpty() || session != delivered) {
      return;
    }
    Project project = state.document().project();
    OutputColour colour = colours.colour();
    checking.newest(
        cancellation -> session.exports().check(project, colour, cancellation),
        found -> colourCheck.setText(words(found)),
        state.status()::fail);
  }

  private static String words(OutputCheck found) {
    List<String> said = new ArrayList<>();
    if (found.outside() >= SOME) {
      said.add(TEXTS.get("deliveryChecks.colours-outside", 100 * found.outside()));
    }
    if (found.clipped() >= SOME) {
      said.add(TEXTS.get("deliveryChecks.clipped", 100 * found.clipped()));
    }
    if (found.mostInk() > 0) {
      said.add(TEXTS.get("deliveryChecks.most-ink", found.mostInk()));
    }
    return said.isEmpty() ? TEXTS.get("deliveryChecks.all-colours") : String.join(" ", said);
  }

  void close() {
    subscriptions.close();
    checking.close();
  }
}
