package carezza.desktop.file;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;

import carezza.codec.PictureReader;
import carezza.desktop.dialog.ReplaceSheet;
import carezza.desktop.dialog.Sheets;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Status;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.file.AtomicFile;

/** Writes what is no picture and no project to a file that is asked for. */
public final class FileWrites implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private final AppState state;
  private final FileDialogs dialogs;
  private final Sheets sheets;
  private final Lane writing;

  public FileWrites(AppState state, FileDialogs dialogs, Sheets sheets) {
    this.state = state;
    this.dialogs = dialogs;
    this.sheets = sheets;
    writing = state.tasks().lane("files of other kinds");
  }

  /**
   * Asks where to, and writes there.
   *
   * @param proposal folder and name, whose ending is kept
   */
  public void ask(Path proposal, Lane.Work<byte[]> content) {
    String name = PictureReader.name(proposal);
    String ending = name.substring(name.lastIndexOf('.'));
    dialogs
        .save(proposal)
        .map(file -> ended(file, ending))
        .ifPresent(
            file -> {
              if (Files.exists(file)) {
                sheets.show(
                    new ReplaceSheet(
                        file,
                        () -> {
                          sheets.close();
                          write(file, content);
                        },
                        sheets::close));
              } else {
                write(file, content);
              }
            });
  }

  private static Path ended(Path file, String ending) {
    String name = PictureReader.name(file);
    return name.toLowerCase(Locale.ROOT).endsWith(ending)
        ? file
        : file.resolveSibling(name + ending);
  }

  private void write(Path file, Lane.Work<byte[]> content) {
    Status.Job job =
        state
            .status()
            .begin(TEXTS.get("fileWrites.writing", PictureReader.name(file)), writing::cancel);
    writing.newest(
        cancellation -> {
          AtomicFile target = AtomicFile.replacing(file);
          target.check();
          byte[] bytes = content.run(cancellation);
          target.write(out -> out.write(bytes));
          return file;
        },
        done -> state.status().say(TEXTS.get("fileWrites.written", done)),
        state.status()::fail,
        job::end);
  }

  @Override
  public void close() {
    writing.finish();
  }
}
