package carezza.desktop.action;

import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.scene.input.KeyCombination;

import carezza.desktop.text.Texts;

/** Keys as they are written for the retoucher. */
final class KeyNames {

  private static final Texts TEXTS = Texts.of("keys");

  /** What is written on keys that the toolkit calls by words. */
  private static final Map<String, String> SIGNS =
      Map.of(
          "Open_Bracket", "[",
          "Close_Bracket", "]",
          "Comma", ",",
          "Period", ".",
          "Plus", "+",
          "Minus", "-",
          "Shortcut", "Ctrl");

  private KeyNames() {}

  static String of(KeyCombination key) {
    return Arrays.stream(key.getName().replace("'", "").split("\\+"))
        .map(name -> SIGNS.getOrDefault(name, name))
        .map(name -> TEXTS.has(name) ? TEXTS.get(name) : name)
        .collect(Collectors.joining(" + "));
  }
}
