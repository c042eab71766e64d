package carezza.render;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.atomic.LongAdder;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.Kernels;
import carezza.kernel.Measurements;
import carezza.mask.EvaluationContext;
import carezza.model.Layer;
import carezza.render.TileGrid.Tile;

/** One rendering of one scene at one level, tile by tile, each kept by what it is made of. */
final class TileRenderer implements StackPictures {

  private final Picture photograph;
  private final TileGrid grid;
  private final TileCache cache;
  private final LongAdder computed;
  private final Cancellation cancellation;
  private final Fingerprint root;
  private final List<LayerPass> passes;
  private final List<Map<Tile, Fingerprint>> keys = new ArrayList<>();

  /**
   * @param photograph the level's pixels; not modified
   * @param passes of all layers that act, lowest first
   * @param root of all that the tiles are made of besides their layers
   * @param computed counts the tiles that were not found
   */
  TileRenderer(
      Picture photograph,
      List<LayerPass> passes,
      EvaluationContext context,
      Fingerprint root,
      TileCache cache,
      LongAdder computed,
      Cancellation cancellation) {
    this.photograph = photograph;
    this.passes = passes;
    this.grid = new TileGrid(context.whole());
    this.cache = cache;
    this.computed = computed;
    this.cancellation = cancellation;
    this.root = root;
    passes.forEach(pass -> keys.add(new HashMap<>()));
  }

  @Override
  public Picture after(int count, Area area) {
    cancellation.check();
    if (count == 0) {
      return photograph.crop(area);
    }
    if (Kernels.idle(passes.get(count - 1).within(area))) {
      return after(count - 1, area);
    }
    return assemble(count, area);
  }

  private Picture assemble(int count, Area area) {
    Area missing = Area.EMPTY;
    Map<Tile, Picture> found = new HashMap<>();
    List<Tile> tiles = grid.touching(area);
    for (Tile tile : tiles) {
      Picture kept = cache.get(key(count, tile));
      if (kept == null) {
        missing = missing.union(grid.area(tile));
      } else {
        found.put(tile, kept);
      }
    }
    if (!missing.isEmpty()) {
      Picture made = passes.get(count - 1).compute(missing, this, cancellation);
      computed.add(grid.touching(missing).size());
      for (Tile tile : grid.touching(missing)) {
        if (!found.containsKey(tile)) {
          Picture own = made.crop(grid.area(tile));
          cache.put(key(count, tile), own);
          found.put(tile, own);
        }
      }
    }
    if (tiles.size() == 1 && grid.area(tiles.getFirst()).equals(area)) {
      return Objects.requireNonNull(found.get(tiles.getFirst()));
    }
    Picture out = Picture.of(area);
    found.values().forEach(out::copyFrom);
    return out;
  }

  /** What a tile is made of: the layer as far as it matters here, and all tiles it reads. */
  private Fingerprint key(int count, Tile tile) {
    if (count == 0) {
      return Fingerprint.of(root, tile);
    }
    Fingerprint known = keys.get(count - 1).get(tile);
    if (known != null) {
      return known;
    }
    LayerPass pass = passes.get(count - 1);
    Area area = grid.area(tile);
    Layer layer = pass.within(area);
    Fingerprint key;
    if (Kernels.idle(layer)) {
      key = key(count - 1, tile);
    } else {
      List<Fingerprint> parts = new ArrayList<>();
      parts.add(Fingerprint.of(root, tile, layer, pass.order()));
      if (!(pass.readings() instanceof Measurements.HealSources)) {
        parts.add(Fingerprint.of(pass.readings()));
      }
      for (Tile under : grid.touching(pass.needed(area))) {
        parts.add(key(count - 1, under));
        if (pass.floor() < pass.place()) {
          parts.add(key(pass.floor(), under));
        }
      }
      key = Fingerprint.of(parts);
    }
    keys.get(count - 1).put(tile, key);
    return key;
  }
}
