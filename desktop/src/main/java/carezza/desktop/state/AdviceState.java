package carezza.desktop.state;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.measure.AmountSweep;
import carezza.measure.CheckView;
import carezza.measure.ContourGuides.Guide;
import carezza.measure.Distraction;
import carezza.measure.LightAdvisor;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GrainLayer;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.session.Advice;
import carezza.session.Session;

/** What is measured for the selected layer when the retoucher asks for advice on it. */
public final class AdviceState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("state");

  /** Pause in the work after which places are looked for anew. */
  private static final Duration REST = Duration.ofMillis(300);

  private final DocumentState document;
  private final SelectionController selection;
  private final ToolState tools;
  private final ViewState view;
  private final Status status;
  private final TaskRunner tasks;
  private final Lane working;
  private final Lane scanning;
  private final Lane following;
  private final Lane guiding;

  private final ObjectProperty<Push> push = new SimpleObjectProperty<>();
  private final ObjectProperty<List<Guide>> contours = new SimpleObjectProperty<>(List.of());
  private final ObjectProperty<List<Distraction>> distractions =
      new SimpleObjectProperty<>(List.of());
  private final ObjectProperty<Radius> radius = new SimpleObjectProperty<>();

  public AdviceState(
      DocumentState document,
      SelectionController selection,
      ToolState tools,
      ViewState view,
      Status status,
      TaskRunner tasks) {
    this.document = document;
    this.selection = selection;
    this.tools = tools;
    this.view = view;
    this.status = status;
    this.tasks = tasks;
    working = tasks.droppable("advice");
    scanning = tasks.droppable("radius");
    following = tasks.droppable("distractions");
    guiding = tasks.droppable("guides");
    selection
        .selectedProperty()
        .subscribe(
            (was, is) -> {
              push.set(null);
              contours.set(List.of());
            });
    // What was advised for a layer is not advised for another state of it.
    document
        .projectProperty()
        .subscribe(
            (was, is) -> {
              if (push.get() != null && !isPushed(push.get().layer())) {
                push.set(null);
              }
              follow(was, is);
            });
    view.checkProperty().subscribe((was, is) -> findDistractions());
  }

  /** Guides and places on the picture follow what was changed under them. */
  private void follow(Project was, Project is) {
    String id = selection.selected();
    boolean below =
        was != null
            && id != null
            && was.stack().indexOf(id) >= 0
            && is.stack().indexOf(id) >= 0
            && !was.stack()
                .lowest(was.stack().indexOf(id))
                .equals(is.stack().lowest(is.stack().indexOf(id)));
    if (below && !contours.get().isEmpty()) {
      findContours(id, found -> {});
    }
    findDistractions();
  }

  private void findDistractions() {
    if (view.checkProperty().get() != CheckView.ATTENTION) {
      following.cancel();
      distractions.set(List.of());
      return;
    }
    Project project = document.project();
    Session session = document.session();
    following.rested(
        REST,
        cancellation -> {
          return session.advice().distractions(project, cancellation);
        },
        distractions::set,
        status::fail);
  }

  /** Places that draw the eye away from the face, while the picture is seen that way; or none. */
  public ObjectProperty<List<Distraction>> distractionsProperty() {
    return distractions;
  }

  /**
   * A layer that was pushed, and what came of it.
   *
   * @param layer as it was then
   */
  public record Push(Layer layer, AmountSweep found) {}

  /**
   * @param layer a separation
   */
  public record Radius(String layer, Advice.Radius advice) {}

  /** The over-push test of the selected layer, or null. */
  public ObjectProperty<Push> pushProperty() {
    return push;
  }

  /** The advised radius that was measured last, or null. */
  public ObjectProperty<Radius> radiusProperty() {
    return radius;
  }

  /** Pushes the selected layer from nothing to twice its strength and reads the gauges. */
  public void pushTest() {
    selection
        .layer()
        .ifPresent(
            layer -> {
              Project project = document.project();
              Session session = document.session();
              Status.Job own = begin(TEXTS.get("adviceState.pushing-the-layer-from-0-to"));
              working.newest(
                  cancellation ->
                      session
                          .advice()
                          .pushed(
                              project,
                              layer.attributes().id(),
                              done -> tasks.atHome(() -> own.progress(done)),
                              cancellation),
                  found -> {
                    if (session == document.session() && isPushed(layer)) {
                      status.say(said(found));
                      push.set(new Push(layer, found));
                    } else {
                      status.say(TEXTS.get("adviceState.the-layer-was-changed-meanwhile-push"));
                    }
                  },
                  status::fail,
                  own::end);
            });
  }

  private Status.Job begin(String words) {
    working.cancel();
    return status.begin(words, working::cancel);
  }

  /** Whether the selected layer is the one that was pushed, but for its amount. */
  private boolean isPushed(Layer layer) {
    return selection
        .layer()
        .map(l -> l.with(l.attributes().withAmount(layer.attributes().amount())).equals(layer))
        .orElse(false);
  }

  private static String said(AmountSweep found) {
    OptionalDouble advised = found.advised();
    return advised.isEmpty()
        ? TEXTS.get("adviceState.this-layer-moves-no-gauge-that")
        : TEXTS.get("adviceState.every-gauge-that-it-moves-keeps", 100 * advised.getAsDouble());
  }

  /** Measures the radius for a separation. */
  public void measureRadius(String layer) {
    Project project = document.project();
    Session session = document.session();
    scanning.newest(
        cancellation -> session.advice().radius(project, layer, cancellation),
        found -> radius.set(new Radius(layer, found)),
        status::fail);
  }

  /**
   * Takes what is advised: the radius of a separation, or the amount of a layer that was pushed.
   */
  public void take() {
    Push pushed = push.get();
    if (pushed != null && pushed.found().advised().isPresent()) {
      double amount = Math.min(2, pushed.found().advised().getAsDouble());
      selection.edit(null, l -> l.with(l.attributes().withAmount(amount)));
    } else {
      takeRadius();
    }
  }

  /** The selected grain becomes as strong and as coarse as the noise below it. */
  public void grainAsThisPicture() {
    Optional<GrainLayer> grain = selection.layer(GrainLayer.class);
    Project project = document.project();
    Session session = document.session();
    grain
        .map(l -> l.attributes().id())
        .ifPresent(
            id ->
                scanning.newest(
                    cancellation -> session.advice().grain(project, id, cancellation),
                    found -> {
                      double strength = Math.min(20, found.strength());
                      double size = Math.clamp(found.size(), 0.3, 20);
                      document.edit(
                          null, p -> p.edit(id, l -> ((GrainLayer) l).like(strength, size)));
                      status.say(TEXTS.get("adviceState.grain-is-like", strength, size));
                    },
                    status::fail));
  }

  /** The selected separation follows the advice on its radius. */
  public void takeRadius() {
    if (selection.layer().filter(FrequencySeparationLayer.class::isInstance).isPresent()) {
      selection.edit(null, l -> ((FrequencySeparationLayer) l).withRadius(null));
    }
  }

  /** Light and shade against blotches, on the selected layer. */
  public void evenBlotches() {
    propose(
        TEXTS.get("adviceState.even-blotches"),
        TEXTS.get("adviceState.measuring-blotches"),
        TEXTS.get("adviceState.blotches-are-evened-lift-it-where"),
        LightAdvisor::evened);
  }

  /** As above, but nothing shows before it is painted in. */
  public void evenUnderBrush() {
    propose(
        TEXTS.get("adviceState.even-under-the-brush"),
        TEXTS.get("adviceState.measuring-blotches"),
        TEXTS.get("adviceState.paint-over-the-skin-under-the"),
        advisor -> {
          DodgeBurnLayer evened = advisor.evened();
          return evened.attributes().mask() instanceof Mask.Everything
              ? evened.with(evened.attributes().withMask(new Mask.Nothing()))
              : evened;
        },
        () -> tools.toolProperty().set(ToolKind.MASK));
  }

  /** Light and shade that smoothing took, on the selected layer. */
  public void restoreForm() {
    propose(
        TEXTS.get("adviceState.form-given-back"),
        TEXTS.get("adviceState.measuring-form"),
        TEXTS.get("adviceState.form-is-given-back-its-amount"),
        LightAdvisor::formRestored);
  }

  /** Shade on the shine of the face, on the selected layer. */
  public void tameShine() {
    propose(
        TEXTS.get("adviceState.shine-tamed"),
        TEXTS.get("adviceState.measuring-shine"),
        TEXTS.get("adviceState.half-of-the-shine-is-taken"),
        LightAdvisor::shineTamed);
  }

  /** Places to lift and to deepen that are shown on the picture; empty for none. */
  public ObjectProperty<List<Guide>> contoursProperty() {
    return contours;
  }

  /** Shows the places of the face to lift and to deepen, or hides them. */
  public void turnContours() {
    String id = selection.selected();
    if (!contours.get().isEmpty() || id == null) {
      contours.set(List.of());
      status.say("");
      return;
    }
    findContours(
        id,
        found ->
            status.say(
                found.isEmpty()
                    ? TEXTS.get("adviceState.there-is-no-face-map-to")
                    : TEXTS.get("adviceState.whole-lines-lift-what-is-light")));
  }

  private void findContours(String layer, Consumer<List<Guide>> then) {
    Project project = document.project();
    Session session = document.session();
    guiding.newest(
        cancellation -> session.advice().contours(project, layer, cancellation),
        found -> {
          contours.set(found);
          then.accept(found);
        },
        status::fail);
  }

  private void propose(
      String name, String begun, String done, Function<LightAdvisor, DodgeBurnLayer> proposal) {
    propose(name, begun, done, proposal, () -> {});
  }

  private void propose(
      String name,
      String begun,
      String done,
      Function<LightAdvisor, DodgeBurnLayer> proposal,
      Runnable then) {
    String id = selection.selected();
    Project asked = document.project();
    Session session = document.session();
    Status.Job job = begin(begun);
    working.newest(
        (Cancellation cancellation) ->
            proposal.apply(session.advice().light(asked, id, cancellation)),
        found -> {
          // What was painted meanwhile is not to be lost.
          if (session != document.session()
              || !document.stack().find(id).equals(asked.stack().find(id))) {
            status.say(TEXTS.get("adviceState.the-layer-was-changed-meanwhile-ask"));
          } else {
            take(name, id, (DodgeBurnLayer) document.stack().find(id).orElseThrow(), found, done);
            then.run();
          }
        },
        status::fail,
        job::end);
  }

  /**
   * Puts light and shade on the layer, or, where that holds a proposal already, on one of its own.
   */
  private void take(String name, String id, DodgeBurnLayer own, DodgeBurnLayer found, String done) {
    double amount = found.attributes().amount();
    if (replaces(own.dodgeMask(), found.dodgeMask())
        || replaces(own.burnMask(), found.burnMask())) {
      DodgeBurnLayer fresh = (DodgeBurnLayer) Names.fresh(LayerType.DODGE_BURN);
      DodgeBurnLayer second =
          found
              .withMasks(
                  added(own.dodgeMask(), found.dodgeMask()),
                  added(own.burnMask(), found.burnMask()))
              .with(
                  fresh
                      .attributes()
                      .named(name)
                      .withMask(own.attributes().mask())
                      .withAmount(amount));
      selection.add(List.of(second));
      status.say(TEXTS.get("adviceState.on-a-layer-of-its-own", done));
      return;
    }
    document.edit(null, p -> p.edit(id, l -> found));
    status.say(done);
  }

  private static Mask base(Mask mask) {
    return mask instanceof Mask.Strokes strokes ? strokes.base() : mask;
  }

  private static boolean replaces(Mask own, Mask found) {
    return !(base(own) instanceof Mask.Nothing) && !base(own).equals(base(found));
  }

  /** What a proposal adds to a mask, without what was painted on it. */
  private static Mask added(Mask own, Mask found) {
    return own.equals(found) ? new Mask.Nothing() : base(found);
  }

  @Override
  public void close() {
    working.close();
    scanning.close();
    following.close();
    guiding.close();
  }
}
