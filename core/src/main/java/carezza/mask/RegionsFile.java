package carezza.mask;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

import carezza.model.FaceMap;
import carezza.model.SemanticRegion;

/** Regions in a file, to be had again for the same photograph and face maps. */
public final class RegionsFile {

  private RegionsFile() {}

  public static void write(Regions regions, DataOutput out) throws IOException {
    out.writeInt(regions.level());
    out.writeInt(regions.found().size());
    for (Map.Entry<SemanticRegion, StoredCoverage> one : regions.found().entrySet()) {
      out.writeUTF(one.getKey().name());
      one.getValue().write(out);
    }
  }

  /**
   * @param maps of the faces that the regions were found of
   * @throws IOException if they are damaged, or not of these maps
   */
  public static Regions read(DataInput in, List<FaceMap> maps) throws IOException {
    int level = in.readInt();
    int count = in.readInt();
    if (level != Regions.level(maps.getFirst()) || count != SemanticRegion.values().length) {
      throw new IOException("No regions of these faces");
    }
    Map<SemanticRegion, StoredCoverage.Packed> packed = new EnumMap<>(SemanticRegion.class);
    for (int i = 0; i < count; i++) {
      packed.put(region(in.readUTF()), StoredCoverage.read(in));
    }
    Map<SemanticRegion, StoredCoverage> found = new EnumMap<>(SemanticRegion.class);
    try {
      packed.entrySet().parallelStream()
          .map(one -> Map.entry(one.getKey(), unpacked(one.getValue())))
          .toList()
          .forEach(one -> found.put(one.getKey(), one.getValue()));
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    return new Regions(maps, level, found);
  }

  private static SemanticRegion region(String name) throws IOException {
    try {
      return SemanticRegion.valueOf(name);
    } catch (IllegalArgumentException e) {
      throw new IOException(e);
    }
  }

  private static StoredCoverage unpacked(StoredCoverage.Packed packed) {
    try {
      return packed.unpacked();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
