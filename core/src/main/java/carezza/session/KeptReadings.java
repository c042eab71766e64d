package carezza.session;

import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.lang.System.Logger.Level;
import java.util.LinkedHashMap;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.kernel.Measurements;
import carezza.kernel.MeasurementsFile;
import carezza.render.Fingerprint;
import carezza.render.ReadingStore;

/** What layers measured on a photograph, kept for when it is opened again. */
final class KeptReadings implements ReadingStore {

  private static final System.Logger LOG = System.getLogger(KeptReadings.class.getName());

  /** Of the last few ways the stack stood. */
  private static final int MOST = 200;

  private final KeptFiles files;
  private final String content;
  private @Nullable Map<Fingerprint, Measurements> known;

  /**
   * @param content fingerprint of the photograph's file
   */
  KeptReadings(KeptFiles files, String content) {
    this.files = files;
    this.content = content;
  }

  @Override
  public synchronized @Nullable Measurements find(Fingerprint key) {
    return known().get(key);
  }

  @Override
  public synchronized void keep(Fingerprint key, Measurements read) {
    if (MeasurementsFile.holds(read)) {
      known().put(key, read);
      files.write("readings " + content, this::write, "readings", content);
    }
  }

  private Map<Fingerprint, Measurements> known() {
    Map<Fingerprint, Measurements> all = known;
    if (all == null) {
      all =
          new LinkedHashMap<>(16, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<Fingerprint, Measurements> eldest) {
              return size() > MOST;
            }
          };
      byte[] bytes = files.read("readings", content);
      if (bytes != null) {
        read(bytes, all);
      }
      known = all;
    }
    return all;
  }

  private static void read(byte[] bytes, Map<Fingerprint, Measurements> all) {
    try {
      DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes));
      int count = in.readInt();
      for (int i = 0; i < count; i++) {
        Fingerprint key = new Fingerprint(in.readLong(), in.readLong());
        all.put(key, MeasurementsFile.read(in));
      }
    } catch (IOException e) {
      LOG.log(Level.WARNING, "Readings not read", e);
    }
  }

  private synchronized void write(DataOutputStream out) throws IOException {
    Map<Fingerprint, Measurements> all = known();
    out.writeInt(all.size());
    for (Map.Entry<Fingerprint, Measurements> one : all.entrySet()) {
      out.writeLong(one.getKey().one());
      out.writeLong(one.getKey().two());
      MeasurementsFile.write(one.getValue(), out);
    }
  }
}
