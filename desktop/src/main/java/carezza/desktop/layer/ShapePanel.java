package carezza.desktop.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.image.PictureSize;
import carezza.model.Lens;
import carezza.model.Parameters;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;
import carezza.session.Session;
import carezza.shape.Deformation;
import carezza.shape.LensFit;
import carezza.shape.Shapes;

/**
 * Stretch and lean of the whole, the hand's tools, what they leave alone, and how far they went.
 */
final class ShapePanel {

  private static final Texts TEXTS = Texts.of("panels");
  private static final Class<ShapeLayer> TYPE = ShapeLayer.class;

  /** What a hand may be kept off. */
  private static final List<SemanticRegion> HOLDABLE =
      List.of(
          SemanticRegion.IRIS,
          SemanticRegion.SCLERA,
          SemanticRegion.BROWS_LASHES,
          SemanticRegion.LIPS,
          SemanticRegion.TEETH,
          SemanticRegion.EARS,
          SemanticRegion.HANDS,
          SemanticRegion.HAIR,
          SemanticRegion.FACE_SKIN,
          SemanticRegion.BACKDROP);

  private ShapePanel() {}

  static void build(ShapeLayer layer, PanelRows rows, AppState state) {
    rows.tools(ToolKind.PUSH, ToolKind.GROW, ToolKind.SHRINK, ToolKind.SMOOTH_BACK);
    held(rows, state);
    for (String whole : new String[] {"width", "height", "lean"}) {
      rows.parameter(TYPE, whole);
    }
    rows.limits(TYPE, TEXTS.get("shapePanel.limits.tip"));
    rows.read("strain", layer, TYPE, TEXTS.get("shapePanel.reading"), ShapePanel::strain);
    rows.action(
        "shape-clear",
        TEXTS.get("shapePanel.clear"),
        TEXTS.get("shapePanel.clear.tip"),
        () -> state.selection().edit(null, l -> TYPE.cast(l).withNudges(List.of())));
    lens(rows, state);
    rows.words("shape-caution", TYPE, l -> TEXTS.get("shapePanel.caution"));
  }

  private static void lens(PanelRows rows, AppState state) {
    rows.heading(TEXTS.get("shapePanel.lens"));
    rows.tools(ToolKind.LENS_LINE)
        .getChildren()
        .addAll(
            PanelRows.button(
                "lens-line-out",
                TEXTS.get("shapePanel.lens.line-out"),
                TEXTS.get("shapePanel.lens.line-out.tip"),
                () -> state.selection().edit(null, l -> withoutLine(TYPE.cast(l), state))),
            PanelRows.button(
                "lens-none",
                TEXTS.get("shapePanel.lens.none"),
                TEXTS.get("shapePanel.lens.none.tip"),
                () -> state.selection().edit(null, l -> TYPE.cast(l).withLens(Lens.NONE))));
    rows.words("lens-lines", TYPE, l -> straight(l, state));
    for (Parameters.Declared number : Parameters.of(Lens.class).all()) {
      rows.parameter(TYPE, "lens." + number.name());
    }
  }

  private static String straight(ShapeLayer layer, AppState state) {
    Lens lens = layer.lens();
    if (lens.lines().isEmpty() || state.document().isEmpty()) {
      return TEXTS.get("shapePanel.lens.no-lines");
    }
    PictureSize size = state.document().session().size();
    return TEXTS.get(
        "shapePanel.lens.lines",
        lens.lines().size(),
        LensFit.off(lens, size),
        LensFit.off(Lens.NONE.withLines(lens.lines()), size));
  }

  private static ShapeLayer withoutLine(ShapeLayer layer, AppState state) {
    Lens lens = layer.lens();
    if (lens.lines().isEmpty()) {
      return layer;
    }
    Lens fewer = lens.withLines(lens.lines().subList(0, lens.lines().size() - 1));
    return layer.withLens(LensFit.of(fewer, state.document().session().size()));
  }

  private static void held(PanelRows rows, AppState state) {
    Label title = new Label(TEXTS.get("shapePanel.held"));
    title.getStyleClass().add("row-name");
    FlowPane row = new FlowPane(6, 4, title);
    for (SemanticRegion region : HOLDABLE) {
      ToggleButton button = new ToggleButton(Names.title(region));
      button.setId("hold-" + region.name().toLowerCase(Locale.ROOT));
      button.setTooltip(new Tooltip(TEXTS.get("shapePanel.held.tip")));
      button.setOnAction(e -> state.selection().edit(null, l -> turned(TYPE.cast(l), region)));
      rows.follow(
          () ->
              state
                  .selection()
                  .layer(TYPE)
                  .ifPresent(l -> button.setSelected(l.held().contains(region))));
      row.getChildren().add(button);
    }
    rows.custom(row, () -> {});
  }

  private static ShapeLayer turned(ShapeLayer layer, SemanticRegion region) {
    List<SemanticRegion> held = new ArrayList<>(layer.held());
    if (!held.remove(region)) {
      held.add(region);
    }
    return layer.withHeld(held);
  }

  private static String strain(
      Session session, Project project, ShapeLayer layer, Cancellation cancellation) {
    Shapes shapes = session.shapes(session.scene(project));
    double most = 0;
    boolean held = false;
    for (Deformation deformation : shapes.fromBelow()) {
      most = Math.max(most, deformation.strain());
      held |= deformation.isHeld();
    }
    String words = TEXTS.get("shapePanel.strain", 100 * most);
    return held ? words + " " + TEXTS.get("shapePanel.strain.held") : words;
  }
}
