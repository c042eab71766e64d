package carezza.model;

import java.util.Arrays;
import java.util.Objects;

import org.jspecify.annotations.Nullable;

/**
 * A picture to be laid over another: one that ships with the application, or a file's, known by its
 * contents. A file's own bytes may be at hand, or are read from where it lies.
 */
public final class OverlayPicture {

  /** Those that ship. */
  public enum Shipped {
    LIGHTS,
    DUST,
    FLARE
  }

  private final @Nullable Shipped shipped;
  private final String name;
  private final String sha256;
  private final String link;
  private final byte @Nullable [] bytes;

  private OverlayPicture(
      @Nullable Shipped shipped, String name, String sha256, String link, byte @Nullable [] bytes) {
    this.shipped = shipped;
    this.name = name;
    this.sha256 = sha256;
    this.link = link;
    this.bytes = bytes;
  }

  public static OverlayPicture of(Shipped shipped) {
    return new OverlayPicture(shipped, shipped.name(), "", "", null);
  }

  /**
   * A file's.
   *
   * @param sha256 of its contents, in hexadecimal digits
   * @param link where it lies; empty for nowhere but here
   * @param bytes its contents, or null to read them from there
   */
  public static OverlayPicture of(
      String name, String sha256, String link, byte @Nullable [] bytes) {
    Require.present("name", name);
    Require.present("sha256", sha256);
    return new OverlayPicture(
        null, name, sha256, link == null ? "" : link, bytes == null ? null : bytes.clone());
  }

  /** Which of those that ship, or null for a file's. */
  public @Nullable Shipped shipped() {
    return shipped;
  }

  /** The file's own name. */
  public String name() {
    return name;
  }

  /** Of the file's contents; empty for those that ship. */
  public String sha256() {
    return sha256;
  }

  /** Where the file lies; empty for nowhere but in the project. */
  public String link() {
    return link;
  }

  /** The file's contents, not to be modified, or null if they are not at hand. */
  public byte @Nullable [] bytes() {
    return bytes;
  }

  /** With the file's contents at hand, to be saved with the project, or without them. */
  public OverlayPicture with(byte @Nullable [] contents) {
    return new OverlayPicture(shipped, name, sha256, link, contents);
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof OverlayPicture o
        && shipped == o.shipped
        && name.equals(o.name)
        && sha256.equals(o.sha256)
        && link.equals(o.link)
        && (bytes == null) == (o.bytes == null);
  }

  @Override
  public int hashCode() {
    return Objects.hash(shipped, name, sha256, link, bytes == null);
  }

  @Override
  public String toString() {
    return "OverlayPicture" + Arrays.asList(shipped, name, sha256, link);
  }
}
