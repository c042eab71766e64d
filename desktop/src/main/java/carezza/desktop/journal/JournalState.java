package carezza.desktop.journal;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

import org.jspecify.annotations.Nullable;

import carezza.record.Pace;
import carezza.record.PracticeResult;
import carezza.studio.Grouping;
import carezza.studio.JournalEntry;
import carezza.studio.JournalReport;
import carezza.studio.StudioJournal.Pictures;

/** What of the studio's journal is looked at. */
public final class JournalState {

  private final JournalKeeper keeper;
  private final Supplier<Instant> now;
  private final ZoneId zone;
  private final ObjectProperty<Period> period = new SimpleObjectProperty<>(Period.WEEK);
  private final ObjectProperty<Grouping> grouping = new SimpleObjectProperty<>(Grouping.PICTURE);
  private final StringProperty words = new SimpleStringProperty("");
  private final ObjectProperty<String> selected = new SimpleObjectProperty<>();
  private final ReadOnlyObjectWrapper<@Nullable Contents> contents = new ReadOnlyObjectWrapper<>();

  public JournalState(JournalKeeper keeper, Supplier<Instant> now, ZoneId zone) {
    this.keeper = keeper;
    this.now = now;
    this.zone = zone;
    period.subscribe((was, is) -> look());
    words.subscribe((was, is) -> look());
  }

  /**
   * What was found.
   *
   * @param entries that are looked at, with all their work
   * @param report of the period
   * @param pace learned from the whole journal
   * @param practised in the period, the oldest first
   */
  public record Contents(
      List<JournalEntry> entries, JournalReport report, Pace pace, List<PracticeResult> practised) {

    public Optional<JournalEntry> entry(@Nullable String id) {
      return entries.stream().filter(e -> e.id().equals(id)).findFirst();
    }
  }

  /** Reads the journal anew. */
  public void look() {
    Instant to = now.get().plusSeconds(1);
    Instant from = period.get().from(to, zone);
    String wanted = words.get();
    keeper.read(
        journal -> {
          List<JournalEntry> all = journal.between(Instant.EPOCH, to);
          List<JournalEntry> some =
              all.stream().filter(e -> JournalReport.matches(e, wanted)).toList();
          return new Contents(
              some,
              new JournalReport(some, from, to, zone),
              Pace.of(all.stream().map(JournalEntry::work).toList()),
              journal.practised(from, to));
        },
        found -> {
          if (from.equals(period.get().from(to, zone)) && Objects.equals(wanted, words.get())) {
            contents.set(found);
          }
        });
  }

  /** Asks for the small pictures of a picture. */
  public void pictures(String id, Consumer<Pictures> answer) {
    keeper.read(journal -> journal.pictures(id), answer);
  }

  /** As read last; null before. */
  public ReadOnlyObjectProperty<@Nullable Contents> contentsProperty() {
    return contents.getReadOnlyProperty();
  }

  public ObjectProperty<Period> periodProperty() {
    return period;
  }

  public ObjectProperty<Grouping> groupingProperty() {
    return grouping;
  }

  /** What is looked for in titles, files and jobs. */
  public StringProperty wordsProperty() {
    return words;
  }

  /** The picture that is looked at, by its id; null for none. */
  public ObjectProperty<String> selectedProperty() {
    return selected;
  }
}
