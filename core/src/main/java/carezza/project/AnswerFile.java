package carezza.project;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.PictureReader;
import carezza.problem.Problem;
import carezza.set.Answer;
import carezza.set.Answer.Kind;

/** Files of a drop-box as JSON: what a client says to a picture, and what was sent. */
public final class AnswerFile {

  public static final String ENDING = ".json";

  private static final int VERSION = 1;

  private AnswerFile() {}

  public static byte[] text(Kind kind, String words) {
    ObjectNode node = fresh();
    node.put("answer", kind.name().toLowerCase(Locale.ROOT));
    node.put("words", words);
    return ModelJson.text(node);
  }

  /**
   * @param of name of the picture's file
   * @param photograph of the set that it was made of
   * @throws Problem if it holds no answer
   */
  public static Answer read(Path file, String of, String photograph) throws Problem {
    JsonNode node = parsed(file);
    String given = node.path("answer").asString("");
    for (Kind kind : Kind.values()) {
      if (kind.name().equalsIgnoreCase(given)) {
        return new Answer(of, photograph, kind, node.path("words").asString(""));
      }
    }
    throw new Problem(Problem.Kind.ANSWER_INVALID, PictureReader.name(file), given);
  }

  /** Photographs by the files that were made of them. */
  public static byte[] text(Map<String, String> sent) {
    ObjectNode node = fresh();
    ObjectNode files = node.putObject("files");
    sent.forEach(files::put);
    return ModelJson.text(node);
  }

  public static Map<String, String> readSent(Path file) throws Problem {
    Map<String, String> sent = new TreeMap<>();
    for (Map.Entry<String, JsonNode> one : parsed(file).path("files").properties()) {
      sent.put(one.getKey(), one.getValue().asString(""));
    }
    return sent;
  }

  private static ObjectNode fresh() {
    ObjectNode node = JsonMapper.shared().createObjectNode();
    node.put("version", VERSION);
    return node;
  }

  private static JsonNode parsed(Path file) throws Problem {
    byte[] bytes = PictureReader.bytes(file);
    try {
      return ModelJson.parse(bytes);
    } catch (IllegalArgumentException e) {
      String begins = new String(bytes, 0, Math.min(bytes.length, 20), StandardCharsets.UTF_8);
      throw new Problem(e, Problem.Kind.ANSWER_INVALID, PictureReader.name(file), begins.strip());
    }
  }
}
