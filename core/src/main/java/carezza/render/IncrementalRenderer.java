package carezza.render;

import java.util.List;
import java.util.function.Function;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.ChangedArea;
import carezza.kernel.Kernels;
import carezza.kernel.Measurements;
import carezza.mask.EvaluationContext;
import carezza.mask.LayerChanges;
import carezza.model.Layer;
import carezza.model.LayerStack;

/**
 * A view that follows the edits of one layer while a hand is moving: the result of that layer and
 * of each above it is kept, and only the area that an edit reaches is brought up to date, from the
 * edited layer up. What the layers above make of the picture's low bands, and what they measured,
 * stays as it was before the hand began to move; the exact rendering that comes when it rests puts
 * that right.
 *
 * <p>For one thread at a time.
 */
public final class IncrementalRenderer {

  /** What a layer takes for a pixel before anything was measured. */
  private static final double USUAL_NANOS = 40;

  /** How fast the measured time replaces the usual one. */
  private static final double LEARNING = 0.3;

  /** A layer, ready for parts of its area, and its result there. */
  record Step(LayerPass pass, Picture result) {}

  private final RenderInput scene;
  private final String edited;
  private final EvaluationContext context;
  private final int place;
  private final StackPictures under;
  private final List<Step> steps;
  private final Function<Layer, Measurements> readings;
  private Layer shown;

  /**
   * The edited layer made ready for the whole view, and what it was then at full amount; or null.
   */
  private @Nullable LayerPass own;

  private @Nullable Layer ownAtFull;
  private double nanosPerPixel = USUAL_NANOS;

  /**
   * @param place number of layers that act below the edited one
   * @param under the pictures up to there
   * @param steps the edited layer and those above it that act, lowest first; the last over the
   *     view's area
   * @param readings what the edited layer measures
   */
  IncrementalRenderer(
      RenderInput scene,
      String edited,
      EvaluationContext context,
      int place,
      StackPictures under,
      List<Step> steps,
      Function<Layer, Measurements> readings) {
    this.scene = scene;
    this.edited = edited;
    this.context = context;
    this.place = place;
    this.under = under;
    this.steps = steps;
    this.readings = readings;
    this.shown = scene.stack().find(edited).orElseThrow();
  }

  /** Whether only the edited layer differs from what this was made for. */
  public boolean follows(RenderInput other) {
    List<Layer> own = scene.stack().layers();
    LayerStack theirs = other.stack();
    if (other.regions() != scene.regions() || theirs.size() != own.size()) {
      return false;
    }
    for (int i = 0; i < own.size(); i++) {
      Layer layer = theirs.layers().get(i);
      boolean itself = own.get(i).attributes().id().equals(edited);
      if (itself
          ? !layer.attributes().id().equals(edited) || !layer.acts()
          : !layer.equals(own.get(i))) {
        return false;
      }
    }
    return true;
  }

  /** How long an update to this scene is likely to take. */
  public double nanos(RenderInput to) {
    return nanosPerPixel * work(changed(to));
  }

  /** Pixels times layers. */
  private double work(Area changed) {
    return (double) changed.pixels() * steps.size();
  }

  private Area changed(RenderInput to) {
    Area all = steps.getFirst().result().area();
    return ChangedArea.between(shown, layer(to))
        .map(a -> a.isEmpty() ? a : a.atLevel(context.level()).grow(1))
        .orElse(all)
        .intersect(all);
  }

  private Layer layer(RenderInput of) {
    return of.stack().find(edited).orElseThrow();
  }

  /**
   * Brings the view up to date with a scene that this {@link #follows}.
   *
   * @return the area in which {@link #picture} may have changed, in pixels of the level
   */
  public Area update(RenderInput to) {
    long start = System.nanoTime();
    Layer layer = layer(to);
    Area changed = changed(to);
    double work = work(changed);
    shown = layer;
    if (changed.isEmpty()) {
      return changed;
    }
    for (int i = 0; i < steps.size(); i++) {
      Step step = steps.get(i);
      LayerPass pass = step.pass();
      if (i == 0) {
        pass = own(layer, changed);
      } else {
        changed = pass.changedBy(changed).intersect(step.result().area());
      }
      step.result().copyFrom(pass.compute(changed, this::after, Cancellation.NONE));
    }
    if (work >= picture().area().pixels()) {
      nanosPerPixel += LEARNING * ((System.nanoTime() - start) / work - nanosPerPixel);
    }
    return changed.intersect(picture().area());
  }

  /** As the steps have it now from the edited layer up. */
  private Picture after(int count, Area area) {
    return count <= place
        ? under.after(count, area)
        : steps.get(count - place - 1).result().crop(area);
  }

  /** How far the edited layer, or one above it, changes the picture as it is now. */
  Plane change(String layer, Area area) {
    int step = 0;
    while (!steps.get(step).pass().layer().attributes().id().equals(layer)) {
      step++;
    }
    return LayerChanges.between(after(place + step, area), after(place + step + 1, area));
  }

  /** The edited layer as it is now, ready for an area. */
  private LayerPass own(Layer layer, Area area) {
    if (own != null && layer.with(layer.attributes().withAmount(1)).equals(ownAtFull)) {
      return own.withAmount(layer.attributes().amount());
    }
    Measurements read = readings.apply(layer);
    LayerPass pass = steps.getFirst().pass().of(Kernels.resolve(layer, read), read);
    pass = pass.over(under.after(pass.floor(), pass.needed(area).union(area)), area);
    if (area.equals(steps.getFirst().result().area())) {
      own = pass;
      ownAtFull = layer.with(layer.attributes().withAmount(1));
    }
    return pass;
  }

  public int level() {
    return context.level();
  }

  /** The view's pixels as they are now; the next update writes into them. */
  public Picture picture() {
    return steps.getLast().result();
  }
}
