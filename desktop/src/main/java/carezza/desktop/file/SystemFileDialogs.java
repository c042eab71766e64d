package carezza.desktop.file;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;

import org.jspecify.annotations.Nullable;

import carezza.codec.PictureReader;
import carezza.desktop.text.Texts;
import carezza.project.ProjectFile;

/** The system's own windows for files. */
public final class SystemFileDialogs implements FileDialogs {

  private static final Texts TEXTS = Texts.of("app");

  private static final List<String> PICTURES =
      List.of("jpg", "jpeg", "png", "tif", "tiff", "webp", "dng");

  private final Supplier<Window> owner;
  private @Nullable Path last;

  public SystemFileDialogs(Supplier<Window> owner) {
    this.owner = owner;
  }

  @Override
  public Optional<Path> open() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(TEXTS.get("systemFileDialogs.open-a-photograph-or-a-project"));
    String[] endings =
        Stream.concat(
                PICTURES.stream()
                    .flatMap(e -> Stream.of("*." + e, "*." + e.toUpperCase(Locale.ROOT))),
                Stream.of("*" + ProjectFile.ENDING))
            .toArray(String[]::new);
    chooser
        .getExtensionFilters()
        .addAll(
            new ExtensionFilter(TEXTS.get("systemFileDialogs.photographs-and-projects"), endings),
            new ExtensionFilter(TEXTS.get("systemFileDialogs.all-files"), "*.*", "*"));
    return picked(in(chooser, last).showOpenDialog(owner.get()));
  }

  @Override
  public Optional<Path> folder() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle(TEXTS.get("systemFileDialogs.open-a-folder"));
    if (last != null && Files.isDirectory(last)) {
      chooser.setInitialDirectory(last.toFile());
    }
    return Optional.ofNullable(chooser.showDialog(owner.get()))
        .map(f -> f.toPath().toAbsolutePath());
  }

  @Override
  public Optional<Path> save(Path proposal) {
    String name = PictureReader.name(proposal);
    boolean project = name.endsWith(ProjectFile.ENDING);
    String ending = name.substring(name.lastIndexOf('.'));
    FileChooser chooser = new FileChooser();
    chooser.setTitle(
        TEXTS.get(
            project ? "systemFileDialogs.save-the-project" : "systemFileDialogs.write-the-file"));
    chooser.setInitialFileName(name);
    chooser
        .getExtensionFilters()
        .add(
            new ExtensionFilter(
                project
                    ? TEXTS.get("systemFileDialogs.projects")
                    : ending.substring(1).toUpperCase(Locale.ROOT),
                "*" + ending));
    return picked(in(chooser, proposal.getParent()).showSaveDialog(owner.get()));
  }

  private static FileChooser in(FileChooser chooser, @Nullable Path folder) {
    if (folder != null && Files.isDirectory(folder)) {
      chooser.setInitialDirectory(folder.toFile());
    }
    return chooser;
  }

  private Optional<Path> picked(File file) {
    if (file == null) {
      return Optional.empty();
    }
    last = file.toPath().toAbsolutePath().getParent();
    return Optional.of(file.toPath().toAbsolutePath());
  }
}
