package carezza.codec;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOInvalidTreeException;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;

/** The colour profile of a PNG, which Java's writer leaves to its metadata. */
final class PngProfile {

  private static final String TREE = "javax_imageio_png_1.0";
  private static final String CHUNK = "iCCP";

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
}
