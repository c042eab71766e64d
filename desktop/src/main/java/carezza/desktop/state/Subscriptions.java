package carezza.desktop.state;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.value.ObservableValue;
import javafx.util.Subscription;

/** What a view follows, to be ended with it. */
public final class Subscriptions implements AutoCloseable {

  private final List<Subscription> all = new ArrayList<>();

  /** Runs with each change of any of the values. */
  public void on(Runnable follow, ObservableValue<?>... values) {
    for (ObservableValue<?> value : values) {
      all.add(value.subscribe((was, is) -> follow.run()));
    }
  }

  /** Takes each new value. */
  public <T> void on(ObservableValue<T> value, Consumer<? super T> follow) {
    all.add(value.subscribe((was, is) -> follow.accept(is)));
  }

  @Override
  public void close() {
    all.forEach(Subscription::unsubscribe);
    all.clear();
  }
}
