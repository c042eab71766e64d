package carezza.desktop.state;

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
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.RepairHandles;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

/** The repairs that are chosen on the selected layer, and how those to come are made. */
public final class RepairState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("state");

  /** Places that the key for another source goes through. */
  private static final int SOURCES = 8;

  private final DocumentState document;
  private final SelectionController selection;
  private final Status status;
  private final Lane finding;
  private final ObjectProperty<Set<Integer>> chosen = new SimpleObjectProperty<>(Set.of());
  private final ObjectProperty<RepairMethod> way = new SimpleObjectProperty<>(RepairMethod.HEAL);
  private final DoubleProperty amount = new SimpleDoubleProperty(1);
  private final BooleanProperty aligned = new SimpleBooleanProperty(true);

  /** Where clones are taken from, as clicked; and, once a stroke has begun there, their shift. */
  private @Nullable Point cloneFrom;

  private @Nullable Source cloneShift;

  public RepairState(
      DocumentState document, SelectionController selection, Status status, TaskRunner tasks) {
    this.document = document;
    this.selection = selection;
    this.status = status;
    selection.selectedProperty().subscribe((was, is) -> choose(Set.of()));
    // What is chosen is chosen by its place, and that is another after a step back.
    document.walksProperty().subscribe((was, is) -> choose(Set.of()));
    document.sessionProperty().subscribe((was, is) -> forget());
    finding = tasks.lane("another source");
  }

  // --- repairs

  private Optional<HealLayer> layer() {
    return selection.layer().filter(HealLayer.class::isInstance).map(HealLayer.class::cast);
  }

  /** Indices of the chosen repairs of the selected layer. */
  public ReadOnlyObjectProperty<Set<Integer>> chosenProperty() {
    return chosen;
  }

  public void choose(Set<Integer> indices) {
    chosen.set(Set.copyOf(indices));
  }

  /** The one chosen repair, if there is only one. */
  public Optional<Patch> single() {
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
  public int at(Point place, double least) {
    List<Patch> patches = layer().map(HealLayer::patches).orElse(List.of());
    for (int i = patches.size() - 1; i >= 0; i--) {
      if (RepairHandles.holds(patches.get(i).area(), place, least)) {
        return i;
      }
    }
    return -1;
  }

  /** Chooses all repairs whose middle lies inside an outline. */
  public void chooseInside(List<Point> outline) {
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
  public void change(@Nullable String label, UnaryOperator<Patch> change) {
    Set<Integer> which = chosen.get();
    if (!which.isEmpty()) {
      selection.edit(label, l -> changed((HealLayer) l, which, change));
    }
  }

  public static HealLayer changed(
      HealLayer layer, Set<Integer> which, UnaryOperator<Patch> change) {
    HealLayer changed = layer;
    for (int i : which) {
      if (i < layer.patches().size()) {
        changed = changed.changed(i, change);
      }
    }
    return changed;
  }

  /** Makes the chosen repairs wider or narrower by a factor; false if none is chosen. */
  public boolean scale(double factor) {
    if (chosen.get().isEmpty() || layer().isEmpty()) {
      return false;
    }
    change("repair-size", p -> p.scaled(factor));
    return true;
  }

  /** Takes the chosen repairs out. */
  public boolean remove() {
    Set<Integer> which = chosen.get();
    if (which.isEmpty() || layer().isEmpty()) {
      return false;
    }
    choose(Set.of());
    selection.edit(null, l -> ((HealLayer) l).without(which));
    return true;
  }

  /** The way of the chosen repairs and of those to come. */
  public void take(RepairMethod next) {
    way.set(next);
    change(null, p -> p.withWay(next));
  }

  public ObjectProperty<RepairMethod> wayProperty() {
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
      status.say(TEXTS.get("repairState.choose-one-repair-that-takes-from"));
      return;
    }
    int i = index.get();
    Patch patch = single().orElseThrow();
    Project asked = document.project();
    String id = selection.selected();
    var session = document.session();
    finding.newest(
        cancellation -> {
          List<Source> next = new ArrayList<>();
          for (Piece piece : patch.pieces()) {
            next.add(
                after(
                    piece.source(),
                    session.repairs().sources(asked, id, piece, SOURCES, cancellation)));
          }
          return next;
        },
        next -> {
          if (next.contains(null)) {
            status.say(TEXTS.get("repairState.there-is-no-other-place-near"));
          } else if (patch.equals(single().orElse(null))) {
            selection.edit(null, l -> ((HealLayer) l).changed(i, p -> p.withSources(next)));
          }
        },
        status::fail);
  }

  /** The one after a source in the list, from its end to its start. */
  private static @Nullable Source after(@Nullable Source now, List<Source> ranked) {
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
  public void cloneFrom(Point place) {
    cloneFrom = place;
    cloneShift = null;
  }

  public Optional<Point> cloneFrom() {
    return Optional.ofNullable(cloneFrom);
  }

  /** The repair that a stroke makes. */
  public Patch repair(Stroke stroke) {
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
  public void hair(Stroke drawn) {
    Project asked = document.project();
    String id = selection.selected();
    var session = document.session();
    double part = amount.get();
    finding.newest(
        cancellation -> session.repairs().hair(asked, id, drawn, cancellation),
        found -> {
          if (session != document.session() || document.stack().find(id).isEmpty()) {
            return;
          }
          if (found.isEmpty()) {
            status.say(TEXTS.get("repairState.no-hair-stands-out-there-draw"));
            return;
          }
          Patch patch = new Patch(found.get(), List.of(), RepairMethod.HEAL, part);
          document.edit(null, p -> p.edit(id, l -> ((HealLayer) l).plus(patch)));
        },
        status::fail);
  }

  /** Forgets all that belongs to another photograph. */
  private void forget() {
    choose(Set.of());
    cloneFrom = null;
    cloneShift = null;
  }

  @Override
  public void close() {
    finding.close();
  }
}
