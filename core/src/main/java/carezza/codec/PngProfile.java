package carezza.codec;

import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Optional;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOInvalidTreeException;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;

/** The colour profile of a PNG, which Java's reader and writer leave to its metadata. */
final class PngProfile {

  private static final String TREE = "javax_imageio_png_1.0";
  private static final String CHUNK = "iCCP";

  /** More than any profile holds. */
  private static final int LARGEST = 1 << 24;

  private PngProfile() {}

  /** Metadata with the profile for a picture to be written. */
  static IIOMetadata metadata(
      ImageWriter writer, BufferedImage image, ImageWriteParam param, OutputProfile profile)
      throws IOException {
    IIOMetadata metadata = writer.getDefaultImageMetadata(new ImageTypeSpecifier(image), param);
    IIOMetadataNode root = new IIOMetadataNode(TREE);
    IIOMetadataNode chunk = new IIOMetadataNode(CHUNK);
    chunk.setAttribute("profileName", profile.title());
    chunk.setAttribute("compressionMethod", "deflate");
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (DeflaterOutputStream out = new DeflaterOutputStream(packed)) {
      out.write(profile.icc().getData());
    }
    chunk.setUserObject(packed.toByteArray());
    root.appendChild(chunk);
    try {
      metadata.mergeTree(TREE, root);
    } catch (IIOInvalidTreeException e) {
      throw new IOException("Profile not taken by the PNG writer", e);
    }
    return metadata;
  }

  /**
   * The profile in the file that the reader has open; empty if it is no PNG or has none.
   *
   * @throws IOException if the profile cannot be unpacked
   */
  static Optional<ICC_Profile> of(ImageReader reader) throws IOException {
    IIOMetadata metadata = reader.getImageMetadata(0);
    if (metadata == null || !TREE.equals(metadata.getNativeMetadataFormatName())) {
      return Optional.empty();
    }
    IIOMetadataNode root = (IIOMetadataNode) metadata.getAsTree(TREE);
    if (root.getElementsByTagName(CHUNK).getLength() == 0) {
      return Optional.empty();
    }
    IIOMetadataNode chunk = (IIOMetadataNode) root.getElementsByTagName(CHUNK).item(0);
    byte[] packed = (byte[]) chunk.getUserObject();
    try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(packed))) {
      return Optional.of(ICC_Profile.getInstance(in.readNBytes(LARGEST)));
    } catch (IllegalArgumentException e) {
      throw new IOException("The profile is none", e);
    }
  }
}
