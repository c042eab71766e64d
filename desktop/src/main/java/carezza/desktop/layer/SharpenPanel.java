package carezza.desktop.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.NumberRow;
import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.model.Mask;
import carezza.model.Mask.RegionMask;
import carezza.model.Parameters;
import carezza.model.SemanticRegion;
import carezza.model.SharpenLayer;
import carezza.model.SharpenLayer.Band;

/** Bands of detail, each for a part of the picture, and how far they overshoot. */
final class SharpenPanel {

  private static final Texts TEXTS = Texts.of("panels");
  private static final Class<SharpenLayer> TYPE = SharpenLayer.class;

  /** Each further band begins coarser than the one before. */
  private static final double COARSER = 4;

  /** Parts of the picture that a band is usually meant for. */
  private enum Part {
    EVERYWHERE(null),
    EYES(
        new Mask.Or(
            new Mask.Or(region(SemanticRegion.IRIS), region(SemanticRegion.SCLERA)),
            region(SemanticRegion.BROWS_LASHES))),
    LIPS(region(SemanticRegion.LIPS)),
    HAIR(region(SemanticRegion.HAIR)),
    SKIN(region(SemanticRegion.SKIN)),
    SUBJECT(region(SemanticRegion.SUBJECT)),
    BACKDROP(region(SemanticRegion.BACKDROP)),
    /** As it came in a file. */
    OWN(new Mask.Nothing());

    private final @Nullable Mask mask;

    Part(@Nullable Mask mask) {
      this.mask = mask;
    }

    private static Mask region(SemanticRegion region) {
      return new RegionMask(region);
    }

    static Part of(@Nullable Mask mask) {
      for (Part part : values()) {
        if (mask == null ? part.mask == null : mask.equals(part.mask)) {
          return part;
        }
      }
      return OWN;
    }

    String title() {
      return switch (this) {
        case EVERYWHERE -> TEXTS.get("sharpenPanel.everywhere");
        case EYES -> TEXTS.get("sharpenPanel.eyes");
        case OWN -> TEXTS.get("sharpenPanel.own");
        default -> Names.title(SemanticRegion.valueOf(name()));
      };
    }
  }

  private SharpenPanel() {}

  /** What the rows depend on besides values: how many bands there are. */
  static String shape(SharpenLayer layer) {
    return Integer.toString(layer.bands().size());
  }

  static void build(SharpenLayer layer, PanelRows rows, AppState state) {
    for (int i = 0; i < layer.bands().size(); i++) {
      band(i, layer.bands().size(), rows, state);
    }
    if (layer.bands().size() < SharpenLayer.MOST) {
      rows.action(
          "band-add",
          TEXTS.get("sharpenPanel.add"),
          TEXTS.get("sharpenPanel.add.tip"),
          () -> state.selection().edit(null, l -> more(TYPE.cast(l))));
    }
    rows.parameter(TYPE, "haloLimit");
    rows.read(
        "halo",
        layer,
        TYPE,
        TEXTS.get("sharpenPanel.halo-being-read"),
        (session, project, own, cancellation) ->
            TEXTS.get(
                "sharpenPanel.halo",
                session.advice().halo(project, own.attributes().id(), cancellation),
                own.haloLimit()));
  }

  private static SharpenLayer more(SharpenLayer layer) {
    List<Band> bands = new ArrayList<>(layer.bands());
    double radius = Math.min(60, COARSER * bands.getLast().radius());
    bands.add(new Band(radius, 0.2));
    return layer.withBands(bands);
  }

  private static void band(int index, int of, PanelRows rows, AppState state) {
    Label title = new Label(TEXTS.get("sharpenPanel.band", index + 1));
    title.getStyleClass().add("row-name");
    ComboBox<Part> where = new ComboBox<>();
    where.setId("band-where-" + index);
    where.setAccessibleText(TEXTS.get("sharpenPanel.where", index + 1));
    where.setTooltip(new Tooltip(TEXTS.get("sharpenPanel.where.tip")));
    where.setConverter(new Titled<>(Part::title));
    where.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(where, Priority.ALWAYS);
    where.setOnAction(
        e -> {
          Part part = where.getValue();
          if (part != null && part != Part.OWN) {
            change(state, index, b -> new Band(b.radius(), b.gain(), part.mask));
          }
        });
    HBox row = new HBox(8, title, where);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    if (of > 1) {
      row.getChildren().add(out(index, state));
    }
    rows.custom(row, () -> show(where, state, index));
    radius(index, rows);
    Parameters.Declared gain = Parameters.of(Band.class).get("gain");
    rows.parameter(
        "band-gain-" + index,
        "band.gain",
        gain,
        TYPE,
        l -> at(l, index).gain(),
        (l, v) -> changed(l, index, b -> new Band(b.radius(), v, b.mask())));
  }

  /** Even steps of the slider are even ratios of the radius. */
  private static void radius(int index, PanelRows rows) {
    Parameters.Declared declared = Parameters.of(Band.class).get("radius");
    Texts names = Texts.of("layers");
    NumberRow row =
        new NumberRow(
            "band-radius-" + index,
            names.get("band.radius"),
            names.get("band.radius.hint"),
            Math.log(declared.low()),
            Math.log(declared.high()),
            v -> Names.written(declared, Math.exp(v)),
            SharpenPanel::logarithm);
    rows.number(
        row,
        "band-radius-" + index,
        TYPE,
        l -> Math.log(at(l, index).radius()),
        (l, v) ->
            changed(
                l,
                index,
                b ->
                    new Band(
                        Math.clamp(Math.exp(v), declared.least(), declared.most()),
                        b.gain(),
                        b.mask())));
  }

  private static OptionalDouble logarithm(String typed) {
    OptionalDouble radius = NumberRow.number(typed);
    return radius.isPresent() && radius.getAsDouble() > 0
        ? OptionalDouble.of(Math.log(radius.getAsDouble()))
        : OptionalDouble.empty();
  }

  private static Button out(int index, AppState state) {
    return PanelRows.out(
        "band-out-" + index,
        TEXTS.get("sharpenPanel.out", index + 1),
        () ->
            state
                .selection()
                .edit(
                    null,
                    l -> {
                      List<Band> bands = new ArrayList<>(TYPE.cast(l).bands());
                      bands.remove(index);
                      return TYPE.cast(l).withBands(bands);
                    }));
  }

  private static void show(ComboBox<Part> where, AppState state, int index) {
    state
        .selection()
        .layer(TYPE)
        .filter(l -> index < l.bands().size())
        .ifPresent(
            l -> {
              Part part = Part.of(l.bands().get(index).mask());
              List<Part> offered = new ArrayList<>(List.of(Part.values()));
              offered.removeIf(p -> p == Part.OWN && part != Part.OWN);
              if (!where.getItems().equals(offered)) {
                where.getItems().setAll(offered);
              }
              where.setValue(part);
            });
  }

  /** The band, or the last one while the panel still shows more than there are. */
  private static Band at(SharpenLayer layer, int index) {
    return layer.bands().get(Math.min(index, layer.bands().size() - 1));
  }

  private static void change(AppState state, int index, UnaryOperator<Band> change) {
    SharpenLayer now = state.selection().layer(TYPE).orElse(null);
    if (now != null && !changed(now, index, change).equals(now)) {
      state.selection().edit(null, l -> changed(TYPE.cast(l), index, change));
    }
  }

  private static SharpenLayer changed(SharpenLayer layer, int index, UnaryOperator<Band> change) {
    List<Band> bands = new ArrayList<>(layer.bands());
    bands.set(index, change.apply(bands.get(index)));
    return layer.withBands(bands);
  }
}
