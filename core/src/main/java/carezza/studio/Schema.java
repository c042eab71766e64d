package carezza.studio;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Objects;

/** What the journal's tables look like in each version, and the way from one to the next. */
final class Schema {

  /** The version that this program writes, and the newest it reads. */
  static final int VERSION = 2;

  /** Says in the file's head that it is a journal of ours: the letters Care. */
  private static final int APPLICATION = 0x43617265;

  private Schema() {}

  /** Why a database cannot be used. */
  enum Fault {
    NONE,
    NEWER,
    /** It is damaged, or another program's. */
    FOREIGN
  }

  /** Looks whether the tables can be used, and brings older ones to today's. */
  static Fault prepare(Connection database) throws SQLException {
    try (Statement ask = database.createStatement()) {
      int version = number(ask, "PRAGMA user_version");
      if (version > VERSION) {
        return Fault.NEWER;
      }
      boolean empty = number(ask, "SELECT count(*) FROM sqlite_master") == 0;
      if (!empty && number(ask, "PRAGMA application_id") != APPLICATION || !isWhole(ask)) {
        return Fault.FOREIGN;
      }
      ask.execute("PRAGMA journal_mode = WAL");
      ask.execute("PRAGMA synchronous = NORMAL");
      ask.execute("PRAGMA foreign_keys = ON");
      if (version < VERSION) {
        migrate(ask);
      }
      return Fault.NONE;
    }
  }

  private static boolean isWhole(Statement ask) throws SQLException {
    try (ResultSet answer = ask.executeQuery("PRAGMA quick_check(1)")) {
      return answer.next() && "ok".equals(answer.getString(1));
    }
  }

  /** All versions that are missing, in one transaction; another window may have been faster. */
  private static void migrate(Statement ask) throws SQLException {
    ask.execute("BEGIN IMMEDIATE");
    try {
      for (int next = number(ask, "PRAGMA user_version") + 1; next <= VERSION; next++) {
        for (String statement : script(next).split(";")) {
          if (!statement.isBlank()) {
            ask.execute(statement);
          }
        }
        ask.execute("PRAGMA user_version = " + next);
      }
      ask.execute("PRAGMA application_id = " + APPLICATION);
      ask.execute("COMMIT");
    } catch (SQLException e) {
      ask.execute("ROLLBACK");
      throw e;
    }
  }

  private static int number(Statement ask, String question) throws SQLException {
    try (ResultSet answer = ask.executeQuery(question)) {
      return answer.getInt(1);
    }
  }

  private static String script(int version) {
    String name = "/carezza/studio/journal-" + version + ".sql";
    try (InputStream in = Objects.requireNonNull(Schema.class.getResourceAsStream(name))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
