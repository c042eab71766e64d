package carezza.desktop.journal;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;

/** A stretch of time up to now. */
public enum Period {
  WEEK,
  MONTH,
  YEAR,
  ALL;

  /** When it began; weeks begin on Monday. */
  Instant from(Instant now, ZoneId zone) {
    LocalDate today = LocalDate.ofInstant(now, zone);
    LocalDate first =
        switch (this) {
          case WEEK -> today.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
          case MONTH -> today.withDayOfMonth(1);
          case YEAR -> today.withDayOfYear(1);
          case ALL -> LocalDate.EPOCH;
        };
    return first.atStartOfDay(zone).toInstant();
  }
}
