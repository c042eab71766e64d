package carezza.desktop.view.picture;

import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import java.util.stream.IntStream;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.desktop.picture.MaskView;
import carezza.desktop.picture.PixelPatch;
import carezza.desktop.picture.ViewPixels;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerCoverage;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.measure.CheckView;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.render.IncrementalRenderer;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;
import carezza.shape.Shapes;

/**
 * Renders the view in the background. While one layer is being edited, the view follows it closely,
 * only where it changes; otherwise a coarser picture with the readings at hand comes first. The
 * exact picture follows when the hand rests. A frame under way is finished and shown even when it
 * is not the newest: while a hand moves, requests come faster than frames, and a picture a little
 * late is better than none.
 */
public final class ViewRenderer implements AutoCloseable {

  /** Rest of the hand after which the exact picture is begun where the view follows closely. */
  private static final long REST_MILLIS = 160;

  /** How many coarser levels are followed too, for edits that reach everywhere. */
  private static final int COARSER = 3;

  /** Time for a frame that a hand does not notice, and that it still does not wait for. */
  private static final double UNNOTICED_NANOS = 13e6;

  private static final double FOLLOWING_NANOS = 28e6;

  private final TaskRunner tasks;
  private final Lane bare;
  private final Lane quick;
  private final Lane exact;
  private final Consumer<Frame> show;
  private final Consumer<Throwable> failed;

  /** Numbers of the newest request and of the one shown; on the interface thread. */
  private long asked;

  private long shown;

  /** Whether any picture of the document at work was shown. */
  private boolean shownOfThis;

  private @Nullable Session session;

  /** The newest request, and the one that the view is being made ready to follow from, or null. */
  private @Nullable Request newest;

  private @Nullable Request building;

  /** What the view follows closely, or null; made by the exact thread, used by the quick one. */
  private volatile @Nullable Live live;

  /**
   * @param show called on the interface thread
   */
  ViewRenderer(TaskRunner tasks, Consumer<Frame> show, Consumer<Throwable> failed) {
    this.tasks = tasks;
    bare = tasks.first("bare view", false);
    quick = tasks.first("view", false);
    exact = tasks.first("exact view", true);
    this.show = show;
    this.failed = failed;
  }

  /**
   * Pixels of a project for a view port.
   *
   * @param exact false for a quick one
   * @param shapes what was done to the shape of what is shown
   */
  record Frame(
      PixelPatch pixels,
      ViewPort port,
      boolean exact,
      @Nullable Project project,
      Session session,
      Shapes shapes) {

    /** Whether this is the photograph as it came, shown until there is more. */
    boolean isBare() {
      return project == null;
    }
  }

  /**
   * What to show.
   *
   * @param layers how many of the project's layers
   * @param selected the layer that edits are expected of, or null
   * @param maskShown whether the selected layer's mask is shown
   * @param maskView how
   * @param check the way the picture is seen, or null for as it is
   * @param screen how colours come to the screen
   */
  record Request(
      Session session,
      Project project,
      int layers,
      @Nullable String selected,
      boolean maskShown,
      MaskView maskView,
      CheckView check,
      ScreenColour screen,
      ViewPort port) {

    RenderInput scene() {
      return session.scene(project).through(layers);
    }

    /** Whether a view that follows the selected layer from here shows the other request as well. */
    boolean serves(Request other) {
      List<Layer> own = project.stack().layers();
      List<Layer> theirs = other.project.stack().layers();
      return session == other.session
          && port.equals(other.port)
          && check == other.check
          && screen == other.screen
          && Objects.equals(selected, other.selected)
          && layers == other.layers
          && !other.maskShown
          && Objects.equals(project.faces(), other.project.faces())
          && own.size() == theirs.size()
          && IntStream.range(0, own.size())
              .allMatch(
                  i ->
                      own.get(i).attributes().id().equals(selected)
                          || own.get(i).equals(theirs.get(i)));
    }

    /** The selected layer is shown, and nothing lies over the picture. */
    boolean followable(RenderInput scene) {
      return selected != null
          && !maskShown
          && scene.stack().find(selected).map(Layer::acts).orElse(false);
    }
  }

  /**
   * A followed view and what it was made for.
   *
   * @param renderings at the view's level and coarser ones
   */
  private record Live(List<IncrementalRenderer> renderings, Session session, ViewPort port) {
    boolean follows(Request request, RenderInput scene) {
      return session == request.session()
          && port.equals(request.port())
          && request.followable(scene)
          && renderings.getFirst().follows(scene);
    }

    /** The finest rendering that the hand does not notice, or else that still keeps up with it. */
    private IncrementalRenderer chosen(RenderInput scene) {
      for (double most : new double[] {UNNOTICED_NANOS, FOLLOWING_NANOS}) {
        for (IncrementalRenderer rendering : renderings) {
          if (rendering.nanos(scene) <= most) {
            return rendering;
          }
        }
      }
      return renderings.getLast();
    }

    Frame frame(Request request, RenderInput scene) {
      IncrementalRenderer chosen = chosen(scene);
      Area changed = chosen.update(scene);
      Picture picture = chosen.picture();
      if (request.check() != null && !changed.isEmpty()) {
        EvaluationContext context = session.renderer().site(scene, chosen.level());
        changed = changed.grow(request.check().reach(context)).intersect(picture.area());
        picture = seen(request, picture, changed, context);
      }
      PixelPatch patch =
          ViewPixels.of(
              picture,
              null,
              MaskView.GREY_OUTSIDE,
              request.screen(),
              request.port(),
              chosen.level(),
              changed);
      return new Frame(
          patch,
          request.port(),
          false,
          request.project(),
          request.session(),
          session.shapes(scene));
    }
  }

  /**
   * A picture seen the way that is asked for.
   *
   * @param picture over what is in the view
   * @param part where it is wanted; the rest stays empty
   */
  private static Picture seen(
      Request request, Picture picture, Area part, EvaluationContext context) {
    CheckView check = request.check();
    Area whole = picture.area();
    Area wide = part.grow(check.reach(context)).intersect(whole);
    Picture before =
        check.compares()
            ? request
                .session()
                .readings()
                .settled(request.project(), wide, context.level(), Cancellation.NONE)
            : picture;
    Picture own = check.of(picture.crop(wide), before, context);
    if (wide.equals(whole)) {
      return own;
    }
    Picture out = Picture.of(whole);
    out.copyFrom(own);
    return out;
  }

  /** To be called on the interface thread. */
  void request(Request request) {
    long number = ++asked;
    newest = request;
    shownOfThis &= session == request.session();
    session = request.session();
    if (!shownOfThis) {
      // On a lane of its own: what the view's is busy with may take seconds right after the start.
      bare.newest(
          cancellation -> {
            showBare(request);
            return number;
          },
          done -> {},
          failed);
    }
    if (building == null || !building.serves(request)) {
      building = null;
      exact.cancel();
    }
    quick.newest(
        cancellation -> {
          RenderInput scene = request.scene();
          Live known = live;
          if (known != null && !known.follows(request, scene)) {
            if (live == known) {
              live = null;
            }
            known = null;
          }
          boolean close = known != null;
          Frame frame = known == null ? coarse(request, scene) : known.frame(request, scene);
          tasks.atHome(
              () -> {
                take(frame, number, request.session());
                if (number == asked && building == null) {
                  refine(request, number, close || request.maskShown() ? REST_MILLIS : 0);
                }
              });
          return frame;
        },
        done -> {},
        failed);
  }

  /** A photograph that was just opened is on the screen before anything is looked for in it. */
  private void showBare(Request request) {
    Renderer renderer = request.session().renderer();
    ViewPort port = request.port();
    Area area = port.area(renderer.size(), port.level());
    if (area.isEmpty()) {
      return;
    }
    RenderInput photograph = new RenderInput(LayerStack.EMPTY, Regions.none());
    Picture picture =
        renderer.render(photograph, area, port.level(), Readiness.QUICK, Cancellation.NONE);
    PixelPatch pixels =
        ViewPixels.of(
            picture, null, MaskView.GREY_OUTSIDE, request.screen(), port, port.level(), area);
    tasks.atHome(
        () -> {
          if (session == request.session() && !shownOfThis) {
            show.accept(new Frame(pixels, port, false, null, request.session(), Shapes.NONE));
          }
        });
  }

  private static Frame coarse(Request request, RenderInput scene) {
    int above = Math.min(request.port().level() + 1, Level.COARSEST);
    return ParallelRows.alone(
        () -> frame(request, scene, above, Readiness.QUICK, Cancellation.NONE));
  }

  private void refine(Request request, long number, long restMillis) {
    // A view that is being made ready to be followed serves what comes meanwhile, too.
    building = live == null && request.selected() != null ? request : null;
    exact.rested(
        Duration.ofMillis(restMillis),
        cancellation -> {
          RenderInput scene = request.scene();
          int level = request.port().level();
          Frame frame = frame(request, scene, level, Readiness.EXACT, cancellation);
          tasks.atHome(
              () -> {
                if (number == asked) {
                  take(frame, number, request.session());
                }
              });
          if (request.followable(scene)) {
            follow(request, scene, cancellation);
          }
          return number;
        },
        this::ready,
        e -> {
          building = null;
          failed.accept(e);
        });
  }

  private void ready(long number) {
    boolean late = building != null && number != asked;
    building = null;
    Request latest = newest;
    if (late && latest != null) {
      request(latest);
    }
  }

  private void follow(Request request, RenderInput scene, Cancellation cancellation) {
    Renderer renderer = request.session().renderer();
    int finest = request.port().level();
    List<IncrementalRenderer> renderings = new CopyOnWriteArrayList<>();
    // The coarsest is ready soonest.
    for (int l = Math.min(Level.COARSEST, finest + COARSER); l >= finest; l--) {
      Area area = request.port().area(renderer.size(), l);
      if (!area.isEmpty()) {
        renderings.addFirst(
            renderer.follow(
                scene, Objects.requireNonNull(request.selected()), area, l, cancellation));
        live = new Live(renderings, request.session(), request.port());
      }
    }
  }

  /** Shows a frame unless a later one is shown already. */
  private void take(Frame frame, long number, Session of) {
    if (of == session && (number > shown || number == shown && frame.exact())) {
      shown = number;
      shownOfThis = true;
      show.accept(frame);
    }
  }

  private static Frame frame(
      Request request,
      RenderInput scene,
      int level,
      Readiness readiness,
      Cancellation cancellation) {
    Renderer renderer = request.session().renderer();
    ViewPort port = request.port();
    Area area = port.area(renderer.size(), level);
    if (area.isEmpty()) {
      return new Frame(
          ViewPixels.clear(port), port, true, request.project(), request.session(), Shapes.NONE);
    }
    Picture picture;
    Plane mask = null;
    RenderInput whole = request.session().scene(request.project());
    int index = request.maskShown() ? whole.stack().indexOf(request.selected()) : -1;
    if (index < 0) {
      picture = renderer.render(scene, area, level, readiness, cancellation);
      if (request.check() != null) {
        picture = seen(request, picture, area, renderer.site(whole, level));
      }
    } else {
      // Over what the layer gets: that stays as it is while the mask is worked on.
      Layer layer = whole.stack().layers().get(index);
      EvaluationContext context = renderer.site(whole, level);
      Area wide = area.grow(LayerCoverage.reach(layer, context)).intersect(context.whole());
      picture = renderer.render(whole.through(index), wide, level, readiness, cancellation);
      mask = LayerCoverage.of(layer, area, context, picture);
      picture = picture.crop(area);
    }
    return new Frame(
        ViewPixels.of(picture, mask, request.maskView(), request.screen(), port, level, area),
        port,
        readiness == Readiness.EXACT,
        request.project(),
        request.session(),
        index < 0 ? request.session().shapes(scene) : Shapes.NONE);
  }

  @Override
  public void close() {
    bare.close();
    quick.close();
    exact.close();
  }
}
