package carezza.desktop.app;

import java.nio.file.Path;

/** What the views ask of the window. */
interface Actions {

  void askOpen();

  void open(Path file);

  void recover();

  void openUnderstudy();

  void openApothecary();
}
