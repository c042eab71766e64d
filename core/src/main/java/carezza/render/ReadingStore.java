package carezza.render;

import org.jspecify.annotations.Nullable;

import carezza.kernel.Measurements;

/** Where what layers measured outlasts its renderer. Safe for many threads. */
public interface ReadingStore {

  /** Keeps nothing. */
  ReadingStore NONE =
      new ReadingStore() {
        @Override
        public @Nullable Measurements find(Fingerprint key) {
          return null;
        }

        @Override
        public void keep(Fingerprint key, Measurements read) {}
      };

  /**
   * What was measured, or null.
   *
   * @param key of the layer and everything under it but the photograph
   */
  @Nullable Measurements find(Fingerprint key);

  void keep(Fingerprint key, Measurements read);
}
