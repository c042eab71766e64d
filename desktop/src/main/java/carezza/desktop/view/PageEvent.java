package carezza.desktop.view;

import javafx.event.Event;
import javafx.event.EventType;

/** A page of practice is asked for. */
public final class PageEvent extends Event {

  private static final long serialVersionUID = 1L;

  public static final EventType<PageEvent> PAGE = new EventType<>(Event.ANY, "PRACTICE_PAGE");

  private final String page;

  /**
   * @param page by which it is found, as "exercise-heal" or "layer-heal"
   */
  public PageEvent(String page) {
    super(PAGE);
    this.page = page;
  }

  public String page() {
    return page;
  }
}
