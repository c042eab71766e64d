package carezza.desktop.view.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.practice.Exercise;
import carezza.practice.Quality;

/** Something to read or to do. */
sealed interface Page {

  Texts TEXTS = Texts.of("practice");

  /** By which it is found. */
  String id();

  String title();

  /** All that is said on it, for looking through. */
  String words();

  /** An exercise. */
  record OfExercise(Exercise exercise) implements Page {
    @Override
    public String id() {
      return "exercise-" + exercise.name().toLowerCase(Locale.ROOT);
    }

    @Override
    public String title() {
      return TEXTS.get("exercise." + exercise);
    }

    @Override
    public String words() {
      return TEXTS.get("exercise." + exercise + ".task");
    }
  }

  /** A test of the eye. */
  record OfEye(Quality quality) implements Page {
    @Override
    public String id() {
      return "eye-" + quality.name().toLowerCase(Locale.ROOT);
    }

    @Override
    public String title() {
      return TEXTS.get("eye." + quality);
    }

    @Override
    public String words() {
      return TEXTS.get("eye." + quality + ".about");
    }
  }

  /** A lesson of the first week, which ends in an exercise. */
  record OfLesson(int day, Exercise exercise) implements Page {
    @Override
    public String id() {
      return "lesson-" + day;
    }

    @Override
    public String title() {
      return TEXTS.get("lesson." + day);
    }

    @Override
    public String words() {
      return TEXTS.get("lesson." + day + ".text");
    }
  }

  /** What a kind of layer does. */
  record OfLayer(LayerType type) implements Page {
    @Override
    public String id() {
      return "layer-" + type.key();
    }

    @Override
    public String title() {
      return Names.of(type);
    }

    @Override
    public String words() {
      StringBuilder all = new StringBuilder(TEXTS.get("layer." + type.key()));
      LayerFacts.of(type)
          .forEach(f -> all.append(' ').append(f.name()).append(' ').append(f.hint()));
      return all.toString();
    }
  }

  /** What a view is for. */
  record OfView(String view) implements Page {
    @Override
    public String id() {
      return "view-" + view;
    }

    @Override
    public String title() {
      return TEXTS.get("view." + view);
    }

    @Override
    public String words() {
      return TEXTS.get("view." + view + ".text");
    }
  }

  List<String> VIEWS = List.of("photograph", "plan", "deliver", "set", "journal");

  List<OfLesson> LESSONS =
      List.of(
          new OfLesson(1, Exercise.FIND),
          new OfLesson(2, Exercise.HEAL),
          new OfLesson(3, Exercise.RADIUS),
          new OfLesson(4, Exercise.TRANSITIONS),
          new OfLesson(5, Exercise.EVEN),
          new OfLesson(6, Exercise.TEETH),
          new OfLesson(7, Exercise.OVERDONE));

  static List<Page> all() {
    List<Page> pages = new ArrayList<>(LESSONS);
    for (Exercise exercise : Exercise.values()) {
      pages.add(new OfExercise(exercise));
    }
    for (Quality quality : Quality.values()) {
      pages.add(new OfEye(quality));
    }
    VIEWS.forEach(view -> pages.add(new OfView(view)));
    for (LayerType type : LayerType.values()) {
      pages.add(new OfLayer(type));
    }
    return pages;
  }

  /** Whether title or words have this in them. */
  default boolean has(String sought) {
    String wanted = sought.strip().toLowerCase(Locale.ROOT);
    return (title() + " " + words()).toLowerCase(Locale.ROOT).contains(wanted);
  }
}
