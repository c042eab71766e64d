package carezza.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * What differs between two variants of a picture.
 *
 * @param onlyHere layers that the first has alone
 * @param onlyThere layers that the second has alone
 * @param changed layers of both that are not the same
 * @param order whether those of both lie in another order
 * @param frame whether another part of the picture is delivered
 */
public record StackDifference(
    List<Layer> onlyHere,
    List<Layer> onlyThere,
    List<Changed> changed,
    boolean order,
    boolean frame) {

  /** A layer as it is in the one and in the other. */
  public record Changed(Layer here, Layer there) {}

  public StackDifference {
    onlyHere = List.copyOf(onlyHere);
    onlyThere = List.copyOf(onlyThere);
    changed = List.copyOf(changed);
  }

  public static StackDifference between(Variant here, Variant there) {
    List<Layer> onlyHere = new ArrayList<>();
    List<Changed> changed = new ArrayList<>();
    List<String> shared = new ArrayList<>();
    for (Layer own : here.stack().layers()) {
      Optional<Layer> other = there.stack().find(own.attributes().id());
      if (other.isEmpty()) {
        onlyHere.add(own);
        continue;
      }
      shared.add(own.attributes().id());
      if (!own.equals(other.get())) {
        changed.add(new Changed(own, other.get()));
      }
    }
    List<String> sharedThere =
        there.stack().layers().stream()
            .map(l -> l.attributes().id())
            .filter(shared::contains)
            .toList();
    List<Layer> onlyThere =
        there.stack().layers().stream()
            .filter(l -> here.stack().find(l.attributes().id()).isEmpty())
            .toList();
    return new StackDifference(
        onlyHere,
        onlyThere,
        changed,
        !shared.equals(sharedThere),
        !Objects.equals(here.crop(), there.crop()));
  }

  public boolean isEmpty() {
    return onlyHere.isEmpty() && onlyThere.isEmpty() && changed.isEmpty() && !order && !frame;
  }
}
