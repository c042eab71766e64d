package carezza.render;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.Kernels;
import carezza.mask.LayerChanges;
import carezza.model.Mask.ChangeMask;

/**
 * Renders a whole level layer by layer, for files: every pixel is wanted once, so nothing is kept
 * but the layer's input and its result, what lies below a group that is under way, and how far a
 * layer changed the picture that a later mask follows. Each layer runs over bands of rows small
 * enough for the processor's cache, many at a time, and layers that work on each pixel by itself
 * run over a band together with the one below them.
 */
final class StripRenderer {

  /** Pixels of a band: three float planes of it fit in a core's own cache. */
  private static final int BAND_PIXELS = 1 << 16;

  /** A band is at least this many times as high as what its layer reads beyond it on one side. */
  private static final int REACHES = 8;

  /** And twice that, as long as there are at least so many bands. */
  private static final int BANDS = 8;

  private final Area whole;
  private final Cancellation cancellation;
  private final Map<String, Plane> changes = new ConcurrentHashMap<>();
  private @Nullable Picture spare;

  StripRenderer(Area whole, Cancellation cancellation) {
    this.whole = whole;
    this.cancellation = cancellation;
  }

  /**
   * @param photograph the level's pixels; not modified
   * @param passes of all layers, lowest first
   * @param each sees every layer that does anything; null where nobody does
   * @return the finished picture; the photograph itself if no layer does anything
   */
  <X extends Exception> Picture render(
      Picture photograph, List<LayerPass> passes, @Nullable LayerResult<X> each) throws X {
    Map<Integer, Picture> floors = new HashMap<>();
    Picture current = photograph;
    int place = 0;
    while (place < passes.size()) {
      LayerPass first = passes.get(place);
      if (opensGroup(place, passes)) {
        floors.put(place, current);
      }
      if (Kernels.idle(first.within(whole))) {
        place++;
        continue;
      }
      Picture next = spare == null ? Picture.of(whole) : spare;
      Picture input = current;
      StackPictures below =
          (count, area) ->
              (count == first.place() ? input : Objects.requireNonNull(floors.get(count)))
                  .crop(area);
      List<LayerPass> run = new ArrayList<>();
      run.add(first.over(below.after(first.floor(), whole), whole));
      List<Area> bands = bands(run.getFirst());
      place++;
      while (each == null
          && place < passes.size()
          && goesOn(passes.get(place - 1), passes, bands)) {
        LayerPass above = passes.get(place++);
        if (!Kernels.idle(above.within(whole))) {
          run.add(above);
        }
      }
      run(run, bands, below, next);
      LayerPass last = passes.get(place - 1);
      if (each != null) {
        each.see(last.layer(), current, next);
      }
      if (isFollowed(last, passes)) {
        changes.put(last.layer().attributes().id(), LayerChanges.between(current, next));
      }
      int from = place;
      floors.keySet().removeIf(floor -> !isWanted(floor, from, passes));
      spare = current == photograph || floors.containsValue(current) ? null : current;
      current = next;
    }
    return current;
  }

  /**
   * Whether the pass above one works on each pixel by itself and nobody asks for the picture
   * between the two: then both are done to a band while it is at hand.
   */
  private boolean goesOn(LayerPass pass, List<LayerPass> passes, List<Area> bands) {
    LayerPass above = passes.get(pass.place() + 1);
    return above.floor() == above.place()
        && !opensGroup(above.place(), passes)
        && !isFollowed(pass, passes)
        && !isFollowed(above, passes)
        && bands.stream().allMatch(band -> above.needed(band).equals(band));
  }

  /** Whether a group further up has its floor here. */
  private boolean opensGroup(int place, List<LayerPass> passes) {
    return isWanted(place, place, passes);
  }

  private boolean isWanted(int floor, int from, List<LayerPass> passes) {
    return passes.subList(from, passes.size()).stream()
        .anyMatch(p -> p.floor() == floor && p.floor() < p.place() && !Kernels.idle(p.layer()));
  }

  private static boolean isFollowed(LayerPass pass, List<LayerPass> passes) {
    String id = pass.layer().attributes().id();
    return passes.subList(pass.place() + 1, passes.size()).stream()
        .flatMap(p -> p.layer().masks().stream())
        .anyMatch(m -> m.has(part -> part instanceof ChangeMask c && c.layer().equals(id)));
  }

  /**
   * How far a layer that was rendered, and that a mask follows, changed the picture; 0 if it was
   * none.
   */
  Plane change(String layer, Area area) {
    Plane all = changes.get(layer);
    if (all == null) {
      return Plane.of(area);
    }
    return all.area().equals(area) ? all.copy() : all.crop(area);
  }

  private void run(List<LayerPass> run, List<Area> bands, StackPictures below, Picture result) {
    IntStream.range(0, bands.size())
        .parallel()
        .forEach(
            i -> {
              cancellation.check();
              Area band = bands.get(i);
              Picture made = run.getFirst().compute(band, below, cancellation);
              for (LayerPass above : run.subList(1, run.size())) {
                Picture own = made;
                made = above.compute(band, (count, area) -> own.crop(area), cancellation);
              }
              result.copyFrom(made);
            });
  }

  private List<Area> bands(LayerPass pass) {
    Area probe = new Area(0, whole.height() / 2, whole.width(), 1);
    int read = pass.needed(probe).height();
    int least = read > 1 ? REACHES / 2 * read : 1;
    int wanted = Math.max(least, Math.min(2 * least, whole.height() / BANDS));
    int height = Math.max(BAND_PIXELS / whole.width(), wanted);
    List<Area> bands = new ArrayList<>();
    for (int y = 0; y < whole.height(); y += Math.max(1, height)) {
      bands.add(new Area(0, y, whole.width(), Math.min(Math.max(1, height), whole.height() - y)));
    }
    return bands;
  }
}
