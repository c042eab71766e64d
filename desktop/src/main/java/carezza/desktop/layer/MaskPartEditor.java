package carezza.desktop.layer;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Titled;
import carezza.desktop.control.TrapezoidEditor;
import carezza.desktop.state.AppState;
import carezza.desktop.state.MaskPartState;
import carezza.desktop.text.Names;
import carezza.desktop.text.Persons;
import carezza.desktop.text.Texts;
import carezza.mask.Territory;
import carezza.model.FaceMap;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Mask.ChangeMask;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Gradient;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Polygon;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;
import carezza.model.Mask.Refine;
import carezza.model.Mask.RegionMask;
import carezza.model.Mask.Strokes;
import carezza.model.MaskParts;
import carezza.model.MaskParts.Part;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/** What a part of a mask is made of, as rows. */
final class MaskPartEditor {

  private static final Texts TEXTS = Texts.of("panels");
  private static final String PIXELS = "%.0f px";

  private final AppState state;
  private final PanelRows rows;

  MaskPartEditor(AppState state, PanelRows rows) {
    this.state = state;
    this.rows = rows;
  }

  /** The rows that change the part at a place. */
  void show(int place, Part part) {
    switch (part.own()) {
      case RegionMask n -> region(place);
      case Ellipse o ->
          number(
              place,
              "oval-softness",
              TEXTS.get("maskPartEditor.soft-edge"),
              TEXTS.get("maskPartEditor.share-of-the-radius-over-which"),
              0,
              100,
              "%.0f %%",
              m -> 100 * ((Ellipse) m).softness(),
              (m, v) -> {
                Ellipse was = (Ellipse) m;
                return new Ellipse(
                    was.x(), was.y(), was.radiusX(), was.radiusY(), was.angle(), v / 100);
              });
      case Gradient g -> hint(TEXTS.get("maskPartEditor.drag-its-two-ends-on-the"));
      case Polygon p ->
          number(
              place,
              "outline-feather",
              TEXTS.get("maskPartEditor.soft-edge"),
              TEXTS.get("maskPartEditor.sigma-of-the-edge-in-pixels"),
              0,
              200,
              PIXELS,
              m -> ((Polygon) m).feather(),
              (m, v) -> new Polygon(((Polygon) m).points(), v));
      case Range r -> range(place);
      case Strokes s ->
          rows.action(
              "drop-stroke",
              TEXTS.get("maskPartEditor.take-back-the-last-stroke"),
              TEXTS.get("maskPartEditor.removes-the-newest-stroke-of-this"),
              () -> dropStroke(place));
      case Feather f ->
          number(
              place,
              "feather-sigma",
              TEXTS.get("maskPartEditor.softened-by"),
              TEXTS.get("maskPartEditor.sigma-in-pixels-of-the-photograph"),
              0,
              200,
              PIXELS,
              m -> ((Feather) m).sigma(),
              (m, v) -> new Feather(new Nothing(), v));
      case Dilate g ->
          number(
              place,
              "grow-radius",
              TEXTS.get("maskPartEditor.grown-by"),
              TEXTS.get("maskPartEditor.radius-in-pixels-of-the-photograph"),
              -100,
              100,
              "%+.0f px",
              m -> ((Dilate) m).radius(),
              (m, v) -> new Dilate(new Nothing(), v));
      case Opacity s ->
          number(
              place,
              "scale-factor",
              TEXTS.get("maskPartEditor.times"),
              TEXTS.get("maskPartEditor.what-stands-before-it-is-multiplied"),
              0,
              200,
              "%.0f %%",
              m -> 100 * ((Opacity) m).factor(),
              (m, v) -> new Opacity(new Nothing(), v / 100));
      case Refine r ->
          number(
              place,
              "refine-sigma",
              TEXTS.get("maskPartEditor.looks-for-edges-within"),
              TEXTS.get("maskPartEditor.sigma-in-pixels-of-the-photograph"),
              0.5,
              60,
              "%.1f px",
              m -> ((Refine) m).sigma(),
              (m, v) -> new Refine(new Nothing(), v));
      case ChangeMask c -> {
        String other =
            state.document().stack().find(c.layer()).map(l -> l.attributes().name()).orElse(null);
        hint(
            other == null
                ? TEXTS.get("maskPartEditor.the-layer-that-it-followed-is")
                : TEXTS.get("maskPartEditor.where-and-as-far-as-changes", other));
        number(
            place,
            "changed-full",
            TEXTS.get("maskPartEditor.full-from"),
            TEXTS.get("maskPartEditor.difference-that-counts-as-full-in"),
            0.5,
            20,
            "ΔE %.1f",
            m -> ((ChangeMask) m).full(),
            (m, v) -> new ChangeMask(((ChangeMask) m).layer(), v));
      }
      case LinkedMask l ->
          rows.action(
              "unlink",
              TEXTS.get("maskPartEditor.make-it-a-copy"),
              TEXTS.get("maskPartEditor.keeps-the-mask-as-it-is"),
              () -> unlink(place));
      default -> hint(TEXTS.get("maskPartEditor.there-is-nothing-to-set-here"));
    }
  }

  private void hint(String words) {
    Label label = new Label(words);
    label.setWrapText(true);
    label.getStyleClass().add("row-words");
    rows.custom(label, this::nothing);
  }

  /** Changes a mask by a number. */
  private interface Change {
    Mask of(Mask own, double value);
  }

  private void number(
      int place,
      String id,
      String title,
      String tip,
      double low,
      double high,
      String format,
      Function<Mask, Double> value,
      Change change) {
    rows.number(
        id,
        title,
        tip,
        low,
        high,
        format,
        Layer.class,
        l -> value.apply(own(l, place)),
        (l, v) ->
            l.with(
                l.attributes()
                    .withMask(parts(l).changed(place, change.of(own(l, place), v)).mask())));
  }

  private void region(int place) {
    ComboBox<SemanticRegion> regions =
        choice(
            "mask-region",
            TEXTS.get("maskPartEditor.the-area-by-its-name"),
            Names::title,
            List.of(SemanticRegion.values()));
    follow(
        regions,
        l -> own(l, place) instanceof RegionMask named ? named.region() : null,
        picked -> editRegion(place, named -> new RegionMask(picked, named.of())));
    person(place);
  }

  /** Whose area it is, where there are several people: faces may be found while it is shown. */
  private void person(int place) {
    ComboBox<Integer> whose =
        choice(
            "mask-person",
            TEXTS.get("maskPartEditor.whose"),
            person -> Persons.of(faces()).name(person),
            List.of());
    whose.managedProperty().bind(whose.visibleProperty());
    follow(
        whose,
        l -> {
          Persons persons = Persons.of(faces());
          if (!persons.choices().equals(whose.getItems())) {
            // A value that was chosen among other items is not looked for among these.
            whose.setValue(null);
            whose.getItems().setAll(persons.choices());
          }
          whose.setVisible(persons.several());
          return own(l, place) instanceof RegionMask named && named.of() != null
              ? Territory.nearest(faces(), named.of())
              : Persons.EVERYONE;
        },
        picked ->
            editRegion(place, named -> new RegionMask(named.region(), middle(faces(), picked))));
  }

  private List<FaceMap> faces() {
    return state.document().project().allFaces();
  }

  private static @Nullable Point middle(List<FaceMap> faces, int person) {
    return person == Persons.EVERYONE ? null : faces.get(person).oval().middle();
  }

  private void editRegion(int place, UnaryOperator<RegionMask> change) {
    edit(
        null,
        p ->
            p.parts().get(place).own() instanceof RegionMask named
                ? p.changed(place, change.apply(named))
                : p);
  }

  private void range(int place) {
    ComboBox<Quantity> quantities =
        choice(
            "range-quantity",
            TEXTS.get("maskPartEditor.what-the-range-is-of-the"),
            q ->
                switch (q) {
                  case LIGHTNESS -> TEXTS.get("maskPartEditor.lightness-l");
                  case HUE -> TEXTS.get("maskPartEditor.hue");
                  case CHROMA -> TEXTS.get("maskPartEditor.chroma-c");
                },
            List.of(Quantity.values()));
    follow(
        quantities,
        l -> own(l, place) instanceof Range r ? r.quantity() : null,
        picked -> edit(null, p -> p.changed(place, MaskPartState.wholeRange(picked))));
    TrapezoidEditor editor =
        new TrapezoidEditor(
            () ->
                state
                    .selection()
                    .layer()
                    .map(l -> own(l, place))
                    .map(m -> m instanceof Range r ? r : null)
                    .orElse(null),
            change ->
                edit(
                    "range",
                    p ->
                        p.parts().get(place).own() instanceof Range r
                            ? p.changed(place, change.apply(r))
                            : p),
            state.document()::settle,
            new RangeHistogram(state, rows.lane("histogram"))::count);
    rows.custom(editor, editor::refresh);
    rows.words(
        "range-words",
        Layer.class,
        l ->
            own(l, place) instanceof Range r
                ? TEXTS.get(
                    "maskPartEditor.from-full-to-until", r.start(), r.full(), r.fullEnd(), r.end())
                : "");
  }

  private void dropStroke(int place) {
    edit(
        null,
        p -> {
          Strokes s = (Strokes) p.parts().get(place).own();
          return s.strokes().size() > 1
              ? p.changed(
                  place, new Strokes(s.base(), s.strokes().subList(0, s.strokes().size() - 1)))
              : p.without(place);
        });
  }

  private void unlink(int place) {
    edit(
        null,
        p ->
            p.parts().get(place).own() instanceof LinkedMask(String id)
                ? p.changed(
                    place,
                    state
                        .document()
                        .stack()
                        .find(id)
                        .map(l -> l.attributes().mask())
                        .orElse(new Nothing()))
                : p);
  }

  static <T> ComboBox<T> choice(String id, String tip, Function<T, String> title, List<T> items) {
    ComboBox<T> box = new ComboBox<>();
    box.setId(id);
    box.setAccessibleText(tip);
    box.getItems().addAll(items);
    box.setTooltip(new Tooltip(tip));
    box.setConverter(new Titled<>(title));
    return box;
  }

  /** Shows a value of the layer in a box, and takes what is picked there. */
  private <T> void follow(ComboBox<T> box, Function<Layer, T> value, Consumer<T> picked) {
    boolean[] following = new boolean[1];
    box.setOnAction(
        e -> {
          if (!following[0] && box.getValue() != null) {
            picked.accept(box.getValue());
          }
        });
    rows.custom(
        box,
        () -> {
          following[0] = true;
          state.selection().layer().ifPresent(l -> box.setValue(value.apply(l)));
          following[0] = false;
        });
  }

  static MaskParts parts(Layer layer) {
    return MaskParts.of(layer.attributes().mask());
  }

  void edit(@Nullable String label, UnaryOperator<MaskParts> change) {
    state
        .selection()
        .edit(label, l -> l.with(l.attributes().withMask(change.apply(parts(l)).mask())));
  }

  private Mask own(Layer layer, int place) {
    List<Part> all = parts(layer).parts();
    return place < all.size() ? all.get(place).own() : new Nothing();
  }

  private void nothing() {
    // Its state needs no refreshing.
  }
}
