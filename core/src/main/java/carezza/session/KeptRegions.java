package carezza.session;

import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.lang.System.Logger.Level;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Supplier;

import org.jspecify.annotations.Nullable;

import carezza.mask.Regions;
import carezza.mask.RegionsFile;
import carezza.model.FaceMap;

/** The regions of a photograph, found once for each of its face maps and kept. */
final class KeptRegions {

  private static final System.Logger LOG = System.getLogger(KeptRegions.class.getName());

  private final KeptFiles files;
  private final String content;

  /**
   * @param content fingerprint of the photograph's file
   */
  KeptRegions(KeptFiles files, String content) {
    this.files = files;
    this.content = content;
  }

  /** What is kept, or else found now. */
  Regions of(List<FaceMap> faces, Supplier<Regions> find) {
    Object[] from = from(faces);
    Regions known = read(files.read(from), faces);
    if (known != null) {
      return known;
    }
    Regions found = find.get();
    // A correction takes the place of what it corrected.
    files.write("regions " + content, out -> RegionsFile.write(found, out), from);
    return found;
  }

  /** Which parts were put right by hand is not among what regions follow from. */
  private Object[] from(List<FaceMap> faces) {
    List<@Nullable Object> from = new ArrayList<>();
    Collections.addAll(from, "regions", content);
    for (FaceMap face : faces) {
      Collections.addAll(
          from,
          face.oval(),
          face.leftPupil(),
          face.rightPupil(),
          face.leftMouth(),
          face.rightMouth(),
          face.outlines());
    }
    return from.toArray();
  }

  private static @Nullable Regions read(byte @Nullable [] bytes, List<FaceMap> faces) {
    if (bytes == null) {
      return null;
    }
    try {
      return RegionsFile.read(new DataInputStream(new ByteArrayInputStream(bytes)), faces);
    } catch (IOException e) {
      LOG.log(Level.WARNING, "Regions not read", e);
      return null;
    }
  }
}
