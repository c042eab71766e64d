package carezza.desktop.variant;

import java.util.ArrayList;
import java.util.List;

import carezza.desktop.state.StepNames;
import carezza.desktop.text.Texts;
import carezza.model.StackDifference;
import carezza.model.Variant;

/** What tells variants apart, in words. */
public final class VariantWords {

  private static final Texts TEXTS = Texts.of("variants");

  private VariantWords() {}

  /** What the other has otherwise than this one, line by line. */
  public static List<String> differences(Variant here, Variant there) {
    StackDifference found = StackDifference.between(here, there);
    List<String> lines = new ArrayList<>();
    found.onlyThere().forEach(l -> lines.add(TEXTS.get("only-there", l.attributes().name())));
    found.onlyHere().forEach(l -> lines.add(TEXTS.get("only-here", l.attributes().name())));
    found.changed().forEach(c -> lines.add(StepNames.of(c.here(), c.there())));
    if (found.order()) {
      lines.add(TEXTS.get("order"));
    }
    if (found.frame()) {
      lines.add(TEXTS.get("frame"));
    }
    if (lines.isEmpty()) {
      lines.add(TEXTS.get("same"));
    }
    return lines;
  }
}
