package carezza.client;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.problem.Problem;
import carezza.project.AnswerFile;
import carezza.set.Answer;
import carezza.set.Answer.Kind;

/**
 * A folder that a studio and its client share. Files are laid into {@code incoming}; the client
 * takes them to {@code received} and lays an answer beside them in {@code answers}. Which
 * photograph a file was made of is kept in {@code sent.json}, so that an answer finds its picture.
 */
public final class DropBox {

  private final Path folder;

  public DropBox(Path folder) {
    this.folder = folder;
  }

  public Path folder() {
    return folder;
  }

  Path incoming() {
    return folder.resolve("incoming");
  }

  Path received() {
    return folder.resolve("received");
  }

  private Path answersFolder() {
    return folder.resolve("answers");
  }

  private Path ledger() {
    return folder.resolve("sent.json");
  }

  /**
   * Lays copies of files into the box. One of the same name goes in its place, and what was said to
   * that no longer counts.
   *
   * @param photograph of the set that they were made of
   */
  public void send(List<Path> files, String photograph) throws Problem {
    Map<String, String> sent = sent();
    for (Path file : files) {
      String name = PictureReader.name(file);
      byte[] bytes = PictureReader.bytes(file);
      makeFolders();
      AtomicFile.replacing(incoming().resolve(name)).write(out -> out.write(bytes));
      remove(answersFolder().resolve(name + AnswerFile.ENDING));
      sent.put(name, photograph);
    }
    AtomicFile.replacing(ledger()).write(out -> out.write(AnswerFile.text(sent)));
  }

  /** What is said to each file that was sent, by name. */
  public List<Answer> answers() throws Problem {
    List<Answer> answers = new ArrayList<>();
    for (Map.Entry<String, String> sent : sent().entrySet()) {
      Path said = answersFolder().resolve(sent.getKey() + AnswerFile.ENDING);
      answers.add(
          Files.exists(said)
              ? AnswerFile.read(said, sent.getKey(), sent.getValue())
              : new Answer(sent.getKey(), sent.getValue(), Kind.SENT, ""));
    }
    return answers;
  }

  /** Files that the client has not taken yet, by name. */
  List<Path> waiting() throws Problem {
    if (!Files.isDirectory(incoming())) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(incoming())) {
      return files
          .filter(f -> Files.isRegularFile(f) && !PictureReader.name(f).startsWith("."))
          .sorted()
          .toList();
    } catch (IOException e) {
      throw new Problem(e, Problem.Kind.FILE_UNREADABLE, incoming(), Reason.of(e));
    }
  }

  /** Takes a file over, as the client, and says something to it. */
  void answer(Path file, Kind kind, String words) throws Problem {
    String name = PictureReader.name(file);
    makeFolders();
    try {
      Files.move(file, received().resolve(name), StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw new Problem(e, Problem.Kind.FILE_NOT_WRITTEN, received().resolve(name), Reason.of(e));
    }
    AtomicFile.replacing(answersFolder().resolve(name + AnswerFile.ENDING))
        .write(out -> out.write(AnswerFile.text(kind, words)));
  }

  private Map<String, String> sent() throws Problem {
    return Files.exists(ledger()) ? AnswerFile.readSent(ledger()) : new TreeMap<>();
  }

  private void makeFolders() throws Problem {
    for (Path each : List.of(incoming(), received(), answersFolder())) {
      try {
        Files.createDirectories(each);
      } catch (IOException e) {
        throw new Problem(e, Problem.Kind.FILE_NOT_WRITTEN, each, Reason.of(e));
      }
    }
  }

  private static void remove(Path file) throws Problem {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      throw new Problem(e, Problem.Kind.FILE_NOT_WRITTEN, file, Reason.of(e));
    }
  }
}
