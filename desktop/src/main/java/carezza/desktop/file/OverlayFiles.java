package carezza.desktop.file;

import java.nio.file.Path;

import carezza.codec.PictureReader;
import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.file.Originals;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.problem.Problem;

/** Files that are laid over the picture: small ones go into the project, large ones are linked. */
public final class OverlayFiles {

  /** Bytes up to which a file goes along in the project, with which it is written at each step. */
  private static final int LARGEST_INSIDE = 1 << 22;

  private final AppState state;
  private final FileDialogs dialogs;
  private final Lane reading;

  public OverlayFiles(AppState state, FileDialogs dialogs) {
    this.state = state;
    this.dialogs = dialogs;
    reading = state.tasks().lane("overlay");
  }

  /** Asks for the picture of the overlay in hand. */
  public void ask() {
    OverlayLayer layer = state.selection().layer(OverlayLayer.class).orElse(null);
    if (layer != null) {
      dialogs.open().ifPresent(file -> lay(file, layer.attributes().id()));
    }
  }

  private void lay(Path file, String layer) {
    reading.newest(
        cancellation -> read(file),
        picture ->
            state.document().edit(null, p -> p.edit(layer, l -> ((OverlayLayer) l).with(picture))),
        state.status()::fail);
  }

  private static OverlayPicture read(Path file) throws Problem {
    byte[] bytes = PictureReader.bytes(file);
    String name = PictureReader.name(file);
    // What cannot be read is said now, and not found out in the picture.
    PictureReader.decode(bytes, name);
    Originals.protect(file);
    boolean inside = bytes.length <= LARGEST_INSIDE;
    return OverlayPicture.of(
        name,
        Originals.sha256(bytes),
        file.toAbsolutePath().normalize().toString(),
        inside ? bytes : null);
  }
}
