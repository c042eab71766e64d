package carezza.desktop.layer;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.shape.Rectangle;

import carezza.colour.Lab;
import carezza.desktop.control.HuePlot;
import carezza.desktop.control.ShadeStrip;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ColourState;
import carezza.desktop.state.ToolKind;
import carezza.kernel.Measurements;
import carezza.measure.CheckView;
import carezza.measure.ColourPlot;
import carezza.measure.JobLevel;
import carezza.model.ColourPaintLayer;
import carezza.model.DesaturateLayer;
import carezza.model.HueBandsLayer;
import carezza.model.HueBandsLayer.Family;
import carezza.model.HueBandsLayer.Trim;
import carezza.model.Layer;
import carezza.model.LayerValue;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.SemanticRegion;
import carezza.model.SkinDepthLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.SkinToneEveningLayer.Wedge;

/** Panels of stage Even. */
public final class EvenPanels {

  /** Range to begin with: what skins have. */
  private static final Wedge SKIN = new Wedge(52, 35, 6, 60);

  private EvenPanels() {}

  // --- tone evening

  static void toneEvening(PanelRows rows, AppState state) {
    Class<SkinToneEveningLayer> type = SkinToneEveningLayer.class;
    rows.share(
        type,
        "redness",
        "Calm redness",
        "Share of the excess of haemoglobin taken away, in percent",
        0,
        1);
    rows.share(
        type,
        "pigment",
        "Even pigment",
        "Share of the excess of melanin taken away, in percent",
        0,
        1);
    rows.buttons(
        view(state, CheckView.REDNESS, "Redness map"),
        view(state, CheckView.PIGMENT, "Pigment map"));
    rows.tools(ToolKind.PICK_TONE);
    rows.buttons(
        PanelRows.button(
            "own-tone",
            "The face's own",
            "Takes the median of this skin as the tone to even towards",
            () -> ownTone(state)),
        PanelRows.button(
            "job-tone",
            "By the job",
            "The face's own tone, with the strengths that the job level holds",
            () -> {
              ownTone(state);
              state.selection().edit(null, EvenPanels::byTheJob);
            }),
        PanelRows.button(
            "no-tone",
            "No tone",
            "Evens by pigment only",
            () -> state.selection().edit(null, l -> type.cast(l).withTarget(null))));
    rows.words(
        "target",
        type,
        l ->
            l.target() == null
                ? "No tone picked: only pigment is evened."
                : "Towards L* %.0f, C* %.0f, hue %.0f°."
                    .formatted(l.target().lightness(), l.target().chroma(), l.target().hue()));
    rows.share(type, "hue", "Hue to the tone", "Pull of the hue to the tone, in percent", 0, 1);
    rows.share(
        type,
        "chroma",
        "Colour to the tone",
        "Pull of the chroma to the tone at equal lightness, in percent",
        0,
        1);
    rows.share(
        type,
        "lightness",
        "Lightness to the tone",
        "Moves the whole skin's lightness towards the tone, in percent; by no more than 2 L* unless"
            + " forced",
        0,
        1);
    rows.limits(type, "Held: the person's skin grows neither lighter nor darker by more than 2 L*");
    range(rows, state);
    leaveOut(rows, state);
  }

  private static Node view(AppState state, CheckView view, String title) {
    return PanelRows.button(
        "see-" + view.name().toLowerCase(java.util.Locale.ROOT),
        title,
        view.hint(),
        () -> state.view().turn(view));
  }

  private static void ownTone(AppState state) {
    state.colours()
        .found()
        .map(ColourState.Found::readings)
        .filter(Measurements.SkinTone.class::isInstance)
        .map(Measurements.SkinTone.class::cast)
        .ifPresentOrElse(
            t -> {
              Lab own = new Lab(t.medianLightness(), t.medianA(), t.medianB());
              state.selection().edit(null, l -> ((SkinToneEveningLayer) l).withTarget(target(own)));
            },
            () -> state.status().say("The skin is still being measured; ask once more"));
  }

  private static Layer byTheJob(Layer layer) {
    Layer own = layer;
    for (String part : new String[] {"redness", "pigment", "hue", "chroma"}) {
      own = LayerValue.with(own, part, JobLevel.portrait().evening(part));
    }
    return own;
  }

  public static Target target(Lab lab) {
    return new Target(Math.clamp(lab.l(), 0, 100), Math.clamp(lab.chroma(), 0, 150), lab.hue());
  }

  private static void range(PanelRows rows, AppState state) {
    Class<SkinToneEveningLayer> type = SkinToneEveningLayer.class;
    rows.choice(
        "Colours",
        "Evens all colours where the layer acts, or only those inside the wedge",
        type,
        l -> l.range() == null ? 0 : 1,
        (l, i) -> l.withRange(i == 0 ? null : SKIN),
        "All",
        "In the wedge");
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
  static ColourPlot plot(AppState state) {
    return state.colours().found().map(ColourState.Found::plot).orElse(null);
  }

  public static <L extends Layer> Optional<L> own(AppState state, Class<L> type) {
    return state.selection().layer().filter(type::isInstance).map(type::cast);
  }

  /** Regions that the layer leaves as they are, by name. */
  private static void leaveOut(PanelRows rows, AppState state) {
    FlowPane row = new FlowPane(6, 4);
    Label lead = new Label("Leave out");
    lead.getStyleClass().add("row-name");
    row.getChildren().add(lead);
    for (SemanticRegion region :
        new SemanticRegion[] {SemanticRegion.LIPS, SemanticRegion.SCLERA, SemanticRegion.BROWS_LASHES, SemanticRegion.HAIR}) {
      ToggleButton button = new ToggleButton(region.title());
      button.setId("without-" + region.name().toLowerCase(java.util.Locale.ROOT));
      button.setTooltip(new Tooltip("Takes the " + region.words() + " out of the layer's mask"));
      button.setOnAction(
          e ->
              state.selection().edit(
                  null, l -> l.with(l.attributes().withMask(turned(l.attributes().mask(), region)))));
      rows.follow(
          () ->
              button.setSelected(
                  state.selection().layer()
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
            state.colours()
                .found()
                .map(ColourState.Found::matching)
                .map(
                    m ->
                        Double.isNaN(m.before())
                            ? "One of the two skins is not to be seen here."
                            : "Difference at equal lightness: ΔE00 %.1f → %.1f."
                                .formatted(m.before(), m.after()))
                .orElse("Measuring …"));
    choose(
        rows,
        state,
        "Off",
        "The skin that is to be changed",
        "off-",
        l -> l.attributes().mask(),
        (l, m) -> l.with(l.attributes().withMask(m)));
    choose(
        rows,
        state,
        "Follow",
        "The skin that it is to be like",
        "follow-",
        SkinMatchLayer::follow,
        (l, m) -> new SkinMatchLayer(l.attributes(), m, l.colour(), l.lightness()));
    rows.share(
        type, "colour", "Colour", "Share of the difference in colour taken away, in percent", 0, 1);
    rows.share(
        type,
        "lightness",
        "Lightness",
        "Share of the difference in lightness taken away, in percent; light often explains it",
        0,
        1);
  }

  private static void choose(
      PanelRows rows,
      AppState state,
      String title,
      String tip,
      String id,
      java.util.function.Function<SkinMatchLayer, Mask> which,
      java.util.function.BiFunction<SkinMatchLayer, Mask, SkinMatchLayer> change) {
    FlowPane row = new FlowPane(6, 4);
    Label lead = new Label(title);
    lead.getStyleClass().add("row-name");
    row.getChildren().add(lead);
    for (SemanticRegion region :
        new SemanticRegion[] {
          SemanticRegion.FACE_SKIN, SemanticRegion.NECK_SKIN, SemanticRegion.EARS, SemanticRegion.SHOULDERS, SemanticRegion.HANDS
        }) {
      Mask named = new Mask.RegionMask(region);
      ToggleButton button = new ToggleButton(region.title().replace("Skin of the ", ""));
      button.setId(id + region.name().toLowerCase(java.util.Locale.ROOT));
      button.setTooltip(new Tooltip(tip + "; where it acts can be painted, too"));
      button.setOnAction(e -> state.selection().edit(null, l -> change.apply((SkinMatchLayer) l, named)));
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
    Class<HueBandsLayer> type = HueBandsLayer.class;
    HuePlot plot = HuePlot.plain(() -> plot(state));
    rows.custom(plot, plot::refresh);
    for (Family family : Family.values()) {
      rows.custom(swatch(family), () -> {});
      String id = "family-" + family.name().toLowerCase(java.util.Locale.ROOT);
      rows.number(
          id + "-hue",
          "Hue",
          "Turn of this family's hues, in degrees",
          -45,
          45,
          "%+.0f°",
          type,
          l -> l.of(family).hue(),
          (l, v) -> l.with(family, new Trim(v, l.of(family).chroma(), l.of(family).lightness())));
      rows.number(
          id + "-chroma",
          "Colour",
          "Share of chroma added, in percent",
          -100,
          100,
          "%+.0f %%",
          type,
          l -> 100 * l.of(family).chroma(),
          (l, v) ->
              l.with(family, new Trim(l.of(family).hue(), v / 100, l.of(family).lightness())));
      rows.number(
          id + "-lightness",
          "Lightness",
          "L* added to full colours",
          -30,
          30,
          "%+.0f L*",
          type,
          l -> l.of(family).lightness(),
          (l, v) -> l.with(family, new Trim(l.of(family).hue(), l.of(family).chroma(), v)));
    }
  }

  static Label swatch(Family family) {
    Label label = new Label(family.title());
    label.getStyleClass().add("heading");
    label.setGraphic(new Rectangle(12, 12, ShadeStrip.colour(Lab.ofLch(62, 34, family.hue()))));
    return label;
  }

  // --- depth, mute, touch

  static void depth(PanelRows rows) {
    Class<SkinDepthLayer> type = SkinDepthLayer.class;
    rows.share(
        type,
        "strength",
        "Mono's variation",
        "Share of the mix's texture and marks that the skin takes on, in percent",
        0,
        1);
    rows.value(
        type,
        "darken",
        "Darken",
        "L* that the skin's median falls by; no more than 2 unless forced",
        0,
        15,
        1,
        "%.1f L*");
    rows.limits(type, "Held: the person's skin darkens by no more than 2 L*");
    mix(rows, type);
  }

  static void mute(PanelRows rows) {
    Class<DesaturateLayer> type = DesaturateLayer.class;
    rows.share(type, "share", "Colour away", "Share of the colour taken away, in percent", 0, 1);
    rows.share(
        type,
        "hold",
        "Hold lightness",
        "100: lightness stays; 0: it is the mix's, in percent",
        0,
        1);
    mix(rows, type);
  }

  private static <L extends Layer> void mix(PanelRows rows, Class<L> type) {
    rows.share(
        type,
        "mix.red",
        "Red in the mix",
        "Weight of red in the grey; the three count by their sum",
        0,
        1);
    rows.share(type, "mix.green", "Green in the mix", "Weight of green in the grey", 0, 1);
    rows.share(type, "mix.blue", "Blue in the mix", "Weight of blue in the grey", 0.05, 1);
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
          return "C* %.0f, hue %.0f° at L* %.0f. Pick it, then paint it on at a low strength."
              .formatted(t.chroma(), t.hue(), t.lightness());
        });
    rows.value(type, "tone.hue", "Hue", "In degrees of CIE LCh", 0, 360, 1, "%.0f°");
    rows.value(
        type, "tone.chroma", "Colour", "Chroma C* at its own lightness", 0, 80, 1, "C* %.0f");
    rows.value(
        type,
        "tone.lightness",
        "Its lightness",
        "L* at which the chroma counts in full",
        10,
        95,
        1,
        "L* %.0f");
  }
}
