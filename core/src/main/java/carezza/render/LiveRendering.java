package carezza.render;

import java.util.List;
import java.util.function.Function;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.Difference;
import carezza.kernel.Kernels;
import carezza.kernel.Readings;
import carezza.mask.Site;
import carezza.model.Layer;
import carezza.model.LayerStack;

/**
 * A view that follows the edits of one layer while a hand is moving: the result of that layer and of each
 * above it is kept, and only the area that an edit reaches is brought up to date, from the edited layer
 * up. What the layers above make of the picture's low bands, and what they measured, stays as it was
 * before the hand began to move; the exact rendering that comes when it rests puts that right.
 *
 * <p>For one thread at a time.
 */
public final class LiveRendering {

  /** What a layer takes for a pixel before anything was measured. */
  private static final double USUAL_NANOS = 40;

  /** How fast the measured time replaces the usual one. */
  private static final double LEARNING = 0.3;

  /** A layer, ready for parts of its area, and its result there. */
  record Step(LayerPass pass, Picture result) {}

  private final Scene scene;
  private final String edited;
  private final Site site;
  private final Function<Area, Picture> input;
  private final List<Step> steps;
  private final Function<Layer, Readings> readings;
  private Layer shown;

  /** The edited layer made ready for the whole view, and what it was then at full amount; or null. */
  private LayerPass own;

  private Layer ownAtFull;
  private double nanosPerPixel = USUAL_NANOS;

  /**
   * @param input of the edited layer over an area of the level
   * @param steps the edited layer and those above it that act, lowest first; the last over the view's area
   * @param readings what the edited layer measures
   */
  LiveRendering(
      Scene scene,
      String edited,
      Site site,
      Function<Area, Picture> input,
      List<Step> steps,
      Function<Layer, Readings> readings) {
    this.scene = scene;
    this.edited = edited;
    this.site = site;
    this.input = input;
    this.steps = steps;
    this.readings = readings;
    this.shown = scene.stack().find(edited).orElseThrow();
  }

  /** Whether only the edited layer differs from what this was made for. */
  public boolean follows(Scene other) {
    List<Layer> own = scene.stack().layers();
    LayerStack theirs = other.stack();
    if (other.regions() != scene.regions() || theirs.size() != own.size()) {
      return false;
    }
    for (int i = 0; i < own.size(); i++) {
      Layer layer = theirs.layers().get(i);
      boolean itself = own.get(i).head().id().equals(edited);
      if (itself ? !layer.head().id().equals(edited) || !layer.acts() : !layer.equals(own.get(i))) {
        return false;
      }
    }
    return true;
  }

  /** How long an update to this scene is likely to take. */
  public double nanos(Scene to) {
    return nanosPerPixel * work(changed(to));
  }

  /** Pixels times layers. */
  private double work(Area changed) {
    return (double) changed.pixels() * steps.size();
  }

  private Area changed(Scene to) {
    Area all = steps.getFirst().result().area();
    return Difference.between(shown, layer(to))
        .map(a -> a.isEmpty() ? a : a.atLevel(site.level()).grow(1))
        .orElse(all)
        .intersect(all);
  }

  private Layer layer(Scene of) {
    return of.stack().find(edited).orElseThrow();
  }

  /**
   * Brings the view up to date with a scene that this {@link #follows}.
   *
   * @return the area in which {@link #picture} may have changed, in pixels of the level
   */
  public Area update(Scene to) {
    long start = System.nanoTime();
    Layer layer = layer(to);
    Area changed = changed(to);
    double work = work(changed);
    shown = layer;
    if (changed.isEmpty()) {
      return changed;
    }
    Function<Area, Picture> under = input;
    for (int i = 0; i < steps.size(); i++) {
      Step step = steps.get(i);
      LayerPass pass = step.pass();
      if (i == 0) {
        pass = own(layer, changed);
      } else {
        changed = pass.changedBy(changed).intersect(step.result().area());
      }
      step.result().copyFrom(pass.compute(changed, under, Cancellation.NONE));
      under = step.result()::crop;
    }
    if (work >= picture().area().pixels()) {
      nanosPerPixel += LEARNING * ((System.nanoTime() - start) / work - nanosPerPixel);
    }
    return changed.intersect(picture().area());
  }

  /** The edited layer as it is now, ready for an area. */
  private LayerPass own(Layer layer, Area area) {
    if (own != null && layer.with(layer.head().withAmount(1)).equals(ownAtFull)) {
      return own.withAmount(layer.head().amount());
    }
    Readings read = readings.apply(layer);
    LayerPass pass = new LayerPass(Kernels.resolve(layer, read), read, site);
    pass = pass.over(input.apply(pass.needed(area).union(area)), area);
    if (area.equals(steps.getFirst().result().area())) {
      own = pass;
      ownAtFull = layer.with(layer.head().withAmount(1));
    }
    return pass;
  }

  public int level() {
    return site.level();
  }

  /** The view's pixels as they are now; the next update writes into them. */
  public Picture picture() {
    return steps.getLast().result();
  }
}
