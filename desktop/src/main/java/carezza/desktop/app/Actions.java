package carezza.desktop.app;

import java.nio.file.Path;

/** What the views ask of the window. */
public interface Actions {

  void askOpen();

  void open(Path file);

  /** Shows what earlier runs did not save, if there is anything. */
  void offerRecovery();

  void openUnderstudy();

  void openApothecary();
}
