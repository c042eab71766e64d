package carezza.desktop.layer;

import java.util.List;
import javafx.beans.property.SimpleIntegerProperty;

import carezza.desktop.control.TintPlot;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.model.BackdropLayer;
import carezza.model.Parameters;
import carezza.model.SkinToneEveningLayer.Target;

/** Panel of the backdrop: what it is brought to, and how much of the border is there. */
final class BackdropPanel {

  private static final Texts TEXTS = Texts.of("panels");
  private static final Class<BackdropLayer> TYPE = BackdropLayer.class;

  /** Chroma at the rim of the plot. */
  private static final double RIM = 45;

  /** A light grey, to begin with. */
  private static final Target GREY = new Target(80, 0, 0);

  private BackdropPanel() {}

  /** What the rows depend on besides values. */
  static String shape(BackdropLayer layer) {
    return layer.colour() == null ? "white" : "colour";
  }

  static void build(BackdropLayer layer, PanelRows rows, AppState state) {
    rows.choice(
        TEXTS.get("backdropPanel.wanted"),
        TEXTS.get("backdropPanel.wanted.tip"),
        TYPE,
        l -> l.colour() == null ? 0 : 1,
        (l, i) -> i == 0 ? l.towards(null) : l.colour() == null ? l.towards(GREY) : l,
        TEXTS.get("backdropPanel.white"),
        TEXTS.get("backdropPanel.colour"));
    if (layer.colour() != null) {
      colour(rows, state);
    }
    rows.parameter(TYPE, "texture");
    rows.read(
        "border-share",
        layer,
        TYPE,
        TEXTS.get("backdropPanel.being-read"),
        (session, project, own, cancellation) -> {
          var share = session.advice().border(project, own, cancellation);
          return Double.isNaN(share.reached())
              ? TEXTS.get("backdropPanel.none")
              : TEXTS.get("backdropPanel.share", share.reached(), share.below(), share.finished());
        });
  }

  private static void colour(PanelRows rows, AppState state) {
    TintPlot plot =
        new TintPlot(
            RIM,
            () ->
                state
                    .selection()
                    .layer(TYPE)
                    .map(BackdropLayer::colour)
                    .map(
                        c ->
                            List.of(
                                new TintPlot.Handle(
                                    TEXTS.get("backdropPanel.colour"),
                                    c.lightness(),
                                    c.hue(),
                                    c.chroma())))
                    .orElse(List.of()),
            new SimpleIntegerProperty(),
            (i, hue, chroma) ->
                state
                    .selection()
                    .edit(
                        "ground",
                        l ->
                            TYPE.cast(l)
                                .towards(new Target(shown(TYPE.cast(l)).lightness(), chroma, hue))),
            state.document()::settle);
    rows.custom(plot, plot::refresh);
    rows.parameter(
        "ground-lightness",
        "stop.lightness",
        Parameters.of(Target.class).get("lightness"),
        TYPE,
        l -> shown(l).lightness(),
        (l, v) -> l.towards(new Target(v, shown(l).chroma(), shown(l).hue())));
    rows.tools(ToolKind.PICK_GROUND);
  }

  private static Target shown(BackdropLayer layer) {
    return layer.colour() == null ? GREY : layer.colour();
  }
}
