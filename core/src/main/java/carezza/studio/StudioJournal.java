package carezza.studio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.jspecify.annotations.Nullable;
import org.sqlite.SQLiteConfig;

import carezza.file.ApplicationFolder;
import carezza.file.Reason;
import carezza.file.Turn;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.RecordJson;
import carezza.record.Activity;
import carezza.record.Delivered;
import carezza.record.FindingEnd;
import carezza.record.LayerChange;
import carezza.record.Phase;
import carezza.record.PracticeResult;
import carezza.record.Span;
import carezza.record.WorkRecord;
import carezza.studio.Schema.Fault;

/**
 * All work on this machine, in a SQLite database that several windows may write to at once. What is
 * written is there after a kill. Safe for many threads.
 */
public final class StudioJournal implements AutoCloseable {

  /** The database's name in the application's folder. */
  public static final String NAME = "journal.sqlite";

  /** Stands for the turn to begin with the journal. */
  private static final String TURN = "journal.turn";

  /** How long one window waits for another, in milliseconds. */
  private static final int PATIENCE = 5000;

  private final Connection database;
  private final @Nullable Problem setAside;

  private StudioJournal(Connection database, @Nullable Problem setAside) {
    this.database = database;
    this.setAside = setAside;
  }

  /**
   * Opens the journal in a folder, or begins one. One that is broken or was written by a newer
   * version is set aside under another name, and {@link #setAside} says so.
   *
   * @throws Problem if the folder cannot be written
   */
  public static StudioJournal open(Path folder) throws Problem {
    Path file = folder.resolve(NAME);
    try {
      ApplicationFolder.makePrivate(folder);
      try (Turn _ = Turn.take(folder.resolve(TURN))) {
        return begin(file);
      }
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, file, Reason.of(e));
    } catch (SQLException e) {
      throw unusable(e);
    }
  }

  /**
   * While it has its turn: tables are made, and a broken journal set aside, by one window alone.
   */
  private static StudioJournal begin(Path file) throws IOException, SQLException {
    ApplicationFolder.makePrivateFile(file);
    Connection database = connect(file);
    Fault fault = fault(database);
    if (fault == Fault.NONE) {
      return new StudioJournal(database, null);
    }
    database.close();
    Path aside = aside(file);
    ApplicationFolder.makePrivateFile(file);
    Kind kind = fault == Fault.NEWER ? Kind.JOURNAL_NEWER : Kind.JOURNAL_BROKEN;
    Connection fresh = connect(file);
    Schema.prepare(fresh);
    return new StudioJournal(fresh, new Problem(kind, file, aside.getFileName()));
  }

  private static Connection connect(Path file) throws SQLException {
    SQLiteConfig config = new SQLiteConfig();
    config.setBusyTimeout(PATIENCE);
    return config.createConnection("jdbc:sqlite:" + file.toAbsolutePath());
  }

  private static Fault fault(Connection database) throws SQLException {
    try {
      return Schema.prepare(database);
    } catch (SQLException e) {
      // SQLITE_CORRUPT and SQLITE_NOTADB: what lies there is no database, or not a whole one.
      if (e.getErrorCode() == 11 || e.getErrorCode() == 26) {
        return Fault.FOREIGN;
      }
      throw e;
    }
  }

  /** Moves the database and what belongs to it out of the way. */
  private static Path aside(Path file) throws IOException {
    String when = LocalDateTime.now().format(DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss"));
    Path aside = file.resolveSibling("journal-" + when + ".sqlite");
    for (int n = 2; Files.exists(aside); n++) {
      aside = file.resolveSibling("journal-" + when + "-" + n + ".sqlite");
    }
    for (String part : List.of("", "-wal", "-shm")) {
      Path from = file.resolveSibling(NAME + part);
      if (Files.exists(from)) {
        Files.move(from, file.resolveSibling(aside.getFileName() + part));
      }
    }
    return aside;
  }

  private static Problem unusable(SQLException e) {
    return new Problem(e, Kind.JOURNAL_UNUSABLE, NAME, String.valueOf(e.getMessage()));
  }

  /** Why another journal was set aside when this one was opened. */
  public Optional<Problem> setAside() {
    return Optional.ofNullable(setAside);
  }

  // --- writing

  /**
   * Puts a picture into the journal or brings what is known of it up to date; its work is left as
   * it is.
   */
  public synchronized void keep(JournalEntry picture) throws Problem {
    write(
        """
        INSERT INTO picture (id, title, photograph, job, estimate) VALUES (?, ?, ?, ?, ?)
        ON CONFLICT (id) DO UPDATE SET title = excluded.title, photograph = excluded.photograph,
          job = excluded.job, estimate = excluded.estimate
        """,
        picture.id(),
        picture.title(),
        picture.photograph(),
        picture.job(),
        picture.work().estimate());
  }

  /** A small JPEG of the photograph of a picture that is kept. */
  public synchronized void showAsShot(String picture, byte[] jpeg) throws Problem {
    write("UPDATE picture SET as_shot = ? WHERE id = ?", jpeg, picture);
  }

  /** A small JPEG of a picture that is kept, as it stands. */
  public synchronized void showFinished(String picture, byte[] jpeg) throws Problem {
    write("UPDATE picture SET finished = ? WHERE id = ?", jpeg, picture);
  }

  /** A span of work on a picture that is kept; one that began at the same time grows. */
  public synchronized void add(String picture, Span span) throws Problem {
    Activity doing = span.activity();
    write(
        """
        INSERT INTO span (picture, start, active, waiting, phase, layer, kind, in_hand)
        VALUES (?, ?, ?, ?, ?, ?, ?, ?)
        ON CONFLICT (picture, start) DO UPDATE SET active = max(active, excluded.active),
          waiting = max(waiting, excluded.waiting)
        """,
        picture,
        span.start().toEpochMilli(),
        span.active().toMillis(),
        span.waiting().toMillis(),
        doing.phase().name(),
        doing.layer(),
        doing.kind(),
        doing.inHand());
  }

  public synchronized void add(String picture, LayerChange change) throws Problem {
    entry(picture, change.at(), change);
  }

  public synchronized void add(String picture, FindingEnd end) throws Problem {
    entry(picture, end.at(), end);
  }

  public synchronized void add(String picture, Delivered file) throws Problem {
    entry(picture, file.at(), file);
  }

  public synchronized void add(PracticeResult result) throws Problem {
    write(
        """
        INSERT INTO practice (at, kind, subject, seed, value, spread, active)
        VALUES (?, ?, ?, ?, ?, ?, ?)
        """,
        result.at().toEpochMilli(),
        result.kind().name(),
        result.subject(),
        result.seed(),
        result.value(),
        result.spread(),
        result.active().toMillis());
  }

  private void entry(String picture, Instant at, Object content) throws Problem {
    write(
        "INSERT INTO entry (picture, at, type, content) VALUES (?, ?, ?, ?)",
        picture,
        at.toEpochMilli(),
        content.getClass().getSimpleName(),
        RecordJson.line(content));
  }

  private void write(String sql, @Nullable Object... values) throws Problem {
    try (PreparedStatement statement = database.prepareStatement(sql)) {
      for (int i = 0; i < values.length; i++) {
        statement.setObject(i + 1, values[i]);
      }
      statement.executeUpdate();
    } catch (SQLException e) {
      throw unusable(e);
    }
  }

  // --- reading

  /** The pictures that were worked on in a stretch of time, with that work; the newest first. */
  public synchronized List<JournalEntry> between(Instant from, Instant to) throws Problem {
    Map<String, JournalEntry> found = new LinkedHashMap<>();
    try {
      pictures(from, to, found);
      spans(from, to, found);
      entries(from, to, found);
    } catch (SQLException e) {
      throw unusable(e);
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.JOURNAL_UNUSABLE, NAME, String.valueOf(e.getMessage()));
    }
    return new ArrayList<>(found.values());
  }

  /** What was practised in a stretch of time, the oldest first. */
  public synchronized List<PracticeResult> practised(Instant from, Instant to) throws Problem {
    List<PracticeResult> found = new ArrayList<>();
    try {
      ask(
          "SELECT * FROM practice WHERE at >= ? AND at < ? ORDER BY at, rowid",
          from,
          to,
          row -> {
            double spread = row.getDouble("spread");
            boolean none = row.wasNull();
            found.add(
                new PracticeResult(
                    Instant.ofEpochMilli(row.getLong("at")),
                    PracticeResult.Kind.valueOf(row.getString("kind")),
                    row.getString("subject"),
                    row.getLong("seed"),
                    row.getDouble("value"),
                    none ? null : spread,
                    Duration.ofMillis(row.getLong("active"))));
          });
    } catch (SQLException e) {
      throw unusable(e);
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.JOURNAL_UNUSABLE, NAME, String.valueOf(e.getMessage()));
    }
    return found;
  }

  /**
   * Small JPEGs of a picture.
   *
   * @param asShot of the photograph, or null
   * @param finished as it was seen last, or null
   */
  public record Pictures(byte @Nullable [] asShot, byte @Nullable [] finished) {}

  /** What there is to see of a picture. */
  public synchronized Pictures pictures(String picture) throws Problem {
    String sql = "SELECT as_shot, finished FROM picture WHERE id = ?";
    try (PreparedStatement statement = database.prepareStatement(sql)) {
      statement.setString(1, picture);
      try (ResultSet row = statement.executeQuery()) {
        return row.next()
            ? new Pictures(row.getBytes(1), row.getBytes(2))
            : new Pictures(null, null);
      }
    } catch (SQLException e) {
      throw unusable(e);
    }
  }

  private interface Row {
    void read(ResultSet row) throws SQLException;
  }

  private void ask(String sql, Instant from, Instant to, Row each) throws SQLException {
    try (PreparedStatement statement = database.prepareStatement(sql)) {
      statement.setLong(1, from.toEpochMilli());
      statement.setLong(2, to.toEpochMilli());
      try (ResultSet rows = statement.executeQuery()) {
        while (rows.next()) {
          each.read(rows);
        }
      }
    }
  }

  private void pictures(Instant from, Instant to, Map<String, JournalEntry> found)
      throws SQLException {
    ask(
        """
        SELECT p.id, p.title, p.photograph, p.job, p.estimate, max(s.start) AS last FROM picture p JOIN span s ON s.picture = p.id
        WHERE s.start >= ? AND s.start < ? GROUP BY p.id ORDER BY last DESC
        """,
        from,
        to,
        row -> {
          WorkRecord work = WorkRecord.of(row.getString("id")).estimated(row.getDouble("estimate"));
          found.put(
              work.id(),
              new JournalEntry(
                  row.getString("title"), row.getString("photograph"), row.getString("job"), work));
        });
  }

  private void spans(Instant from, Instant to, Map<String, JournalEntry> found)
      throws SQLException {
    Map<String, List<Span>> spans = new LinkedHashMap<>();
    ask(
        "SELECT * FROM span WHERE start >= ? AND start < ? ORDER BY start",
        from,
        to,
        row ->
            spans
                .computeIfAbsent(row.getString("picture"), id -> new ArrayList<>())
                .add(
                    new Span(
                        Instant.ofEpochMilli(row.getLong("start")),
                        Duration.ofMillis(row.getLong("active")),
                        Duration.ofMillis(row.getLong("waiting")),
                        new Activity(
                            Phase.valueOf(row.getString("phase")),
                            row.getString("layer"),
                            row.getString("kind"),
                            row.getString("in_hand")))));
    spans.forEach((id, all) -> found.computeIfPresent(id, (i, e) -> e.worked(e.work().with(all))));
  }

  private void entries(Instant from, Instant to, Map<String, JournalEntry> found)
      throws SQLException {
    ask(
        "SELECT * FROM entry WHERE at >= ? AND at < ? ORDER BY at, rowid",
        from,
        to,
        row -> {
          JournalEntry picture = found.get(row.getString("picture"));
          if (picture != null) {
            WorkRecord more = plus(picture.work(), row.getString("type"), row.getString("content"));
            found.put(more.id(), picture.worked(more));
          }
        });
  }

  private static WorkRecord plus(WorkRecord work, String type, String content) {
    return switch (type) {
      case "LayerChange" -> work.plus(RecordJson.one(content, LayerChange.class));
      case "FindingEnd" -> work.plus(RecordJson.one(content, FindingEnd.class));
      case "Delivered" -> work.plus(RecordJson.one(content, Delivered.class));
      default -> throw new IllegalArgumentException("an entry is of the type " + type);
    };
  }

  @Override
  public synchronized void close() throws Problem {
    try {
      database.close();
    } catch (SQLException e) {
      throw unusable(e);
    }
  }
}
