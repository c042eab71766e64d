package carezza.profile;

import org.jspecify.annotations.Nullable;

/** What a file says of its colours. */
public sealed interface ColourTag {

  /** Nothing. */
  record Untagged() implements ColourTag {}

  /** An ICC profile, as its bytes lie in the file; nobody has looked yet whether it is one. */
  record Embedded(byte[] icc) implements ColourTag {}

  /** Primaries and a curve, by numbers. */
  record Described(MatrixProfile profile) implements ColourTag {}

  /** Of an embedded profile's bytes; null is nothing. */
  static ColourTag of(byte @Nullable [] icc) {
    return icc == null ? new Untagged() : new Embedded(icc);
  }
}
