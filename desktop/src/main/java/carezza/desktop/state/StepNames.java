package carezza.desktop.state;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;

import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.model.Brief;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.model.Variants;

/** What a step did, in a few words: told from the projects before and after it. */
public final class StepNames {

  private static final Texts TEXTS = Texts.of("state");
  private static final Texts LAYERS = Texts.of("layers");

  private StepNames() {}

  public static String of(Project before, Project after) {
    if (!before.variants().equals(after.variants())) {
      return ofVariants(before.variants(), after.variants());
    }
    if (!before.stack().equals(after.stack())) {
      return ofStacks(before.stack(), after.stack());
    }
    if (!Objects.equals(before.allFaces(), after.allFaces())) {
      return TEXTS.get("stepNames.face-map");
    }
    if (!Objects.equals(before.crop(), after.crop())) {
      return TEXTS.get("stepNames.frame");
    }
    if (!before.pins().equals(after.pins())) {
      return TEXTS.get("stepNames.pins");
    }
    if (!before.brief().equals(after.brief())) {
      return ofBriefs(before.brief(), after.brief());
    }
    return before.kept().equals(after.kept())
        ? TEXTS.get("stepNames.notes")
        : TEXTS.get("stepNames.kept-as-the-persons-own");
  }

  private static String ofVariants(Variants before, Variants after) {
    List<String> added = new ArrayList<>(after.names());
    added.removeAll(before.names());
    List<String> gone = new ArrayList<>(before.names());
    gone.removeAll(after.names());
    if (before.names().size() < after.names().size()) {
      return TEXTS.get("stepNames.variant-doubled", after.name());
    }
    if (before.names().size() > after.names().size()) {
      return TEXTS.get("stepNames.variant-out", gone.getFirst());
    }
    return added.isEmpty()
        ? TEXTS.get("stepNames.variant-at-work", after.name())
        : TEXTS.get("stepNames.variant-named", added.getFirst());
  }

  private static String ofBriefs(Brief before, Brief after) {
    if (!before.job().equals(after.job())) {
      return TEXTS.get("stepNames.job", PlanWords.job(after.job()));
    }
    if (!before.limits().equals(after.limits())) {
      return TEXTS.get("stepNames.numbers-of-the-job");
    }
    if (!before.left().equals(after.left())) {
      return TEXTS.get(
          before.left().size() < after.left().size()
              ? "stepNames.left-as-it-is"
              : "stepNames.taken-up-again");
    }
    return TEXTS.get(
        before.promises().equals(after.promises())
            ? "stepNames.size-and-minutes"
            : "stepNames.promises");
  }

  private static String ofStacks(LayerStack before, LayerStack after) {
    List<Layer> added =
        after.layers().stream().filter(l -> before.indexOf(l.attributes().id()) < 0).toList();
    List<Layer> gone =
        before.layers().stream().filter(l -> after.indexOf(l.attributes().id()) < 0).toList();
    if (!added.isEmpty()) {
      return TEXTS.get("stepNames.added", names(added));
    }
    if (!gone.isEmpty()) {
      return TEXTS.get("stepNames.removed", names(gone));
    }
    List<String> changes = new ArrayList<>();
    Layer moved = null;
    for (Layer now : after.layers()) {
      String id = now.attributes().id();
      Layer was = before.find(id).orElseThrow();
      if (was.attributes().stage() != now.attributes().stage()
          || before.indexOf(id) != after.indexOf(id)) {
        moved = moved == null ? now : moved;
      } else if (!was.equals(now)) {
        changes.add(of(was, now));
      }
    }
    if (moved != null) {
      return TEXTS.get("stepNames.moved", moved.attributes().name());
    }
    return changes.size() == 1
        ? changes.getFirst()
        : TEXTS.get("stepNames.layers-changed", changes.size());
  }

  private static String names(List<Layer> layers) {
    return layers.size() == 1
        ? layers.getFirst().attributes().name()
        : TEXTS.get("stepNames.layers", layers.size());
  }

  /** What a layer has become, or has otherwise elsewhere. */
  public static String of(Layer was, Layer now) {
    LayerAttributes before = was.attributes();
    LayerAttributes after = now.attributes();
    String name = after.name();
    if (!before.name().equals(name)) {
      return TEXTS.get("stepNames.named", name);
    }
    if (!Objects.equals(before.group(), after.group())) {
      return after.group() == null
          ? TEXTS.get("stepNames.out-of-its-group", name)
          : TEXTS.get("stepNames.into-a-group", name);
    }
    if (before.on() != after.on()) {
      return after.on()
          ? TEXTS.get("stepNames.switched-on", name)
          : TEXTS.get("stepNames.switched-off", name);
    }
    if (before.amount() != after.amount()) {
      return TEXTS.get("stepNames.amount", name, 100 * after.amount());
    }
    if (before.blend() != after.blend()) {
      return TEXTS.get("stepNames.laid-on-as", name, Names.of(after.blend()));
    }
    if (!before.mask().equals(after.mask())) {
      return TEXTS.get("stepNames.where-it-acts", name);
    }
    return switch (now) {
      case HealLayer l -> repairs(name, (HealLayer) was, l);
      case DodgeBurnLayer l when !l.dodgeMask().equals(((DodgeBurnLayer) was).dodgeMask()) ->
          TEXTS.get("stepNames.light", name);
      case DodgeBurnLayer l when !l.burnMask().equals(((DodgeBurnLayer) was).burnMask()) ->
          TEXTS.get("stepNames.shade", name);
      default -> name + ": " + String.join(", ", changed(was, now));
    };
  }

  private static String repairs(String name, HealLayer was, HealLayer now) {
    int more = now.patches().size() - was.patches().size();
    if (more == 0) {
      return now.patches().equals(was.patches())
          ? TEXTS.get("stepNames.how-it-joins", name)
          : TEXTS.get("stepNames.a-repair-changed", name);
    }
    if (Math.abs(more) == 1) {
      return more > 0
          ? TEXTS.get("stepNames.a-repair", name)
          : TEXTS.get("stepNames.a-repair-taken-out", name);
    }
    return more > 0
        ? TEXTS.get("stepNames.repairs", name, more)
        : TEXTS.get("stepNames.repairs-taken-out", name, -more);
  }

  /** What of a layer differs, as its panel calls it. */
  private static List<String> changed(Layer was, Layer now) {
    List<String> names = new ArrayList<>();
    for (RecordComponent each : now.getClass().getRecordComponents()) {
      try {
        if (!Objects.equals(each.getAccessor().invoke(was), each.getAccessor().invoke(now))) {
          names.add(words(now, each.getName()));
        }
      } catch (ReflectiveOperationException e) {
        throw new IllegalStateException(each + " cannot be read", e);
      }
    }
    return names;
  }

  /** The number's name; {@code luminance} as it is where no number is called that. */
  private static String words(Layer layer, String name) {
    String key = LayerType.of(layer).key() + "." + name;
    return LAYERS.has(key)
        ? LAYERS.get(key)
        : name.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT);
  }
}
