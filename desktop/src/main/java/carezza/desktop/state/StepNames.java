package carezza.desktop.state;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.Project;

/** What a step did, in a few words: told from the projects before and after it. */
public final class StepNames {

  private StepNames() {}

  public static String of(Project before, Project after) {
    if (!before.stack().equals(after.stack())) {
      return ofStacks(before.stack(), after.stack());
    }
    if (!Objects.equals(before.allFaces(), after.allFaces())) {
      return "Face map";
    }
    if (!Objects.equals(before.crop(), after.crop())) {
      return "Frame";
    }
    if (!before.pins().equals(after.pins())) {
      return "Pins";
    }
    return before.kept().equals(after.kept()) ? "Notes" : "Kept as the person's own";
  }

  private static String ofStacks(LayerStack before, LayerStack after) {
    List<Layer> added =
        after.layers().stream().filter(l -> before.indexOf(l.attributes().id()) < 0).toList();
    List<Layer> gone =
        before.layers().stream().filter(l -> after.indexOf(l.attributes().id()) < 0).toList();
    if (!added.isEmpty()) {
      return "Added " + names(added);
    }
    if (!gone.isEmpty()) {
      return "Removed " + names(gone);
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
        changes.add(ofLayers(was, now));
      }
    }
    if (moved != null) {
      return "Moved " + moved.attributes().name();
    }
    return changes.size() == 1 ? changes.getFirst() : changes.size() + " layers changed";
  }

  private static String names(List<Layer> layers) {
    return layers.size() == 1
        ? layers.getFirst().attributes().name()
        : layers.size() + " layers";
  }

  private static String ofLayers(Layer was, Layer now) {
    LayerAttributes before = was.attributes();
    LayerAttributes after = now.attributes();
    String name = after.name();
    if (!before.name().equals(name)) {
      return "Named " + name;
    }
    if (!Objects.equals(before.group(), after.group())) {
      return name + (after.group() == null ? ": out of its group" : ": into a group");
    }
    if (before.on() != after.on()) {
      return name + (after.on() ? " switched on" : " switched off");
    }
    if (before.amount() != after.amount()) {
      return "%s: amount %.0f %%".formatted(name, 100 * after.amount());
    }
    if (before.blend() != after.blend()) {
      return name + ": laid on as " + after.blend().title();
    }
    if (!before.mask().equals(after.mask())) {
      return name + ": where it acts";
    }
    return switch (now) {
      case HealLayer l -> repairs(name, (HealLayer) was, l);
      case DodgeBurnLayer l when !l.dodgeMask().equals(((DodgeBurnLayer) was).dodgeMask()) ->
          name + ": light";
      case DodgeBurnLayer l when !l.burnMask().equals(((DodgeBurnLayer) was).burnMask()) ->
          name + ": shade";
      default -> name + ": " + String.join(", ", changed(was, now));
    };
  }

  private static String repairs(String name, HealLayer was, HealLayer now) {
    int more = now.patches().size() - was.patches().size();
    if (more == 0) {
      return name + (now.patches().equals(was.patches()) ? ": how it joins" : ": a repair changed");
    }
    String count = Math.abs(more) == 1 ? "a repair" : Math.abs(more) + " repairs";
    return name + ": " + count + (more > 0 ? "" : " taken out");
  }

  /** Parameters of a layer that differ, as its record calls them. */
  private static List<String> changed(Layer was, Layer now) {
    List<String> names = new ArrayList<>();
    for (RecordComponent each : now.getClass().getRecordComponents()) {
      try {
        if (!Objects.equals(each.getAccessor().invoke(was), each.getAccessor().invoke(now))) {
          names.add(words(each.getName()));
        }
      } catch (ReflectiveOperationException e) {
        throw new IllegalStateException(each + " cannot be read", e);
      }
    }
    return names;
  }

  /** {@code keepColour} as {@code keep colour}. */
  private static String words(String name) {
    return name.replaceAll("([A-Z])", " $1").toLowerCase(java.util.Locale.ROOT);
  }
}
