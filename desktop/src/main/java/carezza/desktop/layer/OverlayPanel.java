package carezza.desktop.layer;

import java.util.List;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Tooltip;

import carezza.colour.MonotoneCurve;
import carezza.desktop.control.CurveEditor;
import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.model.Project;
import carezza.overlay.OverlayPixels;
import carezza.session.Session;

/** Which picture is laid, where, and how it is brought to this one. */
public final class OverlayPanel {

  private static final Texts TEXTS = Texts.of("panels");
  private static final Class<OverlayLayer> TYPE = OverlayLayer.class;

  /** Another file is wanted for the overlay in hand. */
  public static final EventType<Event> FILE_WANTED = new EventType<>("OVERLAY_FILE_WANTED");

  private OverlayPanel() {}

  static void build(PanelRows rows, AppState state) {
    ComboBox<OverlayPicture.Shipped> shipped = new ComboBox<>();
    shipped.setId("overlay-shipped");
    shipped.getItems().addAll(OverlayPicture.Shipped.values());
    shipped.setConverter(
        new Titled<>(TEXTS.get("overlayPanel.own"), s -> TEXTS.get("overlayPanel." + s.name())));
    shipped.setAccessibleText(TEXTS.get("overlayPanel.shipped"));
    shipped.setTooltip(new Tooltip(TEXTS.get("overlayPanel.shipped")));
    shipped.setOnAction(
        e -> {
          OverlayLayer now = state.selection().layer(TYPE).orElse(null);
          if (now != null
              && shipped.getValue() != null
              && shipped.getValue() != now.picture().shipped()) {
            OverlayPicture picture = OverlayPicture.of(shipped.getValue());
            state.selection().edit(null, l -> TYPE.cast(l).with(picture));
          }
        });
    Button file =
        PanelRows.button(
            "overlay-file",
            TEXTS.get("overlayPanel.file"),
            TEXTS.get("overlayPanel.file.tip"),
            () -> {});
    file.setOnAction(e -> file.fireEvent(new Event(FILE_WANTED)));
    rows.buttons(shipped, file);
    rows.follow(
        () ->
            state.selection().layer(TYPE).ifPresent(l -> shipped.setValue(l.picture().shipped())));
    String waiting = "";
    state
        .selection()
        .layer(TYPE)
        .ifPresent(l -> rows.read("overlay-there", l, TYPE, waiting, OverlayPanel::there));
    rows.choice(
        TEXTS.get("overlayPanel.place"),
        TEXTS.get("overlayPanel.place.tip"),
        TYPE,
        l -> l.behind() ? 1 : 0,
        (l, i) -> l.withBehind(i == 1),
        TEXTS.get("overlayPanel.front"),
        TEXTS.get("overlayPanel.behind"));
    rows.choice(
        TEXTS.get("overlayPanel.sides"),
        TEXTS.get("overlayPanel.sides.tip"),
        TYPE,
        l -> l.mirrored() ? 1 : 0,
        (l, i) -> l.withMirrored(i == 1),
        TEXTS.get("overlayPanel.as-it-is"),
        TEXTS.get("overlayPanel.mirrored"));
    rows.tools(ToolKind.PLACE_OVERLAY);
    rows.parameters(TYPE);
    CurveEditor editor =
        new CurveEditor(
            () ->
                state
                    .selection()
                    .layer(TYPE)
                    .map(OverlayLayer::curve)
                    .orElse(List.of(new MonotoneCurve.Point(0, 0), new MonotoneCurve.Point(1, 1))),
            points -> state.selection().edit("curve", l -> TYPE.cast(l).withCurve(points)),
            state.document()::settle);
    rows.heading(TEXTS.get("overlayPanel.curve"));
    rows.custom(editor, editor::refresh);
  }

  /** Where a file's picture is, or that it is gone. */
  private static String there(
      Session session, Project project, OverlayLayer layer, Cancellation cancellation) {
    OverlayPicture picture = layer.picture();
    if (picture.shipped() != null) {
      return "";
    }
    if (OverlayPixels.of(picture).isEmpty()) {
      return TEXTS.get("overlayPanel.missing", picture.name());
    }
    return picture.bytes() != null
        ? TEXTS.get("overlayPanel.inside", picture.name())
        : TEXTS.get("overlayPanel.linked", picture.link());
  }
}
