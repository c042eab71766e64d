package carezza.desktop.state;

import java.io.IOException;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Properties;

import org.jspecify.annotations.Nullable;

import carezza.file.ApplicationFolder;
import carezza.file.AtomicFile;
import carezza.problem.Problem;

/**
 * Values by name that outlive the program. What cannot be kept is forgotten, as none of it is
 * anybody's work.
 */
public final class Settings {

  private final Path file;

  public Settings(Path file) {
    this.file = file;
  }

  public String get(String name, String otherwise) {
    return read().getProperty(name, otherwise);
  }

  /** What was set, or null. */
  public @Nullable String get(String name) {
    return read().getProperty(name);
  }

  public void set(String name, String value) {
    Properties all = read();
    if (value.equals(all.put(name, value))) {
      return;
    }
    try {
      ApplicationFolder.makePrivate(Objects.requireNonNull(file.toAbsolutePath().getParent()));
      AtomicFile.replacing(file)
          .write(
              out -> {
                StringBuilder text = new StringBuilder();
                for (String key : all.stringPropertyNames()) {
                  text.append(key).append('=').append(escaped(all.getProperty(key))).append('\n');
                }
                out.write(text.toString().getBytes(StandardCharsets.UTF_8));
              });
    } catch (IOException | Problem e) {
      System.getLogger(Settings.class.getName())
          .log(System.Logger.Level.WARNING, "Settings not kept", e);
    }
  }

  private static String escaped(String value) {
    return value.replace("\\", "\\\\").replace("\n", "\\n");
  }

  private Properties read() {
    Properties all = new Properties();
    try (Reader in = Files.newBufferedReader(file)) {
      all.load(in);
    } catch (IOException | IllegalArgumentException e) {
      // Nothing has been set yet, or nothing that can be read.
      all.clear();
    }
    return all;
  }
}
