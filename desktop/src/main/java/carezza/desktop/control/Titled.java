package carezza.desktop.control;

import java.util.function.Function;
import javafx.util.StringConverter;

/** Names of values in boxes that are chosen from, not typed in. */
public final class Titled<T> extends StringConverter<T> {

  private final String none;
  private final Function<T, String> title;

  public Titled(Function<T, String> title) {
    this("", title);
  }

  /**
   * @param none what stands for no value
   */
  public Titled(String none, Function<T, String> title) {
    this.none = none;
    this.title = title;
  }

  @Override
  public String toString(T value) {
    return value == null ? none : title.apply(value);
  }

  @Override
  public T fromString(String words) {
    throw new IllegalStateException("These boxes are chosen from, not typed in");
  }
}
