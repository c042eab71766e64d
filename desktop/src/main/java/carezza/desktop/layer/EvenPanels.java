package carezza.desktop.layer;

import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.shape.Rectangle;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.desktop.control.HuePlot;
import carezza.desktop.control.ShadeStrip;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ColourState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.job.JobLevel;
import carezza.kernel.Measurements;
import carezza.measure.CheckView;
import carezza.measure.ColourPlot;
import carezza.model.ColourPaintLayer;
import carezza.model.DesaturateLayer;
import carezza.model.HueBandsLayer;
import carezza.model.HueBandsLayer.Family;
import carezza.model.HueBandsLayer.Trim;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.Parameters;
import carezza.model.RecordValue;
import carezza.model.SemanticRegion;
import carezza.model.SkinDepthLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.SkinToneEveningLayer.Wedge;

/** Panels of stage Even. */
public final class EvenPanels {

  private static final Texts TEXTS = Texts.of("panels");

  /** Range to begin with: what skins have. */
  private static final Wedge SKIN = new Wedge(52, 35, 6, 60);

  private EvenPanels() {}

  // --- tone evening

  static void toneEvening(PanelRows rows, AppState state) {
    Class<SkinToneEveningLayer> type = SkinToneEveningLayer.class;
    rows.parameter(type, "redness");
    rows.parameter(type, "pigment");
    rows.buttons(
        view(state, CheckView.REDNESS, TEXTS.get("evenPanels.redness-map")),
        view(state, CheckView.PIGMENT, TEXTS.get("evenPanels.pigment-map")));
    rows.tools(ToolKind.PICK_TONE);
    rows.buttons(
        PanelRows.button(
            "own-tone",
            TEXTS.get("evenPanels.the-faces-own"),
            TEXTS.get("evenPanels.takes-the-median-of-this-skin"),
            () -> ownTone(state)),
        PanelRows.button(
            "job-tone",
            TEXTS.get("evenPanels.by-the-job"),
            TEXTS.get("evenPanels.the-faces-own-tone-with-the"),
            () -> {
              ownTone(state);
              JobLevel job = JobLevel.of(state.document().project().brief());
              state.selection().edit(null, l -> byTheJob(job, l));
            }),
        PanelRows.button(
            "no-tone",
            TEXTS.get("evenPanels.no-tone"),
            TEXTS.get("evenPanels.evens-by-pigment-only"),
            () -> state.selection().edit(null, l -> type.cast(l).withTarget(null))));
    rows.words(
        "target",
        type,
        l ->
            l.target() == null
                ? TEXTS.get("evenPanels.no-tone-picked-only-pigment-is")
                : TEXTS.get(
                    "evenPanels.towards-l-c-hue",
                    l.target().lightness(),
                    l.target().chroma(),
                    l.target().hue()));
    rows.parameter(type, "hue");
    rows.parameter(type, "chroma");
    rows.parameter(type, "lightness");
    rows.limits(type, TEXTS.get("evenPanels.held-the-persons-skin-grows-neither"));
    range(rows, state);
    leaveOut(rows, state);
  }

  private static Node view(AppState state, CheckView view, String title) {
    return PanelRows.button(
        "see-" + view.name().toLowerCase(Locale.ROOT),
        title,
        Names.hint(view),
        () -> state.view().turn(view));
  }

  private static void ownTone(AppState state) {
    state
        .colours()
        .found()
        .map(ColourState.Found::readings)
        .filter(Measurements.SkinTone.class::isInstance)
        .map(Measurements.SkinTone.class::cast)
        .ifPresentOrElse(
            t -> {
              Lab own = new Lab(t.medianLightness(), t.medianA(), t.medianB());
              state.selection().edit(null, l -> ((SkinToneEveningLayer) l).withTarget(target(own)));
            },
            () -> state.status().say(TEXTS.get("evenPanels.the-skin-is-still-being-measured")));
  }

  private static Layer byTheJob(JobLevel job, Layer layer) {
    Layer own = layer;
    for (String part : new String[] {"redness", "pigment", "hue", "chroma"}) {
      own = RecordValue.with(own, part, job.evening(part));
    }
    return own;
  }

  public static Target target(Lab lab) {
    return new Target(Math.clamp(lab.l(), 0, 100), Math.clamp(lab.chroma(), 0, 150), lab.hue());
  }

  private static void range(PanelRows rows, AppState state) {
    Class<SkinToneEveningLayer> type = SkinToneEveningLayer.class;
    rows.choice(
        TEXTS.get("evenPanels.colours"),
        TEXTS.get("evenPanels.evens-all-colours-where-the-layer"),
        type,
        l -> l.range() == null ? 0 : 1,
        (l, i) -> l.withRange(i == 0 ? null : SKIN),
        TEXTS.get("evenPanels.all"),
        TEXTS.get("evenPanels.in-the-wedge"));
    HuePlot plot =
        new HuePlot(
            () -> plot(state),
            () -> own(state, type).map(SkinToneEveningLayer::range).orElse(null),
            () -> own(state, type).map(SkinToneEveningLayer::target).orElse(null),
            w -> state.selection().edit("wedge", l -> type.cast(l).withRange(w)),
            state.document()::settle);
    rows.custom(plot, plot::refresh);
  }

  /** The colours that the layer in hand gets, or null while they are not known. */
  static @Nullable ColourPlot plot(AppState state) {
    return state.colours().found().map(ColourState.Found::plot).orElse(null);
  }

  public static <L extends Layer> Optional<L> own(AppState state, Class<L> type) {
    return state.selection().layer().filter(type::isInstance).map(type::cast);
  }

  /** Regions that the layer leaves as they are, by name. */
  private static void leaveOut(PanelRows rows, AppState state) {
    FlowPane row = new FlowPane(6, 4);
    Label lead = new Label(TEXTS.get("evenPanels.leave-out"));
    lead.getStyleClass().add("row-name");
    row.getChildren().add(lead);
    for (SemanticRegion region :
        new SemanticRegion[] {
          SemanticRegion.LIPS,
          SemanticRegion.SCLERA,
          SemanticRegion.BROWS_LASHES,
          SemanticRegion.HAIR
        }) {
      ToggleButton button = new ToggleButton(Names.title(region));
      button.setId("without-" + region.name().toLowerCase(Locale.ROOT));
      button.setTooltip(
          new Tooltip(TEXTS.get("evenPanels.takes-out-of-the-layers-mask", Names.of(region))));
      button.setOnAction(
          e ->
              state
                  .selection()
                  .edit(
                      null,
                      l -> l.with(l.attributes().withMask(turned(l.attributes().mask(), region)))));
      rows.follow(
          () ->
              button.setSelected(
                  state
                      .selection()
                      .layer()
                      .filter(l -> place(l.attributes().mask(), region) >= 0)
                      .isPresent()));
      row.getChildren().add(button);
    }
    rows.custom(row, () -> {});
  }

  private static int place(Mask mask, SemanticRegion region) {
    var parts = MaskParts.of(mask).parts();
    for (int i = 0; i < parts.size(); i++) {
      if (parts.get(i).join() == MaskParts.Join.MINUS
          && parts.get(i).own().equals(new Mask.RegionMask(region))) {
        return i;
      }
    }
    return -1;
  }

  private static Mask turned(Mask mask, SemanticRegion region) {
    int place = place(mask, region);
    return place >= 0
        ? MaskParts.of(mask).without(place).mask()
        : MaskParts.of(mask).plus(MaskParts.Join.MINUS, new Mask.RegionMask(region)).mask();
  }

  // --- match

  static void match(PanelRows rows, AppState state) {
    Class<SkinMatchLayer> type = SkinMatchLayer.class;
    rows.words(
        "matched",
        type,
        l ->
            state
                .colours()
                .found()
                .map(ColourState.Found::matching)
                .map(
                    m ->
                        Double.isNaN(m.before())
                            ? TEXTS.get("evenPanels.one-of-the-two-skins-is")
                            : TEXTS.get(
                                "evenPanels.difference-at-equal-lightness-e00",
                                m.before(),
                                m.after()))
                .orElse(TEXTS.get("evenPanels.measuring")));
    choose(
        rows,
        state,
        TEXTS.get("evenPanels.off"),
        TEXTS.get("evenPanels.the-skin-that-is-to-be"),
        "off-",
        l -> l.attributes().mask(),
        (l, m) -> l.with(l.attributes().withMask(m)));
    choose(
        rows,
        state,
        TEXTS.get("evenPanels.follow"),
        TEXTS.get("evenPanels.the-skin-that-it-is-to"),
        "follow-",
        SkinMatchLayer::follow,
        (l, m) -> new SkinMatchLayer(l.attributes(), m, l.colour(), l.lightness()));
    rows.parameter(type, "colour");
    rows.parameter(type, "lightness");
  }

  private static void choose(
      PanelRows rows,
      AppState state,
      String title,
      String tip,
      String id,
      Function<SkinMatchLayer, Mask> which,
      BiFunction<SkinMatchLayer, Mask, SkinMatchLayer> change) {
    FlowPane row = new FlowPane(6, 4);
    Label lead = new Label(title);
    lead.getStyleClass().add("row-name");
    row.getChildren().add(lead);
    for (SemanticRegion region :
        new SemanticRegion[] {
          SemanticRegion.FACE_SKIN,
          SemanticRegion.NECK_SKIN,
          SemanticRegion.EARS,
          SemanticRegion.SHOULDERS,
          SemanticRegion.HANDS
        }) {
      Mask named = new Mask.RegionMask(region);
      ToggleButton button = new ToggleButton(Names.shortly(region));
      button.setId(id + region.name().toLowerCase(Locale.ROOT));
      button.setTooltip(new Tooltip(TEXTS.get("evenPanels.where-it-acts-can-be-painted", tip)));
      button.setOnAction(
          e -> state.selection().edit(null, l -> change.apply((SkinMatchLayer) l, named)));
      rows.follow(
          () ->
              button.setSelected(
                  own(state, SkinMatchLayer.class)
                      .filter(l -> which.apply(l).equals(named))
                      .isPresent()));
      row.getChildren().add(button);
    }
    rows.custom(row, () -> {});
  }

  // --- families

  static void families(PanelRows rows, AppState state) {
    HuePlot plot = HuePlot.plain(() -> plot(state));
    rows.custom(plot, plot::refresh);
    for (Family family : Family.values()) {
      rows.custom(swatch(family), () -> {});
      trim(rows, family, "hue");
      trim(rows, family, "chroma");
      trim(rows, family, "lightness");
    }
  }

  private static void trim(PanelRows rows, Family family, String name) {
    rows.parameter(
        "family-" + family.name().toLowerCase(Locale.ROOT) + "-" + name,
        "trim." + name,
        Parameters.of(Trim.class).get(name),
        HueBandsLayer.class,
        l -> RecordValue.number(l.of(family), name),
        (l, v) -> l.with(family, RecordValue.with(l.of(family), name, v)));
  }

  static Label swatch(Family family) {
    Label label = new Label(Names.of(family));
    label.getStyleClass().add("heading");
    label.setGraphic(new Rectangle(12, 12, ShadeStrip.colour(Lab.ofLch(62, 34, family.hue()))));
    return label;
  }

  // --- depth, mute, touch

  static void depth(PanelRows rows) {
    Class<SkinDepthLayer> type = SkinDepthLayer.class;
    rows.parameter(type, "strength");
    rows.parameter(type, "darken");
    rows.limits(type, TEXTS.get("evenPanels.held-the-persons-skin-darkens-by"));
    mix(rows, type);
  }

  static void mute(PanelRows rows) {
    Class<DesaturateLayer> type = DesaturateLayer.class;
    rows.parameter(type, "share");
    rows.parameter(type, "hold");
    mix(rows, type);
  }

  private static <L extends Layer> void mix(PanelRows rows, Class<L> type) {
    rows.parameter(type, "mix.red");
    rows.parameter(type, "mix.green");
    rows.parameter(type, "mix.blue");
  }

  static void touch(PanelRows rows) {
    Class<ColourPaintLayer> type = ColourPaintLayer.class;
    rows.tools(ToolKind.PICK_TONE, ToolKind.MASK);
    Rectangle swatch = new Rectangle(256, 18);
    rows.custom(swatch, () -> {});
    rows.words(
        "touch-colour",
        type,
        l -> {
          Target t = l.tone();
          swatch.setFill(ShadeStrip.colour(Lab.ofLch(t.lightness(), t.chroma(), t.hue())));
          return TEXTS.get("evenPanels.c-hue-at-l-pick-it", t.chroma(), t.hue(), t.lightness());
        });
    rows.parameter(type, "tone.hue");
    rows.parameter(type, "tone.chroma");
    rows.parameter(type, "tone.lightness");
  }
}
