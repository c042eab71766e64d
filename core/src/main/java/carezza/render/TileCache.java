package carezza.render;

import java.lang.ref.Reference;
import java.lang.ref.ReferenceQueue;
import java.lang.ref.SoftReference;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.image.Picture;

/**
 * Rendered tiles by the fingerprint of all they are made of; the longest unused go first. Tiles are
 * held softly: when memory runs short the collector takes them instead of anything failing.
 */
public final class TileCache {

  /**
   * Part of the heap that tiles may take: some three pictures of the view for each of ten layers.
   */
  private static final int SHARE = 16;

  private static final TileCache SHARED = new TileCache(Runtime.getRuntime().maxMemory() / SHARE);

  private final LinkedHashMap<Fingerprint, Kept> tiles = new LinkedHashMap<>(64, 0.75f, true);
  private final ReferenceQueue<Picture> taken = new ReferenceQueue<>();
  private final long limit;
  private long bytes;

  /**
   * @param limit most bytes of pixels to keep
   */
  public TileCache(long limit) {
    this.limit = limit;
  }

  /** Of all photographs at work together, as much as suits the memory given to the program. */
  public static TileCache shared() {
    return SHARED;
  }

  private static final class Kept extends SoftReference<Picture> {
    private final Fingerprint key;
    private final long bytes;

    Kept(Fingerprint key, Picture tile, ReferenceQueue<Picture> queue) {
      super(tile, queue);
      this.key = key;
      this.bytes = tile.bytes();
    }
  }

  /** The tile, or null; not to be modified. */
  synchronized @Nullable Picture get(Fingerprint key) {
    Kept kept = tiles.get(key);
    return kept == null ? null : kept.get();
  }

  synchronized void put(Fingerprint key, Picture tile) {
    for (Reference<?> gone = taken.poll(); gone != null; gone = taken.poll()) {
      Kept kept = (Kept) gone;
      if (tiles.remove(kept.key, kept)) {
        bytes -= kept.bytes;
      }
    }
    Kept before = tiles.put(key, new Kept(key, tile, taken));
    bytes += tile.bytes() - (before == null ? 0 : before.bytes);
    Iterator<Map.Entry<Fingerprint, Kept>> oldest = tiles.entrySet().iterator();
    while (bytes > limit && oldest.hasNext()) {
      bytes -= oldest.next().getValue().bytes;
      oldest.remove();
    }
  }

  /** Bytes of pixels held now. */
  public synchronized long bytes() {
    return bytes;
  }
}
