package carezza.desktop.layer;

import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;

import carezza.desktop.state.AppState;
import carezza.desktop.state.MaskPartState;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Mask.ChangeMask;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Invert;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Refine;
import carezza.model.Mask.RegionMask;
import carezza.model.MaskParts.Join;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;

/**
 * What can be added to a mask: areas, shapes, ranges, changes of what is there, and what other
 * layers say.
 */
final class MaskAdding {

  private static final Texts TEXTS = Texts.of("panels");

  private final AppState state;

  MaskAdding(AppState state) {
    this.state = state;
  }

  /** All that can be added to the mask of a layer. */
  MenuButton menu(Layer layer) {
    MenuButton add = new MenuButton(TEXTS.get("maskAdding.add-to-it"));
    add.setId("mask-add");
    add.setTooltip(new Tooltip(TEXTS.get("maskAdding.an-area-a-shape-a-range")));
    Menu regions = new Menu(TEXTS.get("maskAdding.area-by-name"));
    for (SemanticRegion region : SemanticRegion.values()) {
      regions
          .getItems()
          .add(
              item(
                  "add-region-" + region, Names.title(region), () -> plus(new RegionMask(region))));
    }
    add.getItems()
        .addAll(
            item(
                "add-everywhere",
                TEXTS.get("maskAdding.start-anew-from-everywhere"),
                () -> start(new Mask.Everything())),
            regions,
            item("add-oval", TEXTS.get("maskAdding.oval"), () -> plus(state.part().freshOval())),
            item(
                "add-gradient",
                TEXTS.get("maskAdding.gradient"),
                () -> plus(state.part().freshGradient())));
    Menu ranges = new Menu(TEXTS.get("maskAdding.only-a-range-of"));
    for (Quantity q : Quantity.values()) {
      ranges
          .getItems()
          .add(
              item(
                  "add-range-" + q,
                  q == Quantity.LIGHTNESS
                      ? TEXTS.get("maskAdding.lightness")
                      : q == Quantity.HUE
                          ? TEXTS.get("maskAdding.hue")
                          : TEXTS.get("maskAdding.chroma"),
                  () -> join(Join.WITHIN, MaskPartState.wholeRange(q))));
    }
    add.getItems()
        .addAll(
            ranges,
            item(
                "add-feather",
                TEXTS.get("maskAdding.soften"),
                () -> change(new Feather(new Nothing(), 12))),
            item(
                "add-grow",
                TEXTS.get("maskAdding.grow-or-shrink"),
                () -> change(new Dilate(new Nothing(), 8))),
            item(
                "add-refine",
                TEXTS.get("maskAdding.pull-to-edges"),
                () -> change(new Refine(new Nothing(), 8))),
            item(
                "add-scale",
                TEXTS.get("maskAdding.weaken"),
                () -> change(new Opacity(new Nothing(), 0.5))),
            item("add-invert", TEXTS.get("maskAdding.turn-the-other-way-round"), this::invert));
    Menu copy = new Menu(TEXTS.get("maskAdding.copy-the-mask-of"));
    Menu link = new Menu(TEXTS.get("maskAdding.follow-the-mask-of"));
    for (Layer other : state.document().stack().layers()) {
      String id = other.attributes().id();
      if (!id.equals(layer.attributes().id())) {
        copy.getItems()
            .add(
                item(
                    "copy-" + id,
                    other.attributes().name(),
                    () ->
                        start(
                            state.document().stack().find(id).orElseThrow().attributes().mask())));
        link.getItems()
            .add(item("link-" + id, other.attributes().name(), () -> start(new LinkedMask(id))));
      }
    }
    Menu changed = new Menu(TEXTS.get("maskAdding.only-what-a-layer-changed"));
    LayerStack stack = state.document().stack();
    for (Layer other : stack.lowest(stack.indexOf(layer.attributes().id())).layers()) {
      String id = other.attributes().id();
      changed
          .getItems()
          .add(
              item(
                  "changed-" + id,
                  other.attributes().name(),
                  () -> join(Join.WITHIN, new ChangeMask(id, ChangeMask.SEEN))));
    }
    changed.setDisable(changed.getItems().isEmpty());
    copy.setDisable(copy.getItems().isEmpty());
    link.setDisable(link.getItems().isEmpty());
    add.getItems().addAll(copy, link, changed);
    if (layer instanceof ShapeLayer) {
      // A place has no colour of its own that a hand could go by.
      add.getItems().removeAll(ranges, changed);
      add.getItems().removeIf(i -> "add-refine".equals(i.getId()));
    }
    return add;
  }

  private static MenuItem item(String id, String title, Runnable action) {
    MenuItem item = new MenuItem(title);
    item.setId(id);
    item.setOnAction(e -> action.run());
    return item;
  }

  private void plus(Mask own) {
    join(state.tools().erasingProperty().get() ? Join.MINUS : Join.PLUS, own);
  }

  private void change(Mask own) {
    join(Join.CHANGE, own);
  }

  private void join(Join join, Mask own) {
    state.part().add(join, own);
  }

  private void start(Mask mask) {
    state.part().drop();
    state.selection().edit(null, l -> l.with(l.attributes().withMask(mask)));
  }

  /** Twice the other way round is as it was. */
  private void invert() {
    state.part().drop();
    state
        .selection()
        .edit(
            null,
            l ->
                l.with(
                    l.attributes()
                        .withMask(
                            l.attributes().mask() instanceof Invert(Mask of)
                                ? of
                                : new Invert(l.attributes().mask()))));
  }
}
