package carezza.desktop.text;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

import carezza.model.FaceMap;

/**
 * What the people in a picture are called: by their places from the left.
 *
 * @param fromTheLeft places in the project's faces
 */
public record Persons(List<Integer> fromTheLeft) {

  /** Instead of a person: all of them together. */
  public static final int EVERYONE = -1;

  private static final Texts NAMES = Texts.of("names");

  public static Persons of(List<FaceMap> faces) {
    return new Persons(
        IntStream.range(0, faces.size())
            .boxed()
            .sorted(Comparator.comparingDouble(i -> faces.get(i).oval().x()))
            .toList());
  }

  /** All of them together, and each. */
  public List<Integer> choices() {
    return Stream.concat(Stream.of(EVERYONE), fromTheLeft.stream()).toList();
  }

  /** Whether there is anything to choose. */
  public boolean several() {
    return fromTheLeft.size() > 1;
  }

  /**
   * @param person a place in the project's faces, or {@link #EVERYONE}
   */
  public String name(int person) {
    if (person == EVERYONE) {
      return NAMES.get("person.everyone");
    }
    int place = fromTheLeft.indexOf(person);
    if (fromTheLeft.size() == 2) {
      return NAMES.get(place == 0 ? "person.left" : "person.right");
    }
    return NAMES.get("person.from-the-left", place + 1, fromTheLeft.size());
  }
}
