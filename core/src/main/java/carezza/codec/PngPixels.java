package carezza.codec;

import java.awt.image.Raster;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.EnumSet;
import java.util.Set;

import carezza.codec.Encoded.Model;
import carezza.codec.Rasters.Layout;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.metadata.TiffDirectory;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/**
 * PNG files: samples from the platform's decoder; palette, transparency and colours by ourselves.
 */
final class PngPixels {

  private static final int PALETTE = 3;
  private static final int WITH_OPACITY = 4;

  private PngPixels() {}

  static Encoded read(byte[] file, String name) throws IOException, Problem {
    PngChunks chunks = PngChunks.of(file);
    byte[] header = chunks.get("IHDR");
    if (header == null || header.length < 13) {
      throw new Problem(Kind.PICTURE_DAMAGED, name);
    }
    ByteBuffer in = ByteBuffer.wrap(header);
    PictureReader.requireRoom(in.getInt(), in.getInt(), name);
    int bits = header[8];
    int type = header[9];
    Set<Remark> remarks = EnumSet.noneOf(Remark.class);
    Metadata metadata = metadata(chunks, remarks);
    Raster raster = raster(chunks, name);
    int turn = metadata.orientation();
    Plane[] planes;
    if (type == PALETTE) {
      planes = ofPalette(raster, chunks, turn, remarks, name);
    } else {
      int colours = (type & 2) == 0 ? 1 : 3;
      double top = (1 << bits) - 1;
      boolean opacity = (type & WITH_OPACITY) != 0;
      if (opacity && Rasters.anyTransparent(raster, colours, top)) {
        remarks.add(Remark.ON_WHITE);
      }
      planes =
          Rasters.planes(raster, new Layout(top, colours, opacity ? colours : -1, false, 1, turn));
      if (!opacity && chunks.get("tRNS") != null) {
        layKeyOnWhite(planes, chunks.get("tRNS"), top, remarks);
      }
    }
    Model model = planes.length == 1 ? Model.GREY : Model.RGB;
    return new Encoded(
        model,
        planes,
        type == PALETTE ? 8 : bits,
        PngColours.tag(chunks, model, name),
        metadata,
        remarks);
  }

  private static Metadata metadata(PngChunks chunks, Set<Remark> remarks) {
    if (!chunks.whole) {
      remarks.add(Remark.UNTIDY);
    }
    TiffDirectory exif = null;
    byte[] block = chunks.get("eXIf");
    if (block != null) {
      try {
        exif = TiffDirectory.read(block);
      } catch (IOException | RuntimeException e) {
        remarks.add(Remark.UNTIDY);
      }
    }
    return Metadata.of(exif, null, chunks.xmp);
  }

  private static Raster raster(PngChunks chunks, String name) throws IOException, Problem {
    return PlainPixels.with(
        "png",
        true,
        chunks.picture,
        reader -> {
          boolean[] damaged = new boolean[1];
          reader.addIIOReadWarningListener((source, warning) -> damaged[0] = true);
          Raster raster = reader.read(0).getRaster();
          if (damaged[0]) {
            throw new Problem(Kind.PICTURE_DAMAGED, name);
          }
          return raster;
        });
  }

  /** Entries of the palette, each laid on white by its own opacity. */
  private static Plane[] ofPalette(
      Raster raster, PngChunks chunks, int turn, Set<Remark> remarks, String name) throws Problem {
    byte[] palette = chunks.get("PLTE");
    byte[] opacity = chunks.get("tRNS");
    if (palette == null) {
      throw new Problem(Kind.PICTURE_DAMAGED, name);
    }
    float[][] colours = new float[3][palette.length / 3];
    for (int i = 0; i < palette.length / 3; i++) {
      float share = opacity == null || i >= opacity.length ? 1 : (opacity[i] & 0xFF) / 255f;
      if (share < 1) {
        remarks.add(Remark.ON_WHITE);
      }
      for (int c = 0; c < 3; c++) {
        colours[c][i] = (palette[3 * i + c] & 0xFF) / 255f * share + 1 - share;
      }
    }
    Plane index = PlainPixels.opaque(raster, 1, 1, turn)[0];
    Area area = index.area();
    Plane[] planes = {Plane.of(area), Plane.of(area), Plane.of(area)};
    for (int i = 0; i < index.values().length; i++) {
      int entry = (int) index.values()[i];
      if (entry >= colours[0].length) {
        throw new Problem(Kind.PICTURE_DAMAGED, name);
      }
      for (int c = 0; c < 3; c++) {
        planes[c].values()[i] = colours[c][entry];
      }
    }
    return planes;
  }

  /** One colour of the file stands for full transparency. */
  private static void layKeyOnWhite(Plane[] planes, byte[] key, double top, Set<Remark> remarks) {
    if (key.length < 2 * planes.length) {
      return;
    }
    float[] clear = new float[planes.length];
    for (int c = 0; c < clear.length; c++) {
      int sample = ByteBuffer.wrap(key).getShort(2 * c) & 0xFFFF & (int) top;
      clear[c] = sample * (float) (1 / top);
    }
    for (int i = 0; i < planes[0].values().length; i++) {
      boolean same = true;
      for (int c = 0; c < clear.length; c++) {
        same &= planes[c].values()[i] == clear[c];
      }
      if (same) {
        remarks.add(Remark.ON_WHITE);
        for (Plane plane : planes) {
          plane.values()[i] = 1;
        }
      }
    }
  }
}
