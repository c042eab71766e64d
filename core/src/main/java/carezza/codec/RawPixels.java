package carezza.codec;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

import carezza.metadata.Metadata;
import carezza.metadata.TiffDirectory;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.raw.LibRaw;
import carezza.raw.RawPhotograph;

/** Raw photographs: DNG by ourselves, makers' own formats by the machine's library. */
final class RawPixels {

  /** Makers' formats that are no TIFF stream: where their marks stand. */
  private record Mark(int at, String word) {}

  private static final List<Mark> MARKS =
      List.of(
          new Mark(0, "FUJIFILMCCD-RAW"),
          new Mark(4, "ftypcrx "),
          new Mark(0, "FOVb"),
          new Mark(0, "\0MRM"),
          new Mark(0, "IIRO"),
          new Mark(0, "IIRS"),
          new Mark(0, "MMOR"),
          new Mark(0, "IIU\0"));

  private RawPixels() {}

  static boolean isRaw(byte[] file) {
    return MARKS.stream()
        .anyMatch(
            m ->
                file.length > m.at() + m.word().length()
                    && new String(file, m.at(), m.word().length(), StandardCharsets.ISO_8859_1)
                        .equals(m.word()));
  }

  static boolean isRaw(byte[] file, TiffDirectory root) {
    boolean marked = file.length > 10 && file[8] == 'C' && file[9] == 'R';
    return marked || RawPhotograph.isDng(root) || RawPhotograph.holdsRaw(root);
  }

  static Photograph read(byte[] file, TiffDirectory root, String name) throws IOException, Problem {
    Metadata metadata = Metadata.of(root);
    if (!RawPhotograph.isDng(root)) {
      return byMachine(file, metadata, name);
    }
    String why = RawPhotograph.unreadable(root);
    if (why != null) {
      if (LibRaw.ofMachine().isPresent()) {
        return byMachine(file, metadata, name);
      }
      throw new Problem(Kind.PICTURE_UNSUPPORTED, name, why);
    }
    long[] size = RawPhotograph.size(root);
    PictureReader.requireRoom(size[0], size[1], name);
    int turn = metadata.orientation();
    RawPhotograph raw = RawPhotograph.read(file, root).turned(plane -> Rasters.turned(plane, turn));
    return photograph(raw, "DNG, camera colours", metadata);
  }

  static Photograph byMachine(byte[] file, String name) throws Problem {
    return byMachine(file, Metadata.NONE, name);
  }

  private static Photograph byMachine(byte[] file, Metadata metadata, String name) throws Problem {
    LibRaw library =
        LibRaw.ofMachine().orElseThrow(() -> new Problem(Kind.RAW_NEEDS_LIBRARY, name));
    try {
      return photograph(library.read(file), "raw, camera colours", metadata);
    } catch (IOException e) {
      throw new Problem(e, Kind.PICTURE_UNSUPPORTED, name, "LibRaw: " + e.getMessage());
    }
  }

  private static Photograph photograph(RawPhotograph raw, String profile, Metadata metadata) {
    Set<Remark> remarks = EnumSet.of(Remark.FROM_SENSOR);
    if (raw.uncorrected()) {
      remarks.add(Remark.LENS_UNCORRECTED);
    }
    return new Photograph(raw.pixels(), raw.bits(), profile, metadata, remarks, raw.sensor());
  }
}
