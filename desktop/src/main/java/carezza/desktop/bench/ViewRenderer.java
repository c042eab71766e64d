package carezza.desktop.bench;

import java.util.function.Consumer;
import javafx.application.Platform;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.image.Rows;
import carezza.mask.Masks;
import carezza.mask.Site;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.render.Scene;
import carezza.session.Session;

/**
 * Renders the view in the background: at once a coarser picture with the readings at hand, and beside it
 * the exact one, which the next request stops. A coarse frame under way is finished and shown even when
 * it is not the newest: while a hand moves, requests come faster than frames, and a picture a little late
 * is better than none.
 */
final class ViewRenderer implements AutoCloseable {

  private final Background coarse = new Background("view");
  private final Background exact = new Background("exact view");
  private final Consumer<Frame> show;
  private final Consumer<Exception> failed;

  /** Numbers of the newest request and of the one shown; on the interface thread. */
  private long asked;

  private long shown;
  private Session session;

  /**
   * @param show called on the interface thread
   */
  ViewRenderer(Consumer<Frame> show, Consumer<Exception> failed) {
    this.show = show;
    this.failed = failed;
  }

  /** Pixels of a project for a view port; {@code exact} is false for the coarse one. */
  record Frame(int[] argb, ViewPort port, boolean exact, Project project) {}

  /**
   * What to show.
   *
   * @param layers how many of the project's layers
   * @param maskOf layer whose mask is shown, or null
   */
  record Request(Session session, Project project, int layers, String maskOf, ViewPort port) {}

  /** To be called on the interface thread. */
  void request(Request request) {
    long number = ++asked;
    session = request.session();
    int level = request.port().level();
    exact.cancel();
    coarse.newest(
        cancellation -> {
          Scene scene = request.session().scene(request.project());
          int above = Math.min(level + 1, carezza.image.Level.COARSEST);
          Frame frame =
              Rows.alone(
                  () -> frame(request, scene, above, Readiness.QUICK, Cancellation.NONE));
          Platform.runLater(
              () -> {
                take(frame, number, request.session());
                if (number == asked) {
                  refine(request, level, number);
                }
              });
          return frame;
        },
        done -> {},
        failed);
  }

  private void refine(Request request, int level, long number) {
    exact.newest(
        cancellation ->
            frame(
                request,
                request.session().scene(request.project()),
                level,
                Readiness.EXACT,
                cancellation),
        frame -> take(frame, number, request.session()),
        failed);
  }

  /** Shows a frame unless a later one is shown already. */
  private void take(Frame frame, long number, Session of) {
    if (of == session && (number > shown || number == shown && frame.exact())) {
      shown = number;
      show.accept(frame);
    }
  }

  private static Frame frame(
      Request request, Scene whole, int level, Readiness readiness, Cancellation cancellation) {
    Renderer renderer = request.session().renderer();
    ViewPort port = request.port();
    Area area = port.area(renderer.size(), level);
    if (area.isEmpty()) {
      return new Frame(
          new int[port.width() * port.height()], port, true, request.project());
    }
    Picture picture =
        renderer.render(whole.through(request.layers()), area, level, readiness, cancellation);
    Plane mask = mask(request, whole, level, area, readiness, cancellation);
    return new Frame(
        ViewPixels.of(picture, mask, port, level),
        port,
        readiness == Readiness.EXACT,
        request.project());
  }

  private static Plane mask(
      Request request,
      Scene whole,
      int level,
      Area area,
      Readiness readiness,
      Cancellation cancellation) {
    int index = request.maskOf() == null ? -1 : whole.stack().indexOf(request.maskOf());
    if (index < 0) {
      return null;
    }
    Renderer renderer = request.session().renderer();
    Layer layer = whole.stack().layers().get(index);
    Site site = new Site(renderer.size(), level, whole.regions());
    Area wide = area.grow(Coverage.reach(layer, site)).intersect(site.whole());
    Picture input = renderer.render(whole.through(index), wide, level, readiness, cancellation);
    return Coverage.of(layer, area, site, input);
  }

  /** Where a layer acts at all, for showing: its mask, or the masks inside it. */
  private static final class Coverage {

    static int reach(Layer layer, Site site) {
      return Masks.reach(layer.head().mask(), site.scale());
    }

    static Plane of(Layer layer, Area area, Site site, Picture input) {
      Plane own = Masks.render(layer.head().mask(), area, site, input);
      if (layer instanceof carezza.model.DodgeBurnLayer l) {
        Plane dodge = Masks.render(l.dodgeMask(), area, site, input);
        Plane burn = Masks.render(l.burnMask(), area, site, input);
        for (int i = 0; i < own.values().length; i++) {
          own.values()[i] *= 1 - (1 - dodge.values()[i]) * (1 - burn.values()[i]);
        }
      } else if (layer instanceof carezza.model.HealLayer l) {
        Plane healed = Plane.of(area);
        l.patches().forEach(p -> carezza.mask.StrokeCoverage.apply(p.area(), healed, site.scale()));
        for (int i = 0; i < own.values().length; i++) {
          own.values()[i] *= healed.values()[i];
        }
      }
      return own;
    }
  }

  @Override
  public void close() {
    coarse.close();
    exact.close();
  }
}
