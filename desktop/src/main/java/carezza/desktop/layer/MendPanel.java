package carezza.desktop.layer;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import javafx.beans.property.DoubleProperty;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

import carezza.desktop.control.NumberRow;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ProposalState;
import carezza.desktop.state.RepairState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;

/** Repairs: how they are made, those that are chosen, and what is proposed. */
final class MendPanel {

  private static final Texts TEXTS = Texts.of("panels");

  private static final String PERCENT = "%.0f %%";

  private final PanelRows rows;
  private final AppState state;
  private final RepairState mending;
  private final ProposalState proposals;

  private MendPanel(PanelRows rows, AppState state) {
    this.rows = rows;
    this.state = state;
    this.mending = state.repairs();
    this.proposals = state.proposals();
  }

  static void build(PanelRows rows, AppState state) {
    new MendPanel(rows, state).build();
  }

  private void build() {
    rows.tools(ToolKind.HEAL, ToolKind.HAIR, ToolKind.TRANSPLANT, ToolKind.REPAIR);
    ways();
    rows.words("repairs", HealLayer.class, this::counted);
    amount();
    FlowPane chosen =
        new FlowPane(
            6,
            6,
            PanelRows.button(
                "another-source",
                TEXTS.get("mendPanel.another-source"),
                TEXTS.get("mendPanel.the-next-best-place-t"),
                mending::another),
            PanelRows.button(
                "mirror-source",
                TEXTS.get("mendPanel.mirror-it"),
                TEXTS.get("mendPanel.takes-the-source-left-for-right"),
                this::mirror),
            PanelRows.button(
                "drop-repair",
                TEXTS.get("mendPanel.take-out"),
                TEXTS.get("mendPanel.takes-the-chosen-repairs-out-delete"),
                mending::remove));
    rows.custom(
        chosen,
        () -> {
          boolean none = mending.chosenProperty().get().isEmpty();
          chosen.getChildren().forEach(b -> b.setDisable(none));
        });
    proposals();
    rows.parameter(HealLayer.class, "softness");
    rows.choice(
        TEXTS.get("mendPanel.replace"),
        TEXTS.get("mendPanel.tone-and-texture-or-only-the"),
        HealLayer.class,
        l -> l.band().ordinal(),
        (l, i) ->
            new HealLayer(l.attributes(), l.patches(), l.softness(), HealLayer.Band.values()[i]),
        TEXTS.get("mendPanel.everything"),
        TEXTS.get("mendPanel.texture"));
  }

  /** How repairs to come are made, and the chosen ones. */
  private void ways() {
    FlowPane row = new FlowPane(6, 6);
    for (RepairMethod way : RepairMethod.values()) {
      ToggleButton button = new ToggleButton(Names.of(way));
      button.setId("way-" + way.name().toLowerCase(Locale.ROOT));
      button.setTooltip(new Tooltip(tip(way)));
      button.setOnAction(
          e -> {
            mending.take(way);
            rows.refresh();
          });
      rows.follow(() -> button.setSelected(shownWay() == way));
      row.getChildren().add(button);
    }
    CheckBox aligned = new CheckBox(TEXTS.get("mendPanel.one-shift-for-all-clones"));
    aligned.setId("clone-aligned");
    aligned.setTooltip(new Tooltip(TEXTS.get("mendPanel.off-each-stroke-begins-at-the")));
    aligned.selectedProperty().bindBidirectional(mending.alignedProperty());
    rows.custom(row, () -> aligned.setVisible(shownWay().clones()));
    aligned.managedProperty().bind(aligned.visibleProperty());
    rows.custom(aligned, () -> {});
  }

  private RepairMethod shownWay() {
    return mending.single().map(Patch::way).orElse(mending.wayProperty().get());
  }

  private static String tip(RepairMethod way) {
    return switch (way) {
      case HEAL -> TEXTS.get("mendPanel.skin-from-a-place-that-fits");
      case CLONE -> TEXTS.get("mendPanel.what-is-at-the-source-as");
      case MATCH -> TEXTS.get("mendPanel.what-is-at-the-source-its");
      case REDUCE -> TEXTS.get("mendPanel.keeps-its-texture-and-lowers-its");
    };
  }

  private String counted(HealLayer layer) {
    int n = layer.patches().size();
    Set<Integer> chosen = mending.chosenProperty().get();
    if (chosen.isEmpty()) {
      return n == 1
          ? TEXTS.get("mendPanel.1-repair-click-a-blemish-or")
          : TEXTS.get("mendPanel.repairs-click-a-blemish-or-draw", n);
    }
    String words = TEXTS.get("mendPanel.repairs-chosen", n, chosen.size());
    return keepsItsOwn() ? words + TEXTS.get("mendPanel.only-redness-goes-the-texture-is") : words;
  }

  private boolean keepsItsOwn() {
    return mending
        .single()
        .filter(p -> p.pieces().stream().allMatch(q -> Source.OWN.equals(q.source())))
        .isPresent();
  }

  /** Of the chosen repairs, or of those to come. */
  private void amount() {
    NumberRow row =
        new NumberRow(
            "repair-amount",
            TEXTS.get("mendPanel.amount-of-the-repair"),
            TEXTS.get("mendPanel.40-leaves-a-crease-that-is"),
            0,
            100,
            PERCENT::formatted);
    row.onChange(this::takeAmount, state.document()::settle, () -> takeAmount(100));
    rows.custom(
        row,
        () ->
            row.show(
                100 * mending.single().map(Patch::amount).orElse(mending.amountProperty().get())));
  }

  private void takeAmount(double percent) {
    if (mending.chosenProperty().get().isEmpty()) {
      mending.amountProperty().set(percent / 100);
    } else {
      mending.change("repair-amount", p -> p.withAmount(percent / 100));
    }
  }

  private void mirror() {
    if (keepsItsOwn()) {
      state.status().say(TEXTS.get("mendPanel.this-repair-keeps-its-own-texture"));
      return;
    }
    mending.change(
        null, p -> p.withSources(p.sources().stream().map(MendPanel::mirrored).toList()));
  }

  private static Source mirrored(Source s) {
    return s.equals(Source.OWN)
        ? s
        : new Source(s.dx(), s.dy(), s.angle(), s.scale(), !s.mirrored());
  }

  // --- proposals

  private void proposals() {
    Button next =
        PanelRows.button(
            "next-proposal",
            TEXTS.get("mendPanel.next"),
            TEXTS.get("mendPanel.goes-to-the-next-proposal-n"),
            proposals::next);
    Button all =
        PanelRows.button(
            "accept-all",
            TEXTS.get("mendPanel.heal-all"),
            TEXTS.get("mendPanel.heals-all-that-will-pass-marks"),
            proposals::acceptAll);
    rows.custom(
        new HBox(
            6,
            PanelRows.button(
                "look",
                TEXTS.get("mendPanel.look-for-spots"),
                TEXTS.get("mendPanel.proposes-places-on-the-skin-of"),
                proposals::look),
            next,
            all),
        () -> {
          List<Blemish> left = proposals.allProperty().get();
          next.setDisable(left.isEmpty());
          all.setDisable(left.stream().noneMatch(b -> b.kind() == Blemish.Kind.TEMPORARY));
        });
    Label words = new Label();
    words.setId("proposals");
    words.setWrapText(true);
    words.getStyleClass().add("row-words");
    rows.custom(words, () -> words.setText(said()));
    setting(
        "sensitivity",
        TEXTS.get("mendPanel.sensitivity"),
        TEXTS.get("mendPanel.more-finds-fainter-ones"),
        0.4,
        2.5,
        "%.1f",
        proposals.sensitivityProperty());
    setting(
        "smallest",
        TEXTS.get("mendPanel.smallest-radius"),
        TEXTS.get("mendPanel.in-pixels-of-the-photograph"),
        0,
        60,
        "%.0f px",
        proposals.smallestProperty());
    setting(
        "largest",
        TEXTS.get("mendPanel.largest-radius"),
        TEXTS.get("mendPanel.in-pixels-of-the-photograph"),
        10,
        200,
        "%.0f px",
        proposals.largestProperty());
  }

  private String said() {
    List<Blemish> all = proposals.allProperty().get();
    long marks = all.stream().filter(b -> b.kind() == Blemish.Kind.MARK).count();
    return all.isEmpty()
        ? TEXTS.get("mendPanel.moles-scars-and-freckles-are-the")
        : TEXTS.get(
            "mendPanel.to-decide-that-will-pass-marks", all.size(), all.size() - marks, marks);
  }

  /** What is proposed follows its settings once the hand has let go. */
  private void setting(
      String id,
      String title,
      String tip,
      double low,
      double high,
      String format,
      DoubleProperty value) {
    double usual = value.get();
    NumberRow row =
        new NumberRow(id, title, tip, low, high, v -> String.format(Locale.ROOT, format, v));
    row.onChange(
        value::set,
        proposals::lookAgain,
        () -> {
          value.set(usual);
          proposals.lookAgain();
          rows.refresh();
        });
    rows.custom(row, () -> row.show(value.get()));
  }
}
