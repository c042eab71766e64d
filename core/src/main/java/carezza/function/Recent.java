package carezza.function;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/**
 * Answers to what was asked of late; the one that was not asked for longest is forgotten first.
 * Safe for many threads; what two ask for at once may be made twice.
 */
public final class Recent<K, V> {

  private final Map<K, V> known;

  /**
   * @param most answers that are kept
   */
  public Recent(int most) {
    known =
        new LinkedHashMap<>(16, 0.75f, true) {
          @Override
          protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
            return size() > most;
          }
        };
  }

  /** What is known, or else made now. */
  public V of(K key, Supplier<V> make) {
    synchronized (known) {
      V found = known.get(key);
      if (found != null) {
        return found;
      }
    }
    V made = make.get();
    synchronized (known) {
      known.put(key, made);
    }
    return made;
  }

  public void clear() {
    synchronized (known) {
      known.clear();
    }
  }
}
