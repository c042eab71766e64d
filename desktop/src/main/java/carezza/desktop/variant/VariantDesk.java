package carezza.desktop.variant;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.Beside;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.ViewState;
import carezza.desktop.text.Texts;
import carezza.model.Project;
import carezza.model.Variant;
import carezza.model.Variants;

/** The variants of the document at work; each change is a step that can be undone. */
public final class VariantDesk {

  private static final Texts TEXTS = Texts.of("variants");

  private final DocumentState document;
  private final ViewState view;

  public VariantDesk(DocumentState document, ViewState view) {
    this.document = document;
    this.view = view;
  }

  /** Whether there is room for one more. */
  public boolean hasRoom() {
    return !document.isEmpty() && document.settled().allVariants().size() < Variants.MOST;
  }

  /** Doubles the variant at work; the double is at work then. */
  public void doubleIt() {
    if (hasRoom()) {
      Variants now = document.settled().variants();
      String own = now.isEmpty() ? TEXTS.get("first") : now.name();
      document.edit(null, p -> p.doubled(own, fresh(p, own)));
    }
  }

  private static String fresh(Project project, String own) {
    List<String> names = project.variants().names();
    int number = Math.max(2, names.size() + 1);
    String name = TEXTS.get("numbered", number);
    while (names.contains(name) || name.equals(own)) {
      number++;
      name = TEXTS.get("numbered", number);
    }
    return name;
  }

  /** Puts another to work. */
  public void goTo(int place) {
    if (place != document.settled().variants().place()) {
      document.edit(null, p -> p.atVariant(place));
    }
  }

  /** The next in turn. */
  public void next() {
    if (!document.isEmpty()) {
      int all = document.settled().allVariants().size();
      goTo((document.settled().variants().place() + 1) % all);
    }
  }

  public void remove(int place) {
    document.edit(null, p -> p.withoutVariant(place));
  }

  /**
   * Calls one otherwise.
   *
   * @return what is wrong with the name, or nothing
   */
  public String rename(int place, String given) {
    String name = given.strip();
    List<String> names = document.settled().variants().names();
    if (names.isEmpty() || names.get(place).equals(name)) {
      return "";
    }
    if (name.isEmpty()) {
      return TEXTS.get("no-name");
    }
    if (names.contains(name)) {
      return TEXTS.get("name-taken", name);
    }
    document.edit(null, p -> p.atVariant(place).variantNamed(name).atVariant(p.variants().place()));
    return "";
  }

  /** Sets one beside the one at work, as it is and as it will be. */
  public void setBeside(int place) {
    Variant one = document.settled().allVariants().get(place);
    view.besideProperty().set(new Beside(one.name(), null, p -> named(p, one.name())));
    view.comparisonProperty().set(Comparison.BESIDE);
  }

  /** The project with the variant of a name at work, or null if there is none. */
  private static @Nullable Project named(Project project, String name) {
    int place = project.variants().names().indexOf(name);
    return place < 0 ? null : project.atVariant(place);
  }
}
