package carezza.desktop.app;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

import carezza.desktop.picture.MaskView;
import carezza.desktop.state.BenchModel;
import carezza.desktop.state.ToolKind;
import carezza.desktop.view.bench.CheckStrip;
import carezza.desktop.view.bench.PanelView;
import carezza.desktop.view.bench.PictureView;
import carezza.measure.CheckView;
import carezza.model.HealLayer;
import carezza.model.Stage;

/** The keys of the window, as the sheet on F1 lists them. */
final class Keys {

  private final Shell view;
  private final BenchModel model;
  private final PictureView picture;
  private final PanelView panel;

  Keys(Shell view, BenchModel model, PictureView picture, PanelView panel) {
    this.view = view;
    this.model = model;
    this.picture = picture;
    this.panel = panel;
  }

  void install() {
    view.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    view.addEventFilter(KeyEvent.KEY_RELEASED, this::released);
  }

  private void pressed(KeyEvent e) {
    if (view.hasSheet() && e.getCode() != KeyCode.ESCAPE) {
      // The sheet has all keys.
      return;
    }
    boolean taken = e.isShortcutDown() ? withControl(e) : plain(e);
    if (taken) {
      e.consume();
    }
  }

  private boolean withControl(KeyEvent e) {
    switch (e.getCode()) {
      case O -> view.askOpen();
      case S -> {
        if (e.isShiftDown()) {
          view.askSave();
        } else {
          view.save();
        }
      }
      case D -> view.toggleDeliver();
      case Q -> view.quit();
      case Z -> {
        if (view.typing()) {
          return false;
        }
        if (e.isShiftDown()) {
          model.redo();
        } else {
          model.undo();
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private boolean plain(KeyEvent e) {
    if (e.getCode() == KeyCode.F1) {
      view.showKeys();
      return true;
    }
    if (e.getCode() == KeyCode.ESCAPE) {
      if (!view.closeSheet()) {
        model.stopLooking();
        model.toolProperty().set(ToolKind.HAND);
      }
      return true;
    }
    if (view.typing() || model.isEmpty()) {
      return false;
    }
    if (e.getCode().isFunctionKey()) {
      int number = Integer.parseInt(e.getCode().getName().substring(1));
      CheckView check = CheckStrip.at(number, e.isShiftDown());
      if (check != null) {
        CheckStrip.turn(model, check);
      }
      return check != null;
    }
    if (e.getCode().isDigitKey()) {
      int number = e.getCode().getName().charAt(e.getCode().getName().length() - 1) - '1';
      if (number >= 0 && number < Stage.values().length) {
        model.goTo(Stage.values()[number]);
        return true;
      }
      return false;
    }
    switch (e.getCode()) {
      case A -> model.viewing().asShotProperty().set(true);
      case M -> model.viewing().maskShownProperty().set(true);
      case V -> model.viewing().maskViewProperty().set(nextView());
      case L -> model.liftingProperty().set(!model.liftingProperty().get());
      case E ->
          model
              .brushProperty()
              .set(model.brushProperty().get().staying(!model.brushProperty().get().inside()));
      case O -> model.editSelected(null, l -> l.with(l.attributes().switched(!l.attributes().on())));
      case P -> {
        if (model.selectedLayer().isPresent()) {
          model.toolProperty().set(ToolKind.MASK);
        }
      }
      case W -> panel.turnPage();
      case F -> panel.placeFace();
      case Z -> picture.toggleZoom();
      case SPACE -> picture.holdSpace(true);
      case PAGE_UP -> step(-1);
      case PAGE_DOWN -> step(1);
      case R -> {
        if (model.selectedLayer().filter(HealLayer.class::isInstance).isPresent()) {
          boolean inHand = model.toolProperty().get() == ToolKind.REPAIR;
          model.toolProperty().set(inHand ? ToolKind.HEAL : ToolKind.REPAIR);
        }
      }
      case G -> model.turnContours();
      case C -> model.viewing().comparisonProperty().set(model.viewing().comparisonProperty().get().next());
      case X -> model.viewing().mirroredProperty().set(!model.viewing().mirroredProperty().get());
      case I -> {
        if (!picture.takeHint()) {
          model.takeAdvice();
        }
      }
      case T -> model.mending().another();
      case N -> model.proposals().next();
      case K -> model.proposals().keep();
      case ENTER -> {
        if (model.proposals().currentProperty().get() == null) {
          return false;
        }
        model.proposals().accept();
      }
      case DELETE -> {
        if (view.isDelivering()) {
          return false;
        }
        if (model.toolProperty().get() != ToolKind.REPAIR || !model.mending().remove()) {
          model.removeSelected();
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private MaskView nextView() {
    MaskView[] all = MaskView.values();
    return all[(model.viewing().maskViewProperty().get().ordinal() + 1) % all.length];
  }

  private void step(int by) {
    int at = model.playheadProperty().get() + by;
    model.playheadProperty().set(Math.clamp(at, 0, model.stack().size()));
  }

  private void released(KeyEvent e) {
    switch (e.getCode()) {
      case A -> model.viewing().asShotProperty().set(false);
      case M -> model.viewing().maskShownProperty().set(false);
      case SPACE -> picture.holdSpace(false);
      default -> {
        // No other key is held.
      }
    }
  }
}
