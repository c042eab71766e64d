package carezza.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;

import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.HealLayer.Way;
import carezza.model.KeptMark;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

/** The repairs that are chosen on the selected layer, the next one's way, and proposals to decide on. */
public final class Mending implements AutoCloseable {

  /** Places that the key for another source goes through. */
  private static final int SOURCES = 8;

  private final BenchModel model;
  private final Background looking = new Background("proposals");
  private final Background finding = new Background("another source");
  private final ObjectProperty<Set<Integer>> chosen = new SimpleObjectProperty<>(Set.of());
  private final ObjectProperty<Way> way = new SimpleObjectProperty<>(Way.HEAL);
  private final DoubleProperty amount = new SimpleDoubleProperty(1);
  private final BooleanProperty aligned = new SimpleBooleanProperty(true);
  private final ReadOnlyObjectWrapper<List<Blemish>> proposals =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Blemish> current = new ReadOnlyObjectWrapper<>();
  private final DoubleProperty sensitivity = new SimpleDoubleProperty(1);
  private final DoubleProperty smallest = new SimpleDoubleProperty(0);
  private final DoubleProperty largest = new SimpleDoubleProperty(120);

  /** Where clones are taken from, as clicked; and, once a stroke has begun there, their shift. */
  private Point cloneFrom;

  private Source cloneShift;

  Mending(BenchModel model) {
    this.model = model;
  }

  // --- repairs

  private Optional<HealLayer> layer() {
    return model
        .selectedLayer()
        .filter(HealLayer.class::isInstance)
        .map(HealLayer.class::cast);
  }

  /** Indices of the chosen repairs of the selected layer. */
  public ReadOnlyObjectProperty<Set<Integer>> chosenProperty() {
    return chosen;
  }

  void choose(Set<Integer> indices) {
    chosen.set(Set.copyOf(indices));
  }

  /** The one chosen repair, if there is only one. */
  Optional<Patch> single() {
    return index().map(i -> layer().orElseThrow().patches().get(i));
  }

  private Optional<Integer> index() {
    Set<Integer> all = chosen.get();
    int count = layer().map(l -> l.patches().size()).orElse(0);
    return all.size() == 1 && all.iterator().next() < count
        ? Optional.of(all.iterator().next())
        : Optional.empty();
  }

  /** The topmost repair at a place, or −1. */
  int at(Point place, double least) {
    List<Patch> patches = layer().map(HealLayer::patches).orElse(List.of());
    for (int i = patches.size() - 1; i >= 0; i--) {
      if (RepairHandles.holds(patches.get(i).area(), place, least)) {
        return i;
      }
    }
    return -1;
  }

  /** Chooses all repairs whose middle lies inside an outline. */
  void chooseInside(List<Point> outline) {
    Set<Integer> inside = new TreeSet<>();
    List<Patch> patches = layer().map(HealLayer::patches).orElse(List.of());
    for (int i = 0; i < patches.size(); i++) {
      if (RepairHandles.inside(outline, patches.get(i).area().centre())) {
        inside.add(i);
      }
    }
    choose(inside);
  }

  /** Changes the chosen repairs; edits of the same label become one. */
  void change(String label, UnaryOperator<Patch> change) {
    Set<Integer> which = chosen.get();
    if (!which.isEmpty()) {
      model.editSelected(label, l -> changed((HealLayer) l, which, change));
    }
  }

  static HealLayer changed(HealLayer layer, Set<Integer> which, UnaryOperator<Patch> change) {
    HealLayer changed = layer;
    for (int i : which) {
      if (i < layer.patches().size()) {
        changed = changed.changed(i, change);
      }
    }
    return changed;
  }

  /** Takes the chosen repairs out. */
  public boolean remove() {
    Set<Integer> which = chosen.get();
    if (which.isEmpty() || layer().isEmpty()) {
      return false;
    }
    choose(Set.of());
    model.editSelected(null, l -> ((HealLayer) l).without(which));
    return true;
  }

  /** The way of the chosen repairs and of those to come. */
  public void take(Way next) {
    way.set(next);
    change(null, p -> p.withWay(next));
  }

  public ObjectProperty<Way> wayProperty() {
    return way;
  }

  /** Amount of repairs to come. */
  public DoubleProperty amountProperty() {
    return amount;
  }

  /** Clones of one shift, or each from the place that was clicked. */
  public BooleanProperty alignedProperty() {
    return aligned;
  }

  /** Takes the next best source for the chosen repair. */
  public void another() {
    Optional<Integer> index = index();
    if (index.isEmpty() || single().filter(p -> p.way().takes()).isEmpty()) {
      model.messageProperty().set("Choose one repair that takes from a source, then ask for another.");
      return;
    }
    int i = index.get();
    Patch patch = single().orElseThrow();
    Project asked = model.projectProperty().get();
    String id = model.selectedProperty().get();
    var session = model.session();
    finding.newest(
        cancellation -> {
          List<Source> next = new ArrayList<>();
          for (Piece piece : patch.pieces()) {
            next.add(
                after(
                    piece.source(),
                    session.sources(asked, id, piece, SOURCES, cancellation)));
          }
          return next;
        },
        next -> {
          if (next.contains(null)) {
            model.messageProperty().set("There is no other place near it to take skin from.");
          } else if (patch.equals(single().orElse(null))) {
            model.editSelected(null, l -> ((HealLayer) l).changed(i, p -> p.withSources(next)));
          }
        },
        model::fail);
  }

  /** The one after a source in the list, from its end to its start. */
  private static Source after(Source now, List<Source> ranked) {
    if (ranked.isEmpty()) {
      return null;
    }
    int at = 0;
    double nearest = Double.MAX_VALUE;
    for (int i = 0; now != null && i < ranked.size(); i++) {
      double away = Math.hypot(ranked.get(i).dx() - now.dx(), ranked.get(i).dy() - now.dy());
      if (away < nearest) {
        nearest = away;
        at = i + 1;
      }
    }
    return ranked.get(at % ranked.size());
  }

  /** Sets where clones are taken from. */
  void cloneFrom(Point place) {
    cloneFrom = place;
    cloneShift = null;
  }

  Optional<Point> cloneFrom() {
    return Optional.ofNullable(cloneFrom);
  }

  /** The repair that a stroke makes. */
  Patch repair(Stroke stroke) {
    boolean clones = way.get().clones();
    List<Source> sources = List.of();
    if (clones && cloneFrom != null) {
      if (cloneShift == null || !aligned.get()) {
        cloneShift = new Source(cloneFrom.x() - stroke.x(0), cloneFrom.y() - stroke.y(0));
      }
      sources = List.of(cloneShift);
    }
    return new Patch(stroke, sources, way.get(), amount.get());
  }

  /** Heals the hair that a stroke was drawn along. */
  void hair(Stroke drawn) {
    Project asked = model.projectProperty().get();
    String id = model.selectedProperty().get();
    var session = model.session();
    double part = amount.get();
    finding.newest(
        cancellation -> session.hair(asked, id, drawn, cancellation),
        found -> {
          if (session != model.session() || model.stack().find(id).isEmpty()) {
            return;
          }
          if (found.isEmpty()) {
            model.messageProperty().set("No hair stands out there; draw along it, or use a wider brush.");
            return;
          }
          Patch patch = new Patch(found.get(), List.of(), Way.HEAL, part);
          model.edit(null, p -> p.edit(id, l -> ((HealLayer) l).plus(patch)));
        },
        model::fail);
  }

  // --- proposals

  /** Proposals that are not decided yet. */
  public ReadOnlyObjectProperty<List<Blemish>> proposalsProperty() {
    return proposals.getReadOnlyProperty();
  }

  /** The one to decide on now, or null. */
  public ReadOnlyObjectProperty<Blemish> currentProperty() {
    return current.getReadOnlyProperty();
  }

  /** 1 as usual, more for fainter ones. */
  public DoubleProperty sensitivityProperty() {
    return sensitivity;
  }

  /** Least radius in photograph pixels. */
  public DoubleProperty smallestProperty() {
    return smallest;
  }

  /** Most radius in photograph pixels. */
  public DoubleProperty largestProperty() {
    return largest;
  }

  /** Looks for blemishes that no repair is on yet. */
  public void look() {
    Project asked = model.projectProperty().get();
    if (asked.faces() == null) {
      model.messageProperty().set("Blemishes are looked for on a face: find or place it first (F).");
      return;
    }
    double how = sensitivity.get();
    double least = smallest.get();
    double most = largest.get();
    var session = model.session();
    model.messageProperty().set("Looking for blemishes …");
    looking.newest(
        cancellation ->
            session.blemishes(asked, how, cancellation).stream()
                .filter(b -> b.radius() >= least && b.radius() <= most)
                .filter(b -> !healed(asked, b))
                .toList(),
        found -> {
          if (session == model.session()) {
            proposals.set(found);
            current.set(null);
            model
                .messageProperty()
                .set(
                    found.isEmpty()
                        ? "Nothing is proposed at this sensitivity."
                        : found.size() + " places proposed; N goes to the first.");
          }
        },
        model::fail);
  }

  private static boolean healed(Project project, Blemish b) {
    Point place = new Point(b.x(), b.y());
    return project.stack().layers().stream()
        .filter(l -> l instanceof HealLayer && l.head().on())
        .flatMap(l -> ((HealLayer) l).patches().stream())
        .anyMatch(p -> RepairHandles.holds(p.area(), place, 0));
  }

  /** Forgets the proposals. */
  void drop() {
    proposals.set(List.of());
    current.set(null);
  }

  /** Goes to the next proposal. */
  public void next() {
    List<Blemish> all = proposals.get();
    if (all.isEmpty()) {
      current.set(null);
      return;
    }
    int at = all.indexOf(current.get());
    current.set(all.get((at + 1) % all.size()));
  }

  /** Heals the proposal that is being decided on and goes to the next. */
  public void accept() {
    Blemish b = current.get();
    if (b != null && layer().isPresent()) {
      decided(b);
      model.editSelected(null, l -> ((HealLayer) l).plus(spot(b)));
    }
  }

  /** Keeps it as the person's own, now and later, and goes to the next. */
  public void keep() {
    Blemish b = current.get();
    if (b != null) {
      decided(b);
      model.edit(null, p -> p.keeping(new KeptMark(b.x(), b.y(), b.radius())));
    }
  }

  /** Heals all that are temporary; marks are left to be decided on one by one. */
  public void acceptAll() {
    List<Blemish> healed =
        proposals.get().stream().filter(b -> b.kind() == Blemish.Kind.TEMPORARY).toList();
    if (healed.isEmpty() || layer().isEmpty()) {
      return;
    }
    List<Blemish> left = new ArrayList<>(proposals.get());
    left.removeAll(healed);
    proposals.set(left);
    current.set(null);
    model.editSelected(
        null,
        l -> {
          HealLayer changed = (HealLayer) l;
          for (Blemish b : healed) {
            changed = changed.plus(spot(b));
          }
          return changed;
        });
  }

  private static Patch spot(Blemish b) {
    return Patch.spot(b.x(), b.y(), b.radius());
  }

  private void decided(Blemish b) {
    List<Blemish> left = new ArrayList<>(proposals.get());
    int at = left.indexOf(b);
    left.remove(b);
    proposals.set(left);
    current.set(left.isEmpty() ? null : left.get(Math.max(0, at) % left.size()));
  }

  @Override
  public void close() {
    looking.close();
    finding.close();
  }
}
